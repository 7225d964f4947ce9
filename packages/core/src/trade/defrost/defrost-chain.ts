/** The places of a defrost board's control circuit where a meter goes, the common side fixed, in the order power passes them. */
export const CHAIN_POINTS = [
  'r-to-c',
  'y-in',
  'run-time-sense',
  'sensor-feed',
  'sensor-return',
  'y-out',
  'after-high-switch',
  'after-low-switch',
  'contactor-coil',
] as const;
export type ChainPoint = (typeof CHAIN_POINTS)[number];

/** What is at fault when the volts are missing at a point and were there at the one before. */
export type ChainFault =
  | 'no-control-volts'
  | 'no-call-at-board'
  | 'contactor-not-seen'
  | 'board-feeds-no-sensor'
  | 'thermostat-open'
  | 'board-holds-y'
  | 'high-switch-open'
  | 'low-switch-open'
  | 'wire-to-coil';

export type DefrostChain =
  | { readonly outcome: 'complete' }
  | { readonly outcome: 'fault'; readonly at: ChainPoint; readonly volts: number; readonly fault: ChainFault }
  /** Nothing missing as far as it was measured. */
  | { readonly outcome: 'so-far-good'; readonly next: ChainPoint };

const FAULT_AT: Readonly<Record<ChainPoint, ChainFault>> = {
  'r-to-c': 'no-control-volts',
  'y-in': 'no-call-at-board',
  'run-time-sense': 'contactor-not-seen',
  'sensor-feed': 'board-feeds-no-sensor',
  'sensor-return': 'thermostat-open',
  'y-out': 'board-holds-y',
  'after-high-switch': 'high-switch-open',
  'after-low-switch': 'low-switch-open',
  'contactor-coil': 'wire-to-coil',
};

/** Control volts below this are missing, V: 24 V circuits are tolerated down to 18. Common practice, no source. */
export const PRESENT_FROM = 18;

/**
 * The first place along a defrost board's control circuit where the volts (V, to common) are missing, and what that
 * points to; a coil thermostat that is open in warm weather is as it should be, which `coilWarm` says. Points left out
 * are taken for not measured: with all those measured sound, the next one is named.
 */
export function defrostChain(volts: Partial<Record<ChainPoint, number>>, coilWarm = false): DefrostChain {
  for (const at of CHAIN_POINTS) {
    const read = volts[at];
    if (read === undefined) return { outcome: 'so-far-good', next: at };
    const mayBeOpen = at === 'sensor-return' && coilWarm;
    if (read < PRESENT_FROM && !mayBeOpen) return { outcome: 'fault', at, volts: read, fault: FAULT_AT[at] };
  }
  return { outcome: 'complete' };
}
