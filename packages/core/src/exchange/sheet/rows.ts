import { SYSTEM_KIND_NAMES, type SystemKind } from '../../equipment/system-kind.ts';
import { PLATE_NUMBERS, type ColumnUse, type PlainUse, type SheetMapping } from '../../http/imports.ts';
import type { Plate } from '../../equipment/plate.ts';
import { dayOf, type Day } from '../../quantity/day.ts';
import { own } from '../../quantity/own.ts';
import type { Conditions } from '../../readings/contract/conditions.ts';
import { readDate, readNumber, readTime } from './cells.ts';
import { measureOf, type Entry, type Measure, type SheetValue } from './measures.ts';
import { systemKindNamed } from './names.ts';
import { brought } from './units.ts';

/** A reading of a file that this app wrote: as it was entered, in what state, and on the part that was fitted on which day. */
export interface OwnReading {
  readonly entry: Entry;
  readonly conditions: Conditions;
  /** Null where nobody knows. */
  readonly fittedOn: Day | null;
}

/** A row as it was read, before anything is known of its system. */
export interface SheetRow {
  /** Line of the file, its head being the first. */
  readonly line: number;
  readonly day: Day;
  /** Minute of the day, and whether that is UTC's; null when no time was given. */
  readonly minute: number | null;
  readonly isUtc: boolean;
  readonly systemId: string;
  readonly address: string;
  readonly customer: string;
  readonly area: string;
  readonly kind: SystemKind | null;
  readonly installedOn: Day | null;
  readonly technician: string;
  readonly note: string;
  readonly plate: Plate;
  readonly outdoorF: number | null;
  readonly runningMin: number | null;
  readonly values: readonly SheetValue[];
  /** Of a file that this app wrote, which has a reading a row; null for any other. */
  readonly own: OwnReading | null;
  /** What of it could not be read, in words. */
  readonly troubles: readonly string[];
}

/** A row that cannot come in, whatever its system. */
export interface RefusedRow {
  readonly line: number;
  readonly refused: string;
}

type Cells = readonly string[];

/** No machine in service was built before. */
const EARLIEST = dayOf('1960-01-01');

/** Why nothing can have been read on a day, `today` being the last one; null when it can. */
export const outsideDays = (day: Day, today: Day): string | null =>
  day > today ? 'is still to come' : day < EARLIEST ? 'is before anything that is kept' : null;

/** A number for a unit, or what is wrong with its cell. */
function valueIn(text: string, mapping: SheetMapping, measure: Measure, unit: string): SheetValue | string | null {
  const read = readNumber(text, mapping.decimal);
  if (read.outcome === 'empty') return null;
  if (read.outcome === 'cannot-read') return `${measure.title}: ${read.why}.`;
  if (read.outcome === 'over-limit') return { measure, value: 'OL' };
  const written = read.unit || unit || measure.unit;
  const value = brought(read.value, written, measure.unit, measure.difference);
  return Number.isNaN(value)
    ? `${measure.title}: “${written}” is no unit of it (${measure.unit}).`
    : { measure, value };
}

/** What a row's columns hold, by their uses. */
class Row {
  readonly troubles: string[] = [];
  /** Columns that are read and hold something. */
  private readonly held: readonly (readonly [ColumnUse, string])[];

  constructor(
    cells: Cells,
    private readonly mapping: SheetMapping,
  ) {
    this.held = mapping.columns.flatMap((use, at) => {
      const text = use.use === 'nothing' ? '' : (cells[at] ?? '').trim();
      return text === '' ? [] : [[use, text] as const];
    });
  }

  text(use: PlainUse, most: number): string {
    const found = this.held.filter(([column]) => column.use === use);
    return found
      .map(([, text]) => text)
      .join(use === 'note' ? '; ' : ' ')
      .slice(0, most);
  }

  private unitOf(use: PlainUse): string {
    return this.mapping.columns.flatMap((c) => (c.use === use && 'unit' in c && c.unit ? [c.unit] : []))[0] ?? '';
  }

