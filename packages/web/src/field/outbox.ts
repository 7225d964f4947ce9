import { ApiProblem, NoAnswer, put } from '../app/api.ts';
import { device } from '../app/device.ts';
import { carriedBy, type Outgoing } from './outgoing.ts';
import { allAside, setAside, waitsFor, type SetAside } from './set-aside.ts';
import { unwrittenTakenUp } from './unwritten.ts';

export type { Outgoing } from './outgoing.ts';

export interface OutboxState {
  /** How many writes are still on their way into the device's store. */
  readonly coming: number;
  readonly waiting: readonly Outgoing[];
  /** What the server would not take; it waits for a decision. */
  readonly aside: readonly SetAside[];
  /** False once a try has failed, until one succeeds. */
  readonly reachable: boolean;
}

const FIRST_WAIT_MS = 1000;
const LONGEST_WAIT_MS = 20_000;

let state: OutboxState = { coming: 0, waiting: [], aside: [], reachable: true };
const listeners = new Set<() => void>();
/** How often there was reason to try at once: one that comes while a try is under way must not be slept over. */
let wakes = 0;
let endPause: () => void = () => undefined;

function wake(): void {
  wakes += 1;
  endPause();
}

function become(next: Partial<OutboxState>): void {
  state = { ...state, ...next };
  listeners.forEach((listener) => listener());
}

export const outboxState = (): OutboxState => state;
export const onOutbox = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whether something is on its way into the device's store or to a server that can be reached, and waits for nobody. */
export const isSending = (): boolean =>
  state.coming > 0 || (state.reachable && state.waiting.some((item) => !waitsFor(item, state.aside)));

/** Looks again at what is there. */
export async function look(): Promise<OutboxState> {
  const [waiting, aside] = await Promise.all([device().then((db) => db.getAll('outbox')), allAside()]);
  become({ waiting, aside });
  return state;
}

/** Told when writes are about to be put into the outbox: from then on not all is sent. */
export const somethingComes = (count: number): void => become({ coming: state.coming + count });

/** Told when something was put into the outbox, so many of those that were coming, or taken out of what was set aside. */
export function somethingToSend(came = 0): void {
  void look().finally(() => become({ coming: state.coming - came }));
  wake();
}

/** Told of what the server understood and would not take. */
export type OnRefused = (refused: Outgoing, why: string) => Promise<void>;

type Outcome = { readonly outcome: 'sent' | 'nothing' } | { readonly outcome: 'unreachable'; readonly afterMs: number };

/** A round that is closed already, by another device or a try whose answer was lost, needs no closing. */
const isDone = (item: Outgoing, { problem }: ApiProblem): boolean =>
  carriedBy(item) === 'closing' && problem.code === 'visit-closed';

async function sendFirst(onRefused: OnRefused): Promise<Outcome> {
  const { waiting, aside } = await look();
  const item = waiting.find((w) => !waitsFor(w, aside));
  if (item?.order === undefined) return { outcome: 'nothing' };
  try {
    await put(item.path, item.body);
  } catch (error) {
    if (!(error instanceof ApiProblem))
      return { outcome: 'unreachable', afterMs: (error instanceof NoAnswer ? error.retryAfterMs : null) ?? 0 };
    if (!isDone(item, error)) {
      // It understood and will not take it: trying again would not help, and the rest need not wait.
      await setAside({ ...item, order: item.order }, error.problem.detail, error.problem.code);
      await onRefused(item, error.problem.detail);
      return { outcome: 'sent' };
    }
  }
  await (await device()).delete('outbox', item.order);
  return { outcome: 'sent' };
}

/** Resolves after so many ms, or once somebody wakes it; at once when that came since `wakesBefore` was read. */
const pause = (ms: number, wakesBefore: number): Promise<void> =>
  new Promise((resolve) => {
    if (wakes !== wakesBefore) return resolve();
    const timer = setTimeout(resolve, ms);
    endPause = () => {
      clearTimeout(timer);
      resolve();
    };
  });

async function sendForever(onSent: () => void, onRefused: OnRefused): Promise<never> {
  let wait = FIRST_WAIT_MS;
  await unwrittenTakenUp().then(look, () => undefined);
  for (;;) {
    const wakesBefore = wakes;
    // The device's own store may fail too (full, or closed by the browser): it is asked again like the server.
    const sent = await sendFirst(onRefused).catch((): Outcome => ({ outcome: 'unreachable', afterMs: 0 }));
    if (sent.outcome === 'sent') {
      wait = FIRST_WAIT_MS;
      become({ reachable: true });
      if ((await look()).waiting.length === 0) onSent();
      continue;
    }
    if (sent.outcome === 'unreachable') {
      become({ reachable: false });
      wait = Math.min(LONGEST_WAIT_MS, wait * 2);
      await pause(Math.max(wait, sent.afterMs), wakesBefore);
    } else await pause(LONGEST_WAIT_MS, wakesBefore);
  }
}

/** Sends what is waiting, oldest first, for as long as the app is open; one tab at a time. */
export function startSending(onSent: () => void, onRefused: OnRefused): void {
  void look();
  window.addEventListener('online', wake);
  void navigator.locks.request('yarnix-outbox', () => sendForever(onSent, onRefused));
}
