import type { ThreadMemo, ThreadState } from '@yarnix/core';

/** Threads whose states are kept: those of some hundred rounds under way. */
const MOST_KEPT = 8000;

const kept = new Map<string, ThreadState>();

/**
 * States of threads kept within this process, for one stamp of all that they rest on besides their readings. A reading
 * changes one thread of its system: on a round the others are not worked out again with each. The oldest go first.
 */
export const threadMemo = (stamp: string): ThreadMemo => ({
  get: (name) => kept.get(`${stamp}|${name}`),
  set: (name, state) => {
    const key = `${stamp}|${name}`;
    kept.delete(key);
    kept.set(key, state);
    if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value ?? '');
  },
});
