import type { Change } from '../change.ts';
import { open, type Line } from './line.ts';

/** A condenser and its refrigerant. */
export const OUTDOORS = {
  'contactor-coil-open': open('contactor', 'contactor.coil'),
  'contactor-pole-burnt': {
    slot: 'contactor',
    does: [{ burnt: 'contactor.1', ohms: 0.6 }],
    or: [
      [{ burnt: 'contactor.1', ohms: 0.3 }],
      [{ burnt: 'contactor.1', ohms: 1.1 }],
      [{ burnt: 'contactor.1', ohms: 2 }],
      [{ burnt: 'contactor.2', ohms: 1 }],
      [{ stuck: 'contactor.1', at: 'open' }],
      [{ stuck: 'contactor.2', at: 'open' }],
    ],
  },
  'contactor-jammed': {
    slot: 'contactor',
    does: [
      { stuck: 'contactor.1', at: 'open' },
      { stuck: 'contactor.2', at: 'open' },
    ],
  },
  'contactor-welded': {
    slot: 'contactor',
    does: [
      { stuck: 'contactor.1', at: 'closed' },
      { stuck: 'contactor.2', at: 'closed' },
    ],
  },
  'outdoor-supply-out': {
    slot: 'supply',
    does: [{ open: 'outdoor.breaker1' }],
    or: [
      [{ open: 'disconnect.1' }],
      [{ open: 'outdoor.breaker2' }],
      [{ open: 'disconnect.2' }],
      [{ open: 'outdoor.breaker1' }, { open: 'outdoor.breaker2' }],
    ],
  },
  'low-switch-failed': open('low-pressure-switch', 'low-pressure-switch'),
  'high-switch-failed': open('high-pressure-switch', 'high-pressure-switch'),
  'herm-weak': { slot: 'run-capacitor', does: herm(0.3), or: [herm(0), herm(0.5)] },
  'fan-capacitor-weak': { slot: 'run-capacitor', does: fanCap(0.3), or: [fanCap(0), fanCap(0.5)] },
  'outdoor-fan-winding-open': {
    slot: 'outdoor-fan',
    does: [{ open: 'outdoor-fan.run' }],
    or: [[{ open: 'outdoor-fan.start' }]],
  },
  'outdoor-fan-seized': { slot: 'outdoor-fan', does: [{ seized: 'outdoor-fan.run' }] },
  'compressor-overload-open': {
    slot: 'compressor',
    does: [{ hot: 'compressor.overload' }],
    or: [[{ open: 'compressor.overload' }]],
  },
  'compressor-winding-open': {
    slot: 'compressor',
    does: [{ open: 'compressor.run' }],
    or: [[{ open: 'compressor.start' }]],
  },
  'compressor-grounded': { slot: 'compressor', does: [{ join: ['kc', 'ground'], ohms: 0.1 }] },
  'compressor-locked': { slot: 'compressor', does: [{ seized: 'compressor.run' }] },
  'start-kit-failed': { slot: 'start-capacitor', does: startKit(0.1), or: [startKit(0.45)] },
  'compressor-lead-burnt': open('compressor', 'compressor.lead'),
  'compressor-valves-worn': { slot: 'compressor', does: [{ air: { worn: 0.45 } }], or: [[{ air: { worn: 0.6 } }]] },
  'charge-low': {
    slot: 'refrigerant-circuit',
    does: [{ air: { lack: 0.35 } }],
    or: [[{ air: { lack: 0.25 } }], [{ air: { lack: 0.6 } }, { open: 'low-pressure-switch' }]],
  },
  'feed-choked': { slot: 'refrigerant-circuit', does: [{ air: { feed: 0.5 } }], or: [[{ air: { feed: 0.7 } }]] },
  'outdoor-coil-dirty': {
    slot: 'outdoor-unit',
    does: [{ air: { fouled: 0.5 } }],
    or: [[{ air: { fouled: 0.8 } }], [{ air: { fouled: 0.9 } }, { open: 'high-pressure-switch' }]],
  },
  'charge-high': {
    slot: 'refrigerant-circuit',
    does: [{ air: { excess: 0.35 } }],
    or: [[{ air: { excess: 0.6 } }]],
  },
  'outdoor-lug-loose': {
    slot: 'supply',
    does: [{ burnt: 'disconnect.1', ohms: 0.5 }],
    or: [[{ burnt: 'disconnect.2', ohms: 1 }]],
  },
} as const satisfies Record<string, Line>;

function startKit(share: number): Change[] {
  return [{ left: 'cap.start', share, motor: 'compressor.run' }];
}
function herm(share: number): Change[] {
  return [{ left: 'cap.herm', share, motor: 'compressor.run' }];
}
function fanCap(share: number): Change[] {
  return [{ left: 'cap.fan', share, motor: 'outdoor-fan.run' }];
}
