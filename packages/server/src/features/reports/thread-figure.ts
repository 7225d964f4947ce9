import { dateOf, type ReportThread } from '@yarnix/core';

export type Spot = readonly [x: number, y: number];

/** A thread as a drawing: spots in the units of its width and height, from its upper left corner. */
export interface ThreadFigure {
  readonly width: number;
  readonly height: number;
  /** Readings, oldest first. */
  readonly knots: readonly Spot[];
  readonly limit: { readonly y: number; readonly label: string } | null;
  readonly baseline: { readonly y: number; readonly label: string } | null;
  /** From the last reading to where it may stand: the middle, and the range around it. */
  readonly ahead: { readonly from: Spot; readonly to: Spot; readonly low: Spot; readonly high: Spot } | null;
  readonly labels: readonly { readonly at: Spot; readonly text: string; readonly align: 'left' | 'right' }[];
}

/** Room for what is written below, above, and before the first spot. */
const [BELOW, ABOVE, LEFT] = [16, 8, 4];

const say = (value: number, unit: string): string => `${Number(value.toPrecision(3))} ${unit}`;

/** What is drawn of a thread, with so much room on the right for labels. Values that are all alike lie in the middle. */
export function threadFigure(
  { figures, unit }: ReportThread,
  { width, height, right }: { readonly width: number; readonly height: number; readonly right: number },
): ThreadFigure {
  const { points, limit, baseline, ahead } = figures;
  const all = [
    ...points.map(({ value }) => value),
    ...(limit === null ? [] : [limit]),
    ...(baseline === null ? [] : [baseline]),
    ...(ahead ? [ahead.low80, ahead.high80] : []),
  ];
  const [least, most] = [Math.min(...all), Math.max(...all)];
  const [first, last] = [points[0]?.day ?? 0, points.at(-1)?.day ?? 0];
  const until = Math.max(last, ahead?.day ?? last, first + 1);
  const x = (day: number) => LEFT + ((day - first) / (until - first)) * (width - right - LEFT);
  const room = height - BELOW - ABOVE;
  const y = (value: number) => (most === least ? ABOVE + room / 2 : ABOVE + ((most - value) / (most - least)) * room);
  const now = ahead?.now ?? points.at(-1)?.value ?? 0;
  return {
    width,
    height,
    knots: points.map(({ day, value }) => [x(day), y(value)] as const),
    limit: limit === null ? null : { y: y(limit), label: `limit ${say(limit, unit)}` },
    baseline: baseline === null ? null : { y: y(baseline), label: `at first ${say(baseline, unit)}` },
    ahead: ahead && {
      from: [x(last), y(now)],
      to: [x(ahead.day), y(ahead.expected)],
      low: [x(ahead.day), y(ahead.low80)],
      high: [x(ahead.day), y(ahead.high80)],
    },
    labels: [
      { at: [0, height - 4], text: dateOf(first), align: 'left' },
      { at: [width - right, height - 4], text: dateOf(until), align: 'right' },
    ],
  };
}
