/** The units readings are kept in. Canonical: what is stored, fitted and compared. */
export type Unit = 'µF' | 'A' | 'V' | '°F' | 'min';

/**
 * The largest number each unit can hold at all, far beyond any meter used on a residential system.
 * Above it a value is refused, not questioned. From common practice, no source.
 */
export const CEILING: Readonly<Record<Unit, number>> = { µF: 2000, A: 500, V: 1000, '°F': 250, min: 600 };

/** The lowest number each unit can hold: only temperatures may be below zero. */
export const FLOOR: Readonly<Record<Unit, number>> = { µF: 0, A: 0, V: 0, '°F': -80, min: 0 };

/** What each unit measures, as it is said in a sentence. */
export const MEASURES: Readonly<Record<Unit, string>> = {
  µF: 'capacitance',
  A: 'amps',
  V: 'volts',
  '°F': 'a temperature',
  min: 'minutes',
};
