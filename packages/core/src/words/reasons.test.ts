import { dayOf } from '../quantity/day.ts';
import type { Because, Refusal } from '../verdict/reasons.ts';
import { sayChance, sayNumber, sayPercent, sayQuantity } from './figures.ts';
import { reasonLine, sayOwnShare, sayReason } from './reasons.ts';
import { sayRefusal } from './refusals.ts';

const plain = (text: string) => text.replace(/\u00a0/g, ' ');
const say = (because: Because) => plain(sayReason(because));

test('numbers as a technician reads them', () => {
  expect(plain(sayQuantity(38.43, 'µF'))).toBe('38.4 µF');
  expect(sayNumber(0.914, 'A')).toBe('0.91');
  expect(sayNumber(15.62, 'A')).toBe('15.6');
  expect(sayNumber(4.756, 'µF')).toBe('4.76');
  expect(sayNumber(240.6, 'V')).toBe('241');
  expect(plain(sayPercent(-3.4))).toBe('3 %');
  expect(plain(sayPercent(0.42))).toBe('0.4 %');
});

test.each([
  [0.01, 'under 1 in 10'],
  [0.3, '3 in 10'],
  [0.84, '8 in 10'],
  [0.99, 'over 9 in 10'],
])('a chance of %f is %s', (chance, words) => {
  expect(sayChance(chance)).toBe(words);
});

test('a sentence gives the number, the limit and the reason', () => {
  expect(
    say({
      code: 'against-rating',
      numbers: { value: 38.7, nominal: 40, limit: 38, side: 'lower', position: 'within' },
    }),
  ).toBe('38.7 µF, 3 % under 40.0; limit 38.0 (−5 %).');
  expect(
    say({ code: 'against-rating', numbers: { value: 43, nominal: 40, limit: 42.4, side: 'upper', position: 'past' } }),
  ).toContain('Wrong part fitted, or the meter?');
  expect(
    say({
      code: 'against-rated-load',
      numbers: {
        value: 15.6,
        nominal: 19.9,
        limit: 19.9,
        side: 'upper',
        position: 'within',
        figure: 'RLA',
        derived: false,
      },
    }),
  ).toBe('15.6 A, 78 % of RLA 19.9.');
});

test('a trend is told in two sentences', () => {
  const words = say({
    code: 'trend',
    numbers: {
      chance: 0.81,
      expected: 36.9,
      low80: 36.1,
      high80: 37.7,
      limit: 37.6,
      side: 'lower',
      day: dayOf('2027-04-15'),
      perYear: -0.6,
      perYearPercent: -1.5,
      readings: 6,
      ownSharePercent: 70,
      fleet: 140,
      bends: false,
      relative: true,
      unit: 'µF',
    },
  });
  expect(words).toBe(
    '8 in 10 to be under 37.6 µF by April 2027. Down 1.5 % a year over 6 readings; expected 36.9, between 36.1 and 37.7.',
  );
});

test('a question offers the value with its point moved', () => {
  const asked = (perhaps: { input: string; label: string; value: number }) =>
    say({ code: 'far-from-plausible', numbers: { value: 400, low: 10, high: 52, unit: 'µF', perhaps } });
  expect(asked({ input: 'microfarads', label: '', value: 40 })).toBe(
    '400.0 µF? 10.0 to 52.0 would be likely here. Did you mean 40?',
  );
  expect(asked({ input: 'psig', label: 'Suction pressure', value: 118 })).toContain(
    'Did you mean suction pressure 118?',
  );
});

test('every refusal tells what to do', () => {
  const all: Refusal[] = [
    { code: 'empty', numbers: {} },
    { code: 'not-a-number', numbers: { text: 'forty' } },
    { code: 'negative', numbers: { value: -3, unit: 'A' } },
    { code: 'negative', numbers: { value: -200, unit: '°F' } },
    { code: 'beyond-any-meter', numbers: { value: 1e9, unit: 'µF', limit: 2000 } },
    { code: 'no-over-limit-here', numbers: {} },
    { code: 'unknown-choice', numbers: { text: 'purple' } },
    { code: 'unknown-field', numbers: { text: 'mood' } },
    { code: 'no-volts-across', numbers: {} },
  ];
  expect(new Set(all.map(sayRefusal)).size).toBe(all.length);
  expect(sayRefusal(all[1]!)).toBe('“forty” is not a number. Type digits, such as 38.4.');
});

