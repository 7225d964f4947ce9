import { KPA_A_PSI, SEA_LEVEL_KPA } from '../air/standard-atmosphere.ts';

/** One line of a supplier's table: °F, and gauge pressures at sea level, psig. */
export interface PressurePoint {
  readonly fahrenheit: number;
  readonly bubblePsig: number;
  readonly dewPsig: number;
}

/** A refrigerant known by its supplier's pressure–temperature table. */
export interface PressureTable {
  readonly points: readonly PressurePoint[];
  /** True when the figures are an estimate and not the supplier's own. */
  readonly estimate: boolean;
  /** Where the figures come from, in the words of whoever loaded them. */
  readonly source: string;
}

/** Tables by the name of their refrigerant. */
export type PressureTables = Readonly<Record<string, PressureTable>>;

export type TableTrouble =
  | 'no-header'
  | 'too-long'
  | 'wrong-unit'
  | 'missing-column'
  | 'hole'
  | 'not-a-number'
  | 'too-few-rows'
  | 'temperature-not-rising'
  | 'pressure-not-rising'
  | 'bubble-below-dew'
  | 'below-vacuum'
  | 'unlikely-units';

export type ReadTable =
  | { readonly outcome: 'table'; readonly points: readonly PressurePoint[] }
  | {
      readonly outcome: 'refused';
      readonly because: TableTrouble;
      /** Row and column as a spreadsheet counts them, from 1; column null when the whole row is meant. */
      readonly row: number;
      readonly column: number | null;
      readonly text: string;
    };

/** A table that was refused, with where and why. */
export type RefusedTable = Extract<ReadTable, { outcome: 'refused' }>;
const refused = (because: TableTrouble, row: number, column: number | null, text = ''): RefusedTable => ({
  outcome: 'refused',
  because,
  row,
  column,
  text,
});

/** Fewer rows are no table. */
export const LEAST_ROWS = 5;
/** No supplier's table has more rows or columns, nor a cell so many characters: that is another file. */
const MOST_ROWS = 2000;
const MOST_COLUMNS = 60;
const MOST_CHARACTERS = 80;
const FULL_VACUUM = -SEA_LEVEL_KPA / KPA_A_PSI;
/** No refrigerant met here is above this at 40 °F, psig: higher figures are kPa or absolute. Common practice, no source. */
const MOST_AT_40F = 400;

interface Columns {
  readonly temperature: number;
  readonly bubble: number;
  readonly dew: number;
  readonly celsius: boolean;
  readonly toPsig: (value: number) => number;
}

