import {
  PUT_OFF_CODES,
  PUT_OFF_REASONS,
  putOffField,
  withoutDraft,
  type PutOffReason,
  type RoundField,
  type RoundRecord,
} from '@yarnix/core';
import { useState } from 'react';
import { v7 } from 'uuid';
import { keepFollowUps } from '../../../field/rounds.ts';
import { Button } from '../../../kit/button.tsx';
import { Field } from '../../../kit/field.tsx';
import { zoneHere } from '../../../kit/local-day.ts';

/** Puts fields off for a reason, all in one change; what was typed half is put off with the rest, else it would stand in the way of the close for ever. */
export function putOff(
  record: RoundRecord,
  fields: readonly RoundField[],
  reason: PutOffReason,
  note = '',
): Promise<void> {
  const now = new Date().toISOString();
  const next = fields.map((field) => putOffField(record, field, { reason, note }, { now, id: v7(), zone: zoneHere() }));
  const drop = (r: RoundRecord) => fields.reduce((left, field) => withoutDraft(left, field.key), r);
  return keepFollowUps(record.visitId, next, drop);
}

const takeBack = (record: RoundRecord, field: RoundField): void => {
  if (field.followUp)
    void keepFollowUps(record.visitId, [
      { ...field.followUp, followUp: { ...field.followUp.followUp, withdrawn: true } },
    ]);
};

/** The reasons a reading can be put off for: one tap each, a word of one's own where none fits. */
export function PutOffReasons({
  record,
  field,
  onDone,
}: {
  record: RoundRecord;
  field: RoundField;
  /** Told whether it was put off. */
  onDone: (isPutOff: boolean) => void;
}) {
  const [other, setOther] = useState<string | null>(null);
  const choose = (reason: PutOffReason) => {
    if (reason === 'other') {
      setOther('');
      return;
    }
    void putOff(record, [field], reason);
    onDone(true);
  };
  return (
    <div role="group" aria-label="Put off, because" className="grid gap-2 border-l-[3px] border-copper py-1 pl-3">
      <p className="font-bold">Put off, because</p>
      {other === null ? (
        <div className="grid grid-cols-2 gap-1.5">
          {PUT_OFF_CODES.map((code) => (
            <Button key={code} onClick={() => choose(code)}>
              {PUT_OFF_REASONS[code].label}
            </Button>
          ))}
          <Button look="quiet" onClick={() => onDone(false)}>
            Not put off
          </Button>
        </div>
      ) : (
        <form
          className="grid gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (other.trim() === '') return;
            void putOff(record, [field], 'other', other);
            onDone(true);
          }}
        >
          <Field
            label="The reason"
            value={other}
            autoFocus
            maxLength={300}
            onChange={(e) => setOther(e.target.value)}
          />
          <Button look="main" type="submit" disabled={other.trim() === ''} className="justify-self-start">
            Put off
          </Button>
        </form>
      )}
    </div>
  );
}

/** What was put off, and until when; one tap takes it back. */
export function PutOffLine({ record, field }: { record: RoundRecord; field: RoundField }) {
  if (!field.followUp) return null;
  const { reason, note, dueOn } = field.followUp.followUp;
  return (
    <p className="flex flex-wrap items-center gap-x-2 font-semibold">
      Put off: {note ?? PUT_OFF_REASONS[reason].label.toLowerCase()}; due {dueOn}
      <Button look="quiet" className="!px-1" onClick={() => takeBack(record, field)}>
        Take it after all
      </Button>
    </p>
  );
}
