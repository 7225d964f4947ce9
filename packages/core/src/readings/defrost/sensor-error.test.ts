import { aboutOf, enter, judged } from '../../testing/reading.ts';
import type { Inputs } from '../contract/entry.ts';
import { sensorError as kind } from './sensor-error.ts';

const plate = { sensorR25: 10_000, sensorBeta: 3950 };
const setting = { plate, slot: 'coil-sensor', conditions: { outdoorF: 77 } } as const;

// Source: the definition of R25 and beta: 10 000 Ω at 25 °C (77 °F); ln R is linear in 1/T.
test('at 77 °F its rated resistance is no error at all', () => {
  expect(judged(kind, { ohms: 10_000 }, setting)).toMatchObject({
    standing: 'sound',
    value: expect.closeTo(0, 6) as number,
  });
  expect(judged(kind, { ohms: 9_000 }, setting)).toMatchObject({ standing: 'watch' });
  expect(judged(kind, { ohms: 8_000 }, setting).says).toMatch(/Reads warm/);
});

test('open, shorted and jumping are findings', () => {
  const found = (ohms: number | string) => judged(kind, { ohms }, setting).because.numbers;
  expect([found('OL'), found('jumps'), found(0)]).toMatchObject([
    { found: ['open'] },
    { found: ['jumps'] },
    { found: ['shorted'] },
  ]);
});

test('a chart typed in goes before R25 and beta', () => {
  const charted = {
    ...plate,
    sensorChart: [
      { fahrenheit: 32, ohms: 30_000 },
      { fahrenheit: 77, ohms: 9_000 },
    ],
  };
  expect(judged(kind, { ohms: 9_000 }, { ...setting, plate: charted }).value).toBeCloseTo(0, 6);
});

test('a usual curve by its name serves where neither chart nor beta is known, and never before them', () => {
  const named = { sensorCurve: '10k-type-2' } as const;
  expect(judged(kind, { ohms: 10_000 }, { ...setting, plate: named }).value).toBeCloseTo(0, 6);
  const both = { ...named, sensorR25: 9000, sensorBeta: 3950 };
  expect(judged(kind, { ohms: 9_000 }, { ...setting, plate: both }).value).toBeCloseTo(0, 6);
});

test('its ohms are kept, whether or not a temperature can be made of them', () => {
  const kept = { value: null, findings: ['sensor-ohms-kept'] };
  expect(enter(kind, { ohms: 9_000 }, { ...setting, plate: {} })).toMatchObject(kept);
  expect(enter(kind, { ohms: 9_000 }, { ...setting, conditions: {} })).toMatchObject(kept);
  expect(judged(kind, { ohms: 9_000 }, { ...setting, plate: {} }).standing).toBe('unproven');
});

test('two sensors of one machine are compared by their ohms, with or without a curve', () => {
  const told = kind.tells?.({ inputs: { ohms: 12_000 }, value: null, findings: [], point: 'whole' }, { outdoorF: 70 });
  expect(told).toEqual({ outdoorF: 70, sensorOhms: 12_000 });
  const second = (ohms: number, ofPlate: object) =>
    judged(kind, { ohms }, { ...setting, plate: ofPlate, conditions: told ?? {} });
  expect(second(11_800, {}).reasons[0]?.because.numbers).toMatchObject({
    found: ['sensors-alike', 'sensor-ohms-kept'],
  });
  expect(second(9_800, {})).toMatchObject({ standing: 'watch' });
  expect(second(9_800, {}).says).toMatch(/more than 5 °F apart/);
});

// The outdoor coil is the evaporator while it heats: colder than the air, its thermistor's ohms higher. Common practice, no source.
test.each<[string, object, object, string]>([
  ['by its curve: 20 °F under the air', { runningOhms: 17_000 }, {}, 'coil-sensor-colder'],
  ['by its curve: as warm as the air', { runningOhms: 10_100 }, {}, 'coil-sensor-not-colder'],
  [
    'without a curve, beside the other one',
    { runningOhms: 17_000, airOhms: 10_000 },
    { plate: {} },
    'coil-sensor-colder',
  ],
  ['without one, no different', { runningOhms: 10_000, airOhms: 10_000 }, { plate: {} }, 'coil-sensor-not-colder'],
  ['with neither: not judged', { runningOhms: 17_000 }, { plate: {} }, 'sensor-ohms-kept'],
  [
    'a minute after the start: not judged',
    { runningOhms: 10_100 },
    { conditions: { outdoorF: 77, runningMin: 1 } },
    'just-started',
  ],
  ['open', { runningOhms: 'OL' }, {}, 'open'],
  ['shorted', { runningOhms: 0 }, {}, 'shorted'],
])('the coil’s sensor while it heats, %s', (_name, inputs, over, finding) => {
  const check = enter(kind, inputs as Inputs, { ...setting, ...over }, 'heating');
  expect(check).toMatchObject({ outcome: 'taken', value: null, findings: [finding] });
});

test('while it heats only the coil’s sensor is asked for, by whoever wants to, and the settled reading stays owed', () => {
  const heating = kind.methods.find(({ id }) => id === 'heating')!;
  const at = (slot: 'coil-sensor' | 'outdoor-sensor') => heating.points(aboutOf(kind, { ...setting, slot }));
  expect([at('coil-sensor'), at('outdoor-sensor')]).toEqual([['whole'], []]);
  expect(heating).toMatchObject({ optional: true, settles: false });
});

test('10.2 read off in kΩ is asked about', () => {
  expect(enter(kind, { ohms: 10.2 }, { conditions: { outdoorF: 77 } })).toMatchObject({
    outcome: 'questioned',
    questions: [{ numbers: { perhaps: { input: 'ohms', value: 10_200 } } }],
  });
});
