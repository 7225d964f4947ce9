import {
  checkVisitRows,
  dayOf,
  isoOf,
  newSystemOf,
  plainAddress,
  ratingOf,
  readOwnRow,
  readRow,
  sameReading,
  sayRating,
  SYSTEM_KIND_NAMES,
  tablesOf,
  type CheckedRow,
  type PartLife,
  type Plate,
  type PressureTables,
  type RefusedRow,
  type SheetMapping,
  type SheetReading,
  type SheetRow,
  type SheetSystem,
  type SystemKind,
} from '@yarnix/core';
import type { Knex } from 'knex';
import { v7 } from 'uuid';
import { digestOf } from '../database/digest.ts';
import { readSheet } from '../features/imports/read-file.ts';
import { componentOf } from '../features/parts/standings.ts';
import type { PartRow } from '../features/parts/store.ts';
import { refrigerantsStore } from '../features/refrigerants/store.ts';
import { momentIn } from '../moment-in.ts';
import { chunksOf } from './slices.ts';

/** What an import comes to at most. */
const MOST_ROWS = 300_000;
/** Systems whose parts and readings are held at a time, and rows that are written at a time. */
const SYSTEMS_AT_A_TIME = 40;
const ROWS_AT_A_TIME = 2000;

/** How a check ended. */
export type CheckEnd = 'checked' | 'stopped' | { readonly failed: string };

interface KnownSystem {
  readonly id: string;
  readonly address: string;
  readonly customer: string;
  readonly customer_id: string;
  readonly kind: SystemKind;
  readonly plate: Plate;
}

interface Firm {
  readonly systems: ReadonlyMap<string, KnownSystem>;
  readonly byAddress: ReadonlyMap<string, readonly KnownSystem[]>;
  /** Customers by their name; those of systems that would be made join them. */
  readonly customers: Map<string, string>;
  readonly people: readonly { readonly id: string; readonly name: string; readonly initials: string }[];
  readonly tables: PressureTables;
}

interface Asked {
  readonly id: string;
  readonly firm_id: string;
  readonly person_id: string;
  readonly mapping: SheetMapping;
  readonly file: Buffer;
}

async function firmOf(db: Knex, firmId: string): Promise<Firm> {
  const systems = await db('systems as s')
    .join('customers as c', 'c.id', 's.customer_id')
    .where('s.firm_id', firmId)
    .select<KnownSystem[]>('s.id', 's.address', 'c.name as customer', 'c.id as customer_id', 's.kind', 's.plate');
  const byAddress = new Map<string, KnownSystem[]>();
  for (const system of systems) {
    const address = plainAddress(system.address);
    byAddress.set(address, [...(byAddress.get(address) ?? []), system]);
  }
  return {
    systems: new Map(systems.map((s) => [s.id, s])),
    byAddress,
    customers: new Map(systems.map((s) => [plainAddress(s.customer), s.customer_id])),
    people: await db('people').where({ firm_id: firmId }).orderBy('position').select('id', 'name', 'initials'),
    tables: tablesOf(await refrigerantsStore(db).all({ firmId })),
  };
}

/** Which system a row is of: one that is there, one that would be made, or why neither. */
function systemOf(row: SheetRow, firm: Firm): { known: KnownSystem } | { fresh: string } | string {
  const byId = firm.systems.get(row.systemId.toLowerCase());
  if (byId) return { known: byId };
  const address = plainAddress(row.address);
  const there = firm.byAddress.get(address) ?? [];
  const of = (is: (system: KnownSystem) => boolean) => {
    const some = there.filter(is);
    return some.length === 0 ? there : some;
  };
  const byCustomer = row.customer === '' ? there : of((s) => plainAddress(s.customer) === plainAddress(row.customer));
  const byKind = row.kind === null ? byCustomer : byCustomer.filter((s) => s.kind === row.kind);
  const [only, ...more] = byKind;
  if (only && more.length === 0) return { known: only };
  if (only) return `${byKind.length} systems have this address: give the id of the one that is meant, or its kind.`;
  // Another kind at the same address is another machine.
  return { fresh: `${address} ${row.kind ?? ''}` };
}

/** A system with its rows, and what stands in the way of all of them. */
interface Group {
  readonly id: string;
  readonly system: SheetSystem;
  readonly rows: readonly SheetRow[];
  /** What is written of one that would be made; null for one that is there. */
  readonly fresh: object | null;
  readonly troubles: readonly string[];
  /** Why each of its rows is asked about; null when none is. */
  readonly doubt: string | null;
}

