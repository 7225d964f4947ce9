import {
  dayOf,
  nextRoundAfter,
  systemThreads,
  type ComponentView,
  type ReadingView,
  type Session,
  type SystemDetail,
  type SystemThread,
} from '@yarnix/core';
import { eventsOf } from './events-of.ts';

/** A part as judging sees it: with days in place of dates. */
export const judgedPart = (part: ComponentView) => ({
  ...part,
  fittedOn: part.fittedOn === null ? null : dayOf(part.fittedOn),
});

/** A part of a system with its thread. */
export type LivingThread = SystemThread<ReadingView, ReturnType<typeof judgedPart>>;

/**
 * The threads of a system's parts as they stand today: of those that are in, or, when `only` names one that is out, of
 * that one by its own readings alone.
 */
export function livingThreads(
  system: SystemDetail,
  { policy, prior }: Pick<Session['firm'], 'policy' | 'prior'>,
  today: number,
  only?: ComponentView,
): LivingThread[] {
  const isOut = only !== undefined && only.removedOn !== null;
  const components = system.components.filter((c) => c.removedOn === null || c.id === only?.id).map(judgedPart);
  const readings = isOut ? system.readings.filter((r) => r.componentId === only.id) : system.readings;
  const { kind, plate, zone } = system;
  const judged = { kind, plate, zone, components, events: eventsOf(system) };
  return systemThreads(judged, readings, {
    nextRound: nextRoundAfter(today, policy),
    policy,
    prior: prior ?? undefined,
  });
}
