import {
  isLoose,
  isSettingMoved,
  LOOSE_END_CODES,
  LOOSE_ENDS,
  nameOfLooseEnd,
  saySettingChange,
  type LooseEnd,
  type LooseEndCode,
  type RoundRecord,
} from '@yarnix/core';
import { Spline } from 'lucide-react';
import { Collapsible } from 'radix-ui';
import { useState } from 'react';
import { v7 } from 'uuid';
import { keepEvent, keepLooseEnd, momentAfter } from '../field/rounds.ts';
import { Button } from '../kit/button.tsx';
import { Field } from '../kit/field.tsx';

/** Notes that a loose end is put back, now. A jumper that is back was not moved: what said so is taken back with it. */
export function putBack(record: RoundRecord, end: LooseEnd): void {
  void keepLooseEnd(record.visitId, { ...end, putBackAt: momentAfter(end.openedAt) });
  if (end.code !== 'jumper-moved') return;
  for (const { id, event } of record.events) {
    if (!isSettingMoved(event.kind) || !event.change || event.withdrawn) continue;
    if (saySettingChange(event.kind, event.change) === end.text)
      void keepEvent(record.visitId, { id, event: { ...event, withdrawn: true } });
  }
}

/** A fresh loose end, opened now. */
export const openedNow = <C extends LooseEndCode | null>(code: C, text = ''): LooseEnd & { code: C } => ({
  id: v7(),
  code,
  text,
  openedAt: new Date().toISOString(),
  putBackAt: null,
  leftBecause: null,
});

/** One tap to say it is put back, in the words of what that means. */
export const PutBackButton = ({ record, end }: { record: RoundRecord; end: LooseEnd }) => (
  <Button className="w-full !justify-between gap-4 text-left" onClick={() => putBack(record, end)}>
    <span className="label">{nameOfLooseEnd(end)}</span>
    <span>{end.code === null ? 'Put back' : LOOSE_ENDS[end.code].putBack}</span>
  </Button>
);

function NoteOne({ record }: { record: RoundRecord }) {
  const [text, setText] = useState('');
  const open = new Set(record.looseEnds.filter(isLoose).map((e) => e.code));
  return (
    <div className="grid gap-2">
      <p className="label">Lifted, moved or pulled something else?</p>
      <div className="flex flex-wrap gap-1.5">
        {LOOSE_END_CODES.filter((code) => !open.has(code)).map((code) => (
          <Button key={code} onClick={() => void keepLooseEnd(record.visitId, openedNow(code))}>
            {LOOSE_ENDS[code].name}
          </Button>
        ))}
      </div>
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (text.trim() === '') return;
          void keepLooseEnd(record.visitId, openedNow(null, text.trim()));
          setText('');
        }}
      >
        <Field
          label="Something else"
          className="flex-1"
          value={text}
          maxLength={120}
          onChange={(e) => setText(e.target.value)}
        />
        <Button type="submit" disabled={text.trim() === ''}>
          Note it
        </Button>
      </form>
    </div>
  );
}

/** What hangs loose, always in sight; opened, it is where each is put back and others are noted. */
export function LooseEndsBar({ record }: { record: RoundRecord }) {
  const loose = record.looseEnds.filter(isLoose);
  return (
    <Collapsible.Root className={`border-b border-rule-strong ${loose.length > 0 ? 'bg-wash' : ''}`}>
      <Collapsible.Trigger className="flex min-h-12 w-full items-center gap-2 px-4 text-left font-semibold">
        <Spline aria-hidden size={19} className={loose.length > 0 ? 'text-copper' : 'text-soft'} />
        {loose.length === 0 ? (
          <span className="text-soft">Nothing hangs loose</span>
        ) : (
          <span className="min-w-0 flex-1 truncate">
            {loose.length} loose: {loose.map(nameOfLooseEnd).join(' · ')}
          </span>
        )}
      </Collapsible.Trigger>
      <Collapsible.Content className="grid max-h-[60dvh] gap-3 overflow-y-auto px-4 pb-3">
        <div className="grid gap-1.5">
          {loose.map((end) => (
            <PutBackButton key={end.id} record={record} end={end} />
          ))}
        </div>
        <NoteOne record={record} />
      </Collapsible.Content>
    </Collapsible.Root>
  );
}
