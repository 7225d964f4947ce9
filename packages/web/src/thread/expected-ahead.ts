import {
  expectByTables,
  machineSpecOf,
  onWanted,
  structureName,
  takeUpTable,
  type ExpectedTable,
  type MachineSpec,
  type Plate,
  type SystemKind,
} from '@yarnix/core';
import { wrap } from 'comlink';
import { useEffect, useSyncExternalStore } from 'react';
import type { Expecting } from './expected-worker.ts';

/** How long a visit has been open before its machine is worked out for later, ms; what is wanted now is worked out at once. */
const AHEAD_AFTER_MS = 10_000;

/** Works out a table, and ends whatever it took. */
export type WorkOut = (kind: SystemKind, plate: Plate) => Promise<ExpectedTable>;

async function byWorker(kind: SystemKind, plate: Plate): Promise<ExpectedTable> {
  const worker = new Worker(new URL('./expected-worker.ts', import.meta.url), { type: 'module' });
  try {
    const failed = new Promise<never>((_, reject) => {
      worker.addEventListener('error', () => reject(new Error('the worker ended')));
    });
    return await Promise.race([wrap<Expecting>(worker).table(kind, plate), failed]);
  } finally {
    worker.terminate();
  }
}

let workOut: WorkOut | null = null;
const asked = new Set<string>();
const listeners = new Set<() => void>();
let version = 0;

/** From now on what faults show is worked out beside the page, not on it. */
function expectBeside(by: WorkOut = byWorker): void {
  workOut = by;
  expectByTables();
  onWanted((spec) => void workedOutFor(spec.kind, spec));
}

/** A machine's table, once for its structure. A worker that fails leaves it to the next time. */
async function workedOutFor(kind: SystemKind, spec: MachineSpec, plate?: Plate): Promise<void> {
  const name = structureName(spec);
  const known = plate ?? plates.get(name);
  if (!workOut || !known || asked.has(name)) return;
  asked.add(name);
  try {
    takeUpTable(spec, await workOut(kind, known));
    version += 1;
    listeners.forEach((listener) => listener());
  } catch {
    asked.delete(name);
  }
}

/** The plate of each structure that was opened here. */
const plates = new Map<string, Plate>();

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Before anything is judged on a page that can have something worked out beside it. */
if (typeof Worker !== 'undefined') expectBeside();

/** A number that changes once more is known of what machines show: what was judged before it is judged again. */
export function useExpected(system: { readonly kind: SystemKind; readonly plate: Plate } | undefined): number {
  const { kind, plate } = system ?? {};
  useEffect(() => {
    if (!kind || !plate || !workOut) return undefined;
    const spec = machineSpecOf(kind, plate);
    plates.set(structureName(spec), plate);
    const timer = setTimeout(() => void workedOutFor(kind, spec, plate), AHEAD_AFTER_MS);
    return () => clearTimeout(timer);
  }, [kind, plate]);
  return useSyncExternalStore(subscribe, () => version);
}
