import { loadVolts, SWITCH_POINTS } from './load-volts.ts';

/** Volts at the compressor's contactor. */
export const contactorVolts = loadVolts({
  id: 'contactor-volts',
  title: 'Contactor volts',
  component: 'contactor',
  called: ['cooling', 'heating'],
  points: SWITCH_POINTS,
});
