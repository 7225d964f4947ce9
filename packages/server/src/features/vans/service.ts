import {
  CARRIED,
  loadList,
  shelfName,
  type ComponentView,
  type Job,
  type JobsPage,
  type LoadLine,
  type NewStock,
  type Policy,
  type Van,
  type Wanted,
} from '@yarnix/core';
import { csvOf } from '../../http/csv.ts';
import { notFound } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { vansStore, type PartThere } from './store.ts';

interface Needs {
  readonly weekJobs: {
    planned(context: RequestContext): Promise<Job[]>;
    people(context: RequestContext): Promise<JobsPage['people']>;
  };
  readonly session: { judging(context: RequestContext): Promise<{ readonly policy: Policy }> };
}

const wantedOf = (part: PartThere) => ({ part: shelfName(part), address: part.address, chance: part.chance });

/** What people have in their vans, and what a day asks of them. */
export function vansService({ db, needs }: On<Needs>) {
  const store = vansStore(db);
  const personOf = async (context: RequestContext, personId: string) => {
    const person = (await needs.weekJobs.people(context)).find(({ id }) => id === personId);
    if (!person) throw notFound('person');
    return person;
  };
  /** What planned jobs fit, and what else of the systems gone to may be needed by its chance. */
  async function wantedBy(context: RequestContext, jobs: readonly Job[], policy: Policy): Promise<Wanted[]> {
    const fitted = jobs.filter(({ does }) => does === 'replace').map(({ key }) => key.slice('part:'.length));
    const sure = await store.partsNamed(context, fitted);
    const systems = [...new Set(jobs.map(({ systemId }) => systemId))];
    const least = policy.trend.watchChance;
    const perhaps = await store.partsAt(context, systems, { slots: CARRIED, least });
    return [
      ...sure.map((part) => ({ ...wantedOf(part), planned: true })),
      ...perhaps.filter(({ id }) => !fitted.includes(id)).map((part) => ({ ...wantedOf(part), planned: false })),
    ];
  }
  const allowed = ({ capacitor }: Policy): number => capacitor.replacementPercent;

  return {
    /** What somebody loads for a day, and what is aboard. */
    async van(context: RequestContext, personId: string, day: string): Promise<Van> {
      const person = await personOf(context, personId);
      const { policy } = await needs.session.judging(context);
      const jobs = (await needs.weekJobs.planned(context)).filter((j) => j.day === day && j.person?.id === personId);
      const stock = await store.stock(context, personId);
      const load = loadList(await wantedBy(context, jobs, policy), stock, allowed(policy));
      const systems = new Set(jobs.map(({ systemId }) => systemId)).size;
      return { person, day, systems, load: load as Van['load'], stock };
    },

    /** Says how many of a part are aboard. */
    async keep(context: RequestContext, personId: string, day: string, { part, count }: NewStock): Promise<Van> {
      await personOf(context, personId);
      await store.set(context, personId, { part, count });
      return this.van(context, personId, day);
    },

    /** A part went in: it leaves the van of whoever fitted it. */
    used: (context: RequestContext, part: Pick<ComponentView, 'slot' | 'plate'>) =>
      store.takeOne(context, shelfName(part)),

    /** What all planned days from one to another ask for that is in no van, as CSV. */
    async order(context: RequestContext, from: string, to: string): Promise<string> {
      const { policy } = await needs.session.judging(context);
      const jobs = (await needs.weekJobs.planned(context)).filter(
        ({ day }) => day !== null && day >= from && day <= to,
      );
      const lines = loadList(await wantedBy(context, jobs, policy), await store.stock(context), allowed(policy));
      const row = ({ part, toLoad, need, wanted }: LoadLine) => [
        part,
        toLoad,
        need,
        [...new Set(wanted.map(({ address }) => address))].join('; '),
      ];
      return csvOf([['part', 'to order', 'needed', 'for'], ...lines.filter(({ toLoad }) => toLoad > 0).map(row)]);
    },
  };
}
