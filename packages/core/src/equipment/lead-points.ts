import { isOwn } from '../quantity/own.ts';

/**
 * Where two leads of a meter go, by name: the nodes of the circuit they are put on, and what a technician calls it. In a name,
 * "board" and "strip" are where wires land indoors, "outdoors" at the unit.
 */
export const LEADS = {
  // 24 volts indoors and at the thermostat
  'ro-c': ['RO', 'C', 'transformer’s 24 V side, ahead of the fuse'],
  'ro-r': ['RO', 'R', 'low-voltage fuse'],
  'r-c': ['R', 'C', 'R to C indoors'],
  'r-r1': ['R', 'R1', 'float switch in R'],
  'rt-ct': ['Rt', 'Ct', 'R to C at the thermostat'],
  'rt-yt': ['Rt', 'Yt', 'R to Y at the thermostat’s base'],
  'rt-gt': ['Rt', 'Gt', 'R to G in the cable'],
  'yt-gt': ['Yt', 'Gt', 'Y to G in the cable'],
  'g-c': ['G', 'C', 'G to C indoors'],
  'g2-c': ['G2', 'C', 'blower relay’s coil'],
  'tap-c': ['tap', 'C', 'blower module’s 24 V tap to C'],
  'y-c': ['Y', 'C', 'Y to C indoors'],
  'y-y1': ['Y', 'Y1', 'float switch in Y'],
  'o-c': ['O', 'C', 'O to C indoors'],
  'w-c': ['W', 'C', 'W to C indoors'],
  // 24 volts outdoors
  'y1-yo': ['Y1', 'Yo', 'Y wire, indoors to outdoors'],
  'yo-co': ['Yo', 'Co', 'Y to C outdoors'],
  'yx-co': ['Yx', 'Co', 'Y out of the defrost board to C'],
  'low-switch': ['low', 'low', 'low pressure switch'],
  'high-switch': ['high', 'high', 'high pressure switch'],
  'yc-co': ['Yc', 'Co', 'contactor’s coil'],
  'rb-co': ['Ro', 'Co', 'R to C at the defrost board'],
  'oo-co': ['Oo', 'Co', 'reversing valve’s coil'],
  'sense-co': ['sense', 'Co', 'run-time sense to C'],
  'dft-co': ['dft', 'Co', 'coil thermostat’s return to C'],
  'ro-dft': ['Ro', 'dft', 'coil thermostat'],
  'w2o-co': ['W2o', 'Co', 'W2 at the defrost board to C'],
  // line volts indoors
  'h1-h2': ['H1', 'H2', 'line at the air handler'],
  'm-h1': ['m', 'H1', 'blower relay’s normally open contact'],
  'm-h2': ['m', 'H2', 'blower motor'],
  'm-bs': ['m', 'bs', 'blower’s start winding'],
  'h1-n1': ['H1', 'n1', 'heat switch, first contact'],
  'h1-n4': ['H1', 'n4', 'heat switch, second contact'],
  'bank-1': ['n1', 'n1e', 'heating element 1'],
  'bank-2': ['n4', 'n4e', 'heating element 2'],
  'link-1': ['n1e', 'n1k', 'fuse link of element 1'],
  'limit-1': ['n1k', 'H2', 'limit of element 1'],
  'element-ground': ['n1e', 'ground', 'heating element to ground'],
  'heat-coil': ['W', 'C', 'heat switch’s coil'],
  primary: ['H1', 'H2', 'transformer’s primary'],
  secondary: ['C', 'RO', 'transformer’s secondary'],
  // line volts outdoors
  'ds1-ds2': ['DS1', 'DS2', 'disconnect, line side'],
  'd1-d2': ['D1', 'D2', 'line at the contactor'],
  'ds1-d1': ['DS1', 'D1', 'disconnect, L1 through it'],
  'ds2-d2': ['DS2', 'D2', 'disconnect, L2 through it'],
  'd1-t1': ['D1', 'T1', 'contactor, L1 through it'],
  'd2-t2': ['D2', 'T2', 'contactor, L2 through it'],
  't1-t2': ['T1', 'T2', 'contactor’s load side'],
  't1-kc': ['T1', 'kc', 'compressor’s common wire'],
  'kc-t2': ['kc', 'T2', 'compressor, C to R'],
  'kc-s': ['kc', 's', 'compressor, C to S'],
  't2-s': ['T2', 's', 'compressor, R to S'],
  'kc-ground': ['kc', 'ground', 'compressor to ground'],
  't1-ofc': ['T1', 'ofc', 'defrost board’s fan relay'],
  'ofc-t2': ['ofc', 'T2', 'outdoor fan motor, common to run'],
  'ofc-q': ['ofc', 'q', 'outdoor fan motor, common to start'],
  // furnace
  'l0-n': ['L0', 'N', 'line into the furnace'],
  'l-n': ['L', 'N', 'L to N at the furnace board'],
  'r-a': ['R', 'a', 'furnace’s limit'],
  'a-b': ['a', 'b', 'rollout switch'],
  'b-p': ['b', 'p', 'draft pressure switch'],
  'p-c': ['p', 'C', 'draft pressure switch’s far side to C'],
  'ind-n': ['IND', 'N', 'inducer'],
  'hsi-n': ['HSI', 'N', 'igniter'],
  'mv-c': ['MV', 'C', 'gas valve'],
  'heat-n': ['HEAT', 'N', 'board’s HEAT tap to N'],
  'cool-n': ['COOL', 'N', 'board’s COOL tap to N'],
  // ductless
  'dl-line': ['1', '2', '1 to 2 outdoors'],
  'dl-head': ['1i', '2i', '1 to 2 at the head'],
  'dl-signal': ['3', '2', 'signal, 3 to 2 outdoors'],
  'dl-signal-head': ['3i', '2i', 'signal, 3 to 2 at the head'],
  'dl-bus': ['P', 'NB', 'inverter’s bus'],
  'dl-drive': ['u', 'NB', 'inverter’s output'],
  'dl-fan-15v': ['f15', 'NB', 'outdoor fan’s 15 V'],
  'dl-fan': ['of', 'NB', 'outdoor fan motor'],
  'dl-blower': ['bf', '2i', 'head’s fan motor'],
  'dl-windings': ['u', 'NB', 'compressor’s windings'],
  'dl-sensor': ['th1', 'th2', 'coil sensor'],
  'dl-valve': ['ev1', 'ev2', 'expansion valve’s coil'],
  'dl-pan': ['ph1', 'ph2', 'base pan heater'],
} as const satisfies Record<string, readonly [string, string, string]>;
export type Lead = keyof typeof LEADS;
/** Whether a text names two leads. */
export const isLead = (name: string): name is Lead => isOwn(LEADS, name);

