import type { PlannedStop } from '@yarnix/core';
import { cardId, type Card } from './board.ts';
import { placeUnder, tabId, WAITING } from './use-drag.ts';

const card = (systemId: string, over: Partial<PlannedStop & { isProposed: boolean }> = {}): Card =>
  ({
    systemId,
    day: '2026-11-25',
    personId: 'ada',
    window: null,
    jobs: [],
    isProposed: false,
    ...over,
  }) as unknown as Card;
const [a, b, c] = [card('a'), card('b'), card('c')];
const x = card('x', { personId: 'bo' });
const wish = card('w', { day: null, personId: null, isProposed: true });
const all = [a, b, c, x, wish];
const under = (over: string, which: Card, from = 0, to = 0) => placeUnder(over, which, all, { from, to });

test('let go of on a card it goes before it, and behind it when it came from above in the same day', () => {
  expect(under(cardId(a), c, 2, 0)).toEqual({ day: '2026-11-25', personId: 'ada', before: 'a' });
  expect(under(cardId(c), a, 0, 2)).toEqual({ day: '2026-11-25', personId: 'ada', before: null });
  expect(under(cardId(b), a, 0, 1)).toEqual({ day: '2026-11-25', personId: 'ada', before: 'c' });
  expect(under(cardId(b), x, 0, 1)).toEqual({ day: '2026-11-25', personId: 'ada', before: 'b' });
});

test('let go of on a strand it is its last, on a day it keeps its person, among what waits it has none', () => {
  expect(under('2026-11-25 bo', a)).toEqual({ day: '2026-11-25', personId: 'bo', before: null });
  expect(under(tabId('2026-11-27'), a)).toEqual({ day: '2026-11-27', personId: 'ada', before: null });
  expect(under(WAITING, a)).toEqual({ day: null, personId: null, before: null });
  expect(under(cardId(wish), a)).toEqual({ day: null, personId: null, before: null });
});

test('what is only proposed stays so until it is given a day, and nothing moves onto itself', () => {
  expect(under(WAITING, wish)).toBeNull();
  expect(under(cardId(wish), wish)).toBeNull();
  expect(under(tabId('2026-11-27'), wish)).toEqual({ day: '2026-11-27', personId: null, before: null });
  expect(under(cardId(a), a)).toBeNull();
});
