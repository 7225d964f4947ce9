import {
  completed,
  newRound,
  placeKey,
  rulingName,
  withEvent,
  withFollowUp,
  withLooseEnd,
  withPart,
  withReading,
  withRefusal,
  withRuling,
  withWires,
  type FittedPart,
  type LocalEvent,
  type LocalFollowUp,
  type LocalPart,
  type LocalReading,
  type LocalRuling,
  type LooseEnd,
  type LooseEndCode,
  type NewCall,
  type NewVisit,
  type RoundRecord,
  type WireBack,
} from '@yarnix/core';
import { busyUntil } from '../app/busy.ts';
import { device } from '../app/device.ts';
import { readingIn, type Outgoing } from './outgoing.ts';
import { somethingComes, somethingToSend } from './outbox.ts';
import { allAside, dropAside } from './set-aside.ts';
import { toBeWritten, unwrittenTakenUp, written, type Unwritten } from './unwritten.ts';

type Known =
  | { readonly status: 'loading' }
  | { readonly status: 'absent' }
  | { readonly status: 'failed'; readonly error: Error }
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
  void busyUntil('device', load(visitId));
  return LOADING;
}

/** Asks the device's store for a round once more. */
export function askAgain(visitId: string): void {
  tell(visitId, LOADING);
  void busyUntil('device', load(visitId));
}

export const onRounds = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** A round in this device's store. */
async function stored(visitId: string): Promise<RoundRecord | undefined> {
  await unwrittenTakenUp();
  return (await device()).get('rounds', visitId);
}

async function load(visitId: string): Promise<void> {
  let found: Known;
  try {
    const record = await stored(visitId);
    found = record ? { status: 'here', record: completed(record) } : ABSENT;
  } catch (error) {
    found = { status: 'failed', error: error instanceof Error ? error : new Error(String(error)) };
  }
  if (known.get(visitId)?.status !== 'here') tell(visitId, found);
}

/** Every round on this device that is not closed. */
export async function openRounds(): Promise<RoundRecord[]> {
  await unwrittenTakenUp();
  const all = await (await device()).getAll('rounds');
  return all.filter((r) => r.closedAt === null);
}

/**
 * What is still to be written, by visit. While one write is under way those after it gather here, so that the device's
 * store is never more than one write behind what was typed, however fast; only the latest state of a record is written.
 */
const pending = new Map<string, Unwritten>();
let flushing: Promise<void> | null = null;

async function writeAll(batch: ReadonlyMap<string, Unwritten>): Promise<void> {
  const outgoing = [...batch.values()].flatMap((p) => p.outgoing);
  try {
    const tx = (await device()).transaction(['rounds', 'outbox'], 'readwrite');
    await Promise.all([
      ...[...batch.values()].flatMap(({ record }) => (record ? [tx.objectStore('rounds').put(record)] : [])),
      ...outgoing.map((item) => tx.objectStore('outbox').add(item)),
      tx.done,
    ]);
    batch.forEach((done, key) => written(key, done));
  } finally {
    if (outgoing.length > 0) somethingToSend(outgoing.length);
  }
}

async function flush(): Promise<void> {
  try {
    while (pending.size > 0) {
      const batch = new Map(pending);
      pending.clear();
      await writeAll(batch);
    }
  } finally {
    flushing = null;
  }
}

function writeSoon(key: string, record: RoundRecord | null, outgoing: readonly Outgoing[]): Promise<void> {
  const before = pending.get(key);
  pending.set(key, { record: record ?? before?.record ?? null, outgoing: [...(before?.outgoing ?? []), ...outgoing] });
  toBeWritten(key, record, outgoing);
  if (outgoing.length > 0) somethingComes(outgoing.length);
  // What is kept in the same moment is written together: a page left right after it loses none of it.
  flushing ??= busyUntil('journal', Promise.resolve().then(flush));
  return flushing;
}

/** Keeps a record, and in the same step what must reach the server because of it. */
export function keep(record: RoundRecord, outgoing: readonly Outgoing[] = []): Promise<void> {
  tell(record.visitId, { status: 'here', record });
  return writeSoon(record.visitId, record, outgoing);
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
  const record = newRound(visitId, visit.systemId, visit.startedAt, visit.season ?? null);
  await keep(record, [{ path: `/api/visits/${visitId}`, body: visit, visitId, id: visitId }]);
}

/** Takes up a round that was started elsewhere, so that it can be worked here. */
export const takeUpRound = (
  visitId: string,
  visit: NewVisit,
  looseEnds: readonly LooseEnd[],
  call: NewCall | null,
): Promise<void> =>
  keep({ ...newRound(visitId, visit.systemId, visit.startedAt, visit.season ?? null), looseEnds, call });

/** Keeps what a call is about as it now stands, here and at the office. */
export const keepCall = (visitId: string, call: NewCall): Promise<void> =>
  change(visitId, (record) => ({ ...record, call }), [
    { path: `/api/visits/${visitId}/call`, body: call, visitId, id: `${visitId}/call` },
  ]);

/** Takes a typed reading. Its draft is what is taken: once that is gone (Enter took it, then the field lost the focus) nothing is left to take. */
export function takeReading(visitId: string, key: string, taken: LocalReading): Promise<void> {
  return current(visitId)?.drafts[key] ? addReading(visitId, key, taken) : Promise.resolve();
}

