import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

/** A job that somebody was told of and that is planned otherwise since. */
export interface CalledOff {
  readonly key: string;
  readonly personId: string;
  readonly day: string;
  readonly summary: string;
  /** Above every sequence the job was told by. */
  readonly sequence: number;
  readonly at: Date;
}

/** Links of calendars, by a digest of their secret, and what was called off. */
export const calendarStore = (db: Knex) => ({
  people: (context: RequestContext): Promise<{ personId: string; name: string; since: Date | null }[]> =>
    db('people as p')
      .leftJoin('calendar_links as l', 'l.person_id', 'p.id')
      .where('p.firm_id', context.firmId)
      .orderBy('p.name')
      .select('p.id as personId', 'p.name', 'l.made_at as since'),

  keep: (context: RequestContext, personId: string, digest: string, at: Date) =>
    db('calendar_links')
      .insert({ person_id: personId, firm_id: context.firmId, digest, made_at: at })
      .onConflict('person_id')
      .merge(),

  revoke: (context: RequestContext, personId: string) =>
    db('calendar_links').where({ firm_id: context.firmId, person_id: personId }).delete(),

  /** Whose calendar a link is; undefined when no such link stands. */
  whose: (digest: string): Promise<{ firmId: string; personId: string; name: string } | undefined> =>
    db('calendar_links as l')
      .join('people as p', 'p.id', 'l.person_id')
      .where('l.digest', digest)
      .first('l.firm_id as firmId', 'l.person_id as personId', 'p.name'),

  async callOff(context: RequestContext, { personId, ...off }: CalledOff): Promise<void> {
    await db('calendar_called_off')
      .insert({ firm_id: context.firmId, person_id: personId, ...off })
      .onConflict(['person_id', 'key'])
      .merge();
  },

  calledOff: (context: RequestContext, personId: string, since: Date): Promise<CalledOff[]> =>
    db('calendar_called_off')
      .where({ firm_id: context.firmId, person_id: personId })
      .where('at', '>=', since)
      .orderBy('key')
      .select('key', 'person_id as personId', 'day', 'summary', 'sequence', 'at'),
});
