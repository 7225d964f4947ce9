import type { SwitchOrder } from '../../equipment/switch-order.ts';

/** The places of an outdoor unit's control circuit where a meter goes, the common side fixed. */
export const CHAIN_PLACES = {
  'r-to-c': 'R to C',
  'y-in': 'Y in',
  'y-out': 'Y out',
  'after-high-switch': 'after the high switch',
  'after-low-switch': 'after the low switch',
  'contactor-coil': 'the contactor coil',
  'run-time-sense': 'the run-time sense',
  'sensor-feed': 'the sensor feed',
  'sensor-return': 'the sensor return',
} as const;
export type ChainPlace = keyof typeof CHAIN_PLACES;

/** What is at fault when the volts are missing at a place and are there at the one right before it. */
export type ChainFault =
  | 'no-control-volts'
  | 'no-call-at-board'
  | 'board-holds-y'
  | 'high-switch-open'
  | 'low-switch-open'
  | 'wire-to-coil'
  | 'contactor-not-seen'
  | 'board-feeds-no-sensor'
  | 'thermostat-open'
  | 'thermostat-open-warm'
  | 'thermostat-open-unproven'
  | 'thermostat-stuck-shut';

/** What the measured places say, one of these for each branch that says anything. */
export type ChainFinding =
  | { readonly found: ChainFault }
  /** Lost somewhere between two measured places with others in between. */
  | { readonly found: 'lost'; readonly after: ChainPlace; readonly before: ChainPlace }
  /** Missing at a place and there again at one behind it: one of the two was read wrong. */
  | { readonly found: 'contradiction'; readonly missing: ChainPlace; readonly there: ChainPlace };

export interface ControlChain {
  readonly findings: readonly ChainFinding[];
  /** True when the circuit was followed to the contactor coil, and the sensor's branch to its return. */
  readonly complete: boolean;
}

/** Control volts below this are missing, V: 24 V circuits are tolerated down to 18. Common practice, no source. */
export const PRESENT_FROM = 18;

/**
 * A coil thermostat closes between 28 and 35 °F and opens between 50 and 80 °F (common practice, no source): above the
 * first it may rightly be open, below it must be closed, and above the last it must be open.
 */
const MUST_BE_SHUT_BELOW_F = 28;
const MAY_BE_OPEN_FROM_F = 36;
export const MUST_BE_OPEN_FROM_F = 85;
/** In air this warm no coil of a heat pump is near freezing, even heating, °F. Common practice, no source. */
const WARM_AIR_F = 60;

const FAULT_BEFORE: Readonly<Record<ChainPlace, ChainFault>> = {
  'r-to-c': 'no-control-volts',
  'y-in': 'no-call-at-board',
  'y-out': 'board-holds-y',
  'after-high-switch': 'high-switch-open',
  'after-low-switch': 'low-switch-open',
  'contactor-coil': 'wire-to-coil',
  'run-time-sense': 'contactor-not-seen',
  'sensor-feed': 'board-feeds-no-sensor',
  'sensor-return': 'thermostat-open',
};

const SWITCHES: Readonly<Record<SwitchOrder, readonly ChainPlace[]>> = {
  'high-low': ['after-high-switch', 'after-low-switch'],
  'low-high': ['after-low-switch', 'after-high-switch'],
  'high-only': ['after-high-switch'],
  'low-only': ['after-low-switch'],
  none: [],
};

export type ChainVolts = Readonly<Partial<Record<ChainPlace, number>>>;

/** The order of the switches, when it is not noted, as far as the volts tell it: the one with volts goes before the one without. */
function orderFrom(volts: ChainVolts): SwitchOrder {
  const high = volts['after-high-switch'];
  const low = volts['after-low-switch'];
  return high !== undefined && low !== undefined && high < PRESENT_FROM && low >= PRESENT_FROM
    ? 'low-high'
    : 'high-low';
}

