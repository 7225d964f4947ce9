import { enter, judged } from '../../testing/reading.ts';
import { heatRise as kind } from './heat-rise.ts';

test('the rise is supply less return, and tells the readings after it', () => {
  const verdict = judged(kind, { supplyF: 99.5 }, { conditions: { returnF: 69.5 } });
  expect(verdict).toMatchObject({ value: 30, standing: 'unproven' });
  const told = kind.tells?.({ inputs: { supplyF: 99.5 }, value: 30, findings: [], point: 'whole' }, { returnF: 69.5 });
  expect(told).toEqual({ returnF: 69.5, supplyF: 99.5 });
});

test('probes the wrong way round are asked about', () => {
  expect(enter(kind, { supplyF: 65 }, { conditions: { returnF: 70 } })).toMatchObject({
    outcome: 'questioned',
    questions: expect.arrayContaining([expect.objectContaining({ code: 'does-not-fit' })]) as unknown,
  });
});
