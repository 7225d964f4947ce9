import type { Point, Slot } from '../equipment/component.ts';
import { isHeatPump, type SystemKind } from '../equipment/system-kind.ts';
import type { Day } from '../quantity/day.ts';
import { seasonOf } from '../quantity/season.ts';
import type { Judgment } from '../verdict/judgment.ts';

/**
 * What it costs when a part fails before the next round, 0 to 1: a compressor is the most, a weak fan section the
 * least that still stops the cooling. Common practice, no source.
 */
export const CONSEQUENCE: Readonly<Record<Slot, number>> = {
  compressor: 1,
  'refrigerant-circuit': 0.9,
  'run-capacitor': 0.8,
  contactor: 0.8,
  'start-capacitor': 0.7,
  'outdoor-fan': 0.7,
  'fan-capacitor': 0.65,
  'gas-heat': 0.65,
  'high-pressure-switch': 0.6,
  'low-pressure-switch': 0.6,
  blower: 0.6,
  'blower-capacitor': 0.6,
  'electric-heat': 0.55,
  sequencer: 0.5,
  'heat-relay': 0.5,
  'blower-relay': 0.5,
  'defrost-board': 0.5,
  transformer: 0.5,
  'control-fuse': 0.5,
  'outdoor-unit': 0.45,
  'coil-sensor': 0.4,
  'outdoor-sensor': 0.4,
  supply: 0.4,
  'indoor-unit': 0.35,
  'base-pan-heater': 0.3,
  'air-side': 0.3,
  thermostat: 0.3,
};
/** What a point counts for where not all of a part fails with it: a dual's fan section stops the fan, its herm section the compressor. */
const POINT_SHARE: Readonly<Partial<Record<Slot, Readonly<Partial<Record<Point, number>>>>>> = {
  'run-capacitor': { fan: 0.8 },
};

const CHANCE_WHEN_WATCHED = 0.25;

function chanceFrom(judgment: Judgment): number {
  if (judgment.because.code === 'trend') return judgment.because.numbers.chance;
  if (judgment.because.code === 'odd-point') return Math.max(CHANCE_WHEN_WATCHED, judgment.because.numbers.chance);
  if (judgment.standing === 'stop' || judgment.standing === 'act') return 1;
  return judgment.standing === 'watch' ? CHANCE_WHEN_WATCHED : 0;
}

/** A value that nears its limit says less than where its thread is heading, once that is known. */
const isSaidBetterByTrend = ({ basis, standing }: Judgment): boolean =>
  standing === 'watch' && (basis === 'plate' || basis === 'baseline');

/** The chance, 0 to 1, that the part is past its limit by the next round, as the most telling of its reasons has it. */
export function chanceOf(reasons: readonly Judgment[]): number {
  // What a technician has put in place of the verdict is followed until the next reading.
  const ruled = reasons.find((r) => r.because.code === 'ruled');
  if (ruled) return chanceFrom(ruled);
  const hasTrend = reasons.some((r) => r.because.code === 'trend');
  const telling = hasTrend ? reasons.filter((r) => !isSaidBetterByTrend(r)) : reasons;
  return Math.max(0, ...telling.map(chanceFrom));
}

/** Parts that serve heating alone, and systems that only cool; the rest is missed all year. */
const HEATING_ONLY: readonly Slot[] = [
  'electric-heat',
  'sequencer',
  'heat-relay',
  'gas-heat',
  'defrost-board',
  'coil-sensor',
  'outdoor-sensor',
  'base-pan-heater',
];
const COOLING_SIDE: readonly Slot[] = [
  'compressor',
  'refrigerant-circuit',
  'run-capacitor',
  'contactor',
  'start-capacitor',
  'outdoor-fan',
  'fan-capacitor',
  'high-pressure-switch',
  'low-pressure-switch',
  'outdoor-unit',
];
/** What a part counts for in the half of the year that does not need it. Common practice, no source. */
const OUT_OF_SEASON = 0.5;

/** Where a part is and when it has to last: until the next round. */
export interface Serving {
  readonly systemKind: SystemKind;
  readonly nextRound: Day;
}

/** Whether a part is asked for in a season: everything but what serves the other one alone. */
export function servesIn(season: 'cooling' | 'heating', slot: Slot, systemKind: SystemKind): boolean {
  if (season === 'cooling') return !HEATING_ONLY.includes(slot);
  return !COOLING_SIDE.includes(slot) || isHeatPump(systemKind);
}

/** How much a part's season weighs until the next round: a part that cools matters most when that lies behind a summer. */
function seasonWeight(slot: Slot, { systemKind, nextRound }: Serving): number {
  // What lies before a fall round is a summer.
  const ahead = seasonOf(nextRound) === 'fall' ? 'cooling' : 'heating';
  return servesIn(ahead, slot, systemKind) ? 1 : OUT_OF_SEASON;
}

/**
 * How urgent a thread is, 0 to 2: chance × consequence × season, with one added for what is unsafe to run. A compressor
 * outranks a fan capacitor, a summer without cooling a fall without it.
 */
export function urgencyOf(
  reasons: readonly Judgment[],
  slot: Slot,
  point: Point,
  serving: Serving,
  chance = chanceOf(reasons),
): number {
  const share = POINT_SHARE[slot]?.[point] ?? 1;
  const deciding = reasons.filter((r) => r.because.code === 'ruled');
  const unsafe = (deciding.length > 0 ? deciding : reasons).some((r) => r.standing === 'stop') ? 1 : 0;
  return unsafe + chance * CONSEQUENCE[slot] * share * seasonWeight(slot, serving);
}
