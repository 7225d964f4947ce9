import { dayOf } from '@yarnix/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { change } from '../../field/rounds.ts';
import { Button } from '../../kit/button.tsx';
import { Keypad } from '../../kit/keypad.tsx';
import { Field } from '../../kit/field.tsx';
import { StopState } from './cautions.tsx';
import { FieldRow } from './field-row.tsx';
import { ReplacePart } from './replace-part.tsx';
import { isReplaceable } from './round-parts.ts';
import { afterStop, reasonSuggested, roundBase, systemLine, type StopProps } from './stop-props.ts';
import { StopRail } from './stop-rail.tsx';
import { spotsOf, useEntry, type Spot } from './use-entry.ts';

/** A stop at a wide screen: stops left, readings in the middle, conditions and keypad right. */
export function WideStop(props: StopProps) {
  const { system, record, view, stop } = props;
  const navigate = useNavigate();
  const firstEmpty = stop.fields.find((f) => f.status !== 'taken') ?? stop.fields[0];
  const [active, setActive] = useState<Spot | null>(() => (firstEmpty ? (spotsOf([firstEmpty])[0] ?? null) : null));
  const [replacing, setReplacing] = useState<string | null>(null);
  const entry = useEntry(record, view, stop.fields, active, setActive, () => void navigate(afterStop(props)));
  return (
    <div className="grid flex-1 grid-cols-[190px_1fr_270px] max-lg:grid-cols-[1fr_230px]">
      <div className="border-r border-rule-strong max-lg:hidden">
        <StopRail view={view} base={roundBase(record)} />
      </div>
      <section className="min-w-0 px-6 py-4">
        <p className="label">{systemLine(system)}</p>
        <h1 className="mb-3 text-[28px] font-bold">{stop.title}</h1>
        <StopState stop={stop} startOpen={stop.id === 'power-off' && stop.fields.every((f) => f.status === 'empty')} />
        <ol>
          {stop.fields.map((field) => (
            <FieldRow
              key={field.key}
              field={field}
              active={field.key === active?.key}
              entry={entry}
              action={
                isReplaceable(field.planned.component) && field.key === active?.key && replacing !== field.key ? (
                  <Button look="quiet" className="justify-self-start !px-0" onClick={() => setReplacing(field.key)}>
                    Part replaced
                  </Button>
                ) : null
              }
            >
              {replacing === field.key && (
                <ReplacePart
                  part={field.planned.component}
                  visitId={record.visitId}
                  today={dayOf(new Date().toISOString())}
                  policy={view.policy}
                  suggestedReason={reasonSuggested(field)}
                  heading={<h2 className="text-lg font-bold">Part replaced</h2>}
                  onDone={() => setReplacing(null)}
                />
              )}
            </FieldRow>
          ))}
        </ol>
        <div className="flex justify-end py-4">
          <Button look="main" onClick={() => void navigate(afterStop(props))}>
            {afterStop(props).endsWith('close') ? 'To the close' : 'To the next stop'}
          </Button>
        </div>
      </section>
      <aside aria-label="Conditions and keypad" className="border-l border-rule-strong bg-raised">
        <div className="sticky top-0 grid gap-5 py-4">
          <div className="px-4">
            <Field
              label="Outdoor air"
              unit="°F"
              inputMode="decimal"
              autoComplete="off"
              value={record.outdoorText}
              error={view.outdoorProblem ?? undefined}
              hint="Travels with each reading."
              onChange={(e) => void change(record.visitId, (r) => ({ ...r, outdoorText: e.target.value }))}
            />
          </div>
          <Keypad
            onKey={entry.onKey}
            overLimit={entry.spec?.type === 'number' && entry.spec.overLimit}
            signed={false}
            nextLabel="Next"
          />
        </div>
      </aside>
    </div>
  );
}
