import type { SystemDetail } from '@yarnix/core';
import { useSyncExternalStore } from 'react';
import { onRounds, roundNow } from './rounds.ts';

type Visit = SystemDetail['visits'][number];

/** A visit, and whether this device has closed it and the office has yet to hear so. */
export interface KnownVisit extends Visit {
  readonly isCloseOnItsWay: boolean;
}

/**
 * The visits of a system as the office tells them, and what this device knows better: a round closed here is closed, also while
 * the close waits for a signal.
 */
export function useVisits({ visits }: Pick<SystemDetail, 'visits'>): readonly KnownVisit[] {
  const open = visits.find((v) => v.closedAt === null);
  const known = useSyncExternalStore(onRounds, () => (open ? roundNow(open.id) : null));
  const record = known?.status === 'here' ? known.record : null;
  return visits.map((visit) =>
    visit === open && record && record.closedAt !== null
      ? { ...visit, closedAt: record.closedAt, note: record.note.trim() || null, isCloseOnItsWay: true }
      : { ...visit, isCloseOnItsWay: false },
  );
}
