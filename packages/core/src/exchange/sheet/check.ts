import { isReplaceable, SLOT_NAMES, type Component, type Point } from '../../equipment/component.ts';
import type { Plate } from '../../equipment/plate.ts';
import { SYSTEM_KIND_NAMES, type SystemKind } from '../../equipment/system-kind.ts';
import { dateOf, dayOf, isoOf, utcDayOf, type Day } from '../../quantity/day.ts';
import type { RowOutcome } from '../../http/imports.ts';
import { isOwn } from '../../quantity/own.ts';
import { checkEntry } from '../../readings/check-entry.ts';
import { conditionsSchema, type Conditions } from '../../readings/contract/conditions.ts';
import type { Inputs } from '../../readings/contract/entry.ts';
import { placeAt, titleOn, type Place } from '../../readings/registry.ts';
import { STOPS } from '../../round/stops.ts';
import type { PressureTables } from '../../trade/refrigerant/pressure-table.ts';
import { sayReason } from '../../words/reasons.ts';
import { sayRefusal } from '../../words/refusals.ts';
import { entriesIn } from './entries.ts';
import type { Entry } from './measures.ts';
import type { SheetRow } from './rows.ts';

/** One life of a part, as far as an import needs it. */
export interface PartLife extends Component {
  readonly id: string;
  readonly removedOn: Day | null;
}

/** A system that rows are held against. */
export interface SheetSystem {
  readonly kind: SystemKind;
  readonly plate: Plate;
  readonly parts: readonly PartLife[];
}

/** What else rows are checked by. */
export interface SheetGiven {
  readonly tables: PressureTables;
  /** The moment of a minute of a day in the file's time zone, UTC in ISO 8601. */
  readonly momentAt: (day: Day, minute: number) => string;
  /** Whether such a reading is kept already; see `sameReading`. */
  readonly isKept: (key: string) => boolean;
}

/** A reading that is ready to be kept. */
export interface SheetReading {
  readonly componentId: string;
  readonly kind: string;
  readonly point: Point;
  readonly method: string;
  readonly inputs: Inputs;
  readonly value: number | null;
  readonly findings: readonly string[];
  readonly conditions: Conditions;
  /** True where it was asked about: it comes in only when its row is chosen. */
  readonly confirmed: boolean;
  readonly takenAt: string;
  readonly note: string;
}

/** What would become of a row. */
export interface CheckedRow {
  readonly line: number;
  readonly outcome: RowOutcome;
  readonly why: readonly string[];
  readonly readings: readonly SheetReading[];
}

/** What two readings have in common that are one and the same. */
export const sameReading = (r: Pick<SheetReading, 'componentId' | 'kind' | 'point' | 'value'>, day: Day): string =>
  `${r.componentId} ${r.kind} ${r.point} ${day} ${r.value === null ? '' : Number(r.value.toPrecision(9))}`;

const FITTED_THEN = 'a new one was fitted on that day';
/** A day without an hour counts as its noon. */
const NOON = 12 * 60;

interface Found {
  readonly place: Place;
  readonly part: PartLife;
  /** What is doubtful about it, in words. */
  readonly doubt: string | null;
}

/** The lives of a part that were in on a day, the youngest first: two on the day one came for the other. */
const livesOn = (lives: readonly PartLife[], day: Day): PartLife[] =>
  lives
    .filter((life) => (life.fittedOn ?? -Infinity) <= day && day <= (life.removedOn ?? Infinity))
    .sort((a, b) => (b.fittedOn ?? -Infinity) - (a.fittedOn ?? -Infinity));

