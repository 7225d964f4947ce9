import type { About } from '../readings/contract/entry.ts';
import type { NumericKind } from '../readings/contract/kind.ts';
import type { ThreadReading } from '../readings/contract/reading.ts';
import type { ReadyThread } from '../series/thread-shape.ts';
import type { MetersKnown } from '../series/meters-known.ts';
import { readyThread, referenceOf } from '../series/ready-thread.ts';
import type { Limits } from '../verdict/limits.ts';
import type { Policy } from '../verdict/policy.ts';
import { baselineOf, type Baseline } from './baseline.ts';
import { isSince, shiftsOf, type Shift, type SystemEvent } from './events.ts';
import { doubtOf } from './read-with.ts';
import { limitsAtSpeed, mayBeOneCall, speedOf, type Speed } from './speed.ts';
import { aboutAlike, compareReadings, type ComparedReading } from './compare-readings.ts';

/** A thread as judging and learning take it up. */
export interface PreparedSeries {
  readonly kind: NumericKind;
  readonly about: About;
  /** How fast the compressor ran for the latest, where the kind goes with it. */
  readonly speed: Speed;
  /** Of all readings that the latest can be compared with, in order of time: at its speed, on its call. */
  readonly compared: readonly ComparedReading[];
  /** Under the kind's common conditions: what compared values and the forecast are held against. */
  readonly limits: Limits;
  /** Events that may have moved it. */
  readonly shifts: readonly Shift[];
  readonly baseline: Baseline | null;
  /** What shares are shares of, kind's unit. */
  readonly reference: number;
  readonly ready: ReadyThread;
}

/** How far from the common weather each reading was taken, where that moves the kind. */
function weatherOf(
  compared: readonly ComparedReading[],
  reference: number,
): Pick<ReadyThread, 'away' | 'awaySd' | 'awayAllowed'> {
  const allowed = compared.flatMap(({ weather }) => (weather ? [weather.sd] : []));
  if (allowed.length === 0) return {};
  const awaySd = allowed.reduce((sum, sd) => sum + sd, 0) / allowed.length / reference;
  const awayAllowed = compared.some(({ weather }) => weather?.allowed === true);
  return { away: compared.map(({ weather }) => weather?.away ?? null), awaySd, awayAllowed };
}

/** Those of a thread that the latest can be compared with: read at the same speed, and on a call that may be the same. */
function likeTheLatest(kind: NumericKind, all: readonly ComparedReading[], about: About) {
  const at = ({ reading: { conditions } }: ComparedReading) => ({ ...about, conditions });
  const latest = all.at(-1);
  const speed = latest ? speedOf(kind, at(latest)) : 'full';
  if (!latest || (!kind.bySpeed && !kind.byCall)) return { compared: all, speed };
  const isLike = (one: ComparedReading) =>
    speedOf(kind, at(one)) === speed && (!kind.byCall || mayBeOneCall(at(latest), at(one)));
  return { compared: all.filter(isLike), speed };
}

/**
 * Prepares a thread's numbers: brought to the kind's common conditions, with the limits that hold there, the part's own
 * baseline, and the series ready to be fitted. What is believed of the meters (`meters`) is taken off each value first. There
 * must be at least one reading, in any order.
 */
export function prepareSeries(
  kind: NumericKind,
  readings: readonly ThreadReading[],
  about: About,
  policy: Policy,
  events: readonly SystemEvent[] = [],
  meters?: MetersKnown,
): PreparedSeries {
  const { fittedOn } = about.component;
  const { compared, speed } = likeTheLatest(kind, compareReadings(kind, readings, about, meters), about);
  const limits = limitsAtSpeed(kind.limits(aboutAlike(kind, about), policy), speed, about.systemKind);
  const shifts = shiftsOf(kind.id, about.point, events);
  const baseline = baselineOf(compared, fittedOn, limits, shifts);
  const nominal = (limits.known ? limits.nominal : baseline?.value) ?? compared[0]?.value ?? 1;
  const reference = referenceOf(kind, nominal);
  const doubt = doubtOf(compared.map((c) => c.meters));
  const points = compared.map(({ reading: { day }, value, sd }, i) => ({
    day,
    value,
    sd: doubt.each[i] ? Math.hypot(sd, doubt.each[i]) : sd,
  }));
  const places = shifts.map((shift) => compared.findIndex(({ reading }) => isSince(reading, shift)));
  const weather = weatherOf(compared, reference);
  return {
    kind,
    about,
    speed,
    compared,
    limits,
    shifts,
    baseline,
    reference,
    ready: readyThread(kind, points, reference, fittedOn, places, weather, doubt.shared / reference),
  };
}
