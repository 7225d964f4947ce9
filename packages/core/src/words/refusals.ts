import { MEASURES } from '../quantity/unit.ts';
import type { Refusal } from '../verdict/reasons.ts';
import { SNAG_WORDS } from './rules.ts';

/** The sentence at a field whose entry was refused; it says what to type instead. */
export function sayRefusal(refusal: Refusal): string {
  switch (refusal.code) {
    case 'empty':
      return 'Nothing entered.';
    case 'not-a-number':
      return `“${refusal.numbers.text}” is not a number. Type digits, such as 38.4.`;
    case 'negative':
      return refusal.numbers.unit === '°F'
        ? `${refusal.numbers.value} °F is below anything met outdoors.`
        : refusal.numbers.unit === 'psig'
          ? `${refusal.numbers.value} psig is below a full vacuum.`
          : `${refusal.numbers.value} ${refusal.numbers.unit}: ${MEASURES[refusal.numbers.unit]} cannot be below zero.`;
    case 'beyond-any-meter':
      return `${Number(refusal.numbers.value.toPrecision(4))} ${refusal.numbers.unit} is beyond any meter; at most ${refusal.numbers.limit} ${refusal.numbers.unit}.`;
    case 'finer-than-any-meter':
      return `${refusal.numbers.value} ${refusal.numbers.unit} is finer than any meter shows. A slip of the decimal point?`;
    case 'no-over-limit-here':
      return 'OL is not a reading here; type the number shown.';
    case 'no-jumps-here':
      return 'Type the number shown; “jumps” is for ohms.';
    case 'cannot-work-out':
      return SNAG_WORDS[refusal.numbers.snag];
    case 'unknown-choice':
      return `“${refusal.numbers.text}” is not one of the choices.`;
    case 'chosen-twice':
      return `“${refusal.numbers.text}” is chosen twice.`;
    case 'none-and-some':
      return `“${refusal.numbers.text}” cannot hold beside another choice.`;
    case 'unknown-field':
      return `There is no field “${refusal.numbers.text}” in this reading.`;
    case 'no-volts-across':
      return 'With no volts across the capacitor nothing can be worked out; is it running?';
  }
}
