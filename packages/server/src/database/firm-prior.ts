import { learnPrior, threadsOfSystem, type FleetPrior, type Thread } from '@yarnix/core';
import type { LoadableFirm } from './loadable-firm.ts';

/** Systems the fleet is learned from when a firm is loaded. */
const MOST_TO_LEARN_FROM = 300;

/** What the fleet of a firm about to be loaded teaches: from its first systems. */
export function priorOf(firm: LoadableFirm): FleetPrior {
  const threads: Thread[] = [];
  let systems = 0;
  for (const system of firm.systems()) {
    if ((systems += 1) > MOST_TO_LEARN_FROM) break;
    const components = system.parts.filter((p) => p.removedOn === null);
    const kept = system.readings.map((r) => ({ ...r, supersedes: r.supersedes ?? null }));
    threads.push(...threadsOfSystem({ ...system, components }, kept));
  }
  return learnPrior(threads);
}
