import {
  LIKELY,
  TELLING_ON_WATCH,
  severityOf,
  type Because,
  type JobSource,
  type LeftByCall,
  type Outcome,
  type PutOffReason,
  type Slot,
  type Standing,
  type SystemKind,
} from '@yarnix/core';
import type { Knex } from 'knex';
import { anyOf } from '../../database/any-of.ts';
import type { RequestContext } from '../../identity/context.ts';

/** Which jobs are asked for. */
export interface Asked {
  readonly systemId?: string | undefined;
  readonly area?: string | undefined;
  /** Only these systems. */
  readonly systemIds?: readonly string[] | undefined;
  /** Only these jobs, by their keys. */
  readonly keys?: readonly string[] | undefined;
}

/** Where and whose a job is. */
export interface Place {
  readonly system_id: string;
  readonly address: string;
  readonly area: string | null;
  readonly customer_name: string;
  readonly system_kind: SystemKind;
}

export interface PartRow extends Place {
  readonly id: string;
  readonly slot: Slot;
  readonly part_label: string | null;
  readonly standing: Standing;
  readonly chance: number;
  readonly kind: string;
  readonly point: string;
  readonly because: Because;
}
export interface CallRow extends Place {
  readonly id: string;
  readonly outcome: Outcome & { readonly is: LeftByCall };
  readonly started_at: Date;
}
export interface OwedRow extends Place {
  readonly id: string;
  readonly slot: Slot;
  readonly kind: string;
  readonly point: string;
  readonly reason: PutOffReason;
  readonly note: string | null;
  readonly due_on: string;
}
export interface HandRow extends Place {
  readonly id: string;
  readonly task: string;
  readonly by_when: string;
  readonly minutes: number;
}
/** Where a system is and whose, in a query of systems `s` and customers `c`. */
export const PLACED = ['s.address', 's.area', 's.kind as system_kind', 'c.name as customer_name'] as const;
/** Parts are asked for by their urgency, and so many at most. */
const MOST_PARTS = 3000;

/** Which rows of a source are asked for by keys of jobs; undefined where all are. */
export const namedOf = (source: JobSource, { keys }: Asked): string[] | undefined =>
  keys?.flatMap((key) => (key.startsWith(`${source}:`) ? [key.slice(source.length + 1)] : []));

/** What jobs follow from: parts as they stand, calls as they ended, readings put off, and what was noted by hand. */
export const sourcesStore = (db: Knex) => {
  /** Rows of a table of the firm's systems, with where they are. */
  const placed = (context: RequestContext, table: string, source: JobSource, asked: Asked) => {
    const { systemId, area, systemIds } = asked;
    const named = namedOf(source, asked);
    return db(`${table} as x`)
      .join('systems as s', 's.id', 'x.system_id')
      .join('customers as c', 'c.id', 's.customer_id')
      .where('x.firm_id', context.firmId)
      .modify((some) => {
        if (systemId !== undefined) void some.where('x.system_id', systemId);
        if (area !== undefined) void some.where('s.area', area);
        if (systemIds !== undefined) some.modify(anyOf('x.system_id', systemIds));
        if (named !== undefined) some.modify(anyOf('x.id', named));
      })
      .select('x.id', 'x.system_id', ...PLACED);
  };
  return {
    parts: (context: RequestContext, asked: Asked): Promise<PartRow[]> =>
      placed(context, 'components', 'part', asked)
        .whereNull('x.removed_on')
        .whereNotNull('x.lead')
        .where((any) => {
          void any.where('x.severity', '>=', severityOf('act')).orWhere((watch) => {
            void watch.where('x.severity', severityOf('watch')).where((telling) => {
              void telling
                .where('x.chance', '>=', LIKELY)
                .orWhereIn(db.raw(`x.lead -> 'because' ->> 'code'`) as never, [...TELLING_ON_WATCH]);
            });
          });
        })
        .orderBy([{ column: 'x.urgency', order: 'desc' }, 'x.id'])
        .limit(MOST_PARTS)
        .select<PartRow[]>(
          'x.slot',
          'x.part_label',
          'x.standing',
          'x.chance',
          db.raw(`x.lead ->> 'kind' as kind`),
          db.raw(`x.lead ->> 'point' as point`),
          db.raw(`x.lead -> 'because' as because`),
        ),
    /** Calls whose end left something to do, but for those that a later call repaired. */
    calls: (context: RequestContext, asked: Asked): Promise<CallRow[]> =>
      placed(context, 'visits', 'call', asked)
        .whereNotNull('x.closed_at')
        .whereRaw(`x.call -> 'outcome' ->> 'is' in ('for-now', 'proposed', 'declined', 'unsafe')`)
        .whereRaw(
          `not exists (
             select 1 from visits l
             where l.system_id = x.system_id and l.started_at > x.started_at
               and l.call -> 'outcome' ->> 'is' = 'repaired'
               and (l.call #> '{outcome,faults}') @> (x.call #> '{outcome,faults}')
           )`,
        )
        .select<CallRow[]>('x.started_at', db.raw(`x.call -> 'outcome' as outcome`)),
    owed: (context: RequestContext, asked: Asked): Promise<OwedRow[]> =>
      placed(context, 'follow_ups', 'owed', asked)
        .join('components as k', 'k.id', 'x.component_id')
        .where({ 'x.withdrawn': false })
        .whereNull('x.done_by')
        .whereNull('k.removed_on')
        .select<OwedRow[]>('k.slot', 'x.kind', 'x.point', 'x.reason', 'x.note', 'x.due_on'),
    byHand: (context: RequestContext, asked: Asked): Promise<HandRow[]> =>
      placed(context, 'jobs_by_hand', 'hand', asked).select<HandRow[]>('x.task', 'x.by_when', 'x.minutes'),
  };
};
