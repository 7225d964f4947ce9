import { nominalVoltsOf, type Plate } from '../../equipment/plate.ts';
import type { Conditions } from '../contract/conditions.ts';
import type { Compared } from '../contract/kind.ts';

/** How one condition moves a value: by this share for each unit of it, and how far that figure itself may be off. */
export interface Sensitivity {
  readonly share: number;
  readonly sd: number;
}

/** A value before it has been moved: as read, nothing added. */
export const asRead = (value: number): Compared => ({ value, error: 0, known: true });

/**
 * Takes a condition's effect out of a value: brings it from where the condition was to where it is to be. Where it is not
 * known the value stays, with `unknownShare` of it as error.
 */
export function without(
  from: Compared,
  condition: number | undefined,
  common: number,
  by: Sensitivity,
  unknownShare: number,
): Compared {
  if (condition === undefined) {
    return { value: from.value, error: Math.hypot(from.error, unknownShare * from.value), known: false };
  }
  const away = condition - common;
  const value = from.value / (1 + by.share * away);
  return { value, error: Math.hypot(from.error, by.sd * Math.abs(away) * value), known: from.known };
}

/** Brings a motor's amps to nominal volts: near its load a motor draws more at low volts. From memory. */
export function atNominalVolts(from: Compared, conditions: Conditions, plate: Plate): Compared {
  const nominal = nominalVoltsOf(plate);
  const volts = conditions.lineVolts;
  const away = volts === undefined ? undefined : (100 * (volts - nominal)) / nominal;
  return without(from, away, 0, { share: -0.005, sd: 0.004 }, 0.015);
}
