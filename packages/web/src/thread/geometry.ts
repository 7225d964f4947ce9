import type { InlineThreadData } from '@yarnix/core';

export interface Frame {
  readonly width: number;
  readonly height: number;
}

export interface Drawn {
  readonly line: string;
  readonly knots: readonly { readonly x: number; readonly y: number }[];
  readonly strands: readonly { readonly path: string; readonly weight: number }[];
  readonly limitY: number | null;
  readonly baselineY: number | null;
}

const PAD_X = 7;
const PAD_Y = 7;
const STRANDS = 7;

/** The span of values shown: all that is drawn, and never less than a tenth of the value, so that noise looks like noise. */
function spanOf(data: InlineThreadData): { low: number; high: number } {
  const values = [
    ...data.points.map((p) => p.value),
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
export function knotDays(points: InlineThreadData['points']): { day: number; value: number }[] {
  const byDay = new Map<number, number[]>();
  for (const { day, value } of points) byDay.set(day, [...(byDay.get(day) ?? []), value]);
  return [...byDay].map(([day, values]) => ({ day, value: values.reduce((a, b) => a + b, 0) / values.length }));
}

/** Lays an inline thread out in a frame: time runs left to right, the fray ends at the day of the next round. */
export function layThread(data: InlineThreadData, frame: Frame): Drawn {
  const points = knotDays(data.points);
  const first = points[0];
  const last = points.at(-1);
  if (!first || !last) return { line: '', knots: [], strands: [], limitY: null, baselineY: null };
  const { low, high } = spanOf(data);
  const end = Math.max(last.day, data.ahead?.day ?? last.day);
  const days = Math.max(1, end - first.day);
  const x = (day: number) => PAD_X + ((frame.width - 2 * PAD_X) * (day - first.day)) / days;
  const y = (value: number) => frame.height - PAD_Y - ((frame.height - 2 * PAD_Y) * (value - low)) / (high - low);
  const knots = points.map((p) => ({ x: x(p.day), y: y(p.value) }));
  return {
    line: knots.map((k, i) => `${i === 0 ? 'M' : 'L'}${k.x.toFixed(1)} ${k.y.toFixed(1)}`).join(''),
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
