import type { Point, Slot } from '../../equipment/component.ts';
import type { Unit } from '../../quantity/unit.ts';
import type { Inputs } from '../../readings/contract/entry.ts';
import type { ReadingKindId } from '../../readings/contract/kind-ids.ts';

/** One number of a reading that a column of a spreadsheet can hold. */
export interface Measure {
  /** Kept in profiles: never renamed. */
  readonly id: string;
  readonly title: string;
  readonly kind: ReadingKindId;
  readonly method: string;
  /** The input of the method that it is. */
  readonly input: string;
  readonly unit: Unit;
  /** Where it may be: the first of these places that a machine has. */
  readonly at: readonly (readonly [Slot, Point])[];
  /** Ways it is headed, each a set of words that must all be there; see `plainWords`. Common practice, no source. */
  readonly words: readonly string[];
  /** True where the column holds a difference to the return air, and not what the probe showed. */
  readonly difference?: true;
}

/** A number of a row, in the unit it is kept in. */
export interface SheetValue {
  readonly measure: Measure;
  readonly value: number | 'OL';
}

/** What would be typed into the fields of one reading. */
export interface Entry {
  readonly kind: string;
  readonly method: string;
  /** The places it may be at: the first that the machine has. */
  readonly at: readonly (readonly [Slot, Point])[];
  readonly inputs: Inputs;
  readonly title: string;
}

const HERM = [
  ['run-capacitor', 'herm'],
  ['run-capacitor', 'single'],
] as const;
const FAN = [
  ['run-capacitor', 'fan'],
  ['fan-capacitor', 'single'],
] as const;
const BLOWER = [['blower-capacitor', 'single']] as const;
const AIR = [['air-side', 'whole']] as const;

const bench = { kind: 'run-capacitor-capacitance', method: 'bench', input: 'microfarads', unit: 'µF' } as const;
const underLoad = { kind: 'run-capacitor-capacitance', method: 'under-load' } as const;
const loadAmps = { ...underLoad, input: 'amps', unit: 'A' } as const;
const loadVolts = { ...underLoad, input: 'volts', unit: 'V' } as const;

const CAPACITORS: readonly Measure[] = [
  {
    ...bench,
    id: 'capacitor-herm',
    title: 'Run capacitor, HERM or single, meter on open lugs',
    at: HERM,
    words: ['capacitor herm', 'capacitor compressor', 'capacitor run', 'herm µf', 'compressor µf', 'run µf'],
  },
  {
    ...bench,
    id: 'capacitor-fan',
    title: 'Run capacitor, FAN, meter on open lugs',
    at: FAN,
    words: ['capacitor fan', 'fan µf', 'capacitor outdoor fan', 'condenser fan µf', 'condenser fan capacitor'],
  },
  {
    ...bench,
    id: 'capacitor-blower',
    title: 'Blower capacitor, meter on open lugs',
    at: BLOWER,
    words: ['capacitor blower', 'blower µf', 'capacitor indoor fan', 'indoor fan µf'],
  },
  {
    kind: 'start-capacitor-capacitance',
    method: 'bench',
    input: 'microfarads',
    unit: 'µF',
    id: 'capacitor-start',
    title: 'Start capacitor, meter on open lugs',
    at: [['start-capacitor', 'start']],
    words: ['capacitor start', 'start µf'],
  },
  {
    ...loadAmps,
    id: 'capacitor-herm-load-amps',
    title: 'Run capacitor, HERM or single under load: amps of its wire',
    at: HERM,
    words: ['capacitor herm amps', 'capacitor compressor amps', 'herm wire amps'],
  },
  {
    ...loadVolts,
    id: 'capacitor-herm-load-volts',
    title: 'Run capacitor, HERM or single under load: volts across it',
    at: HERM,
    words: ['capacitor herm volts', 'capacitor compressor volts'],
  },
  {
    ...loadAmps,
    id: 'capacitor-fan-load-amps',
    title: 'Run capacitor, FAN under load: amps of its wire',
    at: FAN,
    words: ['capacitor fan amps', 'fan wire amps'],
  },
  {
    ...loadVolts,
    id: 'capacitor-fan-load-volts',
    title: 'Run capacitor, FAN under load: volts across it',
    at: FAN,
    words: ['capacitor fan volts'],
  },
];

const clamp = { method: 'clamp', input: 'amps', unit: 'A' } as const;

