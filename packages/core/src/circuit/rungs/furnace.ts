import type { Change } from '../change.ts';
import { FLOATS as ANY, type Ladder, type Rung } from './rungs.ts';

const WHAT: Pick<Ladder, 'kind' | 'plate'> = {
  kind: 'gas-furnace-with-coil',
  plate: {
    tons: 3,
    compressorRla: 16,
    outdoorFanFla: 1.375,
    blowerFla: 6,
    pressureSwitches: 'none',
  },
};

const K = 'A compressor.run';
const OF = 'A outdoor-fan.run';
const I = 'A inducer';
const HSI = 'A igniter';
const COOL = 'A blower.cool';
const HEAT = 'A blower.heat';
/** A spare tap of a blower that runs has volts of its own, as an autotransformer has. */
const SPARE = [0, 200] as const;

/**
 * A gas furnace of one stage with a coil, and a condenser with a contactor of one pole on a breaker of its own. States: off, fan,
 * cooling; heat called and at once, in the purge, with the igniter glowing, lit without air, lit with air; power off indoors, power off outdoors. Common practice.
 */
export const FURNACE: Ladder = {
  ...WHAT,
  states: ['O', 'F', 'C', 'n', 'u', 'g', 'b', 'H', 'i', 'p'],
  sound: {
    'L-N': [120, 120, 120, 120, 120, 120, 120, 120, 0, 120],
    'RO-C': [26, 26, 25, 26, 26, 26, 25, 25, 0, 25],
    'R-C': [26, 26, 25, 26, 26, 26, 25, 25, 0, 25],
    'Rt-Wt': [24, 24, 24, 0, 0, 0, 0, 0, 0, 24],
    'W-C': [0, 0, 0, 24, 24, 24, 24, 24, 0, 0],
    'Y-C': [0, 0, 24, 0, 0, 0, 0, 0, 0, 24],
    'Yc-Co': [0, 0, 24, 0, 0, 0, 0, 0, 0, 24],
    'b-C': [24, 24, 24, 24, 24, 24, 24, 24, 0, 24],
    'p-C': [0, 0, 0, 24, 24, 24, 24, 24, 0, 0],
    'IND-N': [0, 0, 0, 120, 120, 120, 120, 120, 0, 0],
    'HSI-N': [0, 0, 0, 0, 0, 120, 0, 0, 0, 0],
    'MV-C': [0, 0, 0, 0, 0, 0, 24, 24, 0, 0],
    'HEAT-N': [0, SPARE, SPARE, 0, 0, 0, 0, 120, 0, SPARE],
    'COOL-N': [0, 120, 120, 0, 0, 0, 0, SPARE, 0, 120],
    'D1-D2': [240, 240, 240, 240, 240, 240, 240, 240, 240, 0],
    'D1-T1': [240, 240, 0, 240, 240, 240, 240, 240, 240, 0],
    'T1-T2': [0, 0, 240, 0, 0, 0, 0, 0, 0, 0],
    [I]: [0, 0, 0, 1.2, 1.2, 1.2, 1.2, 1.2, 0, 0],
    [HSI]: [0, 0, 0, 0, 0, [2, 4], 0, 0, 0, 0],
    [COOL]: [0, [4, 7], [4, 7], 0, 0, 0, 0, 0, 0, [4, 7]],
    [HEAT]: [0, 0, 0, 0, 0, 0, 0, [4, 7], 0, 0],
    [K]: [0, 0, [9, 13], 0, 0, 0, 0, 0, 0, 0],
    [OF]: [0, 0, 1.1, 0, 0, 0, 0, 0, 0, 0],
  },
};

const open = (id: string): Change => ({ open: id });
const stuck = (id: string, at: 'open' | 'closed'): Change => ({ stuck: id, at });
const UNLIT = { 'MV-C': 0, 'HEAT-N': 0, [HEAT]: 0 };
const NO_LOW = { 'R-C': 0, 'Rt-Wt': 0, 'W-C': 0, 'Y-C': 0, 'Yc-Co': 0, 'b-C': 0, 'p-C': 0, 'IND-N': 0, 'HSI-N': 0 };
const NOTHING = { ...NO_LOW, ...UNLIT, 'COOL-N': 0, 'D1-T1': 240, 'T1-T2': 0 };
const STILL = { [I]: 0, [HSI]: 0, [COOL]: 0, [K]: 0, [OF]: 0 };
const ALL = 'OFCnugbH';

