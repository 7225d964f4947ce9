import type { Point } from '../../equipment/component.ts';
import type { Judgment } from '../../verdict/judgment.ts';
import { CONTACTS } from './sequencer-contact.ts';

/** Contacts that follow one another sooner than this switch as one, s; usual are 10 to 40. Common practice, no source. */
const LEAST_APART = 4;

/**
 * Whether the contacts of one visit switch one after the other, in their order: rising when they close, and the last one
 * first when they open. Seconds by point; null while fewer than two have been timed.
 */
export function judgeContactOrder(
  seconds: Readonly<Partial<Record<Point, number>>>,
  doing: 'closing' | 'opening',
): Judgment | null {
  const timed = CONTACTS.flatMap((point) => (seconds[point] === undefined ? [] : [{ point, at: seconds[point] }]));
  const turned = doing === 'opening' ? timed.reverse() : timed;
  if (turned.length < 2) return null;
  const at = turned.findIndex(({ at: now }, i) => i > 0 && now - turned[i - 1]!.at < LEAST_APART);
  const [first, second] = at < 0 ? turned : [turned[at - 1], turned[at]];
  const numbers = {
    doing,
    first: first!.point,
    second: second!.point,
    firstAt: first!.at,
    secondAt: second!.at,
    contacts: turned.length,
  };
  return at < 0
    ? { basis: 'cross-check', standing: 'sound', limit: null, because: { code: 'contacts-in-turn', numbers } }
    : { basis: 'cross-check', standing: 'watch', limit: null, because: { code: 'contacts-out-of-turn', numbers } };
}
