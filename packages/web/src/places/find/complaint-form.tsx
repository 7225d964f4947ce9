import {
  COMPLAINT_NAMES,
  complaintsOn,
  machineSpecOf,
  newCall,
  outdoorOf,
  sayOutdoorProblem,
  SINCE,
  SINCE_NAMES,
  type Complaint,
  type NewCall,
  type SystemDetail,
} from '@yarnix/core';
import { useMemo, useState } from 'react';
import { useKeptDraft } from '../../kit/kept-draft.ts';
import { Button } from '../../kit/button.tsx';
import { Field, SelectField, TextField } from '../../kit/field.tsx';

const Chips = ({
  possible,
  chosen,
  onToggle,
}: {
  possible: readonly Complaint[];
  chosen: readonly Complaint[];
  onToggle: (complaint: Complaint) => void;
}) => (
  <div role="group" aria-label="Complaint" className="grid gap-1.5 sm:grid-cols-2">
    {possible.map((complaint) => (
      <button
        key={complaint}
        type="button"
        aria-pressed={chosen.includes(complaint)}
        onClick={() => onToggle(complaint)}
        className="flex min-h-13 items-center rounded-[4px] border-[1.5px] border-rule-strong bg-raised px-4 text-left text-[17px] font-semibold aria-pressed:border-copper aria-pressed:bg-wash aria-pressed:shadow-[inset_4px_0_0_var(--copper)]"
      >
        {COMPLAINT_NAMES[complaint]}
      </button>
    ))}
  </div>
);

const Tick = ({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}) => (
  <label className="flex min-h-12 items-center gap-3 font-semibold">
    <input
      type="checkbox"
      className="size-6 accent-(--copper)"
      checked={checked}
      onChange={(e) => onChange(e.target.checked)}
    />
    {label}
  </label>
);

/** What else the owner can say of it, and the weather. */
function Circumstances({
  call,
  onCall,
  outdoorText,
  problem,
  onOutdoorText,
}: {
  call: NewCall;
  onCall: (call: NewCall) => void;
  outdoorText: string;
  problem: ReturnType<typeof outdoorOf>['problem'];
  onOutdoorText: (text: string) => void;
}) {
  return (
    <>
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField
          label="Since when"
          value={call.since}
          options={SINCE.map((s) => [s, SINCE_NAMES[s]] as const)}
          onChange={(e) => onCall({ ...call, since: SINCE.find((s) => s === e.target.value) ?? 'unknown' })}
        />
        <div className="grid content-end">
          <Tick label="It comes and goes" checked={call.atTimes} onChange={(atTimes) => onCall({ ...call, atTimes })} />
          <Tick
            label="Called back on earlier work"
            checked={call.kind === 'return'}
            onChange={(again) => onCall({ ...call, kind: again ? 'return' : 'call' })}
          />
        </div>
      </div>
      <Field
        className="max-w-64"
        label="Outdoor air"
        unit="°F"
        inputMode="decimal"
        autoComplete="off"
        value={outdoorText}
        error={problem ? sayOutdoorProblem(problem) : undefined}
        hint="What the weather keeps from telling anything is not asked for."
        onChange={(e) => onOutdoorText(e.target.value)}
      />
      <TextField
        label="In the owner’s words: rooms, noises, smells, what was done lately"
        rows={2}
        maxLength={600}
        value={call.said}
        onChange={(e) => onCall({ ...call, said: e.target.value })}
      />
    </>
  );
}

/** What the call is about, in a few taps: what the owner sees, since when, and the rest in words. */
export function ComplaintForm({
  system,
  before,
  outdoorBefore,
  onBegin,
}: {
  system: SystemDetail;
  before: NewCall | null;
  /** Outdoor air as it was typed before. */
  outdoorBefore: string;
  onBegin: (call: NewCall, outdoorText: string) => void;
}) {
  const [draft, setDraft, forget] = useKeptDraft(before ? null : `yarnix-complaint/${system.id}`, () => ({
    call: before ?? newCall([]),
    outdoorText: outdoorBefore,
  }));
  const { call, outdoorText } = draft;
  const setCall = (next: NewCall) => setDraft({ ...draft, call: next });
  const possible = useMemo(() => complaintsOn(machineSpecOf(system.kind, system.plate)), [system]);
  const [missing, setMissing] = useState(false);
  const { problem } = outdoorOf(outdoorText);
  const toggle = (complaint: Complaint) => {
    const has = call.complaints.includes(complaint);
    const complaints = has ? call.complaints.filter((c) => c !== complaint) : [...call.complaints, complaint].slice(-3);
    setMissing(false);
    setCall({ ...call, complaints });
  };
  return (
    <form
      className="grid max-w-3xl gap-5 px-4 py-5 md:px-5"
      onSubmit={(event) => {
        event.preventDefault();
        if (call.complaints.length === 0) setMissing(true);
        else if (!problem) {
          onBegin({ ...call, said: call.said.trim() }, outdoorText);
          forget();
        }
      }}
    >
      <div>
        <p className="label">{system.address}</p>
        <h1 className="text-[28px] font-bold">What is it about?</h1>
        <p className="label">As the owner tells it, up to three. It may be wrong: the measurements decide.</p>
      </div>
      <Chips possible={possible} chosen={call.complaints} onToggle={toggle} />
      {missing && (
        <p role="alert" className="font-semibold text-act">
          Choose what it is about first.
        </p>
      )}
      <Circumstances
        call={call}
        onCall={setCall}
        outdoorText={outdoorText}
        problem={problem}
        onOutdoorText={(text) => setDraft({ ...draft, outdoorText: text })}
      />
      <Button look="main" type="submit" className="min-h-16 text-[20px] sm:justify-self-start sm:px-8">
        Find the cause
      </Button>
    </form>
  );
}
