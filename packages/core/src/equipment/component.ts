import type { Day } from '../quantity/day.ts';
import { parseCapacitorRating, type CapacitorRating } from './rating.ts';
import type { Plate } from './plate.ts';
import type { SystemKind } from './system-kind.ts';

export const COMPONENT_KINDS = ['supply', 'compressor', 'outdoor-fan', 'blower', 'run-capacitor'] as const;
export type ComponentKind = (typeof COMPONENT_KINDS)[number];

/** Where in a system a component sits; one living component a slot. */
export const SLOTS = ['supply', 'compressor', 'run-capacitor', 'fan-capacitor', 'outdoor-fan', 'blower'] as const;
export type Slot = (typeof SLOTS)[number];

export const SLOT_NAMES: Readonly<Record<Slot, string>> = {
  supply: 'Line supply',
  compressor: 'Compressor',
  'run-capacitor': 'Run capacitor',
  'fan-capacitor': 'Fan capacitor',
  'outdoor-fan': 'Outdoor fan motor',
  blower: 'Blower motor',
};

export const SLOT_KINDS: Readonly<Record<Slot, ComponentKind>> = {
  supply: 'supply',
  compressor: 'compressor',
  'run-capacitor': 'run-capacitor',
  'fan-capacitor': 'run-capacitor',
  'outdoor-fan': 'outdoor-fan',
  blower: 'blower',
};

/** What a component's own label says; a capacitor's rating text is the only one so far. */
export interface ComponentPlate {
  readonly rating?: string | undefined;
}

/** One life of a part: from the day it was fitted to the day it was taken out. */
export interface Component {
  readonly slot: Slot;
  readonly kind: ComponentKind;
  readonly plate: ComponentPlate;
  /** Day it was fitted; null when nobody knows. */
  readonly fittedOn: Day | null;
}

/** A place on a component where a meter goes: a capacitor's lug, a compressor's wire, or the whole part. */
export const POINTS = [
  'herm',
  'fan',
  'single',
  'start',
  'can',
  'common',
  'run',
  'start-wire',
  'line',
  'whole',
] as const;
export type Point = (typeof POINTS)[number];

export const POINT_NAMES: Readonly<Record<Point, string>> = {
  herm: 'HERM',
  fan: 'FAN',
  single: 'single',
  start: 'start',
  can: 'can',
  common: 'common',
  run: 'run',
  'start-wire': 'start',
  line: 'line',
  whole: '',
};

const OUTDOOR: readonly Slot[] = ['compressor', 'run-capacitor', 'fan-capacitor', 'outdoor-fan'];

const SLOTS_BY_KIND: Readonly<Record<SystemKind, readonly Slot[]>> = {
  'split-air-conditioner': ['supply', ...OUTDOOR, 'blower'],
  'split-heat-pump': ['supply', ...OUTDOOR, 'blower'],
  'packaged-heat-pump': ['supply', ...OUTDOOR, 'blower'],
  'gas-furnace-with-coil': ['supply', ...OUTDOOR, 'blower'],
  'air-handler-electric-heat': ['supply', 'blower'],
  'ductless-heat-pump': ['supply', 'compressor'],
};

/**
 * The parts a system of this kind has, with what its plate says of each: the capacitors carry their rating text, and
 * a separate fan capacitor exists only when the plate names one. Nothing is invented for a plate that cannot be read.
 */
export function componentsFor(
  kind: SystemKind,
  plate: Plate,
): { slot: Slot; kind: ComponentKind; plate: ComponentPlate }[] {
  return SLOTS_BY_KIND[kind]
    .filter((slot) => slot !== 'fan-capacitor' || Boolean(plate.fanCapacitorRating))
    .map((slot) => ({ slot, kind: SLOT_KINDS[slot], plate: componentPlate(slot, plate) }));
}

function componentPlate(slot: Slot, plate: Plate): ComponentPlate {
  if (slot === 'run-capacitor') return plate.capacitorRating ? { rating: plate.capacitorRating } : {};
  if (slot === 'fan-capacitor') return plate.fanCapacitorRating ? { rating: plate.fanCapacitorRating } : {};
  return {};
}

/** The rating of a capacitor as read from its label; null when there is no label text or it cannot be read. */
export function ratingOf(component: { plate: ComponentPlate }): CapacitorRating | null {
  const read = parseCapacitorRating(component.plate.rating ?? '');
  return read.outcome === 'rating' ? read : null;
}
