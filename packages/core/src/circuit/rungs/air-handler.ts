import type { Change } from '../change.ts';
import { FLOATS as ANY, type Ladder, type Rung } from './rungs.ts';

const WHAT: Pick<Ladder, 'kind' | 'plate'> = {
  kind: 'air-handler-electric-heat',
  plate: { blowerFla: 4, heatKilowatts: 20, heatElements: 4 },
};

const B = 'A blower.run';
const [X1, X2, X3, X4] = ['A element-1', 'A element-2', 'A element-3', 'A element-4'] as const;

/**
 * An air handler with four 5 kW banks on two sequencers and two breakers; its thermostat makes no fan call with heat. States:
 * off, fan, first stage, both stages. Common practice.
 */
export const AIR_HANDLER: Ladder = {
  ...WHAT,
  states: ['O', 'F', 'H', 'A'],
  sound: {
    'RO-C': [26, 26, 26, 25],
    'R-C': [26, 26, 26, 25],
    'Rt-Wt': [24, 24, 0, 0],
    'W-C': [0, 0, 24, 24],
    'W2-C': [0, 0, 0, 24],
    'G-C': [0, 24, 0, 0],
    'H1-H2': [240, 240, 240, 240],
    'H3-H4': [240, 240, 240, 240],
    'H1-m': [240, 0, 0, 0],
    'm-n1': [0, 240, 0, 0],
    'H1-n1': [240, 240, 0, 0],
    'H1-n4': [240, 240, 0, 0],
    'H3-n7': [240, 240, 240, 0],
    'H3-n10': [240, 240, 240, 0],
    'n1-H2': [0, 0, 240, 240],
    [X1]: [0, 0, 20.8, 20.8],
    [X2]: [0, 0, 20.8, 20.8],
    [X3]: [0, 0, 0, 20.8],
    [X4]: [0, 0, 0, 20.8],
    [B]: [0, 2.8, 2.8, 2.8],
  },
};

const open = (id: string): Change => ({ open: id });
const stuck = (id: string, at: 'open' | 'closed'): Change => ({ stuck: id, at });

