import {
  hasRating,
  isoOf,
  judgeReplacement,
  parseCapacitorRating,
  ratingOf,
  sayReplacement,
  SLOT_NAMES,
  type Day,
  type Policy,
  type RoundComponent,
} from '@yarnix/core';
import { useState, type ReactNode } from 'react';
import { v7 } from 'uuid';
import { fitPart } from '../../../field/rounds.ts';
import { Button } from '../../../kit/button.tsx';
import { Field } from '../../../kit/field.tsx';
import { RatingReadout } from '../../../kit/rating-readout.tsx';

/** "Part replaced": the new label is read as it is typed and held against the replacement rule; then its life begins. */
export function ReplacePart({
  part,
  visitId,
  today,
  policy,
  suggestedReason,
  heading,
  onDone,
}: {
  part: RoundComponent;
  visitId: string;
  today: Day;
  policy: Policy;
  suggestedReason: string;
  heading: ReactNode;
  onDone: (newId: string | null) => void;
}) {
  const [rating, setRating] = useState(part.plate.rating ?? '');
  const [reason, setReason] = useState(suggestedReason);
  const [overrule, setOverrule] = useState('');
  const read = parseCapacitorRating(rating);
  const original = ratingOf(part);
  const verdict =
    read.outcome === 'rating' && original
      ? judgeReplacement(original, read, policy.capacitor.replacementPercent)
      : null;
  const refused = verdict?.verdict === 'refused';
  const rated = hasRating(part);
  const ready = (!rated || read.outcome === 'rating') && reason.trim() !== '' && (!refused || overrule.trim() !== '');

  const fit = () => {
    const id = v7();
    const overruled = refused ? { overruledBecause: overrule.trim() } : {};
    void fitPart(visitId, id, {
      replaces: part.id,
      fittedOn: isoOf(today),
      plate: rated ? { rating: rating.trim() } : {},
      reason: reason.trim(),
      visitId,
      ...overruled,
    });
    onDone(id);
  };
  return (
    <form
      aria-label="Part replaced"
      className="grid gap-3 border-l-[3px] border-copper bg-raised p-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) fit();
      }}
    >
      {heading}
      {rated && (
        <Field
          label="What the new label says"
          value={rating}
          autoFocus
          onChange={(e) => setRating(e.target.value)}
          hint={<RatingReadout text={rating} />}
        />
      )}
      {verdict && <p className={refused ? 'font-semibold text-act' : ''}>{sayReplacement(verdict)}</p>}
      {refused && (
        <Field label="Fitted all the same, because" value={overrule} onChange={(e) => setOverrule(e.target.value)} />
      )}
      <Field
        label="Why the old one came out"
        value={reason}
        autoFocus={!rated}
        onChange={(e) => setReason(e.target.value)}
      />
      <p className="text-sm text-soft">
        {rated
          ? 'Same volts or higher. Leave the relief and the rating visible; date and initial the can.'
          : `A new ${SLOT_NAMES[part.slot].toLowerCase()} begins a life of its own: its first readings become its baseline. Date and initial it.`}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button look="main" type="submit" disabled={!ready}>
          Fitted
        </Button>
        <Button onClick={() => onDone(null)}>Not replaced</Button>
      </div>
    </form>
  );
}
