import { aboutOf, judged } from '../../testing/reading.ts';
import { expectedHeaterAmps, heaterAmps as kind } from './heater-amps.ts';

const plate = { heatKilowatts: 10, heatVolts: 240, heatElements: 2 };
const at = (volts: number) => ({ plate, conditions: { lineVolts: volts } });

// Source: Ohm's law: 10 kW at 240 V draw 41.7 A, a 5 kW element 20.8 A; at other volts amps go with them.
test('what it should draw follows from plate and measured volts', () => {
  const expected = (volts: number, point: 'total' | 'element-1') =>
    expectedHeaterAmps(aboutOf(kind, { ...at(volts), point }));
  expect(expected(240, 'total')).toBeCloseTo(41.67, 2);
  expect(expected(240, 'element-1')).toBeCloseTo(20.83, 2);
  expect(expected(228, 'total')).toBeCloseTo(39.58, 2);
});

test('the same amps are sound at low volts and not at high ones', () => {
  expect(judged(kind, { amps: 38 }, at(225)).standing).toBe('sound');
  expect(judged(kind, { amps: 38 }, at(250)).standing).toBe('act');
});

test('near zero is an open element, not a low one', () => {
  expect(judged(kind, { amps: 0.1 }, { ...at(240), point: 'element-2' })).toMatchObject({ standing: 'act' });
  expect(judged(kind, { amps: 0.1 }, { ...at(240), point: 'element-2' }).reasons[0]?.because.numbers).toMatchObject({
    found: ['open'],
  });
});

test('circuits go by the plate’s own amps, which stand for a power at rated volts', () => {
  const circuits = { ...plate, heatKilowatts: 15, heatElements: 3, heatCircuits: 2, heatCircuitAmps: [41.7, 20.8] };
  expect(
    expectedHeaterAmps(aboutOf(kind, { plate: circuits, point: 'circuit-2', conditions: { lineVolts: 240 } })),
  ).toBeCloseTo(20.8, 1);
  expect(kind.methods[0]?.points(aboutOf(kind, { plate: circuits }))).toEqual([
    'total',
    'circuit-1',
    'circuit-2',
    'element-1',
    'element-2',
    'element-3',
  ]);
});

test('only the total tells the airflow what it was', () => {
  const told = (point: 'total' | 'element-1') => kind.tells?.({ inputs: {}, value: 41, findings: [], point }, {});
  expect(told('total')).toEqual({ heatAmps: 41 });
  expect(told('element-1')).toEqual({});
});

test('without kW on the plate it is unproven', () => {
  expect(judged(kind, { amps: 40 }, { system: 'air-handler-electric-heat', plate: {} }).says).toMatch(/No kW/);
});

test('without measured volts it says so, in place of "at these volts"', () => {
  const measured = judged(kind, { amps: 30 }, { ...at(240), point: 'total' });
  expect(measured.says).toMatch(/at these volts, by the plate/);
  const unmeasured = judged(kind, { amps: 30 }, { plate, point: 'total' });
  expect(unmeasured.says).toMatch(/the volts were not measured/);
  expect(unmeasured.says).not.toMatch(/at these volts/);
});

test('the amps of all its circuits stand for its kW where the plate has none', () => {
  const circuits = { heatCircuitAmps: [40, 20], heatVolts: 240 };
  const expected = (point: 'total' | 'circuit-2') =>
    expectedHeaterAmps(aboutOf(kind, { system: 'air-handler-electric-heat', plate: circuits, point }));
  expect([expected('total'), expected('circuit-2')]).toEqual([60, 20]);
  const oneOfTwo = { ...circuits, heatCircuits: 2, heatCircuitAmps: [40] };
  expect(expectedHeaterAmps(aboutOf(kind, { system: 'air-handler-electric-heat', plate: oneOfTwo }))).toBeNull();
});
