import { soundMachine } from './machine.ts';
import { machineSpecOf } from './machine-spec.ts';
import { rungOf } from './ladder.ts';

const pump = soundMachine(
  machineSpecOf('split-heat-pump', { tons: 3, heatKilowatts: 10, heatElements: 2, blowerMotor: 'psc' }),
);

test('a coil outdoors lies on the rung of its call, between R and C, behind its thermostat and its switches', () => {
  const rung = rungOf(pump, 'Yc', 'Co', 'cooling');
  expect(rung?.rails).toEqual(['R', 'C']);
  const ids = rung?.parts.map(({ id }) => id) ?? [];
  expect(ids).toEqual(expect.arrayContaining(['thermostat.Y', 'low-pressure-switch', 'contactor.coil']));
  expect(ids.indexOf('thermostat.Y')).toBeLessThan(ids.indexOf('contactor.coil'));
  expect(rung?.nodes).toHaveLength(ids.length + 1);
  expect(rung?.live[rung.nodes.indexOf('Yc')]).toBe(true);
  expect(rungOf(pump, 'Yc', 'Co', 'off')?.live[rung?.nodes.indexOf('Yc') ?? 0]).toBe(false);
});

test('an element lies between the legs, with the contact that feeds it', () => {
  const rung = rungOf(pump, 'n1', 'n1e', 'emergency-heat');
  expect(rung?.rails).toEqual(['H1', 'H2']);
  expect(rung?.parts.map(({ id }) => id)).toEqual(['sequencer.1', 'element-1', 'link-1', 'limit-1']);
  expect(rung?.parts.map(({ symbol }) => symbol)).toEqual(['contact', 'heater', 'switch', 'switch']);
});

test('what hangs on no rung has no drawing', () => {
  const ductless = soundMachine(machineSpecOf('ductless-heat-pump', {}));
  expect(rungOf(ductless, 'th1', 'th2', 'off')).toBeNull();
});
