import type { FaultId } from '../circuit/faults.ts';
import type { Observation } from '../diagnosis/chances.ts';
import type { Standing } from '../diagnosis/proof.ts';
import type { Test } from '../diagnosis/test-shape.ts';
import { POINT_NAMES, type Point } from '../equipment/component.ts';
import type { NewCall, Outcome } from '../http/calls.ts';
import type { LooseEndCode } from '../round/loose-ends.ts';

/** The faults of a call: those repaired on it, and those just proved. */
export const faultsOfCall = ({ repaired }: NewCall, standing: Standing): FaultId[] => [
  ...new Set([...repaired.map(({ fault }) => fault), ...(standing.is === 'proved' ? standing.faults : [])]),
];

/** How a call that stands so most likely ends. */
export function usualOutcome({ repaired }: NewCall, standing: Standing): Outcome['is'] {
  if (repaired.length > 0 || standing.is === 'proved') return 'repaired';
  return standing.is === 'none-of-these' ? 'none-of-these' : 'nothing-found';
}

/** The outcome as it is kept: an end that names no cause has none. */
export const keptOutcome = (outcome: Outcome, faults: readonly FaultId[]): Outcome => ({
  ...outcome,
  note: outcome.note.trim(),
  faults: outcome.is === 'nothing-found' || outcome.is === 'none-of-these' ? [] : [...faults],
});

/** What a test leaves lifted, off or on, as loose ends: the usual one, and what of it. */
export function endsOfTest({ measure, power, spot, reading }: Test): { code: LooseEndCode; text: string }[] {
  const ends: { code: LooseEndCode; text: string }[] = [];
  if (power === 'off') ends.push({ code: spot === 'outdoors' ? 'disconnect-out' : 'breaker-off', text: '' });
  if (reading.slot === 'refrigerant-circuit') ends.push({ code: 'gauges-on', text: '' });
  if (measure.what === 'ohms' || (measure.what === 'fuse' && measure.lifted.length > 0))
    ends.push({ code: 'wires-lifted', text: POINT_NAMES[reading.point as Point] });
  return ends;
}

/** Ω a pair of control wires or a coil reads while it is shorted: from here up it is whole. */
const SHORT_BELOW = 8;
/** V of a control circuit. */
export const CONTROL_VOLTS = 24;
const CONTROL_PAIRS: ReadonlySet<string> = new Set(['yc-co', 'oo-co', 'yo-co', 'rt-ct']);

/** A short that was read in the control circuit, Ω, and what it takes of the fuse, A = 24/Ω; null where there is none. */
export function shortIn(
  answers: readonly Observation[],
  tests: ReadonlyMap<string, Test>,
): { readonly ohms: number; readonly amps: number } | null {
  for (const { test: id, reading } of answers) {
    const test = tests.get(id);
    if (test?.measure.what !== 'ohms' || !CONTROL_PAIRS.has(test.reading.point) || typeof reading !== 'number')
      continue;
    if (reading < SHORT_BELOW) return { ohms: reading, amps: CONTROL_VOLTS / Math.max(0.1, reading) };
  }
  return null;
}
