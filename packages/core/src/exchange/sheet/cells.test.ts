import { isoOf } from '../../quantity/day.ts';
import { decimalOf, orderOfDates, readDate, readNumber, readTime } from './cells.ts';

describe('numbers', () => {
  test.each([
    ['38.4', '.', 38.4, ''],
    [' 38,4 µF', ',', 38.4, 'µF'],
    ['1,234.5', '.', 1234.5, ''],
    ['1.234,5', ',', 1234.5, ''],
    ['1 234,5 kPa', ',', 1234.5, 'kPa'],
    ['-3', '.', -3, ''],
    ['−3', '.', -3, ''],
    ['.5A', '.', 0.5, 'A'],
    ["'12", '.', 12, ''],
    ['12 °F', '.', 12, '°F'],
    ['110%', '.', 110, '%'],
  ] as const)('“%s” with “%s” is %d', (text, decimal, value, unit) => {
    expect(readNumber(text, decimal)).toEqual({ outcome: 'number', value, unit });
  });

  test.each([
    ['38,4', '.', 'has “,” where'],
    ['1.2.3', '.', 'more than one'],
    ['1,2,3', '.', 'has “,” where'],
    ['12,34.5', '.', 'has “,” where'],
    ['1,234.5', ',', 'mixes'],
    ['good', '.', 'no number'],
    ['12 / 13', '.', 'no number'],
  ] as const)('“%s” with “%s” is told and never guessed', (text, decimal, why) => {
    const read = readNumber(text, decimal);
    // “12 / 13” has a number and something that is no unit: it is refused where units are known.
    if (read.outcome === 'number') expect(read.unit).toBe('/ 13');
    else expect(read).toMatchObject({ outcome: 'cannot-read', why: expect.stringContaining(why) as string });
  });

  test.each(['', '  ', '-', '--', 'n/a', 'N/A', '?', 'none'])('“%s” is nothing', (text) => {
    expect(readNumber(text, '.')).toEqual({ outcome: 'empty' });
  });

  test.each(['OL', 'ol', 'O.L.', '∞', 'open'])('“%s” is over limit', (text) => {
    expect(readNumber(text, '.')).toEqual({ outcome: 'over-limit' });
  });
});

describe('dates', () => {
  const day = (text: string, order: 'ymd' | 'mdy' | 'dmy' = 'mdy') => {
    const read = readDate(text, order);
    return read.outcome === 'day' ? `${isoOf(read.day)}${read.minute === null ? '' : ` ${read.minute}`}` : read.outcome;
  };

  test.each([
    ['3/4/2024', 'mdy', '2024-03-04'],
    ['3/4/2024', 'dmy', '2024-04-03'],
    ['3.4.24', 'dmy', '2024-04-03'],
    ['2024-03-04', 'dmy', '2024-03-04'],
    ['24/03/04', 'ymd', '2024-03-04'],
    ['2/29/2024', 'mdy', '2024-02-29'],
    ['2/29/2023', 'mdy', 'cannot-read'],
    ['13/13/2024', 'mdy', 'cannot-read'],
    ['4/31/2024', 'mdy', 'cannot-read'],
    ['March 4, 2024', 'mdy', '2024-03-04'],
    ['4 Mar 2024', 'mdy', '2024-03-04'],
    ['4-Mar-24', 'mdy', '2024-03-04'],
    ['3/4/2024 2:05 PM', 'mdy', '2024-03-04 845'],
    ['3/4/2024 14:05:30', 'mdy', '2024-03-04 845'],
    ['2024-03-04T14:05', 'mdy', '2024-03-04 845'],
    ['2024-03-04T23:30:00-05:00', 'mdy', '2024-03-05 270'],
    ['3/4/2024 at noon', 'mdy', 'cannot-read'],
    ['3/4/2024 25:00', 'mdy', 'cannot-read'],
    ['yesterday', 'mdy', 'cannot-read'],
    ['', 'mdy', 'empty'],
  ] as const)('“%s” as %s is %s', (text, order, said) => {
    expect(day(text, order)).toBe(said);
  });

  test('days as spreadsheets count them', () => {
    // Common practice, no source: 45231 is shown as November 1, 2023, and a half is noon.
    expect(day('45231')).toBe('2023-11-01');
    expect(day('45231.5')).toBe('2023-11-01 720');
    expect(day('12345')).toBe('cannot-read');
  });

  test('times of a day', () => {
    expect(['12:00 am', '12:30 pm', '0:05', '13:05 pm', '7:61'].map(readTime)).toEqual([0, 750, 5, null, null]);
  });

  test('the order is made out from those that allow one only; American where all allow both', () => {
    expect(orderOfDates(['3/4/2024', '5/6/2024'])).toBe('mdy');
    expect(orderOfDates(['3/4/2024', '25/6/2024'])).toBe('dmy');
    expect(orderOfDates(['3/25/2024', '5/6/2024'])).toBe('mdy');
    expect(orderOfDates(['2024-03-04', '2024-05-06 10:00'])).toBe('ymd');
    expect(orderOfDates([])).toBe('mdy');
  });

  test('and so is the sign before the fraction', () => {
    expect(decimalOf(['38,4', '12', '7,25'])).toBe(',');
    expect(decimalOf(['38.4', '1,234', '7'])).toBe('.');
    expect(decimalOf(['1.234,5', '12'])).toBe(',');
    expect(decimalOf(['12', '13'])).toBe('.');
  });
});
