/** The units readings are kept in. Canonical: what is stored, fitted and compared. */
export const UNITS = ['µF', 'A', 'V', 'Ω', '°F', 'psig', 'CFM', 'Btu/h', '%', 's', 'min'] as const;
export type Unit = (typeof UNITS)[number];

interface UnitFacts {
  /** The largest number it can hold at all, far beyond any meter used on a residential system. Common practice, no source. */
  readonly ceiling: number;
  /** The lowest: only temperatures and gauge pressures may be below zero. */
  readonly floor: number;
  /** What it measures, as it is said in a sentence. */
  readonly measures: string;
}

const FACTS: Readonly<Record<Unit, UnitFacts>> = {
  µF: { ceiling: 2000, floor: 0, measures: 'capacitance' },
  A: { ceiling: 500, floor: 0, measures: 'amps' },
  V: { ceiling: 1000, floor: 0, measures: 'volts' },
  Ω: { ceiling: 50_000_000, floor: 0, measures: 'resistance' },
  '°F': { ceiling: 400, floor: -80, measures: 'a temperature' },
  // No gauge reads below a full vacuum.
  psig: { ceiling: 1000, floor: -14.7, measures: 'a pressure' },
  CFM: { ceiling: 10_000, floor: 0, measures: 'airflow' },
  'Btu/h': { ceiling: 1_000_000, floor: -1_000_000, measures: 'heat' },
  '%': { ceiling: 100, floor: 0, measures: 'relative humidity' },
  s: { ceiling: 36_000, floor: 0, measures: 'seconds' },
  min: { ceiling: 600, floor: 0, measures: 'minutes' },
};

const pick = <K extends keyof UnitFacts>(fact: K) =>
  Object.fromEntries(Object.entries(FACTS).map(([unit, facts]) => [unit, facts[fact]])) as Readonly<
    Record<Unit, UnitFacts[K]>
  >;

/**
 * Nothing a meter of the trade shows is finer, in any unit: a smaller figure that is not zero is a slip, and what is
 * divided by it would be beyond all bounds. Common practice, no source.
 */
export const FINEST = 1e-6;

/** Above it a value is refused, not questioned. */
export const CEILING = pick('ceiling');
/** Below it a value is refused. */
export const FLOOR = pick('floor');
/** What each unit measures, as it is said in a sentence. */
export const MEASURES = pick('measures');
