import Papa from 'papaparse';
import { ProblemError } from '../../http/problems.ts';

/** A spreadsheet as text in rows; the first is its head. */
export interface SheetFile {
  readonly headers: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Columns a file may have, and characters a cell: what is beyond is no sheet of readings. */
const MOST_COLUMNS = 300;
const LONGEST_CELL = 2000;
const DELIMITERS = [';', '\t', '|', ','] as const;

/** What parts the columns: whatever makes the most of the head, which no decimal comma can mislead. */
function delimiterOf(text: string): string {
  const columns = (delimiter: string): number =>
    Papa.parse<string[]>(text, { delimiter, preview: 1 }).data[0]?.length ?? 0;
  return DELIMITERS.reduce((best: string, other) => (columns(other) > columns(best) ? other : best), DELIMITERS[0]);
}

/** Some spreadsheets say in a line before the head what parts the columns: "sep=;". The text without it, and what it says. */
function withoutMark(text: string): [text: string, delimiter: string | null] {
  const [mark, delimiter] = /^sep=([;,|\t])\r?\n/i.exec(text) ?? [];
  return mark === undefined ? [text, null] : [text.slice(mark.length), delimiter ?? null];
}

/** The text of a file: UTF-8 or UTF-16 by its mark, UTF-8 where it can be that, else as Windows writes it. */
function textOf(bytes: Buffer): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** What a database cannot keep, and nobody can see. */
// eslint-disable-next-line no-control-regex -- these are what is meant
const UNSEEN = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/g;

/** Headings as they are, but none of them empty and no two alike: profiles know columns by them. */
function headings(row: readonly string[]): string[] {
  const seen = new Map<string, number>();
  return row.map((cell, at) => {
    const heading = cell.trim().slice(0, 120) || `Column ${at + 1}`;
    const before = seen.get(heading) ?? 0;
    seen.set(heading, before + 1);
    return before === 0 ? heading : `${heading} (${before + 1})`;
  });
}

const unreadable = (detail: string): ProblemError => new ProblemError('file-unreadable', detail);

/** Reads a file of comma-, semicolon- or tab-separated values; `most`: only so many rows of it. */
export function readSheet(bytes: Buffer, most = 0): SheetFile {
  const text = textOf(bytes);
  if (text.startsWith('PK\u0003\u0004') || text.startsWith('%PDF'))
    throw unreadable('This is no CSV file. Save the sheet as CSV and bring that.');
  const [plain, told] = withoutMark(text.replace(/^\ufeff/, ''));
  const parsed = Papa.parse<string[]>(plain, {
    delimiter: told ?? delimiterOf(plain),
    ...(most > 0 ? { preview: most + 1 } : {}),
  });
  const all = parsed.data.map((row) => row.map((cell) => cell.replace(UNSEEN, '').slice(0, LONGEST_CELL)));
  const [head, ...rows] = all;
  if (!head || head.every((cell) => cell.trim() === ''))
    throw unreadable('There are no column headings in its first row.');
  if (head.length > MOST_COLUMNS)
    throw unreadable(`It has ${head.length} columns; at most ${MOST_COLUMNS} can be read.`);
  if (rows.every((row) => row.every((cell) => cell.trim() === '')))
    throw unreadable('There is nothing below its headings.');
  return { headers: headings(head), rows };
}
