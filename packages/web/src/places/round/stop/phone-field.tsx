import { SLOT_NAMES, titleOn, type RoundField } from '@yarnix/core';
import { InlineThread } from '../../../thread/inline-thread.tsx';
import { TakeWorkedOut, WorkedOut } from './field-row.tsx';
import { baselineWords, lastValues } from '../../../kit/field-words.ts';
import { OneInput } from '../../../visit/entry/one-input.tsx';
import type { Spot, useEntry } from '../../../visit/entry/use-entry.ts';
import { VerdictWords } from '../../../visit/entry/verdict-words.tsx';

function FieldHead({ field }: { field: RoundField }) {
  const { planned } = field;
  return (
    <div>
      <h1 className="text-[24px] leading-tight font-bold">{titleOn(planned.kind, planned.point, planned.component)}</h1>
      <p className="label text-[16px]">
        {planned.kind.plateLine(field.about)} · {planned.method.title}
        {field.before.length > 0 ? ` · last ${lastValues(field.before, planned.kind, 1)}` : ''}
        {baselineWords(field)}
      </p>
      {planned.component.isNew && (
        <p className="font-semibold text-copper">
          New {SLOT_NAMES[planned.component.slot].toLowerCase()}, first readings
        </p>
      )}
      {field.owed && <p className="font-semibold text-copper">Put off last time; due {field.owed.dueOn}.</p>}
    </div>
  );
}

/** One reading on a phone: its name and past, its inputs, and its verdict at once. */
export function PhoneField({
  field,
  entry,
  active,
  listening,
  onActive,
}: {
  field: RoundField;
  entry: ReturnType<typeof useEntry>;
  active: Spot | null;
  /** While a probe speaks, its figures have the screen. */
  listening: boolean;
  onActive: (spot: Spot) => void;
}) {
  const { planned } = field;
  const { inputs } = planned.method;
  const below = `verdict-${field.key}`;
  const many = inputs.length > 1;
  const name = `${titleOn(planned.kind, planned.point, planned.component)}, ${planned.method.title}`;
  return (
    <>
      <FieldHead field={field} />
      {(listening ? [] : inputs).map((spec) => (
        <div key={spec.id} className={many && spec.id !== active?.input ? 'opacity-80' : ''}>
          {many && <p className="label text-[16px]">{spec.label}</p>}
          <OneInput
            big={inputs.length <= 2 || spec.type !== 'number'}
            spec={spec}
            field={field}
            entry={entry}
            name={name}
            describedBy={below}
            autoFocus={spec.id === active?.input}
            onFocus={() => onActive({ key: field.key, input: spec.id })}
            onNumberFocus={() => onActive({ key: field.key, input: spec.id })}
          />
        </div>
      ))}
      {inputs.length === 0 && <TakeWorkedOut field={field} onTake={entry.next} onFocus={() => undefined} />}
      {!listening && <WorkedOut field={field} />}
      {!listening && (
        <div className="text-[17px]">
          <VerdictWords
            field={field}
            id={below}
            whole
            onKeep={() => entry.keep(field)}
            onPerhaps={({ input, value }) => entry.onText(field, input, String(value))}
            onSettle={() => entry.settle(field)}
          />
        </div>
      )}
      {field.thread.points.length > 0 && !many && !listening && (
        // In a full screen the row would give way, and what follows lie over the drawing.
        <div className="min-h-[84px]">
          <InlineThread
            data={field.thread}
            standing={field.verdict?.standing ?? 'unproven'}
            kind={planned.kind}
            width={358}
            height={84}
          />
        </div>
      )}
    </>
  );
}
