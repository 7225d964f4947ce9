import { judged } from '../../testing/reading.ts';
import { elementOhms as kind } from './element-ohms.ts';

const plate = { heatKilowatts: 10, heatVolts: 240, heatElements: 2 };

// Source: Ohm's law, R = V²/P: 5 kW at 240 V are 11.52 Ω.
test.each([
  [11.5, 'sound'],
  [12.4, 'watch'],
  [13, 'act'],
  [9, 'act'],
])('%f Ω of 11.5 is %s', (ohms, standing) => {
  expect(judged(kind, { ohms }, { plate }).standing).toBe(standing);
});

test('OL is open', () => {
  expect(judged(kind, { ohms: 'OL' }, { plate }).because.numbers).toMatchObject({ found: ['open'] });
});

test('10 kW are one element, two or four: without their number none is judged by its ohms', () => {
  const uncounted = { heatKilowatts: 10, heatVolts: 240 };
  for (const ohms of [5.8, 11.5, 23])
    expect(judged(kind, { ohms }, { plate: uncounted })).toMatchObject({
      ...{ standing: 'unproven', because: { numbers: { need: 'heat-elements' } } },
    });
});
