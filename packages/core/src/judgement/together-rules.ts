import type { Point } from '../equipment/component.ts';
import type { Sign } from './signs.ts';

/** Threads a rule looks at or bears on: a kind of reading, at some points or at all. */
export interface Threads {
  readonly kind: string;
  readonly points?: readonly Point[];
}

/** One piece of evidence: a thread of the kind shows one of these signs. */
export interface Evidence extends Threads {
  readonly shows: readonly Sign[];
}

/** What a finding does to the chance of a thread: multiplies its odds of being past its limit by the next round. */
export interface Bearing extends Threads {
  readonly odds: number;
}

/** A finding over several readings, as data. */
export interface TogetherRule {
  readonly title: string;
  /** All of these must be shown; with `anyOf`, at least one of those as well. */
  readonly evidence: readonly Evidence[];
  readonly anyOf?: readonly Evidence[];
  /** What must not be shown. */
  readonly unless?: readonly Evidence[];
  readonly rulesIn: string;
  readonly rulesOut: string;
  readonly nextTest: string;
  readonly bears: readonly Bearing[];
  /** Needs on the plate: a motor type or metering the finding holds for only. */
  readonly plate?: { readonly blowerMotor?: 'psc' | 'ecm'; readonly metering?: 'fixed-orifice' | 'expansion-valve' };
}

const CAP = 'run-capacitor-capacitance';
const COMMON: readonly Point[] = ['common', 'line'];
const HERM: readonly Point[] = ['herm', 'single'];

/**
 * The findings over several readings. What goes with what is common practice of the trade; how far it moves a chance is
 * our own estimate, kept small, since the readings' own trends already carry most of it.
 */
