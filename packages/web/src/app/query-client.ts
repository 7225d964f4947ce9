import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister';
import { QueryClient, type Query } from '@tanstack/react-query';
import { ApiProblem } from './api.ts';
import { device } from './device.ts';

const A_MONTH = 30 * 24 * 3_600_000;

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      gcTime: A_MONTH,
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
    removeItem: async (key) => (await device()).delete('cache', key),
  },
});

export const persistOptions = {
  persister,
  maxAge: A_MONTH,
  buster: '1',
  // An answer stays good for the device when asking again has failed: without a signal every question fails.
  dehydrateOptions: { shouldDehydrateQuery: (query: Query) => query.state.data !== undefined },
};
