import { useEffect, useState } from 'react';

const TICK_MS = 15_000;

/** The time, ms, often enough for minutes to count, and whenever `changed` does: what was just typed is not in its future. */
export function useNow(changed: unknown): number {
  const [at, setAt] = useState(() => ({ changed, now: Date.now() }));
  useEffect(() => {
    const timer = setInterval(() => setAt((was) => ({ ...was, now: Date.now() })), TICK_MS);
    return () => clearInterval(timer);
  }, []);
  if (at.changed === changed) return at.now;
  const fresh = { changed, now: Date.now() };
  setAt(fresh);
  return fresh.now;
}
