import { POINT_NAMES, SLOT_NAMES, type WatchRow } from '@yarnix/core';

export const threadPath = (row: WatchRow): string =>
  `/systems/${row.systemId}/threads/${row.componentId}/${row.kind}/${row.point}`;

/** What the row is about: "Run capacitor, HERM", "Compressor, common". */
export function partName(row: WatchRow): string {
  const point = POINT_NAMES[row.point];
  return point && row.point !== 'can' && row.point !== 'single'
    ? `${SLOT_NAMES[row.slot]}, ${point}`
    : SLOT_NAMES[row.slot];
}
