import { sayQuantity, SLOT_NAMES, titleOf } from '@yarnix/core';
import type { ReactNode } from 'react';
import { InlineThread } from '../../thread/inline-thread.tsx';
import { ChoiceInput } from './choice-input.tsx';
import { baselineWords, lastValues } from './field-words.ts';
import { NumberInput } from './number-input.tsx';
import type { RoundField } from './round-model.ts';
import type { Spot, useEntry } from './use-entry.ts';
import { OtherReasons, VerdictWords } from './verdict-words.tsx';

/** The value a field of several inputs comes to, for beside them. */
export function WorkedOut({ field }: { field: RoundField }) {
  const value = field.entry?.check.value;
  if (field.planned.method.inputs.length < 2 || value === null || value === undefined) return null;
  return <span className="figure-type text-[20px]">= {sayQuantity(value, field.planned.kind.unit)}</span>;
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
  entry: ReturnType<typeof useEntry>;
  action?: ReactNode;
  children?: ReactNode;
}) {
  const { planned } = field;
  const title = titleOf(planned.kind, planned.point);
  const where = planned.component.kind === 'run-capacitor' ? `${SLOT_NAMES[planned.component.slot]}: ` : '';
  const below = `verdict-${field.key}`;
  const isChoice = planned.method.inputs.every((i) => i.type === 'choice');
  const spot = (input: string): Spot => ({ key: field.key, input });
  return (
    <li
      className={`border-b border-rule ${active ? '-mx-4 border-b-transparent bg-raised px-4 shadow-[inset_4px_0_0_var(--copper),0_0_0_1px_var(--rule-strong)]' : ''}`}
    >
      <div className="grid grid-cols-[minmax(150px,190px)_150px_minmax(150px,190px)_1fr] items-center gap-4 py-2.5">
        <div>
          <h2 className="text-[16px] font-bold">{title}</h2>
          <p className="label text-[14px]">
            {planned.kind.plateLine(field.about)} · {planned.method.title}
          </p>
          {planned.component.isNew && <p className="text-sm font-semibold text-copper">New part, first readings</p>}
        </div>
        <div className={isChoice ? 'hidden' : ''}>
          {field.thread.points.length > 0 && (
            <InlineThread
              data={field.thread}
              standing={field.verdict?.standing ?? 'unproven'}
              unit={planned.kind.unit}
              width={150}
              height={44}
            />
          )}
          {field.before[0] && (
            <p className="label text-[13px]">
              last {lastValues(field.before, planned.kind, 1)}
              {baselineWords(field)}
            </p>
          )}
        </div>
        <div className={`grid gap-1.5 ${isChoice ? 'col-span-2' : ''}`}>
          {planned.method.inputs.map((spec, index) =>
            spec.type === 'number' ? (
              <NumberInput
                key={spec.id}
                ref={entry.register(spot(spec.id))}
                spec={spec}
                name={`${where}${title}, ${planned.method.title}: ${spec.label}`}
                text={field.texts[spec.id] ?? ''}
                bad={field.badInput === spec.id}
                describedBy={below}
                onText={(text) => entry.onText(field, spec.id, text)}
                onFocus={() => entry.focus(spot(spec.id))}
                onBlur={() => entry.leave(field)}
                onEnter={entry.next}
                autoFocus={active && index === 0}
              />
            ) : (
              <ChoiceInput
                key={spec.id}
                spec={spec}
                name={`${where}${title}, ${planned.method.title}`}
                value={field.texts[spec.id] ?? ''}
                onChoose={(value) => entry.choose(field, spec.id, value)}
                onFocus={() => entry.focus(spot(spec.id))}
              />
            ),
          )}
          <WorkedOut field={field} />
        </div>
        <div className="grid gap-1 text-[15px]">
          <VerdictWords
            field={field}
            id={below}
            whole={false}
            active={active}
            onKeep={() => entry.keep(field)}
            onPerhaps={(value) => entry.onText(field, planned.method.inputs[0]?.id ?? '', String(value))}
          />
          {action}
        </div>
      </div>
      {active && <OtherReasons field={field} />}
      {children}
    </li>
  );
}
