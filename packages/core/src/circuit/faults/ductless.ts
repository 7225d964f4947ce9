import { open, stuck, type Line } from './line.ts';

/** A ductless inverter machine. */
export const DUCTLESS = {
  'signal-wire-open': {
    slot: 'outdoor-unit',
    does: [{ open: 'cable.3' }],
    or: [[{ burnt: 'cable.3', ohms: 60_000 }]],
  },
  'inverter-dead': open('outdoor-unit', 'inverter.bus'),
  'ductless-fan-dead': { slot: 'outdoor-unit', does: [{ open: 'outdoor-fan.run' }], or: [[{ open: 'blower.run' }]] },
  'ductless-board-dead': stuck('outdoor-unit', 'inverter.drive', 'open'),
  'ductless-sensor-off': {
    slot: 'coil-sensor',
    does: [{ open: 'coil-sensor' }, { stuck: 'inverter.drive', at: 'open' }],
  },
  'ductless-charge-low': { slot: 'outdoor-unit', does: [{ air: { lack: 0.35 } }], or: [[{ air: { lack: 0.25 } }]] },
  'expansion-valve-coil-open': {
    slot: 'outdoor-unit',
    does: [{ open: 'expansion-valve.coil' }, { air: { feed: 0.7 } }],
  },
  'pan-heater-open': open('base-pan-heater', 'pan-heater'),
} as const satisfies Record<string, Line>;
