import type { Day } from '../quantity/day.ts';
import { parseCapacitorRating, type CapacitorRating } from './rating.ts';
import { LEAD_NAMES, LOOKED_AT } from './lead-points.ts';
import { heatKilowattsOf, type Plate } from './plate.ts';
import { hasBlower, hasOutdoorUnit, isHeatPump, type SystemKind } from './system-kind.ts';

interface SlotFacts {
  readonly name: string;
  readonly kind: ComponentKind;
  /** Whether a system of this kind, with this plate, has it. */
  readonly on: (kind: SystemKind, plate: Plate) => boolean;
}

export const COMPONENT_KINDS = [
  'supply',
  'thermostat',
  'transformer',
  'control-fuse',
  'compressor',
  'run-capacitor',
  'start-capacitor',
  'outdoor-fan',
  'contactor',
  'pressure-switch',
  'refrigerant-circuit',
  'outdoor-unit',
  'defrost-board',
  'temperature-sensor',
  'base-pan-heater',
  'blower',
  'blower-relay',
  'electric-heat',
  'sequencer',
  'heat-relay',
  'gas-heat',
  'air-side',
  'indoor-unit',
] as const;
export type ComponentKind = (typeof COMPONENT_KINDS)[number];

/** Where in a system a component sits; one living component a slot. */
export const SLOTS = [
  'supply',
  'thermostat',
  'transformer',
  'control-fuse',
  'compressor',
  'run-capacitor',
  'fan-capacitor',
  'start-capacitor',
  'outdoor-fan',
  'contactor',
  'high-pressure-switch',
  'low-pressure-switch',
  'refrigerant-circuit',
  'outdoor-unit',
  'defrost-board',
  'coil-sensor',
  'outdoor-sensor',
  'base-pan-heater',
  'blower',
  'blower-capacitor',
  'blower-relay',
  'electric-heat',
  'sequencer',
  'heat-relay',
  'gas-heat',
  'air-side',
  'indoor-unit',
] as const;
export type Slot = (typeof SLOTS)[number];

const always = () => true;
/** A condenser with a single-speed compressor, its capacitors and its contactor: everything but inverter machines. */
const hasContactor = (kind: SystemKind): boolean => hasOutdoorUnit(kind) && kind !== 'ductless-heat-pump';
const hasDefrostBoard = (kind: SystemKind): boolean => isHeatPump(kind) && kind !== 'ductless-heat-pump';
/** Whether a machine has electric heat. */
export const hasStrips = (kind: SystemKind, plate: Plate): boolean =>
  kind === 'air-handler-electric-heat' || heatKilowattsOf(plate) !== undefined;