export const TOGETHER = {
  'weak-herm-hot-compressor': {
    title: 'Weak compressor capacitor, rising compressor amps',
    evidence: [
      { kind: CAP, points: HERM, shows: ['low', 'falling'] },
      { kind: 'compressor-amps', points: COMMON, shows: ['high', 'rising'] },
    ],
    rulesIn: 'The capacitor’s HERM section makes the compressor work harder and run hot.',
    rulesOut: 'The compressor itself is less likely worn: its amps have a cause beside it.',
    nextTest: 'Replace the capacitor, then take the compressor’s amps again at the same stop.',
    bears: [
      { kind: CAP, points: HERM, odds: 1.6 },
      { kind: 'compressor-amps', points: COMMON, odds: 0.6 },
    ],
  },
  'compressor-amps-alone': {
    title: 'Compressor amps rise while its capacitor is sound',
    evidence: [{ kind: 'compressor-amps', points: COMMON, shows: ['rising'] }],
    unless: [
      { kind: CAP, points: HERM, shows: ['low', 'falling'] },
      { kind: 'subcooling', shows: ['high'] },
    ],
    rulesIn: 'Wear of the compressor, or a dirty outdoor coil that keeps its pressure up.',
    rulesOut: 'The run capacitor.',
    nextTest: 'Look at the outdoor coil and read the liquid pressure; then the three wires of the compressor.',
    bears: [{ kind: 'compressor-amps', points: COMMON, odds: 1.2 }],
  },
  'weak-fan-high-head': {
    title: 'Weak fan capacitor, condensing pressure up',
    evidence: [{ kind: CAP, points: ['fan'], shows: ['low', 'falling'] }],
    anyOf: [
      { kind: 'subcooling', shows: ['high', 'rising'] },
      { kind: 'heating-pressure', points: ['liquid'], shows: ['high', 'rising'] },
      { kind: 'outdoor-fan-amps', shows: ['high', 'rising'] },
    ],
    rulesIn: 'The FAN section lets the outdoor fan slow down, and the condensing pressure rise.',
    rulesOut: 'Overcharge as the first suspect.',
    nextTest: 'Replace the capacitor, then read the liquid pressure again.',
    bears: [
      { kind: CAP, points: ['fan'], odds: 1.6 },
      { kind: 'outdoor-fan-amps', odds: 1.4 },
    ],
  },
  'half-of-a-dual': {
    title: 'One half of a dual capacitor is weak',
    evidence: [{ kind: CAP, points: ['herm', 'fan'], shows: ['low'] }],
    rulesIn: 'The other half of the can often follows within weeks: the whole can is replaced.',
    rulesOut: 'Keeping the sound half by adding a single.',
    nextTest: 'None: replace the can.',
    bears: [{ kind: CAP, points: ['herm', 'fan'], odds: 2.5 }],
  },
  'psc-blocked-air': {
    title: 'Blower amps fall and the split grows',
    evidence: [
      { kind: 'blower-amps', shows: ['falling', 'low'] },
      { kind: 'temperature-split', shows: ['rising', 'high'] },
    ],
    plate: { blowerMotor: 'psc' },
    rulesIn: 'Air is blocked on a PSC blower: filter, wheel or coil.',
    rulesOut: 'A failing blower motor, whose amps would rise.',
    nextTest: 'Look at filter, blower wheel and coil; then take split and amps again.',
    bears: [{ kind: 'blower-amps', odds: 0.5 }],
  },
  'ecm-blocked-air': {
    title: 'Blower amps rise and the air warms or cools more',
    evidence: [{ kind: 'blower-amps', shows: ['rising', 'high'] }],
    anyOf: [
      { kind: 'temperature-split', shows: ['rising', 'high'] },
      { kind: 'heat-rise', shows: ['high'] },
      { kind: 'airflow', shows: ['falling', 'low'] },
    ],
    plate: { blowerMotor: 'ecm' },
    rulesIn: 'Air is blocked: a constant-airflow blower works harder for it.',
    rulesOut: 'The motor as the cause; it is what suffers.',
    nextTest: 'Look at filter, wheel, coil and returns; then take the amps again.',
    bears: [{ kind: 'blower-amps', odds: 1.3 }],
  },
  'sensor-and-long-defrost': {
    title: 'A sensor reads further off and defrosts take longer',
    evidence: [
      { kind: 'sensor-error', shows: ['rising', 'falling', 'high', 'low'] },
      { kind: 'defrost-duration', shows: ['rising', 'high'] },
    ],
    rulesIn: 'The defrost is started or ended on a wrong temperature.',
    rulesOut: 'The board, until the sensor has been replaced.',
    nextTest: 'Replace the sensor, then force a defrost on a frosted coil.',
    bears: [
      { kind: 'sensor-error', odds: 1.8 },
      { kind: 'defrost-duration', odds: 1.3 },
    ],
  },
  undercharged: {
    title: 'Superheat high, subcooling low',
    evidence: [
      { kind: 'superheat', shows: ['high', 'rising'] },
      { kind: 'subcooling', shows: ['low', 'falling'] },
    ],
    rulesIn: 'The charge is low: it leaks somewhere.',
    rulesOut: 'Low air and a restriction, which leave subcooling up.',
    nextTest: 'Look for the leak before anything is added.',
    bears: [
      { kind: 'superheat', odds: 1.8 },
      { kind: 'subcooling', odds: 1.8 },
      { kind: 'compressor-amps', points: COMMON, odds: 1.2 },
    ],
  },
  restriction: {
    title: 'Superheat and subcooling both high',
    evidence: [
      { kind: 'superheat', shows: ['high'] },
      { kind: 'subcooling', shows: ['high'] },
    ],
    rulesIn: 'A restriction: filter-drier, metering device or a kinked line holds the refrigerant back.',
    rulesOut: 'Low charge, whatever the superheat says.',
    nextTest: 'Feel or measure across the filter-drier for a drop in temperature.',
    bears: [{ kind: 'superheat', odds: 1.4 }],
  },
  overcharged: {
    title: 'Superheat low, subcooling high',
    evidence: [
      { kind: 'superheat', shows: ['low', 'falling'] },
      { kind: 'subcooling', shows: ['high', 'rising'] },
    ],
    rulesIn: 'Too much refrigerant, which floods the compressor.',
    rulesOut: 'A leak.',
    nextTest: 'Check that the air is right first; then recover to the plate’s subcooling.',
    bears: [
      { kind: 'subcooling', odds: 1.5 },
      { kind: 'compressor-amps', points: COMMON, odds: 1.3 },
    ],
  },
  'low-air-cold-coil': {
    title: 'Superheat low and the split large',
    evidence: [
      { kind: 'superheat', shows: ['low', 'falling'] },
      { kind: 'temperature-split', shows: ['high', 'rising'] },
    ],
    unless: [{ kind: 'subcooling', shows: ['high'] }],
    rulesIn: 'Too little air over the coil.',
    rulesOut: 'Overcharge: refrigerant is not to be touched until the air is right.',
    nextTest: 'Filter, wheel, coil, then airflow.',
    bears: [{ kind: 'superheat', odds: 0.7 }],
  },
  'heat-in-cooling': {
    title: 'A strip draws amps in cooling and the split is small',
    evidence: [
      { kind: 'strips-in-cooling', shows: ['high'] },
      { kind: 'temperature-split', shows: ['low', 'falling'] },
    ],
    rulesIn: 'A welded relay or sequencer heats the air that is being cooled.',
    rulesOut: 'Low charge: leave the gauges off.',
    nextTest: 'Volts across each sequencer contact with no call.',
    bears: [{ kind: 'temperature-split', odds: 0.7 }],
  },
  'open-element': {
    title: 'Electric heat draws little and an element is open',
    evidence: [
      { kind: 'heater-amps', shows: ['low'] },
      { kind: 'element-ohms', shows: ['high', 'finding:open'] },
    ],
    rulesIn: 'A burnt element or its fuse link.',
    rulesOut: 'The sequencer.',
    nextTest: 'Replace the element or link, then clamp each element.',
    bears: [{ kind: 'sequencer-closing-time', odds: 0.7 }],
  },
  'contact-and-amps': {
    title: 'Volts drop across the contactor and the compressor draws more',
    evidence: [
      { kind: 'contact-drop', shows: ['high', 'rising'] },
      { kind: 'compressor-amps', points: COMMON, shows: ['high', 'rising'] },
    ],
    rulesIn: 'Burnt contacts starve the compressor of volts, and it draws more for it.',
    rulesOut: 'The supply: measure on both sides of the contactor.',
    nextTest: 'Replace the contactor, then take volts and amps at the compressor again.',
    bears: [
      { kind: 'contact-drop', odds: 1.6 },
      { kind: 'compressor-amps', points: COMMON, odds: 1.2 },
    ],
  },
} as const satisfies Record<string, TogetherRule>;

export type TogetherId = keyof typeof TOGETHER;