/** Takes a reading that was chosen, not typed. */
export const addReading = (visitId: string, key: string, taken: LocalReading): Promise<void> => {
  void dropAsideAt(key);
  return change(visitId, (record) => withReading(record, key, taken), [
    { path: `/api/readings/${taken.id}`, body: taken.reading, visitId, id: taken.id },
  ]);
};

/** A field that is taken anew needs no decision about what the server would not take there before. */
async function dropAsideAt(key: string): Promise<void> {
  const there = (await allAside()).filter((a) => {
    const reading = readingIn(a);
    return reading !== null && placeKey(reading) === key;
  });
  await Promise.all(there.map((a) => dropAside(a.order)));
  if (there.length > 0) somethingToSend();
}

export function fitPart(visitId: string, id: string, fitted: FittedPart): Promise<void> {
  const part: LocalPart = { id, fitted };
  return change(visitId, (record) => withPart(record, part), [
    { path: `/api/components/${id}`, body: fitted, visitId, id },
  ]);
}

/**
 * This device's moment, but not before another: what another device with a faster clock has opened is put back after that,
 * whatever this one's clock says.
 */
export const momentAfter = (earlier: string): string =>
  new Date(Math.max(Date.now(), Date.parse(earlier))).toISOString();

const looseEndToSend = (visitId: string, { id, ...end }: LooseEnd): Outgoing => ({
  path: `/api/loose-ends/${id}`,
  body: { visitId, ...end },
  visitId,
  id,
});

/** Notes which wire is on which lug of a part, by its name, here and at the office. */
export const noteWires = (visitId: string, systemId: string, on: string, wires: readonly WireBack[]): Promise<void> =>
  change(visitId, (record) => withWires(record, on, wires), [
    { path: `/api/systems/${systemId}/wires`, body: { on, wires }, visitId, id: `${systemId}/wires/${on}` },
  ]);

/** Notes a loose end as it now stands, here and at the office. */
export const keepLooseEnd = (visitId: string, end: LooseEnd): Promise<void> =>
  change(visitId, (record) => withLooseEnd(record, end), [looseEndToSend(visitId, end)]);

/** Opens loose ends that an instruction makes, unless the same one hangs loose already. */
export function openLooseEnds(visitId: string, ends: readonly (LooseEnd & { code: LooseEndCode })[]): Promise<void> {
  const there = current(visitId)?.looseEnds.filter((e) => e.putBackAt === null) ?? [];
  // Of what several can hang loose, as wires, it is the one that is named.
  const hangs = (end: LooseEnd) =>
    there.some(({ code, text }) => code === end.code && (end.text === '' || text === end.text));
  const fresh = ends.filter((e) => !hangs(e));
  return change(
    visitId,
    (record) => fresh.reduce(withLooseEnd, record),
    fresh.map((end) => looseEndToSend(visitId, end)),
  );
}

/** Keeps what was put off, or taken up again, in one change: the record with all of it, and all of it on its way. */
export const keepFollowUps = (
  visitId: string,
  next: readonly LocalFollowUp[],
  also: (record: RoundRecord) => RoundRecord = (record) => record,
): Promise<void> =>
  change(
    visitId,
    (record) => next.reduce(withFollowUp, also(record)),
    next.map(({ id, followUp }) => ({ path: `/api/follow-ups/${id}`, body: followUp, visitId, id })),
  );

/** Notes a repair, or takes it back. */
export const keepEvent = (visitId: string, next: LocalEvent): Promise<void> =>
  change(visitId, (record) => withEvent(record, next), [
    { path: `/api/events/${next.id}`, body: next.event, visitId, id: next.id },
  ]);

/** Puts a technician's ruling in place of a reading's verdict, or takes it back. */
export const keepRuling = (visitId: string, next: LocalRuling): Promise<void> =>
  change(visitId, (record) => withRuling(record, next), [
    { path: `/api/readings/${next.id}/ruling`, body: next.ruling, visitId, id: rulingName(next.id) },
  ]);

/** Keeps a photo until it has reached the office. */
export const keepPhoto = (visitId: string | null, id: string, path: string, picture: Blob): Promise<void> =>
  writeSoon(visitId ?? id, null, [{ path, body: picture, visitId: visitId ?? '', id }]);

export function closeRound(visitId: string, closedAt: string, note: string): Promise<void> {
  const body = note.trim() ? { closedAt, note: note.trim() } : { closedAt };
  return change(visitId, (record) => ({ ...record, closedAt, note }), [
    { path: `/api/visits/${visitId}/closing`, body, visitId, id: `${visitId}/closing` },
  ]);
}

/** A round on this device, fetched from its store when no screen has asked for it yet; undefined when it is not here. */
export async function roundOf(visitId: string): Promise<RoundRecord | undefined> {
  const record = current(visitId) ?? (await stored(visitId));
  return record && completed(record);
}

/** Changes a round that may not be open on the screen. */
export async function changeStored(visitId: string, by: (record: RoundRecord) => RoundRecord): Promise<void> {
  const record = await roundOf(visitId);
  if (record) await keep(by(record));
}

/** Notes what the server refused, also in a round that is not open on the screen. */
export async function noteRefusal(visitId: string, id: string, why: string): Promise<void> {
  await changeStored(visitId, (record) => withRefusal(record, id, why));
}
