import type { Unit } from '@yarnix/core';
import { shown } from './instruments.ts';
import type { Scene } from './physics.ts';
import { jumps, truthAt, type Held } from './truths.ts';
import { randomFrom } from './random.ts';

/** Samples a second of house time. */
export const SAMPLE_RATE = 4;

/** How a quantity comes to its settled value after a start: where it begins, as a share of that value, and how fast, s. */
function startUp(held: Held, unit: Unit): { readonly from: number; readonly tau: number } {
  // Locked rotor for a moment, then the running current.
  if (
    unit === 'A' &&
    (held.kind === 'compressor-amps' || held.kind.endsWith('fan-amps') || held.kind === 'blower-amps')
  )
    return { from: 3.5, tau: 0.8 };
  if (unit === 'psig') return { from: held.point === 'suction' ? 1.6 : 0.6, tau: 70 };
  if (held.kind === 'temperature-split' || held.kind.endsWith('rise'))
    return { from: held.kind === 'temperature-split' ? 1.28 : 0.72, tau: 110 };
  if (unit === '°F' && (held.kind === 'superheat' || held.kind === 'subcooling')) return { from: 1.15, tau: 90 };
  return { from: 1, tau: 1 };
}

/** The probe itself must come to the temperature or charge up, s. */
const PROBE_TAU: Partial<Record<Unit, number>> = { '°F': 1.2, psig: 0.5, µF: 0.4, Ω: 0.3, V: 0.15, A: 0.2 };

/**
 * What one probe streams, sample after sample from the moment it is held there: seconds since then, and the figure shown.
 * `runningSeconds` is how long the machine had been running in its mode; start-up transients die away from there. The
 * same seed gives the same stream. Infinity stands for OL.
 */
export function* probeStream(
  scene: Scene,
  held: Held,
  unit: Unit,
  runningSeconds: number,
  seed: number,
): Generator<{ at: number; value: number }> {
  const random = randomFrom(seed);
  const truth = Number(truthAt(scene, held));
  // A meter's calibration is the same all the while; only its last digits wander.
  const settled = Number.isFinite(truth) ? shown(random, truth, unit) : truth;
  const { from, tau } = startUp(held, unit);
  const probeTau = PROBE_TAU[unit] ?? 0.2;
  for (let n = 0; ; n += 1) {
    const at = n / SAMPLE_RATE;
    const machine = 1 + (from - 1) * Math.exp(-(runningSeconds + at) / tau);
    const ambient = unit === '°F' ? 70 : 0;
    const reached = ambient + (settled * machine - ambient) * (1 - Math.exp(-(at + 0.1) / probeTau));
    const wild = jumps(scene, held) ? random.between(0.3, 1.5) : 1;
    yield { at, value: Number.isFinite(reached) ? shown(random, reached * wild, unit, 0.25) : reached };
  }
}
