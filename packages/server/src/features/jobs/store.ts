import type { JobDecision, NewDecision, NewJob } from '@yarnix/core';
import type { Knex } from 'knex';
import { anyOf } from '../../database/any-of.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { Asked, HandRow } from './sources.ts';

export interface DecisionRow {
  readonly key: string;
  readonly system_id: string;
  readonly decision: JobDecision;
  readonly note: string;
  readonly day: string | null;
  readonly person_id: string | null;
  readonly person_name: string | null;
  readonly from_minute: number | null;
  readonly to_minute: number | null;
  readonly severity: number;
  readonly version: number;
  readonly decided_by: string;
  readonly decider: string;
  readonly decided_at: Date;
}

/** What people decided of jobs, and what they noted by hand. */
export const jobsStore = (db: Knex) => ({
  decisions: (context: RequestContext, { systemId, systemIds }: Asked): Promise<DecisionRow[]> =>
    db('job_decisions as d')
      .leftJoin('people as p', 'p.id', 'd.person_id')
      .join('people as b', 'b.id', 'd.decided_by')
      .where('d.firm_id', context.firmId)
      .modify((some) => {
        if (systemId !== undefined) void some.where('d.system_id', systemId);
        if (systemIds !== undefined) some.modify(anyOf('d.system_id', systemIds));
      })
      .select<DecisionRow[]>('d.*', 'p.name as person_name', 'b.name as decider'),
  /** What is planned for one of some days, or for none yet: its keys, and the systems it is on. */
  plannedOn: (context: RequestContext, from: string, to: string): Promise<{ key: string; system_id: string }[]> =>
    db('job_decisions')
      .where({ firm_id: context.firmId, decision: 'accepted' })
      .where((any) => {
        void any.whereBetween('day', [from, to]).orWhereNull('day');
      })
      .select<{ key: string; system_id: string }[]>('key', 'system_id'),
  people: (context: RequestContext): Promise<{ id: string; name: string }[]> =>
    db('people')
      .where({ firm_id: context.firmId })
      .orderBy('name')
      .select<{ id: string; name: string }[]>('id', 'name'),
  /** The system a job's source is on; undefined when the firm has no such part, visit, follow-up or note. */
  async systemOf(context: RequestContext, table: string, id: string): Promise<string | undefined> {
    const row = await db(table)
      .where({ firm_id: context.firmId, id })
      .first<{ system_id: string } | undefined>(table === 'systems' ? 'id as system_id' : 'system_id');
    return row?.system_id;
  },
  async decide(
    context: RequestContext,
    key: string,
    { window, ...kept }: NewDecision & { systemId: string; severity: number; at: Date },
  ) {
    const row = {
      firm_id: context.firmId,
      key,
      system_id: kept.systemId,
      decision: kept.decision,
      note: kept.note,
      day: kept.day,
      person_id: kept.personId,
      from_minute: window?.from ?? null,
      to_minute: window?.to ?? null,
      severity: kept.severity,
      version: kept.version + 1,
      decided_by: context.personId,
      decided_at: kept.at,
    };
    await db('job_decisions').insert(row).onConflict(['firm_id', 'key']).merge();
  },
});

/** Jobs that were noted by hand. */
export const handStore = (db: Knex) => ({
  async handOf(id: string): Promise<(NewJob & { firmId: string; systemId: string }) | undefined> {
    const row = await db('jobs_by_hand')
      .where({ id })
      .first<(HandRow & { firm_id: string }) | undefined>('firm_id', 'system_id', 'task', 'by_when', 'minutes');
    return (
      row && {
        firmId: row.firm_id,
        systemId: row.system_id,
        text: row.task,
        byWhen: row.by_when,
        minutes: row.minutes,
      }
    );
  },
  async keep(context: RequestContext, systemId: string, id: string, { text, byWhen, minutes }: NewJob, at: Date) {
    await db('jobs_by_hand')
      .insert({
        id,
        firm_id: context.firmId,
        system_id: systemId,
        person_id: context.personId,
        task: text,
        by_when: byWhen,
        minutes,
        made_at: at,
      })
      .onConflict('id')
      .merge(['task', 'by_when', 'minutes']);
  },
});
