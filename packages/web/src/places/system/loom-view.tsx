import { dateOf, sayValue, SLOT_NAMES } from '@yarnix/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { useWide } from '../../app/use-media.ts';
import { useWidth } from '../../app/use-width.ts';
import { StandingWord } from '../../kit/mark.tsx';
import { ReasonLine } from '../../kit/reason-line.tsx';
import { placeOfDay } from '../../thread/geometry.ts';
import type { Loom, Strand } from '../../thread/loom.ts';
import { StrandDrawing } from './strand-drawing.tsx';

/** Name, axis, sentence: the three columns that every row of the loom keeps to. */
const ROW = 'md:grid md:grid-cols-[240px_minmax(0,1fr)_290px] xl:grid-cols-[270px_minmax(0,1fr)_350px] md:gap-x-4';

interface RowProps {
  readonly strand: Strand;
  readonly loom: Loom;
  readonly width: number;
  readonly wide: boolean;
}

/** A part that needs eyes: large, with its sentence and what to do. */
function Eyes({ strand, loom, width, wide }: RowProps) {
  const { part, kind, value } = strand;
  return (
    <li className="border-t border-rule">
      <Link to={strand.path} className={`${ROW} relative block items-center py-1.5 hover:bg-raised/60`}>
        <div className="flex items-start justify-between gap-3 max-md:bg-ground md:block">
          <div>
            <h2 className="text-[18px] font-bold">{SLOT_NAMES[part.slot]}</h2>
            <p className="label text-[15px]">
              {strand.title}
              {part.plate.rating ? ` · ${part.plate.rating}` : ''}
            </p>
          </div>
          {value !== null && <p className="figure-type text-[22px] leading-tight">{sayValue(kind, value)}</p>}
        </div>
        <StrandDrawing strand={strand} loom={loom} width={width} height={wide ? 64 : 56} />
        <div className="text-[15px] leading-snug max-md:bg-ground max-md:pt-1">
          <div className="flex flex-wrap items-baseline gap-x-3">
            <StandingWord standing={strand.standing} width={26} />
            {strand.next !== '' && <strong className="text-copper">{strand.next}</strong>}
          </div>
          <ReasonLine because={strand.because} />
          {strand.trend && <ReasonLine because={strand.trend} />}
        </div>
      </Link>
    </li>
  );
}

/** A sound thread, or one that could not be judged: one quiet line. */
function Quiet({ strand, loom, width, wide }: RowProps) {
  const { kind, value } = strand;
  const silent = strand.standing === 'sound';
  return (
    <li className="border-t border-rule [contain-intrinsic-size:auto_28px] [content-visibility:auto] max-md:[contain-intrinsic-size:auto_54px]">
      <Link to={strand.path} className={`${ROW} relative block items-center py-px hover:bg-raised/60`}>
        <div className="flex items-baseline justify-between gap-3 text-[15px] max-md:bg-ground">
          <h3 className="min-w-0 truncate font-semibold [font-stretch:82%]" title={strand.fullTitle}>
            {strand.fullTitle}
          </h3>
          {value !== null && <span className="label flex-none">{sayValue(kind, value)}</span>}
        </div>
        <StrandDrawing strand={strand} loom={loom} width={width} height={26} />
        {silent ? (
          <span className="sr-only">Sound</span>
        ) : (
          <div className="label text-[14px] leading-snug max-md:bg-ground md:max-h-[40px] md:overflow-hidden">
            <ReasonLine because={strand.because} />
          </div>
        )}
      </Link>
      {!wide && silent && <span className="block h-1" />}
    </li>
  );
}

/** The years, and where the next round is; a name that would lie over another is left out. */
function Axis({ loom, width }: { loom: Loom; width: number }) {
  const x = placeOfDay(loom.span, width);
  const next = x(loom.nextRound);
  const shown = loom.years.filter(({ day }, at) => {
    const before = loom.years[at - 1];
    return x(day) + 40 < next - 76 && (!before || x(day) - x(before.day) > 40 || at % 2 === 0);
  });
  return (
    <svg aria-hidden className="block" width={width} height="22" fontSize="14" fill="var(--soft)">
      {shown.map(({ day, year }) => (
        <text key={year} x={x(day)} y="15" fontWeight="600">
          {year}
        </text>
      ))}
      <text x={next + 6} y="15" textAnchor="end" fontWeight="700" fill="var(--copper)">
        next round
      </text>
    </svg>
  );
}

/** Behind all rows: the visits as warp, and the next round where every fray ends. */
function Warp({ loom, width }: { loom: Loom; width: number }) {
  const x = placeOfDay(loom.span, width);
  return (
    <li aria-hidden className={`${ROW} pointer-events-none absolute inset-0`}>
      <span className="max-md:hidden" />
      <svg width={width} height="100%" className="block" strokeWidth="1">
        {loom.visits.map((day) => (
          <line key={day} x1={x(day)} x2={x(day)} y2="100%" stroke="var(--rule)" />
        ))}
        <line
          x1={x(loom.nextRound)}
          x2={x(loom.nextRound)}
          y2="100%"
          stroke="var(--copper)"
          strokeWidth="1.2"
          strokeDasharray="1.5 4"
        />
      </svg>
    </li>
  );
}

/** What was looked at or called and is sound: one line that unfolds. */
function Looks({ loom, width, wide }: Omit<RowProps, 'strand'>) {
  const [open, setOpen] = useState(false);
  const last = Math.max(...loom.looks.flatMap((s) => s.days));
  if (loom.looks.length === 0) return null;
  return (
    <>
      <li className="border-t border-rule">
        <button
          type="button"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          className="min-h-12 w-full text-left font-semibold text-soft hover:bg-raised"
        >
          {loom.looks.length} {loom.looks.length === 1 ? 'look or call' : 'looks and calls'} sound, the last on{' '}
          {dateOf(last)} <span className="text-copper underline underline-offset-4">{open ? 'fold' : 'show them'}</span>
        </button>
      </li>
      {open && loom.looks.map((s) => <Quiet key={s.key} strand={s} loom={loom} width={width} wide={wide} />)}
    </>
  );
}

/** A machine as a loom: all its threads over the same days, what needs eyes on top and large, what is sound thin. */
export function LoomView({ loom }: { loom: Loom }) {
  const [axis, width] = useWidth<HTMLDivElement>();
  const wide = useWide();
  const rows = (strands: readonly Strand[], Row: typeof Eyes) =>
    strands.map((strand) => <Row key={strand.key} strand={strand} loom={loom} width={width} wide={wide} />);
  return (
    <>
      <div className={ROW}>
        <span />
        <div ref={axis} className="min-w-0">
          {width > 0 && <Axis loom={loom} width={width} />}
        </div>
        <span />
      </div>
      {width > 0 && (
        <ol className="relative border-b border-rule">
          <Warp loom={loom} width={width} />
          {rows(loom.eyes, Eyes)}
          {rows(loom.quiet, Quiet)}
          <Looks loom={loom} width={width} wide={wide} />
          {rows(loom.unproven, Quiet)}
        </ol>
      )}
      {loom.unread.length > 0 && (
        <p className="label py-2">
          Nothing read yet: {loom.unread.map((c) => SLOT_NAMES[c.slot].toLowerCase()).join(', ')}.
        </p>
      )}
    </>
  );
}