const FACTS: Readonly<Record<Slot, SlotFacts>> = {
  supply: { name: 'Line supply', kind: 'supply', on: always },
  thermostat: { name: 'Thermostat', kind: 'thermostat', on: always },
  transformer: { name: 'Transformer', kind: 'transformer', on: (kind) => kind !== 'ductless-heat-pump' },
  'control-fuse': {
    name: 'Low-voltage fuse',
    kind: 'control-fuse',
    on: (kind, plate) => kind !== 'ductless-heat-pump' && plate.controlFuseAmps !== undefined,
  },
  compressor: { name: 'Compressor', kind: 'compressor', on: hasOutdoorUnit },
  'run-capacitor': { name: 'Run capacitor', kind: 'run-capacitor', on: hasContactor },
  'fan-capacitor': {
    name: 'Fan capacitor',
    kind: 'run-capacitor',
    on: (kind, plate) => hasContactor(kind) && Boolean(plate.fanCapacitorRating),
  },
  'start-capacitor': {
    name: 'Start capacitor',
    kind: 'start-capacitor',
    on: (kind, plate) => hasContactor(kind) && Boolean(plate.startCapacitorRating),
  },
  'outdoor-fan': { name: 'Outdoor fan motor', kind: 'outdoor-fan', on: hasContactor },
  contactor: { name: 'Contactor', kind: 'contactor', on: hasContactor },
  'high-pressure-switch': { name: 'High pressure switch', kind: 'pressure-switch', on: hasContactor },
  'low-pressure-switch': { name: 'Low pressure switch', kind: 'pressure-switch', on: hasContactor },
  'refrigerant-circuit': { name: 'Refrigerant circuit', kind: 'refrigerant-circuit', on: hasContactor },
  'outdoor-unit': { name: 'Outdoor unit', kind: 'outdoor-unit', on: hasOutdoorUnit },
  'defrost-board': { name: 'Defrost board', kind: 'defrost-board', on: hasDefrostBoard },
  'coil-sensor': {
    name: 'Coil sensor',
    kind: 'temperature-sensor',
    on: (kind, plate) =>
      kind === 'ductless-heat-pump' || (hasDefrostBoard(kind) && plate.defrostControl !== 'time-temperature'),
  },
  'outdoor-sensor': {
    name: 'Outdoor air sensor',
    kind: 'temperature-sensor',
    on: (kind, plate) =>
      kind === 'ductless-heat-pump' || (hasDefrostBoard(kind) && plate.defrostControl !== 'time-temperature'),
  },
  'base-pan-heater': {
    name: 'Base pan heater',
    kind: 'base-pan-heater',
    on: (kind, plate) => kind === 'ductless-heat-pump' || plate.panHeaterWatts !== undefined,
  },
  blower: { name: 'Blower motor', kind: 'blower', on: hasBlower },
  'blower-capacitor': {
    name: 'Blower capacitor',
    kind: 'run-capacitor',
    // A PSC motor does not run without one; an unknown motor has one when its rating was read.
    on: (kind, { blowerMotor, blowerCapacitorRating }) =>
      hasBlower(kind) && (blowerMotor === 'psc' || (blowerMotor === undefined && Boolean(blowerCapacitorRating))),
  },
  'blower-relay': {
    name: 'Blower relay',
    kind: 'blower-relay',
    on: (kind, plate) => hasBlower(kind) && plate.blowerMotor !== 'ecm',
  },
  'electric-heat': { name: 'Electric heat', kind: 'electric-heat', on: hasStrips },
  sequencer: {
    name: 'Sequencer',
    kind: 'sequencer',
    on: (kind, plate) => hasStrips(kind, plate) && plate.heatSwitch !== 'relay',
  },
  'heat-relay': {
    name: 'Electric heat relay',
    kind: 'heat-relay',
    on: (kind, plate) => hasStrips(kind, plate) && plate.heatSwitch === 'relay',
  },
  'gas-heat': { name: 'Gas heat', kind: 'gas-heat', on: (kind) => kind === 'gas-furnace-with-coil' },
  'air-side': { name: 'Air side', kind: 'air-side', on: always },
  // In a packaged unit it is the other half of the cabinet: filter, coil, wheel and drain are there as anywhere.
  'indoor-unit': { name: 'Indoor unit', kind: 'indoor-unit', on: always },
};

const pick = <K extends 'name' | 'kind'>(fact: K) =>
  Object.fromEntries(SLOTS.map((slot) => [slot, FACTS[slot][fact]])) as Readonly<Record<Slot, SlotFacts[K]>>;

export const SLOT_NAMES = pick('name');
export const SLOT_KINDS = pick('kind');

/** What a component's own label says: a capacitor's rating text, a fuse's A; and the schools it is judged by in place of the firm's. */
export interface ComponentPlate {
  readonly rating?: string | undefined;
  readonly amps?: number | undefined;
  /** By the school's id: an option, or figures in its unit. */
  readonly schools?: Readonly<Record<string, string | readonly number[]>> | undefined;
}

/** One life of a part: from the day it was fitted to the day it was taken out. */
export interface Component {
  readonly slot: Slot;
  readonly kind: ComponentKind;
  readonly plate: ComponentPlate;
  /** Day it was fitted; null when nobody knows. */
  readonly fittedOn: Day | null;
}

/** What stands for a place rather than a part: it is looked at and measured, never fitted anew. */
const PLACES: ReadonlySet<ComponentKind> = new Set([
  'supply',
  'refrigerant-circuit',
  'air-side',
  'outdoor-unit',
  'indoor-unit',
  'gas-heat',
]);

/** Whether a component can be replaced on the spot, so that a new life begins. */
export const isReplaceable = ({ kind }: Pick<Component, 'kind'>): boolean => !PLACES.has(kind);

/** Whether its label carries a rating that the replacement must be held against. */
export const hasRating = ({ kind }: Pick<Component, 'kind'>): boolean =>
  kind === 'run-capacitor' || kind === 'start-capacitor';

