import {
  assessSystem,
  dayOf,
  inlineThread,
  nextRoundAfter,
  severityOf,
  type Component,
  type Day,
  type FleetPrior,
  type JudgedSystem,
  type PartAssessment,
  type Policy,
  type Reading,
  type ThreadMemo,
} from '@yarnix/core';
import type { PartRow, Standings } from './store.ts';

export const componentOf = (
  row: Pick<PartRow, 'id' | 'slot' | 'kind' | 'plate' | 'fitted_on'>,
): Component & { id: string } => ({
  id: row.id,
  slot: row.slot,
  kind: row.kind,
  plate: row.plate,
  fittedOn: row.fitted_on === null ? null : dayOf(row.fitted_on),
});

/** Which thread: of which part, kind and point. */
export interface ThreadName {
  readonly componentId: string;
  readonly kind: string;
  readonly point: string;
}

/** How a part stands, in the form it is kept in. */
function standingsFrom({ standing, urgency, chance, ahead, lead, also, threads: [first] }: PartAssessment): Standings {
  return {
    standing,
    severity: severityOf(standing),
    urgency,
    chance,
    ahead: ahead && { ...ahead, chances: ahead.chances.map((c) => Math.round(c * 1e4) / 1e4) },
    lead:
      first && lead
        ? {
            kind: first.state.kind,
            point: first.state.point,
            because: lead.because,
            also: also.map((r) => r.because),
            thread: inlineThread(first.state),
          }
        : null,
  };
}

/**
 * How each living part of a system stands, given all its readings, as of a day; how many threads that took, and which of
 * them could not be fitted.
 */
export function standingsOf(
  system: JudgedSystem,
  readings: readonly Reading[],
  day: Day,
  { policy, prior }: { policy: Policy; prior?: FleetPrior | undefined },
  memo?: ThreadMemo,
): { standings: Map<string, Standings>; threads: number; notFitted: ThreadName[] } {
  const { parts, threads } = assessSystem(system, readings, {
    nextRound: nextRoundAfter(day, policy),
    policy,
    prior,
    memo,
  });
  const notFitted = threads
    .filter((t) => t.state.lead.because.code === 'not-fitted')
    .map((t) => ({ componentId: t.component.id, kind: t.state.kind, point: t.state.point }));
  return {
    standings: new Map(parts.map((assessed) => [assessed.part.id, standingsFrom(assessed)])),
    threads: threads.length,
    notFitted,
  };
}
