import {
  complaintWords,
  FAULT_NAMES,
  outcomeWords,
  SYSTEM_KIND_NAMES,
  type CircuitFaultId,
  type VisitLine,
} from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { ButtonLink } from '../../kit/button.tsx';
import { dateWords } from '../../kit/field-words.ts';

function Line({ visit, to }: { visit: VisitLine; to: string }) {
  const { call } = visit;
  return (
    <li className="border-b border-rule">
      <Link
        to={to}
        className="grid min-h-16 items-center gap-x-5 py-2 hover:bg-raised md:grid-cols-[230px_1fr_1fr_130px]"
      >
        <span className="text-[17px] font-bold">{visit.address}</span>
        <span>
          {call && complaintWords(call)} <span className="label">{SYSTEM_KIND_NAMES[visit.systemKind]}</span>
        </span>
        <span className="font-semibold">{call?.outcome ? outcomeWords(call.outcome) : 'The hunt goes on'}</span>
        <span className="label">{dateWords(visit.startedAt)}</span>
      </Link>
    </li>
  );
}

/** What this firm has proved most often: it leans the chances of the next hunt. */
function Proved() {
  const { data } = useQuery(queries.causes());
  if (!data || data.proved.length === 0) return null;
  return (
    <p className="label mt-4 max-w-3xl">
      Proved here so far:{' '}
      {data.proved
        .slice(0, 5)
        .map(({ fault, count }) => `${FAULT_NAMES[fault as CircuitFaultId] ?? fault} ${count}×`)
        .join(', ')}
      . What a firm proves leans the chances of its next hunts.
    </p>
  );
}

/** Find: calls under way, a new one, and how the latest ended. */
export function FindScreen() {
  const visits = useQuery(queries.visits());
  if (!visits.data)
    return visits.error ? (
      <Failed error={visits.error} what="The calls" retry={() => void visits.refetch()} />
    ) : (
      <Loading what="the calls" />
    );
  const open = visits.data.open.filter((v) => v.call);
  const closed = visits.data.closed.filter((v) => v.call);
  return (
    <div className="px-4 py-5 md:px-5">
      <h1 className="text-[28px] font-bold">
        {open.length === 0 ? 'No call is under way' : `${open.length} under way`}
      </h1>
      <p className="label">From a complaint to a proved cause by the fewest, safest tests.</p>
      <ul className="mt-3 border-t border-rule">
        {open.map((v) => (
          <Line key={v.id} visit={v} to={`/systems/${v.systemId}/calls/${v.id}`} />
        ))}
      </ul>
      <p className="mt-4">
        <ButtonLink look="main" to="/systems?for=find" className="min-h-14 px-7 text-[18px]">
          Choose the system of a new call
        </ButtonLink>
      </p>
      {closed.length > 0 && (
        <>
          <h2 className="mt-8 mb-2 text-xl font-bold">Latest closed</h2>
          <ul className="border-t border-rule">
            {closed.map((v) => (
              <Line key={v.id} visit={v} to={`/systems/${v.systemId}`} />
            ))}
          </ul>
        </>
      )}
      <Proved />
    </div>
  );
}
