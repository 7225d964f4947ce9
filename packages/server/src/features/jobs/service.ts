import {
  dayIn,
  isLongDone,
  type Job,
  type JobDecision,
  type JobsPage,
  type JobsQuery,
  type NewDecision,
  type NewJob,
  type Policy,
  type SeasonStarts,
  type StopMove,
  type SystemKind,
} from '@yarnix/core';
import { isDeepStrictEqual } from 'node:util';
import type { Knex } from 'knex';
import { together } from '../../database/together.ts';
import { holdSystem } from '../../database/hold.ts';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On, Writing } from '../../wiring.ts';
import { keepDecision, type CalledOff } from './decisions.ts';
import { jobsOf, roundsOf } from './gather.ts';
import type { Planned } from './jobs-from.ts';
import type { Asked } from './sources.ts';
import { handStore, jobsStore } from './store.ts';

interface Needs extends CalledOff {
  readonly systems: { areas(context: RequestContext): Promise<string[]> };
  readonly session: { judging(context: RequestContext): Promise<{ readonly policy: Policy }> };
  readonly planning: {
    seasons(context: RequestContext): Promise<SeasonStarts>;
    zone(context: RequestContext): Promise<string>;
    roundMinutes(context: RequestContext): Promise<(kind: SystemKind) => number>;
  };
}

const TABLES: Readonly<Record<string, string>> = {
  part: 'components',
  call: 'visits',
  owed: 'follow_ups',
  hand: 'jobs_by_hand',
  round: 'systems',
};

/** The system a job is on. */
async function systemOf(on: Knex, context: RequestContext, key: string): Promise<string> {
  const [source = '', id = ''] = key.split(':');
  const systemId = await jobsStore(on).systemOf(context, TABLES[source] ?? 'components', id);
  if (systemId === undefined) throw notFound('job');
  return systemId;
}

/** Where jobs are asked for: a handle, and the services that are on it. */
type Asking = Pick<On<Needs>, 'db' | 'now' | 'needs'>;

/** What jobs are worked out by. */
async function planned({ db, now, needs }: Asking, context: RequestContext): Promise<Planned> {
  const [{ policy }, seasons, zone] = await together(
    db,
    () => needs.session.judging(context),
    () => needs.planning.seasons(context),
    () => needs.planning.zone(context),
  );
  // What rounds take is asked for where there is a round, and not else: it takes longer than all other questions.
  return {
    today: dayIn(zone, now().toISOString()),
    dayOf: (moment) => dayIn(zone, moment.toISOString()),
    policy,
    seasons,
    roundMinutes: () => needs.planning.roundMinutes(context),
  };
}

/** Jobs as they are now: all that match, the rounds among them, and one by its key. */
const all = async (on: Asking, context: RequestContext, asked: Asked): Promise<Job[]> =>
  jobsOf(on.db, context, asked, await planned(on, context));
const rounds = async (on: Asking, context: RequestContext, asked: Asked): Promise<Job[]> =>
  roundsOf(on.db, context, asked, await planned(on, context));
async function one(on: Asking, context: RequestContext, systemId: string, key: string): Promise<Job> {
  const isRound = key.startsWith('round:');
  const jobs = [...(isRound ? await rounds(on, context, { systemId }) : []), ...(await all(on, context, { systemId }))];
  const job = jobs.find((j) => j.key === key);
  if (!job) throw notFound('job');
  return job;
}

