import { isOwn, own } from '../quantity/own.ts';
import { CHAIN_PLACES, type ChainPlace } from '../trade/controls/control-chain.ts';
import { worstOf, type Standing } from './standing.ts';

/**
 * What can be found that is not a number, and how it stands: one table for every kind of reading. What is said of each
 * stands in the words. Common practice, no source.
 */
export const FINDINGS = {
  // Looks
  nothing: 'sound',
  'burnt-wire': 'act',
  'scorched-lug': 'act',
  'pitted-contacts': 'watch',
  'charred-disconnect': 'stop',
  'oil-below-fan': 'watch',
  insects: 'watch',
  growth: 'watch',
  'dirty-coil': 'watch',
  'ice-pattern': 'watch',
  'oil-stain': 'act',
  'rust-under-pan': 'watch',
  'frozen-coil': 'act',
  'ice-in-base': 'watch',
  'blade-stiff': 'act',
  'cable-damaged': 'act',
  'fuse-blown': 'act',
  'fuse-right': 'sound',
  'fuse-larger': 'act',
  'fuse-smaller': 'watch',
  'fuse-bridged': 'stop',
  'dirty-filter': 'watch',
  'dirty-wheel': 'watch',
  'drain-blocked': 'act',
  'gas-smell': 'stop',
  // What the customer noticed
  routine: 'sound',
  'too-warm': 'watch',
  'too-cold': 'watch',
  'never-stops': 'watch',
  'does-not-start': 'act',
  'iced-up': 'watch',
  noise: 'watch',
  'high-bill': 'watch',
  // On a hunt
  noted: 'unproven',
  // Charge check
  'check-counts': 'sound',
  'air-not-right': 'unproven',
  'just-started': 'unproven',
  'too-cold-outside': 'unproven',
  raining: 'unproven',
  'just-weighed-in': 'unproven',
  // Calls
  'as-the-call-wants': 'sound',
  'blower-on-without-call': 'act',
  'compressor-on-fan-call': 'act',
  'compressor-on-without-call': 'act',
  'strips-in-cooling': 'act',
  'strips-on-without-call': 'act',
  // Kept in older records.
  'blower-only-on-emergency-heat': 'act',
  'blower-silent': 'act',
  'heat-without-air': 'stop',
  'fan-call-dead': 'act',
  'blower-dead': 'act',
  'blower-dead-relay': 'act',
  'strips-on-first-stage': 'watch',
  'compressor-on-emergency-heat': 'watch',
  'outdoor-unit-silent': 'act',
  'compressor-silent': 'act',
  'outdoor-fan-silent': 'act',
  'outdoor-fan-silent-no-board': 'act',
  'outdoor-fan-in-defrost': 'act',
  'nothing-runs': 'act',
  'strips-silent': 'act',
  'burner-silent': 'act',
  'runs-besides-the-call': 'watch',
  // Meter findings
  open: 'act',
  'contact-open': 'act',
  'contact-open-at-rest': 'sound',
  'contact-welded': 'act',
  'contact-path-unproven': 'unproven',
  'contact-closed-dead': 'act',
  'contact-shut-at-rest': 'sound',
  'contact-poor': 'watch',
  'contact-open-dead': 'act',
  'switch-open-dead': 'act',
  'not-grounded': 'sound',
  'winding-open': 'act',
  'closed-at-once': 'act',
  shorted: 'act',
  jumps: 'act',
  'holds-charge': 'unproven',
  grounded: 'stop',
  'never-closed': 'act',
  'never-opened': 'act',
  'opened-at-once': 'watch',
  // Defrost settings and test
  'setting-read': 'sound',
  'setting-differs': 'watch',
  'interval-differs': 'watch',
  'interval-long': 'watch',
  'interval-over-school': 'watch',
  'factory-setting': 'sound',
  'terminates-low': 'watch',
  'terminates-low-left': 'watch',
  'raise-to-60': 'watch',
  'raise-to-70': 'watch',
  'raise-to-80': 'watch',
  'raise-to-90': 'watch',
  'defrosts-well': 'sound',
  'coil-too-warm-to-test': 'unproven',
  'test-not-started': 'unproven',
  'ended-by-hand': 'unproven',
  'defrost-too-short': 'unproven',
  'valve-did-not-shift': 'act',
  'fan-kept-running': 'act',
  'compressor-stopped': 'act',
  'no-auxiliary-heat': 'watch',
  'ended-by-limit': 'watch',
  'ended-early': 'watch',
  'frost-in-bands': 'watch',
  'frost-at-limit': 'watch',
  'frost-as-block': 'act',
  'fan-runs-past-relay': 'act',
  'fan-dead-past-relay': 'act',
  // Volts at what a call switches
  'coil-fed': 'sound',
  'coil-not-fed': 'act',
  'coil-volts-low': 'act',
  'coil-volts-not-control': 'unproven',
  'coil-at-rest': 'sound',
  'coil-fed-without-call': 'act',
  'ghost-volts': 'unproven',
  'line-side-live': 'sound',
  'line-side-dead': 'act',
  'line-side-partial': 'act',
  'load-fed': 'sound',
  // The contact before it is open, or nothing comes to it: which, two more readings say.
  'load-not-fed': 'unproven',
  'load-partial': 'act',
  'load-at-rest': 'sound',
  'load-live-without-call': 'act',
  'switch-row-open': 'act',
  // Where a coil thermostat switches
  'thermostat-switches-well': 'sound',
  'thermostat-closes-late': 'act',
  'thermostat-closes-early': 'watch',
  'thermostat-opens-early': 'watch',
  'thermostat-opens-late': 'watch',
  // Restart after work with the power off
  'restarts-well': 'sound',
  'restart-call-fails': 'act',
  'restart-amps-differ': 'act',
  'restart-no-change': 'act',
  'restart-runs-on': 'act',
  // Control chain
  'chain-complete': 'sound',
  'chain-so-far-good': 'unproven',
  'no-control-volts': 'act',
  'no-call-at-board': 'act',
  'contactor-not-seen': 'act',
  'board-feeds-no-sensor': 'act',
  'thermostat-open': 'act',
  'thermostat-open-warm': 'sound',
  'thermostat-open-unproven': 'unproven',
  'thermostat-stuck-shut': 'act',
  'thermostat-shut-cold': 'sound',
  'thermostat-shut-unproven': 'unproven',
  'sensor-ohms-kept': 'unproven',
  'blower-never-stops': 'act',
  'refrigerant-as-plate': 'sound',
  'refrigerant-other': 'act',
  'refrigerant-mixed': 'act',
  'refrigerant-unmarked': 'unproven',
  'suction-cold': 'sound',
  'suction-not-cold': 'watch',
  'suction-frosted': 'watch',
  'pan-heater-energized': 'sound',
  'pan-heater-goes-off': 'sound',
  'pan-heater-stays-on': 'sound',
  'pan-heater-not-energized': 'watch',
  'pan-heater-low-volts': 'act',
  'sensors-alike': 'sound',
  'sensors-differ': 'watch',
  'coil-sensor-colder': 'sound',
  'coil-sensor-not-colder': 'watch',
  'board-holds-y': 'act',
  'high-switch-open': 'act',
  'low-switch-open': 'act',
  'wire-to-coil': 'act',
  // The can and the sections of a run capacitor
  'can-sound': 'sound',
  'can-rusted': 'watch',
  'can-bulged': 'act',
  'can-leaking': 'act',
  'can-burst': 'stop',
  'section-open': 'act',
  'section-shorted': 'act',
  // A weak one kicks as well: the needle shows that it lives, not how much is left.
  'section-holds': 'unproven',
} as const satisfies Readonly<Record<string, Standing>>;

