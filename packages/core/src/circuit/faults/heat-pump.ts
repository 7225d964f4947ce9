import { open, stuck, type Line } from './line.ts';

/** What a heat pump has besides: its board, its valve, its defrost. */
export const HEAT_PUMP = {
  'board-y-path-broken': stuck('defrost-board', 'board.y', 'open'),
  'board-unpowered': open('defrost-board', 'field.R'),
  'valve-coil-open': open('defrost-board', 'reversing-valve.coil'),
  'valve-stuck-midway': { slot: 'refrigerant-circuit', does: [{ air: { midway: 0.6 } }] },
  'board-fan-relay-open': stuck('defrost-board', 'board.df', 'open'),
  'sense-wire-open': open('defrost-board', 'board.sense'),
  'coil-thermostat-never-shuts': stuck('defrost-board', 'coil-thermostat', 'open'),
  'coil-thermostat-stuck-shut': stuck('defrost-board', 'coil-thermostat', 'closed'),
  'sensor-off-scale': {
    slot: 'coil-sensor',
    does: [{ stuck: 'coil-sensor', at: 'open' }, { air: { sensorOff: 12 } }],
    or: [
      [{ stuck: 'coil-sensor', at: 'open' }, { air: { sensorOff: 8 } }],
      [{ open: 'coil-sensor' }, { air: { sensorOff: 40 } }],
    ],
  },
  'defrost-end-too-low': { slot: 'defrost-board', does: [{ air: { frostLeft: 0.5 } }] },
  'board-w2-dead': stuck('defrost-board', 'board.w2', 'open'),
  'board-stuck-in-defrost': {
    slot: 'defrost-board',
    does: [
      { stuck: 'board.o', at: 'closed' },
      { stuck: 'board.w2', at: 'closed' },
      { stuck: 'board.df', at: 'open' },
    ],
  },
  'drain-or-pan-heater': { slot: 'outdoor-unit', does: [{ air: { baseIce: 1 } }] },
} as const satisfies Record<string, Line>;
