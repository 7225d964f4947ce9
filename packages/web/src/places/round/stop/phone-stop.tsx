import { isOpenEntry, statusOf } from '../../../visit/entry/status.ts';
import { isReplaceable, isTaken, type RoundField } from '@yarnix/core';
import { ArrowLeft, ArrowRight, X } from 'lucide-react';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { OutboxStatus } from '../../../field/outbox-status.tsx';
import { Button } from '../../../kit/button.tsx';
import { Keypad } from '../../../kit/keypad.tsx';
import { Listen } from '../../../visit/entry/listen.tsx';
import { LooseEndsBar, PutBackButton } from '../../../visit/loose-ends-bar.tsx';
import { FieldLines } from './field-lines.tsx';
import { PhoneField } from './phone-field.tsx';
import { PhoneHead } from './phone-head.tsx';
import { PhotoButton } from '../../../field/photo-button.tsx';
import { canOverrule, Overrule } from './overrule.tsx';
import { PutOffReasons } from './put-off.tsx';
import { ReplacePart } from './replace-part.tsx';
import { runningShort } from './running-clock.tsx';
import type { StopProps } from './stop-props.ts';
import { useStop, type Stop } from './use-stop.ts';
import { roundBase } from '../../../field/round-base.ts';
import { spotsOf, useEntry, type Spot } from '../../../visit/entry/use-entry.ts';
import { UsualButton } from '../../../visit/entry/usual.tsx';

function PhoneHeader({ system, record, stop, at }: StopProps & { at: number }) {
  const running = runningShort(stop);
  const place = at > 0 && at <= stop.fields.length ? ` · ${at} of ${stop.fields.length}` : '';
  return (
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
        <p className="label truncate text-[14px]">
          {stop.title}
          {place}
          {at > 0 && running ? ` · ${running}` : ''}
        </p>
      </div>
      <OutboxStatus />
    </header>
  );
}

/** The end of a stop: what is put back before going on. */
function PhoneTail({ record, stop: { ends, leave } }: Pick<StopProps, 'record'> & { stop: Stop }) {
  return (
    <>
      <div className="grid flex-1 content-start gap-2 overflow-y-auto px-4 py-4">
        <h1 className="text-[26px] font-bold">{ends.length > 0 ? 'Put back, one by one' : 'All put back'}</h1>
        {ends.map((end) => (
          <PutBackButton key={end.id} record={record} end={end} />
        ))}
      </div>
      <div className="p-4">
        <Button look={ends.length > 0 ? 'plain' : 'main'} className="min-h-16 w-full text-[20px]" onClick={leave}>
          {ends.length > 0 ? 'Later, to the next stop' : 'To the next stop'}
        </Button>
      </div>
    </>
  );
}

function PhoneTools({
  props: { record },
  field,
  index,
  stop,
  onGo,
}: {
  props: StopProps;
  field: RoundField;
  index: number;
  stop: Stop;
  onGo: (to: number) => void;
}) {
  const arrow = 'grid size-12 flex-none place-items-center';
  const opened = stop.openedOf(field.key);
  return (
    // Each tool keeps its place: a reading is taken as its input is left, and what is being pressed must not move away.
    <div className="grid grid-cols-[48px_1fr_1.3fr_1fr_48px] items-center border-t border-rule px-1">
      <button type="button" aria-label="Reading before" className={arrow} onClick={() => onGo(index)}>
        <ArrowLeft size={22} />
      </button>
      <span className="grid">
        {opened === null && !isTaken(field) && (
          <Button look="quiet" className="!px-1" onClick={() => stop.open(field.key, 'put-off')}>
            Put off
          </Button>
        )}
        {opened === null && canOverrule(field) && (
          <Button look="quiet" className="!px-1" onClick={() => stop.open(field.key, 'overrule')}>
            Overrule
          </Button>
        )}
      </span>
      <span className="grid">
        {isReplaceable(field.planned.component) && opened === null && (
          <Button look="quiet" className="!px-1" onClick={() => stop.open(field.key, 'replace')}>
            Part replaced
          </Button>
        )}
      </span>
      <Link to={`${roundBase(record)}/close`} className="label grid min-h-12 place-items-center px-2">
        Close
      </Link>
      <button type="button" aria-label="Reading after" className={arrow} onClick={() => onGo(index + 2)}>
        <ArrowRight size={22} />
      </button>
    </div>
  );
}

type Entry = ReturnType<typeof useEntry> & { readonly leaveFor: () => void };

