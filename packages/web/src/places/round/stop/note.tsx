import { isTaken, notedReading, type RoundField, type RoundRecord } from '@yarnix/core';
import { MessageSquareText } from 'lucide-react';
import { useState } from 'react';
import { v7 } from 'uuid';
import { PhotoButton } from '../../../field/photo-button.tsx';
import { addReading } from '../../../field/rounds.ts';
import { Button } from '../../../kit/button.tsx';
import { Field } from '../../../kit/field.tsx';

/** What was noted beside a reading; where it is at hand and taken, noting it or taking a photo of it. The figure and its moment stay. */
export function NoteLine({ record, field, active }: { record: RoundRecord; field: RoundField; active: boolean }) {
  const [text, setText] = useState<string | null>(null);
  const { taken } = field;
  if (!taken || !isTaken(field)) return null;
  const note = taken.note ?? '';
  const keep = () => {
    if (text !== null && text.trim() !== note)
      void addReading(record.visitId, field.key, notedReading(record, taken, text.trim(), v7()));
    setText(null);
  };
  if (text !== null) {
    return (
      <form
        aria-label="Note on this reading"
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <Field
          className="min-w-52 flex-1"
          label="Note on this reading"
          value={text}
          maxLength={500}
          autoFocus
          onChange={(e) => setText(e.target.value)}
        />
        <Button type="submit">Note it</Button>
      </form>
    );
  }
  return (
    <>
      {note !== '' && <p className="text-[15px]">“{note}”</p>}
      {active && (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <Button look="quiet" className="!px-0" onClick={() => setText(note)}>
            <MessageSquareText aria-hidden size={18} /> {note === '' ? 'Note' : 'Change the note'}
          </Button>
          <PhotoButton
            subject="reading"
            systemId={record.systemId}
            visitId={record.visitId}
            componentId={taken.componentId}
            readingId={taken.id}
          />
        </div>
      )}
    </>
  );
}
