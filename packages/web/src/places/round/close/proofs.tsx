import {
  PROOF_WORDS,
  sayProved,
  sayUnproved,
  titleOn,
  unproved,
  type Proof,
  type ProvedReading,
  type RoundRecord,
  type RoundView,
} from '@yarnix/core';
import { Link } from 'react-router';
import { roundBase } from '../../../field/round-base.ts';
import { change } from '../../../field/rounds.ts';
import { Field } from '../../../kit/field.tsx';
import { StandingWord } from '../../../kit/mark.tsx';

/** Where a reading is taken again: its stop, and its place there. */
function placeOf(view: RoundView, { kind, point, component }: ProvedReading): string | null {
  for (const stop of view.stops) {
    const at = stop.fields.findIndex(
      (f) => f.planned.kind === kind && f.planned.point === point && f.planned.component.id === component.id,
    );
    if (at >= 0) return `${stop.id}?at=${at + 1}`;
  }
  return null;
}

function OneReading({ read, view, record }: { read: ProvedReading; view: RoundView; record: RoundRecord }) {
  const { kind, point, component, after } = read;
  const place = placeOf(view, read);
  return (
    <li className="grid gap-x-4 gap-y-1 border-b border-rule py-2.5 md:grid-cols-[230px_1fr_auto] md:items-center">
      <span className="font-semibold">{titleOn(kind, point, component)}</span>
      <span>{sayProved(read)}</span>
      {after ? (
        <StandingWord standing={after.standing} width={26} />
      ) : (
        place && (
          <Link
            to={`${roundBase(record)}/${place}`}
            className="grid min-h-12 place-items-center font-semibold underline underline-offset-4"
          >
            Read it again
          </Link>
        )
      )}
    </li>
  );
}

/** Each repair of this round that something was wrong before: what was read before and after, and what that proves. */
export function CloseProofs({
  proofs,
  record,
  view,
}: {
  proofs: readonly Proof[];
  record: RoundRecord;
  view: RoundView;
}) {
  if (proofs.length === 0) return null;
  const owed = unproved(proofs, record.unproved).length;
  const write = (id: string, why: string) =>
    void change(record.visitId, (r) => ({ ...r, unproved: { ...r.unproved, [id]: why } }));
  return (
    <section aria-labelledby="proofs" className={owed > 0 ? 'border-l-[3px] border-copper pl-4' : ''}>
      <h2 id="proofs" className="text-lg font-bold">
        {owed > 0 ? `${owed} ${owed === 1 ? 'repair' : 'repairs'} still to be proved` : 'Repaired, and read again'}
      </h2>
      {owed > 0 && <p className="label">Panels on, power on, the call made, its time waited: then read it again.</p>}
      {proofs.map(({ repair, verdict, readings }) => (
        <div key={repair.id} className="mt-2">
          <p className="font-bold">
            {repair.title}:{' '}
            <span className={verdict === 'owed' ? 'text-act' : ''}>{PROOF_WORDS[verdict].toLowerCase()}</span>
          </p>
          <ul className="border-t border-rule">
            {readings.map((read) => (
              <OneReading
                key={`${read.component.id}${read.kind.id}${read.point}`}
                read={read}
                view={view}
                record={record}
              />
            ))}
          </ul>
          {verdict === 'owed' && (
            <Field
              label={`${repair.title}: left unproved, because`}
              className="mt-2"
              value={record.unproved[repair.id] ?? ''}
              maxLength={200}
              onChange={(e) => write(repair.id, e.target.value)}
            />
          )}
        </div>
      ))}
    </section>
  );
}

/** What is kept with the close of repairs that were left unproved. */
export const unprovedWords = (proofs: readonly Proof[], reasons: RoundRecord['unproved']): string =>
  proofs
    .filter(({ verdict }) => verdict === 'owed')
    .map(({ repair }) => sayUnproved(repair.title, reasons[repair.id] ?? ''))
    .join(' ');
