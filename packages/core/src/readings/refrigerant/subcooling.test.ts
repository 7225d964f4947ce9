import { enter, judged } from '../../testing/reading.ts';
import { subcooling as kind } from './subcooling.ts';

const plate = { refrigerant: 'r410a', metering: 'expansion-valve', targetSubcoolingF: 10 } as const;
const conditions = { outdoorF: 85, runningMin: 15 };

// Source: R-410A bubble point 110 °F at 366.5 psig (Lemmon 2003, recalled from memory).
test('366.5 psig and a 100 °F line are 10 °F: on target', () => {
  expect(judged(kind, { psig: 366.5, lineF: 100 }, { plate, conditions })).toMatchObject({
    standing: 'sound',
    value: expect.closeTo(10, 1) as number,
  });
  expect(judged(kind, { psig: 366.5, lineF: 106 }, { plate, conditions }).says).toMatch(/Little liquid/);
});

test('a liquid line warmer than it condenses at is asked about', () => {
  expect(enter(kind, { psig: 300, lineF: 120 }, { plate, conditions })).toMatchObject({
    outcome: 'questioned',
    questions: [
      expect.objectContaining({ numbers: expect.objectContaining({ doubt: 'liquid-above-condensing' }) as unknown }),
      expect.anything(),
    ],
  });
});

test.each([
  [{ conditions: { ...conditions, chargeDoubt: 'raining' } }, /does not count now/],
  [{ conditions: { ...conditions, runningMin: 5 } }, /not run long enough/],
  [{ plate: { ...plate, metering: 'fixed-orifice' as const } }, /charged by superheat/],
])('kept, not judged: %j', (over, says) => {
  const verdict = judged(kind, { psig: 366.5, lineF: 100 }, { plate, conditions, ...over });
  expect(verdict.standing).toBe('unproven');
  expect(verdict.says).toMatch(says);
});

test('without a plate target 8 to 14 °F is usual (common practice, no source)', () => {
  const bare = { refrigerant: 'R-410A', metering: 'expansion-valve' } as const;
  expect(judged(kind, { psig: 366.5, lineF: 104 }, { plate: bare, conditions }).says).toMatch(/8 to 14 usual/);
});

test('an unknown refrigerant needs its supplier’s table, and with one it is like any other; an estimate says so', () => {
  const odd = { ...plate, refrigerant: 'R-438A' };
  expect(enter(kind, { psig: 200, lineF: 90 }, { plate: odd })).toMatchObject({
    because: { numbers: { snag: 'unknown-refrigerant' } },
  });
  const points = [60, 80, 100, 120, 140].map((fahrenheit, i) => ({
    fahrenheit,
    bubblePsig: 100 + 60 * i,
    dewPsig: 80 + 55 * i,
  }));
  const tables = { 'R-438A': { points, estimate: true, source: 'test' } };
  const setting = { plate: odd, conditions, tables };
  expect(enter(kind, { psig: 220, lineF: 90 }, setting)).toMatchObject({
    outcome: 'taken',
    value: expect.closeTo(10, 6) as number,
  });
  expect(
    kind.plateLine({
      plate: odd,
      tables,
      point: 'liquid',
      systemKind: 'split-heat-pump',
      component: { slot: 'refrigerant-circuit', kind: 'refrigerant-circuit', plate: {}, fittedOn: null },
    }),
  ).toMatch(/estimated data/);
});
