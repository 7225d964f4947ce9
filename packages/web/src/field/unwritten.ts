import type { RoundRecord } from '@yarnix/core';
import { v7 } from 'uuid';
import { device } from '../app/device.ts';
import type { Outgoing } from './outgoing.ts';

/**
 * What is kept already, but not yet in the device's store. That store answers a moment later, and a page that is left within
 * this moment takes its writes along; what is noted here is noted before the key is up again, and outlives the page.
 */
export interface Unwritten {
  readonly record: RoundRecord | null;
  readonly outgoing: readonly Outgoing[];
}

const PREFIX = 'yarnix-unwritten';
/** A page that is reloaded lets go of its lock when the browser comes to it, which on a busy device takes seconds. */
const LONGEST_WAIT_MS = 5000;
const LOOK_AGAIN_MS = 25;
const page = v7();
const noted = new Map<string, Unwritten>();

const nameOf = (key: string): string => `${PREFIX}/${page}/${key}`;
const lockOf = (of: string): string => `${PREFIX}/${of}`;
const isText = ({ body }: Outgoing): boolean => !(body instanceof Blob);

function note(key: string, { record, outgoing }: Unwritten): void {
  try {
    if (record || outgoing.length > 0) localStorage.setItem(nameOf(key), JSON.stringify({ record, outgoing }));
    else localStorage.removeItem(nameOf(key));
  } catch {
    // No room for the note: the device's store has its own, and is on its way.
  }
}

/** Notes what is about to be written, until `written` is told of it. Photos are not noted: they are too large. */
export function toBeWritten(key: string, record: RoundRecord | null, outgoing: readonly Outgoing[]): void {
  const before = noted.get(key);
  const all = {
    record: record ?? before?.record ?? null,
    outgoing: [...(before?.outgoing ?? []), ...outgoing.filter(isText)],
  };
  noted.set(key, all);
  note(key, all);
}

/** Told what has reached the device's store. */
export function written(key: string, done: Unwritten): void {
  const before = noted.get(key);
  if (!before) return;
  const left = {
    record: before.record === done.record ? null : before.record,
    outgoing: before.outgoing.filter((item) => !done.outgoing.includes(item)),
  };
  if (left.record || left.outgoing.length > 0) noted.set(key, left);
  else noted.delete(key);
  note(key, left);
}

const sameAs = (a: Outgoing) => (b: Outgoing) => a.path === b.path && JSON.stringify(a.body) === JSON.stringify(b.body);

const notesOf = (of: string): string[] => Object.keys(localStorage).filter((n) => n.startsWith(`${PREFIX}/${of}/`));

/** Resolves once pages have nothing noted: each is gone and was taken up, or lives and has written its own; or when time is up. */
async function nothingNoted(pages: ReadonlySet<string>): Promise<void> {
  for (let waited = 0; waited < LONGEST_WAIT_MS; waited += LOOK_AGAIN_MS) {
    if ([...pages].every((of) => notesOf(of).length === 0)) return;
    await new Promise((resolve) => setTimeout(resolve, LOOK_AGAIN_MS));
  }
}

/** Writes what another page noted and could not write, each thing once. */
async function takeUp(of: string): Promise<void> {
  for (const name of notesOf(of)) {
    const { record, outgoing } = JSON.parse(localStorage.getItem(name) ?? '{}') as Partial<Unwritten>;
    const tx = (await device()).transaction(['rounds', 'outbox'], 'readwrite');
    const outbox = tx.objectStore('outbox');
    const there = await outbox.getAll();
    const missing = (outgoing ?? []).filter((item) => !there.some(sameAs(item)));
    await Promise.all([
      record && tx.objectStore('rounds').put(record),
      ...missing.map((item) => outbox.add(item)),
      tx.done,
    ]);
    localStorage.removeItem(name);
  }
}

async function takeUpAll(): Promise<void> {
  // A page holds its lock for as long as it lives: what a living one notes is its own to write.
  void navigator.locks.request(lockOf(page), () => new Promise(() => undefined));
  const others = new Set(
    Object.keys(localStorage).flatMap((name) => {
      const [prefix, of] = name.split('/');
      return prefix === PREFIX && of && of !== page ? [of] : [];
    }),
  );
  const taken = [...others].map((of) => navigator.locks.request(lockOf(of), () => takeUp(of)));
  // Another page that is open keeps its lock, and writes in a moment what it noted: nobody waits for it to be closed.
  await Promise.race([Promise.allSettled(taken), nothingNoted(others)]);
}

let taken: Promise<void> | undefined;

/** Once for each page, before anything is read from the device's store: writes what an earlier page left unwritten. */
export const unwrittenTakenUp = (): Promise<void> => (taken ??= takeUpAll());
