import type { ThreadMemo, ThreadState } from '@yarnix/core';
import { LRUCache } from 'lru-cache';
import { serialize } from 'node:v8';
import { digestOf } from '../../database/digest.ts';

/** What states of threads may take of this process's memory, bytes: those of some hundred rounds under way. */
const MOST_BYTES = 64 * 1024 * 1024;
/** An object in memory takes about so many times what it does written out; measured, on states of 10 to 1000 readings. */
const AS_OBJECT = 2;

interface Kept {
  /** Digest of all that the state rests on. */
  readonly rests: string;
  readonly state: ThreadState;
}

/** States of threads by their names, one each: what was not asked for longest goes first. */
export const keptThreads = (mostBytes: number): LRUCache<string, Kept> =>
  new LRUCache({
    maxSize: mostBytes,
    sizeCalculation: ({ state }, name) => AS_OBJECT * serialize(state).byteLength + 2 * name.length,
  });

const kept = keptThreads(MOST_BYTES);

/**
 * States of threads kept within this process, of one system and for one stamp of all that they rest on besides their
 * readings. A reading changes one thread of its system: on a round the others are not worked out again with each.
 */
export const threadMemo = (systemId: string, stamp: string, states = kept): ThreadMemo => ({
  get: (thread, rests) => {
    const known = states.get(`${systemId}|${thread}`);
    return known?.rests === digestOf([stamp, rests]) ? known.state : undefined;
  },
  set: (thread, rests, state) => void states.set(`${systemId}|${thread}`, { rests: digestOf([stamp, rests]), state }),
});