export type FindingCode = keyof typeof FINDINGS;

/** A finding between two measured places of a circuit: volts lost after the first, or there again behind it. */
export type Between = `${'lost' | 'again'}:${ChainPlace}:${ChainPlace}`;
/** One thing that was found. */
export type Finding = FindingCode | Between;

const BETWEEN = /^(lost|again):([a-z-]+):([a-z-]+)$/;

/** The code of a finding between two places. */
export const betweenPlaces = (what: 'lost' | 'again', first: ChainPlace, second: ChainPlace): Between =>
  `${what}:${first}:${second}`;

/** A finding between two places taken apart, with the names of the places; null for any other text. */
export function readBetween(code: string): { what: 'lost' | 'again'; first: string; second: string } | null {
  const [, what, from = '', to = ''] = BETWEEN.exec(code) ?? [];
  const [first, second] = [own(CHAIN_PLACES, from), own(CHAIN_PLACES, to)];
  return first && second ? { what: what === 'lost' ? 'lost' : 'again', first, second } : null;
}

/** Whether a text is the code of a finding of the table. */
export const isFinding = (code: string): code is FindingCode => isOwn(FINDINGS, code);

/** How one finding stands; null for a code that is not known. */
function standingOf(code: string): Standing | null {
  const between = readBetween(code);
  if (between) return between.what === 'lost' ? 'act' : 'unproven';
  return own(FINDINGS as Readonly<Record<string, Standing>>, code) ?? null;
}

/** How findings stand together: as the worst of them; 'unproven' when none is known. */
export function standingOfFindings(codes: readonly string[]): Standing {
  const standings = codes.map(standingOf).filter((s) => s !== null);
  return worstOf(standings.length > 0 ? standings : ['unproven']);
}
