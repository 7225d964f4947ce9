import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { queries } from '../../app/queries.ts';

const POLL_MS = 700;
const UNDER_WAY = ['queued', 'learning', 'judging'];

/** Every part judged anew after the schools have changed: how far that is. */
export function JudgedAnew() {
  const client = useQueryClient();
  const { data } = useQuery({
    ...queries.refit(),
    refetchInterval: (query) => (UNDER_WAY.includes(query.state.data?.refit?.state ?? '') ? POLL_MS : false),
  });
  const refit = data?.refit ?? null;
  const isRunning = refit !== null && UNDER_WAY.includes(refit.state);
  const ran = useRef(false);
  useEffect(() => {
    if (ran.current && !isRunning) void client.invalidateQueries({ queryKey: ['watch'] });
    ran.current = isRunning;
  }, [isRunning, client]);
  if (!refit || !isRunning) return null;
  return (
    <div role="status" className="mt-3">
      <p className="label">
        {refit.state === 'judging'
          ? `Judging anew: ${refit.done} of ${refit.total} systems`
          : 'Every part is judged anew'}
      </p>
      <progress className="my-2 w-full" max={Math.max(1, refit.total)} value={refit.done} aria-label="Systems judged" />
    </div>
  );
}
