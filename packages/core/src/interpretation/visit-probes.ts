import type { Point, Slot } from '../equipment/component.ts';
import { heatCircuitsOf, heatKilowattsOf, likelyElementsOf, heatVoltsOf, type Plate } from '../equipment/plate.ts';
import type { MachineSpec } from '../circuit/machine-spec.ts';
import type { Probe } from '../circuit/probe.ts';
import { isOwn as hasOwn } from '../quantity/own.ts';
import type { Call } from '../trade/controls/call-table.ts';
import { callAt, whatRuns } from '../readings/controls/call-check.ts';
import type { ReadingKindId } from '../readings/contract/kind-ids.ts';

/** What one input of a reading is read at. */
export interface Placed {
  readonly input: string;
  readonly probe: Probe;
  /** How much sound machines differ there, a share of the figure; common practice, no source. */
  readonly share: number;
  /** Where wear moves a sound part before it is broken: by so much, in the unit of what is read. */
  readonly wears?: number;
  /** What is read there as a share of what the probe reads, where the plate divides it otherwise than the circuits do. */
  readonly part?: number;
  /** Where the meter is put just as readily, and how often. */
  readonly or?: { readonly probe: Probe; readonly weight: number };
}

/** A reading's place on a machine. */
export interface Place {
  readonly slot: Slot;
  readonly point: Point;
  readonly plate: Plate;
  readonly spec: MachineSpec;
}

type Places = (place: Place) => readonly Placed[];

const volts = (from: string, to: string): Probe => ({ what: 'volts', from, to });
const amps = (...through: string[]): Probe => ({ what: 'amps', through });
const ohms = (from: string, to: string, ...keep: string[]): Probe => ({ what: 'ohms', from, to, keep });

/** Line volts wander, and control volts sag. */
const VOLTS_SHARE = 0.06;
/** Motors draw half of their plate or more than it, by weather and load. */
const MOTOR_SHARE = 0.3;
const ELEMENT_SHARE = 0.07;
/** Coils and windings differ by make. */
const COIL_SHARE = 0.45;
const WINDING_SHARE = 0.5;

/** What a supply gives is judged against its own limits: low, high, or on the other tap, it is no slip. */
const SUPPLY_SHARE = 0.15;
const CONTROL_SHARE = 0.12;

/** A contact that carries drops more each year, and is held against its limit and its trend meanwhile. */
const WORN_VOLTS = 1.5;

const oneVolts = (from: string, to: string): Placed[] => [
  { input: 'volts', probe: volts(from, to), share: VOLTS_SHARE },
];
const supplied = (share: number, from: string, to: string): Placed[] => [
  { input: 'volts', probe: volts(from, to), share },
];
const oneOhms = (share: number, from: string, to: string, ...keep: string[]): Placed[] => [
  { input: 'ohms', probe: ohms(from, to, ...keep), share },
];

/** Where each bank begins, its supply, and the contact that feeds it. */
const BANK = [
  { from: 'H1', start: 'n1', to: 'H2' },
  { from: 'H1', start: 'n4', to: 'H2' },
  { from: 'H3', start: 'n7', to: 'H4' },
  { from: 'H3', start: 'n10', to: 'H4' },
] as const;

const numberOf = (point: Point): number => Number(point.split('-').at(-1)) || 1;
const heatPart = ({ heatSwitch }: MachineSpec): string => (heatSwitch === 'sequencer' ? 'sequencer' : 'heat-relay');

const blowerOf = ({ indoors }: MachineSpec): string[] =>
  indoors === 'furnace' ? ['blower.cool', 'blower.heat'] : ['blower.run'];
const motor = (...through: string[]): Placed[] => [{ input: 'amps', probe: amps(...through), share: MOTOR_SHARE }];

/** The banks a heater's amps are read of: one, or all of them, whose circuits are as the plate divides them. */
function banksAt({ point, spec }: Place): string[] {
  const all = spec.banks.map((_ohms, i) => `element-${i + 1}`);
  return point.startsWith('element-') ? all.filter((id) => id === point) : all;
}

