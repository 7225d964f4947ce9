import { DAYS_A_YEAR, type Day, type MeterCheck } from '@yarnix/core';
import type { Random } from './random.ts';
import { FLEET_PARTS, simulateThreads, type FleetNature, type Part, type TrueThread } from './thread-fleet.ts';

/** How the meters of a firm are. Offsets are shares of the value. */
export interface MeterNature {
  readonly technicians: number;
  /** Chance that a visit is made by the house's usual technician; below 1 hands change. */
  readonly usualHand: number;
  /** Standard deviation of offsets among capacitance meters and among clamps. */
  readonly offsets: { readonly capacitance: number; readonly clamp: number };
  /** What all meters of the firm are off by. */
  readonly shared?: number;
  /** One technician's meters go off by so much a year, over the last years. */
  readonly goingOff?: { readonly aYear: number; readonly years: number };
  /** One technician's meter is dropped, or swapped for another under the same name, so many years ago. */
  readonly moved?: { readonly by: number; readonly yearsAgo: number };
  /** How much a meter's offset changes with the air it hangs in, share for each 10 °F: what no model here knows of. */
  readonly byWeather?: number;
  /** A meter that reads a visit on so small a share of them and is seen no more. */
  readonly lent?: number;
  /** Each technician holds each meter against something known every so many days. */
  readonly checkedEvery?: number;
}

/** A fleet whose readings say what they were read with. */
export interface MeterFleet {
  readonly taught: readonly TrueThread[];
  readonly asked: readonly TrueThread[];
  /** How far a meter truly is off on a day, share of the value, its weather apart. */
  readonly trueOffset: (quantity: 'capacitance' | 'amps', instrument: string, day: Day) => number;
  readonly technicians: number;
  /** Whether a meter goes off. */
  readonly isGoing: (quantity: 'capacitance' | 'amps', instrument: string) => boolean;
  readonly checks: readonly MeterCheck[];
}

const QUANTITY: Readonly<Record<string, 'capacitance' | 'amps'>> = {
  'run-capacitor-capacitance': 'capacitance',
  'compressor-amps': 'amps',
};
const METERED_PARTS: readonly Part[] = FLEET_PARTS.filter((part) => QUANTITY[part.kind]);

/** A firm of some technicians, each with a capacitance meter and a clamp: threads to learn from, and others to ask about. */
export function simulateMeters(
  random: Random,
  nature: FleetNature,
  meters: MeterNature,
  places: number,
  asOf: Day,
): MeterFleet {
  const { technicians, offsets, shared = 0, goingOff, moved, byWeather = 0, lent = 0 } = meters;
  const drawn = (sd: number) => Array.from({ length: technicians + 1 }, () => random.normal(0, sd));
  const own = { capacitance: drawn(offsets.capacitance), amps: drawn(offsets.clamp) };
  const trueOffset = (quantity: 'capacitance' | 'amps', instrument: string, day: Day): number => {
    const who = instrument === 'lent' ? technicians : Number(instrument.slice(1));
    const yearsAgo = (asOf - day) / DAYS_A_YEAR;
    const gone = goingOff && who === 0 ? goingOff.aYear * Math.max(0, goingOff.years - yearsAgo) : 0;
    const dropped = moved && who === 1 && quantity === 'capacitance' && yearsAgo <= moved.yearsAgo ? moved.by : 0;
    return shared + own[quantity][who]! + gone + dropped;
  };
  const isGoing = (_: string, instrument: string) => goingOff !== undefined && instrument === 't0';
  const readsWith = () => {
    const usual = random.whole(0, technicians - 1);
    return (part: Part, day: Day, { outdoorF = 75 }: { outdoorF?: number | undefined }) => {
      const who = random.chance(meters.usualHand) ? usual : random.whole(0, technicians - 1);
      const instrument = lent > 0 && random.chance(lent) ? 'lent' : `t${who}`;
      const offset = trueOffset(QUANTITY[part.kind]!, instrument, day) + (byWeather * (outdoorF - 75)) / 10;
      return { instrument, offset };
    };
  };
  const threads = () => simulateThreads(random, nature, places, asOf, { parts: METERED_PARTS, readsWith });
  const [taught, asked] = [threads(), threads()];
  return { taught, asked, trueOffset, technicians, isGoing, checks: checksOf(random, meters, trueOffset, asOf) };
}

/** What a thing that is called known is itself off by, and how well a look at it repeats: shares. */
const KNOWN_WITHIN = 0.004;
const REPEATS = 0.004;
/** Years in which checks were made. */
const CHECKED_YEARS = 3;

/** Every technician's own reference, read every so many days over the last years. */
function checksOf(
  random: Random,
  { technicians, checkedEvery }: MeterNature,
  trueOffset: MeterFleet['trueOffset'],
  asOf: Day,
): MeterCheck[] {
  if (checkedEvery === undefined) return [];
  const checks: MeterCheck[] = [];
  for (let who = 0; who < technicians; who += 1) {
    for (const quantity of ['capacitance', 'amps'] as const) {
      const wrong = random.normal(0, KNOWN_WITHIN);
      const name = `t${who}`;
      for (let day = Math.round(asOf - CHECKED_YEARS * DAYS_A_YEAR); day <= asOf; day += checkedEvery) {
        const off = random.normal(trueOffset(quantity, name, day) - wrong, REPEATS);
        checks.push({ quantity, name, day, off, sd: REPEATS, against: name, knownWithin: KNOWN_WITHIN });
      }
    }
  }
  return checks;
}
