import {
  dueForCheck,
  inHand,
  INSTRUMENT_KINDS,
  INSTRUMENT_NAMES,
  type MeterInUse,
  type RoundRecord,
  type RoundView,
} from '@yarnix/core';
import { useState } from 'react';
import { v7 } from 'uuid';
import { change } from '../../../field/rounds.ts';
import { Button } from '../../../kit/button.tsx';
import { SelectField } from '../../../kit/field.tsx';
import { dateWords } from '../../../kit/field-words.ts';
import { CheckForm, type CheckMade } from '../../../kit/check-form.tsx';

const MOST_ASKED = 1;

interface AtStart {
  readonly record: RoundRecord;
  readonly view: RoundView;
}

const whoseWords = ({ personId }: MeterInUse, me: string): string =>
  personId === me ? ', own' : personId === null ? ', the firm’s' : ', a colleague’s';

/** Which instruments are in hand, where there is another of the kind to pick in place of one's own. */
function Picks({ record, view: { atHand } }: AtStart) {
  const kinds = INSTRUMENT_KINDS.filter((kind) => atHand.meters.filter((m) => m.kind === kind).length > 1);
  return (
    <div className="grid gap-2 md:grid-cols-2">
      {kinds.map((kind) => {
        const now = inHand(kind, atHand, record.instruments);
        return (
          <SelectField
            key={kind}
            label={INSTRUMENT_NAMES[kind]}
            value={now?.id ?? ''}
            options={[
              ...(now === null ? [['', 'none of one’s own'] as const] : []),
              ...atHand.meters
                .filter((m) => m.kind === kind)
                .map((m) => [m.id, m.name + whoseWords(m, atHand.personId)] as const),
            ]}
            onChange={(e) =>
              void change(record.visitId, (r) => ({ ...r, instruments: { ...r.instruments, [kind]: e.target.value } }))
            }
          />
        );
      })}
    </div>
  );
}

/** Keeps a check with what goes to the server, signal or not. */
function keepCheck(record: RoundRecord, meter: MeterInUse, made: CheckMade): void {
  const id = v7();
  const body = { ...made, takenAt: new Date().toISOString() };
  const path = `/api/meters/${meter.id}/checks/${id}`;
  void change(record.visitId, (r) => ({ ...r, checked: [...r.checked, meter.id] }), [
    { path, body, visitId: record.visitId, id },
  ]);
}

/** At a round's start: the meter whose monthly check is due, and which instruments are in hand. Nothing here has to be done. */
export function MetersAtStart({ record, view }: AtStart) {
  const [open, setOpen] = useState<string | null>(null);
  const [picking, setPicking] = useState(false);
  const { atHand } = view;
  const due = dueForCheck(atHand, Date.parse(record.startedAt)).filter((m) => !record.checked.includes(m.id));
  const canPick = INSTRUMENT_KINDS.some((kind) => atHand.meters.filter((m) => m.kind === kind).length > 1);
  const opened = due.find((m) => m.id === open);
  const done = record.checked.length;
  if (due.length === 0 && !canPick && done === 0) return null;
  return (
    <section aria-label="Meters" className="grid gap-2 py-3">
      {done > 0 && (
        <p role="status" className="font-semibold">
          {done === 1 ? 'One meter checked.' : `${done} meters checked.`}
        </p>
      )}
      {opened ? (
        <>
          <h2 className="text-lg font-bold">Hold the {INSTRUMENT_NAMES[opened.kind]} against something known</h2>
          <CheckForm
            key={opened.id}
            kind={opened.kind}
            last={opened.last ?? undefined}
            onMade={(made) => {
              keepCheck(record, opened, made);
              setOpen(null);
            }}
            onLeave={() => setOpen(null)}
          />
        </>
      ) : (
        due.slice(0, MOST_ASKED).map((m) => (
          <p key={m.id} className="flex flex-wrap items-center gap-x-3">
            <span>
              The {INSTRUMENT_NAMES[m.kind]} was{' '}
              {m.checkedAt === null ? 'never checked.' : `last checked ${dateWords(m.checkedAt)}.`}
            </span>
            <Button look="quiet" className="!px-0" onClick={() => setOpen(m.id)}>
              Check it now
            </Button>
          </p>
        ))
      )}
      {canPick && !picking && (
        <Button look="quiet" className="!justify-start !px-0" onClick={() => setPicking(true)}>
          Another instrument in hand?
        </Button>
      )}
      {picking && <Picks record={record} view={view} />}
    </section>
  );
}
