import { isoOf, sayValue, type Day } from '@yarnix/core';
import type { ChartData, ChartOptions } from 'chart.js';
import type { AnnotationOptions } from 'chartjs-plugin-annotation';
import { knotDays } from './geometry.ts';
import { chartPoints, type ChartPoint, type ChartView, type ThreadData } from './thread-data.ts';

/** The colors a chart is drawn with, read from the theme. */
export interface Palette {
  readonly ink: string;
  readonly soft: string;
  readonly rule: string;
  readonly ruleStrong: string;
  readonly act: string;
  readonly thread: string;
  readonly knot: string;
  readonly hue: string;
  readonly copper: string;
}

const momentOf = (day: Day): number => day * 86_400_000;
const FONT = "'Archivo Variable', sans-serif";
const STRANDS = 9;

type Dataset = ChartData<'line', { x: number; y: number }[]>['datasets'][number];

function livesBefore(data: ThreadData, palette: Palette): Dataset[] {
  return data.before.map(({ part, points }) => ({
    label: `earlier part, out ${part.removedOn ?? ''}`,
    order: 4,
    data: knotDays(points).map((p) => ({ x: momentOf(p.day), y: p.value })),
    borderColor: palette.soft,
    borderWidth: 1.2,
    pointRadius: 2.5,
    pointBackgroundColor: palette.knot,
    pointBorderColor: palette.soft,
  }));
}

/** The fray: strands that leave the end of the line and spread over the 80 % range at the next round. */
function frayOf(data: ThreadData, view: ChartView, palette: Palette): Dataset[] {
  const newest = chartPoints(data, view).at(-1);
  const now = data.inline?.ahead?.now ?? data.believed.at(-1)?.value;
  const last = newest && { day: newest.day, value: now ?? newest.value };
  const ahead = data.inline?.ahead;
  // The forecast is for common conditions: beside values as read it would be another matter.
  if (!last || !ahead || view === 'read') return [];
  return Array.from({ length: STRANDS }, (_, n) => {
    const share = n / (STRANDS - 1);
    const end = ahead.low80 + (ahead.high80 - ahead.low80) * share;
    const middle = { x: momentOf(last.day + 0.55 * (ahead.day - last.day)), y: last.value + 0.35 * (end - last.value) };
    return {
      label: `forecast ${n}`,
      order: 3,
      data: [{ x: momentOf(last.day), y: last.value }, middle, { x: momentOf(ahead.day), y: end }],
      borderColor: palette.hue,
      borderWidth: n === (STRANDS - 1) / 2 ? 2 : 1,
      borderDash: [5, 3],
      pointRadius: 0,
      pointHitRadius: 0,
      cubicInterpolationMode: 'monotone' as const,
    };
  });
}

/** The line is what was believed at each visit; of values as they were read it runs through each day's mean. Odd readings are off it. */
const lineOf = (data: ThreadData, view: ChartView, points: readonly ChartPoint[], palette: Palette): Dataset => ({
  label: 'line',
  order: 2,
  data: (view === 'compared' && data.believed.length > 0 ? data.believed : knotDays(points.filter((p) => !p.odd))).map(
    (p) => ({ x: momentOf(p.day), y: p.value }),
  ),
  borderColor: palette.thread,
  borderWidth: 2.2,
  pointRadius: 0,
  pointHitRadius: 0,
});

/** What is said of a reading beside its number: method, and what held while it was taken. */
export function conditionWords({ reading, odd }: ChartPoint, data: ThreadData): string[] {
  const { outdoorF, lineVolts, returnWetF } = reading.conditions;
  const method = data.kind.methods.find((m) => m.id === reading.method)?.title;
  return [
    method ?? '',
    outdoorF === undefined ? '' : `${outdoorF} °F outdoors`,
    lineVolts === undefined ? '' : `${lineVolts} V`,
    returnWetF === undefined ? '' : `return wet bulb ${returnWetF} °F`,
    odd ? 'odd, set aside' : '',
  ].filter(Boolean);
}

