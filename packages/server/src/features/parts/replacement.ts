import {
  controlFuseOf,
  fuseRefused,
  hasAmps,
  isFuseAllowed,
  judgeReplacement,
  parseCapacitorRating,
  policyFor,
  ratingOf,
  sayRating,
  sayRatingTrouble,
  sayReplacement,
  type ComponentPlate,
  type FittedPart,
  type Policy,
} from '@yarnix/core';
import { ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { PartInSystem, partsStore } from './store.ts';

/** The rating of a part in one way of writing, so that like parts are counted together; null without one. */
export const labelOf = (plate: ComponentPlate): string | null => {
  const rating = ratingOf({ plate });
  return rating && sayRating(rating);
};

function checkFuse({ system_plate: plate }: PartInSystem, { plate: { amps } }: FittedPart): void {
  const detail =
    amps === undefined
      ? 'Say how many amps the new fuse is.'
      : isFuseAllowed(plate, amps)
        ? ''
        : fuseRefused(amps, controlFuseOf(plate));
  if (detail)
    throw new ProblemError(amps === undefined ? 'invalid-request' : 'replacement-refused', detail, [
      { path: 'plate.amps', detail },
    ]);
}

function checkRule(old: PartInSystem, fitted: FittedPart, policy: Policy): void {
  if (hasAmps(old)) {
    checkFuse(old, fitted);
  } else if (fitted.plate.amps !== undefined) {
    const detail = 'This part has no amps of its own; leave them out.';
    throw new ProblemError('invalid-request', detail, [{ path: 'plate.amps', detail }]);
  }
  const original = ratingOf(old);
  if (old.kind !== 'run-capacitor' && old.kind !== 'start-capacitor') {
    if (!fitted.plate.rating) return;
    const detail = 'This part has no rating; leave it empty.';
    throw new ProblemError('invalid-request', detail, [{ path: 'plate.rating', detail }]);
  }
  const read = parseCapacitorRating(fitted.plate.rating ?? '');
  if (read.outcome === 'cannot-read') {
    const detail = sayRatingTrouble(read);
    throw new ProblemError('rating-unreadable', detail, [{ path: 'plate.rating', detail }]);
  }
  if (!original || fitted.overruledBecause) return;
  const verdict = judgeReplacement(original, read, policyFor(old, policy).capacitor.replacementPercent);
  if (verdict.verdict !== 'refused') return;
  const detail = sayReplacement(verdict);
  throw new ProblemError('replacement-refused', detail, [{ path: 'plate.rating', detail }]);
}

/** Ends the old part's life and begins the new one's, if the replacement rule and the dates allow it. */
export async function insertReplacement(
  store: ReturnType<typeof partsStore>,
  context: RequestContext,
  id: string,
  old: PartInSystem,
  fitted: FittedPart,
  digest: string,
  policy: Policy,
): Promise<void> {
  if (old.removed_on !== null) throw new ProblemError('part-removed', `That part came out on ${old.removed_on}.`);
  if (old.fitted_on !== null && fitted.fittedOn < old.fitted_on) {
    const detail = `It cannot be replaced before ${old.fitted_on}, the day it was fitted.`;
    throw new ProblemError('invalid-request', detail, [{ path: 'fittedOn', detail }]);
  }
  checkRule(old, fitted, policy);
  await store.remove(context, old.id, fitted.fittedOn, fitted.reason);
  const part = {
    id,
    systemId: old.system_id,
    slot: old.slot,
    kind: old.kind,
    plate: fitted.plate,
    label: labelOf(fitted.plate),
    fittedOn: fitted.fittedOn,
    replaces: old.id,
    overruledBecause: fitted.overruledBecause ?? null,
    digest,
  };
  if ((await store.insert(context, [part])) === 0) throw new ProblemError('id-taken', 'Another part has this id.');
}
