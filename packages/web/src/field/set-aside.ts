import { device } from '../app/device.ts';
import { carriedBy, redated, type Outgoing, type SetAside } from './outgoing.ts';

export type { SetAside } from './outgoing.ts';

/**
 * Whether something must wait for what is set aside of its round: the round's own start goes before all of it, and its
 * close after all of it, since a closed round takes no more.
 */
export const waitsFor = (item: Outgoing, aside: readonly SetAside[]): boolean =>
  item.visitId !== '' &&
  aside.some(
    (a) => a.visitId === item.visitId && (carriedBy(a) === 'visits' || carriedBy(item) === 'closing') && a !== item,
  );

/** Sets aside what is first in the outbox; one step, so that it is never in neither place. */
export async function setAside(item: Outgoing & { order: number }, why: string, code: string): Promise<void> {
  const tx = (await device()).transaction(['outbox', 'aside'], 'readwrite');
  await Promise.all([
    tx.objectStore('outbox').delete(item.order),
    tx.objectStore('aside').put({ ...item, why, code }),
    tx.done,
  ]);
}

/** Puts what was set aside back to where it stood in the order; `clockOffMs` dates it as the right clock would have. */
export async function putBack(item: SetAside, clockOffMs = 0): Promise<void> {
  const { why: _why, code, ...outgoing } = item;
  const tx = (await device()).transaction(['outbox', 'aside'], 'readwrite');
  await Promise.all([
    tx.objectStore('aside').delete(item.order),
    tx.objectStore('outbox').put(code === 'clock-off' ? redated(outgoing, clockOffMs) : outgoing),
    tx.done,
  ]);
}

/** Sets something aside again that was taken back. */
export const keepAside = async (item: SetAside): Promise<unknown> => (await device()).put('aside', item);

export const dropAside = async (order: number): Promise<void> => (await device()).delete('aside', order);

export const allAside = async (): Promise<SetAside[]> => (await device()).getAll('aside');
