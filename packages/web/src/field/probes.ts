import {
  AIR_SETTLE_SECONDS,
  probeSampleSchema,
  settle,
  settleAir,
  type Sample,
  type Settled,
  type Unit,
} from '@yarnix/core';
import { useEffect, useState } from 'react';

const FAULTS_KEY = 'yarnix-practice-faults';

/** Faults put into the simulated house for practice, kept on this device. */
export const practiceFaults = (): string[] => (localStorage.getItem(FAULTS_KEY) ?? '').split(',').filter(Boolean);
export const choosePracticeFaults = (faults: readonly string[]): void =>
  localStorage.setItem(FAULTS_KEY, faults.join(','));

/** What a probe has sent so far. */
export type Listening =
  | { readonly status: 'connecting' }
  | { readonly status: 'lost' }
  | {
      readonly status: 'live';
      readonly samples: readonly Sample[];
      readonly over: boolean;
      readonly settled: Settled & { readonly flatFor?: number };
      /** What may be taken: as it settled now, or a moment ago. */
      readonly offered: Settled | null;
    };

/** What has settled may be taken for so long, ms: a finger on its way to the button is not faster than a figure that moves. */
export const OFFERED_FOR_MS = 1500;

/** As much of a trace as is kept, samples. */
const KEPT = 4 * AIR_SETTLE_SECONDS + 40;
/** OL must hold this long before it may be taken, samples. */
const OVER_SAMPLES = 10;

interface Heard {
  readonly samples: readonly Sample[];
  readonly over: number;
}

function hear(before: Heard, text: string): Heard {
  const { at, value } = probeSampleSchema.parse(JSON.parse(text));
  if (value === null) return { samples: [], over: before.over + 1 };
  return { samples: [...before.samples.slice(1 - KEPT), { at, value }], over: 0 };
}

/** What of a probe may be taken, and until when it may, ms. */
interface Offered {
  readonly settled: Settled;
  readonly until: number;
}

interface Stream {
  readonly listening: Listening;
  readonly offered: Offered | null;
}

/** What a probe has come to at a moment, ms, after what was offered of it before. */
export function streamAfter(
  heard: Heard,
  { unit, isAir }: Omit<Probe, 'address'>,
  before: Offered | null,
  now: number,
): Stream {
  const { samples, over } = heard;
  const settled = isAir ? settleAir(samples) : settle(samples, unit);
  const offered = settled.settled
    ? { settled, until: now + OFFERED_FOR_MS }
    : before && now < before.until
      ? before
      : null;
  return {
    listening: { status: 'live', samples, over: over >= OVER_SAMPLES, settled, offered: offered?.settled ?? null },
    offered,
  };
}

/** One probe to listen to: its address, and the unit it measures in. */
export interface Probe {
  readonly address: string;
  readonly unit: Unit;
  /** Whether it hangs in air, which settles over minutes. */
  readonly isAir: boolean;
}

/** Listens to some probes at once, for as long as the same ones are asked for; none asks for nothing. */
export function useProbes(probes: readonly Probe[]): Listening[] {
  const [streams, setStreams] = useState<Readonly<Record<string, Stream>>>({});
  const asked = JSON.stringify(probes);
  useEffect(() => {
    const heard = new Map<string, Heard>();
    const offered = new Map<string, Offered | null>();
    // Several probes may send many times between two frames: what came is shown once in each.
    const news = new Map<string, Heard | 'lost'>();
    const sought = JSON.parse(asked) as Probe[];
    let frame = 0;
    const show = () => {
      frame = 0;
      const came = sought.flatMap((probe): [string, Stream][] => {
        const { address } = probe;
        const now = news.get(address);
        if (now === undefined) return [];
        if (now === 'lost') return [[address, { listening: { status: 'lost' }, offered: null }]];
        const stream = streamAfter(now, probe, offered.get(address) ?? null, performance.now());
        offered.set(address, stream.offered);
        return [[address, stream]];
      });
      news.clear();
      setStreams((before) => ({ ...before, ...Object.fromEntries(came) }));
    };
    const note = (address: string, what: Heard | 'lost') => {
      news.set(address, what);
      frame ||= requestAnimationFrame(show);
    };
    const sources = sought.map(({ address }) => {
      const source = new EventSource(address);
      source.onmessage = (event: MessageEvent<string>) => {
        const next = hear(heard.get(address) ?? { samples: [], over: 0 }, event.data);
        heard.set(address, next);
        note(address, next);
      };
      source.onerror = () => {
        // A stream that broke off would begin again from its start-up: better said than mixed.
        source.close();
        note(address, 'lost');
      };
      return source;
    });
    return () => {
      cancelAnimationFrame(frame);
      sources.forEach((source) => source.close());
    };
  }, [asked]);
  return probes.map(({ address }) => streams[address]?.listening ?? { status: 'connecting' });
}
