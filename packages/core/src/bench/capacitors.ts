import { parseCapacitorRating } from '../equipment/rating.ts';
import { capacitanceUnderLoad } from '../trade/capacitor/capacitance-under-load.ts';
import { judgeReplacement } from '../trade/capacitor/judge-replacement.ts';
import { DISCHARGE, LIVE_WORK, LOCK_OUT } from '../round/cautions.ts';
import { sayQuantity } from '../words/figures.ts';
import { sayReplacement } from '../words/replacement.ts';
import { cannotSay, number, plain, type BenchSum } from './contract.ts';

/** What a running capacitor is good for, by the amps in its lead. */
export const underLoad: BenchSum = {
  id: 'capacitor-under-load',
  title: 'Capacitor under load',
  says: 'µF of a running capacitor from the amps in its HERM or FAN lead and the volts across its two terminals.',
  inputs: [
    number('amps', 'Amps in its lead', 'A', [0, 60]),
    number('volts', 'Volts across it', 'V', [1, 700]),
    {
      type: 'choice',
      id: 'hertz',
      label: 'Line',
      usual: '60',
      choices: [
        ['60', '60 Hz'],
        ['50', '50 Hz'],
      ],
    },
  ],
  work({ number: of, text }) {
    const [amps, volts, hertz] = [of('amps'), of('volts'), Number(text('hertz'))];
    const load = capacitanceUnderLoad({ amps, volts, hertz });
    if (load.outcome === 'cannot-say') return cannotSay('Amps, volts and the line’s frequency are needed.');
    return {
      outcome: 'value',
      result: sayQuantity(load.microfarads, 'µF'),
      formula: `${plain(1e6 / (2 * Math.PI * hertz))} × ${plain(amps)} A ÷ ${plain(volts)} V`,
      doubts: load.warnings.map(
        ({ expectedAtLeast }) =>
          `${plain(volts)} V is near the line’s: across a running capacitor it is ${plain(expectedAtLeast, 3)} V or more. Were the leads on both its terminals?`,
      ),
    };
  },
  cautions: [LIVE_WORK],
  hands: {
    kind: 'run-capacitor-capacitance',
    method: 'under-load',
    inputs: { amps: 'amps', volts: 'volts' },
  },
  source: 'C = 10⁶ I ÷ (2π f V): the definition of capacitive reactance.',
};

/** Whether another capacitor may stand in. */
export const replacement: BenchSum = {
  id: 'capacitor-replacement',
  title: 'May it stand in?',
  says: 'Whether a capacitor may be fitted for another one, by µF of each section and by volts.',
  inputs: [
    { type: 'text', id: 'old', label: 'On the old label', usual: '45+5 µF 370 V' },
    { type: 'text', id: 'new', label: 'On the new label', usual: '45+5 µF 440 V' },
    number('percent', 'µF may differ by', '%', [0, 20], { usual: '0' }),
  ],
  work({ number: of, text }) {
    const [old, fresh] = [parseCapacitorRating(text('old')), parseCapacitorRating(text('new'))];
    if (old.outcome !== 'rating')
      return cannotSay('The old label cannot be read as a rating, such as “45+5 µF 370 V”.');
    if (fresh.outcome !== 'rating')
      return cannotSay('The new label cannot be read as a rating, such as “45+5 µF 440 V”.');
    const verdict = judgeReplacement(old, fresh, of('percent'));
    const results = { fits: 'It may', refused: 'It may not', 'cannot-say': 'Not to be said' } as const;
    return {
      outcome: 'value',
      result: results[verdict.verdict],
      formula: `${text('old').trim()} → ${text('new').trim()}`,
      also: [sayReplacement(verdict)],
    };
  },
  cautions: [LOCK_OUT, DISCHARGE],
  source: 'Same µF within the allowance, volts equal or higher. Common practice, no source.',
};
