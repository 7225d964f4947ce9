import {
  expectedTable,
  groundOf,
  huntReport,
  machineSpecOf,
  type HuntAsked,
  type Plate,
  type SystemKind,
} from '@yarnix/core';
import { expose, type Endpoint } from 'comlink';

type Listener = (event: { data: unknown }) => void;

/** Two ends of a line: what one posts the other hears, a moment later. */
function line(): [Endpoint, Endpoint] {
  const ends = [new Set<Listener>(), new Set<Listener>()] as const;
  const end = (own: 0 | 1): Endpoint => ({
    postMessage: (data: unknown) => queueMicrotask(() => ends[1 - own]!.forEach((listener) => listener({ data }))),
    addEventListener: (_: string, listener: unknown) => void ends[own].add(listener as Listener),
    removeEventListener: (_: string, listener: unknown) => void ends[own].delete(listener as Listener),
  });
  return [end(0), end(1)];
}

/** How the workers of the page behave: they answer, or die when they are asked. */
export const workers = { die: false, started: 0 };

/** Puts a worker that hunts on this thread in the place of the browser's. */
export function standInForWorkers(): void {
  class StandIn extends EventTarget {
    readonly postMessage: Endpoint['postMessage'];
    readonly #near: Endpoint;
    constructor() {
      super();
      workers.started += 1;
      const [near, far] = line();
      this.#near = near;
      this.postMessage = (message, transfer) => {
        if (workers.die)
          queueMicrotask(() => this.dispatchEvent(new ErrorEvent('error', { message: 'out of memory' })));
        else near.postMessage(message, transfer);
      };
      expose(
        {
          report: (kind: SystemKind, plate: Plate, asked: HuntAsked) =>
            huntReport(groundOf(machineSpecOf(kind, plate)), asked),
          table: expectedTable,
        },
        far,
      );
    }
    override addEventListener(type: string, listener: EventListenerOrEventListenerObject | null): void {
      if (type === 'message') this.#near.addEventListener(type, listener!);
      else super.addEventListener(type, listener);
    }
    override removeEventListener(type: string, listener: EventListenerOrEventListenerObject | null): void {
      if (type === 'message') this.#near.removeEventListener(type, listener!);
      else super.removeEventListener(type, listener);
    }
    terminate(): void {
      // Whoever ended it asks nothing more of it.
    }
  }
  Object.assign(globalThis, { Worker: StandIn });
}
