import { readingAsKept, type LoadableFirm, type LoadableSystem } from './loadable-firm.ts';
import { dayIn, DEFAULT_POLICY, isoOf, ratingOf, sayRating, type Day, type FleetPrior } from '@yarnix/core';
import type { Knex } from 'knex';
import { inTransaction } from './transaction.ts';
import { priorOf } from './firm-prior.ts';
import { standingsOf } from '../features/parts/standings.ts';
import { digestOf } from './digest.ts';

type Rows = Record<string, Record<string, unknown>[]>;

const dateOrNull = (day: Day | null): string | null => (day === null ? null : isoOf(day));

interface Loading {
  readonly firm: LoadableFirm;
  readonly prior: FleetPrior;
}

function partRows({ firm, prior }: Loading, system: LoadableSystem): Record<string, unknown>[] {
  const living = system.parts.filter((p) => p.removedOn === null);
  const kept = system.readings.map(readingAsKept);
  const newest = Math.max(system.installedOn, ...system.visits.map((v) => dayIn(firm.zone, v.startedAt)));
  const day = firm.asOf ?? newest;
  const { standings } = standingsOf({ ...system, zone: firm.zone, components: living }, kept, day, {
    policy: DEFAULT_POLICY,
    prior,
  });
  return system.parts.map((part) => {
    const rating = ratingOf(part);
    const stands = standings.get(part.id);
    return {
      id: part.id,
      firm_id: firm.id,
      system_id: system.id,
      slot: part.slot,
      kind: part.kind,
      plate: JSON.stringify(part.plate),
      part_label: rating && sayRating(rating),
      fitted_on: dateOrNull(part.fittedOn),
      removed_on: dateOrNull(part.removedOn),
      removed_reason: part.removedReason,
      replaces: part.replaces,
      standing: stands?.standing ?? 'unproven',
      severity: stands?.severity ?? 1,
      urgency: stands?.urgency ?? 0,
      chance: stands?.chance ?? 0,
      ahead: stands?.ahead ? JSON.stringify(stands.ahead) : null,
      lead: stands?.lead ? JSON.stringify(stands.lead) : null,
    };
  });
}

const WEEK = 7;

/** How the parts of a system came to stand otherwise in the week before the firm is loaded. */
function weekChanges({ firm, prior }: Loading, system: LoadableSystem): Record<string, unknown>[] {
  const { asOf } = firm;
  const late = asOf === undefined ? [] : system.readings.filter((r) => asOf - dayIn(firm.zone, r.takenAt) <= WEEK);
  const last = late.at(-1);
  if (asOf === undefined || !last) return [];
  const parts = system.parts.filter((p) => p.removedOn === null);
  const judging = { policy: DEFAULT_POLICY, prior };
  const standings = (readings: LoadableSystem['readings']) =>
    standingsOf({ ...system, zone: firm.zone, components: parts }, readings.map(readingAsKept), asOf, judging)
      .standings;
  const before = standings(system.readings.filter((r) => !late.includes(r)));
  const after = standings(system.readings);
  return parts.flatMap(({ id }) => {
    const [was, stands] = [before.get(id)?.standing ?? 'unproven', after.get(id)?.standing ?? 'unproven'];
    const change = { firm_id: firm.id, component_id: id, from_standing: was, to_standing: stands, at: last.takenAt };
    return was === stands ? [] : [change];
  });
}

