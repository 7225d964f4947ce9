import type { Unit } from '@yarnix/core';
import type { Random } from './random.ts';

/** How a meter errs: relative and absolute standard deviation, and the decimals it shows. */
const METERS: Readonly<Record<Unit, { share: number; least: number; digits: (value: number) => number }>> = {
  µF: { share: 0.008, least: 0.01, digits: (v) => (v < 20 ? 2 : 1) },
  A: { share: 0.015, least: 0.01, digits: (v) => (v < 10 ? 2 : 1) },
  V: { share: 0.003, least: 0.02, digits: (v) => (v < 60 ? 1 : 0) },
  Ω: { share: 0.01, least: 0.05, digits: (v) => (v < 1000 ? 1 : 0) },
  '°F': { share: 0, least: 0.3, digits: () => 1 },
  psig: { share: 0.004, least: 0.4, digits: () => 1 },
  CFM: { share: 0.03, least: 5, digits: () => 0 },
  'Btu/h': { share: 0.03, least: 100, digits: () => 0 },
  '%': { share: 0, least: 1, digits: () => 0 },
  s: { share: 0.02, least: 1, digits: () => 0 },
  min: { share: 0, least: 0.1, digits: () => 1 },
};

/** What a meter shows of a true value: off by its calibration and last digits, rounded as its display is. */
export function shown(random: Random, value: number, unit: Unit, noise = 1): number {
  const meter = METERS[unit];
  const sd = noise * Math.hypot(meter.least, meter.share * value);
  // A clamp or ohmmeter shows zero on nothing.
  if (value === 0) return 0;
  const read = random.normal(value, sd);
  return Number((unit === '°F' || unit === 'psig' ? read : Math.max(0, read)).toFixed(meter.digits(Math.abs(value))));
}
