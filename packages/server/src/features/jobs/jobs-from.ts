import {
  byUrgencyOfRound,
  dayOf,
  type Day,
  decisionNow,
  dueBecause,
  isoOf,
  jobOfCall,
  jobOfPart,
  minutesFor,
  roundBy,
  waitingOn,
  type Job,
  type Planning,
  type SystemKind,
} from '@yarnix/core';
import type { RoundRow } from './rounds-source.ts';
import type { CallRow, HandRow, OwedRow, PartRow, Place } from './sources.ts';
import type { DecisionRow } from './store.ts';

type Opened = Omit<Job, 'decision' | 'note' | 'day' | 'person' | 'window' | 'decided' | 'version'>;

/** What jobs are worked out by, and what rounds take on a kind of system. */
export type Planned = Planning & {
  readonly roundMinutes: () => Promise<RoundMinutes>;
  /** The firm's day of a moment. */
  readonly dayOf: (moment: Date) => Day;
};
type RoundMinutes = (kind: SystemKind) => number;

const at = (row: Place) => ({
  systemId: row.system_id,
  address: row.address,
  area: row.area,
  customerName: row.customer_name,
  systemKind: row.system_kind,
});
const NOTHING = {
  slot: null,
  part: null,
  standing: null,
  chance: null,
  reading: null,
  because: null,
  putOff: null,
  round: null,
};

/** A part's job by how it stands. */
export function ofPart(row: PartRow, planning: Planning): Opened[] {
  const job = jobOfPart({ ...row, systemKind: row.system_kind }, planning);
  if (!job) return [];
  return [
    {
      key: `part:${row.id}`,
      source: 'part',
      ...at(row),
      ...NOTHING,
      does: job.does,
      slot: row.slot,
      part: row.part_label,
      standing: row.standing,
      chance: row.chance,
      reading: { kind: row.kind, point: row.point as 'whole' },
      because: row.because,
      faults: [],
      text: '',
      byWhen: isoOf(job.by),
      before: job.before,
      minutes: minutesFor(job.does, row.slot),
    },
  ];
}

/** What the end of a call left to do. */
export function ofCall({ outcome, ...row }: CallRow, planning: Planned): Opened {
  const began = planning.dayOf(row.started_at);
  const byWhen = outcome.byWhen === null ? null : dayOf(outcome.byWhen);
  const job = jobOfCall(outcome.is, { began, byWhen }, planning);
  return {
    key: `call:${row.id}`,
    source: 'call',
    ...at(row),
    ...NOTHING,
    does: job.does,
    faults: outcome.faults,
    text: outcome.note,
    byWhen: isoOf(job.by),
    before: job.before,
    minutes: minutesFor(job.does, null),
  };
}

/** A reading that was put off. */
export const ofOwed = (row: OwedRow): Opened => ({
  key: `owed:${row.id}`,
  source: 'owed',
  ...at(row),
  ...NOTHING,
  does: 'read',
  slot: row.slot,
  reading: { kind: row.kind, point: row.point as 'whole' },
  putOff: row.reason,
  faults: [],
  text: row.note ?? '',
  byWhen: row.due_on,
  before: 'day',
  minutes: minutesFor('read', row.slot),
});

export const ofHand = (row: HandRow): Opened => ({
  key: `hand:${row.id}`,
  source: 'hand',
  ...at(row),
  ...NOTHING,
  does: 'other',
  faults: [],
  text: row.task,
  byWhen: row.by_when,
  before: 'day',
  minutes: row.minutes,
});

/** Rounds that are due, the one whose wait costs most first; with `all`, those that are not due yet, too. */
export function ofRounds(
  rows: readonly RoundRow[],
  { today, policy, seasons }: Planning,
  roundMinutes: RoundMinutes,
  all: boolean,
): Opened[] {
  return rows
    .map((row) => ({
      row,
      lastRound: row.lastRound,
      waiting: waitingOn(today, { ...row, kind: row.system_kind }, seasons),
    }))
    .sort(byUrgencyOfRound(today))
    .flatMap(({ row, lastRound, waiting }): Opened[] => {
      const because = dueBecause({ lastRound, waiting }, today, policy) ?? (all ? 'months' : null);
      if (!because) return [];
      return [
        {
          key: `round:${row.id}`,
          source: 'round',
          ...at(row),
          ...NOTHING,
          does: 'round',
          faults: [],
          text: '',
          round: {
            lastRound: lastRound === null ? null : isoOf(lastRound),
            chance: waiting.chance,
            most: waiting.most,
          },
          byWhen: isoOf(roundBy(because, lastRound, today, policy)),
          before: because,
          minutes: roundMinutes(row.system_kind),
        },
      ];
    });
}

/** A job with what was decided of it. */
export function decidedJob(opened: Opened, declined: boolean, kept: DecisionRow | undefined): Job {
  if (!kept)
    return {
      ...opened,
      decision: declined ? 'declined' : 'proposed',
      note: declined ? opened.text : '',
      day: null,
      person: null,
      window: null,
      decided: null,
      version: 0,
    };
  return {
    ...opened,
    decision: decisionNow(kept, opened.standing),
    note: kept.note,
    day: kept.day,
    person: kept.person_id && kept.person_name !== null ? { id: kept.person_id, name: kept.person_name } : null,
    window:
      kept.from_minute === null || kept.to_minute === null ? null : { from: kept.from_minute, to: kept.to_minute },
    decided: { at: kept.decided_at.toISOString(), by: kept.decider },
    version: kept.version,
  };
}
