import type { Leanings } from '../diagnosis/causes.ts';
import type { NewCall } from '../http/calls.ts';
import type { Complaint } from '../diagnosis/complaint-shares.ts';
import type { Observation } from '../diagnosis/chances.ts';
import { ARRIVED } from '../diagnosis/costs.ts';
import type { HuntAsked } from '../diagnosis/weigh.ts';
import { withObservation } from '../diagnosis/observations.ts';
import type { Test } from '../diagnosis/test-shape.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import { RUNNERS } from '../trade/controls/call-table.ts';
import type { Reading } from '../circuit/measure.ts';
import { chosenIn } from '../readings/contract/window.ts';
import type { RoundComponent, RoundReading } from './round-parts.ts';
import { heldUntil, momentAfter, whyUnjudged, type Moment, type Unjudged } from './unjudged.ts';

/** A call as it begins: nothing doubted, skipped or repaired, and no outcome. */
export const newCall = (complaints: readonly Complaint[]): NewCall => ({
  kind: 'call',
  complaints: [...complaints],
  since: 'unknown',
  atTimes: false,
  said: '',
  doubted: [],
  skipped: [],
  idle: [],
  repaired: [],
  outcome: null,
});

const numberIn = (entered: unknown): Reading =>
  entered === 'OL' ? Infinity : entered === 'jumps' ? 'jumps' : Number(entered);

/** °F a sensor is taken to be off by whose ohms alone are known: broken, unlike the other one, or like it; null when that says nothing. */
const SENSOR_OFF: Readonly<Record<string, number>> = {
  open: 99,
  shorted: 99,
  jumps: 99,
  'sensors-differ': 8,
  'sensors-alike': 0,
};
const sensorWithoutFigure = (findings: readonly string[]): number | null =>
  findings.flatMap((code) => SENSOR_OFF[code] ?? [])[0] ?? null;

/** What a reading says to a hunt; null where it says nothing. */
export function saysToHunt({
  kind,
  inputs,
  value,
  findings,
}: Pick<RoundReading, 'kind' | 'inputs' | 'value' | 'findings'>): Reading | null {
  if (kind === 'call-check' || kind === 'forced-defrost') {
    const seen = chosenIn(inputs.seen);
    return RUNNERS.filter((runner) => seen.includes(runner)).join(' ') || 'nothing';
  }
  if (kind === 'hunt-look') return String(inputs.said);
  if (kind === 'sensor-error') return value === null ? sensorWithoutFigure(findings) : Math.abs(value);
  const entered = inputs.volts ?? inputs.ohms ?? inputs.amps ?? inputs.degrees;
  if (kind.startsWith('wiring-') || kind === 'hunt-degrees') return numberIn(entered);
  if (value !== null) return value;
  // A capacitor that reads nothing at all is open.
  return kind.endsWith('capacitance') && findings.length > 0 ? 0 : null;
}

/** The test that a reading answers, by its name. */
const testIdOf = (reading: RoundReading, components: readonly RoundComponent[]): string => {
  const slot = components.find(({ id }) => id === reading.componentId)?.slot ?? '';
  return `${reading.kind}/${slot}/${reading.point}/${reading.method}`;
};

/** What a hunt on a visit goes by. */
export interface HuntScene {
  readonly kind: SystemKind;
  readonly call: NewCall;
  readonly visitId: string;
  readonly readings: readonly RoundReading[];
  readonly components: readonly RoundComponent[];
  readonly tests: ReadonlyMap<string, Test>;
  readonly leanings?: Leanings;
  /** Outdoor air as it is noted now, °F. */
  readonly outdoorF?: number | undefined;
}

/** An answer with the reading it is; null for one that could not be read as nothing ran. */
export interface Answered extends Observation {
  readonly readingId: string | null;
}

/** An answer that is not weighed, and why. */
export type NotJudged = Answered & { readonly why: Unjudged };

interface Heard {
  readonly answers: readonly Answered[];
  readonly unjudged: readonly NotJudged[];
  readonly moment: Moment;
}

const isMeant = (
  reading: RoundReading,
  since: string,
  visitId: string,
  corrected: ReadonlySet<string | null>,
): boolean => reading.visitId === visitId && reading.takenAt > since && !corrected.has(reading.id);

