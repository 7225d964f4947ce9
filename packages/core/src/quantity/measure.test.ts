import fc from 'fast-check';
import { parseMeasure, refuseNumber, refuseWorkedOut } from './measure.ts';
import { CEILING, FINEST, FLOOR } from './unit.ts';

describe('parseMeasure', () => {
  test.each([
    ['38.4', 38.4],
    ['38,4', 38.4],
    [' 241 ', 241],
    ['.5', 0.5],
    ['7.', 7],
    ['+5', 5],
    ['0', 0],
  ])('reads %j', (text, value) => {
    expect(parseMeasure(text, 'µF')).toEqual({ outcome: 'number', value });
  });

  test.each([
    ['', 'empty'],
    ['   ', 'empty'],
    ['NaN', 'not-a-number'],
    ['Infinity', 'not-a-number'],
    ['1e9', 'not-a-number'],
    ['12 34', 'not-a-number'],
    ['1.2.3', 'not-a-number'],
    ['forty', 'not-a-number'],
    ['0x10', 'not-a-number'],
    ['-3', 'negative'],
    ['1000000000', 'beyond-any-meter'],
  ])('refuses %j as %s', (text, code) => {
    expect(parseMeasure(text, 'A')).toMatchObject({ outcome: 'refused', because: { code } });
  });

  test('takes OL only where a meter may show it', () => {
    expect(parseMeasure('ol', 'µF', true)).toEqual({ outcome: 'over-limit' });
    expect(parseMeasure('OL', 'A')).toMatchObject({ because: { code: 'no-over-limit-here' } });
  });

  test.each([
    ['61k', 61_000],
    ['0.352 k', 352],
    ['1,2M', 1_200_000],
    ['11.5 Ω', 11.5],
    ['12 ohms', 12],
  ])('reads ohms as a meter shows them: %j', (text, value) => {
    expect(parseMeasure(text, 'Ω', true)).toEqual({ outcome: 'number', value });
    expect(parseMeasure('61k', 'V')).toMatchObject({ because: { code: 'not-a-number' } });
  });

  test.each(['0L', '0l', '>1M', '> 20 M'])('reads %j as OL', (text) => {
    expect(parseMeasure(text, 'Ω', true)).toEqual({ outcome: 'over-limit' });
  });

  test('takes a dash for a minus', () => {
    expect(parseMeasure('\u221212', '°F')).toEqual({ outcome: 'number', value: -12 });
    expect(parseMeasure('\u20133.5', 'psig')).toEqual({ outcome: 'number', value: -3.5 });
  });

  test('takes frost outdoors, but not colder than the world gets', () => {
    expect(parseMeasure('-12', '°F')).toEqual({ outcome: 'number', value: -12 });
    expect(parseMeasure('-200', '°F')).toMatchObject({ because: { code: 'negative' } });
  });

  test('never gives a number that its unit cannot hold, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        const read = parseMeasure(text, 'V', true);
        if (read.outcome === 'number') expect(refuseNumber(read.value, 'V')).toBeUndefined();
      }),
    );
  });

  test('reads back every value it could have been given', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 200_000 }), (hundredths) => {
        const value = hundredths / 100;
        expect(parseMeasure(value.toFixed(2), 'µF')).toEqual({ outcome: 'number', value: Number(value.toFixed(2)) });
      }),
    );
  });
});

test('refuseNumber holds numbers against the floor and the ceiling of their unit', () => {
  expect(refuseNumber(NaN, 'A')).toMatchObject({ code: 'not-a-number' });
  expect(refuseNumber(FLOOR.V, 'V')).toBeUndefined();
  expect(refuseNumber(CEILING.V, 'V')).toBeUndefined();
  expect(refuseNumber(CEILING.V + 1, 'V')).toMatchObject({ code: 'beyond-any-meter', numbers: { limit: CEILING.V } });
});

test('a figure finer than any meter shows is refused where it is read, zero is not, and worked-out values may be small', () => {
  expect(refuseNumber(1e-300, 'V')).toMatchObject({ code: 'finer-than-any-meter' });
  expect(refuseNumber(-FINEST / 2, '°F')).toMatchObject({ code: 'finer-than-any-meter' });
  expect(refuseNumber(0, 'V')).toBeUndefined();
  expect(refuseNumber(FINEST, 'V')).toBeUndefined();
  expect(refuseWorkedOut(1e-17, '°F')).toBeUndefined();
  expect(refuseWorkedOut(1.3e306, 'µF')).toMatchObject({ code: 'beyond-any-meter' });
});
