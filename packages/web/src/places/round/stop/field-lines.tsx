import type { RoundField, RoundRecord, RoundStop, SystemDetail } from '@yarnix/core';
import { MovedSettings } from './moved-setting.tsx';
import { OverruledLine } from './overrule.tsx';
import { PutOffLine } from './put-off.tsx';
import { ReadAgain } from './read-again.tsx';

/** What was decided about a reading on this round, below it: a setting moved, put off until when, its verdict overruled. */
export const FieldLines = (of: { system: SystemDetail; record: RoundRecord; field: RoundField; stop: RoundStop }) => (
  <>
    <ReadAgain {...of} />
    <MovedSettings {...of} />
    <PutOffLine {...of} />
    <OverruledLine {...of} />
  </>
);
