import { DAYS_A_YEAR, type Day } from '../quantity/day.ts';

/** How a meter is taken to have gone: as it was, slowly off, or moved at once by a drop or a battery. */
export type MeterStory = 'steady' | 'going-off' | 'stepped';

/** What a firm's own readings say of one meter's offset over time: a line through so many days. */
export interface MeterKnown {
  readonly days: readonly Day[];
  /** Offset, share of the value or °F: what it shows less what is there. */
  readonly mean: readonly number[];
  /** Standard deviation of it, and of it against what all meters of the firm read on the average. */
  readonly sd: readonly number[];
  readonly own: readonly number[];
  readonly readings: number;
  readonly threads: number;
  readonly story: MeterStory;
  /** The day of a step; null without one. */
  readonly steppedOn: Day | null;
}

/** All meters of one quantity in a firm. */
export interface QuantityKnown {
  /** Standard deviation among the firm's meters. */
  readonly spread: number;
  /** Standard deviation of what they all share, which their readings alone cannot show. */
  readonly common: number;
  readonly meters: Readonly<Record<string, MeterKnown>>;
}

/** A firm's meters by quantity and name. */
export type MetersKnown = Readonly<Record<string, QuantityKnown>>;

/** What is believed of a meter on a day. */
export interface MeterOffset {
  readonly mean: number;
  readonly sd: number;
  /** Of it against what all meters of the firm read on the average. */
  readonly own: number;
}

/** A meter that fewer threads rest on is taken as any other: its figures would be those threads' own. A check is worth as many. */
export const LEAST_THREADS = 6;
/** Whether enough rests on a meter for its figures to count. */
export const isKnown = (meter: MeterKnown): boolean => meter.threads >= LEAST_THREADS && meter.days.length > 0;

const between = (days: readonly Day[], values: readonly number[], day: Day): number => {
  const last = days.length - 1;
  if (day <= days[0]!) return values[0]!;
  if (day >= days[last]!) return values[last]!;
  const after = days.findIndex((d) => d >= day);
  const [from, to] = [days[after - 1]!, days[after]!];
  const share = (day - from) / (to - from);
  return values[after - 1]! * (1 - share) + values[after]! * share;
};

/** How far a meter that nothing is read by any more may have gone, shares a √year: little, unless it was going. */
const ONWARD = { steady: 0.15, 'going-off': 0.6, stepped: 0.15 } as const;

/**
 * The offset of a meter on a day, with its uncertainty, which grows before and after the days it was read on. A meter of
 * the quantity that is not known has none, and the spread of the firm's meters for uncertainty. Null where nothing was
 * learned of the quantity.
 */
export function offsetOn(quantity: QuantityKnown | undefined, name: string, day: Day): MeterOffset | null {
  if (!quantity) return null;
  const { spread, common } = quantity;
  const meter = Object.hasOwn(quantity.meters, name) ? quantity.meters[name] : undefined;
  if (!meter || !isKnown(meter)) return { mean: 0, sd: Math.hypot(spread, common), own: spread };
  const beyond = Math.max(0, meter.days[0]! - day, day - meter.days.at(-1)!) / DAYS_A_YEAR;
  const onward = ONWARD[meter.story] * spread * Math.sqrt(beyond);
  return {
    mean: between(meter.days, meter.mean, day),
    sd: Math.hypot(between(meter.days, meter.sd, day), onward),
    own: Math.hypot(between(meter.days, meter.own, day), onward),
  };
}
