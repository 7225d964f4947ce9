import type { FittedPart, NewVisit } from '@yarnix/core';
import { device } from '../app/device.ts';
import { somethingToSend, type Outgoing } from './outbox.ts';
import {
  newRound,
  withPart,
  withReading,
  withRefusal,
  type LocalPart,
  type LocalReading,
  type RoundRecord,
} from './round-record.ts';

type Known =
  | { readonly status: 'loading' }
  | { readonly status: 'absent' }
  | { readonly status: 'here'; readonly record: RoundRecord };

const LOADING: Known = { status: 'loading' };
const ABSENT: Known = { status: 'absent' };
const known = new Map<string, Known>();
const listeners = new Set<() => void>();

function tell(visitId: string, next: Known): void {
  known.set(visitId, next);
  listeners.forEach((listener) => listener());
}

/** What this device knows of a round; the first question starts fetching it from the device's store. */
export function roundNow(visitId: string): Known {
  const now = known.get(visitId);
  if (now) return now;
  known.set(visitId, LOADING);
  void load(visitId);
  return LOADING;
}

export const onRounds = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

async function load(visitId: string): Promise<void> {
  const record = await (await device()).get('rounds', visitId);
  if (known.get(visitId)?.status !== 'here') tell(visitId, record ? { status: 'here', record } : ABSENT);
}

/** Every round on this device that is not closed. */
export async function openRounds(): Promise<RoundRecord[]> {
  const all = await (await device()).getAll('rounds');
  return all.filter((r) => r.closedAt === null);
}

// Writes follow one another, so that a later keystroke is never overwritten by an earlier one.
let writing: Promise<void> = Promise.resolve();

async function write(record: RoundRecord, outgoing: readonly Outgoing[]): Promise<void> {
  const tx = (await device()).transaction(['rounds', 'outbox'], 'readwrite');
  await Promise.all([
    tx.objectStore('rounds').put(record),
    ...outgoing.map((item) => tx.objectStore('outbox').add(item)),
    tx.done,
  ]);
  if (outgoing.length > 0) somethingToSend();
}

/** Keeps a record, and in the same step what must reach the server because of it. */
export function keep(record: RoundRecord, outgoing: readonly Outgoing[] = []): Promise<void> {
  tell(record.visitId, { status: 'here', record });
  writing = writing.then(() => write(record, outgoing));
  return writing;
}

const current = (visitId: string): RoundRecord | undefined => {
  const now = known.get(visitId);
  return now?.status === 'here' ? now.record : undefined;
};

/** Changes a round that is here; nothing happens to one that is not. */
export function change(
  visitId: string,
  by: (record: RoundRecord) => RoundRecord,
  outgoing: readonly Outgoing[] = [],
): Promise<void> {
  const record = current(visitId);
  return record ? keep(by(record), outgoing) : Promise.resolve();
}

export async function startRound(visitId: string, visit: NewVisit): Promise<void> {
  const record = newRound(visitId, visit.systemId, visit.startedAt);
  await keep(record, [{ path: `/api/visits/${visitId}`, body: visit, visitId, id: visitId }]);
}

/** Takes up a round that was started elsewhere, so that it can be worked here. */
export const takeUpRound = (visitId: string, visit: NewVisit): Promise<void> =>
  keep(newRound(visitId, visit.systemId, visit.startedAt));

/** Takes a typed reading. Its draft is what is taken: once that is gone (Enter took it, then the field lost the focus) nothing is left to take. */
export function takeReading(visitId: string, key: string, taken: LocalReading): Promise<void> {
  return current(visitId)?.drafts[key] ? addReading(visitId, key, taken) : Promise.resolve();
}

/** Takes a reading that was chosen, not typed. */
export const addReading = (visitId: string, key: string, taken: LocalReading): Promise<void> =>
  change(visitId, (record) => withReading(record, key, taken), [
    { path: `/api/readings/${taken.id}`, body: taken.reading, visitId, id: taken.id },
  ]);

export function fitPart(visitId: string, id: string, fitted: FittedPart): Promise<void> {
  const part: LocalPart = { id, fitted };
  return change(visitId, (record) => withPart(record, part), [
    { path: `/api/components/${id}`, body: fitted, visitId, id },
  ]);
}

export function closeRound(visitId: string, closedAt: string, note: string): Promise<void> {
  const body = note.trim() ? { closedAt, note: note.trim() } : { closedAt };
  return change(visitId, (record) => ({ ...record, closedAt, note }), [
    { path: `/api/visits/${visitId}/closing`, body, visitId, id: `${visitId}/closing` },
  ]);
}

/** Notes what the server refused, also in a round that is not open on the screen. */
export async function noteRefusal(visitId: string, id: string, why: string): Promise<void> {
  const record = current(visitId) ?? (await (await device()).get('rounds', visitId));
  if (record) await keep(withRefusal(record, id, why));
}
