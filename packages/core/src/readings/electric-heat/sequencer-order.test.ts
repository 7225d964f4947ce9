import { sayReason } from '../../words/reasons.ts';
import { judgeContactOrder } from './sequencer-order.ts';

const says = (seconds: Parameters<typeof judgeContactOrder>[0], doing: 'closing' | 'opening') => {
  const judgment = judgeContactOrder(seconds, doing);
  return judgment && [judgment.standing, sayReason(judgment.because).replaceAll('\u00a0', ' ')];
};

// Common practice, no source: they close 10 to 40 s apart, and open last one first.
test('contacts close one after the other', () => {
  expect(says({ 'contact-1': 25 }, 'closing')).toBeNull();
  expect(says({ 'contact-1': 25, 'contact-2': 48, 'contact-3': 70 }, 'closing')).toEqual([
    'sound',
    '3 contacts, each after the one before.',
  ]);
  expect(says({ 'contact-1': 25, 'contact-2': 26 }, 'closing')).toEqual([
    'watch',
    'Contact 2 closes at 26 s, contact 1 at 25 s: not one after the other, so that the supply takes both at once. Its heaters, or a contact that was closed before.',
  ]);
  expect(says({ 'contact-1': 60, 'contact-2': 30, 'contact-3': 90 }, 'closing')?.[0]).toBe('watch');
});

test('and open the other way round', () => {
  expect(says({ 'contact-1': 80, 'contact-2': 55, 'contact-3': 35 }, 'opening')?.[0]).toBe('sound');
  expect(says({ 'contact-1': 40, 'contact-2': 70 }, 'opening')).toEqual([
    'watch',
    'Contact 1 opens at 40 s, contact 2 at 70 s: the last to close should be the first to open. One of the two sticks; read it with no call.',
  ]);
});
