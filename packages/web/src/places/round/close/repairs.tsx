import {
  isoOf,
  elementOf,
  EVENT_KINDS,
  EVENTS,
  heatElementsOf,
  isSettingMoved,
  readingKind,
  type EventKind,
  type RoundRecord,
  type SystemDetail,
} from '@yarnix/core';
import { dayHere } from '../../../kit/local-day.ts';
import { v7 } from 'uuid';
import { keepEvent } from '../../../field/rounds.ts';

/** What was done on this visit, from the device or, on another device, from the office. */
const doneOn = (system: SystemDetail, record: RoundRecord, kind: EventKind): string | null => {
  const here = record.events.find((e) => e.event.kind === kind);
  if (here) return here.event.withdrawn ? null : here.id;
  return system.events.find((e) => e.visitId === record.visitId && e.kind === kind)?.id ?? null;
};

/** What can have been done on this machine: moved settings are noted where they are read, it has the parts, and so many elements. */
function isOffered(kind: EventKind, system: SystemDetail): boolean {
  const at = elementOf(kind);
  const elements = system.components.some((c) => c.slot === 'electric-heat') ? heatElementsOf(system.plate) : 0;
  const moves: readonly string[] = EVENTS[kind].moves;
  const isHere = (id: string) => system.components.some((c) => c.kind === readingKind(id)?.component);
  const moving = moves.length === 0 || moves.some(isHere);
  return !isSettingMoved(kind) && moving && (at === null || (elements > 1 && at <= elements));
}

/**
 * Repairs and changes that move readings without wear: one tap notes one, another takes it back. Readings from here on
 * may lie elsewhere without being called worn or stepped.
 */
export function CloseRepairs({ system, record }: { system: SystemDetail; record: RoundRecord }) {
  const toggle = (kind: EventKind) => {
    const there = doneOn(system, record, kind);
    const known = there ?? record.events.find((e) => e.event.kind === kind)?.id;
    const event = {
      visitId: record.visitId,
      kind,
      on: isoOf(dayHere(record.startedAt)),
      note: null,
      change: null,
      withdrawn: there !== null,
    };
    void keepEvent(record.visitId, { id: known ?? v7(), event });
  };
  return (
    <section aria-labelledby="done">
      <h2 id="done" className="text-lg font-bold">
        Done on this visit
      </h2>
      <p className="label mb-2">Besides parts replaced. Readings after it may lie elsewhere without being worn.</p>
      <div className="flex flex-wrap gap-2">
        {EVENT_KINDS.filter((kind) => isOffered(kind, system)).map((kind) => (
          <button
            key={kind}
            type="button"
            aria-pressed={doneOn(system, record, kind) !== null}
            onClick={() => toggle(kind)}
            className="min-h-12 rounded-[4px] border-[1.5px] border-rule-strong bg-raised px-4 font-semibold aria-pressed:border-copper aria-pressed:bg-copper aria-pressed:text-on-copper"
          >
            {EVENTS[kind].title}
          </button>
        ))}
      </div>
    </section>
  );
}
