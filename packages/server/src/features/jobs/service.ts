import {
  dayOf,
  holdsForRound,
  isCalledOff,
  isDoneBySaying,
  isLongDone,
  jobSeverity,
  USUAL_SEASON_STARTS,
  type Job,
  type JobDecision,
  type JobsPage,
  type JobsQuery,
  type NewDecision,
  type NewJob,
  type Planning,
  type Policy,
} from '@yarnix/core';
import { isDeepStrictEqual } from 'node:util';
import type { Knex } from 'knex';
import { holdSystem } from '../../database/hold.ts';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { decidedJob, ofCall, ofHand, ofOwed, ofPart, ofRounds } from './jobs-from.ts';
import { roundRows } from './rounds-source.ts';
import { sourcesStore, type Asked } from './sources.ts';
import { jobsStore, type DecisionRow } from './store.ts';

interface Needs {
  readonly systems: { areas(context: RequestContext): Promise<string[]> };
  readonly calendar: { callOff(context: RequestContext, job: Job, sequence: number): Promise<void> };
  readonly session: { judging(context: RequestContext): Promise<{ readonly policy: Policy }> };
}

const TABLES: Readonly<Record<string, string>> = {
  part: 'components',
  call: 'visits',
  owed: 'follow_ups',
  hand: 'jobs_by_hand',
  round: 'systems',
};

const soonestFirst = (a: Job, b: Job): number =>
  a.byWhen < b.byWhen ? -1 : a.byWhen > b.byWhen ? 1 : (b.chance ?? 0) - (a.chance ?? 0) || (a.key < b.key ? -1 : 1);

/** The system a job is on. */
async function systemOf(on: Knex, context: RequestContext, key: string): Promise<string> {
  const [source = '', id = ''] = key.split(':');
  const systemId = await jobsStore(on).systemOf(context, TABLES[source] ?? 'components', id);
  if (systemId === undefined) throw notFound('job');
  return systemId;
}

type Judged = Pick<Planning, 'today' | 'policy'>;

/**
 * Rounds that are due, the one whose wait costs most first, and those that are named whether due or not; a decision holds
 * until the round it was about.
 */
async function roundsOf(on: Knex, context: RequestContext, asked: Asked, judged: Judged, named?: readonly string[]) {
  if (named?.length === 0) return [];
  const rows = await roundRows(on, context, asked, named);
  const kept = await jobsStore(on).decisions(context, asked);
  const decisions = new Map(kept.map((row) => [row.key, row]));
  const lastRounds = new Map(rows.map(({ id, lastRound }) => [`round:${id}`, lastRound]));
  return ofRounds(rows, { ...judged, seasons: USUAL_SEASON_STARTS }, named !== undefined).map((job) => {
    const decision = decisions.get(job.key);
    const holds = decision && holdsForRound(dayOf(decision.decided_at.toISOString()), lastRounds.get(job.key) ?? null);
    return decidedJob(job, false, holds ? decision : undefined);
  });
}

/** Every job of a firm that matches, with what was decided of it, the soonest due first. */
async function jobsOf(on: Knex, context: RequestContext, asked: Asked, judged: Judged): Promise<Job[]> {
  const sources = sourcesStore(on);
  // One after the other: within a transaction they share a connection.
  const parts = await sources.parts(context, asked);
  const calls = await sources.calls(context, asked);
  const owed = await sources.owed(context, asked);
  const byHand = await sources.byHand(context, asked);
  const kept = await jobsStore(on).decisions(context, asked);
  const planning = { ...judged, seasons: USUAL_SEASON_STARTS };
  const decisions = new Map(kept.map((row) => [row.key, row]));
  const declined = new Set(calls.filter(({ outcome }) => outcome.is === 'declined').map(({ id }) => `call:${id}`));
  return [
    ...parts.flatMap((row) => ofPart(row, planning)),
    ...calls.map((row) => ofCall(row, planning)),
    ...owed.map(ofOwed),
    ...byHand.map(ofHand),
  ]
    .map((job) => decidedJob(job, declined.has(job.key), decisions.get(job.key)))
    .concat(await plannedRounds(on, context, asked, judged, kept))
    .sort(soonestFirst);
}

/** Rounds that somebody has planned or declined: they stand among the other jobs; all others are told when asked for. */
async function plannedRounds(
  on: Knex,
  context: RequestContext,
  asked: Asked,
  judged: Judged,
  kept: readonly DecisionRow[],
) {
  const named = kept.filter(({ key, decision }) => key.startsWith('round:') && decision !== 'proposed');
  const rounds = await roundsOf(
    on,
    context,
    asked,
    judged,
    named.map((row) => row.system_id),
  );
  return rounds.filter(({ decision }) => decision !== 'proposed');
}

