import { loadVolts } from './load-volts.ts';

/** Volts across the reversing valve's coil, as the board feeds it. */
export const valveVolts = loadVolts({
  id: 'valve-volts',
  title: 'Reversing valve volts',
  component: 'defrost-board',
  called: ['cooling', 'heating'],
  points: ['coil'],
});