const AMPS: readonly Measure[] = [
  {
    ...clamp,
    kind: 'compressor-amps',
    id: 'compressor-amps',
    title: 'Compressor amps, common',
    at: [['compressor', 'common']],
    words: ['compressor amps', 'compressor common amps', 'common amps', 'compressor draw'],
  },
  {
    ...clamp,
    kind: 'outdoor-fan-amps',
    id: 'outdoor-fan-amps',
    title: 'Outdoor fan amps',
    at: [['outdoor-fan', 'whole']],
    words: ['fan amps', 'outdoor fan amps', 'condenser fan amps', 'outdoor fan draw'],
  },
  {
    ...clamp,
    kind: 'blower-amps',
    id: 'blower-amps',
    title: 'Blower amps',
    at: [['blower', 'whole']],
    words: ['blower amps', 'indoor fan amps', 'blower draw'],
  },
  {
    ...clamp,
    kind: 'heater-amps',
    id: 'heater-amps-total',
    title: 'Electric heat amps, all of it',
    at: [['electric-heat', 'total']],
    words: ['heater amps', 'strip amps', 'heat amps', 'strip total amps', 'electric heat amps', 'heater total amps'],
  },
  ...([1, 2, 3] as const).map((n): Measure => ({
    ...clamp,
    kind: 'heater-amps',
    id: `heater-amps-circuit-${n}`,
    title: `Electric heat amps, circuit ${n}`,
    at: [['electric-heat', `circuit-${n}`]],
    words: [`heater ${n} amps`, `strip ${n} amps`, `circuit ${n} amps`, `heat ${n} amps`, `bank ${n} amps`],
  })),
];

const VOLTS_AND_OHMS: readonly Measure[] = [
  {
    kind: 'line-volts',
    method: 'meter',
    input: 'volts',
    unit: 'V',
    id: 'line-volts',
    title: 'Line volts',
    at: [['supply', 'whole']],
    words: ['line volts', 'supply volts', 'l1 l2 volts', 'incoming volts', 'mains volts'],
  },
  {
    kind: 'control-volts',
    method: 'meter',
    input: 'volts',
    unit: 'V',
    id: 'control-volts',
    title: 'Control volts, 24 V side',
    at: [['transformer', 'whole']],
    words: ['control volts', '24 volts', '24v', 'transformer volts', 'low volts', 'r c volts'],
  },
  {
    kind: 'contact-drop',
    method: 'meter',
    input: 'volts',
    unit: 'V',
    id: 'contact-drop',
    title: 'Volts lost across the contactor',
    at: [['contactor', 'whole']],
    words: ['contactor drop', 'contact drop', 'contactor volts', 'contact volts drop'],
  },
  {
    kind: 'contactor-coil-ohms',
    method: 'ohms',
    input: 'first',
    unit: 'Ω',
    id: 'contactor-coil-ohms',
    title: 'Contactor coil ohms',
    at: [['contactor', 'whole']],
    words: ['contactor ohms', 'contactor coil', 'contactor coil ohms'],
  },
  ...(['c-r', 'c-s', 'r-s', 'ground'] as const).map((point): Measure => ({
    kind: 'compressor-ohms',
    method: 'ohms',
    input: 'ohms',
    unit: 'Ω',
    id: `compressor-ohms-${point}`,
    title: point === 'ground' ? 'Compressor ohms to ground' : `Compressor ohms, ${point.toUpperCase()}`,
    at: [['compressor', point]],
    words:
      point === 'ground'
        ? ['compressor ground', 'winding ground', 'compressor ground ohms']
        : [`${point.replace('-', ' ')} ohms`, `compressor ${point.replace('-', ' ')}`],
  })),
  ...([1, 2, 3] as const).map((n): Measure => ({
    kind: 'element-ohms',
    method: 'ohms',
    input: 'ohms',
    unit: 'Ω',
    id: `element-ohms-${n}`,
    title: `Heating element ohms, ${n}`,
    at: [['electric-heat', `element-${n}`]],
    words: [`element ${n} ohms`, `strip ${n} ohms`, `heater ${n} ohms`, `element ${n}`],
  })),
  ...(['coil', 'outdoor'] as const).map((which): Measure => ({
    kind: 'sensor-error',
    method: 'ohms',
    input: 'ohms',
    unit: 'Ω',
    id: `${which}-sensor-ohms`,
    title: `${which === 'coil' ? 'Coil sensor' : 'Outdoor air sensor'} ohms`,
    at: [[`${which}-sensor`, 'whole']],
    words: [`${which} sensor`, `${which} sensor ohms`, `${which} thermistor`, `${which} thermistor ohms`],
  })),
];

