import type { Call } from '../trade/controls/call-table.ts';
import type { Power, Spot, Test } from './test-shape.ts';

/** Where somebody stands, and in what state the machine is. */
export interface Standpoint {
  readonly spot: Spot;
  readonly power: Exclude<Power, 'any'>;
  readonly call: Call | null;
  /** True once it has run in that call until it settled. */
  readonly settled: boolean;
}
/** As one arrives: at the thermostat, nothing switched. */
export const ARRIVED: Standpoint = { spot: 'thermostat', power: 'live', call: null, settled: false };

/** Minutes: from memory, and meant to rank. */
const WALK = 2;
/** Breaker, disconnect, meter proved, dead proved, bled. */
const LOCK_OUT = 4;
const POWER_BACK = 2;
const CALL = 1;
/** A compressor's off-timer, and ten minutes until air and refrigerant stand still. */
const SETTLE = 12;

/** Minutes a test takes from where one stands, with what must be walked and switched for it. */
export function minutesOf(test: Test, from: Standpoint): number {
  let minutes = test.minutes;
  if (test.spot !== from.spot) minutes += WALK;
  if (test.power === 'off' && from.power !== 'off') minutes += LOCK_OUT;
  const live = test.power === 'live' || (test.power === 'any' && test.call !== null);
  if (live && from.power === 'off') minutes += POWER_BACK;
  const called = test.call !== null && (test.call !== from.call || from.power === 'off');
  if (called && test.measure.what !== 'runs') minutes += CALL;
  if (test.settled && !(from.settled && !called)) minutes += SETTLE;
  return minutes;
}

/** Where one stands once a test was taken. */
export function standpointAfter(test: Test, from: Standpoint): Standpoint {
  const power = test.power === 'any' ? (test.call === null ? from.power : 'live') : test.power;
  const call = power === 'off' ? null : (test.call ?? from.call);
  return {
    spot: test.spot,
    power,
    call,
    settled: test.settled || (from.settled && call === from.call && power === from.power),
  };
}
