import type { Knex } from 'knex';
import PgBoss from 'pg-boss';

/** A slice of a refit's work. */
export interface RefitSlice {
  readonly refitId: string;
}

/** A slice of a preview of other schools. */
export interface PreviewSlice {
  readonly previewId: string;
}

/** A slice of an import, or of taking one back. */
export interface ImportSlice {
  readonly importId: string;
}

/** What is done off the request path, and by which name it is queued. */
export const QUEUES = {
  refits: 'refit-slices',
  previews: 'preview-slices',
  imports: 'import-slices',
  lostSlices: 'lost-slices',
  staleFleets: 'stale-fleets',
} as const;

/** No job takes so long, however busy the machine; what is lost with its server is found out long before, s. */
const LONGEST_JOB = 3600;

export interface JobQueue {
  /** Queues a slice of a refit as part of whatever transaction `within` is; one that waits already is enough. */
  readonly addSlice: (within: Knex, refitId: string) => Promise<void>;
  /** The same for a preview of other schools. */
  readonly addPreview: (within: Knex, previewId: string) => Promise<void>;
  /** The same for an import. */
  readonly addImport: (within: Knex, importId: string) => Promise<void>;
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
    for (const name of Object.values(QUEUES))
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
  const add = async (within: Knex, queue: string, of: string, slice: object): Promise<void> => {
    await (await boss()).send(queue, slice, { db: through(within), singletonKey: of });
  };
  return {
    boss,
    addSlice: (within, refitId) => add(within, QUEUES.refits, refitId, { refitId } satisfies RefitSlice),
    addPreview: (within, previewId) => add(within, QUEUES.previews, previewId, { previewId } satisfies PreviewSlice),
    addImport: (within, importId) => add(within, QUEUES.imports, importId, { importId } satisfies ImportSlice),
    stop: async () => {
      await (await starting?.catch(() => undefined))?.stop({ graceful: true, timeout: 2000, wait: true });
    },
  };
}

interface JobQueueOptions {
  readonly keeping?: boolean;
  readonly onError?: (error: Error) => void;
}
