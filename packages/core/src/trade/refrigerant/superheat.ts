import type { PressureTables } from './pressure-table.ts';
import { saturationTemperature, type CannotSaturate } from './saturation.ts';

export type Degrees =
  | {
      readonly outcome: 'value';
      /** °F */ readonly degrees: number;
      /** Saturation temperature used, °F. */ readonly saturation: number;
    }
  | CannotSaturate;

interface Asked {
  refrigerant: string;
  psig: number;
  lineFahrenheit: number;
  altitudeFt?: number | undefined;
  tables?: PressureTables | undefined;
}

/**
 * Superheat, °F: suction line temperature (°F) less the dew point at suction pressure (psig). Cannot be said when the
 * saturation temperature cannot.
 */
export function superheat(asked: Asked): Degrees {
  if (!Number.isFinite(asked.lineFahrenheit)) return { outcome: 'cannot-say', because: 'not-a-number' };
  const dew = saturationTemperature({ ...asked, side: 'dew' });
  if (dew.outcome === 'cannot-say') return dew;
  return { outcome: 'value', degrees: asked.lineFahrenheit - dew.fahrenheit, saturation: dew.fahrenheit };
}

/**
 * Subcooling, °F: the bubble point at liquid pressure (psig) less the liquid line temperature (°F). Cannot be said when
 * the saturation temperature cannot.
 */
export function subcooling(asked: Asked): Degrees {
  if (!Number.isFinite(asked.lineFahrenheit)) return { outcome: 'cannot-say', because: 'not-a-number' };
  const bubble = saturationTemperature({ ...asked, side: 'bubble' });
  if (bubble.outcome === 'cannot-say') return bubble;
  return { outcome: 'value', degrees: bubble.fahrenheit - asked.lineFahrenheit, saturation: bubble.fahrenheit };
}

export type TargetSuperheat =
  | { readonly outcome: 'value'; /** °F */ readonly degrees: number }
  | {
      readonly outcome: 'cannot-say';
      readonly because: 'not-a-number' | 'wet-bulb-above-dry-bulb' | 'below-five';
      readonly degrees?: number;
    };

/** Below this a fixed orifice is not charged by superheat, °F. Common practice, no source. */
const LEAST_TARGET = 5;

/**
 * Target superheat of a fixed orifice, °F: ((3 × indoor wet bulb) − 80 − outdoor dry bulb) / 2, both in °F. Common
 * practice, no source. Below 5 °F it cannot be charged by, and the figure is only told beside the reason.
 * targetSuperheat({ indoorWetBulb: 63, outdoorDryBulb: 85 }) is 12.
 */
export function targetSuperheat(air: {
  indoorWetBulb: number;
  outdoorDryBulb: number;
  indoorDryBulb?: number | undefined;
}): TargetSuperheat {
  const { indoorWetBulb, outdoorDryBulb, indoorDryBulb } = air;
  if (![indoorWetBulb, outdoorDryBulb].every(Number.isFinite))
    return { outcome: 'cannot-say', because: 'not-a-number' };
  if (indoorDryBulb !== undefined && indoorWetBulb > indoorDryBulb)
    return { outcome: 'cannot-say', because: 'wet-bulb-above-dry-bulb' };
  const degrees = (3 * indoorWetBulb - 80 - outdoorDryBulb) / 2;
  return degrees < LEAST_TARGET
    ? { outcome: 'cannot-say', because: 'below-five', degrees }
    : { outcome: 'value', degrees };
}
