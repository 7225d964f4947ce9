import type { Unit } from '../quantity/unit.ts';
import type { Plate } from './plate.ts';

/** Settings of a board that a jumper moves, by the event that says so: what the plate record keeps of each, and its unit. */
export const MOVED_SETTINGS = {
  'termination-moved': { name: 'termination', field: 'defrostTerminationF', unit: '°F' },
  'interval-moved': { name: 'interval', field: 'defrostIntervalMin', unit: 'min' },
} as const satisfies Record<string, { name: string; field: keyof Plate; unit: Unit }>;
export type SettingMoved = keyof typeof MOVED_SETTINGS;
/** Where the plate record keeps such a setting. */
export type SettingField = (typeof MOVED_SETTINGS)[SettingMoved]['field'];

/** From which figure a setting was moved, null when that is not known, and to which; in the setting's unit. */
export interface SettingChange {
  readonly from: number | null;
  readonly to: number;
}

/** A setting's change in words: "termination from 50 to 70 °F". */
export function saySettingChange(kind: SettingMoved, { from, to }: SettingChange): string {
  const { name, unit } = MOVED_SETTINGS[kind];
  return `${name} ${from === null ? '' : `from ${from} `}to ${to} ${unit}`;
}
