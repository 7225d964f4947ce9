import { SLOT_NAMES } from '../equipment/component.ts';
import type { SystemDetail } from '../http/systems.ts';
import { EVENTS } from '../judgment/events.ts';
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
  readonly moves: (kind: string) => boolean;
  /** The part that came out and the one that went in; null for what replaced nothing. */
  readonly replaced: { readonly old: string; readonly fresh: string } | null;
}

function fitted(record: RoundRecord, components: readonly RoundComponent[]): Repair[] {
  return record.parts.flatMap(({ id, fitted: part, refused }): Repair[] => {
    const component = components.find((c) => c.id === id);
    const at = momentOfId(id);
    if (refused !== undefined || !component || at === null) return [];
    const { kind, slot } = component;
    return [
      {
        id,
        at,
        title: `New ${SLOT_NAMES[slot].toLowerCase()}`,
        moves: (of) =>
          readingKind(of)?.component === kind ||
          readingKind(of)?.owedAgain === true ||
          (REPLACED_MOVES[kind] ?? []).some((moved) => moved === of),
        replaced: { old: part.replaces, fresh: id },
      },
    ];
  });
}

function noted(system: SystemDetail, record: RoundRecord): Repair[] {
  const here = record.events.map(({ id, event }) => ({ id, ...event }));
  const there = system.events
    .filter((e) => e.visitId === record.visitId && !here.some((h) => h.id === e.id))
    .map((e) => ({ ...e, withdrawn: false }));
  return [...there, ...here].flatMap(({ id, kind, withdrawn }): Repair[] => {
    const at = momentOfId(id);
    const { title, moves } = EVENTS[kind];
    if (withdrawn || at === null) return [];
    return [{ id, at, title, moves: (of) => moves.some((moved) => moved === of), replaced: null }];
  });
}

/** What was done on this round, in the order it was. */
export const repairsOn = (system: SystemDetail, record: RoundRecord, components: readonly RoundComponent[]): Repair[] =>
  [...fitted(record, components), ...noted(system, record)].sort((a, b) => (a.at < b.at ? -1 : 1));
