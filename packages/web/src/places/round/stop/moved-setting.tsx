import {
  isoOf,
  isLoose,
  MOVED_SETTINGS,
  saySettingChange,
  type EventView,
  type LooseEnd,
  type RoundField,
  type RoundRecord,
  type SettingMoved,
  type SystemDetail,
} from '@yarnix/core';
import { v7 } from 'uuid';
import { keepEvent, keepLooseEnd } from '../../../field/rounds.ts';
import { Button } from '../../../kit/button.tsx';
import { dayHere } from '../../../kit/local-day.ts';
import { openedNow, putBack } from '../../../visit/loose-ends-bar.tsx';

/** A setting's jumper as it was moved on this round, from the device or, on another device, from the office. */
function movedOn(system: SystemDetail, record: RoundRecord, kind: SettingMoved): EventView | null {
  const here = record.events.find((e) => e.event.kind === kind && !e.event.withdrawn);
  if (here) return { id: here.id, ...here.event };
  if (record.events.some((e) => e.event.kind === kind)) return null;
  return system.events.find((e) => e.visitId === record.visitId && e.kind === kind) ?? null;
}

const looseEndOf = (record: RoundRecord, text: string): LooseEnd | undefined =>
  record.looseEnds.find((end) => end.code === 'jumper-moved' && end.text === text && isLoose(end));

/** Moves a jumper: an event from one figure to another, and a loose end until it is back or left so with a reason. */
function move(record: RoundRecord, kind: SettingMoved, from: number | null, to: number): void {
  const change = { from, to };
  const event = {
    visitId: record.visitId,
    kind,
    on: isoOf(dayHere(record.startedAt)),
    note: null,
    change,
    withdrawn: false,
  };
  void keepEvent(record.visitId, { id: v7(), event });
  void keepLooseEnd(record.visitId, openedNow('jumper-moved', saySettingChange(kind, change)));
}

function OneSetting({
  system,
  record,
  field,
  input,
  kind,
}: {
  system: SystemDetail;
  record: RoundRecord;
  field: RoundField;
  input: string;
  kind: SettingMoved;
}) {
  const spec = field.planned.method.inputs.find((i) => i.id === input);
  const read = Number((field.taken ?? field.entry)?.inputs[input]);
  const { name } = MOVED_SETTINGS[kind];
  const moved = movedOn(system, record, kind);
  if (spec?.type !== 'choice' || !Number.isFinite(read)) return null;
  if (moved?.change) {
    const text = saySettingChange(kind, moved.change);
    const end = looseEndOf(record, text);
    return (
      <p className="flex flex-wrap items-center gap-x-3">
        <span className="font-semibold">Moved: {text}.</span>
        {end && (
          <Button look="quiet" className="!px-0" onClick={() => putBack(record, end)}>
            Put back
          </Button>
        )}
      </p>
    );
  }
  return (
    <label className="flex flex-wrap items-center gap-2">
      <span className="label">Moved the {name} to</span>
      <select
        className="min-h-12 rounded-[4px] border-[1.5px] border-rule-strong bg-raised px-3 font-semibold"
        value=""
        onChange={(e) => move(record, kind, read, Number(e.target.value))}
      >
        <option value="">not moved</option>
        {spec.options
          .filter((o) => Number.isFinite(Number(o.value)) && Number(o.value) !== read)
          .map((o) => (
            <option key={o.value} value={o.value}>
              {o.label}
            </option>
          ))}
      </select>
    </label>
  );
}

/** Below settings that were read: what was moved there and then, from where to where. */
export function MovedSettings({
  system,
  record,
  field,
}: {
  system: SystemDetail;
  record: RoundRecord;
  field: RoundField;
}) {
  const { kind } = field.planned;
  if (kind.type !== 'finding' || !kind.movable || !(field.taken ?? field.entry)) return null;
  return (
    <div className="grid gap-1.5 py-1">
      {kind.movable.map(({ input, event }) => (
        <OneSetting key={event} system={system} record={record} field={field} input={input} kind={event} />
      ))}
    </div>
  );
}
