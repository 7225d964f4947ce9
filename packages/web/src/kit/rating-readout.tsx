import { parseCapacitorRating, sayRatingDecision, sayRatingTrouble, saySection } from '@yarnix/core';

const LUGS = { herm: 'HERM', fan: 'FAN', single: 'single', start: 'start' } as const;

/** A rating as it is read while it is typed: its sections, volts and tolerance, or what cannot be read and where. */
export function RatingReadout({ text }: { text: string }) {
  const read = parseCapacitorRating(text);
  if (read.outcome === 'cannot-read') {
    return (
      <span
        aria-live="polite"
        className={read.because === 'nothing-written' ? 'text-soft' : 'font-semibold text-watch'}
      >
        {sayRatingTrouble(read)}
      </span>
    );
  }
  return (
    <span aria-live="polite" className="flex flex-wrap gap-x-4 gap-y-0.5">
      {read.sections.map((section) => (
        <span key={section.lug}>
          <span className="label">{LUGS[section.lug]}</span>{' '}
          <strong className="figure-type text-[17px] text-ink">{saySection(section)}</strong>
        </span>
      ))}
      {read.volts !== null && <strong className="figure-type text-[17px] text-ink">{read.volts} V</strong>}
      {read.tolerance && (
        <span>
          −{read.tolerance.minusPercent} / +{read.tolerance.plusPercent} %
        </span>
      )}
      <span className="basis-full text-soft">
        {sayRatingDecision(read)}
        {read.unitAssumed ? '; µF taken for granted' : ''}
      </span>
    </span>
  );
}
