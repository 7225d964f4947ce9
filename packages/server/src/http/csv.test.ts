import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import { csvOf } from './csv.ts';

const read = (text: string) => parse(text, { record_delimiter: '\r\n', relax_column_count: true }) as string[][];

test('no cell begins a formula, over how many lines it may go; numbers below zero stay numbers', () => {
  const [cells] = read(csvOf([['=1+1', '+1', '-1', '@x', '\ty', '=a\nb', '\n=c', -5]]));
  expect(cells).toEqual(["'=1+1", "'+1", "'-1", "'@x", "'\ty", "'=a\nb", "'\n=c", '-5']);
  fc.assert(
    fc.property(fc.string(), (text) => {
      const [[cell = ''] = []] = read(csvOf([[text, 'end']]));
      expect(cell).not.toMatch(/^[=+\-@\t\r\n]/);
    }),
  );
});

test('an independent parser reads back what was written', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.string(), fc.integer()), { minLength: 1 }), (rows) => {
      const back = read(csvOf(rows)).map(([text = '', number]) => [
        text.replace(/^'(?=[=+\-@\t\r\n])/, ''),
        Number(number),
      ]);
      expect(back).toEqual(rows.map(([text, number]) => [text.replace(/^'(?=[=+\-@\t\r\n])/, ''), number]));
    }),
  );
});

test('nothing is nothing', () => {
  expect(csvOf([])).toBe('');
});