/** What is read at a point of the heat, as a share of what all its banks draw. */
function partAt({ point, plate, spec }: Place): number {
  if (point.startsWith('element-')) return 1;
  const banks = likelyElementsOf(plate) / Math.max(1, spec.banks.length);
  if (!point.startsWith('circuit-')) return banks;
  const kilowatts = heatKilowattsOf(plate);
  const amps = plate.heatCircuitAmps?.[numberOf(point) - 1];
  const share =
    amps === undefined || kilowatts === undefined
      ? 1 / heatCircuitsOf(plate)
      : (amps * heatVoltsOf(plate)) / 1000 / kilowatts;
  return banks * share;
}

function heaterAmps(place: Place): Placed[] {
  const banks = banksAt(place);
  if (banks.length === 0) return [];
  const alone = amps(...banks);
  // The feed of the heat feeds the blower as well, as a rule.
  const or = place.point === 'total' || place.point.startsWith('circuit-1');
  return [
    {
      input: 'amps',
      probe: alone,
      share: ELEMENT_SHARE,
      part: partAt(place),
      ...(or && { or: { probe: amps(...banks, ...blowerOf(place.spec)), weight: 0.4 } }),
    },
  ];
}

function heatContact({ point, spec }: Place): Placed[] {
  const i = numberOf(point);
  const bank = BANK[i - 1];
  if (!bank || i > spec.banks.length) return [];
  return [...oneVolts(bank.from, bank.start), { input: 'amps', probe: amps(`element-${i}`), share: ELEMENT_SHARE }];
}

/** Volts at a switch: its coil, what comes to it, and what it feeds. */
const atSwitch =
  (coil: readonly [string, string], line: readonly [string, string], load: readonly [string, string]): Places =>
  ({ point }) =>
    oneVolts(...(point === 'coil' ? coil : point === 'line-side' ? line : load));

const switchOf = (slot: Slot): string => `${slot.startsWith('high') ? 'high' : 'low'}-pressure-switch`;
const SWITCH_ENDS: Readonly<Record<MachineSpec['switches'], readonly string[]>> = {
  'high-low': ['high-pressure-switch', 'low-pressure-switch'],
  'low-high': ['low-pressure-switch', 'high-pressure-switch'],
  'high-only': ['high-pressure-switch'],
  'low-only': ['low-pressure-switch'],
  none: [],
};
function switchEnds({ slot, spec }: Place): readonly [string, string] | null {
  const row = SWITCH_ENDS[spec.switches];
  const at = row.indexOf(switchOf(slot));
  if (at < 0) return null;
  const first = spec.outdoors === 'heat-pump' ? 'Yx' : 'Yo';
  return [at === 0 ? first : `y${at}`, at === row.length - 1 ? 'Yc' : `y${at + 1}`];
}

const COMPRESSOR_OHMS: Readonly<Partial<Record<Point, Placed[]>>> = {
  'c-r': oneOhms(WINDING_SHARE, 'kc', 'T2', 'compressor.overload', 'compressor.run'),
  'c-s': oneOhms(WINDING_SHARE, 'kc', 's', 'compressor.overload', 'compressor.start'),
  'r-s': oneOhms(WINDING_SHARE, 'T2', 's', 'compressor.run', 'compressor.start'),
};

/**
 * What each kind of reading that is taken of the wiring is read at, by input. Kinds that are not here are judged without the
 * wiring: air, refrigerant, temperatures, and what is looked at.
 */
