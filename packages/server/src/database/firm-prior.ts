import { checkOf } from '../features/meters/checks.ts';
import { DEFAULT_POLICY, learnPrior, threadsOfSystem, type FleetPrior, type Thread } from '@yarnix/core';
import { readingAsKept, type LoadableFirm } from './loadable-firm.ts';

/** Systems the fleet is learned from when a firm is loaded. */
const MOST_TO_LEARN_FROM = 300;

/** What the fleet of a firm about to be loaded teaches: from its first systems. */
export function priorOf(firm: LoadableFirm): FleetPrior {
  const checks = (firm.checks ?? []).map((c) => checkOf(c, firm.zone));
  const threads: Thread[] = [];
  let systems = 0;
  for (const system of firm.systems()) {
    if ((systems += 1) > MOST_TO_LEARN_FROM) break;
    const components = system.parts.filter((p) => p.removedOn === null);
    const kept = system.readings.map(readingAsKept);
    threads.push(...threadsOfSystem({ ...system, zone: firm.zone, components }, kept));
  }
  return learnPrior(threads, DEFAULT_POLICY, checks);
}
