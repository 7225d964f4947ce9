import type { Point, Slot } from '../equipment/component.ts';
import type { Judgement } from './judgement.ts';

/**
 * What it costs when a part fails before the next round, 0 to 1: a compressor is the most, a weak fan section the
 * least that still stops the cooling. Common practice, no source.
 */
const CONSEQUENCE: Readonly<Record<Slot, number>> = {
  compressor: 1,
  'refrigerant-circuit': 0.9,
  'run-capacitor': 0.8,
  contactor: 0.8,
  'start-capacitor': 0.7,
  'outdoor-fan': 0.7,
  'fan-capacitor': 0.65,
  'gas-heat': 0.65,
  'high-pressure-switch': 0.6,
  'low-pressure-switch': 0.6,
  blower: 0.6,
  'electric-heat': 0.55,
  sequencer: 0.5,
  'blower-relay': 0.5,
  'defrost-board': 0.5,
  transformer: 0.5,
  'outdoor-unit': 0.45,
  'coil-sensor': 0.4,
  'outdoor-sensor': 0.4,
  supply: 0.4,
  'indoor-unit': 0.35,
  'base-pan-heater': 0.3,
  'air-side': 0.3,
  thermostat: 0.3,
};
/** A dual's fan section stops the fan, its herm section the compressor. */
const FAN_SECTION_SHARE = 0.8;

const CHANCE_WHEN_WATCHED = 0.25;

function chanceFrom(judgement: Judgement): number {
  if (judgement.because.code === 'trend') return judgement.because.numbers.chance;
  if (judgement.standing === 'stop' || judgement.standing === 'act') return 1;
  return judgement.standing === 'watch' ? CHANCE_WHEN_WATCHED : 0;
}

/** The chance, 0 to 1, that the part is past its limit by the next round, as the most telling of its reasons has it. */
export const chanceOf = (reasons: readonly Judgement[]): number => Math.max(0, ...reasons.map(chanceFrom));

/** How urgent a thread is, 0 to 2: chance × consequence, with one added for what is unsafe to run. */
export function urgencyOf(reasons: readonly Judgement[], slot: Slot, point: Point): number {
  const share = slot === 'run-capacitor' && point === 'fan' ? FAN_SECTION_SHARE : 1;
  const unsafe = reasons.some((r) => r.standing === 'stop') ? 1 : 0;
  return unsafe + chanceOf(reasons) * CONSEQUENCE[slot] * share;
}
