import { isKnownRefrigerant, isMildlyFlammable, refrigerantName } from './known-refrigerants.ts';
import { sayTableTrouble } from '../../words/pressure-table.ts';
import { readPressureTable, type PressureTables } from './pressure-table.ts';
import { saturationPressure, saturationTemperature } from './saturation.ts';

/** A table of R-410A as a supplier would print it, made from the built-in curve: whole tenths every 10 °F. */
const rows = (step = 10): string[][] => [
  ['Temperature (°F)', 'Bubble (psig)', 'Dew (psig)'],
  ...Array.from({ length: Math.floor(120 / step) + 1 }, (_, i) => i * step).map((fahrenheit) => [
    String(fahrenheit),
    ...(['bubble', 'dew'] as const).map((side) => {
      const read = saturationPressure({ refrigerant: 'R-410A', fahrenheit, side });
      return read.outcome === 'value' ? read.psig.toFixed(1) : '';
    }),
  ]),
];
const tablesFrom = (cells: string[][]): PressureTables => {
  const read = readPressureTable(cells);
  if (read.outcome === 'refused') throw new Error(sayTableTrouble(read));
  return { 'R-999': { points: read.points, estimate: false, source: 'test' } };
};

test('a loaded table answers like the built-in curve it was printed from, between its rows too', () => {
  const tables = tablesFrom(rows());
  for (const fahrenheit of [0, 3, 27.5, 44, 88, 117, 120]) {
    for (const side of ['bubble', 'dew'] as const) {
      const built = saturationPressure({ refrigerant: 'R-410A', fahrenheit, side });
      const loaded = saturationPressure({ refrigerant: 'R-999', fahrenheit, side, tables });
      if (built.outcome !== 'value' || loaded.outcome !== 'value') throw new Error('cannot say');
      expect(Math.abs(loaded.psig - built.psig)).toBeLessThan(0.35);
      const back = saturationTemperature({ refrigerant: 'R-999', psig: loaded.psig, side, tables });
      expect(back).toMatchObject({ outcome: 'value', fahrenheit: expect.closeTo(fahrenheit, 6) as number });
    }
  }
});

test('nothing is said beyond the table, and gauges read against the air of the site', () => {
  const tables = tablesFrom(rows());
  expect(saturationPressure({ refrigerant: 'R-999', fahrenheit: 121, side: 'dew', tables })).toEqual({
    outcome: 'cannot-say',
    because: 'outside-the-table',
  });
  expect(saturationTemperature({ refrigerant: 'R-999', psig: 1, side: 'dew', tables }).outcome).toBe('cannot-say');
  const at = (altitudeFt: number) => {
    const read = saturationPressure({ refrigerant: 'R-999', fahrenheit: 40, side: 'dew', tables, altitudeFt });
    return read.outcome === 'value' ? read.psig : NaN;
  };
  // Source: ASHRAE Handbook Fundamentals, standard atmosphere: 14.696 psi at sea level, 12.23 at 5000 ft.
  expect(at(5000) - at(0)).toBeCloseTo(14.696 - 12.228, 1);
});

test('°C and kPa absolute are read as well', () => {
  const kpa = (psig: string | undefined) => ((Number(psig) + 14.696) * 6.894757).toFixed(2);
  const metric = rows().map(([warm = '', bubble, dew], i) =>
    i === 0 ? ['Temp °C', 'Bubble kPa', 'Dew kPa'] : [((Number(warm) - 32) / 1.8).toFixed(4), kpa(bubble), kpa(dew)],
  );
  const psig = (tables: PressureTables) => {
    const read = saturationPressure({ refrigerant: 'R-999', fahrenheit: 44, side: 'bubble', tables });
    return read.outcome === 'value' ? read.psig : NaN;
  };
  expect(psig(tablesFrom(metric))).toBeCloseTo(psig(tablesFrom(rows())), 1);
});

const broken = (change: (cells: string[][]) => void): string => {
  const cells = rows().map((row) => [...row]);
  change(cells);
  const read = readPressureTable(cells);
  return read.outcome === 'refused' ? sayTableTrouble(read) : 'taken';
};
const set = (row: number, column: number, text: string) => (cells: string[][]) => {
  const line = cells[row - 1];
  if (line) line[column - 1] = text;
};

test.each<[string, (cells: string[][]) => void, RegExp]>([
  ['a hole', set(4, 2, ' '), /^Row 4, column 2: the cell is empty/],
  ['a word', set(5, 3, 'n/a'), /^Row 5, column 3: “n\/a” is not a number/],
  ['temperature that falls', set(6, 1, '12'), /^Row 6, column 1: the temperature is not above/],
  ['pressure that falls', set(7, 3, '20'), /^Row 7, column 3: the pressure is not above/],
  ['swapped columns', set(4, 2, '40'), /^Row 4, column 2: the bubble point pressure is below/],
  ['no unit for pressure', set(1, 2, 'Bubble'), /^Row 1, column 2: “Bubble” does not say its unit/],
  ['two units', set(1, 3, 'Dew (kPa)'), /^Row 1, column 3/],
  ['no unit for temperature', set(1, 1, 'Temperature'), /^Row 1, column 1/],
  ['no dew column', set(1, 3, 'Density (psig)'), /^Row 1, column 3: there is no column for dew/],
  ['below vacuum', set(2, 3, '-20'), /^Row 2, column 3: −?-?20/],
  ['kPa called psig', set(3, 2, '880'), /^Row 3, column 2: 880 psig at 40 °F or below: is this kPa/],
  ['four rows', (cells) => void cells.splice(5), /only 4 rows/],
  [
    'no header',
    (cells) => void cells.splice(0, cells.length, ['a', 'b'], ['1', '2']),
    /first row must name the columns/,
  ],
])('refused with row and column: %s', (_name, change, says) => {
  expect(broken(change)).toMatch(says);
});

test('empty rows are passed over', () => {
  expect(broken((cells) => void cells.splice(3, 0, ['', '', '']))).toBe('taken');
});

test('names of refrigerants as they stand on plates', () => {
  expect(['r410a', 'R 410A', 'HFC-410a', '410A'].map(refrigerantName)).toEqual([
    'R-410A',
    'R-410A',
    'R-410A',
    'R-410A',
  ]);
  expect(['R134A', 'r-22', 'R 32'].map(refrigerantName)).toEqual(['R-134a', 'R-22', 'R-32']);
  expect(refrigerantName(' something else ')).toBe('something else');
  expect(isKnownRefrigerant('R-410A')).toBe(true);
  expect(isKnownRefrigerant('R-999')).toBe(false);
  expect(isKnownRefrigerant('R-999', tablesFrom(rows()))).toBe(true);
  expect(isMildlyFlammable('R-32')).toBe(true);
});

test('a cell of a million spaces, or far too many rows and columns, is refused at once', () => {
  const wide = ' '.repeat(1_000_000);
  // Read by a pattern that backtracks, one of them would take an hour.
  for (const cell of [`Temp${wide}x`, `Bubble kPa${wide}`, `${wide}°`, `psi${wide}`]) {
    expect(readPressureTable([[cell, 'Bubble', 'Dew'], ...rows().slice(1)])).toMatchObject({
      because: 'too-long',
      row: 1,
    });
  }
  expect(readPressureTable([...rows(), ...Array<string[]>(3000).fill(['1', '2', '3'])])).toMatchObject({
    because: 'too-long',
  });
  expect(readPressureTable([Array<string>(99).fill('psig'), ...rows().slice(1)])).toMatchObject({
    because: 'too-long',
  });
});
