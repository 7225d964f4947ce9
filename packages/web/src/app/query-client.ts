import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister';
import { QueryClient, type Query } from '@tanstack/react-query';
import { ApiProblem } from './api.ts';
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

/** Answers are kept on the device, so that a system can be opened in a basement without a signal. */
export const persister = createAsyncStoragePersister({
  key: 'answers',
  storage: {
    getItem: async (key) => (await (await device()).get('cache', key)) ?? null,
    setItem: async (key, value) => void (await (await device()).put('cache', value, key)),
    // Asked for when restoring fails, and a restore that a reload cut short fails: that must not cost the device its copy.
    removeItem: () => Promise.resolve(),
  },
});

export const persistOptions = {
  persister,
  maxAge: TWO_WEEKS,
  buster: '2',
  // An answer stays good for the device when asking again has failed: without a signal every question fails.
  dehydrateOptions: { shouldDehydrateQuery: (query: Query) => query.state.data !== undefined },
};
