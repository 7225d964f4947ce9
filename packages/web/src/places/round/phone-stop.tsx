import { dayOf, SLOT_NAMES, titleOf } from '@yarnix/core';
import { ArrowLeft, ArrowRight, X } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { OutboxStatus } from '../../field/outbox-status.tsx';
import { change } from '../../field/rounds.ts';
import { Button } from '../../kit/button.tsx';
import { Keypad, press, type Key } from '../../kit/keypad.tsx';
import { InlineThread } from '../../thread/inline-thread.tsx';
import { StopState } from './cautions.tsx';
import { ChoiceInput } from './choice-input.tsx';
import { WorkedOut } from './field-row.tsx';
import { baselineWords, lastValues } from './field-words.ts';
import { NumberInput } from './number-input.tsx';
import { ReplacePart } from './replace-part.tsx';
import type { RoundField } from './round-model.ts';
import { isReplaceable } from './round-parts.ts';
import { afterStop, reasonSuggested, roundBase, type StopProps } from './stop-props.ts';
import { spotsOf, useEntry, type Spot } from './use-entry.ts';
import { VerdictWords } from './verdict-words.tsx';

/** The head of a stop on a phone: its state, its cautions and the weather, before the first reading. */
function StopHead({ stop, record, view, onBegin }: StopProps & { onBegin: () => void }) {
  const set = (text: string) => void change(record.visitId, (r) => ({ ...r, outdoorText: text }));
  const asksWeather = stop.id === 'running';
  const onKey = (key: Key) => (key === 'next' ? onBegin() : set(press(record.outdoorText, key)));
  return (
    <>
      <div className="grid flex-1 content-start gap-3 overflow-y-auto px-4 py-3">
        <h1 className="text-[26px] font-bold">{stop.title}</h1>
        <StopState stop={stop} startOpen={!asksWeather} />
        {asksWeather && (
          <div>
            <p className="label text-[17px]">Outdoor air</p>
            <NumberInput
              big
              spec={{ id: 'outdoor', type: 'number', label: 'Outdoor air', unit: '°F', overLimit: false }}
              name="Outdoor air, °F"
              text={record.outdoorText}
              bad={view.outdoorProblem !== null}
              describedBy="outdoor-below"
              onText={set}
              onFocus={() => undefined}
              onEnter={onBegin}
              autoFocus
            />
            <p id="outdoor-below" className={view.outdoorProblem ? 'font-semibold text-act' : 'label'}>
              {view.outdoorProblem ?? 'Entered once; travels with each reading.'}
            </p>
          </div>
        )}
      </div>
      {asksWeather ? (
        <Keypad onKey={onKey} overLimit={false} signed nextLabel="Begin" />
      ) : (
        <div className="p-4">
          <Button look="main" className="min-h-16 w-full text-[20px]" onClick={onBegin}>
            Done, begin
          </Button>
        </div>
      )}
    </>
  );
}

function FieldBody({
  field,
  entry,
  active,
  onActive,
}: {
  field: RoundField;
  entry: ReturnType<typeof useEntry>;
  active: Spot | null;
  onActive: (spot: Spot) => void;
}) {
  const { planned } = field;
  const below = `verdict-${field.key}`;
  const title = titleOf(planned.kind, planned.point);
  const many = planned.method.inputs.length > 1;
  return (
    <>
      <div>
        <div className="flex items-baseline justify-between gap-3">
          <h1 className="text-[24px] font-bold">{title}</h1>
          <span className="label text-right">{planned.method.title}</span>
        </div>
        <p className="label text-[16px]">
          {planned.kind.plateLine(field.about)}
          {field.before.length > 0 ? ` · last ${lastValues(field.before, planned.kind, 1)}` : ''}
          {baselineWords(field)}
        </p>
        {planned.component.isNew && (
          <p className="font-semibold text-copper">
            New {SLOT_NAMES[planned.component.slot].toLowerCase()}, first readings
          </p>
        )}
      </div>
      {planned.method.inputs.map((spec) =>
        spec.type === 'number' ? (
          <div key={spec.id} className={many && spec.id !== active?.input ? 'opacity-80' : ''}>
            {many && <p className="label text-[16px]">{spec.label}</p>}
            <NumberInput
              big
              ref={entry.register({ key: field.key, input: spec.id })}
              spec={spec}
              name={`${title}, ${planned.method.title}: ${spec.label}`}
              text={field.texts[spec.id] ?? ''}
              bad={field.badInput === spec.id}
              describedBy={below}
              onText={(text) => entry.onText(field, spec.id, text)}
              onFocus={() => onActive({ key: field.key, input: spec.id })}
              onBlur={() => entry.leave(field)}
              onEnter={entry.next}
              autoFocus={spec.id === active?.input}
            />
          </div>
        ) : (
          <ChoiceInput
            key={spec.id}
            big
            spec={spec}
            name={`${title}, ${planned.method.title}`}
            value={field.texts[spec.id] ?? ''}
            onChoose={(value) => entry.choose(field, spec.id, value)}
            onFocus={() => onActive({ key: field.key, input: spec.id })}
          />
        ),
      )}
      <WorkedOut field={field} />
      <div className="text-[17px]">
        <VerdictWords
          field={field}
          id={below}
          whole
          onKeep={() => entry.keep(field)}
          onPerhaps={(value) => entry.onText(field, planned.method.inputs[0]?.id ?? '', String(value))}
        />
      </div>
      {field.thread.points.length > 0 && !many && (
        <InlineThread
          data={field.thread}
          standing={field.verdict?.standing ?? 'unproven'}
          unit={planned.kind.unit}
          width={358}
          height={84}
        />
      )}
    </>
  );
}

