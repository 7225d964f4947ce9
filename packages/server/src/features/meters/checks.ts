import {
  afterCheck,
  dayIn,
  OFFSETS,
  offShown,
  unitOfOffset,
  type FleetPrior,
  type MeterCheck,
  type MeterQuantity,
  type NewMeterCheck,
} from '@yarnix/core';

/** A check as it was made of a meter. */
export type MadeCheck = NewMeterCheck & { readonly meterId: string };

/**
 * A check as what it says of its meter's offset on that day of the firm: a share where that is one, else °F. A single look repeats to a third of
 * what tells meters of the trade apart.
 */
export function checkOf(
  { meterId, quantity, against, known, knownWithin, shown, takenAt }: MadeCheck,
  zone: string,
): MeterCheck {
  return {
    quantity,
    name: meterId,
    day: dayIn(zone, takenAt),
    off: offShown(quantity, shown, known),
    sd: OFFSETS[quantity].spread / 3,
    // A thing that is known to be within so much is off by half of that, as often as not.
    against: `${meterId}/${against}`,
    knownWithin: knownWithin / 2 / unitOfOffset(quantity, known),
  };
}

/** What a fleet has taught, with a check of one of its meters in it. */
export function withCheck(prior: FleetPrior, check: MeterCheck): FleetPrior {
  const quantity = check.quantity as MeterQuantity;
  const known = prior.meters[quantity] ?? { spread: OFFSETS[quantity].spread, common: 0, meters: {} };
  return { ...prior, meters: { ...prior.meters, [quantity]: afterCheck(known, check) } };
}
