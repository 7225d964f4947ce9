import type { RoundField, RoundRecord, RoundStop, SystemDetail } from '@yarnix/core';
import { MovedSettings } from './moved-setting.tsx';
import { NoteLine } from './note.tsx';
import { OverruledLine } from './overrule.tsx';
import { PutOffLine } from './put-off.tsx';
import { ReadAgain } from './read-again.tsx';

/** What was decided about a reading on this round, below it: owed again, a setting moved, put off, overruled, noted. */
export const FieldLines = (of: {
  system: SystemDetail;
  record: RoundRecord;
  field: RoundField;
  stop: RoundStop;
  /** Whether it is the one at hand. */
  active: boolean;
}) => (
  <>
    <ReadAgain {...of} />
    <MovedSettings {...of} />
    <PutOffLine {...of} />
    <OverruledLine {...of} />
    <NoteLine {...of} />
  </>
);
