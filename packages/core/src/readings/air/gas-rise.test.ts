import { enter, judged } from '../../testing/reading.ts';
import { gasRise as kind } from './gas-rise.ts';

const system = 'gas-furnace-with-coil';
const plate = { gasRiseLowF: 35, gasRiseHighF: 65 };
const conditions = { returnF: 68, runningMin: 12 };

// The rise must lie inside the range on the furnace's own plate.
test.each([
  [118, 'sound'],
  [132, 'watch'],
  [140, 'act'],
  [98, 'act'],
])('supply at %f °F is %s', (supplyF, standing) => {
  expect(judged(kind, { supplyF }, { system, plate, conditions }).standing).toBe(standing);
});

test('without a range on the plate it is only recorded; without return air it cannot be worked out', () => {
  expect(judged(kind, { supplyF: 118 }, { system, plate: {}, conditions }).says).toMatch(/No rise range/);
  expect(enter(kind, { supplyF: 118 }, { system, plate })).toMatchObject({
    because: { numbers: { snag: 'no-return-air' } },
  });
});

test('supply no warmer than return is asked about', () => {
  expect(enter(kind, { supplyF: 60 }, { system, plate, conditions }).outcome).toBe('questioned');
});

test('three minutes after the start no rise condemns a furnace', () => {
  const early = { ...conditions, runningMin: 3 };
  expect(judged(kind, { supplyF: 98 }, { system, plate, conditions: early })).toMatchObject({ standing: 'unproven' });
});
