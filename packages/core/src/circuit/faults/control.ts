import { open, stuck, type Line } from './line.ts';

/** The transformer, the thermostat, and the wires between them and the machine. */
export const CONTROL = {
  // Mostly its primary; the secondary then still reads sound ohms.
  'transformer-open': {
    slot: 'transformer',
    does: [{ open: 'transformer.primary' }],
    or: [[{ open: 'transformer.secondary' }]],
  },
  'fuse-blown': open('transformer', 'fuse'),
  'contactor-coil-shorted': {
    slot: 'contactor',
    does: [{ short: 'contactor.coil', ohms: 2 }],
    or: [[{ short: 'contactor.coil', ohms: 4, wanders: true }]],
  },
  'valve-coil-shorted': { slot: 'defrost-board', does: [{ short: 'reversing-valve.coil', ohms: 2 }] },
  'y-on-c-outdoors': { slot: 'thermostat', does: [{ join: ['Yo', 'Co'], ohms: 0.5 }] },
  'r-on-c-cable': { slot: 'thermostat', does: [{ join: ['Rt', 'Ct'], ohms: 0.5 }] },
  'r-to-thermostat-open': { slot: 'thermostat', does: [{ open: 'cable.R' }], or: [[{ open: 'cable.C' }]] },
  'float-switch-open': open('indoor-unit', 'float-switch'),
  'float-switch-open-in-y': open('indoor-unit', 'float-switch.y'),
  'y-cable-open': { slot: 'thermostat', does: [{ open: 'field.Y' }], or: [[{ open: 'cable.Y' }]] },
  'thermostat-y-open': stuck('thermostat', 'thermostat.Y', 'open'),
  'thermostat-o-set-wrong': stuck('thermostat', 'thermostat.O', 'open'),
  'y-on-g': { slot: 'thermostat', does: [{ join: ['Yt', 'Gt'], ohms: 0.5 }] },
  'control-volts-low': { slot: 'transformer', does: [{ ohms: 'transformer.secondary', times: 12 }] },
  'g-fed-at-rest': { slot: 'thermostat', does: [{ join: ['Rt', 'Gt'], ohms: 0.5 }] },
  'g-path-open': { slot: 'thermostat', does: [{ open: 'cable.G' }], or: [[{ stuck: 'thermostat.G', at: 'open' }]] },
  'w-path-open': {
    slot: 'thermostat',
    does: [{ open: 'cable.W' }],
    or: [[{ stuck: 'thermostat.W', at: 'open' }], [{ burnt: 'cable.W', ohms: 9000 }]],
  },
} as const satisfies Record<string, Line>;