/** Whether its label says amps that the replacement must keep to. */
export const hasAmps = ({ kind }: Pick<Component, 'kind'>): boolean => kind === 'control-fuse';

/** A place on a component where a meter goes, and what it is called: a lug, a wire, a circuit, or the whole part. */
export const POINT_NAMES = {
  herm: 'HERM',
  fan: 'FAN',
  single: 'single',
  start: 'start',
  can: 'can',
  common: 'common',
  run: 'run',
  'start-wire': 'start',
  line: 'line',
  'air-handler': 'air handler',
  whole: '',
  total: 'total',
  'circuit-1': 'circuit 1',
  'circuit-2': 'circuit 2',
  'circuit-3': 'circuit 3',
  'element-1': 'element 1',
  'element-2': 'element 2',
  'element-3': 'element 3',
  'element-4': 'element 4',
  'element-5': 'element 5',
  'element-6': 'element 6',
  'contact-1': 'contact 1',
  'contact-2': 'contact 2',
  'contact-3': 'contact 3',
  'contact-4': 'contact 4',
  'contact-5': 'contact 5',
  'contact-6': 'contact 6',
  'c-r': 'C to R',
  'c-s': 'C to S',
  'r-s': 'R to S',
  coil: 'coil',
  'line-side': 'line side',
  'load-side': 'across the load',
  'in-row': 'both in a row',
  'no-contact': 'normally open',
  'nc-contact': 'normally closed',
  'leg-1': 'L1',
  'leg-2': 'L2',
  ground: 'to ground',
  suction: 'suction',
  liquid: 'liquid',
  'call-off': 'off',
  'call-fan': 'fan',
  'call-cooling': 'cooling',
  'call-heating': 'heating',
  'call-second-stage': 'second-stage heat',
  'call-emergency-heat': 'emergency heat',
  ...LOOKED_AT,
  ...LEAD_NAMES,
} as const;
export type Point = keyof typeof POINT_NAMES;
export const POINTS = Object.keys(POINT_NAMES) as [Point, ...Point[]];

/**
 * The parts a system of this kind has, with what its plate says of each: the capacitors carry their rating text, and
 * parts that only some systems have (a fan capacitor of its own, strips, a start capacitor) exist only when the plate
 * names them. Nothing is invented for a plate that cannot be read.
 */
export function componentsFor(
  kind: SystemKind,
  plate: Plate,
): { slot: Slot; kind: ComponentKind; plate: ComponentPlate }[] {
  return SLOTS.filter((slot) => FACTS[slot].on(kind, plate)).map((slot) => ({
    slot,
    kind: SLOT_KINDS[slot],
    plate: componentPlate(slot, plate),
  }));
}

/** What of a plate is the rating text of a capacitor. */
export const RATING_FIELDS = [
  'capacitorRating',
  'fanCapacitorRating',
  'startCapacitorRating',
  'blowerCapacitorRating',
] as const;
export type RatingField = (typeof RATING_FIELDS)[number];

const RATING_OF: Partial<Record<Slot, RatingField>> = {
  'run-capacitor': 'capacitorRating',
  'fan-capacitor': 'fanCapacitorRating',
  'start-capacitor': 'startCapacitorRating',
  'blower-capacitor': 'blowerCapacitorRating',
};

function componentPlate(slot: Slot, plate: Plate): ComponentPlate {
  if (slot === 'control-fuse' && plate.controlFuseAmps !== undefined) return { amps: plate.controlFuseAmps };
  const field = RATING_OF[slot];
  const rating = field && plate[field];
  return rating ? { rating } : {};
}

/** The rating of the capacitor that a machine's plate asks for in a slot; null where it does not say. */
export const askedRatingOf = (slot: Slot, plate: Plate): CapacitorRating | null =>
  ratingOf({ plate: componentPlate(slot, plate) });

/** Labels are few and asked for with every verdict: each is read once. */
const READ = new Map<string, CapacitorRating | null>();
const MOST_READ = 2000;

/** The rating of a capacitor as read from its label; null when there is no label text or it cannot be read. */
export function ratingOf({ plate: { rating = '' } }: { plate: ComponentPlate }): CapacitorRating | null {
  const known = READ.get(rating);
  if (known !== undefined) return known;
  const read = parseCapacitorRating(rating);
  if (READ.size >= MOST_READ) READ.clear();
  const result = read.outcome === 'rating' ? read : null;
  READ.set(rating, result);
  return result;
}