function PhonePad({ field, entry }: { field: RoundField; entry: Entry }) {
  const spec = entry.spec?.type === 'number' ? entry.spec : null;
  const nothing = field.typed === 'nothing' && field.state !== 'taken';
  if (!spec) {
    return (
      <div className="grid gap-2 p-4">
        <UsualButton
          big
          field={field}
          onTake={() => field.usual && entry.takeAll(field, field.usual) && entry.leaveFor()}
        />
        <Button
          look={field.usual ? 'plain' : 'main'}
          className={field.usual ? 'w-full' : 'min-h-16 w-full text-[20px]'}
          onClick={entry.next}
        >
          {nothing ? 'Skip' : 'Next'}
        </Button>
      </div>
    );
  }
  return (
    <>
      {field.usual && (
        <div className="px-4 pb-2">
          <UsualButton
            big
            field={field}
            onTake={() => field.usual && entry.takeAll(field, field.usual) && entry.leaveFor()}
          />
        </div>
      )}
      <Keypad
        onKey={entry.onKey}
        overLimit={spec.overLimit}
        jumps={spec.jumps ?? false}
        signed={spec.signed ?? false}
        nextLabel={nothing ? 'Skip' : 'Next'}
      />
    </>
  );
}

/** The index of the next reading that is asked for: those nobody misses are reached by the arrows. */
function nextWanted(stop: StopProps['stop'], index: number): number {
  const ahead = stop.fields.findIndex((f, i) => i > index && (!f.planned.method.optional || f.owed !== null));
  return ahead < 0 ? stop.fields.length : ahead;
}

/** One reading on the whole screen: its field above, its tools, and the pad at the thumb. */
function PhoneReading({
  props,
  stop,
  field,
  index,
  onGo,
}: {
  props: StopProps;
  stop: Stop;
  field: RoundField;
  index: number;
  onGo: (to: number) => void;
}) {
  const { record, view } = props;
  const [input, setInput] = useState<string | null>(null);
  const opened = stop.openedOf(field.key);
  const [listening, setListening] = useState(false);
  const [, setSearch] = useSearchParams();
  const first = spotsOf([field])[0] ?? null;
  const known = input !== null && field.planned.method.inputs.some((i) => i.id === input);
  const active: Spot | null = known ? { key: field.key, input } : first;
  const onward = () => onGo(nextWanted(props.stop, index) + 1);
  // On a phone only this field is on the screen: moving past its last input moves on to the next reading.
  const entry = { ...useEntry(record, [field], active, (spot) => setInput(spot.input), onward), leaveFor: onward };
  return (
    <>
      <div
        key={field.key}
        data-status={statusOf(field)}
        data-place={field.key}
        className="grid flex-1 content-start gap-2 overflow-y-auto px-4 py-3"
      >
        {opened === 'replace' ? (
          <ReplacePart
            field={field}
            record={record}
            policy={view.policy}
            heading={<h1 className="text-[24px] font-bold">Part replaced</h1>}
            onDone={(newId) => {
              stop.shut();
              if (newId) setSearch({ at: String(index + 1) }, { replace: true });
            }}
          />
        ) : (
          <>
            <PhoneField
              field={field}
              entry={entry}
              active={active}
              listening={listening}
              onActive={(spot) => setInput(spot.input)}
            />
            <FieldLines system={props.system} record={record} field={field} stop={props.stop} active />
            {isOpenEntry(field) && opened === null && (
              <div className="flex flex-wrap gap-2">
                <Listen record={record} view={view} field={field} big onListening={setListening} />
                {!listening && props.stop.mode === 'off' && index === 0 && (
                  <PhotoButton subject="wiring" systemId={record.systemId} visitId={record.visitId} />
                )}
              </div>
            )}
            {opened === 'overrule' && <Overrule record={record} field={field} onDone={stop.shut} />}
            {opened === 'put-off' && (
              <PutOffReasons
                record={record}
                field={field}
                onDone={(isPutOff) => {
                  stop.shut();
                  if (isPutOff) onward();
                }}
              />
            )}
          </>
        )}
      </div>
      <PhoneTools props={props} field={field} index={index} stop={stop} onGo={onGo} />
      {opened === null && !listening && <PhonePad field={field} entry={entry} />}
    </>
  );
}

/** A stop on a phone: its head first, then one reading at a time above the keypad, then what is put back. */
export function PhoneStop(props: StopProps) {
  const { record, stop } = props;
  const shared = useStop(props, { replace: true });
  const [search, setSearch] = useSearchParams();
  const at = Math.max(0, Number(search.get('at') ?? 0) || 0);
  const field = stop.fields[at - 1];
  const go = (to: number) => {
    const past = to > stop.fields.length;
    if (past && shared.ends.length === 0) shared.leave();
    else setSearch({ at: String(Math.min(Math.max(0, to), stop.fields.length + 1)) }, { replace: true });
  };
  const begin = () => {
    shared.begin();
    go(1);
  };
  return (
    <div className="flex h-dvh flex-col">
      <PhoneHeader {...props} at={at} />
      <LooseEndsBar record={record} />
      {at > stop.fields.length ? (
        <PhoneTail record={record} stop={shared} />
      ) : field ? (
        <PhoneReading key={field.key} props={props} stop={shared} field={field} index={at - 1} onGo={go} />
      ) : (
        <PhoneHead {...props} onBegin={begin} />
      )}
    </div>
  );
}
