import { loadVolts, SWITCH_POINTS } from './load-volts.ts';

/** Volts at the sequencer: its heater, and what it switches. */
export const sequencerVolts = loadVolts({
  id: 'sequencer-volts',
  title: 'Sequencer volts',
  component: 'sequencer',
  called: ['electric-heat'],
  points: SWITCH_POINTS,
});
