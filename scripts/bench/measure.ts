import { performance } from 'node:perf_hooks';

/** Median and 95th percentile of some durations, ms. */
export function spread(durations: readonly number[]): { median: number; p95: number; worst: number } {
  const sorted = [...durations].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
  return { median: at(0.5), p95: at(0.95), worst: sorted.at(-1) ?? NaN };
}

/** Runs something again and again after a warm-up; durations in ms of each run of `batch` calls, divided by the batch. */
export function timeSync(work: (i: number) => unknown, runs: number, batch: number): number[] {
  for (let i = 0; i < 2000; i += 1) work(i);
  const durations: number[] = [];
  for (let run = 0; run < runs; run += 1) {
    const began = performance.now();
    for (let i = 0; i < batch; i += 1) work(run * batch + i);
    durations.push((performance.now() - began) / batch);
  }
  return durations;
}

export async function timeAsync(work: (i: number) => Promise<unknown>, runs: number, warmUp = 20): Promise<number[]> {
  for (let i = 0; i < warmUp; i += 1) await work(-1 - i);
  const durations: number[] = [];
  for (let i = 0; i < runs; i += 1) {
    const began = performance.now();
    await work(i);
    durations.push(performance.now() - began);
  }
  return durations;
}

export function report(name: string, durations: readonly number[], limit: string): void {
  const { median, p95, worst } = spread(durations);
  const say = (ms: number) => (ms < 1 ? `${(ms * 1000).toFixed(ms < 0.1 ? 1 : 0)} µs` : `${ms.toFixed(2)} ms`);
  console.log(`| ${name} | ${say(median)} | ${say(p95)} | ${say(worst)} | ${limit} |`);
}
