import { BENCH, type BenchTyped } from '@yarnix/core';
import { useSyncExternalStore } from 'react';
import { z } from 'zod';

const KEY = 'yarnix-bench';
const MOST = 8;
const latestSchema = z.array(
  z.object({ id: z.string(), typed: z.record(z.string(), z.string()), result: z.string().max(80) }),
);

/** A sum as it was last worked out on this device. */
export interface LatestSum {
  readonly id: string;
  readonly typed: BenchTyped;
  readonly result: string;
}

let held: { readonly text: string | null; readonly sums: readonly LatestSum[] } = { text: null, sums: [] };

function read(): readonly LatestSum[] {
  const text = localStorage.getItem(KEY);
  if (text === held.text) return held.sums;
  let kept: unknown = null;
  try {
    kept = JSON.parse(text ?? '[]');
  } catch {
    // What cannot be read is begun anew.
  }
  const sums = latestSchema.safeParse(kept);
  held = { text, sums: (sums.data ?? []).filter(({ id }) => BENCH.some((sum) => sum.id === id)) };
  return held.sums;
}

const listeners = new Set<() => void>();
function listen(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/** The sums worked out last on this device, the newest first. */
export const useLatestSums = (): readonly LatestSum[] => useSyncExternalStore(listen, read);

/** Where a sum is, with what was typed. */
export const pathOf = ({ id, typed }: Pick<LatestSum, 'id' | 'typed'>): string =>
  `/bench/${id}?${new URLSearchParams(typed).toString()}`;

/** Keeps a sum among the last ones. */
export function keepSum(sum: LatestSum): void {
  const others = read().filter((other) => pathOf(other) !== pathOf(sum));
  try {
    localStorage.setItem(KEY, JSON.stringify([sum, ...others].slice(0, MOST)));
  } catch {
    // A device that keeps nothing, or no more: the sum stands on the screen all the same.
  }
  listeners.forEach((listener) => listener());
}
