import { QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider } from 'react-router/dom';
import { startSending } from '../field/outbox.ts';
import { queryClient } from './query-client.ts';
import { router } from './router.tsx';

startSending(
  () => void queryClient.invalidateQueries(),
  // Nothing is refused on most days: what knows of rounds is fetched when something is.
  async (refused, why) => (await import('../field/rounds.ts')).noteRefusal(refused.visitId, refused.id, why),
);

export const App = () => (
  <QueryClientProvider client={queryClient}>
    <RouterProvider router={router} />
  </QueryClientProvider>
);
