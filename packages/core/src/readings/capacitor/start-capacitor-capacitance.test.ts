import { judged } from '../../testing/reading.ts';
import { startCapacitorCapacitance as kind } from './start-capacitor-capacitance.ts';

const plate = { startCapacitorRating: '88-108 µF 330 V' };

test.each([
  [98, 'sound'],
  [90, 'watch'],
  [80, 'act'],
  [120, 'act'],
])('%f µF against its printed 88 to 108 is %s', (microfarads, standing) => {
  expect(judged(kind, { microfarads }, { plate }).standing).toBe(standing);
});

test('nothing read is open', () => {
  expect(judged(kind, { microfarads: 'OL' }, { plate }).because.numbers).toMatchObject({ found: ['open'] });
});

test('a needle shows that it lives, not how much is left', () => {
  const swept = (finding: string) =>
    judged(
      kind,
      { finding },
      { slot: 'start-capacitor', plate: { startCapacitorRating: '88-108 µF 250 V' } },
      'needle-sweep',
    );
  expect(swept('holds-charge')).toMatchObject({ standing: 'unproven' });
  expect([swept('shorted').standing, swept('open').standing]).toEqual(['act', 'act']);
});
