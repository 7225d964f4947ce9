import { enter, judged } from '../../testing/reading.ts';
import { coilThermostatTemperatures as kind } from './coil-thermostat-temperatures.ts';

// Common practice, no source: closes near freezing, opens between 50 and 80 °F or about where it is printed.
test.each([
  [{ closedF: 30, openedF: 62 }, {}, 'sound', /closes and opens/],
  [{ closedF: 12 }, {}, 'act', /closes too late/i],
  [{ closedF: 45 }, {}, 'watch', /closes too early/i],
  [{ openedF: 41 }, {}, 'watch', /opens too early/i],
  [{ openedF: 95 }, {}, 'watch', /opens too late/i],
  [{ openedF: 62 }, { defrostTerminationF: 80 }, 'watch', /opens too early/i],
  [{ openedF: 76 }, { defrostTerminationF: 80 }, 'sound', /closes and opens/],
] as const)('%j with %j on the plate is %s', (inputs, plate, standing, says) => {
  const verdict = judged(kind, inputs, { plate });
  expect(verdict.standing).toBe(standing);
  expect(verdict.says).toMatch(says);
});

test('with neither seen there is nothing to take', () => {
  expect(enter(kind, {})).toMatchObject({ outcome: 'refused' });
});
