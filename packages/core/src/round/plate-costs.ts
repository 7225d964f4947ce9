import { componentsFor } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import type { Policy } from '../verdict/policy.ts';
import type { Because } from '../verdict/reasons.ts';
import type { Need, Snag } from '../verdict/rules.ts';
import type { Conditions } from '../readings/contract/conditions.ts';
import type { About } from '../readings/contract/entry.ts';
import { placesOn, titleOn } from '../readings/registry.ts';
import type { PressureTables } from '../trade/refrigerant/pressure-table.ts';

/** One figure that is missing on a plate, and the verdicts that rest on it. */
export interface PlateCost {
  /** Why there is no limit; null when the value itself cannot be worked out. */
  readonly because: Because | null;
  readonly snag: Snag | null;
  /** Titles of the readings that stay unproven. */
  readonly costs: readonly string[];
}

/** A day on which everything else is known, so that only the plate can be at fault. */
const FAIR_DAY: Conditions = {
  outdoorF: 85,
  lineVolts: 240,
  runningMin: 15,
  returnF: 75,
  returnWetF: 63,
  supplyF: 57,
  supplyWetF: 54,
  heatAmps: 40,
};
/** Needs that no plate figure settles. */
const NOT_THE_PLATES: ReadonlySet<Need> = new Set<Need>([
  'no-limit',
  'by-superheat',
  'inside-chart',
  'low-target',
  'wet-bulb',
  'humid-air',
]);

const isThePlates = (because: Because): boolean =>
  because.code === 'no-basis' ? !NOT_THE_PLATES.has(because.numbers.need) : because.code !== 'no-plate-limit-for-wire';

/** What a half-readable plate costs: each missing figure with the readings that stay unproven for want of it. */
export function plateCosts(
  systemKind: SystemKind,
  plate: Plate,
  policy: Policy,
  tables: PressureTables = {},
): PlateCost[] {
  const costs = new Map<string, { because: Because | null; snag: Snag | null; costs: string[] }>();
  const note = (because: Because | null, snag: Snag | null, title: string) => {
    const key = snag ?? JSON.stringify(because);
    const known = costs.get(key) ?? { because, snag, costs: [] };
    if (!known.costs.includes(title)) known.costs.push(title);
    costs.set(key, known);
  };
  for (const part of componentsFor(systemKind, plate)) {
    const component = { ...part, fittedOn: null };
    for (const { kind, point, method } of placesOn(component, systemKind, plate)) {
      // What is only looked at needs no figure.
      if (kind.type === 'finding' || (method.inputs.length > 0 && method.inputs.every((i) => i.type !== 'number')))
        continue;
      const about: About = { systemKind, plate, component, point, conditions: FAIR_DAY, tables };
      const snag = kind.needs?.(about) ?? null;
      const limits = kind.limits(about, policy);
      const title = titleOn(kind, point, component);
      if (snag) note(null, snag, title);
      else if (!limits.known && isThePlates(limits.because)) note(limits.because, null, title);
    }
  }
  return [...costs.values()];
}
