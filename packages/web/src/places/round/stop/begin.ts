import { hasBegun, toPutBackFirst, withRunning, withStopBegun, type RoundRecord, type RoundStop } from '@yarnix/core';
import { change, keepLooseEnd, momentAfter, openLooseEnds } from '../../../field/rounds.ts';
import { openedNow } from '../../../visit/loose-ends-bar.tsx';

/**
 * Begins a stop: what its instructions lift or open hangs loose from now on, and the clock of its mode starts unless it
 * is running. Done once a stop.
 */
export function beginStop(record: RoundRecord, stop: RoundStop): void {
  if (hasBegun(record, stop)) return;
  const now = new Date().toISOString();
  void change(record.visitId, (r) => withStopBegun(r, stop, now));
  for (const end of toPutBackFirst(record, stop))
    void keepLooseEnd(record.visitId, { ...end, putBackAt: momentAfter(end.openedAt) });
  void openLooseEnds(
    record.visitId,
    stop.instructions.map((i) => openedNow(i.opens)),
  );
}

/** Sets a mode's clock so that it has run so many minutes. */
export const setRunning = (record: RoundRecord, stop: RoundStop, minutes: number): void =>
  void change(record.visitId, (r) => withRunning(r, stop, minutes, new Date().toISOString()));
