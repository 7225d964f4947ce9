import type { Change } from '../change.ts';
import { stuck, type Line } from './line.ts';

/** What moves the air, and the way it takes. */
export const INDOORS = {
  'blower-relay-coil-open': {
    slot: 'blower-relay',
    does: [{ open: 'blower-relay.coil' }],
    or: [
      [
        { ohms: 'blower-relay.coil', times: 0.4 },
        { stuck: 'blower-relay.no', at: 'open' },
      ],
    ],
  },
  'blower-relay-contact-burnt': stuck('blower-relay', 'blower-relay.no', 'open'),
  'blower-relay-welded': {
    slot: 'blower-relay',
    does: [
      { stuck: 'blower-relay.no', at: 'closed' },
      { stuck: 'blower-relay.nc', at: 'open' },
    ],
  },
  'blower-relay-melted': {
    slot: 'blower-relay',
    does: [
      { stuck: 'blower-relay.nc', at: 'closed' },
      { stuck: 'blower-relay.no', at: 'closed' },
    ],
  },
  'blower-delay-dead': stuck('blower-relay', 'blower-delay', 'open'),
  'blower-winding-open': {
    slot: 'blower',
    does: [{ open: 'blower.run' }, { open: 'blower.cool' }, { open: 'blower.heat' }],
  },
  'blower-seized': {
    slot: 'blower',
    does: [{ seized: 'blower.run' }, { seized: 'blower.cool' }, { seized: 'blower.heat' }],
  },
  'blower-capacitor-weak': {
    slot: 'blower-capacitor',
    does: blowerCapacitor(0.3),
    or: [blowerCapacitor(0.05), blowerCapacitor(0.5)],
  },
  'blower-module-dead': stuck('blower', 'blower.module', 'open'),
  'blower-tap-unfed': { slot: 'blower', does: [{ open: 'blower.tap-wire' }] },
  'air-choked': {
    slot: 'air-side',
    does: [{ air: { choked: 0.35 } }],
    or: [[{ air: { choked: 0.25 } }], [{ air: { choked: 0.5 } }]],
  },
  'duct-leak': { slot: 'air-side', does: [{ air: { leak: 0.6 } }], or: [[{ air: { leak: 0.4 } }]] },
  'indoor-supply-out': {
    slot: 'supply',
    does: [{ open: 'indoor.breaker1' }],
    or: [[{ open: 'indoor.breaker2' }], [{ open: 'neutral' }]],
  },
} as const satisfies Record<string, Line>;

function blowerCapacitor(share: number): Change[] {
  return ['blower.run', 'blower.cool', 'blower.heat'].map((motor) => ({ left: 'cap.blower', share, motor }));
}
