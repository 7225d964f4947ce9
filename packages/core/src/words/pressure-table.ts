import { LEAST_ROWS, type RefusedTable, type TableTrouble } from '../trade/refrigerant/pressure-table.ts';

const TROUBLE_WORDS: Readonly<Record<TableTrouble, (text: string) => string>> = {
  'no-header': () => 'the first row must name the columns: temperature, bubble, dew.',
  'too-long': (text) => `${text} are more than any such table has.`,
  'wrong-unit': (text) =>
    `“${text}” does not say its unit: °F or °C for temperature; psig, psia or kPa, the same for both pressures.`,
  'missing-column': (text) => `there is no column for ${text}.`,
  hole: () => 'the cell is empty.',
  'not-a-number': (text) => `“${text}” is not a number.`,
  'too-few-rows': (text) => `only ${text} rows; at least ${LEAST_ROWS} are needed.`,
  'temperature-not-rising': () => 'the temperature is not above the one before.',
  'pressure-not-rising': () => 'the pressure is not above the one before.',
  'bubble-below-dew': () => 'the bubble point pressure is below the dew point pressure: columns swapped?',
  'below-vacuum': (text) => `${text} psig is below a full vacuum: gauge or absolute?`,
  'unlikely-units': (text) => `${text} psig at 40 °F or below: is this kPa, not psig?`,
};

/** The sentence of why a table was refused, with row and column. */
export const sayTableTrouble = (r: RefusedTable): string =>
  `Row ${r.row}${r.column === null ? '' : `, column ${r.column}`}: ${TROUBLE_WORDS[r.because](r.text)}`;
