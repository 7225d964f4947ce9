import { machineSpecOf } from '../circuit/machine-spec.ts';
import { ARRIVED, minutesOf, standpointAfter } from './costs.ts';
import { testsOf } from './tests.ts';

const tests = new Map(
  testsOf(machineSpecOf('split-air-conditioner', { capacitorRating: '40+5 µF 440 V' })).map((t) => [t.id, t]),
);
const the = (id: string) => tests.get(id)!;
const herm = the('run-capacitor-capacitance/run-capacitor/herm/bench');
const fan = the('run-capacitor-capacitance/run-capacitor/fan/bench');
const superheat = the('superheat/refrigerant-circuit/suction/gauges');
const subcooling = the('subcooling/refrigerant-circuit/liquid/gauges');

test('what is done already is not paid twice: the way, the lock-out, the waiting', () => {
  const first = minutesOf(herm, ARRIVED);
  const then = minutesOf(fan, standpointAfter(herm, ARRIVED));
  expect(first - then).toBe(6);
  const settled = standpointAfter(superheat, ARRIVED);
  expect(minutesOf(superheat, ARRIVED)).toBeGreaterThan(15);
  expect(minutesOf(subcooling, settled)).toBeLessThan(6);
});

test('power that was off has to come back, and what had settled starts anew', () => {
  const off = standpointAfter(herm, standpointAfter(superheat, ARRIVED));
  expect(off).toMatchObject({ power: 'off', call: null, settled: false });
  expect(minutesOf(subcooling, off)).toBeGreaterThan(minutesOf(subcooling, standpointAfter(superheat, ARRIVED)) + 10);
});
