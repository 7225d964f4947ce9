import type { ColumnUse, SheetMapping } from '../../http/imports.ts';
import { decimalOf, orderOfDates } from './cells.ts';
import { measureNamed, unitInHeading, useNamed } from './names.ts';

/** The head of a file and some of its rows. */
export interface SheetSample {
  readonly headers: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** A mapping that was kept under a name, with the head of the file it was made for. */
export interface SheetProfile {
  readonly name: string;
  readonly headers: readonly string[];
  readonly mapping: SheetMapping;
}

const NOTHING: ColumnUse = { use: 'nothing' };

/** What is measured beside the readings, and the unit it is kept in. */
const BESIDE = { outdoor: '°F', running: 'min' } as const;

const withUnit = <T extends object>(use: T, unit: string): T & { unit?: string } => (unit ? { ...use, unit } : use);

function suggested(heading: string): ColumnUse {
  const named = useNamed(heading);
  if (!named) return NOTHING;
  if (!('use' in named)) return withUnit({ use: 'measure', measure: named.id }, unitInHeading(heading, named));
  const isBeside = named.use === 'outdoor' || named.use === 'running';
  return isBeside ? withUnit(named, unitInHeading(heading, { unit: BESIDE[named.use] })) : named;
}

/** What can be in one column only: a second one that is headed so is left for whoever knows. */
const once = (columns: readonly ColumnUse[]): ColumnUse[] => {
  const seen = new Set<string>();
  return columns.map((column) => {
    const name = column.use === 'measure' ? column.measure : column.use === 'plate' ? column.field : column.use;
    if (column.use === 'note' || column.use === 'nothing') return column;
    if (seen.has(name)) return NOTHING;
    seen.add(name);
    return column;
  });
};

const column = (columns: readonly ColumnUse[], rows: SheetSample['rows'], is: (use: ColumnUse) => boolean): string[] =>
  columns.flatMap((use, at) => (is(use) ? rows.map((row) => row[at] ?? '') : []));

/** The different texts of the column of kinds, at most so many. */
const MOST_WHATS = 200;

/** What a file with one reading a row calls its readings; empty for any other file. */
export const whatsIn = (columns: readonly ColumnUse[], rows: SheetSample['rows']): string[] =>
  [...new Set(column(columns, rows, ({ use }) => use === 'what').map((text) => text.trim()))]
    .filter((text) => text !== '')
    .slice(0, MOST_WHATS);

/** What texts of a column of kinds most likely stand for; null for those that name nothing. */
export function suggestedWhats(whats: readonly string[]): SheetMapping['whats'] {
  return Object.fromEntries(
    whats.map((what) => {
      const measure = measureNamed(what);
      return [what.slice(0, 120), measure ? withUnit({ measure: measure.id }, unitInHeading(what, measure)) : null];
    }),
  );
}

/** Columns by which a file is known as one that this app wrote. */
const OWN = ['reading', 'taken_at', 'system', 'part', 'kind', 'point', 'method', 'entered'];

/** Whether a file is one that this app wrote. */
export const isOwnForm = (headers: readonly string[]): boolean => OWN.every((name) => headers.includes(name));

const plain = (header: string): string => header.trim().toLowerCase();

/** The profile whose columns a file has, all of them; the newest first. */
export const profileFor = (headers: readonly string[], profiles: readonly SheetProfile[]): SheetProfile | undefined =>
  profiles.find((profile) => profile.headers.every((header) => headers.map(plain).includes(plain(header))));

/** How a file is best read, by what a profile says of its columns, else by their names, its dates and its numbers. */
export function suggestMapping({ headers, rows }: SheetSample, zone: string, profile?: SheetProfile): SheetMapping {
  const known = profile && new Map(profile.headers.map((header, at) => [plain(header), profile.mapping.columns[at]]));
  const isOwn = isOwnForm(headers);
  const columns = isOwn
    ? headers.map(() => NOTHING)
    : once(headers.map((header) => known?.get(plain(header)) ?? (known ? NOTHING : suggested(header))));
  const whats = { ...suggestedWhats(whatsIn(columns, rows)), ...profile?.mapping.whats };
  const dates = column(columns, rows, ({ use }) => use === 'date' || use === 'installed');
  const numbers = column(columns, rows, ({ use }) => use === 'measure' || use === 'value' || use === 'outdoor');
  return {
    form: isOwn ? 'own' : 'sheet',
    columns,
    whats,
    dateOrder: profile?.mapping.dateOrder ?? orderOfDates(dates),
    decimal: profile?.mapping.decimal ?? decimalOf(numbers),
    zone: profile?.mapping.zone ?? zone,
    newSystems: profile?.mapping.newSystems ?? null,
  };
}
