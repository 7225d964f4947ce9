import { isOpenEntry } from '../../../visit/entry/status.ts';
import { isReplaceable, isTaken, sayOutdoorProblem, type RoundField } from '@yarnix/core';
import { useState } from 'react';
import { change } from '../../../field/rounds.ts';
import { Button } from '../../../kit/button.tsx';
import { Keypad } from '../../../kit/keypad.tsx';
import { Field } from '../../../kit/field.tsx';
import { StopState } from './cautions.tsx';
import { FieldRow } from './field-row.tsx';
import { Listen } from '../../../visit/entry/listen.tsx';
import { JobsHere } from '../../../jobs/jobs-here.tsx';
import { MetersAtStart } from './meters-at-start.tsx';
import { LooseEndsBar, PutBackButton } from '../../../visit/loose-ends-bar.tsx';
import { FieldLines } from './field-lines.tsx';
import { PhotoButton } from '../../../field/photo-button.tsx';
import { canOverrule, Overrule } from './overrule.tsx';
import { PutOffReasons } from './put-off.tsx';
import { canNoteWires, WiresForm } from './note-wires.tsx';
import { ReplacePart } from './replace-part.tsx';
import { RunningClock } from './running-clock.tsx';
import { systemLine, type StopProps } from './stop-props.ts';
import { roundBase } from '../../../field/round-base.ts';
import { useStop, type Stop } from './use-stop.ts';
import { StopRail } from './stop-rail.tsx';
import { spotsOf, useEntry, type Spot } from '../../../visit/entry/use-entry.ts';

/** What else can be done with the reading at hand: listen to a probe, put it off, replace its part. */
function FieldActions({ props, field, stop }: { props: StopProps; field: RoundField; stop: Stop }) {
  const { record, view } = props;
  const opened = stop.openedOf(field.key);
  if (opened === 'put-off') return <PutOffReasons record={record} field={field} onDone={stop.shut} />;
  if (opened === 'overrule') return null;
  return (
    <div className="flex flex-wrap items-start gap-x-3">
      {isOpenEntry(field) && <Listen record={record} view={view} field={field} />}
      {isOpenEntry(field) && (
        <Button look="quiet" className="!px-0" onClick={() => stop.open(field.key, 'put-off')}>
          Put off
        </Button>
      )}
      {isReplaceable(field.planned.component) && opened === null && (
        <Button look="quiet" className="!px-0" onClick={() => stop.open(field.key, 'replace')}>
          Part replaced
        </Button>
      )}
      {canNoteWires(field, props.stop) && opened === null && (
        <Button look="quiet" className="!px-0" onClick={() => stop.open(field.key, 'wires')}>
          Wires
        </Button>
      )}
      {canOverrule(field) && (
        <Button look="quiet" className="!px-0" onClick={() => stop.open(field.key, 'overrule')}>
          Overrule
        </Button>
      )}
    </div>
  );
}

/** What is put back before leaving this stop. */
const Restores = ({ record, ends }: Pick<StopProps, 'record'> & Pick<Stop, 'ends'>) => {
  if (ends.length === 0) return null;
  return (
    <section className="mt-4 grid gap-1.5 border-l-[3px] border-copper pl-3">
      <h2 className="font-bold">Put back before you go on</h2>
      {ends.map((end) => (
        <PutBackButton key={end.id} record={record} end={end} />
      ))}
    </section>
  );
};

function Aside({ record, view, stop, entry }: StopProps & { entry: ReturnType<typeof useEntry> }) {
  const spec = entry.spec?.type === 'number' ? entry.spec : null;
  return (
    <aside aria-label="Conditions and keypad" className="border-l border-rule-strong bg-raised">
      <div className="sticky top-0 grid gap-4 py-4">
        <div className="grid gap-3 px-4">
          <Field
            label="Outdoor air"
            unit="°F"
            inputMode="decimal"
            autoComplete="off"
            value={record.outdoorText}
            error={view.outdoorProblem ? sayOutdoorProblem(view.outdoorProblem) : undefined}
            hint="Travels with each reading."
            onChange={(e) => void change(record.visitId, (r) => ({ ...r, outdoorText: e.target.value }))}
          />
          <RunningClock record={record} stop={stop} />
        </div>
        <Keypad
          onKey={entry.onKey}
          overLimit={spec?.overLimit ?? false}
          jumps={spec?.jumps ?? false}
          signed={spec?.signed ?? false}
          nextLabel="Next"
        />
        <div className="flex flex-wrap gap-2 px-4">
          <PhotoButton subject="wiring" systemId={record.systemId} visitId={record.visitId} />
          <PhotoButton subject="damage" systemId={record.systemId} visitId={record.visitId} />
        </div>
      </div>
    </aside>
  );
}

/** A stop at a wide screen: stops left, readings in the middle, conditions and keypad right. */
export function WideStop(props: StopProps) {
  const { system, record, view, stop } = props;
  const shared = useStop(props, { replace: false });
  const firstEmpty = stop.fields.find((f) => !isTaken(f)) ?? stop.fields[0];
  const [active, setActive] = useState<Spot | null>(() => (firstEmpty ? (spotsOf([firstEmpty])[0] ?? null) : null));
  const entry = useEntry(record, stop.fields, active, setActive, shared.leave);
  return (
    <div className="grid flex-1 grid-cols-[190px_1fr_270px] max-lg:grid-cols-[1fr_230px]">
      <div className="border-r border-rule-strong max-lg:hidden">
        <StopRail view={view} base={roundBase(record)} />
      </div>
      <section className="min-w-0">
        <LooseEndsBar record={record} />
        <div className="px-6 py-4">
          <p className="label">{systemLine(system)}</p>
          <h1 className="mb-3 text-[28px] font-bold">{stop.title}</h1>
          <StopState stop={stop} startOpen={!shared.isBegun}>
            {!shared.isBegun && (
              <Button look="main" className="mb-2" onClick={shared.begin}>
                {stop.mode === 'off' ? 'Done, begin' : stop.settle ? 'Done, it runs' : 'Done, begin'}
              </Button>
            )}
          </StopState>
          {stop.id === 'arrive' && <JobsHere systemId={record.systemId} />}
          {stop.id === 'arrive' && <MetersAtStart record={record} view={view} />}
          <ol>
            {stop.fields.map((field) => (
              <FieldRow
                key={field.key}
                field={field}
                active={field.key === active?.key}
                entry={entry}
                action={field.key === active?.key && <FieldActions props={props} field={field} stop={shared} />}
              >
                <FieldLines
                  system={system}
                  record={record}
                  field={field}
                  stop={stop}
                  active={field.key === active?.key}
                />
                {shared.openedOf(field.key) === 'overrule' && (
                  <Overrule record={record} field={field} onDone={shared.shut} />
                )}
                {shared.openedOf(field.key) === 'wires' && (
                  <WiresForm field={field} record={record} onDone={shared.shut} />
                )}
                {shared.openedOf(field.key) === 'replace' && (
                  <ReplacePart
                    field={field}
                    record={record}
                    policy={view.policy}
                    heading={<h2 className="text-lg font-bold">Part replaced</h2>}
                    onDone={shared.shut}
                  />
                )}
              </FieldRow>
            ))}
          </ol>
          <Restores record={record} ends={shared.ends} />
          <div className="flex justify-end py-4">
            <Button look="main" onClick={shared.leave}>
              {shared.isLast ? 'To the close' : 'To the next stop'}
            </Button>
          </div>
        </div>
      </section>
      <Aside {...props} entry={entry} />
    </div>
  );
}
