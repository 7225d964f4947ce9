import type { Day } from '../quantity/day.ts';
import { OFFSETS, watchedFrom, type MeterQuantity } from '../readings/contract/quantities.ts';
import { MIDDLE_80, normalCdf } from '../series/mixture.ts';
import { isKnown, offsetOn, type MeterKnown, type MeterStory, type QuantityKnown } from '../series/meters-known.ts';
import type { Standing } from '../verdict/standing.ts';

/** How one meter stands, and on what that rests. */
export interface MeterStands {
  readonly standing: Standing;
  /** What it shows less what is there, share of it or °F; null where nothing can be said yet. */
  readonly off: number | null;
  /** Half of the range that holds it with 80 % chance, same unit. */
  readonly within: number | null;
  /** Held against something known, or only against what the firm's meters read on the average. */
  readonly against: 'known' | 'firm';
  /** The day since which it has been off by what is watched; null while it is not. */
  readonly since: Day | null;
  readonly readings: number;
  readonly story: MeterStory;
}

/** How sure it has to be that an offset is past what is watched, and past what is allowed. */
const SURE_TO_WATCH = 0.8;
const SURE_TO_ACT = 0.8;
/** An offset less well known than this share of what is watched leaves a meter unproven. */
const OPEN_FROM = 0.75;
/** A meter that is known by itself about as well as against the others has been held against something known. */
const ANCHORED = 1.6;

/** What a firm's meters of a quantity read on the average: by their readings, each as it is believed in the middle of its time. */
function averageOf({ meters }: QuantityKnown): { mean: number; meters: number } {
  let [sum, weight, count] = [0, 0, 0];
  for (const meter of Object.values(meters)) {
    if (!isKnown(meter)) continue;
    sum += meter.readings * meter.mean[Math.floor(meter.mean.length / 2)]!;
    weight += meter.readings;
    count += 1;
  }
  return { mean: weight > 0 ? sum / weight : 0, meters: count };
}

const beyond = (mean: number, sd: number, limit: number): number =>
  normalCdf((mean - limit) / sd) + normalCdf((-mean - limit) / sd);

/** The day since which a meter is off by at least so much to the side it is off now. */
function offSince({ days, mean }: MeterKnown, less: number, at: number): Day | null {
  const now = mean.at(-1)! - less;
  if (Math.abs(now) < at) return null;
  const last = mean.findLastIndex((m) => Math.sign(now) * (m - less) < at);
  return days[last + 1] ?? null;
}

/**
 * How a meter stands on a day by what a firm's own readings, and checks against something known, say of it. What all meters
 * of a firm are off by alike only checks can show: without them a meter is held against the others.
 */
export function meterStands(
  quantity: MeterQuantity,
  known: QuantityKnown | undefined,
  name: string,
  day: Day,
): MeterStands {
  const meter = known && Object.hasOwn(known.meters, name) ? known.meters[name] : undefined;
  const readings = meter?.readings ?? 0;
  const story = meter?.story ?? 'steady';
  const nothing = {
    standing: 'unproven',
    off: null,
    within: null,
    against: 'firm',
    since: null,
    readings,
    story,
  } as const;
  const offset = offsetOn(known, name, day);
  if (!known || !meter || !offset || !isKnown(meter)) return nothing;
  const { allowed } = OFFSETS[quantity];
  const watched = watchedFrom(quantity);
  const average = averageOf(known);
  const isAnchored = offset.sd < ANCHORED * offset.own || average.meters < 2;
  const less = isAnchored ? 0 : average.mean;
  const sd = isAnchored ? offset.sd : offset.own;
  const off = offset.mean - less;
  const standing =
    beyond(off, sd, allowed) >= SURE_TO_ACT
      ? 'act'
      : beyond(off, sd, watched) >= SURE_TO_WATCH
        ? 'watch'
        : sd < OPEN_FROM * watched
          ? 'sound'
          : 'unproven';
  const since = standing === 'watch' || standing === 'act' ? offSince(meter, less, watched) : null;
  return { standing, off, within: MIDDLE_80 * sd, against: isAnchored ? 'known' : 'firm', since, readings, story };
}
