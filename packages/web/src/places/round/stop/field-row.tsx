import { statusOf } from '../../../visit/entry/status.ts';
import { isTaken, sayValue, titleOn, type RoundField } from '@yarnix/core';
import type { ReactNode } from 'react';
import { Button } from '../../../kit/button.tsx';
import { InlineThread } from '../../../thread/inline-thread.tsx';
import { baselineWords, lastValues } from '../../../kit/field-words.ts';
import { OneInput } from '../../../visit/entry/one-input.tsx';
import type { Spot, useEntry } from '../../../visit/entry/use-entry.ts';
import { UsualButton } from '../../../visit/entry/usual.tsx';
import { OtherReasons, VerdictWords } from '../../../visit/entry/verdict-words.tsx';

/** The value a field of several inputs comes to, for beside them. */
export function WorkedOut({ field }: { field: RoundField }) {
  const value = field.entry?.check.value;
  const only = field.planned.method.inputs.length === 1 ? field.planned.method.inputs[0] : undefined;
  // Said unless it is just what was typed.
  const isTyped = only !== undefined && field.entry?.inputs[only.id] === value;
  if (isTyped || value === null || value === undefined) return null;
  return <span className="figure-type text-[20px]">= {sayValue(field.planned.kind, value)}</span>;
}

/** A value worked out from readings already taken: nothing to type, one tap to take it. */
export function TakeWorkedOut({
  field,
  onTake,
  onFocus,
}: {
  field: RoundField;
  onTake: () => void;
  onFocus: () => void;
}) {
  if (isTaken(field)) return null;
  return field.entry ? (
    <Button onFocus={onFocus} onClick={onTake} className="justify-self-start">
      Take it
    </Button>
  ) : (
    <p className="label">Worked out once the readings before it are taken.</p>
  );
}

function NameOf({ field: { planned, about } }: { field: RoundField }) {
  return (
    <div>
      <h2 className="text-[16px] font-bold">{titleOn(planned.kind, planned.point, planned.component)}</h2>
      <p className="label text-[14px]">
        {planned.kind.plateLine(about)} · {planned.method.title}
      </p>
      {planned.component.isNew && <p className="text-sm font-semibold text-copper">New part, first readings</p>}
    </div>
  );
}

function PastOf({ field }: { field: RoundField }) {
  const { kind } = field.planned;
  return (
    <>
      {field.thread.points.length > 0 && (
        <InlineThread
          data={field.thread}
          standing={field.verdict?.standing ?? 'unproven'}
          kind={kind}
          width={150}
          height={44}
        />
      )}
      {field.before[0] && (
        <p className="label text-[13px]">
          last {lastValues(field.before, kind, 1)}
          {baselineWords(field)}
        </p>
      )}
    </>
  );
}

type Entry = ReturnType<typeof useEntry>;

function NumbersOf({ field, active, entry }: { field: RoundField; active: boolean; entry: Entry }) {
  const { kind, point, component, method } = field.planned;
  const spot = (input: string): Spot => ({ key: field.key, input });
  return (
    <>
      <UsualButton field={field} onTake={() => field.usual && entry.takeAll(field, field.usual) && entry.next()} />
      {method.inputs.map((spec, index) => (
        <div key={spec.id} className={active || index < 2 || field.texts[spec.id] ? '' : 'hidden'}>
          {method.inputs.length > 1 && <p className="label text-[13px]">{spec.label}</p>}
          <OneInput
            spec={spec}
            field={field}
            entry={entry}
            name={`${titleOn(kind, point, component)}, ${method.title}`}
            describedBy={`verdict-${field.key}`}
            autoFocus={active && index === 0}
            onFocus={() => entry.focus(spot(spec.id))}
            onNumberFocus={() => entry.focus(spot(spec.id))}
          />
        </div>
      ))}
      {method.inputs.length === 0 && (
        <TakeWorkedOut field={field} onTake={entry.next} onFocus={() => entry.focus(spot(''))} />
      )}
      <WorkedOut field={field} />
    </>
  );
}

/** One reading at a wide screen: its name and past on the left, its numbers in the middle, its verdict on the right. */
export function FieldRow({
  field,
  active,
  entry,
  action,
  children,
}: {
  field: RoundField;
  active: boolean;
  entry: Entry;
  action?: ReactNode;
  children?: ReactNode;
}) {
  const { method } = field.planned;
  const isChoice = method.inputs.length > 0 && method.inputs.every((i) => i.type !== 'number');
  return (
    <li
      data-place={field.key}
      data-status={statusOf(field)}
      data-optional={method.optional !== undefined}
      className={`border-b border-rule ${active ? '-mx-4 border-b-transparent bg-raised px-4 shadow-[inset_4px_0_0_var(--copper),0_0_0_1px_var(--rule-strong)]' : ''}`}
    >
      <div className="grid grid-cols-[minmax(150px,190px)_150px_minmax(150px,190px)_1fr] items-center gap-4 py-2.5">
        <NameOf field={field} />
        <div className={isChoice ? 'hidden' : ''}>
          <PastOf field={field} />
        </div>
        <div className={`grid gap-1.5 ${isChoice ? 'col-span-2' : ''}`}>
          <NumbersOf field={field} active={active} entry={entry} />
        </div>
        <div className="grid gap-1 text-[15px]">
          <VerdictWords
            field={field}
            id={`verdict-${field.key}`}
            whole={false}
            active={active}
            onKeep={() => entry.keep(field)}
            onPerhaps={({ input, value }) => entry.onText(field, input, String(value))}
            onSettle={() => entry.settle(field)}
          />
          {action}
        </div>
      </div>
      {active && <OtherReasons field={field} />}
      {children}
    </li>
  );
}
