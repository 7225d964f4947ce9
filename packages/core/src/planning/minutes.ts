import type { Slot } from '../equipment/component.ts';
import type { JobDoes } from './job.ts';

/** Minutes at the machine to fit a part anew, its restart and its proof included; from memory. */
const TO_REPLACE: Readonly<Partial<Record<Slot, number>>> = {
  compressor: 360,
  'run-capacitor': 20,
  'fan-capacitor': 20,
  'start-capacitor': 20,
  'blower-capacitor': 25,
  'outdoor-fan': 75,
  blower: 90,
  contactor: 30,
  'control-fuse': 15,
  'high-pressure-switch': 60,
  'low-pressure-switch': 60,
  'electric-heat': 60,
  sequencer: 40,
  'coil-sensor': 25,
  'outdoor-sensor': 25,
};
const TO_CLEAN: Readonly<Partial<Record<Slot, number>>> = { 'outdoor-unit': 45, 'air-side': 40, 'indoor-unit': 60 };
const USUAL: Readonly<Record<JobDoes, number>> = {
  'make-safe': 30,
  replace: 45,
  repair: 45,
  clean: 30,
  adjust: 20,
  'call-utility': 10,
  'find-cause': 45,
  'measure-again': 15,
  read: 10,
  finish: 45,
  propose: 30,
  round: 60,
  other: 30,
};

/** Minutes a job usually takes at the machine, the way there not counted. */
export function minutesFor(does: JobDoes, slot: Slot | null): number {
  const own = slot && (does === 'replace' ? TO_REPLACE[slot] : does === 'clean' ? TO_CLEAN[slot] : undefined);
  return own ?? USUAL[does];
}
