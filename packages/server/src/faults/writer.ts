import type { NewReading } from '@yarnix/core';
import { setTimeout as sleep } from 'node:timers/promises';
import { v7 } from 'uuid';
import { benchReading } from '../testing/suite.ts';

/** What a device knows of what it has sent. */
export interface Sent {
  /** Ids the server has said it keeps. */
  readonly kept: Set<string>;
  /** Every id ever sent, answered or not. */
  readonly tried: Set<string>;
  /** Answers by status; 0 where there was none. */
  readonly answers: Map<number, number>;
}

/** A device that writes readings one after the other, each again and again until it is answered, for as long as it may. */
async function writeReadings(
  address: string,
  at: { visitId: string; componentId: string },
  sent: Sent,
  until: () => boolean,
): Promise<void> {
  for (let n = 0; !until(); n += 1) {
    const id = v7();
    const body: NewReading = benchReading({ ...at, inputs: { microfarads: 39 + (n % 10) / 20 } });
    sent.tried.add(id);
    for (;;) {
      const reply = await fetch(`${address}/api/readings/${id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
        signal: AbortSignal.timeout(15_000),
      }).catch(() => undefined);
      const status = reply?.status ?? 0;
      sent.answers.set(status, (sent.answers.get(status) ?? 0) + 1);
      await reply?.arrayBuffer().catch(() => undefined);
      if (status === 200) {
        sent.kept.add(id);
        break;
      }
      // What was not acknowledged at the end may be there or not: whoever waits for it is not kept waiting.
      if (until()) break;
      // Anything but "try again" would be a fault of the server: it is counted, and the device goes on.
      if (status !== 0 && status !== 503) break;
      await sleep(25);
    }
  }
}

/**
 * Writes at each place while `strike` goes on, and stops with it however it ends: a strike that fails leaves no writer
 * behind. Strikes go by what was written and not by the clock, which a busy machine makes nothing of: `another` resolves
 * once one more write was acknowledged. Tells what each has sent.
 */
export async function writeMeanwhile(
  address: string,
  at: readonly { visitId: string; componentId: string }[],
  strike: (another: () => Promise<void>) => Promise<void>,
): Promise<Sent[]> {
  let over = false;
  const all = at.map((): Sent => ({ kept: new Set(), tried: new Set(), answers: new Map() }));
  const writing = Promise.all(at.map((place, i) => writeReadings(address, place, all[i]!, () => over)));
  const acknowledged = () => all.reduce((sum, { kept }) => sum + kept.size, 0);
  const another = async () => {
    const before = acknowledged();
    while (acknowledged() === before) await sleep(5);
  };
  try {
    await strike(another);
  } finally {
    over = true;
    await writing;
  }
  return all;
}
