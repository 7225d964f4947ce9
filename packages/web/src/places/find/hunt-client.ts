import type { HuntAsked, HuntReport, Plate, SystemKind } from '@yarnix/core';
import { wrap, type Remote } from 'comlink';
import { busyUntil } from '../../app/busy.ts';
import type { Hunting } from './hunt-worker.ts';

/** Whoever answers: a worker in the app, a stand-in where there is none. */
export interface Worked {
  readonly hunting: Pick<Remote<Hunting>, 'report'>;
  /** Rejects when the worker itself has failed: what was asked of it is never answered then. */
  readonly failed: Promise<never>;
  readonly end: () => void;
}

function startWorker(): Worked {
  const worker = new Worker(new URL('./hunt-worker.ts', import.meta.url), { type: 'module' });
  const failed = new Promise<never>((_, reject) => {
    const say = (event: Event) => reject(new Error(event instanceof ErrorEvent ? event.message : 'the worker ended'));
    worker.addEventListener('error', say);
    worker.addEventListener('messageerror', say);
  });
  // Whoever asks is told; with nobody asking there is nobody to tell.
  failed.catch(() => undefined);
  return { hunting: wrap<Hunting>(worker), failed, end: () => worker.terminate() };
}

/** A machine's causes take a second or two on a slow phone; what takes this long has been lost, ms. */
const LONGEST_MS = 60_000;

/** Asks a worker where a hunt stands. A worker that fails is ended, and the next question starts another. */
export function huntClient(start: () => Worked = startWorker, longestMs = LONGEST_MS) {
  let worked: Worked | null = null;
  return async (kind: SystemKind, plate: Plate, asked: HuntAsked): Promise<HuntReport> => {
    const at = (worked ??= start());
    let timer: ReturnType<typeof setTimeout> | undefined;
    const late = new Promise<never>((_, reject) => {
      timer = setTimeout(() => reject(new Error('no answer from the worker')), longestMs);
    });
    try {
      return await busyUntil('diagnosis', Promise.race([at.hunting.report(kind, plate, asked), at.failed, late]));
    } catch (error) {
      at.end();
      if (worked === at) worked = null;
      throw error;
    } finally {
      clearTimeout(timer);
    }
  };
}

/** The worker of this page; started when it is first needed, kept for the next answer. */
export const askHunt = huntClient();
