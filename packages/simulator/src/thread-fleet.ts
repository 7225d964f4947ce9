import { DAYS_A_YEAR, type Conditions, type Day, type Plate } from '@yarnix/core';
import type { Random } from './random.ts';

/** A kind of part whose threads can be simulated with their truth. */
export interface Part {
  readonly kind: string;
  readonly method: string;
  readonly point: 'single' | 'common' | 'whole';
  readonly plate: Plate;
  /** Value of a new part: mean and spread, kind's unit, and which way it wears. */
  readonly fresh: (random: Random) => number;
  readonly direction: -1 | 1;
  /** Wear a year of the slow and the fast ones, kind's unit: from and to. */
  readonly drifts: readonly [number, number];
  readonly fast: readonly [number, number];
  /** The meter's standard deviation for a value, kind's unit. */
  readonly meter: (value: number) => number;
  readonly limit: { readonly lower?: number; readonly upper?: number };
  /** What weather and volts make of a true value, so that it reads as it would on the day. */
  readonly onTheDay?: (value: number, conditions: Conditions) => number;
}

/** The parts a fleet is made of. Their wear is invented; limits are those of the default policy on these plates. */
export const FLEET_PARTS: readonly Part[] = [
  {
    kind: 'run-capacitor-capacitance',
    method: 'bench',
    point: 'single',
    plate: { capacitorRating: '40 µF 440 V ±6%' },
    fresh: (random) => random.normal(40.5, 0.5),
    direction: -1,
    drifts: [0.25, 0.9],
    fast: [0.8, 1.6],
    meter: (value) => Math.hypot(0.05, 0.009 * value),
    limit: { lower: 37.6 },
  },
  {
    kind: 'compressor-amps',
    method: 'clamp',
    point: 'common',
    plate: { compressorRla: 18, volts: '208/230' },
    fresh: (random) => random.between(12.5, 16),
    direction: 1,
    drifts: [0.1, 0.4],
    fast: [0.4, 1.1],
    meter: (value) => Math.hypot(0.05, 0.018 * value),
    limit: { upper: 18 },
    onTheDay: (value, { outdoorF = 82, lineVolts = 240 }) =>
      value * (1 + 0.008 * (outdoorF - 82)) * (1 - 0.0045 * ((100 * (lineVolts - 240)) / 240)),
  },
  {
    kind: 'contact-drop',
    method: 'meter',
    point: 'whole',
    plate: {},
    fresh: (random) => random.between(0.03, 0.15),
    direction: 1,
    drifts: [0.03, 0.15],
    fast: [0.2, 0.7],
    meter: (value) => Math.hypot(0.03, 0.08 * value),
    limit: { upper: 2 },
  },
  {
    kind: 'sensor-error',
    method: 'ohms',
    point: 'whole',
    plate: { sensorR25: 10_000, sensorBeta: 3435 },
    fresh: (random) => random.normal(0, 0.6),
    direction: 1,
    drifts: [0.1, 0.5],
    fast: [0.6, 1.6],
    meter: () => 0.9,
    limit: { lower: -5, upper: 5 },
  },
];

/** How a fleet is: what it is made of, how it wears, how well it is measured, how long it is watched. */
export interface FleetNature {
  /** Shares of parts that drift, go fast, and go slowly until they bend; the rest hold. */
  readonly drifting: number;
  readonly fast: number;
  readonly bending: number;
  /** Multiple of every wear. */
  readonly pace: number;
  /** Multiple of every meter's error. */
  readonly noise: number;
  readonly oddChance: number;
  readonly stepChance: number;
  /** Standard deviation among machines of how they answer each °F outdoors, share; all alike unless given. */
  readonly ownWeather?: number;
  /** Years a thread is followed, from and to. */
  readonly years: readonly [number, number];
}

export interface TrueReading {
  readonly day: Day;
  readonly value: number;
  readonly conditions: Conditions;
  /** What the part truly was, at common conditions. */
  readonly truth: number;
  readonly odd: boolean;
  readonly stepped: boolean;
  /** The meter it was read on, where the fleet has meters of its own, and how far that was off, share of the value. */
  readonly instrument?: string;
  readonly offset?: number;
}

/** The meter that a visit on a day is read with. */
export interface ReadOn {
  readonly instrument: string;
  /** How far it is off, share of the value. */
  readonly offset: number;
}
/** Which meter a place's part is read with on a day, under what outdoor air. */
export type ReadsWith = (part: Part, day: Day, conditions: Conditions) => ReadOn;

/** One life of one part, with its truth: readings at each visit, and what it truly was at each. */
export interface TrueThread {
  readonly part: Part;
  readonly fittedOn: Day;
  readonly readings: readonly TrueReading[];
  /** True when a part came out at its last reading. */
  readonly replaced: boolean;
}

