import {
  ASK_WORDS,
  askOf,
  meantWords,
  sayField,
  settlingTap,
  severityOf,
  type Judgment,
  type RoundField,
} from '@yarnix/core';
import { Button } from '../../kit/button.tsx';
import { ReasonLine } from '../../kit/reason-line.tsx';
import { Mark, StandingWord } from '../../kit/mark.tsx';

/** How much a reason says: the worse the more; what proves nothing comes last. */
const weightOf = (reason: Judgment): number => (reason.standing === 'unproven' ? -1 : severityOf(reason.standing));

/** The reasons worth saying first: those that decide, then the rest by weight; "no trend yet" is left for the thread screen. */
function leading(reasons: readonly Judgment[]): Judgment[] {
  return reasons
    .filter((r) => r.because.code !== 'trend-too-short' && r.because.code !== 'no-plate-limit-for-wire')
    .sort((a, b) => weightOf(b) - weightOf(a) || Number(b.basis === 'plate') - Number(a.basis === 'plate'));
}

/** A field's verdict in words; the whole of it, or the first sentence where room is short. */
export function VerdictWords({
  field,
  id,
  whole,
  active = whole,
  onKeep,
  onPerhaps,
  onSettle,
}: {
  field: RoundField;
  id: string;
  whole: boolean;
  active?: boolean;
  onKeep: () => void;
  onPerhaps: (meant: NonNullable<RoundField['perhaps']>) => void;
  /** Where it can be said that the machine was in the state the field is for. */
  onSettle?: () => void;
}) {
  const asked = field.typed === 'questioned';
  const { perhaps } = field;
  const sentences = sayField(field.told);
  if (sentences.length > 0) {
    return (
      <div id={id} role="alert" className="grid justify-items-start gap-2">
        {sentences.map((sentence) => (
          <p key={sentence} className="font-semibold text-act">
            {sentence}
          </p>
        ))}
        {asked && (
          <div className="flex flex-wrap gap-2">
            {perhaps && <Button onClick={() => onPerhaps(perhaps)}>Make it {meantWords(perhaps)}</Button>}
            <Button onClick={onKeep}>Keep it as typed</Button>
          </div>
        )}
      </div>
    );
  }
  if (!field.verdict)
    return (
      <p id={id} className={whole || active || field.typed === 'unfinished' ? 'label' : 'sr-only'}>
        {field.typed === 'unfinished' ? 'One more number' : 'Not taken yet'}
      </p>
    );
  const reasons = leading(field.verdict.reasons);
  const tap = field.conditions.asMeant ? null : settlingTap(field.verdict.because);
  return (
    <div id={id} aria-live="polite" className="grid gap-0.5">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <StandingWord
          standing={field.verdict.standing}
          width={whole ? 34 : 28}
          className={whole ? 'text-[20px]' : 'text-[16px]'}
        />
        <AskedFor verdict={field.verdict} />
      </p>
      {whole ? (
        <ReasonList reasons={reasons} />
      ) : (
        reasons.slice(0, 1).map((r) => <ReasonLine key={r.because.code} because={r.because} />)
      )}
      {tap && onSettle && (whole || active) && (
        <div className="pt-1">
          <Button onClick={onSettle}>{tap}</Button>
        </div>
      )}
    </div>
  );
}

/** What the verdict asks for, where it asks for something now. */
function AskedFor({ verdict }: { verdict: Judgment }) {
  const ask = askOf(verdict);
  return ask === 'nothing' || ask === 'look-again' ? null : <strong>{ASK_WORDS[ask]}</strong>;
}

const ReasonList = ({ reasons }: { reasons: readonly Judgment[] }) =>
  reasons.map((r) => (
    <div key={r.because.code} className="flex items-start gap-2">
      <span className="mt-0.5">
        <Mark standing={r.standing} width={18} />
      </span>
      <ReasonLine because={r.because} />
    </div>
  ));

/** The reasons after the first, for below a row where they have its whole width. */
export const OtherReasons = ({ field }: { field: RoundField }) =>
  field.verdict && sayField(field.told).length === 0 ? (
    <div className="grid gap-0.5 pb-3 text-[15px]">
      <ReasonList reasons={leading(field.verdict.reasons).slice(1)} />
    </div>
  ) : null;
