import { DAYS_A_YEAR, type Day } from '../quantity/day.ts';
import { addLeaning, type MeterEvidence } from './meter-evidence.ts';
import { placeOf, type MeterLayout } from './meter-layout.ts';
import { isKnown, LEAST_THREADS, offsetOn, type MeterKnown, type QuantityKnown } from './meters-known.ts';

/** A meter held against something known: a capacitor or resistor kept in the van, an ice bath. */
export interface MeterCheck {
  readonly quantity: string;
  /** The meter. */
  readonly name: string;
  readonly day: Day;
  /** What it showed less what is there: share of it, or °F. */
  readonly off: number;
  /** How well a single look at the meter repeats, standard deviation, same unit. */
  readonly sd: number;
  /** What it was held against, and how well that is known: all checks against it share that error. */
  readonly against: string;
  readonly knownWithin: number;
}

/** Adds what reference checks say of their meters: those against one thing share what that thing may itself be off by. */
export function addChecks(evidence: MeterEvidence, checks: readonly MeterCheck[], layout: MeterLayout): void {
  const things = new Map<string, MeterCheck[]>();
  for (const check of checks) {
    const name = `${check.quantity}/${check.against}`;
    things.set(name, [...(things.get(name) ?? []), check]);
  }
  for (const its of things.values()) addOf(evidence, its, layout);
}

function addOf(evidence: MeterEvidence, its: readonly MeterCheck[], layout: MeterLayout): void {
  const n = its.length;
  const covariance = new Float64Array(n * n);
  for (const [i, check] of its.entries()) {
    for (let j = 0; j < n; j += 1) covariance[i * n + j] = check.knownWithin * its[j]!.knownWithin;
    covariance[i * n + i]! += check.sd ** 2;
  }
  const off = Float64Array.from(its, (check) => check.off);
  addLeaning(evidence, covariance, off, 1, (lean) => {
    for (const [i, { quantity, name, day }] of its.entries()) {
      const { common, knot, share } = placeOf(layout, quantity, name, day / DAYS_A_YEAR);
      lean(common, i, 1);
      lean(knot, i, 1 - share);
      lean(knot + 1, i, share);
    }
  });
}

/**
 * What is known of a meter after a reference check, until all readings are gone through again: from the check on, what was
 * believed weighed against what it showed. Before that day nothing changes.
 */
export function afterCheck(quantity: QuantityKnown, check: MeterCheck): QuantityKnown {
  const before = offsetOn(quantity, check.name, check.day)!;
  const held = Object.hasOwn(quantity.meters, check.name) ? quantity.meters[check.name] : undefined;
  const error = check.sd ** 2 + check.knownWithin ** 2;
  // A meter that was dropped yesterday is not held to what it was: what is believed of it is open by its spread.
  const surprise = Math.abs(check.off - before.mean) / Math.sqrt(error + before.sd ** 2);
  const open = surprise > 2.5 ? before.sd ** 2 + quantity.spread ** 2 : before.sd ** 2;
  const gain = open / (open + error);
  const sd = Math.sqrt(open * (1 - gain));
  const counts = held && isKnown(held) ? held : null;
  const until = counts ? counts.days.findIndex((day) => day >= check.day) : 0;
  const kept = until < 0 ? counts!.days.length : until;
  const days = counts ? counts.days.slice(0, kept) : [];
  const meter: MeterKnown = {
    days: [...days, check.day],
    mean: [...(counts?.mean.slice(0, kept) ?? []), before.mean + gain * (check.off - before.mean)],
    sd: [...(counts?.sd.slice(0, kept) ?? []), sd],
    own: [...(counts?.own.slice(0, kept) ?? []), Math.min(sd, before.own)],
    readings: held?.readings ?? 0,
    threads: Math.max(LEAST_THREADS, held?.threads ?? 0),
    story: held?.story ?? 'steady',
    steppedOn: held?.steppedOn ?? null,
  };
  return { ...quantity, meters: { ...quantity.meters, [check.name]: meter } };
}
