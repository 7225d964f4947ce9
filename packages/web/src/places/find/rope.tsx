import { causeName, chanceWords, cutWords, ropeWords, type Knot, type Suspect } from '@yarnix/core';
import { useWidth } from '../../app/use-width.ts';
import { outline, strandsOf, thickness, type Strand } from './strands.ts';

interface RopeProps {
  readonly suspects: readonly Suspect[];
  readonly knots: readonly Knot[];
}

const HEAD = 74;
const NAME_ROOM = 300;
const START = 34;

function Fray({ x, y }: { x: number; y: number }) {
  return <path d={`M${x} ${y}l9 -5M${x} ${y}l11 0M${x} ${y}l9 5`} stroke="var(--soft)" strokeWidth="1.4" fill="none" />;
}

function StrandDrawn({
  strand,
  xs,
  end,
  first,
  why,
}: {
  strand: Strand;
  xs: readonly number[];
  end: number;
  first: boolean;
  why: string;
}) {
  const { suspect, y, cut, course } = strand;
  // A cut strand ends where it was cut: at the knot of the answer that did it.
  const stop = cut ? (xs[course.length] ?? end) : end;
  const color = first ? 'var(--copper)' : cut ? 'var(--rule-strong)' : 'var(--thread)';
  return (
    <g>
      <path
        d={`M${START} ${HEAD + 34}C${START + 26} ${HEAD + 34} ${(xs[0] ?? 80) - 26} ${y} ${xs[0] ?? 80} ${y}`}
        stroke={color}
        strokeWidth={thickness(course[0] ?? 0)}
        strokeLinecap="round"
        fill="none"
      />
      <polygon points={outline(strand, xs, stop)} fill={color} />
      {cut && <Fray x={stop} y={y} />}
      <text
        x={(cut ? stop : end) + 16}
        y={y - 2}
        fill="var(--ink)"
        fontSize={first ? 19 : cut ? 14 : 17}
        fontWeight={cut ? 560 : 680}
      >
        {causeName(suspect.id)}
      </text>
      <text
        x={(cut ? stop : end) + 16}
        y={y + (cut ? 14 : 17)}
        fill="var(--soft)"
        fontSize={cut ? 13.5 : 15}
        style={{ fontStretch: '80%' }}
      >
        {cut ? why : chanceWords(suspect.chance)}
      </text>
    </g>
  );
}

/** All suspects as strands of one rope: thick by chance, cut where an answer ruled them out. */
export function Rope({ suspects, knots }: RopeProps) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { strands, height, left } = strandsOf(suspects);
  const end = Math.max(360, width - NAME_ROOM);
  const first = START + 60;
  const step = Math.min(150, (end - first - 20) / Math.max(1, knots.length));
  const xs = knots.map((_, i) => first + i * step);
  const below = strands.map((s) => ({ ...s, y: s.y + HEAD + 8 }));
  return (
    <div ref={ref} className="min-w-0">
      {width > 0 && (
        <svg
          role="img"
          aria-label={ropeWords(suspects)}
          width={width}
          height={height + HEAD + 16}
          className="block overflow-visible"
        >
          {knots.map((knot, i) => (
            <g key={`${knot.title}${i}`}>
              <line x1={xs[i]} x2={xs[i]} y1={HEAD - 6} y2={HEAD + height} stroke="var(--rule)" strokeWidth="1.2" />
              <circle cx={xs[i]} cy={HEAD - 8} r="4.5" fill="var(--knot)" stroke="var(--ink)" strokeWidth="2" />
              {(step > 90 || i === knots.length - 1 || i === 0) && (
                <foreignObject
                  x={(xs[i] ?? 0) - Math.max(54, step / 2 - 4)}
                  y={0}
                  width={Math.max(108, step - 8)}
                  height={HEAD - 14}
                >
                  <div className="grid h-full content-end text-center leading-tight">
                    <span className="line-clamp-2 text-[13.5px] font-semibold">{knot.title}</span>
                    <span className="label line-clamp-1 text-[13px]">{knot.answer}</span>
                  </div>
                </foreignObject>
              )}
            </g>
          ))}
          {below.map((strand, i) => (
            <StrandDrawn
              key={strand.suspect.id}
              strand={strand}
              xs={xs}
              end={end}
              first={i === 0 && !strand.cut}
              why={cutWords(strand.suspect, knots)}
            />
          ))}
        </svg>
      )}
      {left > 0 && <p className="label">{left} more, thinner than these</p>}
    </div>
  );
}

/** The rope in section, for a narrow head: each suspect alive by its chance, the likeliest named. */
export function RopeStrip({ suspects }: Pick<RopeProps, 'suspects'>) {
  const alive = suspects.filter(({ cutBy }) => cutBy === null);
  const first = alive[0];
  if (!first) return null;
  return (
    <div className="grid gap-1">
      <div aria-hidden className="flex h-4 gap-[3px]">
        {alive.map(({ id, chance }, i) => (
          <span
            key={id}
            className="min-w-[2px]"
            style={{ flexGrow: chance, background: i === 0 ? 'var(--copper)' : 'var(--thread)' }}
          />
        ))}
      </div>
      <p className="leading-tight font-semibold">
        {causeName(first.id)} <span className="label whitespace-nowrap">{chanceWords(first.chance)}</span>
      </p>
    </div>
  );
}

/** The same where room is short: a strand a line. */
export function StrandList({ suspects, knots }: RopeProps) {
  const { strands, left } = strandsOf(suspects, 10);
  return (
    <ol aria-label="Suspects" className="grid gap-0.5">
      {strands.map(({ suspect, cut }, i) => (
        <li key={suspect.id} className="grid min-h-11 grid-cols-[76px_1fr] items-center gap-3">
          <svg aria-hidden width="76" height="34" className="overflow-visible">
            <rect
              x="0"
              y={17 - thickness(cut ? 0.02 : suspect.chance) / 2}
              width={cut ? 50 : 76}
              height={thickness(cut ? 0.02 : suspect.chance)}
              fill={i === 0 && !cut ? 'var(--copper)' : cut ? 'var(--rule-strong)' : 'var(--thread)'}
            />
            {cut && <Fray x={50} y={17} />}
          </svg>
          <span className={cut ? 'text-[15px] leading-tight' : 'text-[17px] leading-tight font-semibold'}>
            {causeName(suspect.id)}{' '}
            <span className={cut ? 'label' : 'label whitespace-nowrap'}>
              {cut ? cutWords(suspect, knots) : chanceWords(suspect.chance)}
            </span>
          </span>
        </li>
      ))}
      {left > 0 && <li className="label">{left} more, thinner than these</li>}
    </ol>
  );
}