const supply = { method: 'supply', input: 'supplyF', unit: '°F' } as const;
const heatRise = { ...supply, kind: 'heat-rise', at: AIR } as const;
const gasRise = { ...supply, kind: 'gas-rise', at: [['gas-heat', 'whole']] } as const;
const split = { ...supply, kind: 'temperature-split', at: AIR } as const;
const difference = { difference: true } as const;

const AIR_SIDE: readonly Measure[] = [
  {
    kind: 'return-air',
    method: 'dry-bulb',
    input: 'dryF',
    unit: '°F',
    id: 'return-dry',
    title: 'Return air',
    at: AIR,
    words: ['return', 'return air', 'return temperature', 'return dry', 'return db', 'rat'],
  },
  {
    kind: 'return-air',
    method: 'wet-bulb',
    input: 'wetF',
    unit: '°F',
    id: 'return-wet',
    title: 'Return air, wet bulb (with the dry bulb beside it)',
    at: AIR,
    words: ['return wet', 'return wb', 'wet bulb', 'indoor wet', 'indoor wb'],
  },
  {
    ...heatRise,
    id: 'heat-supply',
    title: 'Supply air over the electric heat',
    words: ['supply strip', 'supply electric heat', 'supply heat', 'supply heater'],
  },
  {
    ...heatRise,
    ...difference,
    id: 'heat-rise',
    title: 'Rise over the electric heat (with the return air beside it)',
    words: ['strip rise', 'heat rise', 'electric heat rise', 'heater rise', 'heat delta'],
  },
  { ...gasRise, id: 'gas-supply', title: 'Supply air, gas heat', words: ['supply gas', 'supply furnace'] },
  {
    ...gasRise,
    ...difference,
    id: 'gas-rise',
    title: 'Rise of a gas furnace (with the return air beside it)',
    words: ['gas rise', 'furnace rise', 'temperature rise furnace', 'gas delta'],
  },
  {
    ...split,
    id: 'cooling-supply',
    title: 'Supply air, cooling',
    words: ['supply cooling', 'supply cool', 'supply ac', 'supply summer'],
  },
  {
    ...split,
    ...difference,
    id: 'cooling-split',
    title: 'Split in cooling (with the return air beside it)',
    words: ['split', 'temperature split', 'cooling split', 'cooling delta', 'delta t cooling'],
  },
];

const gauges = (kind: 'superheat' | 'subcooling', point: 'suction' | 'liquid') =>
  ({ kind, method: 'gauges', at: [['refrigerant-circuit', point]] }) as const;

const REFRIGERANT: readonly Measure[] = [
  {
    ...gauges('superheat', 'suction'),
    input: 'psig',
    unit: 'psig',
    id: 'suction-pressure',
    title: 'Suction pressure in cooling',
    words: ['suction', 'suction pressure', 'low side', 'low pressure', 'vapor pressure', 'suction psig'],
  },
  {
    ...gauges('superheat', 'suction'),
    input: 'lineF',
    unit: '°F',
    id: 'suction-line',
    title: 'Suction line in cooling',
    words: ['suction line', 'suction line temperature', 'vapor line', 'suction temperature'],
  },
  {
    ...gauges('subcooling', 'liquid'),
    input: 'psig',
    unit: 'psig',
    id: 'liquid-pressure',
    title: 'Liquid pressure in cooling',
    words: [
      'liquid pressure',
      'head',
      'head pressure',
      'high side',
      'high pressure',
      'discharge pressure',
      'liquid psig',
    ],
  },
  {
    ...gauges('subcooling', 'liquid'),
    input: 'lineF',
    unit: '°F',
    id: 'liquid-line',
    title: 'Liquid line in cooling',
    words: ['liquid line', 'liquid line temperature', 'liquid temperature'],
  },
  ...(['suction', 'liquid'] as const).map((point): Measure => ({
    kind: 'heating-pressure',
    method: `${point}-gauge`,
    input: 'psig',
    unit: 'psig',
    id: `heating-${point}-pressure`,
    title: `${point === 'suction' ? 'Suction' : 'Liquid'} pressure in heating`,
    at: [['refrigerant-circuit', point]],
    words: [`${point} heating`, `${point} pressure heating`, `heating ${point} psig`],
  })),
];

/** What can come in from a spreadsheet. What is only looked at, or proves something in one state of a hunt, cannot. */
export const MEASURES: readonly Measure[] = [...CAPACITORS, ...AMPS, ...VOLTS_AND_OHMS, ...AIR_SIDE, ...REFRIGERANT];

const BY_ID = new Map(MEASURES.map((measure) => [measure.id, measure]));

/** The measure with that id; undefined when there is none. */
export const measureOf = (id: string): Measure | undefined => BY_ID.get(id);