/** Some way from a new part's value to its limit, kind's unit. */
const roomOf = (random: Random, { limit, fresh }: Part): number =>
  Math.abs((limit.upper ?? limit.lower ?? 0) - fresh(random));

/** Whether a value lies past a part's limit. */
export const isPastLimit = ({ limit }: Part, value: number): boolean =>
  (limit.lower !== undefined && value < limit.lower) || (limit.upper !== undefined && value > limit.upper);

/** Whether what the part truly was lies past its limit. */
export const trulyPast = (thread: TrueThread, reading: TrueReading): boolean => isPastLimit(thread.part, reading.truth);

/** How one part wears: its level so many years after it was fitted. */
function wearOf(random: Random, part: Part, nature: FleetNature): (years: number) => number {
  const fresh = part.fresh(random);
  const fate = random.between(0, 1);
  const { fast, drifting, bending, pace } = nature;
  const along = (rate: number) => (years: number) => fresh + part.direction * rate * pace * years;
  if (fate < fast) return along(random.between(...part.fast));
  if (fate < fast + drifting) return along(random.between(...part.drifts));
  if (fate < fast + drifting + bending) {
    const slow = random.between(...part.drifts);
    const knee = random.between(1, 5);
    const late = random.between(...part.fast);
    return (years) => fresh + part.direction * pace * (slow * years + late * Math.max(0, years - knee));
  }
  return along(random.between(-0.04, 0.12) * part.drifts[1]);
}

/** The weather and volts of a day, and what of them was written down. */
function conditionsOn(random: Random, spring: boolean): { held: Conditions; noted: Conditions } {
  const outdoorF = Math.round(spring ? random.normal(80, 6) : random.normal(75, 6));
  const lineVolts = Math.round(random.normal(236, 4));
  const noted = { ...(random.chance(0.1) ? {} : { outdoorF }), ...(random.chance(0.15) ? {} : { lineVolts }) };
  return { held: { outdoorF, lineVolts }, noted };
}

const HALF_YEAR = 182;

/** One life of a part, until it is replaced or no longer watched. */
function life(
  random: Random,
  part: Part,
  nature: FleetNature,
  fittedOn: Day,
  until: Day,
  readsWith?: ReadsWith,
): TrueThread {
  const level = wearOf(random, part, nature);
  const own = nature.noise * random.between(0.7, 1.5);
  const answer = nature.ownWeather === undefined ? 0 : random.normal(0, nature.ownWeather);
  const readings: TrueReading[] = [];
  let fallen = 0;
  const room = roomOf(random, part);
  let day = fittedOn;
  for (let visit = 0; day <= until; visit += 1) {
    const stepped = visit > 0 && random.chance(nature.stepChance);
    if (stepped) fallen += part.direction * room * random.between(0.3, 1.1);
    const truth = level((day - fittedOn) / DAYS_A_YEAR) + fallen;
    const { held, noted } = conditionsOn(random, visit % 2 === 0);
    const shows = part.onTheDay ? part.onTheDay(truth, held) * (1 + answer * ((held.outdoorF ?? 82) - 82)) : truth;
    const odd = random.chance(nature.oddChance);
    const slip = odd ? (random.chance(0.5) ? 1 : -1) * room * random.between(1, 4) : 0;
    const meter = readsWith?.(part, day, held);
    const seen = shows * (1 + (meter?.offset ?? 0));
    const value = random.normal(seen, own * part.meter(Math.abs(shows))) + slip;
    readings.push({ day, value, conditions: noted, truth, odd, stepped, ...meter });
    const replaced = isPastLimit(part, value) && random.chance(0.35);
    if (replaced) return { part, fittedOn, readings, replaced };
    day += HALF_YEAR + random.whole(-25, 25) + (random.chance(0.15) ? HALF_YEAR : 0);
  }
  return { part, fittedOn, readings, replaced: false };
}

/** So many places of each kind of part, each with the lives of the parts that were in it; from the oldest on. */
export function simulateThreads(
  random: Random,
  nature: FleetNature,
  places: number,
  asOf: Day,
  { parts = FLEET_PARTS, readsWith }: { parts?: readonly Part[]; readsWith?: (place: number) => ReadsWith } = {},
): TrueThread[] {
  const threads: TrueThread[] = [];
  for (let n = 0; n < places; n += 1) {
    const reads = readsWith?.(n);
    for (const part of parts) {
      const years = random.between(...nature.years);
      let from = Math.round(asOf - years * DAYS_A_YEAR);
      while (from <= asOf) {
        const thread = life(random, part, nature, from, asOf, reads);
        threads.push(thread);
        if (!thread.replaced) break;
        from = thread.readings.at(-1)?.day ?? asOf + 1;
      }
    }
  }
  return threads;
}
