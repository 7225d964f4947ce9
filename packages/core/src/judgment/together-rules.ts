import type { Point } from '../equipment/component.ts';
import type { ReadingKindId } from '../readings/contract/kind-ids.ts';
import type { TogetherId } from '../verdict/together.ts';
import type { Sign } from './signs.ts';

/** Threads a rule looks at or bears on: a kind of reading, at some points or at all. */
export interface Threads {
  readonly kind: ReadingKindId;
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
  /** All of these must be shown; with `anyOf`, at least one of those as well. */
  readonly evidence: readonly Evidence[];
  readonly anyOf?: readonly Evidence[];
  /** What must not be shown. */
  readonly unless?: readonly Evidence[];
  readonly bears: readonly Bearing[];
  /** True where it bears on the other threads only: what gave the evidence is weak already. */
  readonly sparesItsEvidence?: true;
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
export const TOGETHER: Readonly<Record<TogetherId, TogetherRule>> = {
  'weak-herm-hot-compressor': {
    evidence: [
      { kind: CAP, points: HERM, shows: ['low', 'falling'] },
      { kind: 'compressor-amps', points: COMMON, shows: ['high', 'rising'] },
    ],
    bears: [
      { kind: CAP, points: HERM, odds: 1.6 },
      { kind: 'compressor-amps', points: COMMON, odds: 0.6 },
    ],
  },
  'compressor-amps-alone': {
    evidence: [{ kind: 'compressor-amps', points: COMMON, shows: ['rising'] }],
    unless: [
      { kind: CAP, points: HERM, shows: ['low', 'falling'] },
      { kind: 'subcooling', shows: ['high'] },
    ],
    bears: [{ kind: 'compressor-amps', points: COMMON, odds: 1.2 }],
  },
  'weak-fan-high-head': {
    evidence: [{ kind: CAP, points: ['fan'], shows: ['low', 'falling'] }],
    anyOf: [
      { kind: 'subcooling', shows: ['high', 'rising'] },
      { kind: 'heating-pressure', points: ['liquid'], shows: ['high', 'rising'] },
      { kind: 'outdoor-fan-amps', shows: ['high', 'rising'] },
    ],
    bears: [
      { kind: CAP, points: ['fan'], odds: 1.6 },
      { kind: 'outdoor-fan-amps', odds: 1.4 },
    ],
  },
  'half-of-a-dual': {
    evidence: [{ kind: CAP, points: ['herm', 'fan'], shows: ['low'] }],
    bears: [{ kind: CAP, points: ['herm', 'fan'], odds: 2.5 }],
    sparesItsEvidence: true,
  },
  'psc-blocked-air': {
    evidence: [
      { kind: 'blower-amps', shows: ['falling', 'low'] },
      { kind: 'temperature-split', shows: ['rising', 'high'] },
    ],
    plate: { blowerMotor: 'psc' },
    bears: [{ kind: 'blower-amps', odds: 0.5 }],
  },
  'ecm-blocked-air': {
    evidence: [{ kind: 'blower-amps', shows: ['rising', 'high'] }],
    anyOf: [
      { kind: 'temperature-split', shows: ['rising', 'high'] },
      { kind: 'heat-rise', shows: ['high'] },
      { kind: 'airflow', shows: ['falling', 'low'] },
    ],
    plate: { blowerMotor: 'ecm' },
    bears: [{ kind: 'blower-amps', odds: 1.3 }],
  },
  'sensor-and-long-defrost': {
    evidence: [
      { kind: 'sensor-error', shows: ['rising', 'falling', 'high', 'low'] },
      { kind: 'defrost-duration', shows: ['rising', 'high'] },
    ],
    bears: [
      { kind: 'sensor-error', odds: 1.8 },
      { kind: 'defrost-duration', odds: 1.3 },
    ],
  },
  undercharged: {
    evidence: [
      { kind: 'superheat', shows: ['high', 'rising'] },
      { kind: 'subcooling', shows: ['low', 'falling'] },
    ],
    bears: [
      { kind: 'superheat', odds: 1.8 },
      { kind: 'subcooling', odds: 1.8 },
      { kind: 'compressor-amps', points: COMMON, odds: 1.2 },
    ],
  },
  restriction: {
    evidence: [
      { kind: 'superheat', shows: ['high'] },
      { kind: 'subcooling', shows: ['high'] },
    ],
    bears: [{ kind: 'superheat', odds: 1.4 }],
  },
  overcharged: {
    evidence: [
      { kind: 'superheat', shows: ['low', 'falling'] },
      { kind: 'subcooling', shows: ['high', 'rising'] },
    ],
    bears: [
      { kind: 'subcooling', odds: 1.5 },
      { kind: 'compressor-amps', points: COMMON, odds: 1.3 },
    ],
  },
  'low-air-cold-coil': {
    evidence: [
      { kind: 'superheat', shows: ['low', 'falling'] },
      { kind: 'temperature-split', shows: ['high', 'rising'] },
    ],
    unless: [{ kind: 'subcooling', shows: ['high'] }],
    bears: [{ kind: 'superheat', odds: 0.7 }],
  },
  'heat-in-cooling': {
    evidence: [
      { kind: 'strips-in-cooling', shows: ['high'] },
      { kind: 'temperature-split', shows: ['low', 'falling'] },
    ],
    bears: [{ kind: 'temperature-split', odds: 0.7 }],
  },
  'open-element': {
    evidence: [
      { kind: 'heater-amps', shows: ['low'] },
      { kind: 'element-ohms', shows: ['high', 'finding:open'] },
    ],
    bears: [{ kind: 'sequencer-closing-time', odds: 0.7 }],
  },
  'contact-and-amps': {
    evidence: [
      { kind: 'contact-drop', shows: ['high', 'rising'] },
      { kind: 'compressor-amps', points: COMMON, shows: ['high', 'rising'] },
    ],
    bears: [
      { kind: 'contact-drop', odds: 1.6 },
      { kind: 'compressor-amps', points: COMMON, odds: 1.2 },
    ],
  },
};
