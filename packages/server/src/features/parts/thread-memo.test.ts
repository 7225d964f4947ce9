import type { ThreadState } from '@yarnix/core';
import { keptThreads, threadMemo } from './thread-memo.ts';

/** A state that takes about so many bytes. */
const state = (bytes: number, lastDay = 1) => ({ kind: 'x'.repeat(bytes), lastDay }) as unknown as ThreadState;

test('a state is there for what it rests on, and one that rests on something else takes its place', () => {
  const states = keptThreads(1e6);
  const memo = threadMemo('a system', 'stamp', states);
  memo.set('thread', 'readings 1', state(10));
  expect(memo.get('thread', 'readings 1')).toMatchObject({ lastDay: 1 });
  expect(memo.get('thread', 'readings 1 and 2')).toBeUndefined();
  expect(threadMemo('a system', 'other stamp', states).get('thread', 'readings 1')).toBeUndefined();
  expect(threadMemo('another system', 'stamp', states).get('thread', 'readings 1')).toBeUndefined();
  memo.set('thread', 'readings 1 and 2', state(10, 2));
  expect(memo.get('thread', 'readings 1 and 2')).toMatchObject({ lastDay: 2 });
  expect(states.size).toBe(1);
});

test('a thousand readings on one thread, and threads without end, stay within the bytes they were given', () => {
  const states = keptThreads(1e6);
  const memo = threadMemo('a system', 'stamp', states);
  const rests = Array.from({ length: 1000 }, (_, i) => `reading ${i}`);
  for (let n = 1; n <= 1000; n += 1) memo.set('thread', rests.slice(0, n).join('|'), state(100 * n));
  expect(states.size).toBe(1);
  for (let n = 0; n < 1000; n += 1) memo.set(`thread ${n}`, 'readings', state(5000));
  expect(states.calculatedSize).toBeLessThanOrEqual(1e6);
  expect(states.calculatedSize).toBeGreaterThan(0.9e6);
  // The name of a thread is all that a state is known by besides its digest: it does not grow with its readings.
  expect(Math.max(...[...states.keys()].map((name) => name.length))).toBeLessThan(40);
});
