import {
  checkVisitRows,
  dayIn,
  utcDayOf,
  readOwnRow,
  readRow,
  sameReading,
  visitsIn,
  type CheckedRow,
  type RefusedRow,
  type SheetMapping,
  type SheetReading,
  type SheetRow,
} from '@yarnix/core';
import type { Knex } from 'knex';
import { v7 } from 'uuid';
import { digestOf } from '../database/digest.ts';
import { readSheet } from '../features/imports/read-file.ts';
import { momentIn } from '../moment-in.ts';
import { freshGroup, importFirm, knownGroups, personNamed, type Group, type ImportFirm } from './import-groups.ts';
import { chunksOf } from './slices.ts';

/** What an import comes to at most. */
const MOST_ROWS = 300_000;
/** Systems whose parts and readings are held at a time, and rows that are written at a time. */
const SYSTEMS_AT_A_TIME = 40;
const ROWS_AT_A_TIME = 2000;

/** How a check ended. */
export type CheckEnd = 'checked' | 'stopped' | { readonly failed: string };

interface Asked {
  readonly id: string;
  readonly firm_id: string;
  readonly person_id: string;
  readonly mapping: SheetMapping;
  readonly file: Buffer;
}

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
    private readonly firm: ImportFirm,
    private readonly today: number,
  ) {
    this.momentAt = momentIn(asked.mapping.zone);
  }

  private read(cells: readonly string[], line: number, headers: readonly string[]): SheetRow | RefusedRow {
    const { mapping } = this.asked;
    return mapping.form === 'own'
      ? readOwnRow(headers, cells, line, this.today)
      : readRow(cells, line, mapping, this.today);
  }

  /** Reads every row, and puts those that can come in by system. */
  private sort(headers: readonly string[]): { known: Map<string, SheetRow[]>; fresh: Map<string, SheetRow[]> } {
    const [known, fresh] = [new Map<string, SheetRow[]>(), new Map<string, SheetRow[]>()];
    this.rows.forEach((cells, at) => {
      const line = at + 2;
      if (cells.every((cell) => cell.trim() === '')) return;
      const row = this.read(cells, line, headers);
      if ('refused' in row) return this.refuse(line, [row.refused]);
      const where = this.firm.names.which(row);
      if ('refused' in where) return this.refuse(line, [where.refused]);
      const [into, key] = 'known' in where ? [known, where.known] : [fresh, where.fresh];
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

  private checkVisit(rows: readonly SheetRow[], group: Group): void {
    const { kept } = group;
    const given = {
      tables: this.firm.tables,
      momentAt: this.momentAt,
      isKept: (key: string) => kept.has(key),
    };
    const person = personNamed(this.firm, rows[0]?.technician ?? '');
    const checked = checkVisitRows(rows, group.system, given);
    const readings = checked.flatMap((row) => row.readings);
    readings.forEach((r) => kept.add(sameReading(r, utcDayOf(r.takenAt))));
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

  private checkGroup(group: Group): void {
    for (const rows of visitsIn(group.rows)) this.checkVisit(rows, group);
  }

  private async checkFresh(entries: readonly (readonly [string, SheetRow[]])[]): Promise<void> {
    const made = entries.flatMap(([, rows]): Group[] => {
      const group = freshGroup(rows, this.asked.mapping, this.firm);
      if (typeof group !== 'string') return [group];
      for (const row of rows) this.refuse(row.line, [group, ...row.troubles]);
      return [];
    });
    if (made.length > 0)
      await this.db('import_systems').insert(
        made.map(({ id, fresh }) => ({ import_id: this.asked.id, system_id: id, system: JSON.stringify(fresh) })),
      );
    this.made += made.length;
    for (const group of made) this.checkGroup(group);
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
      for (const group of await knownGroups(this.db, this.firm, some)) this.checkGroup(group);
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

/**
 * Checks every row of an import by how its columns are read: nothing comes in, and the same again comes to the same. Runs
 * on a worker thread; progress is kept in the import's row, which also carries the wish to stop.
 */
export async function checkImport(db: Knex, importId: string, now: Date): Promise<CheckEnd> {
  const asked = await db('imports')
    .where({ id: importId })
    .first<Asked | undefined>('id', 'firm_id', 'person_id', 'mapping', 'file');
  if (!asked) return 'stopped';
  return new Check(db, asked, await importFirm(db, asked.firm_id), dayIn(asked.mapping.zone, now.toISOString())).run();
}
