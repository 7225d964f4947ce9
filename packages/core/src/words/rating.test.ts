import { parseCapacitorRating, type CapacitorRating } from '../equipment/rating.ts';
import { sayRating, saySection } from '../equipment/rating-text.ts';
import { sayRatingDecision, sayRatingTrouble } from './rating.ts';

const rating = (text: string) => parseCapacitorRating(text) as CapacitorRating;

test('like ratings are written alike, whatever the label', () => {
  expect(sayRating(rating('45/5 MFD 440VAC'))).toBe('45+5 µF 440 V');
  expect(sayRating(rating('5 + 45 uF 440 V ±6%'))).toBe('45+5 µF 440 V');
  expect(sayRating(rating('7.5 uF'))).toBe('7.5 µF');
  expect(sayRating(rating('88-108 MFD 250V'))).toBe('88–108 µF 250 V');
});

test('sections, decisions and troubles have words', () => {
  expect(saySection({ lug: 'herm', microfarads: 45 })).toBe('45 µF');
  expect(sayRatingDecision(rating('40-5 uF'))).toContain('dual');
  const trouble = parseCapacitorRating('45+5 µF 444');
  expect(trouble.outcome === 'cannot-read' && sayRatingTrouble(trouble)).toBe(
    '“444” is a number without a unit: µF, MFD, V or %?',
  );
});