function readingsOf(points: readonly ChartPoint[], palette: Palette, first: string | undefined): Dataset {
  const isLast = (index: number) => index === points.length - 1;
  const fill = (p: ChartPoint, i: number) => (p.odd ? 'transparent' : isLast(i) ? palette.hue : palette.knot);
  return {
    label: 'reading',
    order: 1,
    showLine: false,
    data: points.map((p) => ({ x: momentOf(p.day), y: p.value })),
    pointRadius: points.map((_, i) => (isLast(i) ? 7 : 4.5)),
    pointHoverRadius: 8,
    // By method: the commonest is a ring, every other one a square.
    pointStyle: points.map((p) => (p.odd ? 'crossRot' : p.reading.method === first ? 'circle' : 'rect')),
    pointBackgroundColor: points.map(fill),
    pointBorderColor: points.map((_, i) => (isLast(i) ? palette.hue : palette.thread)),
    pointBorderWidth: 2,
  };
}

/** The method that most readings of a thread were taken by. */
const firstMethod = ({ readings }: ThreadData): string | undefined => {
  const count = new Map<string, number>();
  for (const { method } of readings) count.set(method, (count.get(method) ?? 0) + 1);
  return [...count].sort((a, b) => b[1] - a[1])[0]?.[0];
};

/** Everything drawn of a thread. */
export function chartData(
  data: ThreadData,
  palette: Palette,
  view: ChartView = 'compared',
): ChartData<'line', { x: number; y: number }[]> {
  const points = chartPoints(data, view);
  const lives = livesBefore(data, palette);
  return {
    datasets: [
      ...lives,
      ...frayOf(data, view, palette),
      lineOf(data, view, points, palette),
      readingsOf(points, palette, firstMethod(data)),
    ],
  };
}

function level(
  value: number,
  words: string,
  color: string,
  palette: Palette,
  dash: number[],
  above: boolean,
): AnnotationOptions {
  return {
    type: 'line',
    scaleID: 'y',
    value,
    borderColor: color,
    borderWidth: dash.length > 0 ? 2 : 1.2,
    borderDash: dash,
    label: {
      display: true,
      content: words,
      // A thread begins on the far side of its limit, so the limit's word has room there; the others have it at the end.
      position: dash.length > 0 ? 'start' : 'end',
      xAdjust: dash.length > 0 ? 8 : -36,
      yAdjust: above ? -11 : 11,
      backgroundColor: 'transparent',
      color: color === palette.act ? palette.act : palette.soft,
      font: { family: FONT, size: 13, weight: 600 },
      padding: 2,
    },
  };
}

/** The policy's watch limit: thinner than the limit, its word in the middle, where no other is. */
function quietLevel(value: number, words: string, palette: Palette): AnnotationOptions {
  const line = level(value, words, palette.soft, palette, [], true);
  const label = 'label' in line ? { ...line.label, position: 'center', xAdjust: 0 } : {};
  return { ...line, borderWidth: 1, borderDash: [1, 6], label } as AnnotationOptions;
}

function moment(day: Day, words: string, palette: Palette): AnnotationOptions {
  return {
    type: 'line',
    scaleID: 'x',
    value: momentOf(day),
    borderColor: palette.copper,
    borderWidth: 1.5,
    borderDash: [2, 3],
    label: {
      display: true,
      content: words,
      position: 'start',
      rotation: -90,
      xAdjust: -9,
      backgroundColor: 'transparent',
      color: palette.copper,
      font: { family: FONT, size: 13, weight: 600 },
      padding: 2,
    },
  };
}

