import { SLOT_NAMES, type ComponentKind, type Point, type Slot } from '../equipment/component.ts';
import type { SystemDetail } from '../http/systems.ts';
import { EVENTS, movesReading, renewsPoint } from '../judgment/events.ts';
import { momentOfId } from '../quantity/moment-of-id.ts';
import { readingKind } from '../readings/registry.ts';
import { REPLACED_MOVES } from '../round/proof.ts';
import type { RoundComponent } from './round-parts.ts';
import type { RoundRecord } from './round-record.ts';

/** Something done on a round that readings can prove: a part fitted, or a repair noted. */
export interface Repair {
  readonly id: string;
  /** UTC. */
  readonly at: string;
  readonly title: string;
  /** Whether it can move readings of that kind. */
  readonly moves: (kind: string, point: Point) => boolean;
  /** Whether it put something else where a point is read: what was read there before is not of it. */
  readonly renews: (point: Point) => boolean;
  /** The part that came out and the one that went in; null for what replaced nothing. */
  readonly replaced: { readonly old: string; readonly fresh: string } | null;
}

const newPart = (slot: Slot): string => `New ${SLOT_NAMES[slot].toLowerCase()}`;

/** What a new part of a kind can move: what is read of it, what it is read by, and what every part fitted makes owed. */
const movedBy =
  (kind: ComponentKind) =>
  (of: string): boolean =>
    readingKind(of)?.component === kind ||
    readingKind(of)?.owedAgain === true ||
    (REPLACED_MOVES[kind] ?? []).some((moved) => moved === of);

/** A part fitted at a moment, UTC, in place of `old`. Readings of it are its own from the first: none needs to begin anew. */
const fittedAt = (
  at: string,
  { id, kind, slot }: { readonly id: string; readonly kind: ComponentKind; readonly slot: Slot },
  old: string,
): Repair => ({
  id,
  at,
  title: newPart(slot),
  moves: movedBy(kind),
  renews: () => false,
  replaced: { old, fresh: id },
});

function fitted(record: RoundRecord, components: readonly RoundComponent[]): Repair[] {
  return record.parts.flatMap(({ id, fitted: part, refused }): Repair[] => {
    const component = components.find((c) => c.id === id);
    const at = momentOfId(id);
    if (refused !== undefined || !component || at === null) return [];
    return [fittedAt(at, component, part.replaces)];
  });
}

/** Parts that another device, or the office, fitted since the round began. */
function fittedElsewhere(system: SystemDetail, record: RoundRecord): Repair[] {
  return system.components.flatMap((part): Repair[] => {
    const { id, replaces } = part;
    const at = momentOfId(id);
    if (replaces === null || at === null || at < record.startedAt || record.parts.some((p) => p.id === id)) return [];
    return [fittedAt(at, part, replaces)];
  });
}

function noted(system: SystemDetail, record: RoundRecord): Repair[] {
  const here = record.events.map(({ id, event }) => ({ id, ...event }));
  const there = system.events
    .filter((e) => e.visitId === record.visitId && !here.some((h) => h.id === e.id))
    .map((e) => ({ ...e, withdrawn: false }));
  return [...there, ...here].flatMap(({ id, kind, withdrawn }): Repair[] => {
    const at = momentOfId(id);
    const { title } = EVENTS[kind];
    if (withdrawn || at === null) return [];
    return [
      {
        id,
        at,
        title,
        moves: (of, point) => movesReading(kind, of, point),
        renews: (point) => renewsPoint(kind, point),
        replaced: null,
      },
    ];
  });
}

/** What was done on this round, in the order it was. */
export const repairsOn = (system: SystemDetail, record: RoundRecord, components: readonly RoundComponent[]): Repair[] =>
  [...fitted(record, components), ...fittedElsewhere(system, record), ...noted(system, record)].sort((a, b) =>
    a.at < b.at ? -1 : 1,
  );
