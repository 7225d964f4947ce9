import { dayOf, isoOf, PUT_OFF_CODES, PUT_OFF_REASONS, type PutOffReason } from '@yarnix/core';
import { useState } from 'react';
import { v7 } from 'uuid';
import { change, keepFollowUp } from '../../field/rounds.ts';
import { withoutDraft, type RoundRecord } from '../../field/round-record.ts';
import { Button } from '../../kit/button.tsx';
import { Field } from '../../kit/field.tsx';
import type { RoundField } from './round-view.ts';

/** Puts a field off for a reason; its follow-up is due as the reason usually allows, or on the day given. */
export function putOff(record: RoundRecord, field: RoundField, reason: PutOffReason, note = '', dueOn?: string): void {
  const { planned } = field;
  const now = new Date();
  // What was typed half is put off with the rest; it would stand in the way of the close for ever.
  void change(record.visitId, (r) => withoutDraft(r, field.key));
  const due = dueOn ?? isoOf(dayOf(now.toISOString()) + PUT_OFF_REASONS[reason].dueInDays);
  void keepFollowUp(record.visitId, {
    id: field.followUp?.id ?? v7(),
    followUp: {
      visitId: record.visitId,
      componentId: planned.component.id,
      kind: planned.kind.id,
      point: planned.point,
      method: planned.method.id,
      reason,
      ...(note.trim() ? { note: note.trim() } : {}),
      dueOn: due,
      putOffAt: now.toISOString(),
      withdrawn: false,
    },
  });
}

const takeBack = (record: RoundRecord, field: RoundField): void => {
  if (field.followUp)
    void keepFollowUp(record.visitId, {
      ...field.followUp,
      followUp: { ...field.followUp.followUp, withdrawn: true },
    });
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
    putOff(record, field, reason);
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
            putOff(record, field, 'other', other);
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
