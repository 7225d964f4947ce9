import {
  readingKind,
  sayReason,
  SLOT_NAMES,
  STANDING_NAMES,
  SYSTEM_KIND_NAMES,
  titleOf,
  type WatchRow,
} from '@yarnix/core';
import { csvOf } from '../../http/csv.ts';

/** The list as CSV: one line a part, numbers bare, words as on the screen; formulas from users' text are defused. */
export function watchCsv(rows: readonly WatchRow[]): string {
  const lines = rows.map((row) => {
    const kind = readingKind(row.kind);
    return {
      standing: STANDING_NAMES[row.standing],
      'chance by the next round': row.chance.toFixed(2),
      part: SLOT_NAMES[row.slot],
      rating: row.rating ?? '',
      reading: kind ? titleOf(kind, row.point) : row.kind,
      why: sayReason(row.because).replaceAll('\u00a0', ' '),
      address: row.address,
      customer: row.customerName,
      area: row.area ?? '',
      system: SYSTEM_KIND_NAMES[row.systemKind],
      'set aside until': row.snooze?.until ?? '',
      'set aside because': row.snooze?.reason ?? '',
    };
  });
  return csvOf(lines);
}