const PROBES: Readonly<Partial<Record<ReadingKindId, Places>>> = {
  'compressor-amps': ({ point }) => (point === 'start-wire' || point === 'run' ? [] : motor('compressor.run')),
  'outdoor-fan-amps': () => motor('outdoor-fan.run'),
  'blower-amps': ({ spec }) => motor(...blowerOf(spec)),
  'heater-amps': heaterAmps,
  'strips-in-cooling': heaterAmps,
  'line-volts': ({ point }) =>
    point === 'air-handler' ? supplied(SUPPLY_SHARE, 'H1', 'H2') : supplied(SUPPLY_SHARE, 'D1', 'D2'),
  'control-volts': () => supplied(CONTROL_SHARE, 'R', 'C'),
  'contact-drop': () => [{ ...oneVolts('D1', 'T1')[0]!, wears: WORN_VOLTS }],
  'pressure-switch-volts': (place) => {
    const ends = switchEnds(place);
    return ends ? oneVolts(...ends) : [];
  },
  'sequencer-contact-volts': heatContact,
  'heat-relay-contact-volts': heatContact,
  'contactor-volts': atSwitch(['Yc', 'Co'], ['D1', 'D2'], ['T1', 'T2']),
  'blower-relay-volts': atSwitch(['G2', 'C'], ['H1', 'H2'], ['m', 'H2']),
  'sequencer-volts': atSwitch(['W', 'C'], ['H1', 'H2'], ['n1', 'H2']),
  'heat-relay-volts': atSwitch(['W', 'C'], ['H1', 'H2'], ['n1', 'H2']),
  'heater-volts': () => oneVolts('n1', 'H2'),
  'valve-volts': () => oneVolts('Oo', 'Co'),
  'contactor-coil-ohms': () => coilOhms('Yc', 'Co', 'contactor.coil'),
  'blower-relay-coil-ohms': () => coilOhms('G2', 'C', 'blower-relay.coil'),
  'sequencer-coil-ohms': ({ spec }) => coilOhms('W', 'C', `${heatPart(spec)}.coil`),
  'heat-relay-coil-ohms': ({ spec }) => coilOhms('W', 'C', `${heatPart(spec)}.coil`),
  'element-ohms': ({ point, spec }) => {
    const i = numberOf(point);
    const bank = BANK[i - 1];
    return bank && i <= spec.banks.length ? oneOhms(ELEMENT_SHARE, bank.start, `${bank.start}e`, `element-${i}`) : [];
  },
  'compressor-ohms': ({ point }) => COMPRESSOR_OHMS[point] ?? [],
  'contactor-contact-ohms': () => oneOhms(0.3, 'D1', 'T1', 'contactor.1'),
  'blower-relay-contact-ohms': ({ point, spec }) =>
    point === 'nc-contact'
      ? oneOhms(0.3, 'm', spec.banks.length > 0 ? 'n1' : 'spare', 'blower-relay.nc')
      : oneOhms(0.3, 'm', 'H1', 'blower-relay.no'),
  'heat-relay-contact-ohms': ({ point }) => contactOhms('heat-relay', point),
  'sequencer-contact-ohms': ({ point }) => contactOhms('sequencer', point),
  'call-check': () => [{ input: whatRuns.id, probe: { what: 'runs' }, share: 0 }],
  'pressure-switch-ohms': (place) => {
    const ends = place.point === 'in-row' ? null : switchEnds(place);
    return ends ? oneOhms(0.3, ...ends, switchOf(place.slot)) : [];
  },
};

function coilOhms(from: string, to: string, coil: string): Placed[] {
  return [{ input: 'first', probe: ohms(from, to, coil), share: COIL_SHARE }];
}
function contactOhms(part: string, point: Point): Placed[] {
  const i = numberOf(point);
  const bank = BANK[i - 1];
  return bank ? oneOhms(0.3, bank.from, bank.start, `${part}.${i}`) : [];
}

/** What the inputs of a reading are read at; empty for what is not read of the wiring. */
export function placedOf(kind: string, place: Place): readonly Placed[] {
  const ofSpec = known.get(place.spec) ?? new Map<string, readonly Placed[]>();
  known.set(place.spec, ofSpec);
  const name = `${kind}/${place.slot}/${place.point}/${JSON.stringify(place.plate.heatCircuitAmps ?? '')}`;
  const before = ofSpec.get(name);
  if (before) return before;
  const made = PROBES[kind as ReadingKindId]?.(place) ?? [];
  ofSpec.set(name, made);
  return made;
}
const known = new WeakMap<MachineSpec, Map<string, readonly Placed[]>>();

/** The call that a reading makes for itself alone; null where it is taken at what its stop calls for. */
export const callMadeFor = ({ kind, point }: { kind: string; point: Point }): Call | null =>
  kind === ('call-check' satisfies ReadingKindId) ? callAt(point) : null;

/** Whether a kind of reading is read of the wiring. */
export const isProbed = (kind: string): boolean => hasOwn(PROBES, kind);