/** What is wrong with it, and what then differs. Common practice. */
export const AIR_HANDLER_RUNGS: readonly Rung[] = [
  {
    name: 'first contact stuck open',
    does: [stuck('sequencer.1', 'open')],
    reads: { HA: { 'H1-n1': 240, 'n1-H2': 0, 'H1-m': 240, [X1]: 0, [B]: 0 } },
  },
  {
    name: 'second contact stuck open',
    does: [stuck('sequencer.2', 'open')],
    reads: { HA: { 'H1-n4': 240, [X2]: 0 } },
  },
  {
    name: 'first sequencer’s heater open',
    does: [open('sequencer.coil')],
    reads: {
      OF: { 'W-C': ANY, 'Rt-Wt': ANY },
      HA: { 'H1-m': 240, 'H1-n1': 240, 'H1-n4': 240, 'n1-H2': 0, [X1]: 0, [X2]: 0, [B]: 0 },
    },
  },
  {
    name: 'second sequencer’s heater open',
    does: [open('sequencer.coil-2')],
    reads: { OFH: { 'W2-C': ANY }, A: { 'H3-n7': 240, 'H3-n10': 240, [X3]: 0, [X4]: 0 } },
  },
  {
    name: 'third contact stuck open',
    does: [stuck('sequencer.3', 'open')],
    reads: { A: { 'H3-n7': 240, [X3]: 0 } },
  },
  {
    name: 'first contact welded',
    does: [stuck('sequencer.1', 'closed')],
    reads: {
      O: { 'H1-n1': 0, 'n1-H2': 240, 'H1-m': 0, [X1]: 20.8, [B]: 2.8 },
      F: { 'H1-n1': 0, 'n1-H2': 240, 'm-n1': 0, [X1]: 20.8 },
    },
  },
  {
    name: 'second contact welded',
    does: [stuck('sequencer.2', 'closed')],
    reads: { OF: { 'H1-n4': 0, [X2]: 20.8 } },
  },
  {
    name: 'third contact welded',
    does: [stuck('sequencer.3', 'closed')],
    reads: { OFH: { 'H3-n7': 0, [X3]: 20.8 } },
  },
  {
    name: 'first element open',
    does: [open('element-1')],
    reads: { F: { 'm-n1': ANY, 'H1-n1': ANY, 'n1-H2': ANY }, HA: { [X1]: 0 } },
  },
  {
    name: 'second element open',
    does: [open('element-2')],
    reads: { OF: { 'H1-n4': ANY }, HA: { [X2]: 0 } },
  },
  { name: 'link open', does: [open('link-2')], reads: { OF: { 'H1-n4': ANY }, HA: { [X2]: 0 } } },
  {
    name: 'third element open',
    does: [open('element-3')],
    reads: { OFH: { 'H3-n7': ANY }, A: { [X3]: 0 } },
  },
  {
    name: 'second breaker tripped',
    does: [open('heat.breaker1'), open('heat.breaker2')],
    reads: { OFHA: { 'H3-H4': 0, 'H3-n7': ANY, 'H3-n10': ANY }, A: { [X3]: 0, [X4]: 0 } },
  },
  {
    name: 'one leg lost before the second breaker, H3',
    does: [open('heat.breaker1')],
    reads: {
      OFH: { 'H3-H4': ANY, 'H3-n7': ANY, 'H3-n10': ANY, 'H3-ground': ANY, 'H4-ground': 120 },
      A: { 'H3-H4': 0, 'H3-ground': 120, 'H3-n7': 0, 'H3-n10': 0, [X3]: 0, [X4]: 0 },
    },
  },
  {
    name: 'one leg lost before the second breaker, H4',
    does: [open('heat.breaker2')],
    reads: {
      OFH: { 'H3-H4': ANY, 'H4-ground': ANY, 'H3-n7': ANY, 'H3-n10': ANY },
      A: { 'H3-H4': 0, 'H4-ground': 120, [X3]: 0, [X4]: 0 },
    },
  },
  {
    name: 'first breaker tripped',
    does: [open('indoor.breaker1'), open('indoor.breaker2')],
    reads: {
      OFHA: {
        ...{ 'RO-C': 0, 'R-C': 0, 'Rt-Wt': 0, 'W-C': 0, 'W2-C': 0, 'G-C': 0, 'H1-H2': 0, 'H1-m': 0, 'm-n1': 0 },
        ...{ 'H1-n1': 0, 'H1-n4': 0, 'n1-H2': 0, 'H3-n7': 240, 'H3-n10': 240 },
        ...{ [X1]: 0, [X2]: 0, [X3]: 0, [X4]: 0, [B]: 0 },
      },
    },
  },
  {
    name: 'one leg lost, H1',
    does: [open('indoor.breaker1')],
    reads: {
      OFHA: {
        ...{ 'RO-C': 0, 'R-C': 0, 'Rt-Wt': 0, 'W-C': 0, 'W2-C': 0, 'G-C': 0, 'H1-H2': 0, 'H1-m': 0, 'm-n1': 0 },
        ...{ 'H1-n1': 0, 'H1-n4': 0, 'n1-H2': 0, 'H3-n7': 240, 'H3-n10': 240, 'H1-ground': 120 },
        ...{ [X1]: 0, [X2]: 0, [X3]: 0, [X4]: 0, [B]: 0 },
      },
    },
  },
  {
    name: 'wire W2 off',
    does: [open('cable.W2')],
    reads: { A: { 'W2-C': 0, 'H3-n7': 240, 'H3-n10': 240, [X3]: 0, [X4]: 0 } },
  },
  {
    name: 'blower relay’s coil open',
    does: [open('blower-relay.coil')],
    reads: { F: { 'H1-m': 240, 'm-n1': 0, [B]: 0 } },
  },
  {
    name: 'blower relay’s normally open contact burnt',
    does: [stuck('blower-relay.no', 'open')],
    reads: { F: { 'H1-m': 240, 'm-n1': 0, [B]: 0 } },
  },
  {
    name: 'blower relay’s normally closed contact burnt',
    does: [stuck('blower-relay.nc', 'open')],
    reads: { HA: { 'H1-m': 240, 'm-n1': 240, [B]: 0 } },
  },
  {
    name: 'blower relay’s normally open contact welded',
    does: [stuck('blower-relay.no', 'closed'), stuck('blower-relay.nc', 'open')],
    reads: { O: { 'H1-m': 0, 'm-n1': 240, [B]: 2.8 } },
  },
  {
    name: 'blower’s winding open',
    does: [open('blower.run'), open('blower.start')],
    reads: { F: { [B]: 0 }, HA: { [B]: 0 } },
  },
  {
    name: 'second element on the frame at mid-coil',
    // Either half lies between its end and the frame; what a clamp reads of the whole is that of its lead.
    does: [open('element-2'), { join: ['n4', 'ground'], ohms: 5.76 }, { join: ['n4e', 'ground'], ohms: 5.76 }],
    reads: { OF: { 'H1-n4': 120, 'A join n4e ground': 20.8 }, HA: { [X2]: 0, 'A join n4 ground': 20.8 } },
  },
];
