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
    };

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

interface Stream {
  readonly heard: Heard;
  readonly lost: boolean;
}

const listeningOf = (stream: Stream | undefined, { unit, isAir }: Probe): Listening => {
  if (!stream) return { status: 'connecting' };
  if (stream.lost) return { status: 'lost' };
  const { samples, over } = stream.heard;
  return {
    status: 'live',
    samples,
    over: over >= OVER_SAMPLES,
    settled: isAir ? settleAir(samples) : settle(samples, unit),
  };
};

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
  const asked = probes.map((p) => p.address).join('\n');
  useEffect(() => {
    const heard = new Map<string, Heard>();
    // Several probes may send many times between two frames: what came is shown once in each.
    const news = new Map<string, Stream>();
    let frame = 0;
    const show = () => {
      frame = 0;
      const came = Object.fromEntries(news);
      news.clear();
      setStreams((now) => ({ ...now, ...came }));
    };
    const note = (address: string, stream: Stream) => {
      news.set(address, stream);
      frame ||= requestAnimationFrame(show);
    };
    const sources = asked
      .split('\n')
      .filter(Boolean)
      .map((address) => {
        const source = new EventSource(address);
        source.onmessage = (event: MessageEvent<string>) => {
          const next = hear(heard.get(address) ?? { samples: [], over: 0 }, event.data);
          heard.set(address, next);
          note(address, { heard: next, lost: false });
        };
        source.onerror = () => {
          // A stream that broke off would begin again from its start-up: better said than mixed.
          source.close();
          note(address, { heard: { samples: [], over: 0 }, lost: true });
        };
        return source;
      });
    return () => {
      cancelAnimationFrame(frame);
      sources.forEach((source) => source.close());
    };
  }, [asked]);
  return probes.map((probe) => listeningOf(streams[probe.address], probe));
}
