import { brier, calibration, scoreAt, thresholdFor, type Case } from '../scripts/evaluate/score.ts';

const cut = (thread: number, visitsUntil: number | null, said: number, came: boolean): Case => ({
  thread,
  visitsUntil,
  seen: 3,
  said,
  came,
});
/** One part that goes past after three cuts, one that never does. */
const cases = [
  cut(1, 3, 0.1, false),
  cut(1, 2, 0.6, false),
  cut(1, 1, 0.9, true),
  cut(2, null, 0.2, false),
  cut(2, null, 0.7, false),
];

test('recall, precision and false flags are counted at a threshold; the lead from where a flag stays', () => {
  expect(scoreAt(cases, 0.5)).toMatchObject({ recall: 1, precision: 1 / 3, falseFlags: 2, lead: 2 });
  expect(scoreAt(cases, 0.8)).toMatchObject({ recall: 1, precision: 1, falseFlags: 0, lead: 1 });
});

test('the Brier score of certainty that comes true is nought, of a half a quarter', () => {
  expect(brier([cut(1, 1, 1, true), cut(1, null, 0, false)])).toBe(0);
  expect(brier([cut(1, 1, 0.5, true), cut(1, null, 0.5, false)])).toBe(0.25);
});

test('a threshold is found that flags as many of what came as asked', () => {
  const many = [0.9, 0.8, 0.4, 0.3].map((said) => cut(1, 1, said, true));
  expect(thresholdFor(many, 0.5)).toBe(0.8);
  expect(thresholdFor(many, 0.75)).toBe(0.4);
  expect(scoreAt(many, thresholdFor(many, 0.75)).recall).toBe(0.75);
});

test('tenths hold what was said against what came', () => {
  const tenth = calibration([cut(1, 1, 0.72, true), cut(2, null, 0.78, false)])[7]!;
  expect(tenth).toMatchObject({ cases: 2, came: 0.5 });
  expect(tenth.said).toBeCloseTo(0.75, 12);
});
