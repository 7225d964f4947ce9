import { parseCapacitorRating, type CapacitorRating } from '../../equipment/rating.ts';
import { POLICIES } from '../../verdict/policy.ts';
import { judgeReplacement } from './judge-replacement.ts';
import { sayReplacement } from '../../words/replacement.ts';

const rating = (text: string): CapacitorRating => {
  const read = parseCapacitorRating(text);
  if (read.outcome !== 'rating') throw new Error(text);
  return read;
};
const judged = (original: string, candidate: string, school: keyof typeof POLICIES = 'printed') =>
  judgeReplacement(rating(original), rating(candidate), POLICIES[school].capacitor.replacementPercent);

// All of this: common practice, no source.
test.each([
  ['40+5 µF 370 V', '40+5 µF 440 V', 'fits'],
  ['40+5 µF 370 V', '40+5 µF 370 V', 'fits'],
  ['40+5 µF 440 V', '40+5 µF 370 V', 'refused'],
  ['40+5 µF 440 V', '42+5 µF 440 V', 'fits'],
  ['40+5 µF 440 V', '43+5 µF 440 V', 'refused'],
  ['40+5 µF 440 V', '40 µF 440 V', 'refused'],
  ['40+5 µF 440 V', '40+5 µF', 'cannot-say'],
  ['40+5 µF', '40+5 µF 440 V', 'cannot-say'],
  ['88-108 µF 250 V', '98 µF 440 V', 'refused'],
] as const)('%s replaced by %s: %s', (original, candidate, verdict) => {
  expect(judged(original, candidate).verdict).toBe(verdict);
});

test('the schools allow none, 5 or 10 %', () => {
  expect(judged('40 µF 370 V', '41 µF 370 V', 'tight').verdict).toBe('refused');
  expect(judged('40 µF 370 V', '38 µF 370 V', 'printed').verdict).toBe('fits');
  expect(judged('40 µF 370 V', '44 µF 370 V', 'wide').verdict).toBe('fits');
  expect(judged('40 µF 370 V', '44.1 µF 370 V', 'wide').verdict).toBe('refused');
});

test('lower volts refuse even where the µF are right, and the words say so first', () => {
  const verdict = judged('40+5 µF 440 V', '40+5 µF 370 V');
  expect(sayReplacement(verdict)).toBe('370 V is lower than 440 V: never fit a lower volt rating.');
  expect(sayReplacement(judged('40+5 µF 370 V', '40+5 µF 440 V'))).toContain('440 V stands in for 370 V');
});

test('every reason has words', () => {
  const all = (
    [
      ['40+5 µF', '50 µF 440 V'],
      ['40 µF 440 V', '40+5 µF'],
      ['40+5 µF 440 V', '41+5 µF 440 V'],
      ['88-108 µF', '40 µF'],
    ] as const
  ).map(([a, b]) => sayReplacement(judged(a, b)));
  expect(all.every((words) => words.length > 10)).toBe(true);
});
