import { loadVolts, SWITCH_POINTS } from './load-volts.ts';

/** Volts at the blower relay. */
export const blowerRelayVolts = loadVolts({
  id: 'blower-relay-volts',
  title: 'Blower relay volts',
  component: 'blower-relay',
  called: ['fan-only', 'cooling-air', 'electric-heat', 'gas-heat'],
  points: SWITCH_POINTS,
});