/**
 * What was answered on a visit since its last repair, in the order it was answered: of a test that was read again the latest, or
 * both where they say the same; and every one where the fault comes and goes, as each caught it there or away. Apart from these,
 * what was taken in a state that tells nothing.
 */
function heardOn({ kind, call, visitId, readings, components, tests }: HuntScene): Heard {
  const since =
    call.repaired
      .map(({ at }) => at)
      .sort()
      .at(-1) ?? '';
  const doubted = new Set(call.doubted);
  const corrected = new Set(readings.map((r) => r.supersedes));
  const own = readings
    .filter((r) => isMeant(r, since, visitId, corrected))
    .sort((a, b) => (a.takenAt < b.takenAt ? -1 : 1));
  let answers: Answered[] = [];
  const unjudged: NotJudged[] = [];
  let moment: Moment = { at: ARRIVED, stoppedAt: null, freeAt: null };
  for (const reading of own) {
    const { takenAt } = reading;
    const id = testIdOf(reading, components);
    const says = saysToHunt(reading);
    const test = tests.get(id);
    if (!test || says === null) continue;
    const answer: Answered = {
      test: id,
      reading: says,
      readingId: reading.id,
      ...(doubted.has(reading.id) && { doubted: true }),
    };
    const why = whyUnjudged({ test, says, takenAt, outdoorF: reading.conditions?.outdoorF }, moment, kind);
    if (why) unjudged.push({ ...answer, why });
    else answers = call.atTimes ? [...answers, answer] : withObservation(answers, answer);
    moment = momentAfter(test, takenAt, moment, kind);
  }
  const answered = new Set(answers.map(({ test }) => test));
  const idle = call.idle.filter((test) => tests.has(test) && !answered.has(test));
  const all = [...answers, ...idle.map((test): Answered => ({ test, reading: NaN, readingId: null }))];
  // Taken anew in a state that tells something, it is judged; until then the latest of a test is told.
  const latest = [...new Map(unjudged.map((answer) => [answer.test, answer])).values()];
  return { answers: all, unjudged: latest.filter(({ test }) => !answered.has(test)), moment };
}

/** What was answered on a visit and counts, in the order it was answered. */
export const answersOn = (scene: HuntScene): readonly Answered[] => heardOn(scene).answers;
/** What was answered on a visit and does not count, with why. */
export const unjudgedOn = (scene: HuntScene): readonly NotJudged[] => heardOn(scene).unjudged;
/** Until when a compressor's off-timer may hold what a test calls for; null where it does not. */
export const timerOn = (scene: HuntScene, test: Test): string | null =>
  heldUntil(test, heardOn(scene).moment, scene.kind);

/** Tests that were taken on a visit, and whose readings say nothing. */
function silentOn({ visitId, readings, components, tests }: HuntScene): string[] {
  const own = readings.filter((r) => r.visitId === visitId);
  const silent = own.filter((r) => saysToHunt(r) === null).map((r) => testIdOf(r, components));
  const told = new Set(own.filter((r) => saysToHunt(r) !== null).map((r) => testIdOf(r, components)));
  return [...new Set(silent)].filter((test) => tests.has(test) && !told.has(test));
}

/** What was just made new is not suspected again at once. */
const NEW_PART = 0.02;

/** What is asked of a hunt by what is known on a visit. */
export function askedOn(scene: HuntScene): HuntAsked {
  const { answers, unjudged, moment } = heardOn(scene);
  const fresh = Object.fromEntries(scene.call.repaired.map(({ fault }) => [fault, NEW_PART]));
  return {
    complaints: scene.call.complaints,
    observations: answers,
    atTimes: scene.call.atTimes,
    standpoint: moment.at,
    ...(scene.outdoorF !== undefined && { outdoorF: scene.outdoorF }),
    // What was read and tells nothing is not asked for again; what was taken too early is, once nothing else tells.
    skipped: [...scene.call.skipped, ...silentOn(scene), ...unjudged.map(({ test }) => test)],
    leanings: { ...scene.leanings, ...fresh },
  };
}
