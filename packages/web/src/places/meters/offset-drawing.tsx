import {
  isoOf,
  MIDDLE_80,
  monthOf,
  OFFSETS,
  offShown,
  sayOffset,
  watchedFrom,
  type Day,
  type MeterQuantityView,
  type MeterView,
} from '@yarnix/core';
import { dayHere } from '../../kit/local-day.ts';
import { hueOf } from '../../kit/mark.tsx';

interface Drawn {
  readonly width: number;
  readonly height: number;
  /** Left, for the figures of a large one. */
  readonly margin: number;
}

interface Seen {
  readonly day: Day;
  readonly off: number;
}

/** Checks as offsets of the quantity. */
const checksAsOffsets = ({ checks }: Pick<MeterView, 'checks'>, quantity: MeterQuantityView['quantity']): Seen[] =>
  checks
    .filter((c) => c.quantity === quantity)
    .map((c) => ({
      day: dayHere(c.takenAt),
      off: offShown(quantity, c.shown, c.known),
    }));

function scaleOf(q: MeterQuantityView, checks: readonly Seen[], { width, height, margin }: Drawn) {
  const { allowed } = OFFSETS[q.quantity];
  const days = [...q.days, ...checks.map((c) => c.day)];
  const [from, to] = [Math.min(...days), Math.max(...days)];
  const most = Math.max(
    1.25 * allowed,
    ...q.mean.map((m, i) => Math.abs(m) + MIDDLE_80 * (q.sd[i] ?? 0)),
    ...checks.map((c) => Math.abs(c.off)),
  );
  const x = (day: Day) => margin + 6 + ((width - margin - 14) * (day - from)) / Math.max(1, to - from);
  const y = (off: number) => height / 2 - (0.46 * height * off) / most;
  return { x, y, from, to };
}

/**
 * A meter's offset over time as a thread about zero: the band holds it with 80 %, checks on something known are knots, the
 * dotted lines are what a data sheet allows. Large ones have their figures beside them.
 */
export function OffsetDrawing({
  q,
  meter,
  width,
  height,
  large = false,
}: {
  q: MeterQuantityView;
  meter: Pick<MeterView, 'checks'>;
  width: number;
  height: number;
  large?: boolean;
}) {
  const checks = checksAsOffsets(meter, q.quantity);
  if (q.days.length === 0 && checks.length === 0) return <span className="label">nothing yet</span>;
  const { x, y, from, to } = scaleOf(q, checks, { width, height, margin: large ? 62 : 0 });
  const edge = (side: 1 | -1) =>
    q.days.map((day, i) => `${x(day)} ${y((q.mean[i] ?? 0) + side * MIDDLE_80 * (q.sd[i] ?? 0))}`);
  const hue = hueOf(q.standing);
  const last = q.days.length - 1;
  const told =
    q.off === null ? 'offset not known' : `now ${sayOffset(q.quantity, q.off)} ${q.off < 0 ? 'low' : 'high'}`;
  return (
    <svg
      role="img"
      aria-label={`Offset from ${monthOf(from)} to ${monthOf(to)}, ${told}; ${checks.length} checks`}
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      className="block h-auto max-w-full"
      fill="none"
    >
      <Limits y={y} quantity={q.quantity} from={large ? 62 : 0} width={width} />
      {large && <Figures y={y} quantity={q.quantity} />}
      {q.days.length > 0 && (
        <>
          <path d={`M${[...edge(1), ...edge(-1).reverse()].join('L')}Z`} fill={hue} opacity="0.16" />
          <path
            d={`M${q.days.map((day, i) => `${x(day)} ${y(q.mean[i] ?? 0)}`).join('L')}`}
            stroke="var(--thread)"
            strokeWidth="2.2"
            strokeLinejoin="round"
            strokeLinecap="round"
          />
          <circle cx={x(q.days[last] ?? from)} cy={y(q.mean[last] ?? 0)} r={large ? 6 : 4.4} fill={hue} />
        </>
      )}
      <Knots checks={checks} x={x} y={y} />
      {large && (
        <g fill="var(--soft)" fontSize="14">
          <text x={68} y={height - 4}>
            {isoOf(from).slice(0, 7)}
          </text>
          <text x={width} y={height - 4} textAnchor="end">
            {isoOf(to).slice(0, 7)}
          </text>
        </g>
      )}
    </svg>
  );
}

function Figures({ y, quantity }: { y: (off: number) => number; quantity: MeterQuantityView['quantity'] }) {
  const { allowed } = OFFSETS[quantity];
  const watched = watchedFrom(quantity);
  return (
    <g fill="var(--soft)" fontSize="14" textAnchor="end">
      {[allowed, watched, 0, -watched, -allowed].map((off) => (
        <text key={off} x={56} y={y(off) + 5}>
          {off > 0 ? '+' : off < 0 ? '−' : ''}
          {sayOffset(quantity, off)}
        </text>
      ))}
    </g>
  );
}

/** Where a meter is watched, what a data sheet allows, and zero. */
function Limits({
  y,
  quantity,
  from,
  width,
}: {
  y: (off: number) => number;
  quantity: MeterQuantityView['quantity'];
  from: number;
  width: number;
}) {
  return (
    <>
      {[watchedFrom(quantity), OFFSETS[quantity].allowed].flatMap((limit, i) =>
        ([1, -1] as const).map((side) => (
          <path
            key={`${limit}${side}`}
            d={`M${from} ${y(side * limit)}H${width}`}
            stroke={i === 0 ? 'var(--rule-strong)' : 'var(--act)'}
            strokeWidth={i === 0 ? 1 : 1.8}
            strokeDasharray={i === 0 ? '3 4' : '0.1 4.2'}
            strokeLinecap="round"
          />
        )),
      )}
      <path d={`M${from} ${y(0)}H${width}`} stroke="var(--rule-strong)" strokeWidth="1" />
    </>
  );
}

const Knots = ({ checks, x, y }: { checks: readonly Seen[]; x: (day: Day) => number; y: (off: number) => number }) =>
  checks.map((c, i) => (
    <rect
      key={i}
      x={x(c.day) - 4}
      y={y(c.off) - 4}
      width="8"
      height="8"
      fill="var(--knot)"
      stroke="var(--thread)"
      strokeWidth="1.8"
    />
  ));