const personOf = ({ people }: Firm, technician: string) => {
  const name = technician.trim().toLowerCase();
  return people.find((p) => p.name.toLowerCase() === name || p.initials.toLowerCase() === name);
};

/** A machine of another kind at an address that is known may be another one, or the same by another name. */
function doubtOf(kind: SystemKind, address: string, { byAddress }: Firm): string | null {
  const [there] = byAddress.get(plainAddress(address)) ?? [];
  if (!there) return null;
  return `At this address there is a ${SYSTEM_KIND_NAMES[there.kind]}: a ${SYSTEM_KIND_NAMES[kind]} would be made beside it.`;
}

function freshGroup(rows: readonly SheetRow[], { mapping, firm_id }: Asked, firm: Firm): Group | string {
  const made = newSystemOf(rows, mapping.newSystems);
  if (typeof made === 'string') return made;
  const id = v7();
  const fittedOn = made.installedOn;
  const parts: PartLife[] = made.parts.map((part) => ({ ...part, id: v7(), fittedOn, removedOn: null }));
  const { kind, plate, address, customer, area } = made;
  const installedOn = fittedOn === null ? null : isoOf(fittedOn);
  const customerId = firm.customers.get(plainAddress(customer)) ?? v7();
  firm.customers.set(plainAddress(customer), customerId);
  const fresh = {
    id,
    firm_id,
    customer: { id: customerId, name: customer },
    address,
    area: area === '' ? null : area,
    kind,
    plate,
    installed_on: installedOn,
    digest: digestOf(id),
    parts: parts.map((part) => {
      const rating = ratingOf(part);
      return {
        id: part.id,
        slot: part.slot,
        kind: part.kind,
        plate: part.plate,
        part_label: rating && sayRating(rating),
        fitted_on: installedOn,
      };
    }),
  };
  const doubt = doubtOf(kind, address, firm);
  return { id, system: { kind, plate, parts }, rows, fresh, troubles: made.troubles, doubt };
}

const lifeOf = (row: PartRow): PartLife => ({
  ...componentOf(row),
  removedOn: row.removed_on === null ? null : dayOf(row.removed_on),
});

interface KeptReading {
  component_id: string;
  kind: string;
  point: SheetReading['point'];
  value: number | null;
  taken_at: Date;
}

const keyOf = (kept: KeptReading): string =>
  sameReading({ ...kept, componentId: kept.component_id }, dayOf(kept.taken_at.toISOString()));

/** One row as it is written. */
interface WrittenRow {
  readonly line: number;
  readonly outcome: CheckedRow['outcome'];
  readonly chosen: boolean;
  readonly why: readonly string[];
  readonly cells: readonly string[];
  readonly prepared: object | null;
}

const MINUTE = 60_000;
/** An imported visit ends so long after its last reading, min. */
const AFTER_LAST = 1;

function visitOf(readings: readonly SheetReading[], systemId: string, personId: string) {
  const moments = readings.map((r) => Date.parse(r.takenAt));
  return {
    id: v7(),
    system_id: systemId,
    person_id: personId,
    started_at: new Date(Math.min(...moments)).toISOString(),
    closed_at: new Date(Math.max(...moments) + AFTER_LAST * MINUTE).toISOString(),
  };
}

const rowOfReading = (reading: SheetReading, isKnownPerson: boolean) => {
  const id = v7();
  return {
    id,
    component_id: reading.componentId,
    kind: reading.kind,
    point: reading.point,
    method: reading.method,
    inputs: reading.inputs,
    value: reading.value,
    findings: reading.findings,
    conditions: reading.conditions,
    confirmed: reading.confirmed,
    note: reading.note === '' ? null : reading.note,
    taken_at: reading.takenAt,
    digest: digestOf(id),
    // Read with whose instruments? Of somebody who is not known here, with none that is.
    instruments: isKnownPerson ? null : {},
  };
};

/** The check of one import, from its file to what would become of each row. */
class Check {
  private done = 0;
  private readonly outcomes = { comes: 0, questioned: 0, refused: 0 };
  private readonly waiting: WrittenRow[] = [];
  private total = 0;
  /** Systems that would be made. */
  private made = 0;
  private isStopped = false;
  private underWay: Promise<void> = Promise.resolve();
  private rows: readonly (readonly string[])[] = [];
  private readonly momentAt: (day: number, minute: number) => string;

