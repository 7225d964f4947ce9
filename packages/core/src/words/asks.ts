import type { Ask } from '../verdict/asks.ts';

/** What is asked for, in a technician's words; empty where nothing is. */
export const ASK_WORDS: Readonly<Record<Ask, string>> = {
  nothing: '',
  'look-again': 'Look again next time',
  'measure-again': 'Measure again',
  'find-cause': 'Find the cause',
  clean: 'Clean it',
  adjust: 'Set it right',
  repair: 'Repair it',
  replace: 'Replace it',
  'call-utility': 'Call the utility',
  'switch-off': 'Switch it off',
};