/** Where on the machine an entry was taken, or why nowhere. */
function find(entry: Entry, { kind, plate, parts }: SheetSystem, { day, own }: SheetRow): Found | string {
  let why = `this ${SYSTEM_KIND_NAMES[kind]} has no such part`;
  for (const [slot, point] of entry.at) {
    const lives = parts.filter((part) => part.slot === slot);
    const first = lives[0];
    if (!first) continue;
    const [youngest, before] = livesOn(lives, day);
    const told = own && livesOn(lives, day).find(({ fittedOn }) => fittedOn === own.fittedOn);
    const part = told ?? youngest;
    if (!part) {
      why = isReplaceable(first)
        ? `on ${dateOf(day)} the ${SLOT_NAMES[slot].toLowerCase()} that is known was not in`
        : `on ${dateOf(day)} this machine was not installed`;
      continue;
    }
    const place = placeAt(part, kind, plate, { kind: entry.kind, method: entry.method, point });
    const doubt = before && !told ? `${FITTED_THEN}: it counts as read on the new one` : null;
    if (place) return { place, part, doubt };
    why = `the ${SLOT_NAMES[slot].toLowerCase()} is not read there`;
  }
  return why;
}

const stopOf = ({ method }: Place): number => STOPS.findIndex(({ id }) => id === method.stops[0]) * 1000 + method.order;

const stated = ({ outdoorF, runningMin }: SheetRow): Conditions => {
  const read = conditionsSchema.safeParse({
    ...(outdoorF === null ? {} : { outdoorF }),
    ...(runningMin === null ? {} : { runningMin }),
  });
  return read.success ? read.data : {};
};

/** One entry of a row with where it was taken. */
interface Taken extends Found {
  readonly entry: Entry;
  readonly row: SheetRow;
}

interface Outcome {
  readonly why: string[];
  readonly readings: SheetReading[];
  isAsked: boolean;
  isKept: boolean;
}

/** Rows that are read together: a file with one reading a row has the pressure in one and the line in another. */
function takesOf(rows: readonly SheetRow[]): SheetRow[][] {
  const takes: SheetRow[][] = [];
  for (const row of rows) {
    const last = takes.at(-1);
    const names = new Set(last?.flatMap((r) => r.values.map((v) => v.measure.id)));
    if (last && !row.values.some((v) => names.has(v.measure.id))) last.push(row);
    else takes.push([row]);
  }
  return takes;
}

/** The row that has most of an entry's numbers, and the last of those: where it is told of. */
const rowOf = (entry: Entry, rows: readonly SheetRow[]): SheetRow | undefined =>
  rows.findLast((row) =>
    row.values.some((v) => v.measure.kind === entry.kind && isOwn(entry.inputs, v.measure.input)),
  ) ?? rows.at(-1);

/** Checks one reading and notes what came of it; tells the conditions that those after it were taken in. */
function keep(taken: Taken, system: SheetSystem, given: SheetGiven, told: Conditions, outcome: Outcome): Conditions {
  const { entry, part, place, row, doubt } = taken;
  const title = titleOn(place.kind, place.point, part);
  const conditions = row.own?.conditions ?? { ...told, ...stated(row) };
  const about = {
    systemKind: system.kind,
    plate: system.plate,
    component: part,
    point: place.point,
    conditions,
    tables: given.tables,
  };
  const checked = checkEntry(place.kind, place.method, entry.inputs, about);
  if (checked.outcome === 'refused') {
    outcome.why.push(`${title}: ${sayRefusal(checked.because)}`);
    return told;
  }
  const minute = row.minute ?? NOON;
  const reading: SheetReading = {
    componentId: part.id,
    kind: place.kind.id,
    point: place.point,
    method: place.method.id,
    inputs: checked.inputs,
    value: checked.value,
    findings: checked.findings,
    conditions,
    confirmed: checked.outcome === 'questioned',
    takenAt: row.isUtc ? new Date((row.day * 1440 + minute) * 60_000).toISOString() : given.momentAt(row.day, minute),
    note: row.note,
  };
  if (given.isKept(sameReading(reading, utcDayOf(reading.takenAt)))) {
    outcome.isKept = true;
    outcome.why.push(`${title}: it is kept already.`);
  } else {
    outcome.readings.push(reading);
    if (doubt !== null) outcome.why.push(`${title}: ${doubt}.`);
    if (checked.outcome === 'questioned') {
      outcome.isAsked = true;
      outcome.why.push(`${title}: ${checked.questions.map(sayReason).join(' ')}`);
    }
  }
  const tells = place.kind.tells?.({ ...reading, altitudeFt: system.plate.altitudeFt }, told);
  return tells ?? told;
}

