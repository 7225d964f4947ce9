import { isOwn, own } from '../quantity/own.ts';
import { CHAIN_PLACES, type ChainPlace } from '../trade/controls/control-chain.ts';
import type { Standing } from './standing.ts';

export interface Finding {
  readonly standing: Standing;
  /** Said of it in a verdict: what was found and what to do next. */
  readonly sentence: string;
}

/**
 * What can be found that is not a number: how it stands and what is said of it. One table, so that verdict, report and
 * watch list agree. Common practice, no source.
 */
export const FINDINGS = {
  // Looks
  nothing: { standing: 'sound', sentence: 'Nothing found.' },
  'burnt-wire': { standing: 'act', sentence: 'Burnt or chafed wire: find what heated or rubbed it.' },
  'scorched-lug': { standing: 'act', sentence: 'Scorched lug: a loose joint; cut back and remake it.' },
  'pitted-contacts': { standing: 'watch', sentence: 'Pitted contacts: read the volts across them closed.' },
  'charred-disconnect': { standing: 'stop', sentence: 'Charred disconnect: make safe before anything else.' },
  'oil-below-fan': { standing: 'watch', sentence: 'Oil below the fan motor: a bearing is going.' },
  insects: { standing: 'watch', sentence: 'Insects or debris among the wires: clear them out.' },
  growth: { standing: 'watch', sentence: 'Mulch or growth at the base: air and drain are blocked.' },
  'dirty-coil': { standing: 'watch', sentence: 'Dirty coil: clean it before the charge is judged.' },
  'ice-pattern': { standing: 'watch', sentence: 'Frost or ice where none belongs: airflow, charge or defrost.' },
  'oil-stain': { standing: 'act', sentence: 'Oil on a joint or coil: look for a leak there.' },
  'rust-under-pan': { standing: 'watch', sentence: 'Rust under the drain pan: it has overflowed.' },
  'dirty-filter': { standing: 'watch', sentence: 'Dirty filter: change it before air is judged.' },
  'dirty-wheel': { standing: 'watch', sentence: 'Dirty blower wheel: it moves less air.' },
  'drain-blocked': { standing: 'act', sentence: 'Drain blocked: clear it, test the float switch.' },
  'gas-smell': { standing: 'stop', sentence: 'Smell of gas: stop, make safe, leave.' },
  // What the customer noticed
  routine: { standing: 'sound', sentence: 'Routine visit, no complaint.' },
  'too-warm': { standing: 'watch', sentence: 'The customer says it does not cool enough.' },
  'too-cold': { standing: 'watch', sentence: 'The customer says it does not heat enough.' },
  'never-stops': { standing: 'watch', sentence: 'The customer says it never shuts off.' },
  'does-not-start': { standing: 'act', sentence: 'The customer says it does not start.' },
  'iced-up': { standing: 'watch', sentence: 'The customer saw ice on the outdoor unit.' },
  noise: { standing: 'watch', sentence: 'The customer hears a new noise.' },
  'high-bill': { standing: 'watch', sentence: 'The customer’s bill has gone up.' },
  // Charge check
  'check-counts': { standing: 'sound', sentence: 'The charge check counts.' },
  'air-not-right': { standing: 'unproven', sentence: 'Air or coils are not clean: no charge check until they are.' },
  'just-started': { standing: 'unproven', sentence: 'Not running long enough: give it 10 to 15 minutes.' },
  'too-cold-outside': { standing: 'unproven', sentence: 'Too cold outside for a charge check by these pressures.' },
  raining: { standing: 'unproven', sentence: 'Rain on the coil: the pressures are not the machine’s own.' },
  'just-weighed-in': {
    standing: 'unproven',
    sentence: 'Charge has just been weighed in: leave it, check it next time.',
  },
  // Calls
  'as-the-call-wants': { standing: 'sound', sentence: 'All that should run runs, and nothing else.' },
  'blower-on-without-call': {
    standing: 'act',
    sentence:
      'Blower runs with no call: welded relay contact, stuck sequencer, or a delay still holding; wait, then test the relay.',
  },
  'compressor-on-fan-call': { standing: 'act', sentence: 'Compressor on a fan call: G and Y wires are touching.' },
  'compressor-on-without-call': {
    standing: 'act',
    sentence: 'Compressor runs with no call: welded contactor, or Y shorted to R.',
  },
  'strips-in-cooling': {
    standing: 'act',
    sentence: 'Strips heat while it cools: welded relay or sequencer, or back-feed through melted wires.',
  },
  'strips-on-without-call': {
    standing: 'act',
    sentence: 'Strips are on with no call for heat: welded relay or sequencer.',
  },
  // Kept in older records.
  'blower-only-on-emergency-heat': { standing: 'act', sentence: 'Everything but the blower answers.' },
  'blower-silent': {
    standing: 'act',
    sentence: 'Blower does not run with the strips: switch it off before a limit opens.',
  },
  'heat-without-air': {
    standing: 'stop',
    sentence: 'Heat without air: switch it off now. Blower motor, its capacitor, its relay or the board.',
  },
  'fan-call-dead': {
    standing: 'act',
    sentence: 'Nothing on a fan call: control volts and the fuse first, then the blower’s motor, capacitor, relay.',
  },
  'blower-dead': {
    standing: 'act',
    sentence:
      'The blower does not run: switch off before the coil ices or heat runs without air. Its motor, its capacitor if it has one, its relay, the board.',
  },
  'blower-dead-relay': {
    standing: 'act',
    sentence:
      'The blower does not run: switch off before the coil ices. Make the emergency heat call: if that brings it, its relay’s coil or contacts; if not, its motor, its capacitor if it has one, the board.',
  },
  'strips-on-first-stage': {
    standing: 'watch',
    sentence:
      'Strips beside the compressor on a first-stage call: a second stage, a defrost, or a contact that sticks. Make the call again alone.',
  },
  'compressor-on-emergency-heat': {
    standing: 'watch',
    sentence: 'The compressor runs on emergency heat: the thermostat’s setting or its wiring.',
  },
  'outdoor-unit-silent': {
    standing: 'act',
    sentence:
      'The outdoor unit does not answer: disconnect, Y at the unit, its switches, the contactor’s coil, in that order.',
  },
  'compressor-silent': {
    standing: 'act',
    sentence: 'Compressor does not start: capacitor, contactor, switches, windings, in that order.',
  },
  'outdoor-fan-silent': {
    standing: 'act',
    sentence:
      'Outdoor fan does not run with the compressor: its capacitor first, then the board’s relay, then its motor.',
  },
  'outdoor-fan-silent-no-board': {
    standing: 'act',
    sentence: 'Outdoor fan does not run with the compressor: its capacitor first, then its motor.',
  },
  'outdoor-fan-in-defrost': {
    standing: 'act',
    sentence: 'Outdoor fan runs in defrost: the board’s fan relay does not open.',
  },
  'nothing-runs': { standing: 'act', sentence: 'Nothing answers: control volts and the low-voltage fuse first.' },
  'strips-silent': {
    standing: 'act',
    sentence: 'Back-up heat does not come on: control volts, then relay or sequencer, then element.',
  },
  'burner-silent': {
    standing: 'act',
    sentence: 'Burner does not light: go to fault-finding, by the maker’s sequence.',
  },
  'runs-besides-the-call': {
    standing: 'watch',
    sentence: 'What runs is not what the call wants; make the call again alone.',
  },
  // Meter findings
  open: { standing: 'act', sentence: 'Open: no current passes.' },
  'contact-open': {
    standing: 'act',
    sentence: 'Line volts across it with the call on: the contact is open. Its coil volts first, then the contact.',
  },
  'contact-open-at-rest': { standing: 'sound', sentence: 'Line volts across it with no call: open, as it should be.' },
  'contact-welded': {
    standing: 'act',
    sentence: 'Current through it with no call: the contact is welded. Power off, and replace it.',
  },
  'contact-path-unproven': {
    standing: 'unproven',
    sentence:
      'No volts across it prove nothing by themselves: the load behind may be open or the other leg dead. Clamp its amps.',
  },
  'closed-at-once': {
    standing: 'act',
    sentence: 'Closed with the call: it was closed before, or its delay is gone. Read it with no call.',
  },
  shorted: { standing: 'act', sentence: 'Shorted: no resistance to speak of.' },
  jumps: { standing: 'act', sentence: 'The reading jumps: the winding is failing even if one sample is fine.' },
  'holds-charge': {
    standing: 'unproven',
    sentence: 'Holds a charge; how much is not shown. Its µF on the bench are still owed.',
  },
  grounded: { standing: 'stop', sentence: 'Leads to ground: do not run it.' },
  'never-closed': { standing: 'act', sentence: 'Never closed: it has failed, even if a tap makes it close.' },
  // Defrost settings and test
  'setting-read': { standing: 'sound', sentence: 'Read as it stands.' },
  'setting-differs': {
    standing: 'watch',
    sentence:
      'Not as the plate record has it: somebody moved the jumper, or the record is wrong. Put one of them right.',
  },
  'factory-setting': { standing: 'sound', sentence: 'Left as the factory set it.' },
  'terminates-low': {
    standing: 'watch',
    sentence: 'Ends at 50 °F: bands of frost stay, turn to ice, and the coil ends as a block; 70 clears it.',
  },
  'defrosts-well': { standing: 'sound', sentence: 'The coil cleared all over and it ended by temperature.' },
  'coil-too-warm-to-test': {
    standing: 'unproven',
    sentence: 'Coil above 35 °F at the start: the test proves nothing; frost it first.',
  },
  'test-not-started': {
    standing: 'unproven',
    sentence:
      'Nothing happened: the defrost was not started. Pins and call first, then the board and its command, then its sensors.',
  },
  'valve-did-not-shift': {
    standing: 'act',
    sentence: 'The reversing valve did not shift: its coil volts, then the valve.',
  },
  'fan-kept-running': { standing: 'act', sentence: 'The outdoor fan kept running: the board’s fan relay.' },
  'compressor-stopped': {
    standing: 'act',
    sentence: 'The compressor stopped: a pressure switch or the board’s Y out.',
  },
  'no-back-up-heat': { standing: 'watch', sentence: 'No back-up heat came on to temper the air.' },
  'ended-by-limit': {
    standing: 'watch',
    sentence: 'Ended by its time limit, not by temperature: sensor, charge or a setting too high.',
  },
  'ended-early': {
    standing: 'watch',
    sentence: 'Ended well below its setting: the sensor reads warm, or is off its place.',
  },
  'frost-in-bands': {
    standing: 'watch',
    sentence: 'Bands of frost were left: raise the termination setting, look at the sensor.',
  },
  'frost-as-block': {
    standing: 'act',
    sentence: 'The coil is a block of ice: fan, charge, board, sensor, drain, in that order.',
  },
  'fan-runs-past-relay': { standing: 'act', sentence: 'The fan runs past the board’s relay: that relay is bad.' },
  'fan-dead-past-relay': { standing: 'act', sentence: 'Dead past the relay too: the fan’s capacitor, then its motor.' },
  // Control chain
  'chain-complete': { standing: 'sound', sentence: '24 V all along the chain.' },
  'chain-so-far-good': { standing: 'unproven', sentence: '24 V as far as it was measured; go on along the chain.' },
  'no-control-volts': {
    standing: 'act',
    sentence: 'No control volts at the board: transformer, low-voltage fuse, or the wire between.',
  },
  'no-call-at-board': { standing: 'act', sentence: 'No Y at the board: thermostat or its wire.' },
  'contactor-not-seen': {
    standing: 'act',
    sentence: 'The board does not see the contactor in: its run-time sense wire.',
  },
  'board-feeds-no-sensor': { standing: 'act', sentence: 'The board feeds no sensor: board.' },
  'thermostat-open': { standing: 'act', sentence: 'Coil thermostat open on a cold coil: it never starts a defrost.' },
  'thermostat-open-warm': {
    standing: 'sound',
    sentence: 'Coil thermostat open on a warm coil, as it should be: it closes near freezing.',
  },
  'thermostat-open-unproven': {
    standing: 'unproven',
    sentence: 'Coil thermostat open: right on a warm coil. Measure the coil there; below 28 °F it must be closed.',
  },
  'thermostat-stuck-shut': {
    standing: 'act',
    sentence: 'Coil thermostat closed on a hot coil: it never ends a defrost by temperature.',
  },
  'board-holds-y': { standing: 'act', sentence: 'Y goes in and not out: the board holds it, on a delay or by fault.' },
  'high-switch-open': { standing: 'act', sentence: 'High pressure switch open: find out why; do not bypass it.' },
  'low-switch-open': { standing: 'act', sentence: 'Low pressure switch open: find out why; do not bypass it.' },
  'wire-to-coil': {
    standing: 'act',
    sentence: 'Volts up to the switches and none at the contactor coil: the wire between.',
  },
} as const satisfies Readonly<Record<string, Finding>>;

