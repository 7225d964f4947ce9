import {
  NO_THREAD,
  severityOf,
  watchRowSchema,
  type Slot,
  type Standing,
  type SystemKind,
  type WatchPage,
  type WatchRow,
} from '@yarnix/core';
import type { Knex } from 'knex';
import type { Logger } from 'pino';
import type { RequestContext } from '../../identity/context.ts';
import type { Lead } from '../parts/service.ts';
import { matching, matchingAside, type WatchFilter } from './filter.ts';

interface Row {
  id: string;
  system_id: string;
  slot: Slot;
  part_label: string | null;
  standing: Standing;
  urgency: number;
  chance: number;
  lead: Lead;
  address: string;
  area: string | null;
  customer_name: string;
  system_kind: SystemKind;
  until: string | null;
  reason: string | null;
  set_by: string | null;
}

/** How a part is shown whose judgment cannot be read: where it stands, and that the reason cannot be told. */
const unreadable = (slot: Slot): Lead => ({
  kind: slot,
  point: 'whole',
  because: { code: 'not-fitted', numbers: { kind: slot } },
  also: [],
  thread: NO_THREAD,
});

const snoozeOf = (row: Row, today: string): WatchRow['snooze'] =>
  row.until !== null && row.until > today ? { until: row.until, reason: row.reason ?? '', by: row.set_by ?? '' } : null;

const rowWith = (row: Row, lead: Lead, today: string) =>
  ({
    componentId: row.id,
    systemId: row.system_id,
    slot: row.slot,
    rating: row.part_label,
    standing: row.standing,
    urgency: Number.isFinite(row.urgency) ? row.urgency : 0,
    chance: Number.isFinite(row.chance) ? row.chance : 0,
    kind: lead.kind,
    point: lead.point,
    because: lead.because,
    also: lead.also,
    thread: lead.thread,
    address: row.address,
    area: row.area,
    customerName: row.customer_name,
    systemKind: row.system_kind,
    snooze: snoozeOf(row, today),
  }) satisfies WatchRow;

/** A row as the client can read it: one part that cannot be read never costs the page the others. */
function rowOf(row: Row, today: string, log: Logger): WatchRow {
  const read = watchRowSchema.safeParse(rowWith(row, row.lead, today));
  if (read.success) return read.data;
  log.error({ component: row.id, fields: read.error.issues.map((i) => i.path.join('.')) }, 'a part cannot be read');
  return rowWith(row, unreadable(row.slot), today);
}

export const watchStore = (db: Knex, log: Logger) => ({
  async rows(context: RequestContext, filter: WatchFilter, limit: number, offset: number): Promise<WatchRow[]> {
    // The page is chosen from the narrow index first; only its rows fetch their threads.
    const page = matching(db, context, filter)
      .select('k.id')
      .orderBy([{ column: 'k.urgency', order: 'desc' }, 'k.id'])
      .limit(limit)
      .offset(offset);
    const rows = await db('components as k')
      .whereIn('k.id', page)
      .join('systems as s', 's.id', 'k.system_id')
      .join('customers as c', 'c.id', 's.customer_id')
      .leftJoin('snoozes as z', 'z.component_id', 'k.id')
      .leftJoin('people as p', 'p.id', 'z.person_id')
      .orderBy([{ column: 'k.urgency', order: 'desc' }, 'k.id'])
      .select<Row[]>(
        ...['k.id', 'k.system_id', 'k.slot', 'k.part_label', 'k.standing', 'k.urgency', 'k.chance', 'k.lead'],
        's.address',
        's.area',
        's.kind as system_kind',
        'c.name as customer_name',
        'z.until',
        'z.reason',
        'p.name as set_by',
      );
    return rows.map((row) => rowOf(row, filter.today, log));
  },

  async counts(context: RequestContext, filter: WatchFilter): Promise<Pick<WatchPage, 'matching' | 'snoozed'>> {
    const some = matching(db, context, filter).count('*').as('matching');
    const aside = matchingAside(db, context, filter).count('*').as('snoozed');
    const row = await db.first<{ matching: string; snoozed: string }>(some, aside);
    return { matching: Number(row?.matching ?? 0), snoozed: Number(row?.snoozed ?? 0) };
  },

  async living(context: RequestContext): Promise<number> {
    const [row] = await db('components')
      .where({ firm_id: context.firmId })
      .whereNull('removed_on')
      .count<{ count: string }[]>('*');
    return Number(row?.count ?? 0);
  },

  /** Capacitors to load for the rows that stand at watch or worse: like ratings counted together. */
  async load(context: RequestContext, filter: WatchFilter): Promise<WatchPage['load']> {
    const rows = await matching(db, context, filter)
      .join('systems as s', 's.id', 'k.system_id')
      .whereNotNull('k.part_label')
      .where('k.severity', '>=', severityOf('watch'))
      .groupBy('k.part_label')
      .orderBy([{ column: 'count', order: 'desc' }, 'part'])
      .limit(12)
      .select<{ part: string; count: string; addresses: string[] }[]>(
        'k.part_label as part',
        db.raw('count(*) as count'),
        db.raw('(array_agg(s.address order by k.urgency desc))[1:3] as addresses'),
      );
    return rows.map((r) => ({ ...r, count: Number(r.count) }));
  },
});