  constructor(
    private readonly db: Knex,
    private readonly asked: Asked,
    private readonly firm: Firm,
    private readonly today: number,
  ) {
    this.momentAt = momentIn(asked.mapping.zone);
  }

  private read(cells: readonly string[], line: number, headers: readonly string[]): SheetRow | RefusedRow {
    const { mapping } = this.asked;
    return mapping.form === 'own' ? readOwnRow(headers, cells, line) : readRow(cells, line, mapping, this.today);
  }

  /** Reads every row, and puts those that can come in by system. */
  private sort(headers: readonly string[]): { known: Map<string, SheetRow[]>; fresh: Map<string, SheetRow[]> } {
    const [known, fresh] = [new Map<string, SheetRow[]>(), new Map<string, SheetRow[]>()];
    this.rows.forEach((cells, at) => {
      const line = at + 2;
      if (cells.every((cell) => cell.trim() === '')) return;
      const row = this.read(cells, line, headers);
      const where = 'refused' in row ? row.refused : systemOf(row, this.firm);
      if (typeof where === 'string' || 'refused' in row) {
        this.refuse(line, [where as string]);
        return;
      }
      const [into, key] = 'known' in where ? [known, where.known.id] : [fresh, where.fresh];
      const there = into.get(key);
      if (there) there.push(row);
      else into.set(key, [row]);
    });
    return { known, fresh };
  }

  private refuse(line: number, why: readonly string[]): void {
    this.put({ line, outcome: 'refused', chosen: false, why, prepared: null });
  }

  private put(row: Omit<WrittenRow, 'cells'>): void {
    const cells = this.rows[row.line - 2] ?? [];
    this.outcomes[row.outcome] += 1;
    this.waiting.push({ ...row, cells: cells.map((cell) => cell.slice(0, 120)) });
  }

  private async insert(some: readonly WrittenRow[]): Promise<void> {
    await this.db.raw(
      `insert into import_rows (import_id, line, outcome, chosen, why, cells, prepared)
       select ?, line, outcome, chosen, array(select jsonb_array_elements_text(why)),
         array(select jsonb_array_elements_text(cells)), nullif(prepared, 'null'::jsonb)
       from jsonb_to_recordset(?::jsonb)
         as f(line int, outcome text, chosen boolean, why jsonb, cells jsonb, prepared jsonb)`,
      [this.asked.id, JSON.stringify(some)],
    );
    this.done += some.length;
    const [row] = await this.db('imports')
      .where({ id: this.asked.id })
      .update({ done: this.done, total: this.total, beat_at: this.db.fn.now() })
      .returning<{ stopping: boolean }[]>('stopping');
    this.isStopped ||= row?.stopping ?? true;
  }

  /** Writes what waits, while the next is being checked; false once somebody wants it to stop. */
  private async write(all: boolean): Promise<boolean> {
    while (!this.isStopped && this.waiting.length > (all ? 0 : ROWS_AT_A_TIME)) {
      await this.underWay;
      this.underWay = this.insert(this.waiting.splice(0, ROWS_AT_A_TIME));
      // Whoever waits for it hears of a failure; nobody else need.
      this.underWay.catch(() => undefined);
    }
    if (all) await this.underWay;
    return !this.isStopped;
  }

  private checkVisit(rows: readonly SheetRow[], group: Group, kept: Set<string>): void {
    const given = {
      tables: this.firm.tables,
      momentAt: this.momentAt,
      isKept: (key: string) => kept.has(key),
    };
    const person = personOf(this.firm, rows[0]?.technician ?? '');
    const checked = checkVisitRows(rows, group.system, given);
    const readings = checked.flatMap((row) => row.readings);
    readings.forEach((r) => kept.add(sameReading(r, dayOf(r.takenAt))));
    const visit = readings.length > 0 && visitOf(readings, group.id, person?.id ?? this.asked.person_id);
    for (const row of checked) {
      const prepared =
        visit && row.readings.length > 0
          ? { visit, readings: row.readings.map((r) => rowOfReading(r, person !== undefined)) }
          : null;
      const isFirst = row.line === group.rows[0]?.line;
      const doubts = [...(group.doubt === null ? [] : [group.doubt]), ...(isFirst ? group.troubles : [])];
      const why = [...doubts, ...row.why];
      const outcome = row.outcome === 'comes' && doubts.length > 0 ? 'questioned' : row.outcome;
      this.put({ line: row.line, outcome, chosen: outcome === 'comes', why, prepared });
    }
  }

