import { callWords, SYSTEM_KIND_NAMES, type Session, type SystemDetail } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { Download } from 'lucide-react';
import { memo, useMemo } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { useVisits } from '../../field/use-visits.ts';
import { useExpected } from '../../thread/expected-ahead.ts';
import { loomOf, saySummary } from '../../thread/loom.ts';
import { dateWords } from '../../kit/field-words.ts';
import { SystemJobs } from './jobs.tsx';
import { Lives } from './lives.tsx';
import { LoomTable } from './loom-table.tsx';
import { LoomView } from './loom-view.tsx';
import { Photos } from './photos.tsx';
import { SystemPlace } from './place.tsx';
import { PlateList } from './plate-list.tsx';
import { PracticeFaults } from './practice.tsx';
import { RoundButton } from './round-button.tsx';
import { today as dayNow } from '../../kit/local-day.ts';

const quiet = 'grid min-h-12 place-items-center font-semibold text-copper underline-offset-4 hover:underline';

function Visits({ system }: { system: SystemDetail }) {
  const visits = useVisits(system);
  return (
    <>
      <h2 className="text-lg font-bold">Visits</h2>
      <ul>
        {visits.map((v) => (
          <li key={v.id} className="border-t border-rule py-1.5">
            <span className="font-semibold">{dateWords(v.startedAt)}</span>
            <span className="label">
              {' '}
              {v.personName}
              {v.closedAt === null ? ', under way' : ''}
              {v.isCloseOnItsWay ? ', closed here, not sent yet' : ''}
            </span>
            {v.call && <p className="font-semibold">{callWords(v.call)}</p>}
            {v.note && <p>{v.note}</p>}
            {v.closedAt !== null && !v.isCloseOnItsWay && (
              <Link to={`visits/${v.id}/report`} className={`${quiet} !place-items-start`}>
                Report for the owner
              </Link>
            )}
          </li>
        ))}
        {visits.length === 0 && <li className="label">None yet.</li>}
      </ul>
      {system.readings.length > 0 && (
        <a
          href={`/api/readings.csv?systemId=${system.id}`}
          download="readings.csv"
          className={`${quiet} !place-items-start`}
        >
          <span className="inline-flex items-center gap-2">
            <Download aria-hidden size={18} /> Its readings as CSV
          </span>
        </a>
      )}
    </>
  );
}

function Head({ system, summary }: { system: SystemDetail; summary: string }) {
  return (
    <div className="mb-2 flex flex-wrap items-end gap-4">
      <div className="mr-auto">
        <p className="label">
          {system.customerName}
          {system.area ? ` · ${system.area}` : ''} · {SYSTEM_KIND_NAMES[system.kind]}
        </p>
        <h1 className="text-[28px] font-bold">
          {system.address}: {summary}
        </h1>
      </div>
      <RoundButton system={system} />
    </div>
  );
}

/** Its plate, the lives of its parts, photos and visits: below the loom. */
const Papers = memo(function Papers({ system }: { system: SystemDetail }) {
  return (
    <section
      aria-label="Plate, parts and visits"
      className="mt-6 grid gap-x-10 gap-y-6 border-t border-rule-strong bg-raised px-4 py-5 md:grid-cols-2 md:px-5 xl:grid-cols-3"
    >
      <div>
        <div className="flex items-baseline justify-between">
          <h2 className="text-lg font-bold">Plate</h2>
          <Link to="plate" className={quiet}>
            Read better
          </Link>
        </div>
        <PlateList plate={system.plate} />
        <SystemPlace system={system} />
      </div>
      <div>
        <Lives system={system} />
      </div>
      <div>
        <Visits system={system} />
        <Photos system={system} />
        <PracticeFaults />
      </div>
    </section>
  );
});

function Threads({ system, firm }: { system: SystemDetail; firm: Session['firm'] }) {
  const [search, setSearch] = useSearchParams();
  const expected = useExpected(system);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- what is expected of the machine is asked for inside
  const loom = useMemo(() => loomOf(system, firm, dayNow()), [system, firm, expected]);
  const asTable = search.get('as') === 'table';
  return (
    <section className="min-w-0 px-4 pt-5 md:px-5">
      <Head system={system} summary={saySummary(loom)} />
      {asTable ? <LoomTable loom={loom} /> : <LoomView loom={loom} />}
      <button
        type="button"
        aria-pressed={asTable}
        onClick={() => setSearch(asTable ? {} : { as: 'table' }, { replace: true })}
        className={quiet}
      >
        {asTable ? 'As a loom' : 'As a table'}
      </button>
    </section>
  );
}

/** One system: the loom of its threads, then its plate, the lives of its parts, its visits. */
export function SystemScreen() {
  const { systemId = '' } = useParams();
  const system = useQuery(queries.system(systemId));
  const session = useQuery(queries.session());
  if (!system.data || !session.data) {
    const error = system.error ?? session.error;
    const retry = () => void Promise.all([system.refetch(), session.refetch()]);
    return error ? <Failed error={error} what="This system" retry={retry} /> : <Loading what="the system" />;
  }
  return (
    <div className="flex-1">
      <Threads system={system.data} firm={session.data.firm} />
      <SystemJobs system={system.data} firm={session.data.firm} />
      <Papers system={system.data} />
    </div>
  );
}
