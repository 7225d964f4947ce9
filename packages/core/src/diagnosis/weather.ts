import type { Test } from './test-shape.ts';

/** Outdoor air in which a test tells anything, °F. */
export interface Weather {
  readonly least: number;
  readonly most: number;
}
const ANY: Weather = { least: -Infinity, most: Infinity };

/** Colder than this, air and refrigerant in cooling are no longer what they are judged by; common practice, no source. */
const COOLING_LEAST_F = 60;
/** Warmer than this, those in heating are not. */
const HEATING_MOST_F = 65;
/** Warmer than this, the outdoor coil does not get cold enough to defrost: a forced defrost shows nothing. */
const DEFROST_MOST_F = 45;

/** The weather a test wants, on whatever machine. Electrical tests want none, but for those of a defrost. */
export function weatherFor({ measure, call, settled, reading }: Test): Weather {
  if (call === 'defrost' || measure.what === 'frost') return { ...ANY, most: DEFROST_MOST_F };
  if (measure.what !== 'air') return ANY;
  if (call === 'cooling' && (settled || reading.point === 'supply-air')) return { ...ANY, least: COOLING_LEAST_F };
  return settled && call === 'heating' ? { ...ANY, most: HEATING_MOST_F } : ANY;
}

/** Whether the weather lets a test tell anything, outdoor air in °F; so long as nobody has noted it, it does. */
export function isInWeather(test: Test, outdoorF: number | undefined): boolean {
  const { least, most } = weatherFor(test);
  return outdoorF === undefined || (outdoorF >= least && outdoorF <= most);
}
