import { isLoose, type LooseEnd } from '@yarnix/core';
import { change, keepLooseEnd, momentAfter, openLooseEnds } from '../../field/rounds.ts';
import type { RoundRecord } from '../../field/round-record.ts';
import { openedNow } from './loose-ends-bar.tsx';
import type { RoundStop } from './round-view.ts';

/** What a stop's instructions leave loose, once they were followed. */
export const hasBegun = (record: RoundRecord, stop: RoundStop): boolean => record.begun.includes(stop.id);

/**
 * Begins a stop: what its instructions lift or open hangs loose from now on, and the clock of its mode starts unless it
 * is running. Done once a stop.
 */
export function beginStop(record: RoundRecord, stop: RoundStop): void {
  if (hasBegun(record, stop)) return;
  const now = new Date().toISOString();
  void change(record.visitId, (r) => ({
    ...r,
    begun: [...r.begun, stop.id],
    runningSince: stop.settle && !r.runningSince[stop.mode] ? { ...r.runningSince, [stop.mode]: now } : r.runningSince,
  }));
  for (const end of toPutBackFirst(record, stop))
    void keepLooseEnd(record.visitId, { ...end, putBackAt: momentAfter(end.openedAt) });
  void openLooseEnds(
    record.visitId,
    stop.instructions.map((i) => openedNow(i.opens)),
  );
}

/** What is to be back before a stop begins and still hangs loose. */
export const toPutBackFirst = (record: RoundRecord, stop: RoundStop): LooseEnd[] =>
  record.looseEnds.filter((end) => isLoose(end) && end.code !== null && (stop.putBackFirst ?? []).includes(end.code));

/** Sets a mode's clock so that it has run so many minutes. */
export function setRunning(record: RoundRecord, stop: RoundStop, minutes: number): void {
  const since = new Date(Date.now() - minutes * 60_000).toISOString();
  void change(record.visitId, (r) => ({ ...r, runningSince: { ...r.runningSince, [stop.mode]: since } }));
}

/** What is put back at the end of a stop and still hangs loose. */
export const toRestore = (record: RoundRecord, stop: RoundStop): LooseEnd[] =>
  record.looseEnds.filter((end) => isLoose(end) && end.code !== null && stop.restores.includes(end.code));
