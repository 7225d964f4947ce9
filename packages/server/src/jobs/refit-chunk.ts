import {
  dayIn,
  happened,
  READING_KINDS,
  readyToLearn,
  threadsOfSystem,
  type Day,
  type FleetPrior,
  type MeterCheck,
  type Plate,
  type Policy,
  type Reading,
  type ReadyThread,
  type SetAside,
  type SystemEvent,
  type SystemKind,
} from '@yarnix/core';
import type { Knex } from 'knex';
import { checkOf, type MadeCheck } from '../features/meters/checks.ts';
import { componentOf, standingsOf } from '../features/parts/standings.ts';
import type { PartRow } from '../features/parts/store.ts';
import type { PreviewRow } from '../features/schools/store.ts';

/** A system as a refit reads it. */
export interface RefitSystem {
  readonly id: string;
  readonly kind: SystemKind;
  readonly plate: Plate;
  /** Time zone that its days are of. */
  readonly zone: string;
  readonly parts: readonly PartRow[];
  readonly events: readonly SystemEvent[];
  readonly readings: readonly Reading[];
}

interface ReadingLine {
  system_id: string;
  readings: (readonly [
    id: string,
    visitId: string,
    componentId: string,
    kind: string,
    point: Reading['point'],
    method: string,
    value: number | null,
    findings: readonly string[],
    takenAt: string,
    supersedes: string | null,
    conditions: Reading['conditions'],
    inputs: Reading['inputs'] | null,
    ruling: Reading['ruling'],
    instrument: Reading['instrument'],
  ])[];
}

const keptOf = (line: ReadingLine['readings'][number]): Reading => ({
  id: line[0],
  visitId: line[1],
  componentId: line[2],
  kind: line[3],
  point: line[4],
  method: line[5],
  value: line[6],
  findings: line[7],
  takenAt: line[8],
  supersedes: line[9],
  conditions: line[10],
  inputs: line[11] ?? undefined,
  ruling: line[12],
  instrument: line[13],
});

/** Kinds that are judged by more than their value and what was found: how they are brought to like conditions, or by school. */
const BY_INPUTS = READING_KINDS.filter((kind) =>
  kind.type === 'number' ? kind.likeForLike?.byInputs : kind.bySchool !== undefined,
).map((k) => k.id);

/** One line a system, so that a chunk of systems is a few hundred rows and not tens of thousands. */
const READINGS = `
  select r.system_id, json_agg(json_build_array(
    r.id, r.visit_id, r.component_id, r.kind, r.point, r.method, r.value, r.findings,
    to_char(r.taken_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'), r.supersedes, r.conditions,
    case when r.kind = any(?::text[]) then r.inputs end, r.ruling,
    coalesce(r.instruments, to_jsonb(r.person_id::text))
  )) as readings
  from readings r join components k on k.id = r.component_id and k.removed_on is null
  where r.system_id = any(?::uuid[])
  group by r.system_id`;

/** Reads systems whole, by their ids. */
export async function readSystems(db: Knex, ids: readonly string[]): Promise<RefitSystem[]> {
  const [systems, parts, events, readings] = await Promise.all([
    db('systems as s')
      .join('firms as f', 'f.id', 's.firm_id')
      .whereIn('s.id', [...ids])
      .select<{ id: string; kind: SystemKind; plate: Plate; zone: string }[]>('s.id', 's.kind', 's.plate', 'f.zone'),
    db<PartRow>('components')
      .whereIn('system_id', [...ids])
      .whereNull('removed_on'),
    db('system_events')
      .whereIn('system_id', [...ids])
      .where({ withdrawn: false })
      .select<{ id: string; system_id: string; kind: SystemEvent['kind']; happened_on: string }[]>(
        'id',
        'system_id',
        'kind',
        'happened_on',
      ),
    db.raw<{ rows: ReadingLine[] }>(READINGS, [BY_INPUTS, [...ids]]),
  ]);
  const linesOf = new Map(readings.rows.map((line) => [line.system_id, line.readings]));
  return systems.map((system) => ({
    ...system,
    parts: parts.filter((p) => p.system_id === system.id),
    events: events
      .filter((e) => e.system_id === system.id)
      .map((e) => happened({ ...e, on: e.happened_on }, system.zone)),
    readings: (linesOf.get(system.id) ?? []).map(keptOf),
  }));
}

/** A firm's checks of meters against something known; those that are known already may be left out. */
export async function readChecks(db: Knex, firmId: string, but: readonly string[] = []): Promise<MeterCheck[]> {
  const { zone } = await db('firms').where({ id: firmId }).first<{ zone: string }>('zone');
  const rows = await db('meter_checks')
    .where({ firm_id: firmId })
    .whereNotIn('id', [...but])
    .orderBy(['taken_at', 'id'])
    .select<(Omit<MadeCheck, 'takenAt'> & { takenAt: Date })[]>(
      'meter_id as meterId',
      'quantity',
      'against',
      'known',
      'known_within as knownWithin',
      'shown',
      'taken_at as takenAt',
    );
  return rows.map((row) => checkOf({ ...row, takenAt: row.takenAt.toISOString() }, zone));
}

