import fc from 'fast-check';
import { parseCapacitorRating, type CapacitorRating } from './rating.ts';

const read = (text: string): CapacitorRating => {
  const result = parseCapacitorRating(text);
  if (result.outcome !== 'rating') throw new Error(`${text}: ${result.because} at ${result.at}`);
  return result;
};
const dual = (herm: number, fan: number) => [
  { lug: 'herm', microfarads: herm },
  { lug: 'fan', microfarads: fan },
];

// The spellings are those found on labels: common practice, no source.
describe('spellings on labels', () => {
  test.each([
    ['45+5 µF 440 VAC ±6%', dual(45, 5), 440, 6],
    ['45/5 MFD 370V', dual(45, 5), 370, null],
    ['35/5 uf 440', dual(35, 5), 440, null],
    ['35/5 uf 370/440', dual(35, 5), 440, null],
    ['30 + 5 microfarad', dual(30, 5), null, null],
    ['MFD 35 + 5', dual(35, 5), null, null],
    ['40uf +/-5% 370/440VAC 50/60Hz', [{ lug: 'single', microfarads: 40 }], 440, 5],
    ['40-5 uF', dual(40, 5), null, null],
    ['40-5 uF 370 V', dual(40, 5), 370, null],
    ['50 + 3 UF 370 V', dual(50, 3), 370, null],
    ['35/5 µF ±6 % 440 VAC', dual(35, 5), 440, 6],
    ['440VAC 45+5MFD +/-6% 50/60Hz', dual(45, 5), 440, 6],
    ['5+45 µF', dual(45, 5), null, null],
    ['30/7,5 uF 370/440 VAC', dual(30, 7.5), 440, null],
    ['80 MFD', [{ lug: 'single', microfarads: 80 }], null, null],
    ['7.5µF', [{ lug: 'single', microfarads: 7.5 }], null, null],
    ['10 MF 370 V.A.C.', [{ lug: 'single', microfarads: 10 }], 370, null],
  ])('%s', (text, sections, volts, tolerance) => {
    const rating = read(text);
    expect(rating.sections).toEqual(sections);
    expect(rating.volts).toBe(volts);
    expect(rating.tolerance?.minusPercent ?? null).toBe(tolerance);
  });

  test('a start capacitor has a range', () => {
    expect(read('88-108 µF 250V')).toMatchObject({
      form: 'start-range',
      volts: 250,
      sections: [{ lug: 'start', microfarads: 98, range: { low: 88, high: 108 } }],
    });
    expect(read('430-516 MFD 110-125V'.replace('110-125V', '125V')).sections[0]?.range).toEqual({
      low: 430,
      high: 516,
    });
  });

  test('tolerances may differ either way', () => {
    expect(read('40 µF -5+10 %').tolerance).toEqual({ minusPercent: 5, plusPercent: 10 });
    expect(read('40 µF +10/-5% 370V').tolerance).toEqual({ minusPercent: 5, plusPercent: 10 });
  });
});

describe('a dual or a range', () => {
  test.each([
    ['40-5 uF', 'hyphen-with-larger-first-is-dual'],
    ['5-40 uF', 'hyphen-with-far-apart-numbers-is-dual'],
    ['88-108 uF', 'hyphen-with-close-rising-numbers-is-range'],
    ['40+5 uF', 'plus-or-slash-joins-two-sections'],
    ['40/5 uF', 'plus-or-slash-joins-two-sections'],
    ['40 uF', 'one-number'],
  ])('%s is decided by %s', (text, decidedBy) => {
    expect(read(text).decidedBy).toBe(decidedBy);
  });

  test('what could be either is not guessed', () => {
    expect(parseCapacitorRating('40-45 uF 440 V')).toMatchObject({
      because: 'pair-or-range-unclear',
      at: 0,
      piece: '40-45 uF',
    });
    expect(parseCapacitorRating('45-45 uF')).toMatchObject({ because: 'pair-or-range-unclear' });
  });
});

describe('what cannot be read says where', () => {
  test.each([
    ['', 'nothing-written', 0],
    ['   ', 'nothing-written', 0],
    ['440 V', 'no-capacitance', 5],
    ['80', 'unit-missing', 0],
    ['45+5 µF 444', 'unit-missing', 8],
    ['45+5 µF banana', 'not-understood', 8],
    ['45+5 µF 7 µF', 'second-capacitance', 8],
    ['45+5 µF 440V 370V', 'second-volts', 13],
    ['45+5 µF ±6% 5%', 'second-tolerance', 12],
    ['0 µF', 'zero', 0],
    ['45+0 µF', 'zero', 0],
    ['450+5 µF', 'too-large', 0],
    ['40 µF ±60%', 'tolerance-too-large', 6],
    ['40 µF 12 V', 'volts-out-of-range', 6],
    ['40 nF', 'not-understood', 3],
    ['−40 µF', 'not-understood', 0],
  ])('%j: %s at %i', (text, because, at) => {
    const result = parseCapacitorRating(text);
    expect(result).toMatchObject({ outcome: 'cannot-read', because, at });
    if (result.outcome === 'cannot-read') expect(text.slice(result.at, result.at + result.length)).toBe(result.piece);
  });
});

test('a pair without a unit is read as µF and says so; a lone number is not', () => {
  expect(read('45/5 370V')).toMatchObject({ unitAssumed: true, volts: 370 });
  expect(read('45/5 MFD').unitAssumed).toBe(false);
});

const size = fc.integer({ min: 20, max: 1600 }).map((n) => n / 20);
const unit = fc.constantFrom('µF', 'μF', 'uF', 'UF', 'MFD', 'mfd', 'MF');
const joiner = fc.constantFrom('+', '/', ' + ', ' / ');
const volts = fc.constantFrom(370, 440);
const voltSpelling = fc.constantFrom('V', ' V', 'VAC', ' VAC', ' v');

test('property: any dual in any spelling comes back with its own numbers, the larger as HERM', () => {
  fc.assert(
    fc.property(size, size, unit, joiner, volts, voltSpelling, fc.boolean(), (a, b, u, j, v, spelled, voltsFirst) => {
      const capacitance = `${a}${j}${b} ${u}`;
      const text = voltsFirst ? `${v}${spelled} ${capacitance}` : `${capacitance} ${v}${spelled}`;
      expect(read(text)).toMatchObject({ form: 'dual', volts: v, sections: dual(Math.max(a, b), Math.min(a, b)) });
    }),
  );
});

test('property: whatever is written, reading ends, and a trouble lies inside the text', () => {
  fc.assert(
    fc.property(
      fc.oneof(fc.string(), fc.string({ unit: fc.constantFrom(...'0123456789.+-/± %µFuVAMFDhz') })),
      (text) => {
        const result = parseCapacitorRating(text);
        if (result.outcome === 'rating') {
          expect(result.sections.every((s) => s.microfarads > 0)).toBe(true);
        } else {
          expect(result.at + result.length).toBeLessThanOrEqual(text.length);
        }
      },
    ),
    { numRuns: 2000 },
  );
});
