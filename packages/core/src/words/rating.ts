import type { CannotReadRating, CapacitorRating, RatingDecision, RatingTrouble } from '../equipment/rating.ts';

const TROUBLES: Readonly<Record<RatingTrouble, string>> = {
  'nothing-written': 'Type what the label says, such as 45+5 µF 440 V.',
  'no-capacitance': 'No capacitance in it yet, such as 45+5 µF.',
  'unit-missing': 'is a number without a unit: µF, MFD, V or %?',
  'not-understood': 'cannot be read.',
  'second-capacitance': 'is a second capacitance; write a dual as 45+5 µF.',
  'second-volts': 'is a second volt rating.',
  'second-tolerance': 'is a second tolerance.',
  zero: 'has a zero in it.',
  'too-large': 'is more than any run or start capacitor.',
  'tolerance-too-large': 'is no tolerance of a capacitor.',
  'volts-out-of-range': 'is no volt rating of a capacitor.',
  'pair-or-range-unclear': 'may be a dual or a range; write a dual with + between.',
};

const DECISIONS: Readonly<Record<RatingDecision, string>> = {
  'one-number': 'one number: a single capacitor',
  'plus-or-slash-joins-two-sections': 'two numbers joined: a dual, the larger is HERM',
  'hyphen-with-larger-first-is-dual': 'larger number first: a dual, not a range',
  'hyphen-with-far-apart-numbers-is-dual': 'numbers too far apart for a range: a dual',
  'hyphen-with-close-rising-numbers-is-range': 'close, rising numbers: the range of a start capacitor',
};

/** Why a rating text could not be read, with the piece in question. */
export const sayRatingTrouble = (trouble: CannotReadRating): string =>
  trouble.piece ? `“${trouble.piece}” ${TROUBLES[trouble.because]}` : TROUBLES[trouble.because];

/** How it was decided what a rating's numbers mean. */
export const sayRatingDecision = (rating: CapacitorRating): string => DECISIONS[rating.decidedBy];