/** Limit, rating, baseline, replacement and next round, each with its word. */
export function annotationsOf(
  data: ThreadData,
  palette: Palette,
  dayOfDate: (iso: string) => Day,
): Record<string, AnnotationOptions> {
  const { inline, kind, part } = data;
  const say = (value: number) => sayValue(kind, value);
  const limit = inline?.limit ?? null;
  const baseline = inline?.baseline ?? null;
  const falls = kind.type === 'number' && kind.wear === 'falls';
  const close = baseline !== null && data.nominal !== null && Math.abs(baseline - data.nominal) < 0.02 * data.nominal;
  const nominalWord = { 'rated-load': 'plate', rating: 'rated', 'nominal-volts': 'nominal', window: 'middle' } as const;
  const family = data.state?.numeric?.limits.known ? data.state.numeric.limits.family : 'rating';
  return {
    ...(limit === null ? {} : { limit: level(limit, `limit ${say(limit)}`, palette.act, palette, [2, 5], !falls) }),
    ...(data.nominal === null || data.nominal === limit
      ? {}
      : {
          nominal: level(
            data.nominal,
            `${nominalWord[family]} ${say(data.nominal)}`,
            palette.ruleStrong,
            palette,
            [],
            falls && close && baseline !== null ? baseline < data.nominal : false,
          ),
        }),
    ...(baseline === null
      ? {}
      : {
          baseline: level(
            baseline,
            `its baseline ${say(baseline)}`,
            palette.soft,
            palette,
            [],
            close && data.nominal !== null ? baseline >= data.nominal : true,
          ),
        }),
    ...(data.watchFrom === null || limit === null
      ? {}
      : { watch: quietLevel(data.watchFrom, `watched from ${say(data.watchFrom)}`, palette) }),
    ...Object.fromEntries(
      data.events.map((e, i) => [`event${i}`, moment(e.day, e.title.toLowerCase(), palette)] as const),
    ),
    ...(part.fittedOn && data.before.length > 0
      ? { fitted: moment(dayOfDate(part.fittedOn), 'part replaced', palette) }
      : {}),
    ...(inline?.ahead ? { ahead: moment(inline.ahead.day, 'next round', palette) } : {}),
  };
}

export function chartOptions(
  data: ThreadData,
  palette: Palette,
  dayOfDate: (iso: string) => Day,
  view: ChartView = 'compared',
  span?: { readonly from: Day; readonly to: Day },
): ChartOptions<'line'> {
  const points = chartPoints(data, view);
  const tick = { color: palette.soft, font: { family: FONT, size: 13 } };
  return {
    responsive: true,
    maintainAspectRatio: false,
    animation: false,
    layout: { padding: { right: 14, top: 6 } },
    interaction: { mode: 'nearest', intersect: true },
    scales: {
      x: {
        type: 'time',
        time: { unit: 'year', tooltipFormat: 'd MMMM yyyy' },
        grid: { color: palette.rule },
        ticks: tick,
        grace: '3%',
        ...(span ? { min: momentOf(span.from), max: momentOf(span.to) } : {}),
      } as never,
      y: {
        grid: { color: palette.rule },
        ticks: tick,
        grace: '12%',
        title: {
          display: true,
          text: data.kind.type === 'number' ? data.kind.unit : '',
          color: palette.soft,
          font: { family: FONT, size: 14, weight: 600 },
        },
      },
    },
    plugins: {
      legend: { display: false },
      annotation: { annotations: annotationsOf(data, palette, dayOfDate) },
      tooltip: {
        filter: (item) => !['forecast', 'line'].some((word) => item.dataset.label?.startsWith(word)),
        displayColors: false,
        titleFont: { family: FONT },
        bodyFont: { family: FONT, size: 14 },
        callbacks: {
          title: (items) => (items[0] ? isoOf(Math.floor((items[0].parsed.x ?? 0) / 86_400_000)) : ''),
          label: (item) => sayValue(data.kind, item.parsed.y ?? 0),
          afterLabel: (item) => {
            const point = item.dataset.label === 'reading' ? points[item.dataIndex] : undefined;
            return point ? conditionWords(point, data) : [];
          },
        },
      },
    },
  };
}
