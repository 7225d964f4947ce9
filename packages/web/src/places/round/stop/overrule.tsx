import { isTaken, severityOf, type RoundField, type RoundRecord } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { queries } from '../../../app/queries.ts';
import { keepRuling } from '../../../field/rounds.ts';
import { Button } from '../../../kit/button.tsx';
import { OverruleForm } from '../../../kit/overrule-form.tsx';

/** Whether a reading's verdict can be overruled: it is taken, and says something that can be disagreed with. */
export const canOverrule = (field: RoundField): boolean =>
  isTaken(field) && !field.taken?.ruling && field.verdict !== null && severityOf(field.verdict.standing) > 0;

/** Puts a verdict of one's own in place of that of a reading taken on this round. */
export function Overrule({ record, field, onDone }: { record: RoundRecord; field: RoundField; onDone: () => void }) {
  const { data } = useQuery(queries.session());
  const { taken, verdict } = field;
  if (!taken || !verdict) return null;
  return (
    <OverruleForm
      was={verdict.standing}
      onLeave={onDone}
      onRule={(ruling) => {
        void keepRuling(record.visitId, { id: taken.id, ruling, by: data?.person.initials ?? '' });
        onDone();
      }}
    />
  );
}

/** That a verdict was overruled, and taking that back. */
export function OverruledLine({ record, field }: { record: RoundRecord; field: RoundField }) {
  const ruling = field.taken?.ruling;
  if (!field.taken || !ruling || ruling.standing === 'unproven') return null;
  const { standing, why, by } = ruling;
  const takeBack = { id: field.taken.id, ruling: { standing, why, withdrawn: true }, by };
  return (
    <Button look="quiet" className="justify-self-start !px-0" onClick={() => void keepRuling(record.visitId, takeBack)}>
      No longer overruled
    </Button>
  );
}
