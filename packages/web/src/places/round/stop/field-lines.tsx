import {
  isTaken,
  severityOf,
  type RoundField,
  type RoundRecord,
  type RoundStop,
  type SystemDetail,
} from '@yarnix/core';
import { Link } from 'react-router';
import { MovedSettings } from './moved-setting.tsx';
import { NoteLine } from './note.tsx';
import { OverruledLine } from './overrule.tsx';
import { PutOffLine } from './put-off.tsx';
import { WiresLine } from './note-wires.tsx';
import { ReadAgain } from './read-again.tsx';

/** From a verdict that is not sound to the hunt for its cause, with all that was read. */
function ToFind({ record, field, active }: { record: RoundRecord; field: RoundField; active: boolean }) {
  if (!active || !isTaken(field) || severityOf(field.verdict?.standing ?? 'sound') < severityOf('act')) return null;
  return (
    <Link
      to={`/systems/${record.systemId}/calls/${record.visitId}`}
      className="inline-flex min-h-11 items-center font-semibold text-copper underline-offset-4 hover:underline"
    >
      Find the cause
    </Link>
  );
}

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
    <ToFind {...of} />
    <ReadAgain {...of} />
    <MovedSettings {...of} />
    <PutOffLine {...of} />
    <OverruledLine {...of} />
    <WiresLine {...of} />
    <NoteLine {...of} />
  </>
);