/** What one branch says, its places in the order power passes them; null when nothing is missing on it. */
function follow(branch: readonly ChainPlace[], volts: ChainVolts): ChainFinding | null {
  const measured = branch.filter((at) => volts[at] !== undefined);
  const isThere = (at: ChainPlace) => (volts[at] ?? 0) >= PRESENT_FROM;
  const first = measured.findIndex((at) => !isThere(at));
  const missing = measured[first];
  if (missing === undefined) return null;
  const again = measured.slice(first + 1).find(isThere);
  if (again) return { found: 'contradiction', missing, there: again };
  const last = measured[first - 1];
  const between = branch.indexOf(missing) - (last === undefined ? -1 : branch.indexOf(last));
  return last === undefined || between === 1
    ? { found: FAULT_BEFORE[missing] }
    : { found: 'lost', after: last, before: missing };
}

/** Whether an open coil thermostat is right, by what is known of its coil and of the air. */
export function openThermostat(coilF: number | undefined, outdoorF: number | undefined): ChainFault {
  if (coilF !== undefined) {
    if (coilF < MUST_BE_SHUT_BELOW_F) return 'thermostat-open';
    return coilF >= MAY_BE_OPEN_FROM_F ? 'thermostat-open-warm' : 'thermostat-open-unproven';
  }
  return outdoorF !== undefined && outdoorF >= WARM_AIR_F ? 'thermostat-open-warm' : 'thermostat-open-unproven';
}

function sensorBranch(asked: ChainAsked): ChainFinding | null {
  const { volts, coilF, outdoorF } = asked;
  const found = follow(['r-to-c', 'sensor-feed', 'sensor-return'], volts);
  if (found?.found === 'thermostat-open') return { found: openThermostat(coilF, outdoorF) };
  // With the feed not measured, an open thermostat is as likely as a dead feed, and on a warm coil the likelier.
  if (found?.found === 'lost' && openThermostat(coilF, outdoorF) !== 'thermostat-open')
    return { found: openThermostat(coilF, outdoorF) };
  const isShut = (volts['sensor-return'] ?? 0) >= PRESENT_FROM;
  if (!found && isShut && coilF !== undefined && coilF >= MUST_BE_OPEN_FROM_F)
    return { found: 'thermostat-stuck-shut' };
  return found;
}

export interface ChainAsked {
  /** V to common at each place that was measured, with the call held; places may be left out. */
  readonly volts: ChainVolts;
  /** As wired on this machine; worked out from the volts as far as they tell it when left out. */
  readonly switches?: SwitchOrder | undefined;
  /** Coil at its thermostat, and outdoor air, °F. */
  readonly coilF?: number | undefined;
  readonly outdoorF?: number | undefined;
}

/**
 * Follows an outdoor unit's control circuit as the tree it is: R to C, the call, the board, the switches in their order,
 * the contactor coil; the run-time sense branches off at the coil, the sensor's feed and return from the board. The fault
 * lies between the last measured place with volts and the first without; places that were not measured are passed over and
 * named as part of what lies between. A coil thermostat open on a warm coil is right. Common practice, no source.
 */
export function controlChain(asked: ChainAsked): ControlChain {
  const sense = asked.volts['run-time-sense'];
  // Volts at the sense come from the coil: measured there they are at the coil too.
  const isSensed = sense !== undefined && sense >= PRESENT_FROM && asked.volts['contactor-coil'] === undefined;
  const volts: ChainVolts = isSensed ? { ...asked.volts, 'contactor-coil': sense } : asked.volts;
  const order = asked.switches ?? orderFrom(volts);
  const main = follow(['r-to-c', 'y-in', 'y-out', ...SWITCHES[order], 'contactor-coil', 'run-time-sense'], volts);
  const noPower = main?.found === 'no-control-volts';
  const sensor = noPower ? null : sensorBranch({ ...asked, volts });
  const followed = volts['contactor-coil'] !== undefined && volts['sensor-return'] !== undefined;
  return { findings: [main, sensor].filter((f) => f !== null), complete: followed };
}
