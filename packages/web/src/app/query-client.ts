import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister';
import { QueryClient, type Query } from '@tanstack/react-query';
import {
  persistQueryClientRestore,
  persistQueryClientSubscribe,
  type PersistedClient,
} from '@tanstack/react-query-persist-client';
import { ApiProblem } from './api.ts';
import { busyWith } from './busy.ts';
import { device } from './device.ts';

/** Timers hold at most 24.8 days: a longer time would overflow, and forget every answer at once. */
const TWO_WEEKS = 14 * 24 * 3_600_000;

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      gcTime: TWO_WEEKS,
      staleTime: 2000,
      networkMode: 'always',
      retry: (failures, error) => !(error instanceof ApiProblem) && failures < 1,
      retryDelay: 400,
    },
    mutations: { networkMode: 'always' },
  },
});

const KEY = 'answers';
const read = async (key: string) => (await (await device()).get('cache', key)) ?? null;
/** Read while the first screen is still being fetched. A device without room for a store has none. */
let atStart: Promise<string | null> | undefined = read(KEY).catch(() => null);

/** How often a copy was asked for, and what tells that the last of them is written. */
let asks = 0;
let copied: () => void = () => undefined;

/** Answers are kept on the device, so that a system can be opened in a basement without a signal. */
const persister = createAsyncStoragePersister({
  key: KEY,
  storage: {
    getItem: (key) => {
      const first = atStart;
      atStart = undefined;
      return first ?? read(key);
    },
    setItem: async (key, value) => {
      const asked = asks;
      try {
        await (await device()).put('cache', value, key);
      } finally {
        // What has come since is written next.
        if (asked === asks) copied();
      }
    },
    // Asked for when restoring fails, and a restore that a reload cut short fails: that must not cost the device its copy.
    removeItem: () => Promise.resolve(),
  },
});

const persisted = {
  queryClient,
  persister: {
    ...persister,
    persistClient: (client: PersistedClient) => {
      asks += 1;
      copied();
      copied = busyWith('copy');
      return persister.persistClient(client);
    },
  },
  maxAge: TWO_WEEKS,
  buster: '2',
  // An answer stays good for the device when asking again has failed: without a signal every question fails.
  dehydrateOptions: { shouldDehydrateQuery: (query: Query) => query.state.data !== undefined },
};

/** Takes up what the device keeps, and keeps from then on what comes. */
export async function restoreAnswers(): Promise<void> {
  // A copy that cannot be read is as good as none: the app opens without it, and the server is asked.
  await persistQueryClientRestore(persisted).catch(() => undefined);
  // However young the device's copy is, what a page sent just before it was left may be missing in it: all is asked for again.
  await queryClient.invalidateQueries({ refetchType: 'none' });
  persistQueryClientSubscribe(persisted);
}