test('every other reason has a sentence that holds its numbers', () => {
  const base = { value: 8, baseline: 15, offPercent: -46.7, from: 'first-sound' as const, unit: 'A' as const };
  const all: Because[] = [
    { code: 'rating-unknown', numbers: { text: '' } },
    { code: 'rating-unknown', numbers: { text: 'smudge' } },
    { code: 'fla-unknown', numbers: { part: 'blower' } },
    { code: 'no-plate-limit-for-wire', numbers: { point: 'run' } },
    { code: 'finding', numbers: { found: ['section-open'], point: 'herm' } },
    { code: 'finding', numbers: { found: ['section-shorted'], point: 'fan' } },
    { code: 'finding', numbers: { found: ['section-holds'], point: 'fan' } },
    { code: 'as-it-was', numbers: { ...base, offPercent: 0.1 } },
    { code: 'as-it-was', numbers: { ...base, offPercent: 4 } },
    { code: 'off-baseline', numbers: base },
    { code: 'far-below-usual', numbers: base },
    { code: 'blocked-air', numbers: { ...base, motor: 'psc' } },
    { code: 'no-baseline-yet', numbers: { readings: 0 } },
    { code: 'heat-added', numbers: { amps: 20.8, volts: 240, btuh: 17_034, ofCooling: null } },
    { code: 'not-fitted', numbers: { kind: 'superheat' } },
    { code: 'is-the-baseline', numbers: { value: 41.4, unit: 'µF' } },
    { code: 'is-the-baseline', numbers: { value: 2.3, unit: 'A', inThisState: true } },
    { code: 'trend-too-short', numbers: { readings: 1, least: 2, by: 'bench' } },
    { code: 'trend-without-limit', numbers: { perYear: 0.2, readings: 4, unit: 'A' } },
    { code: 'odd-point', numbers: { value: 4, expected: 40, chance: 0.4, unit: 'µF' } },
    {
      code: 'trend-open',
      numbers: { chance: 0.4, readings: 2, limit: 37.6, side: 'lower', by: 'bench', unit: 'µF' },
    },
    { code: 'stepped', numbers: { from: 40, to: 38.1, after: 20_000, by: 20_190, unit: 'µF' } },
    { code: 'three-wires-agree', numbers: { expected: 13, value: 13 } },
    { code: 'three-wires-miss', numbers: { expected: 13, value: 16, offPercent: 23 } },
    { code: 'doubtful-volts', numbers: { volts: 240, lineVolts: 240, expectedAtLeast: 276 } },
    {
      code: 'against-nominal-volts',
      numbers: { value: 257, nominal: 240, limit: 256, side: 'upper', position: 'past' },
    },
    {
      code: 'against-nominal-volts',
      numbers: { value: 226, nominal: 240, limit: 208, side: 'lower', position: 'nearing' },
    },
  ];
  const sentences = all.map(say);
  // What is said with weight is a clause of its own, and no mark of punctuation is lost between it and the rest.
  for (const [head, rest] of all.map(reasonLine)) expect(head === '' || /^[;:.?]/.test(rest)).toBe(true);
  expect(new Set(sentences).size).toBe(all.length);
  expect(sentences.every((s) => /[.?]$/.test(s) && !/undefined|NaN/.test(s))).toBe(true);
});

test('how much of an outlook is the part’s own: a share, or that its readings leave it open', () => {
  const numbers = { ownSharePercent: 62.4, fleet: 69 } as Parameters<typeof sayOwnShare>[0];
  expect(sayOwnShare(numbers)).toMatch(
    /^62\s% of what is known of its pace comes from its own readings, the rest from 69/,
  );
  expect(sayOwnShare({ ...numbers, ownSharePercent: 0 })).toBe(
    'Its own readings leave more than one pace open; 69 like threads of this firm say which is likely.',
  );
  expect(sayOwnShare({ ...numbers, ownSharePercent: 0, fleet: 0 })).toContain('what is usual says which is likely');
});
