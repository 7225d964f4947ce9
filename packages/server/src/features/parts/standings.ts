import {
  dayOf,
  inlineThread,
  judgedReading,
  nextRoundAfter,
  severityOf,
  standingOfPart,
  systemThreads,
  type Component,
  type FleetPrior,
  type SystemEvent,
  type Day,
  type KeptReading,
  type Plate,
  type Policy,
  type SystemKind,
  type SystemThread,
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

const UNPROVEN: Standings = { standing: 'unproven', severity: 1, urgency: 0, chance: 0, lead: null };

const isWorse = (a: SystemThread, b: SystemThread): boolean =>
  severityOf(a.state.standing) !== severityOf(b.state.standing)
    ? severityOf(a.state.standing) > severityOf(b.state.standing)
    : a.state.urgency > b.state.urgency;

function standingsFrom(threads: readonly SystemThread[]): Standings {
  const worst = threads.reduce<SystemThread | null>((w, t) => (w === null || isWorse(t, w) ? t : w), null);
  if (!worst) return UNPROVEN;
  const standing = standingOfPart(threads.map((t) => t.state.standing));
  const also = worst.state.reasons
    .filter((r) => r.because.code !== worst.state.lead.because.code && severityOf(r.standing) >= severityOf('watch'))
    .map((r) => r.because);
  return {
    standing,
    severity: severityOf(standing),
    urgency: Math.max(...threads.map((t) => t.state.urgency)),
    chance: worst.state.chance,
    lead: {
      kind: worst.state.kind,
      point: worst.state.point,
      because: worst.state.lead.because,
      also,
      thread: inlineThread(worst.readings.map(judgedReading), worst.state),
    },
  };
}

/**
 * How each living part of a system stands, given all its readings, as of a day; how many threads that took, and which of
 * them could not be fitted.
 */
export function standingsOf(
  system: {
    kind: SystemKind;
    plate: Plate;
    parts: readonly (Component & { id: string })[];
    events?: readonly SystemEvent[] | undefined;
  },
  readings: readonly KeptReading[],
  day: Day,
  { policy, prior }: { policy: Policy; prior?: FleetPrior | undefined },
  memo?: ThreadMemo,
): { standings: Map<string, Standings>; threads: number; notFitted: ThreadName[] } {
  const judged = { kind: system.kind, plate: system.plate, components: system.parts, events: system.events };
  const threads = systemThreads(judged, readings, nextRoundAfter(day, policy), policy, prior, memo);
  const standings = system.parts.map(
    (part) => [part.id, standingsFrom(threads.filter((t) => t.component.id === part.id))] as const,
  );
  const notFitted = threads
    .filter((t) => t.state.lead.because.code === 'not-fitted')
    .map((t) => ({ componentId: t.component.id, kind: t.state.kind, point: t.state.point }));
  return { standings: new Map(standings), threads: threads.length, notFitted };
}