/** What people note and decide. */
const deciding = ({ now, transact }: Writing<Needs>) => ({
  /** Keeps a job noted by hand; the same id again changes it. */
  note: (context: RequestContext, systemId: string, id: string, asked: NewJob): Promise<Job> =>
    transact(async (within) => {
      await holdSystem(within.db, context, systemId);
      const byHand = handStore(within.db);
      const kept = await byHand.handOf(id);
      if (kept && (kept.firmId !== context.firmId || kept.systemId !== systemId))
        throw new ProblemError('id-taken', 'Another job has this id.');
      await byHand.keep(context, systemId, id, asked, now());
      return one(within, context, systemId, `hand:${id}`);
    }),

  /** Decides a job, as it was when one looked at it: who decides after somebody else hears so, and overwrites nothing. */
  decide: (context: RequestContext, key: string, asked: NewDecision): Promise<Job> =>
    transact(async (within) => {
      const systemId = await systemOf(within.db, context, key);
      await holdSystem(within.db, context, systemId);
      const job = await one(within, context, systemId, key);
      // What was promised of a day is not promised of another.
      const window = asked.window === undefined ? (asked.day === job.day ? job.window : null) : asked.window;
      if (
        isDeepStrictEqual(
          [job.decision, job.note, job.day, job.person?.id ?? null, job.window],
          [asked.decision, asked.note, asked.day, asked.personId, window],
        ) &&
        job.version > 0
      )
        return job;
      await keepDecision(within, context, job, { ...asked, window }, now());
      return one(within, context, systemId, key);
    }),

  /** Gives a day and a person to what is to do on a system, each upon the version that was looked at: all of it, or nothing. */
  plan: (
    context: RequestContext,
    systemId: string,
    { jobs, day, personId, window }: Omit<StopMove, 'before'>,
  ): Promise<Job[]> =>
    transact(async (within) => {
      await holdSystem(within.db, context, systemId);
      for (const { key, version } of jobs) {
        const job = await one(within, context, systemId, key);
        const asked = { decision: 'accepted' as const, note: job.decision === 'declined' ? '' : job.note };
        await keepDecision(within, context, job, { ...asked, day, personId, window, version }, now());
      }
      const keys = new Set(jobs.map(({ key }) => key));
      const kept = await all(within, context, { systemId });
      return kept.filter(({ key }) => keys.has(key));
    }),
});

/**
 * Jobs: anything left to do on a system. They are worked out of how parts stand, how calls ended and what was put off each
 * time they are asked for, so that they open and close by themselves; what people decide of them is kept beside.
 */
export function jobsService(on: On<Needs>) {
  const { db, needs } = on;
  return {
    async page(context: RequestContext, { decision, limit, source, ...asked }: JobsQuery): Promise<JobsPage> {
      const [found, people, areas] = await together(
        db,
        () => (source === 'round' ? rounds : all)(on, context, asked),
        () => jobsStore(db).people(context),
        () => needs.systems.areas(context),
      );
      const days = await planned(on, context);
      const told = found.filter(
        ({ decision: is, decided }) => !isLongDone(is, decided && days.dayOf(new Date(decided.at)), days.today),
      );
      const jobs = told.filter((job) => source === undefined || job.source === source);
      const counts: Record<JobDecision, number> = { proposed: 0, accepted: 0, declined: 0, done: 0 };
      for (const job of jobs) counts[job.decision] += 1;
      const wanted = jobs.filter((job) => (decision ? job.decision === decision : job.decision !== 'done'));
      return { jobs: wanted.slice(0, limit), counts, areas, people };
    },

    people: (context: RequestContext) => jobsStore(db).people(context),
    /** What is left to do on one system. */
    ofSystem: (context: RequestContext, systemId: string): Promise<Job[]> => all(on, context, { systemId }),
    /** What is planned for a day and a person. */
    planned: async (context: RequestContext): Promise<Job[]> =>
      (await all(on, context, {})).filter(
        ({ decision, day, person }) => decision === 'accepted' && day !== null && person !== null,
      ),
    /** What is planned for days from one to another, or for no day yet. */
    async plannedBetween(context: RequestContext, from: string, to: string): Promise<Job[]> {
      const decided = await jobsStore(db).plannedOn(context, from, to);
      if (decided.length === 0) return [];
      const systemIds = [...new Set(decided.map((row) => row.system_id))];
      return (await all(on, context, { systemIds, keys: decided.map(({ key }) => key) })).filter(
        ({ decision, day }) => decision === 'accepted' && (day === null || (day >= from && day <= to)),
      );
    },
    async job(context: RequestContext, key: string): Promise<Job> {
      return one(on, context, await systemOf(db, context, key), key);
    },

    ...deciding(on),
  };
}
