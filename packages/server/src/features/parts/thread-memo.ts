import type { ThreadMemo, ThreadState } from '@yarnix/core';
import { LRUCache } from 'lru-cache';

/** Threads whose states are kept: those of some hundred rounds under way. */
const MOST_KEPT = 8000;

const kept = new LRUCache<string, ThreadState>({ max: MOST_KEPT });

/**
 * States of threads kept within this process, for one stamp of all that they rest on besides their readings. A reading
 * changes one thread of its system: on a round the others are not worked out again with each. What was not asked for
 * longest goes first.
 */
export const threadMemo = (stamp: string): ThreadMemo => ({
  get: (name) => kept.get(`${stamp}|${name}`),
  set: (name, state) => void kept.set(`${stamp}|${name}`, state),
});
