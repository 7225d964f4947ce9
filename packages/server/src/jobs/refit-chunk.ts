import {
  dayOf,
  readyToLearn,
  threadsOfSystem,
  type FleetPrior,
  type KeptReading,
  type Plate,
  type Policy,
  type ReadyThread,
  type SystemEvent,
  type SystemKind,
} from '@yarnix/core';
import type { Knex } from 'knex';
import { componentOf, standingsOf } from '../features/parts/standings.ts';
import type { PartRow } from '../features/parts/store.ts';

/** A system as a refit reads it. */
export interface RefitSystem {
  readonly id: string;
  readonly kind: SystemKind;
  readonly plate: Plate;
  readonly parts: readonly PartRow[];
  readonly events: readonly SystemEvent[];
  readonly readings: readonly KeptReading[];
}

interface ReadingLine {
  system_id: string;
  readings: (readonly [
    id: string,
    visitId: string,
    componentId: string,
    kind: string,
    point: KeptReading['point'],
    method: string,
    value: number | null,
    finding: string | null,
    takenAt: string,
    supersedes: string | null,
    conditions: KeptReading['conditions'],
    inputs: KeptReading['inputs'] | null,
  ])[];
}

const keptOf = (line: ReadingLine['readings'][number]): KeptReading => ({
  id: line[0],
  visitId: line[1],
  componentId: line[2],
  kind: line[3],
  point: line[4],
  method: line[5],
  value: line[6],
  finding: line[7],
  takenAt: line[8],
  supersedes: line[9],
  conditions: line[10],
  inputs: line[11] ?? undefined,
});

/** One line a system, so that a chunk of systems is a few hundred rows and not tens of thousands. */
const READINGS = `
  select r.system_id, json_agg(json_build_array(
    r.id, r.visit_id, r.component_id, r.kind, r.point, r.method, r.value, r.finding,
    to_char(r.taken_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'), r.supersedes, r.conditions,
    case when r.kind = 'defrost-duration' then r.inputs end
  )) as readings
  from readings r join components k on k.id = r.component_id and k.removed_on is null
  where r.system_id = any(?::uuid[])
  group by r.system_id`;

/** Reads systems whole, by their ids. */
export async function readSystems(db: Knex, ids: readonly string[]): Promise<RefitSystem[]> {
  const [systems, parts, events, readings] = await Promise.all([
    db('systems')
      .whereIn('id', [...ids])
      .select<{ id: string; kind: SystemKind; plate: Plate }[]>('id', 'kind', 'plate'),
    db<PartRow>('components')
      .whereIn('system_id', [...ids])
      .whereNull('removed_on'),
    db('system_events')
      .whereIn('system_id', [...ids])
      .where({ withdrawn: false })
      .select<{ system_id: string; kind: SystemEvent['kind']; happened_on: string }[]>(
        'system_id',
        'kind',
        'happened_on',
      ),
    db.raw<{ rows: ReadingLine[] }>(READINGS, [[...ids]]),
  ]);
  const linesOf = new Map(readings.rows.map((line) => [line.system_id, line.readings]));
  return systems.map((system) => ({
    ...system,
    parts: parts.filter((p) => p.system_id === system.id),
    events: events.filter((e) => e.system_id === system.id).map((e) => ({ kind: e.kind, day: dayOf(e.happened_on) })),
    readings: (linesOf.get(system.id) ?? []).map(keptOf),
  }));
}

/** The threads of systems that a prior can be learned from, each with its class. */
export const threadsToLearn = (
  systems: readonly RefitSystem[],
  policy: Policy,
): { threadClass: string; kind: string; ready: ReadyThread }[] =>
  systems.flatMap((system) => {
    const components = system.parts.map(componentOf);
    return threadsOfSystem({ ...system, components }, system.readings).flatMap((thread) => {
      const ready = readyToLearn(thread, policy);
      return ready ? [{ ...ready, kind: thread.kind }] : [];
    });
  });

const WRITE = `
  with fresh as (
    select * from jsonb_to_recordset(?::jsonb)
      as f(id uuid, revision int, standing text, severity smallint, urgency real, chance real, lead jsonb)
  ), changed as (
    update components k
    set standing = f.standing, severity = f.severity, urgency = f.urgency, chance = f.chance, lead = f.lead,
        revision = k.revision + 1
    from fresh f
    join components old on old.id = f.id
    where k.id = f.id and k.revision = f.revision and k.removed_on is null
      and (old.standing, old.urgency, old.chance) is distinct from (f.standing, f.urgency, f.chance)
    returning k.id, k.firm_id, old.standing as was, k.standing as stands
  )
  insert into standing_changes (firm_id, component_id, from_standing, to_standing, at)
  select firm_id, id, was, stands, ? from changed where was <> stands`;

/**
 * Judges systems as of a moment and writes what changed; a part that a reading has judged in the meantime is left as
 * that has it. Tells how many threads that took.
 */
export async function judgeSystems(
  db: Knex,
  systems: readonly RefitSystem[],
  judging: { policy: Policy; prior: FleetPrior | undefined },
  now: Date,
): Promise<number> {
  let threads = 0;
  const fresh: object[] = [];
  for (const system of systems) {
    const today = dayOf(now.toISOString());
    const parts = system.parts.map(componentOf);
    const judged = standingsOf({ ...system, parts }, system.readings, today, judging);
    threads += judged.threads;
    for (const row of system.parts) {
      const stands = judged.standings.get(row.id);
      if (stands) fresh.push({ id: row.id, revision: row.revision, ...stands });
    }
  }
  await db.raw(WRITE, [JSON.stringify(fresh), now]);
  return threads;
}
