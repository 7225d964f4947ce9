import type { Unit } from '../quantity/unit.ts';
import type { ProvedReading } from '../fieldwork/proofs.ts';
import type { ProofVerdict } from '../round/proof.ts';
import type { ProofStep } from '../fieldwork/steps-to-prove.ts';
import { STANDING_NAMES } from '../verdict/standing.ts';
import { sayNumber, sayQuantity } from './figures.ts';

/** How far a repair is proved, in words. */
export const PROOF_WORDS: Readonly<Record<ProofVerdict, string>> = {
  proved: 'Proved',
  better: 'Better, not proved',
  'not-the-cause': 'Not the cause',
  owed: 'Still to be proved',
};

/** What is kept of a repair that was left unproved. */
export const sayUnproved = (title: string, why: string): string => `${title}, not proved: ${why.trim()}.`;

/** A reading before a repair and after it: "16.2 A before, 13.1 A after, −3.1 ± 0.4". */
export function sayPair(
  before: number,
  after: number | null,
  { difference, error }: { difference: number | null; error: number | null },
  unit: Unit,
): string {
  if (after === null || difference === null || error === null) return `${sayQuantity(before, unit)} before`;
  const sign = difference < 0 ? '−' : '+';
  return `${sayQuantity(before, unit)} before, ${sayQuantity(after, unit)} after, ${sign}${sayNumber(Math.abs(difference), unit)} ± ${sayNumber(error, unit)}`;
}

/** What was read before a repair and after it, in figures, or how it stood. */
export function sayProved({ kind, before, after, ...pair }: ProvedReading): string {
  if (kind.type === 'number' && before.value !== null)
    return sayPair(before.value, after?.value ?? null, pair, kind.unit);
  return `${STANDING_NAMES[before.standing]} before${after ? `, ${STANDING_NAMES[after.standing].toLowerCase()} after` : ''}`;
}

const lugs = (wires: readonly { readonly color: string; readonly lug: string }[]): string =>
  wires.map(({ color, lug }) => `${color} on ${lug}`).join(', ');

/** One step on the way to a proof, as it is said to whoever stands there. */
export function sayProofStep(step: ProofStep): string {
  switch (step.step) {
    case 'put-back':
      return step.wires.length > 0 ? `Put back: ${lugs(step.wires)}` : 'Put back what is loose';
    case 'panels':
      return step.ends.length > 0
        ? 'Panels on, or clear of hands and tools where the reading needs one open'
        : 'Panels on';
    case 'power':
      return step.off ? 'Power stays off: locked out, proved dead' : 'Power on';
    case 'call':
      return step.state;
    case 'wait':
      return `Wait ${step.from} to ${step.to} minutes${step.ranMin === null ? '' : `; it has run ${step.ranMin}`}`;
    case 'measure':
      return `Read it again: ${step.how}`;
  }
}
