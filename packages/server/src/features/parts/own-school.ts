import { ownSchoolProblem, sayOwnSchoolProblem, type PartSchool } from '@yarnix/core';
import type { Knex } from 'knex';
import { holdSystemOf } from '../../database/hold.ts';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import { labelOf } from './replacement.ts';
import { partsStore } from './store.ts';

/** Notes one school that a part is judged by; tells whose system it is. */
export async function judgePartBy(
  db: Knex.Transaction,
  context: RequestContext,
  id: string,
  { school, setting }: PartSchool,
): Promise<string> {
  const store = partsStore(db);
  await holdSystemOf(db, context, id);
  const part = await store.find(context, id);
  if (!part) throw notFound('part');
  if (part.removed_on !== null) throw new ProblemError('part-removed', 'That part is no longer fitted.');
  const problem = setting === null ? null : ownSchoolProblem(part.kind, school, setting);
  if (problem) {
    const detail = sayOwnSchoolProblem(school, problem);
    throw new ProblemError('invalid-request', detail, [{ path: 'setting', detail }]);
  }
  const { schools: { [school]: _was, ...others } = {}, ...plate } = part.plate;
  const schools = setting === null ? others : { ...others, [school]: setting };
  const isOwn = Object.keys(schools).length > 0;
  await store.setPlate(context, id, { ...plate, ...(isOwn && { schools }) }, labelOf(plate));
  return part.system_id;
}
