import { loadVolts, SWITCH_POINTS } from './load-volts.ts';

/** Volts at the electric heat relay. */
export const heatRelayVolts = loadVolts({
  id: 'heat-relay-volts',
  title: 'Heat relay volts',
  component: 'heat-relay',
  called: ['electric-heat'],
  points: SWITCH_POINTS,
});
