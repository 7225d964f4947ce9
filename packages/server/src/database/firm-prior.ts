import {
  byThread,
  countingReadings,
  judgedReading,
  learnPrior,
  threadReadingsOf,
  type FleetPrior,
  type Thread,
} from '@yarnix/core';
import type { LoadableFirm, LoadableSystem } from './load-firm.ts';

/** Systems the fleet is learned from when a firm is loaded. */
const MOST_TO_LEARN_FROM = 300;

/** What the fleet of a firm about to be loaded teaches: from its first systems. */
export function priorOf(firm: LoadableFirm): FleetPrior {
  const threads: Thread[] = [];
  let systems = 0;
  for (const system of firm.systems()) {
    if ((systems += 1) > MOST_TO_LEARN_FROM) break;
    threads.push(...threadsOf(system));
  }
  return learnPrior(threads);
}

/** The threads of a system's living parts. */
function threadsOf(system: LoadableSystem): Thread[] {
  const living = new Map(system.parts.filter((p) => p.removedOn === null).map((p) => [p.id, p]));
  const kept = system.readings.map((r) => ({ ...r, supersedes: r.supersedes ?? null }));
  return [...byThread(kept).values()].flatMap((readings) => {
    const first = readings[0];
    const component = first && living.get(first.componentId);
    if (!first || !component) return [];
    const numeric = threadReadingsOf(countingReadings(readings, [...living.values()]).map(judgedReading));
    return [
      {
        kind: first.kind,
        point: first.point,
        plate: system.plate,
        systemKind: system.kind,
        component,
        readings: numeric,
      },
    ];
  });
}
