import {
  policyFrom,
  saySchoolProblem,
  schoolProblems,
  schoolsChanged,
  type NewSchools,
  type Policy,
  type Preview,
  type Refit,
  type Schools,
} from '@yarnix/core';
import { v7 } from 'uuid';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { schoolsStore, type ChangeRow } from './store.ts';

interface Needs {
  readonly refits: { ask(context: RequestContext): Promise<Refit> };
}

function changeView({ id, at, by, before, after, undoes }: ChangeRow & { by: string }): Schools['changes'][number] {
  const [from, to] = [policyFrom(before), policyFrom(after)];
  return { id, at: at.toISOString(), by, from, to, schools: schoolsChanged(from, to), undoes };
}

function checked(policy: Policy): Policy {
  const problems = schoolProblems(policy);
  if (problems.length === 0) return policy;
  const errors = problems.map((p) => ({ path: `policy/${p.school}`, detail: saySchoolProblem(p) }));
  throw new ProblemError('invalid-request', errors.map((e) => e.detail).join(' '), errors);
}

/** The firm's schools: what they are, what others would change, changing them and taking a change back. */
export function schoolsService({ db, now, jobs, transact }: On<Needs>) {
  const store = schoolsStore(db);
  const stands = async (context: RequestContext) => {
    const current = await store.current(context);
    if (!current) throw notFound('firm');
    return { policy: policyFrom(current.policy), revision: current.policy_revision };
  };
  async function schools(context: RequestContext): Promise<Schools> {
    const [current, changes] = await Promise.all([stands(context), store.changes(context)]);
    return { ...current, changes: changes.map(changeView) };
  }
  async function preview(context: RequestContext, id: string): Promise<Preview> {
    const row = await store.preview(context, id);
    if (!row) throw notFound('preview');
    const addresses = await store.addressesOf(context, [...new Set(row.changes.map((c) => c.systemId))]);
    const { state, done, total, parts, changing } = row;
    const changes = row.changes.map((c) => ({ ...c, address: addresses.get(c.systemId) ?? '' }));
    return { id, state, done, total, parts, changing, changes };
  }
  return {
    schools,
    /** Keeps other schools and has every part judged anew; refused where somebody has changed them in the meantime. */
    async change(context: RequestContext, { policy, revision, undoes }: NewSchools): Promise<Schools> {
      const after = checked(policy);
      const { policy: before } = await stands(context);
      if (undoes !== undefined && !(await store.change(context, undoes))) throw notFound('change of schools');
      if (schoolsChanged(before, after).length === 0) return schools(context);
      await jobs.boss();
      await transact(async ({ db: held, needs: { refits } }) => {
        const within = schoolsStore(held);
        if (!(await within.replace(context, revision, after)))
          throw new ProblemError('conflict', 'Somebody has changed the schools since you opened them. Look again.');
        await within.note({
          id: v7(),
          firm_id: context.firmId,
          person_id: context.personId,
          revision: revision + 1,
          before,
          after,
          undoes: undoes ?? null,
          at: now(),
        });
        await refits.ask(context);
      });
      return schools(context);
    },
    /** Has worked out, off the request path, which parts would stand otherwise. */
    async ask(context: RequestContext, policy: Policy): Promise<Preview> {
      const id = v7();
      const draft = checked(policy);
      await jobs.boss();
      await transact(async ({ db: held }) => {
        await schoolsStore(held).askPreview(context, id, draft, now());
        await jobs.add('previews', held, id);
      });
      return preview(context, id);
    },
    preview,
  };
}
