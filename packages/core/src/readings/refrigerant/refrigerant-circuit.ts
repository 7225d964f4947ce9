import { own } from '../../quantity/own.ts';
import { isKnownRefrigerant, refrigerantName } from '../../trade/refrigerant/known-refrigerants.ts';
import type { About, NumberSpec } from '../contract/entry.ts';
import type { Policy } from '../../verdict/policy.ts';
import type { Need, Snag } from '../../verdict/rules.ts';

/** The refrigerant of a plate by the name its data goes by, or why there is none. */
export function refrigerantOf({ plate, tables }: About): { name: string } | { snag: Snag } {
  if (!plate.refrigerant) return { snag: 'no-refrigerant' };
  const name = refrigerantName(plate.refrigerant);
  return isKnownRefrigerant(name, tables) ? { name } : { snag: 'unknown-refrigerant' };
}

/** Why nothing can be worked out from pressures here; null when it can. */
export function lacksRefrigerant(about: About): Snag | null {
  const refrigerant = refrigerantOf(about);
  return 'snag' in refrigerant ? refrigerant.snag : null;
}

/** What is read of a line of the circuit: its gauge, psig, and the pipe clamp on it, °F. */
export const gaugeAndClamp = (line: 'Liquid' | 'Suction'): NumberSpec[] => [
  {
    id: 'psig',
    type: 'number',
    label: `${line} pressure`,
    unit: 'psig',
    overLimit: false,
    probe: line === 'Liquid' ? 'liquid-gauge' : 'suction-gauge',
  },
  { id: 'lineF', type: 'number', label: `${line} line`, unit: '°F', overLimit: false, probe: 'pipe-clamp' },
];

/** "R-410A", with "estimated data" beside it when the firm's table is an estimate. */
export function refrigerantLine(about: About): string {
  if (!about.plate.refrigerant) return 'no refrigerant on the plate';
  const name = refrigerantName(about.plate.refrigerant);
  return own(about.tables ?? {}, name)?.estimate ? `${name}, estimated data` : name;
}

/** Why pressures say nothing of the charge now; null when they do. */
export function whyNotCounted({ conditions }: About, { refrigerant }: Policy): Need | null {
  if (conditions?.chargeDoubt !== undefined) return 'charge-check';
  const { runningMin } = conditions ?? {};
  return runningMin !== undefined && runningMin < refrigerant.leastRunningMin ? 'running-time' : null;
}