  /** Visits of a system: rows of one day by one person; in the order of days, so that what is kept twice is the later one. */
  private checkGroup(group: Group, kept: Set<string>): void {
    const visits = new Map<string, SheetRow[]>();
    for (const row of group.rows) {
      const key = `${row.day} ${row.technician.toLowerCase()}`;
      const there = visits.get(key);
      if (there) there.push(row);
      else visits.set(key, [row]);
    }
    const inOrder = [...visits.values()].sort(([a], [b]) => (a?.day ?? 0) - (b?.day ?? 0));
    for (const rows of inOrder)
      this.checkVisit(
        [...rows].sort((a, b) => (a.minute ?? 0) - (b.minute ?? 0)),
        group,
        kept,
      );
  }

  private async knownGroups(entries: readonly (readonly [string, SheetRow[]])[]): Promise<[Group, Set<string>][]> {
    const ids = entries.map(([id]) => id);
    const parts = await this.db<PartRow>('components').whereIn('system_id', ids);
    const readings = await this.db('readings')
      .whereIn('system_id', ids)
      .select<(KeptReading & { system_id: string })[]>(
        'system_id',
        'component_id',
        'kind',
        'point',
        'value',
        'taken_at',
      );
    const partsOf = grouped(parts);
    const readingsOf = grouped(readings);
    return entries.flatMap(([id, rows]): [Group, Set<string>][] => {
      const known = this.firm.systems.get(id);
      if (!known) return [];
      const system = { kind: known.kind, plate: known.plate, parts: (partsOf.get(id) ?? []).map(lifeOf) };
      return [
        [{ id, system, rows, fresh: null, troubles: [], doubt: null }, new Set((readingsOf.get(id) ?? []).map(keyOf))],
      ];
    });
  }

  private async checkFresh(entries: readonly (readonly [string, SheetRow[]])[]): Promise<void> {
    const made = entries.flatMap(([, rows]): Group[] => {
      const group = freshGroup(rows, this.asked, this.firm);
      if (typeof group !== 'string') return [group];
      for (const row of rows) this.refuse(row.line, [group, ...row.troubles]);
      return [];
    });
    if (made.length > 0)
      await this.db('import_systems').insert(
        made.map(({ id, fresh }) => ({ import_id: this.asked.id, system_id: id, system: JSON.stringify(fresh) })),
      );
    this.made += made.length;
    for (const group of made) this.checkGroup(group, new Set());
  }

  async run(): Promise<CheckEnd> {
    const { headers, rows } = readSheet(this.asked.file);
    if (rows.length > MOST_ROWS)
      return { failed: `It has ${rows.length} rows; at most ${MOST_ROWS} come in at a time. Bring it in parts.` };
    this.rows = rows;
    this.total = rows.filter((cells) => cells.some((cell) => cell.trim() !== '')).length;
    await this.db('import_rows').where({ import_id: this.asked.id }).delete();
    await this.db('import_systems').where({ import_id: this.asked.id }).delete();
    const { known, fresh } = this.sort(headers);
    for (const some of chunksOf([...known], SYSTEMS_AT_A_TIME)) {
      for (const [group, kept] of await this.knownGroups(some)) this.checkGroup(group, kept);
      if (!(await this.write(false))) return 'stopped';
    }
    for (const some of chunksOf([...fresh], SYSTEMS_AT_A_TIME)) {
      await this.checkFresh(some);
      if (!(await this.write(false))) return 'stopped';
    }
    if (!(await this.write(true))) return 'stopped';
    const counted = { outcomes: JSON.stringify(this.outcomes), chosen: this.outcomes.comes, systems: this.made };
    await this.db('imports').where({ id: this.asked.id }).update(counted);
    return 'checked';
  }
}

function grouped<T extends { system_id: string }>(all: readonly T[]): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const one of all) {
    const there = groups.get(one.system_id);
    if (there) there.push(one);
    else groups.set(one.system_id, [one]);
  }
  return groups;
}

/**
 * Checks every row of an import by how its columns are read: nothing comes in, and the same again comes to the same. Runs
 * on a worker thread; progress is kept in the import's row, which also carries the wish to stop.
 */
export async function checkImport(db: Knex, importId: string, now: Date): Promise<CheckEnd> {
  const asked = await db('imports')
    .where({ id: importId })
    .first<Asked | undefined>('id', 'firm_id', 'person_id', 'mapping', 'file');
  if (!asked) return 'stopped';
  return new Check(db, asked, await firmOf(db, asked.firm_id), dayOf(now.toISOString())).run();
}
