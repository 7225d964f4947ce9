import type { Feed, FeedKind } from '@yarnix/core';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';

interface FeedRow {
  id: string;
  xact: string;
  kind: FeedKind;
  system_id: string;
  subject: string;
  at: Date;
}

const cursorOf = ({ xact, id }: FeedRow): string => `${xact}-${id}`;

/** What happened, in an order in which nothing turns up behind what was read. */
export const feedService = ({ db }: On) => ({
  async after(context: RequestContext, { after, limit }: { after?: string | undefined; limit: number }): Promise<Feed> {
    const [xact = '0', id = '0'] = after?.split('-') ?? [];
    // Of a transaction that is still open, or younger than one that is, nothing is told yet.
    const { rows } = await db.raw<{ rows: FeedRow[] }>(
      `select id, xact, kind, system_id, subject, at from feed
       where firm_id = ? and (xact, id) > (?::text::xid8, ?::bigint) and xact < pg_snapshot_xmin(pg_current_snapshot())
       order by xact, id limit ?`,
      [context.firmId, xact, id, limit],
    );
    const last = rows.at(-1);
    return {
      events: rows.map((row) => ({
        cursor: cursorOf(row),
        kind: row.kind,
        at: row.at.toISOString(),
        systemId: row.system_id,
        id: row.subject,
      })),
      next: last ? cursorOf(last) : (after ?? null),
    };
  },
});
