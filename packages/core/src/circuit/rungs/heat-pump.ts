import type { Change } from '../change.ts';
import { FLOATS as ANY, type Ladder, type Rung } from './rungs.ts';

const WHAT: Pick<Ladder, 'kind' | 'plate'> = {
  kind: 'split-heat-pump',
  plate: {
    tons: 3,
    compressorRla: 16,
    outdoorFanFla: 1.375,
    blowerFla: 4,
    heatKilowatts: 10,
    heatElements: 2,
    pressureSwitches: 'low-high',
  },
};

const K = 'A compressor.run';
const OF = 'A outdoor-fan.run';
const B = 'A blower.run';
const X1 = 'A element-1';
const X2 = 'A element-2';

/**
 * A split heat pump: an air handler with two 5 kW banks on one sequencer, a defrost board outdoors, the low switch before the
 * high one. States: off, fan, cooling, heating, second stage, emergency, defrost. Common practice.
 */
export const HEAT_PUMP: Ladder = {
  ...WHAT,
  states: ['O', 'F', 'C', 'H', 'A', 'E', 'D', 'i', 'p'],
  sound: {
    'RO-C': [26, 26, 25, 25, 25, 25, 24, 0, 25],
    'R-C': [26, 26, 25, 25, 25, 25, 24, 0, 25],
    'Rt-Yt': [24, 24, 0, 0, 0, 24, 0, 0, 0],
    'Y-C': [0, 0, 24, 24, 24, 0, 24, 0, 24],
    'Yo-Co': [0, 0, 24, 24, 24, 0, 24, 0, 24],
    'y1-Co': [0, 0, 24, 24, 24, 0, 24, 0, 24],
    'Yc-Co': [0, 0, 24, 24, 24, 0, 24, 0, 24],
    'Oo-Co': [0, 0, 24, 0, 0, 0, 24, 0, 24],
    'W-C': [0, 0, 0, 0, 24, 24, 24, 0, 0],
    'G-C': [0, 24, 24, 24, 24, 24, 24, 0, 24],
    'dft-Co': [ANY, ANY, ANY, ANY, ANY, ANY, 24, 0, ANY],
    'D1-D2': [240, 240, 240, 240, 240, 240, 240, 240, 0],
    'D1-T1': [ANY, ANY, 0, 0, 0, ANY, 0, ANY, ANY],
    'D2-T2': [ANY, ANY, 0, 0, 0, ANY, 0, ANY, ANY],
    'T1-T2': [0, 0, 240, 240, 240, 0, 240, 0, 0],
    'T1-ofc': [0, 0, 0, 0, 0, 0, 240, 0, 0],
    'H1-H2': [240, 240, 240, 240, 240, 240, 240, 0, 240],
    'H1-m': [240, 0, 0, 0, 0, 0, 0, 0, 0],
    'H1-n1': [240, 240, 240, 240, 0, 0, 0, 0, 240],
    'H1-n4': [240, 240, 240, 240, 0, 0, 0, 0, 240],
    [K]: [0, 0, [9, 13], [7, 11], [7, 11], 0, [6, 13], 0, 0],
    [OF]: [0, 0, 1.1, 1.1, 1.1, 0, 0, 0, 0],
    [B]: [0, 2.8, 2.8, 2.8, 2.8, 2.8, 2.8, 0, 2.8],
    [X1]: [0, 0, 0, 0, 20.8, 20.8, 20.8, 0, 0],
    [X2]: [0, 0, 0, 0, 20.8, 20.8, 20.8, 0, 0],
  },
};

const open = (id: string): Change => ({ open: id });
const stuck = (id: string, at: 'open' | 'closed'): Change => ({ stuck: id, at });
const OUT = { [K]: 0, [OF]: 0 };
const NOT_PULLED = { 'D1-T1': ANY, 'D2-T2': ANY, 'T1-T2': 0, 'T1-ofc': 0, ...OUT };

const UNCALLED = {
  ...{
    'Y-C': 0,
    'Yo-Co': 0,
    'y1-Co': 0,
    'Yc-Co': 0,
    'Oo-Co': 0,
    'W-C': 0,
    'G-C': 0,
    'H1-m': 240,
    'H1-n1': 240,
    'H1-n4': 240,
  },
  ...{ [B]: 0, [X1]: 0, [X2]: 0, ...NOT_PULLED },
};

