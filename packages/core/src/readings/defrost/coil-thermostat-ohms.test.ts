import { judged } from '../../testing/reading.ts';
import { coilThermostatOhms as kind } from './coil-thermostat-ohms.ts';

// Common practice, no source: it closes between 28 and 35 °F and opens between 50 and 80.
test.each([
  [{ ohms: 'OL', coilF: 70 }, {}, 'sound'],
  [{ ohms: 'OL', coilF: 20 }, {}, 'act'],
  [{ ohms: 'OL' }, {}, 'unproven'],
  [{ ohms: 'OL' }, { outdoorF: 88 }, 'sound'],
  [{ ohms: 0.3, coilF: 22 }, {}, 'sound'],
  [{ ohms: 0.3, coilF: 95 }, {}, 'act'],
  [{ ohms: 0.3 }, {}, 'unproven'],
  [{ ohms: 0.3, coilF: 60 }, {}, 'unproven'],
] as const)('%j with %j is %s', (inputs, conditions, standing) => {
  expect(judged(kind, inputs, { conditions }).standing).toBe(standing);
});
