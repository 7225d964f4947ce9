import type { MeterInUse } from '../http/meters.ts';
import { numericKind } from '../readings/registry.ts';
import { dueForCheck, inHand, judgedWith, readWith } from './read-with.ts';

const NOW = Date.parse('2026-11-25T14:00:00Z');
const meter = (id: string, over: Partial<MeterInUse> = {}): MeterInUse => ({
  id,
  kind: 'capacitance-meter',
  name: id,
  personId: 'me',
  checkedAt: null,
  last: null,
  ...over,
});
const atHand = {
  personId: 'me',
  meters: [
    meter('mine'),
    meter('theirs', { personId: 'you' }),
    meter('clamp', { kind: 'clamp', checkedAt: '2026-11-10T14:00:00.000Z' }),
    meter('gauges', { kind: 'gauges' }),
  ],
};
const methodOf = (id: string) => numericKind('run-capacitor-capacitance')!.methods.find((m) => m.id === id)!;

test('one’s own instrument of the kind, unless another was picked', () => {
  expect(inHand('capacitance-meter', atHand, {})?.id).toBe('mine');
  expect(inHand('capacitance-meter', atHand, { 'capacitance-meter': 'theirs' })?.id).toBe('theirs');
  expect(inHand('capacitance-meter', atHand, { 'capacitance-meter': 'gone' })?.id).toBe('mine');
  expect(inHand('psychrometer', atHand, {})).toBeNull();
});

test('a reading of two inputs comes from two instruments; the person stands for what is not kept', () => {
  const underLoad = methodOf('under-load');
  const held = readWith(underLoad, atHand, { instruments: {} });
  expect(held).toEqual({ clamp: 'clamp' });
  expect(judgedWith(underLoad, atHand, held)).toEqual({ clamp: 'clamp', multimeter: 'me' });
  expect(readWith(methodOf('bench'), atHand, { instruments: { 'capacitance-meter': 'theirs' } })).toEqual({
    'capacitance-meter': 'theirs',
  });
  expect(readWith(methodOf('looks'), atHand, { instruments: {} })).toEqual({});
});

test('a check is due a month after the last, of one’s own meters that can be checked in a van', () => {
  expect(dueForCheck(atHand, NOW).map((m) => m.id)).toEqual(['mine']);
  expect(dueForCheck(atHand, NOW + 16 * 86_400_000).map((m) => m.id)).toEqual(['mine', 'clamp']);
});
