import { loadVolts } from './load-volts.ts';

/** Volts across the electric heat itself. */
export const heaterVolts = loadVolts({
  id: 'heater-volts',
  title: 'Heater volts',
  component: 'electric-heat',
  called: ['electric-heat'],
  points: ['load-side'],
});