const PRESSURE_UNITS: readonly (readonly [RegExp, (value: number) => number])[] = [
  [/psi ?g?(?!a)\b/i, (v) => v],
  [/psia/i, (v) => v + FULL_VACUUM],
  [/kpa ?\(? ?g/i, (v) => v / KPA_A_PSI],
  [/kpa/i, (v) => v / KPA_A_PSI + FULL_VACUUM],
];

function columnsOf(header: readonly string[]): Columns | RefusedTable {
  const find = (pattern: RegExp) => header.findIndex((cell) => pattern.test(cell));
  const [temperature, bubble, dew] = [find(/temp|° ?[FC]/i), find(/bubble|liquid/i), find(/dew|vapou?r/i)];
  if (temperature < 0 && bubble < 0 && dew < 0) return refused('no-header', 1, null, header.join(','));
  const missing = [temperature, bubble, dew].findIndex((at) => at < 0);
  if (missing >= 0) return refused('missing-column', 1, missing + 1, ['temperature', 'bubble', 'dew'][missing]);
  const warm = header[temperature] ?? '';
  if (!/[°( ] ?[FC]\b|fahrenheit|celsius/i.test(warm)) return refused('wrong-unit', 1, temperature + 1, warm);
  const units = [bubble, dew].map((at) => PRESSURE_UNITS.find(([pattern]) => pattern.test(header[at] ?? '')));
  const unknown = units.findIndex((u) => u === undefined);
  const [first] = units;
  if (unknown >= 0 || !first) {
    const at = unknown === 1 ? dew : bubble;
    return refused('wrong-unit', 1, at + 1, header[at]);
  }
  if (units[1] !== first) return refused('wrong-unit', 1, dew + 1, header[dew]);
  return { temperature, bubble, dew, celsius: /[°( ] ?C\b|celsius/i.test(warm), toPsig: first[1] };
}

/** What is too large to be such a table, before any of it is read. */
function tooLong(rows: readonly (readonly string[])[]): RefusedTable | null {
  if (rows.length > MOST_ROWS) return refused('too-long', MOST_ROWS + 1, null, `${rows.length} rows`);
  for (const [index, cells] of rows.entries()) {
    if (cells.length > MOST_COLUMNS) return refused('too-long', index + 1, null, `${cells.length} columns`);
    const at = cells.findIndex((cell) => cell.length > MOST_CHARACTERS);
    if (at >= 0) return refused('too-long', index + 1, at + 1, `${cells[at]?.length} characters`);
  }
  return null;
}

const numberIn = (cell: string): number => Number(cell.trim().replace(/[−–]/g, '-').replace(',', '.'));

function pointOf(cells: readonly string[], row: number, columns: Columns): PressurePoint | RefusedTable {
  const at = [columns.temperature, columns.bubble, columns.dew];
  const hole = at.find((column) => (cells[column] ?? '').trim() === '');
  if (hole !== undefined) return refused('hole', row, hole + 1);
  const wrong = at.find((column) => !Number.isFinite(numberIn(cells[column] ?? '')));
  if (wrong !== undefined) return refused('not-a-number', row, wrong + 1, cells[wrong]);
  const [warm = NaN, bubble = NaN, dew = NaN] = at.map((column) => numberIn(cells[column] ?? ''));
  return {
    fahrenheit: columns.celsius ? warm * 1.8 + 32 : warm,
    bubblePsig: columns.toPsig(bubble),
    dewPsig: columns.toPsig(dew),
  };
}

/** What is wrong with a point, alone or after the one before it. */
function troubleWith(
  point: PressurePoint,
  before: PressurePoint | undefined,
  row: number,
  c: Columns,
): RefusedTable | null {
  if (point.bubblePsig <= FULL_VACUUM) return refused('below-vacuum', row, c.bubble + 1, point.bubblePsig.toFixed(1));
  if (point.dewPsig <= FULL_VACUUM) return refused('below-vacuum', row, c.dew + 1, point.dewPsig.toFixed(1));
  // A rounding of the last digit may put a pure fluid's two columns the wrong way round.
  if (point.bubblePsig < point.dewPsig - 0.15) return refused('bubble-below-dew', row, c.bubble + 1);
  if (point.fahrenheit <= 40 && point.bubblePsig > MOST_AT_40F) {
    return refused('unlikely-units', row, c.bubble + 1, point.bubblePsig.toFixed(0));
  }
  if (!before) return null;
  if (point.fahrenheit <= before.fahrenheit) return refused('temperature-not-rising', row, c.temperature + 1);
  if (point.bubblePsig <= before.bubblePsig) return refused('pressure-not-rising', row, c.bubble + 1);
  return point.dewPsig <= before.dewPsig ? refused('pressure-not-rising', row, c.dew + 1) : null;
}

/**
 * Reads a supplier's pressure–temperature table from the cells of a CSV file: a header naming temperature (°F or °C),
 * bubble and dew pressure (psig, psia, kPa absolute, or kPa gauge where it says so), then one row a temperature, rising. Empty rows are passed over.
 * RefusedTable with row and column (from 1) for holes, words, wrong units, figures that do not rise, or a bubble point
 * pressure below the dew point's.
 */
export function readPressureTable(rows: readonly (readonly string[])[]): ReadTable {
  const long = tooLong(rows);
  if (long) return long;
  const header = rows[0]?.map((cell) => cell.trim().replace(/\s+/g, ' '));
  if (!header) return refused('no-header', 1, null);
  const columns = columnsOf(header);
  if ('outcome' in columns) return columns;
  const points: PressurePoint[] = [];
  for (const [index, cells] of rows.entries()) {
    if (index === 0 || cells.every((cell) => cell.trim() === '')) continue;
    const point = pointOf(cells, index + 1, columns);
    if ('outcome' in point) return point;
    const trouble = troubleWith(point, points.at(-1), index + 1, columns);
    if (trouble) return trouble;
    points.push(point);
  }
  return points.length < LEAST_ROWS
    ? refused('too-few-rows', rows.length, null, String(points.length))
    : { outcome: 'table', points };
}
