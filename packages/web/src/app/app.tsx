import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { RouterProvider } from 'react-router/dom';
import { startSending } from '../field/outbox.ts';
import { persistOptions, queryClient } from './query-client.ts';
import { router } from './router.tsx';

startSending(
  () => void queryClient.invalidateQueries(),
  // Nothing is refused on most days: what knows of rounds is fetched when something is.
  async (refused, why) => (await import('../field/rounds.ts')).noteRefusal(refused.visitId, refused.id, why),
);

export const App = () => (
  <PersistQueryClientProvider
    client={queryClient}
    persistOptions={persistOptions}
    // However young the device's copy is, what a page sent just before it was left may be missing in it: all is asked for again.
    onSuccess={() => queryClient.invalidateQueries({ refetchType: 'none' })}
  >
    <RouterProvider router={router} />
  </PersistQueryClientProvider>
);
