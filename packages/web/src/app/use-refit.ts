import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { queries } from './queries.ts';

const POLL_MS = 700;
const UNDER_WAY: readonly string[] = ['queued', 'learning', 'judging'];

/** The latest refit, looked at for as long as it runs; once it ends, what rests on it is asked for anew. */
export function useRefit() {
  const client = useQueryClient();
  const { data } = useQuery({
    ...queries.refit(),
    refetchInterval: (query) => (UNDER_WAY.includes(query.state.data?.refit?.state ?? '') ? POLL_MS : false),
  });
  const refit = data?.refit ?? null;
  const isRunning = refit !== null && UNDER_WAY.includes(refit.state);
  // One that ended before it was seen to run has changed as much.
  const stands = data && `${refit?.id ?? 'none'} ${isRunning ? 'runs' : 'ended'}`;
  const seen = useRef(stands);
  useEffect(() => {
    if (seen.current !== undefined && seen.current !== stands && !isRunning)
      for (const key of ['watch', 'session', 'system']) void client.invalidateQueries({ queryKey: [key] });
    seen.current = stands;
  }, [stands, isRunning, client]);
  return { refit, isRunning, learnedAt: data?.learnedAt ?? null, isHere: data !== undefined };
}