function rowCannot(row: SheetRow, { plate: { year } }: SheetSystem): string | null {
  const before = year !== undefined && row.day < dayOf(`${year}-01-01`) - 1;
  return before ? `${isoOf(row.day)} is before ${year}, the year on the plate.` : null;
}

function checkTake(take: readonly SheetRow[], system: SheetSystem, given: SheetGiven): Map<number, Outcome> {
  const outcomes = new Map(
    take.map((row) => [row.line, { why: [...row.troubles], readings: [], isAsked: false, isKept: false }]),
  );
  const at = (row: SheetRow) => outcomes.get(row.line)!;
  const { entries, troubles } = entriesIn(take.flatMap((row) => row.values));
  const last = take.at(-1)!;
  at(last).why.push(...troubles);
  const told = take.flatMap((row) => (row.own ? [{ entry: row.own.entry, row }] : []));
  const made = entries.map((entry) => ({ entry, row: rowOf(entry, take) ?? last }));
  const found = [...told, ...made].flatMap(({ entry, row }): Taken[] => {
    const where = find(entry, system, row);
    if (typeof where !== 'string') return [{ entry, row, ...where }];
    at(row).why.push(`${entry.title}: ${where}.`);
    return [];
  });
  // As on a round: what is read at an earlier stop is known at those after it.
  found.sort((a, b) => stopOf(a.place) - stopOf(b.place));
  found.reduce((known: Conditions, taken) => keep(taken, system, given, known, at(taken.row)), {});
  return outcomes;
}

/** Whether a row without a reading of its own has its number in the reading of another row. */
const isReadWith = (row: SheetRow, take: readonly SheetRow[], outcomes: Map<number, Outcome>): boolean =>
  take.some(
    (other) =>
      other !== row &&
      outcomes
        .get(other.line)
        ?.readings.some((r) => row.values.some((v) => v.measure.kind === r.kind && isOwn(r.inputs, v.measure.input))),
  );

function checked(row: SheetRow, take: readonly SheetRow[], outcomes: Map<number, Outcome>): CheckedRow {
  const { why, readings, isAsked, isKept } = outcomes.get(row.line)!;
  if (readings.length > 0)
    return { line: row.line, outcome: isAsked || why.length > 0 ? 'questioned' : 'comes', why, readings };
  if (why.length === 0 && isReadWith(row, take, outcomes))
    return { line: row.line, outcome: 'comes', why: ['It is read together with another row.'], readings };
  const only = isKept && why.every((text) => text.endsWith('it is kept already.'));
  return { line: row.line, outcome: 'refused', why: only ? ['All of it is kept already.'] : why, readings };
}

/**
 * What would become of the rows of one visit to a system: readings, each checked by the same rules as one that is typed, in
 * the state that the rows themselves tell of.
 */
export function checkVisitRows(rows: readonly SheetRow[], system: SheetSystem, given: SheetGiven): CheckedRow[] {
  const refused = rows.flatMap((row): CheckedRow[] => {
    const why = rowCannot(row, system);
    return why === null ? [] : [{ line: row.line, outcome: 'refused', why: [why], readings: [] }];
  });
  const takes = takesOf(rows.filter((row) => rowCannot(row, system) === null));
  const read = takes.flatMap((take) => {
    const outcomes = checkTake(take, system, given);
    return take.map((row) => checked(row, take, outcomes));
  });
  return [...refused, ...read];
}