interface ToLearn {
  readonly threadClass: string;
  readonly kind: string;
  readonly ready: ReadyThread;
}

function threadsIn(system: RefitSystem, policy: Policy): ToLearn[] {
  const components = system.parts.map(componentOf);
  return threadsOfSystem({ ...system, components }, system.readings).flatMap((thread) => {
    const ready = readyToLearn(thread, policy);
    return ready ? [{ ...ready, kind: thread.kind }] : [];
  });
}

/** The threads of systems that a prior can be learned from, each with its class. */
export const threadsToLearn = (systems: readonly RefitSystem[], policy: Policy): ToLearn[] =>
  systems.flatMap((system) => {
    try {
      return threadsIn(system, policy);
    } catch {
      // It is told of when it is judged; here it only teaches nothing.
      return [];
    }
  });

const WRITE = `
  with fresh as (
    select * from jsonb_to_recordset(?::jsonb)
      as f(id uuid, revision int, standing text, severity smallint, urgency real, chance real, ahead jsonb, lead jsonb)
  ), changed as (
    update components k
    set standing = f.standing, severity = f.severity, urgency = f.urgency, chance = f.chance, ahead = f.ahead, lead = f.lead,
        revision = k.revision + 1
    from fresh f
    join components old on old.id = f.id
    where k.id = f.id and k.revision = f.revision and k.removed_on is null
      and (old.standing, old.urgency, old.chance, old.ahead) is distinct from (f.standing, f.urgency, f.chance, f.ahead)
    returning k.id, k.firm_id, old.standing as was, k.standing as stands
  )
  insert into standing_changes (firm_id, component_id, from_standing, to_standing, at)
  select firm_id, id, was, stands, ? from changed where was <> stands`;

/** What came of judging some systems. */
export interface JudgedChunk {
  readonly threads: number;
  readonly setAside: readonly SetAside[];
}

const CANNOT_FIT = 'a figure in it is beyond what can be reckoned with';

/** How the parts of one system stand; what cannot be fitted, a thread or the whole of it, is told and costs no other system anything. */
function judgeSystem(
  system: RefitSystem,
  judging: { policy: Policy; prior: FleetPrior | undefined },
  today: Day,
): JudgedChunk & { fresh: object[] } {
  try {
    const judged = standingsOf(
      { ...system, components: system.parts.map(componentOf) },
      system.readings,
      today,
      judging,
    );
    const fresh = system.parts.flatMap((row) => {
      const stands = judged.standings.get(row.id);
      return stands ? [{ id: row.id, revision: row.revision, ...stands }] : [];
    });
    const setAside = judged.notFitted.map((t) => ({ ...t, systemId: system.id, why: CANNOT_FIT }));
    return { threads: judged.threads, setAside, fresh };
  } catch {
    const whole = {
      systemId: system.id,
      componentId: null,
      kind: null,
      point: null,
      why: 'it cannot be judged at all',
    };
    return { threads: 0, setAside: [whole], fresh: [] };
  }
}

/** What would stand otherwise of some systems' parts. */
export interface ComparedChunk {
  readonly parts: number;
  readonly changes: PreviewRow['changes'];
}

/** Which living parts would stand otherwise by other schools, as of a moment; nothing is written. */
export function compareSystems(
  systems: readonly RefitSystem[],
  { policy, draft, prior }: { policy: Policy; draft: Policy; prior: FleetPrior | undefined },
  now: Date,
): ComparedChunk {
  const changes: PreviewRow['changes'] = [];
  let parts = 0;
  for (const system of systems) {
    const today = dayIn(system.zone, now.toISOString());
    const judged = { ...system, components: system.parts.map(componentOf) };
    const by = (schools: Policy) => standingsOf(judged, system.readings, today, { policy: schools, prior }).standings;
    // What cannot be judged at all is told by a refit; it stands the same by any school.
    const [was, would] = attempt(() => [by(policy), by(draft)] as const) ?? [];
    parts += system.parts.length;
    for (const { id, slot } of system.parts) {
      const [from, to] = [was?.get(id)?.standing, would?.get(id)?.standing];
      if (from && to && from !== to) changes.push({ systemId: system.id, componentId: id, slot, from, to });
    }
  }
  return { parts, changes };
}

function attempt<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch {
    return undefined;
  }
}

/**
 * Judges systems as of a moment and writes what changed, all of them or none; a part that a reading has judged in the
 * meantime is left as that has it. Tells how many threads that took, and which could not be fitted.
 */
export async function judgeSystems(
  db: Knex,
  systems: readonly RefitSystem[],
  judging: { policy: Policy; prior: FleetPrior | undefined },
  now: Date,
): Promise<JudgedChunk> {
  const judged = systems.map((system) => judgeSystem(system, judging, dayIn(system.zone, now.toISOString())));
  await db.raw(WRITE, [JSON.stringify(judged.flatMap((j) => j.fresh)), now]);
  return {
    threads: judged.reduce((sum, j) => sum + j.threads, 0),
    setAside: judged.flatMap((j) => j.setAside),
  };
}
