import { holdsForRound, type Job, type JobSource } from '@yarnix/core';
import type { Knex } from 'knex';
import { together } from '../../database/together.ts';
import type { RequestContext } from '../../identity/context.ts';
import { decidedJob, ofCall, ofHand, ofOwed, ofPart, ofRounds, type Planned } from './jobs-from.ts';
import { roundRows } from './rounds-source.ts';
import { namedOf, sourcesStore, type Asked } from './sources.ts';
import { jobsStore, type DecisionRow } from './store.ts';

// eslint-disable-next-line @typescript-eslint/require-await -- stands in for a question
const none = async <T>(): Promise<T[]> => [];
const soonestFirst = (a: Job, b: Job): number =>
  a.byWhen < b.byWhen ? -1 : a.byWhen > b.byWhen ? 1 : (b.chance ?? 0) - (a.chance ?? 0) || (a.key < b.key ? -1 : 1);

/**
 * Rounds that are due, the one whose wait costs most first, and those that are named whether due or not; a decision holds
 * until the round it was about.
 */
export async function roundsOf(
  on: Knex,
  context: RequestContext,
  asked: Asked,
  planning: Planned,
  named?: readonly string[],
) {
  if (named?.length === 0) return [];
  const rows = await roundRows(on, context, asked, planning, named);
  const kept = await jobsStore(on).decisions(context, asked);
  const decisions = new Map(kept.map((row) => [row.key, row]));
  const lastRounds = new Map(rows.map(({ id, lastRound }) => [`round:${id}`, lastRound]));
  if (rows.length === 0) return [];
  const minutes = await planning.roundMinutes();
  return ofRounds(rows, planning, minutes, named !== undefined).map((job) => {
    const decision = decisions.get(job.key);
    const holds = decision && holdsForRound(planning.dayOf(decision.decided_at), lastRounds.get(job.key) ?? null);
    return decidedJob(job, false, holds ? decision : undefined);
  });
}

/** Every job of a firm that matches, with what was decided of it, the soonest due first. */
export async function jobsOf(on: Knex, context: RequestContext, asked: Asked, planning: Planned): Promise<Job[]> {
  const sources = sourcesStore(on);
  // Of a source that none of the asked jobs comes from, nothing is asked.
  const unless = <T>(source: JobSource, ask: () => Promise<T[]>) =>
    namedOf(source, asked)?.length === 0 ? none<T> : ask;
  const [parts, calls, owed, byHand, kept] = await together(
    on,
    unless('part', () => sources.parts(context, asked)),
    unless('call', () => sources.calls(context, asked)),
    unless('owed', () => sources.owed(context, asked)),
    unless('hand', () => sources.byHand(context, asked)),
    () => jobsStore(on).decisions(context, asked),
  );
  const decisions = new Map(kept.map((row) => [row.key, row]));
  const declined = new Set(calls.filter(({ outcome }) => outcome.is === 'declined').map(({ id }) => `call:${id}`));
  return [
    ...parts.flatMap((row) => ofPart(row, planning)),
    ...calls.map((row) => ofCall(row, planning)),
    ...owed.map(ofOwed),
    ...byHand.map(ofHand),
  ]
    .map((job) => decidedJob(job, declined.has(job.key), decisions.get(job.key)))
    .concat(await plannedRounds(on, context, asked, planning, kept))
    .sort(soonestFirst);
}

/** Rounds that somebody has planned or declined: they stand among the other jobs; all others are told when asked for. */
async function plannedRounds(
  on: Knex,
  context: RequestContext,
  asked: Asked,
  planning: Planned,
  kept: readonly DecisionRow[],
) {
  const named = kept.filter(({ key, decision }) => key.startsWith('round:') && decision !== 'proposed');
  const rounds = await roundsOf(
    on,
    context,
    asked,
    planning,
    named.map((row) => row.system_id),
  );
  return rounds.filter(({ decision }) => decision !== 'proposed');
}