  number(use: 'outdoor' | 'running', unit: '°F' | 'min', title: string): number | null {
    const text = this.text(use, 40);
    const read = readNumber(text, this.mapping.decimal);
    if (read.outcome === 'empty') return null;
    const value = read.outcome === 'number' ? brought(read.value, read.unit || this.unitOf(use) || unit, unit) : NaN;
    if (!Number.isNaN(value)) return value;
    this.troubles.push(`${title}: “${text.slice(0, 24)}” cannot be read.`);
    return null;
  }

  values(): SheetValue[] {
    const columns = this.held.flatMap(([column, text]) => {
      const measure = column.use === 'measure' ? measureOf(column.measure) : undefined;
      return column.use === 'measure' && measure ? [valueIn(text, this.mapping, measure, column.unit ?? '')] : [];
    });
    return [...columns, this.named()].flatMap((read) => {
      if (typeof read !== 'string') return read ? [read] : [];
      this.troubles.push(read);
      return [];
    });
  }

  /** Of a file with one reading a row: its value. */
  private named(): SheetValue | string | null {
    const what = this.text('what', 120);
    const text = this.text('value', 60);
    if (what === '' || text === '') return null;
    const known = own(this.mapping.whats, what);
    const measure = known ? measureOf(known.measure) : undefined;
    if (!known || !measure) return `“${what.slice(0, 40)}” stays out.`;
    const unit = this.text('unit', 20);
    return valueIn(text, this.mapping, measure, unit === '' ? (known.unit ?? '') : unit);
  }

  plate(): Plate {
    const plate: Record<string, number | string> = {};
    for (const [column, text] of this.held) {
      if (column.use !== 'plate') continue;
      if (!(PLATE_NUMBERS as readonly string[]).includes(column.field)) {
        plate[column.field] = text.slice(0, 60);
        continue;
      }
      const read = readNumber(text, this.mapping.decimal);
      if (read.outcome === 'number') plate[column.field] = read.value;
      else if (read.outcome !== 'empty') this.troubles.push(`Plate: “${text.slice(0, 24)}” is no number.`);
    }
    return plate;
  }

  kind(): SystemKind | null {
    const text = this.text('system-kind', 60);
    const kind = text === '' ? undefined : systemKindNamed(text);
    if (text !== '' && !kind)
      this.troubles.push(`“${text}” is none of: ${Object.values(SYSTEM_KIND_NAMES).join(', ')}.`);
    return kind ?? null;
  }

  installedOn(): Day | null {
    const read = readDate(this.text('installed', 40), this.mapping.dateOrder);
    if (read.outcome === 'cannot-read') this.troubles.push(`Installed: ${read.why}.`);
    return read.outcome === 'day' && read.day >= EARLIEST ? read.day : null;
  }
}

/** Reads one row of a spreadsheet by how its columns are mapped; `today` is the last day anything can be of. */
export function readRow(cells: Cells, line: number, mapping: SheetMapping, today: Day): SheetRow | RefusedRow {
  const row = new Row(cells, mapping);
  const refused = (why: string): RefusedRow => ({ line, refused: why });
  const dated = readDate(row.text('date', 60), mapping.dateOrder);
  if (dated.outcome === 'empty') return refused('It has no date.');
  if (dated.outcome === 'cannot-read') return refused(`${dated.why}.`);
  const outside = outsideDays(dated.day, today);
  if (outside !== null) return refused(`${row.text('date', 40)} ${outside}.`);
  const address = row.text('address', 120);
  const systemId = row.text('system', 60);
  if (address === '' && systemId === '') return refused('It does not say which system.');
  const time = row.text('time', 20);
  const minute = dated.minute ?? (time === '' ? null : readTime(time));
  if (time !== '' && minute === null) row.troubles.push(`“${time}” is no time of a day.`);
  const read = {
    line,
    day: dated.day,
    minute,
    isUtc: dated.utc === true,
    systemId,
    address,
    customer: row.text('customer', 80),
    area: row.text('area', 40),
    kind: row.kind(),
    installedOn: row.installedOn(),
    technician: row.text('technician', 80),
    note: row.text('note', 500),
    plate: row.plate(),
    outdoorF: row.number('outdoor', '°F', 'Outdoor air'),
    runningMin: row.number('running', 'min', 'Minutes running'),
    values: row.values(),
    own: null,
  };
  if (read.values.length === 0) return refused(row.troubles.join(' ') || 'There is no reading in it.');
  return { ...read, troubles: row.troubles };
}
