import type { Refit } from '@yarnix/core';
import { performance } from 'node:perf_hooks';
import { setTimeout as sleep } from 'node:timers/promises';
import { connect } from '../../packages/server/src/database/connection.ts';
import { report } from './measure.ts';

const EVERY_MS = 50;

/** Asks for the Watch's first page 20 times a second, whatever the last ones took, until told to stop. */
function callers(address: string): { stop: () => Promise<number[]> } {
  const durations: number[] = [];
  const under: Promise<void>[] = [];
  const timer = setInterval(() => {
    const began = performance.now();
    under.push(
      fetch(`${address}/api/watch`).then(async (response) => {
        if (!response.ok) throw new Error(`the Watch: ${response.status}`);
        await response.arrayBuffer();
        durations.push(performance.now() - began);
      }),
    );
  }, EVERY_MS);
  return {
    stop: async () => {
      clearInterval(timer);
      await Promise.all(under);
      return durations;
    },
  };
}

async function refitToEnd(address: string): Promise<Refit & { seconds: number }> {
  const began = performance.now();
  await fetch(`${address}/api/refits`, { method: 'POST' });
  for (;;) {
    await sleep(200);
    const { refit } = (await (await fetch(`${address}/api/refits/latest`)).json()) as { refit: Refit };
    if (refit.state === 'failed') throw new Error(refit.error ?? 'the refit failed');
    if (refit.state === 'done') return { ...refit, seconds: (performance.now() - began) / 1000 };
  }
}

/** The rows a refit has to read, through one plain query, s. */
async function floor(url: string): Promise<number> {
  const db = connect(url, 1);
  const began = performance.now();
  await db.raw(`
    select count(*), sum(length(row::text)) from (
      select r.component_id, r.kind, r.point, r.method, r.value, r.findings, r.taken_at, r.conditions
      from readings r join components k on k.id = r.component_id and k.removed_on is null
    ) row`);
  await db.destroy();
  return (performance.now() - began) / 1000;
}

/** A refit alone, and one with the Watch asked 20 times a second beside it. */
export async function measureRefit(address: string, url: string): Promise<void> {
  const least = await floor(url);
  const quiet = callers(address);
  await sleep(6000);
  const before = await quiet.stop();
  const alone = await refitToEnd(address);
  const busy = callers(address);
  const beside = await refitToEnd(address);
  const during = await busy.stop();
  console.log('\n| server | median | p95 | worst | limit |\n| --- | --- | --- | --- | --- |');
  report('Watch, 20 times a second, no refit', before, '');
  report('Watch, 20 times a second beside a refit', during, 'p95 under 100 ms');
  for (const [name, { seconds, threads }] of [
    ['alone', alone],
    ['with the Watch asked beside it', beside],
  ] as const) {
    const scaled = (seconds * 120_000) / threads;
    console.log(
      `\nRefit ${name}: ${threads} threads in ${seconds.toFixed(1)} s, learning included; ${scaled.toFixed(1)} s for 120 000 (limit 30); ${(seconds / least).toFixed(1)} times the ${least.toFixed(1)} s of one plain query of the same rows.`,
    );
  }
}
