import { sayValue, type InlineThreadData, type ReadingKind, type Standing } from '@yarnix/core';
import { hueOf } from '../kit/mark.tsx';
import { layThread } from './geometry.ts';

function describe(data: InlineThreadData, kind: ReadingKind | undefined): string {
  const first = data.points[0];
  const last = data.points.at(-1);
  if (!first || !last) return 'No readings yet';
  const limit = data.limit === null ? '' : `, limit ${sayValue(kind, data.limit)}`;
  const ahead = data.ahead ? `, expected ${sayValue(kind, data.ahead.expected)} at the next round` : '';
  return `${data.points.length} readings from ${sayValue(kind, first.value)} to ${sayValue(kind, last.value)}${limit}${ahead}`;
}

/** The small thread: readings as knots on a line, limit dotted, baseline thin, and the fray towards the next round. */
export function InlineThread({
  data,
  standing,
  kind,
  width,
  height,
}: {
  data: InlineThreadData;
  standing: Standing;
  kind: ReadingKind | undefined;
  width: number;
  height: number;
}) {
  const drawn = layThread(data, { width, height });
  const hue = hueOf(standing);
  const last = drawn.knots.length - 1;
  return (
    <svg
      role="img"
      aria-label={describe(data, kind)}
      viewBox={`0 0 ${width} ${height}`}
      className="block h-auto max-w-full"
      width={width}
      height={height}
      fill="none"
    >
      {drawn.baselineY !== null && (
        <path d={`M0 ${drawn.baselineY}H${width}`} stroke="var(--rule-strong)" strokeWidth="1" />
      )}
      {drawn.limitY !== null && (
        <path
          d={`M0 ${drawn.limitY}H${width}`}
          stroke="var(--act)"
          strokeWidth="1.8"
          strokeDasharray="0.1 4.2"
          strokeLinecap="round"
        />
      )}
      {drawn.strands.map((strand) => (
        <path
          key={strand.path}
          d={strand.path}
          stroke={hue}
          strokeWidth="1.2"
          opacity={strand.weight}
          strokeLinecap="round"
        />
      ))}
      <path d={drawn.line} stroke="var(--thread)" strokeWidth="2" strokeLinejoin="round" />
      {drawn.knots.map((knot, index) => (
        <circle
          key={index}
          cx={knot.x}
          cy={knot.y}
          r={index === last ? 4.4 : 2.5}
          fill={index === last ? hue : 'var(--knot)'}
          stroke={index === last ? hue : 'var(--thread)'}
          strokeWidth="1.6"
        />
      ))}
    </svg>
  );
}