/** What is wrong with it, and what then differs. Common practice where nothing else stands there. */
export const HEAT_PUMP_RUNGS: readonly Rung[] = [
  {
    name: 'charge low, low switch open',
    does: [open('low-pressure-switch')],
    silent: 'D',
    reads: {
      CHA: { 'y1-Co': 0, 'Yc-Co': 0, ...NOT_PULLED },
      OFE: { 'Rt-Yt': ANY, 'Y-C': ANY, 'Yo-Co': ANY },
    },
  },
  {
    name: 'high switch open',
    does: [open('high-pressure-switch')],
    silent: 'D',
    reads: {
      CHA: { 'Yc-Co': 0, ...NOT_PULLED },
      OFE: { 'Rt-Yt': ANY, 'Y-C': ANY, 'Yo-Co': ANY, 'y1-Co': ANY },
    },
  },
  {
    name: 'contactor coil open',
    does: [open('contactor.coil')],
    reads: { CHAD: NOT_PULLED, OFE: { 'Rt-Yt': ANY, 'Y-C': ANY, 'Yo-Co': ANY, 'y1-Co': ANY, 'Yc-Co': ANY } },
  },
  {
    name: 'one pole of the contactor burnt',
    does: [stuck('contactor.1', 'open')],
    reads: { CHAD: { 'D1-T1': 240, 'T1-T2': 0, 'T1-ofc': 0, ...OUT } },
  },
  {
    name: 'contactor in, both poles open',
    does: [stuck('contactor.1', 'open'), stuck('contactor.2', 'open')],
    reads: { CHAD: NOT_PULLED },
  },
  {
    name: 'one pole welded',
    does: [stuck('contactor.1', 'closed')],
    reads: { OFE: { 'D1-T1': 0, 'D2-T2': 240, 'T1-T2': 0 } },
  },
  {
    name: 'both poles welded',
    does: [stuck('contactor.1', 'closed'), stuck('contactor.2', 'closed')],
    reads: { OFE: { 'D1-T1': 0, 'D2-T2': 0, 'T1-T2': 240, [K]: [7, 13], [OF]: 1.1 } },
  },
  {
    name: 'lug of 1 Ω before the contactor',
    does: [{ burnt: 'contactor.1', ohms: 1 }],
    reads: {
      C: { 'D1-T1': [11, 13.5], 'T1-T2': [224, 231] },
      HA: { 'D1-T1': [8, 13.5], 'T1-T2': [224, 233] },
      D: { 'D1-T1': [6, 13.5], 'T1-T2': [224, 234], 'T1-ofc': [224, 234] },
    },
  },
  {
    name: 'outdoor breaker tripped, both poles',
    does: [open('outdoor.breaker1'), open('outdoor.breaker2')],
    reads: { OFE: { 'D1-D2': 0 }, CHAD: { 'D1-D2': 0, 'D1-T1': 0, 'D2-T2': 0, 'T1-T2': 0, 'T1-ofc': 0, ...OUT } },
  },
  {
    name: 'Y cable broken to the outdoor unit',
    does: [open('field.Y')],
    silent: 'D',
    reads: {
      CHA: { 'Yo-Co': 0, 'y1-Co': 0, 'Yc-Co': 0, ...NOT_PULLED },
      OFE: { 'Rt-Yt': ANY, 'Y-C': ANY },
    },
  },
  {
    name: 'C cable broken to the outdoor unit',
    does: [open('field.C')],
    reads: {
      CHAD: { 'Yo-Co': 0, 'y1-Co': 0, 'Yc-Co': 0, 'Oo-Co': 0, 'dft-Co': 0, ...NOT_PULLED },
      D: { 'W-C': 0, 'H1-n1': 240, 'H1-n4': 240, [X1]: 0, [X2]: 0 },
      OFE: { 'Rt-Yt': ANY, 'Y-C': ANY },
    },
  },
  {
    name: 'blower relay’s coil open',
    does: [open('blower-relay.coil')],
    reads: { FCH: { 'H1-m': 240, [B]: 0 } },
  },
  {
    name: 'blower relay’s normally open contact burnt',
    does: [stuck('blower-relay.no', 'open')],
    reads: { FCHAED: { 'H1-m': 240, [B]: 0 } },
  },
  {
    name: 'blower relay’s normally open contact welded',
    does: [stuck('blower-relay.no', 'closed'), stuck('blower-relay.nc', 'open')],
    reads: { O: { 'H1-m': 0, [B]: 2.8 } },
  },
  {
    name: 'blower relay bridges both contacts once it is pulled',
    does: [stuck('blower-relay.nc', 'closed')],
    reads: { FCH: { 'H1-n1': 0, [X1]: [15, 21.5] } },
  },
  {
    name: 'G wire broken',
    does: [open('cable.G')],
    reads: { FCH: { 'G-C': 0, 'H1-m': 240, [B]: 0 }, AED: { 'G-C': 0 } },
  },
  {
    name: 'sequencer does not move',
    does: [open('sequencer.coil')],
    reads: { AED: { 'H1-n1': 240, 'H1-n4': 240, [X1]: 0, [X2]: 0 }, OFCH: { 'W-C': ANY } },
  },
  {
    name: 'sequencer’s second contact stuck open',
    does: [stuck('sequencer.2', 'open')],
    reads: { AED: { 'H1-n4': 240, [X2]: 0 } },
  },
  {
    name: 'sequencer’s first contact welded',
    does: [stuck('sequencer.1', 'closed')],
    reads: { O: { 'H1-n1': 0, 'H1-m': 0, [X1]: 20.8, [B]: 2.8 }, FCH: { 'H1-n1': 0, [X1]: 20.8 } },
  },
  {
    name: 'sequencer’s second contact welded',
    does: [stuck('sequencer.2', 'closed')],
    reads: { OFCH: { 'H1-n4': 0, [X2]: 20.8 } },
  },
  {
    name: 'first element open',
    does: [open('element-1')],
    reads: { FCH: { 'H1-n1': ANY }, AED: { [X1]: 0 } },
  },
  {
    name: 'second element open',
    does: [open('element-2')],
    reads: { OFCH: { 'H1-n4': ANY }, AED: { [X2]: 0 } },
  },
  {
    name: 'wire W2 from the base broken',
    does: [open('cable.W')],
    reads: { AE: { 'W-C': 0, 'H1-n1': 240, 'H1-n4': 240, [X1]: 0, [X2]: 0 } },
  },
  {
    name: 'board’s fan contact burnt',
    does: [stuck('board.df', 'open')],
    reads: { CHA: { 'T1-ofc': 240, [OF]: 0 } },
  },
  {
    name: 'lead off the outdoor fan’s common',
    does: [open('outdoor-fan.run'), open('outdoor-fan.start')],
    reads: { CHA: { [OF]: 0 }, D: { 'T1-ofc': ANY } },
  },
  {
    name: 'valve’s coil open',
    does: [open('reversing-valve.coil')],
    reads: { OFHAE: { 'Oo-Co': ANY } },
  },
  {
    name: 'air handler’s breaker tripped',
    does: [open('indoor.breaker1'), open('indoor.breaker2')],
    reads: {
      OFCHAED: {
        ...{
          'RO-C': 0,
          'R-C': 0,
          'Rt-Yt': 0,
          'Y-C': 0,
          'Yo-Co': 0,
          'y1-Co': 0,
          'Yc-Co': 0,
          'Oo-Co': 0,
          'W-C': 0,
          'G-C': 0,
        },
        ...{ 'dft-Co': 0, 'H1-H2': 0, 'H1-m': 0, 'H1-n1': 0, 'H1-n4': 0, ...NOT_PULLED, [B]: 0, [X1]: 0, [X2]: 0 },
      },
    },
  },
  {
    name: 'thermostat dead, its C wire sound',
    does: ['G', 'Y', 'O', 'W'].map((t) => stuck(`thermostat.${t}`, 'open')),
    reads: { CHAD: { 'Rt-Yt': 24, ...UNCALLED }, E: UNCALLED, F: UNCALLED },
    silent: 'D',
  },
  {
    name: 'R to the base broken',
    does: [open('cable.R')],
    reads: { OFCHAED: { 'Rt-Yt': ANY, ...UNCALLED } },
    silent: 'D',
  },
  {
    name: 'C to the base broken',
    does: [open('cable.C')],
    reads: { FCHAE: { 'Rt-Yt': 24, ...UNCALLED } },
    silent: 'D',
  },
  { name: 'fuse open', does: [open('fuse')], reads: { OFCHAED: { 'R-C': 0, 'Rt-Yt': ANY, ...UNCALLED, 'dft-Co': 0 } } },
  {
    name: 'transformer’s primary open',
    does: [open('transformer.primary')],
    reads: { OFCHAED: { 'RO-C': 0, 'R-C': 0, 'Rt-Yt': ANY, ...UNCALLED, 'dft-Co': 0 } },
  },
  {
    name: 'transformer’s secondary open',
    does: [open('transformer.secondary')],
    reads: { OFCHAED: { 'RO-C': 0, 'R-C': 0, 'Rt-Yt': ANY, ...UNCALLED, 'dft-Co': 0 } },
  },
  {
    // The fuse goes on the first cooling call and stays open.
    name: 'valve’s coil shorted',
    does: [{ short: 'reversing-valve.coil', ohms: 3 }],
    reads: { OFCHAED: { 'R-C': 0, 'Rt-Yt': ANY, ...UNCALLED, 'dft-Co': 0 } },
  },
  {
    name: 'contactor’s coil shorted',
    does: [{ short: 'contactor.coil', ohms: 2 }],
    reads: { OFCHAED: { 'R-C': 0, 'Rt-Yt': ANY, ...UNCALLED, 'dft-Co': 0 } },
  },
  {
    name: 'pan’s float switch open, in R',
    does: [open('float-switch')],
    reads: { OFCHAED: { 'Rt-Yt': 0, ...UNCALLED, 'dft-Co': 0 } },
  },
  {
    name: 'pan’s float switch open, in Y',
    does: [open('float-switch.y')],
    reads: { CHA: { 'Yo-Co': 0, 'y1-Co': 0, 'Yc-Co': 0, ...NOT_PULLED }, OFE: { 'Rt-Yt': ANY, 'Y-C': ANY } },
    silent: 'D',
  },
  {
    name: 'Y rubbed to G',
    does: [{ join: ['Y', 'G'], ohms: 0.5 }],
    reads: {
      O: { 'Rt-Yt': 24 },
      FE: {
        ...{ 'Rt-Yt': 0, 'Y-C': 24, 'Yo-Co': 24, 'y1-Co': 24, 'Yc-Co': 24, 'D1-T1': 0, 'D2-T2': 0, 'T1-T2': 240 },
        ...{ [K]: [7, 13], [OF]: 1.1 },
      },
    },
  },
  {
    name: 'compressor’s overload open, hot',
    does: [{ hot: 'compressor.overload' }],
    reads: { CHAD: { [K]: 0 } },
  },
  {
    name: 'outdoor fan seized, its protector open',
    does: [{ seized: 'outdoor-fan.run' }],
    reads: { CHA: { [OF]: 0 } },
  },
  {
    name: 'board’s W2 output dead',
    does: [stuck('board.w2', 'open')],
    reads: { D: { 'W-C': 0, 'H1-n1': 240, 'H1-n4': 240, [X1]: 0, [X2]: 0 } },
  },
  {
    name: 'coil thermostat stuck shut',
    does: [stuck('coil-thermostat', 'closed')],
    reads: { OFCHAE: { 'dft-Co': 24 } },
  },
  {
    name: 'sense wire off',
    does: [open('board.sense')],
    reads: {},
    silent: 'D',
  },
  {
    name: 'one leg lost before the disconnect, crankcase heater there',
    does: [open('outdoor.breaker1')],
    reads: {
      OFE: { 'D1-D2': 0, 'D1-ground': 120, 'D2-ground': 120 },
      CHAD: { 'D1-D2': 0, 'D1-T1': 0, 'D2-T2': 0, 'T1-T2': 0, 'T1-ofc': 0, 'D1-ground': 120, ...OUT },
    },
  },
];
