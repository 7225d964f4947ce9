import type { z } from 'zod';
import { chartPointSchema, sensorPointSchema, type Plate } from '../equipment/plate.ts';
import type { Unit } from '../quantity/unit.ts';
import { decimalOf, readNumber } from './sheet/cells.ts';
import { unitInHeading } from './sheet/names.ts';
import { brought } from './sheet/units.ts';

/** A chart of a plate that a manufacturer prints as a table. */
export type ChartName = 'sensorChart' | 'heatingChart';

/** What came of reading a file: its points as the plate record keeps them, or why there are none. */
export type ReadChart<Name extends ChartName> =
  | { readonly outcome: 'chart'; readonly points: NonNullable<Plate[Name]> }
  | { readonly outcome: 'refused'; readonly why: string };

interface Column {
  readonly field: string;
  readonly called: RegExp;
  readonly name: string;
  readonly unit: Unit;
  readonly isNeeded: boolean;
}

interface Chart {
  readonly columns: readonly Column[];
  readonly most: number;
  readonly schema: z.ZodType;
  /** Which way each column but the first goes as the first rises; 0 where nothing is known of it. */
  readonly goes: 1 | -1;
}

const CHARTS: Readonly<Record<ChartName, Chart>> = {
  sensorChart: {
    columns: [
      { field: 'fahrenheit', called: /temp|°/i, name: 'temperature', unit: '°F', isNeeded: true },
      { field: 'ohms', called: /ohm|Ω|ω|resist/i, name: 'resistance', unit: 'Ω', isNeeded: true },
    ],
    most: 40,
    schema: sensorPointSchema,
    // These sensors lose resistance as they warm; one that gains it is no chart of theirs.
    goes: -1,
  },
  heatingChart: {
    columns: [
      { field: 'outdoorF', called: /outdoor|ambient|temp|°/i, name: 'outdoor air', unit: '°F', isNeeded: true },
      { field: 'suctionPsig', called: /suction|vapou?r|low/i, name: 'suction pressure', unit: 'psig', isNeeded: false },
      {
        field: 'liquidPsig',
        called: /liquid|head|discharge|high/i,
        name: 'liquid pressure',
        unit: 'psig',
        isNeeded: false,
      },
    ],
    most: 20,
    schema: chartPointSchema,
    goes: 1,
  },
};

const refused = (why: string) => ({ outcome: 'refused', why }) as const;

interface Placed extends Column {
  readonly at: number;
  readonly written: string;
}

function placed({ columns }: Chart, header: readonly string[]): Placed[] | string {
  const taken = new Set<number>();
  const found: Placed[] = [];
  // What is named most plainly is looked for first: "suction" and "liquid" before "temp".
  for (const column of [...columns].reverse()) {
    const at = header.findIndex((cell, i) => !taken.has(i) && column.called.test(cell));
    if (at < 0 && column.isNeeded) return `No column of its head is the ${column.name}.`;
    if (at < 0) continue;
    const written = unitInHeading(header[at] ?? '', column);
    if (written === '')
      return `The head of the ${column.name}, “${(header[at] ?? '').slice(0, 40)}”, names no unit of it.`;
    taken.add(at);
    found.push({ ...column, at, written });
  }
  return found.length < 2 ? 'Its head names one column only.' : found.reverse();
}

/** Points in the order of the first column, each further on in every other: what a chart of nature does. */
function disorder(
  points: readonly Record<string, number>[],
  [first, ...others]: readonly Placed[],
  goes: 1 | -1,
): string | null {
  for (const [at, point] of points.entries()) {
    const before = points[at - 1];
    if (!before || !first) continue;
    if (before[first.field] === point[first.field])
      return `The ${first.name} ${point[first.field]} ${first.unit} is there twice.`;
    const wrong = others.find(({ field }) => {
      const [a, b] = [before[field], point[field]];
      return a !== undefined && b !== undefined && (b - a) * goes <= 0;
    });
    if (wrong)
      return `At ${point[first.field]} ${first.unit} the ${wrong.name} does not ${goes > 0 ? 'rise' : 'fall'}. A slip, or columns mixed up?`;
  }
  return null;
}

/**
 * Reads a manufacturer's chart from the rows of a CSV file, its head first: outdoor air with suction and liquid pressure, or
 * temperature with resistance, each with its unit in its heading (°F or °C; psig, kPa or bar; Ω or kΩ). Points come in the
 * order of temperature, in °F, psig and Ω. Refused with where and why; nothing is left out or mended.
 */
export function readChart<Name extends ChartName>(name: Name, rows: readonly (readonly string[])[]): ReadChart<Name> {
  const chart = CHARTS[name];
  const [header = [], ...all] = rows;
  const columns = placed(chart, header);
  if (typeof columns === 'string') return refused(columns);
  const lines = all
    .map((cells, i) => ({ cells, row: i + 2 }))
    .filter(({ cells }) => cells.some((c) => c.trim() !== ''));
  if (lines.length < 2) return refused('It has fewer than two rows.');
  if (lines.length > chart.most) return refused(`It has ${lines.length} rows; at most ${chart.most} are kept.`);
  const decimal = decimalOf(lines.flatMap(({ cells }) => columns.map(({ at }) => cells[at] ?? '')));
  const points: Record<string, number>[] = [];
  for (const { cells, row } of lines) {
    const point: Record<string, number> = {};
    for (const { field, at, unit, written, isNeeded, name: called } of columns) {
      const read = readNumber(cells[at] ?? '', decimal);
      if (read.outcome === 'empty' && !isNeeded) continue;
      if (read.outcome !== 'number')
        return refused(`Row ${row}, ${called}: “${(cells[at] ?? '').slice(0, 24)}” is no number.`);
      point[field] = Number(brought(read.value, read.unit === '' ? written : read.unit, unit).toPrecision(6));
    }
    const kept = chart.schema.safeParse(point);
    if (!kept.success) return refused(`Row ${row}: ${kept.error.issues[0]?.message ?? 'cannot be'}.`);
    points.push(point);
  }
  const [first] = columns;
  points.sort((a, b) => (a[first?.field ?? ''] ?? 0) - (b[first?.field ?? ''] ?? 0));
  const wrong = disorder(points, columns, chart.goes);
  return wrong === null ? { outcome: 'chart', points: points as NonNullable<Plate[Name]> } : refused(wrong);
}