/** What is wrong with it, and what then differs. Common practice. */
export const FURNACE_RUNGS: readonly Rung[] = [
  {
    name: 'igniter cracked',
    does: [open('igniter')],
    reads: { g: { [HSI]: 0 }, b: { 'MV-C': [0, 25] }, H: { 'MV-C': 0, 'HEAT-N': 0, [HEAT]: 0 } },
  },
  {
    name: 'draft switch stays open',
    does: [stuck('pressure-switch', 'open')],
    reads: { nugbH: { 'p-C': 0, 'HSI-N': 0, [HSI]: 0, ...UNLIT } },
  },
  {
    name: 'inducer’s winding open',
    does: [open('inducer')],
    reads: { nugbH: { 'p-C': 0, 'HSI-N': 0, [HSI]: 0, [I]: 0, ...UNLIT } },
  },
  {
    name: 'limit open',
    does: [open('limit')],
    reads: {
      [ALL]: {
        'b-C': 0,
        'p-C': 0,
        'MV-C': 0,
        'HSI-N': 0,
        'IND-N': 120,
        'HEAT-N': 120,
        [I]: 1.2,
        [HSI]: 0,
        [HEAT]: [4, 7],
      },
    },
    silent: 'FC',
  },
  {
    name: 'fuse blown',
    does: [open('fuse')],
    reads: { [ALL]: { ...NOTHING, ...STILL } },
  },
  {
    name: 'transformer’s primary open',
    does: [open('transformer.primary')],
    reads: { [ALL]: { 'RO-C': 0, ...NOTHING, ...STILL } },
  },
  {
    name: 'transformer’s secondary open',
    does: [open('transformer.secondary')],
    reads: { [ALL]: { 'RO-C': 0, ...NOTHING, ...STILL } },
  },
  {
    name: 'door switch open',
    does: [open('door-switch')],
    reads: { [ALL]: { 'L-N': 0, 'RO-C': 0, ...NOTHING, ...STILL } },
  },
  {
    name: 'neutral open',
    does: [open('neutral')],
    reads: { [ALL]: { 'L-N': 0, 'N-ground': 120, 'RO-C': 0, ...NOTHING, ...STILL } },
  },
  {
    name: 'gas valve’s coil open',
    does: [open('gas-valve.coil')],
    // The trial is over after a few seconds, and the board shuts the gas.
    reads: { b: { 'MV-C': [0, 25] }, H: { 'MV-C': 0, 'HEAT-N': 0, [HEAT]: 0 } },
  },
  {
    name: 'board’s heat relay dead',
    does: [stuck('board.heat', 'open')],
    reads: { H: { 'HEAT-N': 0, [HEAT]: 0 } },
  },
  {
    name: 'board’s cool relay dead',
    does: [stuck('board.cool', 'open')],
    reads: { FC: { 'COOL-N': 0, 'HEAT-N': 0, [COOL]: 0 } },
  },
  {
    name: 'wire W broken',
    does: [open('cable.W')],
    reads: {
      OFC: { 'Rt-Wt': ANY },
      nugbH: { 'W-C': 0, 'p-C': 0, 'IND-N': 0, 'HSI-N': 0, [I]: 0, [HSI]: 0, ...UNLIT },
    },
  },
  {
    name: 'float switch in Y open',
    does: [open('float-switch.y')],
    reads: { C: { 'Yc-Co': 0, 'D1-T1': 240, 'T1-T2': 0, [K]: 0, [OF]: 0 } },
  },
  {
    name: 'Y broken to the condenser',
    does: [open('field.Y')],
    reads: { C: { 'Yc-Co': 0, 'D1-T1': 240, 'T1-T2': 0, [K]: 0, [OF]: 0 } },
  },
  {
    name: 'C broken to the condenser',
    does: [open('field.C')],
    reads: { C: { 'Yc-Co': 0, 'D1-T1': 240, 'T1-T2': 0, [K]: 0, [OF]: 0 }, OFnugbH: { 'Yc-Co': ANY } },
  },
  {
    name: 'condenser’s breaker tripped',
    does: [open('outdoor.breaker1'), open('outdoor.breaker2')],
    reads: { [ALL]: { 'D1-D2': 0, 'D1-T1': 0, 'T1-T2': 0, [K]: 0, [OF]: 0 } },
  },
  {
    name: 'one pole of the contactor welded',
    does: [stuck('contactor.1', 'closed')],
    reads: { OFnugbH: { 'D1-T1': 0, 'T1-T2': 240, [K]: [7, 13], [OF]: 1.1 } },
  },
  {
    name: 'contactor’s coil open',
    does: [open('contactor.coil')],
    reads: { C: { 'D1-T1': 240, 'T1-T2': 0, [K]: 0, [OF]: 0 } },
  },
  {
    name: 'first leg lost outdoors',
    does: [open('outdoor.breaker1')],
    reads: {
      OFnugbH: { 'D1-D2': ANY, 'D1-T1': ANY, 'T2-ground': 120 },
      C: { 'D1-D2': 0, 'D1-ground': 120, 'D2-ground': 120, 'D1-T1': 0, 'T1-T2': 0, [K]: 0, [OF]: 0 },
    },
  },
  {
    name: 'second leg lost outdoors',
    does: [open('outdoor.breaker2')],
    reads: {
      OFnugbH: { 'D1-D2': ANY, 'D1-T1': ANY },
      C: { 'D1-D2': 0, 'D1-ground': 120, 'D2-ground': 120, 'D1-T1': 0, 'T1-T2': 0, [K]: 0, [OF]: 0 },
    },
  },
];
