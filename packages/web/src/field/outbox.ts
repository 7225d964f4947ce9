import { ApiProblem, put } from '../app/api.ts';
import { device } from '../app/device.ts';

/** A PUT that is to reach the server, in the order it was made. */
export interface Outgoing {
  /** Given by the store. */
  order?: number;
  readonly path: string;
  readonly body: unknown;
  readonly visitId: string;
  /** The id of what it carries. */
  readonly id: string;
}

export interface OutboxState {
  readonly waiting: number;
  /** False once a try has failed, until one succeeds. */
  readonly reachable: boolean;
}

const LONGEST_WAIT_MS = 20_000;

let state: OutboxState = { waiting: 0, reachable: true };
const listeners = new Set<() => void>();
let wake: () => void = () => undefined;

function become(next: Partial<OutboxState>): void {
  state = { ...state, ...next };
  listeners.forEach((listener) => listener());
}

export const outboxState = (): OutboxState => state;
export const onOutbox = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

async function count(): Promise<number> {
  const waiting = await (await device()).count('outbox');
  become({ waiting });
  return waiting;
}

/** Told when something was put into the outbox. */
export function somethingToSend(): void {
  void count();
  wake();
}

/** Told of what the server understood and would not take. */
export type OnRefused = (refused: Outgoing, why: string) => Promise<void>;

async function sendFirst(onRefused: OnRefused): Promise<'sent' | 'nothing' | 'unreachable'> {
  const db = await device();
  const cursor = await db.transaction('outbox').store.openCursor();
  if (!cursor) return 'nothing';
  const { key, value } = cursor;
  try {
    await put(value.path, value.body);
  } catch (error) {
    if (!(error instanceof ApiProblem)) return 'unreachable';
    // The server understood and will not take it: sending it again would not help, so it is noted where it was typed.
    await onRefused(value, error.problem.detail);
  }
  await db.delete('outbox', key);
  return 'sent';
}

const pause = (ms: number): Promise<void> =>
  new Promise((resolve) => {
    const timer = setTimeout(resolve, ms);
    wake = () => {
      clearTimeout(timer);
      resolve();
    };
  });

async function sendForever(onSent: () => void, onRefused: OnRefused): Promise<never> {
  let wait = 1000;
  for (;;) {
    const outcome = await sendFirst(onRefused);
    if (outcome === 'sent') {
      wait = 1000;
      become({ reachable: true });
      if ((await count()) === 0) onSent();
      continue;
    }
    if (outcome === 'unreachable') {
      become({ reachable: false });
      wait = Math.min(LONGEST_WAIT_MS, wait * 2);
    }
    await pause(outcome === 'nothing' ? LONGEST_WAIT_MS : wait);
  }
}

/** Sends what is waiting, oldest first, for as long as the app is open; one tab at a time. */
export function startSending(onSent: () => void, onRefused: OnRefused): void {
  void count();
  window.addEventListener('online', () => wake());
  void navigator.locks.request('yarnix-outbox', () => sendForever(onSent, onRefused));
}