/** What is looked at, turned or worked out on a hunt, by name. */
export const LOOKED_AT = {
  'outdoor-fan-by-hand': 'outdoor fan, turned by hand',
  'blower-by-hand': 'blower wheel, turned by hand',
  'coil-outdoors': 'outdoor coil, from all sides',
  'supply-air': 'air from a register, by hand',
  'frost-left': 'outdoor coil after a defrost',
  'over-air': 'condensing over outdoor air',
  'static-pressure': 'static pressure across the indoor unit',
  'return-gain': 'return air at the unit over room air',
  'compressor-share': 'compressor amps to their own usual',
  'valve-gain': 'suction gas, warmer behind the reversing valve by',
  'heating-rise': 'rise over the indoor coil, strips off, to the usual',
  'under-air': 'evaporating under outdoor air, heating',
  'over-return': 'condensing over return air, heating',
  'liquid-heating': 'subcooling, heating',
  'defrost-forced': 'defrost, forced',
  'at-rest': 'pressure at rest to the refrigerant’s own',
  'flame-signal': 'flame signal',
  'gas-inlet': 'gas pressure at the valve’s inlet',
  'lifted-none': 'nothing lifted',
  'lifted-y': 'Y lifted at the strip indoors',
  'lifted-o': 'O lifted at the strip indoors',
  'lifted-cable': 'thermostat’s R lifted',
  'lifted-coil': 'contactor’s coil lifted',
  'lifted-r-outdoors': 'R to outdoors lifted',
} as const;

const named = <T extends Record<string, readonly [string, string, string]>>(leads: T) =>
  Object.fromEntries(Object.entries(leads).map(([id, [, , name]]) => [id, name])) as {
    readonly [L in keyof T]: string;
  };
/** What each pair of leads is called. */
export const LEAD_NAMES = named(LEADS);
