import type { Knex } from 'knex';
import PgBoss from 'pg-boss';

/** What is worked on slice by slice, off the request path, and by which name its slices are queued. */
export const SLICES = {
  refits: 'refit-slices',
  previews: 'preview-slices',
  imports: 'import-slices',
  restores: 'restore-slices',
} as const;
export type Sliced = keyof typeof SLICES;

/** What recurs. */
export const STALE_FLEETS = 'stale-fleets';

/** A slice of the work on one of them, by its id. */
export interface Slice {
  readonly id: string;
}

/** No job takes so long, however busy the machine; what is lost with its server is found out long before, s. */
const LONGEST_JOB = 3600;

export interface JobQueue {
  /** Queues a slice of work as part of whatever transaction `within` is; one that waits already is enough. */
  readonly add: (of: Sliced, within: Knex, id: string) => Promise<void>;
  /** The queue itself, started when it is first asked for: before a transaction begins that adds to it, never within. */
  readonly boss: () => Promise<PgBoss>;
  readonly stop: () => Promise<void>;
}

/** Lets the queue ask through connections of a Knex pool, or of a transaction. */
const through = (db: Knex): PgBoss.Db => ({
  async executeSql(text, values) {
    const client = db.client as Knex.Client;
    const connection = (await client.acquireConnection()) as {
      query: (text: string, values: unknown[]) => Promise<{ rows: unknown[] }>;
    };
    try {
      return await connection.query(text, values);
    } finally {
      await client.releaseConnection(connection);
    }
  },
});

/** The queue of jobs kept in the database. `keeping`: this one keeps the clock of what recurs. */
export function jobQueue(db: Knex, { keeping = false, onError = () => undefined }: JobQueueOptions = {}): JobQueue {
  let starting: Promise<PgBoss> | undefined;

  async function start(): Promise<PgBoss> {
    const boss = new PgBoss({
      db: through(db),
      supervise: keeping,
      schedule: keeping,
    });
    boss.on('error', onError);
    await boss.start();
    // Of each refit at most one slice waits, and of what recurs one turn. What is lost is queued anew by whoever misses it.
    for (const name of [...Object.values(SLICES), STALE_FLEETS])
      await boss.createQueue(name, { name, policy: 'short', retryLimit: 2, expireInSeconds: LONGEST_JOB });
    return boss;
  }
  const boss = (): Promise<PgBoss> => {
    starting ??= start().catch((error: unknown) => {
      // The database may be back by the next time.
      starting = undefined;
      throw error;
    });
    return starting;
  };
  return {
    boss,
    add: async (of, within, id) => {
      const slice: Slice = { id };
      await (await boss()).send(SLICES[of], slice, { db: through(within), singletonKey: id });
    },
    stop: async () => {
      await (await starting?.catch(() => undefined))?.stop({ graceful: true, timeout: 2000, wait: true });
    },
  };
}

interface JobQueueOptions {
  readonly keeping?: boolean;
  readonly onError?: (error: Error) => void;
}
