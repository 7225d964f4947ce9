import { useMutation, useQueryClient } from '@tanstack/react-query';
import { put, send } from '../../app/api.ts';

/** Puts a part back into the list, or sets it aside. */
export function useSnooze() {
  const client = useQueryClient();
  // Not waited for: the row leaves the list with the answer, and what follows from setting it aside must be told before.
  const again = () => void client.invalidateQueries({ queryKey: ['watch'] });
  const wake = useMutation({
    mutationFn: (id: string) => send('DELETE', `/api/watch/${id}/snooze`),
    onSuccess: again,
  });
  const snooze = useMutation({
    mutationFn: ({ id, until, reason }: { id: string; until: string; reason: string }) =>
      put(`/api/watch/${id}/snooze`, { until, reason }),
    onSuccess: again,
  });
  return { wake, snooze };
}
