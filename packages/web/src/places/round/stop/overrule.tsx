import { isTaken, severityOf, STANDING_NAMES, type NewRuling, type RoundField, type RoundRecord } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { queries } from '../../../app/queries.ts';
import { keepRuling } from '../../../field/rounds.ts';
import { Button } from '../../../kit/button.tsx';
import { Field } from '../../../kit/field.tsx';
import { Mark } from '../../../kit/mark.tsx';

const OFFERED = ['sound', 'watch', 'act', 'stop'] as const satisfies readonly NewRuling['standing'][];

/** Whether a reading's verdict can be overruled: it is taken, and says something that can be disagreed with. */
export const canOverrule = (field: RoundField): boolean =>
  isTaken(field) && !field.taken?.ruling && field.verdict !== null && severityOf(field.verdict.standing) > 0;

/** Puts a verdict of one's own, with a reason, in place of the reading's: both are kept. */
export function Overrule({ record, field, onDone }: { record: RoundRecord; field: RoundField; onDone: () => void }) {
  const { data } = useQuery(queries.session());
  const [standing, setStanding] = useState<NewRuling['standing'] | null>(null);
  const [why, setWhy] = useState('');
  const { taken, verdict } = field;
  if (!taken || !verdict) return null;
  const ready = standing !== null && why.trim() !== '';
  return (
    <form
      aria-label="Overrule the verdict"
      className="grid gap-2 border-l-[3px] border-copper py-1 pl-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (!ready) return;
        const ruling = { standing, why: why.trim(), withdrawn: false };
        void keepRuling(record.visitId, { id: taken.id, ruling, by: data?.person.initials ?? '' });
        onDone();
      }}
    >
      <p className="font-bold">It says {STANDING_NAMES[verdict.standing].toLowerCase()}. You say</p>
      <div className="flex flex-wrap gap-1.5">
        {OFFERED.filter((s) => s !== verdict.standing).map((s) => (
          <button
            key={s}
            type="button"
            aria-pressed={standing === s}
            onClick={() => setStanding(s)}
            className="flex min-h-12 items-center gap-2 rounded-[4px] border-[1.5px] border-rule-strong bg-raised px-4 font-semibold aria-pressed:border-copper aria-pressed:bg-wash"
          >
            <Mark standing={s} width={22} /> {STANDING_NAMES[s]}
          </button>
        ))}
      </div>
      <Field label="Because" value={why} maxLength={300} onChange={(e) => setWhy(e.target.value)} />
      <p className="text-sm text-soft">Both are kept. The part stands so until its next reading.</p>
      <div className="flex flex-wrap gap-2">
        <Button look="main" type="submit" disabled={!ready}>
          Overrule
        </Button>
        <Button look="quiet" onClick={onDone}>
          Leave it
        </Button>
      </div>
    </form>
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
