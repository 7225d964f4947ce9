import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';

/** How often is asked how far work off the request path is, ms. */
export const POLL_MS = 700;

/**
 * Asks for everything anew once work is over that was under way: what came in or went is seen wherever systems are, and nothing
 * that is kept of them on this device holds any more.
 */
export function useWhenOver(working: boolean): void {
  const client = useQueryClient();
  const was = useRef(working);
  useEffect(() => {
    if (was.current && !working) void client.invalidateQueries();
    was.current = working;
  }, [client, working]);
}