function rowsOf(loading: Loading, system: LoadableSystem): Rows {
  const { firm } = loading;
  const own = { firm_id: firm.id, system_id: system.id };
  const person = (index: number) => (firm.people[index] ?? firm.people[0])?.id;
  const personOfVisit = new Map(system.visits.map((v) => [v.id, person(v.person)]));
  return {
    customers: [{ id: system.customerId, firm_id: firm.id, name: system.customerName }],
    systems: [
      {
        id: system.id,
        firm_id: firm.id,
        customer_id: system.customerId,
        address: system.address,
        area: system.area,
        lat: system.place?.lat ?? null,
        lng: system.place?.lng ?? null,
        kind: system.kind,
        plate: JSON.stringify(system.plate),
        installed_on: isoOf(system.installedOn),
        digest: digestOf(system.id),
        created_by: person(0),
      },
    ],
    components: partRows(loading, system),
    standing_changes: weekChanges(loading, system),
    visits: system.visits.map((v) => ({
      id: v.id,
      ...own,
      person_id: person(v.person),
      started_at: v.startedAt,
      closed_at: v.closedAt,
    })),
    readings: system.readings.map((r) => ({
      id: r.id,
      ...own,
      visit_id: r.visitId,
      component_id: r.componentId,
      person_id: personOfVisit.get(r.visitId),
      kind: r.kind,
      point: r.point,
      method: r.method,
      inputs: JSON.stringify(r.inputs),
      value: r.value,
      findings: r.findings,
      conditions: JSON.stringify(r.conditions),
      confirmed: r.confirmed,
      note: null,
      taken_at: r.takenAt,
      supersedes: r.supersedes ?? null,
      digest: digestOf(r.id),
      instruments: r.instruments ? JSON.stringify(r.instruments) : null,
    })),
  };
}

/** The firm's instruments, and their checks. */
function metersOf({ id: firm_id, people, meters = [], checks = [] }: LoadableFirm): Rows {
  const person = (index: number) => (people[index] ?? people[0])?.id;
  return {
    meters: meters.map((m) => ({
      id: m.id,
      firm_id,
      person_id: person(m.person),
      kind: m.kind,
      name: m.name,
      since: isoOf(m.since),
    })),
    meter_checks: checks.map((c) => ({
      id: c.id,
      firm_id,
      meter_id: c.meterId,
      person_id: person(c.person),
      quantity: c.quantity,
      against: c.against,
      known: c.known,
      known_within: c.knownWithin,
      shown: c.shown,
      taken_at: c.takenAt,
    })),
  };
}

/** PostgreSQL takes at most 65535 parameters a statement. */
const MOST_PARAMETERS = 60_000;

async function insertAll(db: Knex, rows: Rows): Promise<void> {
  for (const [table, all] of Object.entries(rows)) {
    const width = Math.max(1, ...all.map((r) => Object.keys(r).length));
    if (all.length > 0) await db.batchInsert(table, all, Math.floor(MOST_PARAMETERS / width));
  }
}

function append(into: Rows, rows: Rows): void {
  for (const [table, all] of Object.entries(rows)) (into[table] ??= []).push(...all);
}

/**
 * Loads a firm with its whole history, each part judged as it would have been by the readings' own route.
 * All or nothing; systems are taken `batch` at a time, so that a firm of any size can be loaded.
 */
export async function loadFirm(
  db: Knex,
  firm: LoadableFirm,
  onProgress: (systems: number) => void = () => undefined,
  batch = 50,
): Promise<void> {
  const prior = priorOf(firm);
  const loading = { firm, prior };
  await inTransaction(db, async (trx) => {
    await trx('firms').insert({
      id: firm.id,
      name: firm.name,
      zone: firm.zone,
      policy: JSON.stringify(DEFAULT_POLICY),
      prior: JSON.stringify(prior),
      prior_learned_at: new Date(),
    });
    await trx('people').insert(firm.people.map((p, position) => ({ ...p, position, firm_id: firm.id })));
    await insertAll(trx, metersOf(firm));
    let waiting: Rows = {};
    let done = 0;
    for (const system of firm.systems()) {
      append(waiting, rowsOf(loading, system));
      done += 1;
      if (done % batch !== 0) continue;
      await insertAll(trx, waiting);
      waiting = {};
      onProgress(done);
    }
    await insertAll(trx, waiting);
    onProgress(done);
  });
}