export type FindingCode = keyof typeof FINDINGS;

/** A finding between two measured places of a circuit: "lost:y-out:contactor-coil", "again:y-out:contactor-coil". */
const BETWEEN = /^(lost|again):([a-z-]+):([a-z-]+)$/;

/** The text a finding between two places is kept by. */
export const betweenPlaces = (what: 'lost' | 'again', first: ChainPlace, second: ChainPlace): string =>
  `${what}:${first}:${second}`;

function readBetween(text: string): Finding | null {
  const [, what, from = '', to = ''] = BETWEEN.exec(text) ?? [];
  const [first, second] = [own(CHAIN_PLACES, from), own(CHAIN_PLACES, to)];
  if (!first || !second) return null;
  return what === 'lost'
    ? {
        standing: 'act',
        sentence: `24 V at ${first} and none at ${second}: the fault lies between. Measure the places between to name it.`,
      }
    : {
        standing: 'unproven',
        sentence: `No volts at ${first}, yet volts at ${second} behind it: one of the two was read wrong. Measure both again.`,
      };
}

/** The findings a stored text holds, comma-joined, with how each stands and what is said of it; unknown ones are left out. */
export const findingsOf = (text: string): Finding[] =>
  text.split(',').flatMap((code) => {
    const finding = own(FINDINGS as Readonly<Record<string, Finding>>, code) ?? readBetween(code);
    return finding ? [finding] : [];
  });

/** Whether a text is the code of a finding. */
export const isFinding = (text: string): text is FindingCode => isOwn(FINDINGS, text);

/** The findings a stored text holds, comma-joined, in the order they were found; unknown ones are left out. */
export const findingsIn = (text: string): FindingCode[] => text.split(',').filter(isFinding);
