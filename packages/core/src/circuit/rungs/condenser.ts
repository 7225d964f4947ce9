import type { Change } from '../change.ts';
import { FLOATS as ANY, type Ladder, type Rung } from './rungs.ts';

const WHAT: Pick<Ladder, 'kind' | 'plate'> = {
  kind: 'split-air-conditioner',
  plate: { tons: 3, compressorRla: 16, outdoorFanFla: 1.375, blowerFla: 4, pressureSwitches: 'low-high' },
};

const K = 'A compressor.run';
const OF = 'A outdoor-fan.run';
const B = 'A blower.run';

/**
 * A split air conditioner: Y and C alone go out, the contactor has one pole, so that one leg is always on its motors, and there is no
 * crankcase heater. States: off, fan, cooling; power off indoors, power off outdoors with cooling called. Common practice.
 */
export const CONDENSER: Ladder = {
  ...WHAT,
  states: ['O', 'F', 'C', 'i', 'p'],
  sound: {
    'RO-C': [26, 26, 25, 0, 25],
    'R-C': [26, 26, 25, 0, 25],
    'Rt-Yt': [24, 24, 0, 0, 0],
    'Y-C': [0, 0, 24, 0, 24],
    'Yo-Co': [0, 0, 24, 0, 24],
    'y1-Co': [0, 0, 24, 0, 24],
    'Yc-Co': [0, 0, 24, 0, 24],
    'G-C': [0, 24, 24, 0, 24],
    'D1-D2': [240, 240, 240, 240, 0],
    'D1-T1': [240, 240, 0, 240, 0],
    'D2-T2': [0, 0, 0, 0, 0],
    'T1-T2': [0, 0, 240, 0, 0],
    'D1-ground': [120, 120, 120, 120, ANY],
    'T1-ground': [120, 120, 120, 120, ANY],
    'T2-ground': [120, 120, 120, 120, ANY],
    [K]: [0, 0, [9, 13], 0, 0],
    [OF]: [0, 0, 1.1, 0, 0],
    [B]: [0, 2.8, 2.8, 0, 2.8],
  },
};

const open = (id: string): Change => ({ open: id });
const stuck = (id: string, at: 'open' | 'closed'): Change => ({ stuck: id, at });
const OUT = { [K]: 0, [OF]: 0 };
/** Through the motors' windings the far side of the open pole stands on the other leg. */
const NOT_MADE = { 'D1-T1': 240, 'T1-T2': 0, ...OUT };
/** Nothing behind the contact of the thermostat: its far end hangs on the wire. */
const UNLOADED = { 'Rt-Yt': ANY, 'Y-C': ANY };
const NO_CONTROL = { 'R-C': 0, 'Rt-Yt': 0, 'Y-C': 0, 'Yo-Co': 0, 'y1-Co': 0, 'Yc-Co': 0, 'G-C': 0 };

/** What is wrong with it, and what then differs. Common practice where nothing else stands there. */
export const CONDENSER_RUNGS: readonly Rung[] = [
  {
    name: 'contactor coil open',
    does: [open('contactor.coil')],
    reads: { C: NOT_MADE, OF: { ...UNLOADED, 'Yo-Co': ANY, 'y1-Co': ANY, 'Yc-Co': ANY } },
  },
  { name: 'pole burnt', does: [stuck('contactor.1', 'open')], reads: { C: NOT_MADE } },
  {
    name: 'pole welded',
    does: [stuck('contactor.1', 'closed')],
    reads: { OF: { 'D1-T1': 0, 'T1-T2': 240, [K]: [7, 13], [OF]: 1.1 } },
  },
  {
    name: 'lug of 1 Ω before the contactor',
    does: [{ burnt: 'contactor.1', ohms: 1 }],
    // All of the drop is on the one leg.
    reads: { C: { 'D1-T1': [11, 13.5], 'T1-T2': [224, 231], 'T1-ground': [105, 111] } },
  },
  {
    name: 'first leg lost at the disconnect',
    does: [open('disconnect.1')],
    reads: {
      // At rest D1 hangs in the air; in the call the motors put the other leg on it, and both sides show 120 to ground.
      OF: { 'D1-D2': ANY, 'D1-T1': ANY, 'D1-ground': ANY },
      C: { 'D1-D2': 0, 'T1-T2': 0, ...OUT },
    },
  },
  {
    name: 'second leg lost at the disconnect',
    does: [open('disconnect.2')],
    reads: {
      OF: { 'D1-D2': ANY, 'D1-T1': ANY, 'T1-ground': ANY, 'T2-ground': ANY },
      C: { 'D1-D2': 0, 'T1-T2': 0, ...OUT },
    },
  },
  {
    name: 'one plug off, compressor and fan both open',
    does: [open('compressor.lead'), open('outdoor-fan.lead')],
    reads: { OF: { 'D1-T1': ANY, 'T1-T2': ANY, 'T1-ground': ANY }, C: OUT },
  },
  {
    name: 'compressor’s overload open, hot',
    does: [{ hot: 'compressor.overload' }],
    reads: { C: { [K]: 0 } },
  },
  { name: 'compressor lead burnt off', does: [open('compressor.lead')], reads: { C: { [K]: 0 } } },
  {
    name: 'lead off the outdoor fan’s common',
    does: [open('outdoor-fan.lead')],
    reads: { C: { [OF]: 0 } },
  },
  {
    name: 'charge gone, low switch open',
    does: [open('low-pressure-switch')],
    reads: { C: { 'y1-Co': 0, 'Yc-Co': 0, ...NOT_MADE }, OF: { ...UNLOADED, 'Yo-Co': ANY } },
  },
  {
    name: 'high switch open',
    does: [open('high-pressure-switch')],
    reads: { C: { 'Yc-Co': 0, ...NOT_MADE }, OF: { ...UNLOADED, 'Yo-Co': ANY, 'y1-Co': ANY } },
  },
  {
    name: 'Y cable broken to the outdoor unit',
    does: [open('field.Y')],
    reads: { C: { 'Yo-Co': 0, 'y1-Co': 0, 'Yc-Co': 0, ...NOT_MADE }, OF: UNLOADED },
  },
  {
    name: 'C cable broken to the outdoor unit',
    does: [open('field.C')],
    reads: { C: { 'Yo-Co': 0, 'y1-Co': 0, 'Yc-Co': 0, ...NOT_MADE }, OF: UNLOADED },
  },
  {
    name: 'low-voltage fuse blown',
    does: [open('fuse')],
    reads: { OFC: NO_CONTROL, C: { ...NOT_MADE, [B]: 0 }, F: { [B]: 0 } },
  },
  {
    name: 'transformer’s primary open',
    does: [open('transformer.primary')],
    reads: { OFC: { 'RO-C': 0, ...NO_CONTROL }, C: { ...NOT_MADE, [B]: 0 }, F: { [B]: 0 } },
  },
];
