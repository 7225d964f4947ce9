import {
  FAULT_NAMES,
  faultsOfCall,
  keptOutcome,
  LACK_WORDS,
  lackOf,
  OUTCOME_NAMES,
  stillLoose,
  usualOutcome,
  type HuntReport,
  type Lack,
  type NewCall,
  type Outcome,
  type RoundRecord,
} from '@yarnix/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { closeRound, keepCall, momentAfter } from '../../field/rounds.ts';
import { Button } from '../../kit/button.tsx';
import { Field, TextField } from '../../kit/field.tsx';
import { CloseLooseEnds } from '../../visit/close-loose-ends.tsx';

const ORDER: readonly Outcome['is'][] = [
  'repaired',
  'for-now',
  'proposed',
  'declined',
  'proved',
  'nothing-found',
  'none-of-these',
  'unsafe',
];

const Account = ({ text }: { text: string }) => (
  <div>
    <h2 className="label">Kept with the visit, and for the customer</h2>
    <p>{text}</p>
  </div>
);

const Choices = ({ is, onChoose }: { is: Outcome['is']; onChoose: (is: Outcome['is']) => void }) => (
  <fieldset className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-1.5 sm:grid-cols-2">
    <legend className="label pb-1">How it ends</legend>
    {ORDER.map((one) => (
      <label
        key={one}
        className="flex min-h-12 items-center gap-3 rounded-[4px] border-[1.5px] border-rule-strong bg-raised px-3 font-semibold has-checked:border-copper has-checked:bg-wash"
      >
        <input
          type="radio"
          name="outcome"
          className="size-5 accent-(--copper)"
          checked={is === one}
          onChange={() => onChoose(one)}
        />
        {OUTCOME_NAMES[one]}
      </label>
    ))}
  </fieldset>
);

/** The end of a call: how it came out, what still hangs loose, and the close. */
export function Ending({
  record,
  call,
  standing,
  account,
}: {
  record: RoundRecord;
  call: NewCall;
  standing: HuntReport['standing'];
  account: string;
}) {
  const navigate = useNavigate();
  const [outcome, setOutcome] = useState<Outcome>(
    () => call.outcome ?? { is: usualOutcome(call, standing), faults: [], note: '', byWhen: null },
  );
  const [missing, setMissing] = useState<Lack | null>(null);
  const loose = stillLoose(record.looseEnds).length;
  const faults = faultsOfCall(call, standing);
  const close = async () => {
    const lacks = lackOf(outcome);
    setMissing(lacks);
    if (lacks) return;
    await keepCall(record.visitId, { ...call, outcome: keptOutcome(outcome, faults) });
    await closeRound(
      record.visitId,
      momentAfter(record.startedAt),
      [account, outcome.note.trim()].filter(Boolean).join('\n'),
    );
    await navigate(`/systems/${record.systemId}`);
  };
  return (
    <section aria-label="End of the call" className="grid max-w-3xl grid-cols-[minmax(0,1fr)] gap-4">
      <Choices is={outcome.is} onChoose={(is) => setOutcome({ ...outcome, is })} />
      {faults.length > 0 && (
        <p>
          <span className="label">Cause: </span>
          <strong>{faults.map((f) => FAULT_NAMES[f]).join(', ')}</strong>
        </p>
      )}
      {outcome.is === 'for-now' && (
        <Field
          label="The rest must follow by"
          type="date"
          value={outcome.byWhen ?? ''}
          onChange={(e) => setOutcome({ ...outcome, byWhen: e.target.value || null })}
        />
      )}
      <TextField
        label="What was done, what must follow, or why not"
        rows={3}
        maxLength={2000}
        value={outcome.note}
        onChange={(e) => setOutcome({ ...outcome, note: e.target.value })}
      />
      <Account text={account} />
      <CloseLooseEnds record={record} />
      {(missing !== null || loose > 0) && (
        <p role="alert" className="font-semibold text-act">
          {missing !== null
            ? LACK_WORDS[missing]
            : `${loose} ${loose === 1 ? 'thing hangs' : 'things hang'} loose: put back, or write why it stays.`}
        </p>
      )}
      <Button
        look="main"
        className="min-h-14 text-[18px] sm:justify-self-start sm:px-8"
        disabled={loose > 0}
        onClick={() => void close()}
      >
        Close the call
      </Button>
    </section>
  );
}
