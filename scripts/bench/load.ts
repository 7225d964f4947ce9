import { performance } from 'node:perf_hooks';

/** What came of some callers asking at once, each again as soon as it was answered. */
export interface Load {
  readonly perSecond: number;
  readonly median: number;
  readonly p975: number;
  readonly failed: number;
}

/** Lets `callers` call at once for `seconds`; `call` gets the number of the call. */
export async function underLoad(callers: number, seconds: number, call: (n: number) => Promise<void>): Promise<Load> {
  const times: number[] = [];
  let failed = 0;
  let next = 0;
  const began = performance.now();
  const ends = began + seconds * 1000;
  await Promise.all(
    Array.from({ length: callers }, async () => {
      while (performance.now() < ends) {
        const at = performance.now();
        next += 1;
        await call(next).catch(() => (failed += 1));
        times.push(performance.now() - at);
      }
    }),
  );
  const sorted = times.sort((a, b) => a - b);
  const at = (share: number): number => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
  return { perSecond: sorted.length / ((performance.now() - began) / 1000), median: at(0.5), p975: at(0.975), failed };
}

export const reportLoad = (name: string, load: Load): void =>
  console.log(
    `| ${name} | ${load.perSecond.toFixed(0)} | ${load.median.toFixed(0)} ms | ${load.p975.toFixed(0)} ms | ${load.failed} |`,
  );
