import { expectedTable, type ExpectedTable, type Plate, type SystemKind } from '@yarnix/core';
import { expose } from 'comlink';

const expecting = {
  /** What a machine shows at every probe of a visit, with each fault it may have: some seconds of work. */
  table: (kind: SystemKind, plate: Plate): ExpectedTable => expectedTable(kind, plate),
};
export type Expecting = typeof expecting;

expose(expecting);
