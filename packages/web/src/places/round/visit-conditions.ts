import {
  isLoose,
  OUTDOOR_MOST_F,
  parseMeasure,
  readingKind,
  sayRefusal,
  standingReadings,
  type Conditions,
  type LooseEndCode,
  type Mode,
} from '@yarnix/core';
import type { RoundRecord } from '../../field/round-record.ts';
import type { RoundReading } from './round-parts.ts';

export interface VisitConditions {
  readonly conditions: Conditions;
  /** What is wrong with the outdoor air as typed. */
  readonly problem: string | null;
}

const MINUTE = 60_000;
/** What hides something from whoever measures while it hangs loose. */
const HIDING: readonly LooseEndCode[] = ['fan-lead-pulled', 'strip-wire-lifted'];
const LONGEST_VISIT_MIN = 12 * 60;

function outdoorOf(text: string): { outdoorF?: number; problem: string | null } {
  if (text.trim() === '') return { problem: null };
  const read = parseMeasure(text, '°F');
  if (read.outcome === 'refused') return { problem: sayRefusal(read.because) };
  if (read.outcome !== 'number') return { problem: null };
  return read.value > OUTDOOR_MOST_F
    ? { problem: `${read.value} °F is above anything met outdoors.` }
    : { outdoorF: read.value, problem: null };
}

/** What holds on this visit: outdoor air as typed, and what the readings taken so far tell those after them. */
export function visitConditions(
  record: RoundRecord,
  readings: readonly RoundReading[],
  now: number,
  altitudeFt?: number,
): VisitConditions {
  const { problem, ...outdoor } = outdoorOf(record.outdoorText);
  const visitMin = Math.max(0, Math.floor((now - Date.parse(record.startedAt)) / MINUTE));
  // A round taken up again the next day says nothing of how long anything ran.
  const loose = record.looseEnds.filter(isLoose).flatMap((end) => (end.code === null ? [] : [end.code]));
  const start: Conditions = {
    ...outdoor,
    ...(visitMin <= LONGEST_VISIT_MIN ? { visitMin } : {}),
    ...(HIDING.some((code) => loose.includes(code)) ? { loose: HIDING.filter((code) => loose.includes(code)) } : {}),
  };
  const own = standingReadings(readings).filter((r) => r.visitId === record.visitId);
  const conditions = own.reduce((told, r) => readingKind(r.kind)?.tells?.({ ...r, altitudeFt }, told) ?? told, start);
  return { conditions, problem };
}

/** Minutes the machine has run in a mode; null when nobody said it began. */
export function runningMinutes(record: RoundRecord, mode: Mode, now: number): number | null {
  const since = record.runningSince[mode];
  return since === undefined ? null : Math.max(0, Math.floor((now - Date.parse(since)) / MINUTE));
}