/** A stop on a phone: its head first, then one reading at a time above the keypad. */
export function PhoneStop(props: StopProps) {
  const { system, record, view, stop } = props;
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const at = Number(search.get('at') ?? 0);
  const index = Math.min(Math.max(0, at - 1), stop.fields.length - 1);
  const field = stop.fields[index];
  const [input, setInput] = useState<string | null>(null);
  const [replacing, setReplacing] = useState(false);
  const first = field ? (spotsOf([field])[0] ?? null) : null;
  const active: Spot | null =
    field && input !== null && field.planned.method.inputs.some((i) => i.id === input)
      ? { key: field.key, input }
      : first;

  const go = (to: number) => {
    setReplacing(false);
    setInput(null);
    if (to > stop.fields.length) void navigate(afterStop(props), { replace: true });
    else setSearch({ at: String(Math.max(0, to)) }, { replace: true });
  };
  const onActive = (spot: Spot) => setInput(spot.input);
  // On a phone only this field is on the screen: moving past its last input moves on to the next reading.
  const entry = useEntry(record, view, field ? [field] : [], active, onActive, () => go(index + 2));
  const isChoice = entry.spec?.type === 'choice';

  return (
    <div className="flex h-dvh flex-col">
      <header className="flex items-center gap-2 border-b border-rule-strong py-1 pr-4 pl-1">
        <Link
          to={`/systems/${record.systemId}`}
          aria-label="Leave the round for now"
          className="grid size-12 place-items-center"
        >
          <X size={22} />
        </Link>
        <div className="min-w-0 flex-1">
          <p className="truncate font-bold">{system.address}</p>
          <p className="label text-[14px]">
            {stop.title}
            {at > 0 ? ` · ${index + 1} of ${stop.fields.length}` : ''}
          </p>
        </div>
        <OutboxStatus />
      </header>
      {at === 0 || !field ? (
        <StopHead {...props} onBegin={() => go(1)} />
      ) : (
        <>
          <div key={field.key} className="grid flex-1 content-start gap-2 overflow-y-auto px-4 py-3">
            {!replacing && <FieldBody field={field} entry={entry} active={active} onActive={onActive} />}
            {replacing && (
              <ReplacePart
                part={field.planned.component}
                visitId={record.visitId}
                today={dayOf(new Date().toISOString())}
                policy={view.policy}
                suggestedReason={reasonSuggested(field)}
                heading={<h1 className="text-[24px] font-bold">Part replaced</h1>}
                onDone={(newId) => {
                  setReplacing(false);
                  if (newId) setSearch({ at: String(index + 1) }, { replace: true });
                }}
              />
            )}
          </div>
          <div className="flex items-center justify-between border-t border-rule px-1">
            <button
              type="button"
              aria-label="Reading before"
              className="grid size-12 place-items-center"
              onClick={() => go(index)}
            >
              <ArrowLeft size={22} />
            </button>
            {isReplaceable(field.planned.component) && !replacing && (
              <Button look="quiet" onClick={() => setReplacing(true)}>
                Part replaced
              </Button>
            )}
            <Link to={`${roundBase(record)}/close`} className="label grid min-h-12 place-items-center px-3">
              Close
            </Link>
            <button
              type="button"
              aria-label="Reading after"
              className="grid size-12 place-items-center"
              onClick={() => go(index + 2)}
            >
              <ArrowRight size={22} />
            </button>
          </div>
          {!replacing &&
            (isChoice ? (
              <div className="p-4">
                <Button look="main" className="min-h-16 w-full text-[20px]" onClick={entry.next}>
                  Next
                </Button>
              </div>
            ) : (
              <Keypad
                onKey={entry.onKey}
                overLimit={entry.spec?.type === 'number' && entry.spec.overLimit}
                signed={false}
                nextLabel={field.status === 'empty' ? 'Skip' : 'Next'}
              />
            ))}
        </>
      )}
    </div>
  );
}
