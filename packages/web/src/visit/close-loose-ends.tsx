import { isLoose, nameOfLooseEnd, type LooseEnd, type RoundRecord } from '@yarnix/core';
import { useState } from 'react';
import { keepLooseEnd } from '../field/rounds.ts';
import { Button } from '../kit/button.tsx';
import { Field } from '../kit/field.tsx';
import { PutBackButton } from './loose-ends-bar.tsx';

function Leave({ record, end }: { record: RoundRecord; end: LooseEnd }) {
  const [reason, setReason] = useState<string | null>(null);
  if (reason === null)
    return (
      <Button look="quiet" className="justify-self-start !px-0" onClick={() => setReason('')}>
        It stays, because
      </Button>
    );
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (reason.trim() !== '') void keepLooseEnd(record.visitId, { ...end, leftBecause: reason.trim() });
      }}
    >
      <Field
        label={`${nameOfLooseEnd(end)}: it stays, because`}
        className="min-w-60 flex-1"
        value={reason}
        maxLength={300}
        autoFocus
        onChange={(e) => setReason(e.target.value)}
      />
      <Button type="submit" disabled={reason.trim() === ''}>
        Leave it
      </Button>
    </form>
  );
}

/** What still hangs loose: each is put back, or a reason is written; until then the round stays open. */
export function CloseLooseEnds({ record }: { record: RoundRecord }) {
  const loose = record.looseEnds.filter(isLoose);
  const left = record.looseEnds.filter((e) => e.putBackAt === null && e.leftBecause);
  if (loose.length + left.length === 0) return null;
  return (
    <section className="border-l-[3px] border-copper pl-4">
      <h2 className="mb-2 text-lg font-bold">{loose.length === 0 ? 'Left as it is' : `${loose.length} still loose`}</h2>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
        {loose.map((end) => (
          <div key={end.id} className="grid grid-cols-[minmax(0,1fr)] gap-1">
            <PutBackButton record={record} end={end} />
            <Leave record={record} end={end} />
          </div>
        ))}
        {left.map((end) => (
          <p key={end.id}>
            <strong>{nameOfLooseEnd(end)}</strong>: {end.leftBecause}
          </p>
        ))}
      </div>
    </section>
  );
}
