import type { InlineThreadData } from '@yarnix/core';

export interface Frame {
  readonly width: number;
  readonly height: number;
}

/** The days a frame runs over, where several threads share them. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

export interface Drawn {
  readonly line: string;
  /** The lines of parts that were in the same place before. */
  readonly earlier: readonly string[];
  readonly knots: readonly { readonly x: number; readonly y: number }[];
  readonly strands: readonly { readonly path: string; readonly weight: number }[];
  readonly limitY: number | null;
  readonly baselineY: number | null;
}

const PAD_X = 7;
const PAD_Y = 7;
const STRANDS = 7;

type Points = InlineThreadData['points'];

/** Where a day lies in a frame so wide. */
export const placeOfDay =
  ({ from, to }: Span, width: number) =>
  (day: number): number =>
    PAD_X + ((width - 2 * PAD_X) * (day - from)) / Math.max(1, to - from);

const pathThrough = (knots: Drawn['knots']): string =>
  knots.map((k, i) => `${i === 0 ? 'M' : 'L'}${k.x.toFixed(1)} ${k.y.toFixed(1)}`).join('');

/** The values shown: all that is drawn, and never less than a tenth of the value, so that noise looks like noise. */
function rangeOf(data: InlineThreadData, before: readonly Points[]): { low: number; high: number } {
  const values = [
    ...[data.points, ...before].flatMap((points) => points.map((p) => p.value)),
    data.limit,
    data.baseline,
    data.ahead?.now,
    data.ahead?.low80,
    data.ahead?.high80,
  ].filter((v): v is number => typeof v === 'number' && Number.isFinite(v));
  const low = Math.min(...values);
  const high = Math.max(...values);
  const least = Math.max(Math.abs(high) * 0.1, 1e-6);
  const missing = Math.max(0, least - (high - low)) / 2;
  return { low: low - missing, high: high + missing };
}

/** One knot a day: readings of one visit by several methods are drawn as their mean. */
export function knotDays(points: Points): { day: number; value: number }[] {
  const byDay = new Map<number, number[]>();
  for (const { day, value } of points) byDay.set(day, [...(byDay.get(day) ?? []), value]);
  return [...byDay].map(([day, values]) => ({ day, value: values.reduce((a, b) => a + b, 0) / values.length }));
}

/**
 * Lays a thread out in a frame: time runs left to right, the fray ends at the day of the next round. It fills the frame,
 * or keeps to the days that several threads share; `before` are the readings of earlier parts in its place.
 */
export function layThread(data: InlineThreadData, frame: Frame, span?: Span, before: readonly Points[] = []): Drawn {
  const points = knotDays(data.points);
  const first = points[0];
  const last = points.at(-1);
  if (!first || !last) return { line: '', earlier: [], knots: [], strands: [], limitY: null, baselineY: null };
  const { low, high } = rangeOf(data, before);
  const x = placeOfDay(span ?? { from: first.day, to: Math.max(last.day, data.ahead?.day ?? last.day) }, frame.width);
  const y = (value: number) => frame.height - PAD_Y - ((frame.height - 2 * PAD_Y) * (value - low)) / (high - low);
  const knotsOf = (of: Points) => of.map((p) => ({ x: x(p.day), y: y(p.value) }));
  const knots = knotsOf(points);
  return {
    line: pathThrough(knots),
    earlier: before.map((life) => pathThrough(knotsOf(knotDays(life)))),
    knots,
    strands: data.ahead
      ? layStrands(
          { x: x(last.day), y: y(data.ahead.now ?? last.value) },
          x(data.ahead.day),
          y(data.ahead.low80),
          y(data.ahead.high80),
        )
      : [],
    limitY: data.limit === null ? null : y(data.limit),
    baselineY: data.baseline === null ? null : y(data.baseline),
  };
}

/** Strands from where the part is believed to be, which need not be the last knot, that spread over the 80 % range: heaviest where the value is expected. */
function layStrands(from: { x: number; y: number }, endX: number, lowY: number, highY: number): Drawn['strands'] {
  const reach = endX - from.x;
  return Array.from({ length: STRANDS }, (_, n) => {
    const share = n / (STRANDS - 1);
    const endY = lowY + (highY - lowY) * share;
    const path = `M${from.x.toFixed(1)} ${from.y.toFixed(1)}C${(from.x + reach * 0.4).toFixed(1)} ${from.y.toFixed(1)} ${(from.x + reach * 0.55).toFixed(1)} ${endY.toFixed(1)} ${endX.toFixed(1)} ${endY.toFixed(1)}`;
    return { path, weight: 1 - 1.3 * Math.abs(share - 0.5) };
  });
}
