import { isoOf, sayValue, STANDING_NAMES } from '@yarnix/core';
import { memo } from 'react';
import { hueOf } from '../../kit/mark.tsx';
import { layThread, placeOfDay, type Frame } from '../../thread/geometry.ts';
import type { Loom, Strand } from '../../thread/loom.ts';

/** What was done along the thread: a new part as an open ring with its year, a repair as a small square. */
function Marks({ strand, loom, frame }: { strand: Strand; loom: Loom; frame: Frame }) {
  const x = placeOfDay(loom.span, frame.width);
  const middle = frame.height / 2;
  return (
    <>
      {strand.repairs
        .filter((r) => r.day >= loom.span.from)
        .map((r) => (
          <rect
            key={`${r.day}${r.title}`}
            x={x(r.day) - 4}
            y={frame.height - 9}
            width="8"
            height="8"
            fill="var(--ground)"
            stroke="var(--copper)"
            strokeWidth="1.6"
          />
        ))}
      {strand.fitted !== null && strand.fitted >= loom.span.from && (
        <>
          <path d={`M${x(strand.fitted)} 1V${frame.height - 1}`} stroke="var(--thread)" strokeWidth="1.4" />
          <text
            x={x(strand.fitted) - 5}
            y={middle > 20 ? 12 : middle + 4}
            textAnchor="end"
            fontSize="12"
            fill="var(--soft)"
          >
            new {isoOf(strand.fitted).slice(0, 4)}
          </text>
        </>
      )}
    </>
  );
}

function describe({ fullTitle, data, kind, standing, repairs, fitted }: Strand): string {
  const first = data.points[0];
  const last = data.points.at(-1);
  const over =
    first && last
      ? `${data.points.length} readings from ${sayValue(kind, first.value)} to ${sayValue(kind, last.value)}`
      : 'looked at';
  const done = repairs.map((r) => `, ${r.title.toLowerCase()} ${isoOf(r.day)}`).join('');
  return `${fullTitle}: ${STANDING_NAMES[standing].toLowerCase()}, ${over}${fitted === null ? '' : `, part new ${isoOf(fitted)}`}${done}`;
}

/** The outermost and the middle of a fray, as one path: enough where it is drawn thin. */
const fewOf = (strands: readonly { readonly path: string }[]): string =>
  strands
    .filter((_, at) => at % 3 === 0)
    .map((s) => s.path)
    .join('');

/** A thread on the loom: what needs eyes drawn strong and tall, what is sound thin. */
export const StrandDrawing = memo(function StrandDrawing({
  strand,
  loom,
  width,
  height,
}: {
  strand: Strand;
  loom: Loom;
  width: number;
  height: number;
}) {
  const frame = { width, height };
  const strong = height > 40;
  const drawn = layThread(strand.data, frame, loom.span, strand.before);
  const x = placeOfDay(loom.span, width);
  const hue = hueOf(strand.standing);
  const knots = drawn.knots.length > 0 ? drawn.knots : strand.days.map((day) => ({ x: x(day), y: height / 2 }));
  const last = knots.at(-1);
  return (
    <svg role="img" aria-label={describe(strand)} className="block" width={width} height={height} fill="none">
      {strong && drawn.limitY !== null && (
        <path
          d={`M0 ${drawn.limitY}H${x(loom.nextRound)}`}
          stroke="var(--act)"
          strokeWidth="1.8"
          strokeDasharray="0.1 4.2"
          strokeLinecap="round"
        />
      )}
      {drawn.earlier.map((path) => (
        <path key={path} d={path} stroke="var(--rule-strong)" strokeWidth={strong ? 1.8 : 1.2} />
      ))}
      {strong ? (
        drawn.strands.map(({ path, weight }) => (
          <path key={path} d={path} stroke={hue} strokeWidth="1.3" opacity={weight} />
        ))
      ) : (
        <path d={fewOf(drawn.strands)} stroke={hue} strokeWidth="1" opacity="0.65" />
      )}
      <path d={drawn.line} stroke="var(--thread)" strokeWidth={strong ? 2.2 : 1.4} strokeLinejoin="round" />
      <Marks strand={strand} loom={loom} frame={frame} />
      {strong &&
        knots
          .slice(0, -1)
          .map((knot, at) => (
            <circle
              key={at}
              cx={knot.x}
              cy={knot.y}
              r="2.4"
              fill="var(--knot)"
              stroke="var(--thread)"
              strokeWidth="1.5"
            />
          ))}
      {last && <circle cx={last.x} cy={last.y} r={strong ? 5 : 3.4} fill={hue} />}
    </svg>
  );
});
