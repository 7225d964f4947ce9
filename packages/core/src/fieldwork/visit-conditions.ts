import type { Point } from '../equipment/component.ts';
import { momentOfId } from '../quantity/moment-of-id.ts';
import { parseMeasure } from '../quantity/measure.ts';
import { OUTDOOR_MOST_F, RUNNING_CALLS, type Conditions } from '../readings/contract/conditions.ts';
import { stageIn } from '../readings/motor/compressor-stage.ts';
import { readingKind } from '../readings/registry.ts';
import { standingReadings } from '../judgment/assess-system.ts';
import { isLoose, type LooseEndCode } from '../round/loose-ends.ts';
import type { Mode } from '../round/stops.ts';
import type { Refusal } from '../verdict/reasons.ts';
import type { RoundReading } from './round-parts.ts';
import type { RoundRecord } from './round-record.ts';

/** What is wrong with the outdoor air as typed: no number, or warmer than anything met outdoors, °F. */
export type OutdoorProblem = { readonly because: Refusal } | { readonly above: number };

export interface VisitConditions {
  readonly conditions: Conditions;
  readonly problem: OutdoorProblem | null;
}

const MINUTE = 60_000;
/** What hides something from whoever measures while it hangs loose. */
const HIDING: readonly LooseEndCode[] = ['fan-lead-pulled', 'strip-wire-lifted'];
const LONGEST_VISIT_MIN = 12 * 60;

/** Outdoor air as it was typed, °F, or what is wrong with it. */
export function outdoorOf(text: string): { outdoorF?: number; problem: OutdoorProblem | null } {
  if (text.trim() === '') return { problem: null };
  const read = parseMeasure(text, '°F');
  if (read.outcome === 'refused') return { problem: { because: read.because } };
  if (read.outcome !== 'number') return { problem: null };
  return read.value > OUTDOOR_MOST_F ? { problem: { above: read.value } } : { outdoorF: read.value, problem: null };
}

/** Where the termination jumper was moved to on this visit, °F; null where it was not, or was read again since. */
function movedTo({ events }: RoundRecord, own: readonly RoundReading[]): number | null {
  const moved = events.findLast(({ event }) => event.kind === 'termination-moved' && !event.withdrawn);
  const at = moved ? momentOfId(moved.id) : null;
  const wasRead = own.some(({ kind, takenAt }) => kind === 'defrost-settings' && at !== null && takenAt > at);
  return wasRead ? null : (moved?.event.change?.to ?? null);
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
  const loose = record.looseEnds.filter(isLoose).flatMap((end) => (end.code === null ? [] : [end.code]));
  const start: Conditions = {
    ...outdoor,
    // A round taken up again the next day says nothing of how long anything ran.
    ...(visitMin <= LONGEST_VISIT_MIN ? { visitMin } : {}),
    ...(HIDING.some((code) => loose.includes(code)) ? { loose: HIDING.filter((code) => loose.includes(code)) } : {}),
  };
  const own = standingReadings(readings).filter((r) => r.visitId === record.visitId);
  const conditions = own.reduce((told, r) => readingKind(r.kind)?.tells?.({ ...r, altitudeFt }, told) ?? told, start);
  const terminationF = movedTo(record, own);
  return { conditions: terminationF === null ? conditions : { ...conditions, terminationF }, problem };
}

const STAGE_POINT: Readonly<Partial<Record<Mode, Point>>> = { heating: 'call-heating', cooling: 'call-cooling' };

/** What holds while the machine runs in a mode: how long it has, min, on which call and stage, as far as somebody said. */
export function runningIn(
  record: RoundRecord,
  readings: readonly RoundReading[],
  mode: Mode,
  now: number,
): Pick<Conditions, 'runningMin' | 'call' | 'compressorStage'> {
  const runningMin = runningMinutes(record, mode, now);
  const told = readings.findLast(
    (r) => r.visitId === record.visitId && r.kind === 'compressor-stage' && r.point === STAGE_POINT[mode],
  );
  const compressorStage = told && stageIn(told.inputs);
  const call = RUNNING_CALLS.find((known) => known === mode);
  return {
    ...(runningMin !== null && { runningMin }),
    ...(call && { call }),
    ...(compressorStage && { compressorStage }),
  };
}

/** Minutes the machine has run in a mode; null when nobody said it began. */
export function runningMinutes(record: RoundRecord, mode: Mode, now: number): number | null {
  const since = record.runningSince[mode];
  return since === undefined ? null : Math.max(0, Math.floor((now - Date.parse(since)) / MINUTE));
}
