import {
  dayOf,
  utcDayOf,
  isoOf,
  newSystemOf,
  plainAddress,
  sameReading,
  systemNames,
  tablesOf,
  type NamedSystem,
  type PartLife,
  type Plate,
  type PressureTables,
  type SheetMapping,
  type SheetReading,
  type SheetRow,
  type SheetSystem,
  type SystemNames,
} from '@yarnix/core';
import type { Knex } from 'knex';
import { v7 } from 'uuid';
import { digestOf } from '../database/digest.ts';
import { labelOf } from '../features/parts/replacement.ts';
import { componentOf } from '../features/parts/standings.ts';
import type { PartRow } from '../features/parts/store.ts';
import { refrigerantsStore } from '../features/refrigerants/store.ts';

interface KnownSystem extends NamedSystem {
  readonly customer_id: string;
  readonly plate: Plate;
}

/** What rows of a file are held against: the firm's systems, customers, people and tables. */
export interface ImportFirm {
  readonly id: string;
  readonly systems: ReadonlyMap<string, KnownSystem>;
  readonly names: SystemNames;
  /** Customers by their name; those of systems that would be made join them. */
  readonly customers: Map<string, string>;
  readonly people: readonly { readonly id: string; readonly name: string; readonly initials: string }[];
  readonly tables: PressureTables;
}

export async function importFirm(db: Knex, firmId: string): Promise<ImportFirm> {
  const systems = await db('systems as s')
    .join('customers as c', 'c.id', 's.customer_id')
    .where('s.firm_id', firmId)
    .select<KnownSystem[]>('s.id', 's.address', 'c.name as customer', 'c.id as customer_id', 's.kind', 's.plate');
  return {
    id: firmId,
    systems: new Map(systems.map((s) => [s.id, s])),
    names: systemNames(systems),
    customers: new Map(systems.map((s) => [plainAddress(s.customer), s.customer_id])),
    people: await db('people').where({ firm_id: firmId }).orderBy('position').select('id', 'name', 'initials'),
    tables: tablesOf(await refrigerantsStore(db).all({ firmId })),
  };
}

/** Somebody of the firm, by name or initials. */
export function personNamed({ people }: ImportFirm, technician: string) {
  const name = technician.trim().toLowerCase();
  return people.find((p) => p.name.toLowerCase() === name || p.initials.toLowerCase() === name);
}

/** A system with its rows, and what stands in the way of all of them. */
export interface Group {
  readonly id: string;
  readonly system: SheetSystem;
  readonly rows: readonly SheetRow[];
  /** What is written of one that would be made; null for one that is there. */
  readonly fresh: object | null;
  readonly troubles: readonly string[];
  /** Why each of its rows is asked about; null when none is. */
  readonly doubt: string | null;
  /** Readings that are there already; see `sameReading`. */
  readonly kept: Set<string>;
}

/** A system that rows of one address would make, or why they make none. */
export function freshGroup(rows: readonly SheetRow[], mapping: SheetMapping, firm: ImportFirm): Group | string {
  const made = newSystemOf(rows, mapping.newSystems);
  if (typeof made === 'string') return made;
  const id = v7();
  const { kind, plate, address, customer, area, installedOn: fittedOn, troubles } = made;
  const parts: PartLife[] = made.parts.map((part) => ({ ...part, id: v7(), fittedOn, removedOn: null }));
  const installedOn = fittedOn === null ? null : isoOf(fittedOn);
  const customerId = firm.customers.get(plainAddress(customer)) ?? v7();
  firm.customers.set(plainAddress(customer), customerId);
  const fresh = {
    id,
    customer: { id: customerId, name: customer },
    address,
    area: area === '' ? null : area,
    kind,
    plate,
    installed_on: installedOn,
    digest: digestOf(id),
    parts: parts.map((part) => ({
      id: part.id,
      slot: part.slot,
      kind: part.kind,
      plate: part.plate,
      part_label: labelOf(part.plate),
      fitted_on: installedOn,
    })),
  };
  const doubt = firm.names.doubt(kind, address);
  return { id, system: { kind, plate, parts }, rows, fresh, troubles, doubt, kept: new Set() };
}

const lifeOf = (row: PartRow): PartLife => ({
  ...componentOf(row),
  removedOn: row.removed_on === null ? null : dayOf(row.removed_on),
});

interface KeptReading {
  system_id: string;
  component_id: string;
  kind: string;
  point: SheetReading['point'];
  value: number | null;
  taken_at: Date;
}

const keyOf = (kept: KeptReading): string =>
  sameReading({ ...kept, componentId: kept.component_id }, utcDayOf(kept.taken_at.toISOString()));

function bySystem<T extends { system_id: string }>(all: readonly T[]): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const one of all) {
    const there = groups.get(one.system_id);
    if (there) there.push(one);
    else groups.set(one.system_id, [one]);
  }
  return groups;
}

/** Systems that are there, with all lives of their parts and what is kept of them. */
export async function knownGroups(
  db: Knex,
  firm: ImportFirm,
  entries: readonly (readonly [string, SheetRow[]])[],
): Promise<Group[]> {
  const ids = entries.map(([id]) => id);
  const parts = bySystem(await db<PartRow>('components').whereIn('system_id', ids));
  const readings = bySystem(
    await db('readings')
      .whereIn('system_id', ids)
      .select<KeptReading[]>('system_id', 'component_id', 'kind', 'point', 'value', 'taken_at'),
  );
  return entries.flatMap(([id, rows]): Group[] => {
    const known = firm.systems.get(id);
    if (!known) return [];
    const system = { kind: known.kind, plate: known.plate, parts: (parts.get(id) ?? []).map(lifeOf) };
    const kept = new Set((readings.get(id) ?? []).map(keyOf));
    return [{ id, system, rows, fresh: null, troubles: [], doubt: null, kept }];
  });
}
