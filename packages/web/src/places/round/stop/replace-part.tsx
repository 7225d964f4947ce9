import {
  controlFuseOf,
  FUSE_AMPS,
  fuseRefused,
  hasAmps,
  hasRating,
  isFuseAllowed,
  judgeReplacement,
  parseCapacitorRating,
  policyFor,
  ratingOf,
  sayReplacement,
  SLOT_NAMES,
  wiresOn,
  type Plate,
  type Policy,
  type RoundComponent,
  type RoundField,
  type RoundRecord,
} from '@yarnix/core';
import { useState, type ReactNode } from 'react';
import { v7 } from 'uuid';
import { fitPart } from '../../../field/rounds.ts';
import { Button } from '../../../kit/button.tsx';
import { Field } from '../../../kit/field.tsx';
import { typedNumber } from '../../../kit/typed-number.ts';
import { RatingReadout } from '../../../kit/rating-readout.tsx';
import { reasonSuggested } from './stop-props.ts';
import { useWiresBack, WiresBack } from './wires-back.tsx';
import { localToday } from '../../../kit/local-day.ts';

/** What is typed of a new fuse, and whether the board allows it. */
function useFuse(part: RoundComponent, plate: Plate) {
  const isFuse = hasAmps(part);
  const [text, setText] = useState(String(controlFuseOf(plate)));
  const amps = typedNumber(text, 'A');
  const isAmps = amps >= FUSE_AMPS[0] && amps <= FUSE_AMPS[1];
  const refused = isAmps && !isFuseAllowed(plate, amps) ? fuseRefused(amps, controlFuseOf(plate)) : '';
  return { isFuse, text, setText, amps, refused, ready: !isFuse || (isAmps && !refused) };
}

const FuseField = ({ fuse }: { fuse: ReturnType<typeof useFuse> }) => (
  <Field
    label="Amps on the new fuse"
    value={fuse.text}
    inputMode="decimal"
    onChange={(e) => fuse.setText(e.target.value)}
    error={fuse.refused || undefined}
  />
);

/** What is typed of a new part, and how it stands to the old one by the replacement rule. */
function useReplacement(part: RoundComponent, policy: Policy, suggestedReason: string) {
  const [rating, setRating] = useState(part.plate.rating ?? '');
  const [reason, setReason] = useState(suggestedReason);
  const [overrule, setOverrule] = useState('');
  const read = parseCapacitorRating(rating);
  const original = ratingOf(part);
  const verdict =
    read.outcome === 'rating' && original
      ? judgeReplacement(original, read, policyFor(part, policy).capacitor.replacementPercent)
      : null;
  const refused = verdict?.verdict === 'refused';
  const rated = hasRating(part);
  const ready = (!rated || read.outcome === 'rating') && reason.trim() !== '' && (!refused || overrule.trim() !== '');
  return { rating, setRating, reason, setReason, overrule, setOverrule, verdict, refused, rated, ready };
}

/** "Part replaced": the new label is read as it is typed and held against the replacement rule; then its life begins. */
export function ReplacePart({
  field,
  record,
  policy,
  heading,
  onDone,
}: {
  field: RoundField;
  record: RoundRecord;
  policy: Policy;
  heading: ReactNode;
  onDone: (newId: string | null) => void;
}) {
  const part = field.planned.component;
  const typed = useReplacement(part, policy, reasonSuggested(field));
  const wires = useWiresBack(wiresOn(field.about.plate.wires, SLOT_NAMES[part.slot]));
  const fuse = useFuse(part, field.about.plate);
  const { rated, verdict, refused } = typed;
  const ready = typed.ready && fuse.ready && wires.ready;
  const fit = () => {
    const id = v7();
    void fitPart(record.visitId, id, {
      replaces: part.id,
      fittedOn: localToday(),
      plate: rated ? { rating: typed.rating.trim() } : fuse.isFuse ? { amps: fuse.amps } : {},
      reason: [typed.reason.trim(), wires.words].filter(Boolean).join('. Wires: ').slice(0, 200),
      visitId: record.visitId,
      ...(refused ? { overruledBecause: typed.overrule.trim() } : {}),
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
          value={typed.rating}
          autoFocus
          onChange={(e) => typed.setRating(e.target.value)}
          hint={<RatingReadout text={typed.rating} />}
        />
      )}
      {fuse.isFuse && <FuseField fuse={fuse} />}
      {verdict && <p className={refused ? 'font-semibold text-act' : ''}>{sayReplacement(verdict)}</p>}
      {refused && (
        <Field
          label="Fitted all the same, because"
          value={typed.overrule}
          onChange={(e) => typed.setOverrule(e.target.value)}
        />
      )}
      <Field
        label="Why the old one came out"
        value={typed.reason}
        autoFocus={!rated}
        onChange={(e) => typed.setReason(e.target.value)}
      />
      <WiresBack wires={wires} />
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
