import { useMutation, useQueryClient } from '@tanstack/react-query';
import { put } from '../../app/api.ts';

/** Sends a decision of the office, and looks at the system and the Watch anew. */
export function useDecision(systemId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ path, body }: { path: string; body: unknown }) => put(path, body),
    onSettled: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: ['system', systemId] }),
        client.invalidateQueries({ queryKey: ['watch'] }),
      ]),
  });
}
