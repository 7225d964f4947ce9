import {
  KeyboardSensor,
  MouseSensor,
  pointerWithin,
  rectIntersection,
  TouchSensor,
  useSensor,
  useSensors,
  type Announcements,
  type CollisionDetection,
  type DragEndEvent,
} from '@dnd-kit/core';
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable';
import type { Week } from '@yarnix/core';
import { cardId, whereIs, type Card } from './board.ts';
import type { Moves } from './use-moves.ts';

/** Where cards wait that have no day, or nobody. */
export const WAITING = 'waiting';
export const tabId = (day: string): string => `tab ${day}`;

/** What lies under the pointer; where a key moves a card there is no pointer, and what the card covers counts. */
export const underPointer: CollisionDetection = (args) => {
  const under = pointerWithin(args);
  const found = under.length > 0 ? under : rectIntersection(args);
  // A card before the strand it lies on, a tab before all.
  return [...found].sort((a, b) => rank(String(b.id)) - rank(String(a.id)));
};
const rank = (id: string): number =>
  id.startsWith('tab ') ? 2 : id.startsWith('planned ') || id.startsWith('proposed ') ? 1 : 0;

interface Place {
  readonly day: string | null;
  readonly personId: string | null;
  readonly before: string | null;
}

/** Where a card that was let go of belongs; null where it was let go of nowhere, or on itself. */
export function placeUnder(
  over: string,
  card: Card,
  cards: readonly Card[],
  index: { from: number; to: number },
): Place | null {
  if (over === cardId(card)) return null;
  const nowhere = card.isProposed ? null : { day: null, personId: null, before: null };
  if (over === WAITING) return nowhere;
  if (over.startsWith('tab ')) return { day: over.slice('tab '.length), personId: card.personId, before: null };
  const there = cards.find((c) => cardId(c) === over);
  if (there) {
    if (there.isProposed || there.personId === null) return nowhere;
    const own = cards.filter((c) => !c.isProposed && c.day === there.day && c.personId === there.personId);
    const isSame = card.day === there.day && card.personId === there.personId && !card.isProposed;
    // Moved down within its own day a card goes behind the one it was let go of on.
    const at = own.findIndex((c) => cardId(c) === over) + (isSame && index.from < index.to ? 1 : 0);
    return { day: there.day, personId: there.personId, before: own[at]?.systemId ?? null };
  }
  const [day = '', personId = ''] = over.split(' ');
  return { day, personId, before: null };
}

/** What is told to whoever does not see the board while a card is moved. */
function announcementsOf(week: Week | undefined, cards: readonly Card[]): Announcements {
  const nameOf = (id: string): string => {
    if (id === WAITING) return 'what waits without a day';
    if (id.startsWith('tab ')) return id.slice('tab '.length);
    const card = cards.find((c) => cardId(c) === id);
    return card?.address ?? week?.people.find((p) => id.endsWith(p.id))?.name ?? 'nothing';
  };
  return {
    onDragStart: ({ active }) => `${nameOf(String(active.id))} is taken.`,
    onDragOver: ({ over }) => (over ? `It is over ${nameOf(String(over.id))}.` : 'It is over nothing.'),
    onDragEnd: ({ active, over }) =>
      over ? `${nameOf(String(active.id))} is let go of over ${nameOf(String(over.id))}.` : 'It is where it was.',
    onDragCancel: () => 'It is where it was.',
  };
}

/** What a grip says of itself. */
const INSTRUCTIONS = {
  draggable:
    'Take it with the space bar, move it with the arrow keys, let go with the space bar. Escape leaves it where it was.',
};

/** Dragging on the board: by mouse, by a finger held still for a moment, and by keys. */
export function useDrag(week: Week | undefined, cards: readonly Card[], moves: Moves) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    const card = cards.find((c) => cardId(c) === active.id);
    if (!card || !over || !week) return;
    const sort = (data: unknown) => (data as { sortable?: { index: number } } | undefined)?.sortable?.index ?? 0;
    const index = { from: sort(active.data.current), to: sort(over.data.current) };
    const to = placeUnder(String(over.id), card, cards, index);
    if (!to) return;
    const was = whereIs(week, card);
    if (!card.isProposed && to.day === card.day && to.personId === card.personId && to.before === was.before) return;
    moves.move(card, { ...to, window: to.day === card.day ? card.window : null }, card.isProposed ? null : was);
  };
  const accessibility = {
    announcements: announcementsOf(week, cards),
    screenReaderInstructions: INSTRUCTIONS,
  };
  return { sensors, onDragEnd, accessibility };
}
