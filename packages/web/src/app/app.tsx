import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { RouterProvider } from 'react-router/dom';
import { startSending } from '../field/outbox.ts';
import { noteRefusal } from '../field/rounds.ts';
import { persistOptions, queryClient } from './query-client.ts';
import { router } from './router.tsx';

startSending(
  () => void queryClient.invalidateQueries(),
  (refused, why) => noteRefusal(refused.visitId, refused.id, why),
);

export const App = () => (
  <PersistQueryClientProvider client={queryClient} persistOptions={persistOptions}>
    <RouterProvider router={router} />
  </PersistQueryClientProvider>
);
