import { judged } from '../../testing/reading.ts';
import { heatingPressure as kind } from './heating-pressure.ts';

const plate = {
  refrigerant: 'R-410A',
  heatingChart: [
    { outdoorF: 40, suctionPsig: 90, liquidPsig: 300 },
    { outdoorF: 50, suctionPsig: 110, liquidPsig: 320 },
  ],
};
const conditions = { outdoorF: 45, runningMin: 15 };

test('held against the manufacturer’s chart at this weather, between its points', () => {
  expect(judged(kind, { psig: 100 }, { plate, conditions, point: 'suction' }).standing).toBe('sound');
  expect(judged(kind, { psig: 310 }, { plate, conditions, point: 'liquid' }, 'liquid-gauge').standing).toBe('sound');
  const low = judged(kind, { psig: 80 }, { plate, conditions, point: 'suction' });
  expect(low.standing).toBe('act');
  expect(low.says).toMatch(/93 to 107 on the manufacturer’s chart/);
});

test('no chart, weather outside it, or no time to settle: recorded, not judged', () => {
  const says = (over: object) => judged(kind, { psig: 80 }, { plate, conditions, point: 'suction', ...over });
  expect(says({ plate: { refrigerant: 'R-410A' } })).toMatchObject({ standing: 'unproven' });
  expect(says({ conditions: { outdoorF: 20, runningMin: 15 } }).says).toMatch(/outside the heating chart/);
  expect(says({ conditions: { outdoorF: 45, runningMin: 4 } }).says).toMatch(/not run long enough/);
});
