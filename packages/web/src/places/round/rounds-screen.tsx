import { SYSTEM_KIND_NAMES, type VisitLine } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { openRounds } from '../../field/rounds.ts';
import { ButtonLink } from '../../kit/button.tsx';
import { dateWords, followUpWords } from '../../kit/field-words.ts';

const Line = ({ visit, to, word }: { visit: VisitLine; to: string; word: string }) => (
  <li className="border-b border-rule">
    <Link
      to={to}
      className="grid min-h-16 items-center gap-x-5 py-2 hover:bg-raised md:grid-cols-[230px_1fr_170px_130px]"
    >
      <span className="text-[17px] font-bold">{visit.address}</span>
      <span className="label">
        {visit.customerName} · {SYSTEM_KIND_NAMES[visit.systemKind]}
      </span>
      <span className="label">
        {dateWords(visit.startedAt)}, {visit.season}
      </span>
      <span className="label">
        {visit.readings} readings · {word}
      </span>
    </Link>
  </li>
);

/** What was put off anywhere and is still to take, the soonest first. */
function PutOffs() {
  const { data } = useQuery(queries.followUps());
  if (!data || data.followUps.length === 0) return null;
  return (
    <>
      <h2 className="mt-8 mb-2 text-xl font-bold">{data.followUps.length} put off, to come back to</h2>
      <ul className="border-t border-rule">
        {data.followUps.map((f) => {
          const { title, why } = followUpWords(f);
          return (
            <li key={f.id} className="border-b border-rule">
              <Link
                to={`/systems/${f.systemId}`}
                className="grid min-h-12 items-center gap-x-5 py-2 hover:bg-raised md:grid-cols-[230px_1fr_170px_130px]"
              >
                <span className="font-bold">{f.address}</span>
                <span>{title}</span>
                <span className="label">{why}</span>
                <span className="label">due {f.dueOn}</span>
              </Link>
            </li>
          );
        })}
      </ul>
    </>
  );
}

/** Rounds: those under way, here or on another device, and the latest closed ones. */
export function RoundsScreen() {
  const visits = useQuery(queries.visits());
  const local = useQuery({ queryKey: ['open-rounds'], queryFn: openRounds, staleTime: 0 });
  if (!visits.data) {
    return visits.error ? (
      <Failed error={visits.error} what="The rounds" retry={() => void visits.refetch()} />
    ) : (
      <Loading what="the rounds" />
    );
  }
  const known = new Set([...visits.data.open, ...visits.data.closed].map((v) => v.id));
  const unsent = (local.data ?? []).filter((r) => !known.has(r.visitId));
  return (
    <div className="px-4 py-5 md:px-5">
      <h1 className="text-[28px] font-bold">
        {visits.data.open.length + unsent.length === 0
          ? 'No round is under way'
          : `${visits.data.open.length + unsent.length} under way`}
      </h1>
      <ul className="mt-3 border-t border-rule">
        {unsent.map((r) => (
          <li key={r.visitId} className="border-b border-rule">
            <Link
              to={
                r.call
                  ? `/systems/${r.systemId}/calls/${r.visitId}`
                  : `/systems/${r.systemId}/rounds/${r.visitId}/arrive`
              }
              className="grid min-h-16 items-center py-2 font-bold"
            >
              Started {dateWords(r.startedAt)}, kept on this device
            </Link>
          </li>
        ))}
        {visits.data.open.map((v) => (
          <Line
            key={v.id}
            visit={v}
            to={v.call ? `/systems/${v.systemId}/calls/${v.id}` : `/systems/${v.systemId}/rounds/${v.id}/arrive`}
            word={v.call ? 'a call, go on' : 'go on'}
          />
        ))}
      </ul>
      <p className="mt-4">
        <ButtonLink look="main" to="/day" className="mr-2 mb-2">
          My day
        </ButtonLink>
        <ButtonLink to="/systems">Choose a system for a new round</ButtonLink>
      </p>
      <PutOffs />
      <h2 className="mt-8 mb-2 text-xl font-bold">Latest closed</h2>
      <ul className="border-t border-rule">
        {visits.data.closed.map((v) => (
          <Line key={v.id} visit={v} to={`/systems/${v.systemId}`} word={v.personName.split(' ')[0] ?? ''} />
        ))}
      </ul>
    </div>
  );
}