/** A decision is made upon the job as it is, says done only where that can be said, and names somebody of the firm. */
function checkDecision(job: Job, asked: NewDecision, people: JobsPage['people']): void {
  if (asked.version !== job.version)
    throw new ProblemError('conflict', `${job.decided?.by ?? 'Somebody'} decided this meanwhile. Look again.`);
  if (asked.decision === 'done' && !isDoneBySaying(job.source))
    throw new ProblemError('invalid-request', 'It is done once its reading says so.', [
      { path: 'decision', detail: 'It is done once its reading says so.' },
    ]);
  if (asked.personId !== null && !people.some((p) => p.id === asked.personId))
    throw new ProblemError('invalid-request', 'Nobody of the firm.', [
      { path: 'personId', detail: 'is nobody of the firm' },
    ]);
}

/**
 * Jobs: anything left to do on a system. They are worked out of how parts stand, how calls ended and what was put off each
 * time they are asked for, so that they open and close by themselves; what people decide of them is kept beside.
 */
export function jobsService({ db, now, transact, needs }: On<Needs>) {
  const all = async (on: Knex, context: RequestContext, asked: Asked): Promise<Job[]> => {
    const { policy } = await needs.session.judging(context);
    return jobsOf(on, context, asked, { today: dayOf(now().toISOString()), policy });
  };
  const rounds = async (on: Knex, context: RequestContext, asked: Asked): Promise<Job[]> => {
    const { policy } = await needs.session.judging(context);
    return roundsOf(on, context, asked, { today: dayOf(now().toISOString()), policy });
  };
  const one = async (on: Knex, context: RequestContext, systemId: string, key: string): Promise<Job> => {
    const isRound = key.startsWith('round:');
    const jobs = [
      ...(isRound ? await rounds(on, context, { systemId }) : []),
      ...(await all(on, context, { systemId })),
    ];
    const job = jobs.find((j) => j.key === key);
    if (!job) throw notFound('job');
    return job;
  };
  return {
    async page(context: RequestContext, { decision, limit, source, ...asked }: JobsQuery): Promise<JobsPage> {
      const [found, people, areas] = await Promise.all([
        (source === 'round' ? rounds : all)(db, context, asked),
        jobsStore(db).people(context),
        needs.systems.areas(context),
      ]);
      const today = dayOf(now().toISOString());
      const told = found.filter(({ decision: is, decided }) => !isLongDone(is, decided && dayOf(decided.at), today));
      const jobs = told.filter((job) => source === undefined || job.source === source);
      const counts: Record<JobDecision, number> = { proposed: 0, accepted: 0, declined: 0, done: 0 };
      for (const job of jobs) counts[job.decision] += 1;
      const wanted = jobs.filter((job) => (decision ? job.decision === decision : job.decision !== 'done'));
      return { jobs: wanted.slice(0, limit), counts, areas, people };
    },

    people: (context: RequestContext) => jobsStore(db).people(context),
    /** What is planned for a day and a person. */
    planned: async (context: RequestContext): Promise<Job[]> =>
      (await all(db, context, {})).filter(
        ({ decision, day, person }) => decision === 'accepted' && day !== null && person !== null,
      ),
    async job(context: RequestContext, key: string): Promise<Job> {
      return one(db, context, await systemOf(db, context, key), key);
    },

    /** Keeps a job noted by hand; the same id again changes it. */
    note: (context: RequestContext, systemId: string, id: string, asked: NewJob): Promise<Job> =>
      transact(async ({ db: held }) => {
        await holdSystem(held, context, systemId);
        const store = jobsStore(held);
        const kept = await store.handOf(id);
        if (kept && (kept.firmId !== context.firmId || kept.systemId !== systemId))
          throw new ProblemError('id-taken', 'Another job has this id.');
        await store.keep(context, systemId, id, asked, now());
        return one(held, context, systemId, `hand:${id}`);
      }),

    /** Decides a job, as it was when one looked at it: who decides after somebody else hears so, and overwrites nothing. */
    decide: (context: RequestContext, key: string, asked: NewDecision): Promise<Job> =>
      transact(async ({ db: held, needs: { calendar } }) => {
        const store = jobsStore(held);
        const systemId = await systemOf(held, context, key);
        await holdSystem(held, context, systemId);
        const job = await one(held, context, systemId, key);
        if (
          isDeepStrictEqual(
            [job.decision, job.note, job.day, job.person?.id ?? null],
            [asked.decision, asked.note, asked.day, asked.personId],
          ) &&
          job.version > 0
        )
          return job;
        checkDecision(job, asked, await store.people(context));
        if (isCalledOff({ ...job, personId: job.person?.id ?? null }, asked))
          await calendar.callOff(context, job, job.version + 1);
        await store.decide(context, key, { ...asked, systemId, severity: jobSeverity(job.standing), at: now() });
        return one(held, context, systemId, key);
      }),
  };
}
