import { dayOf, isoOf, sayNumber, sayQuantity, sayReason, SLOT_NAMES, titleOf, type ReadingView } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { Mark, StandingWord } from '../../kit/mark.tsx';
import { ThreadChart } from '../../thread/thread-chart.tsx';
import { threadData, type ThreadData } from '../../thread/thread-data.ts';
import { dateWords } from '../round/field-words.ts';

const BASES = {
  plate: 'Plate',
  baseline: 'Own baseline',
  trend: 'Trend',
  finding: 'Finding',
  'cross-check': 'Cross-check',
  together: 'Read together',
} as const;

const Reasons = ({ data }: { data: ThreadData }) => (
  <dl className="grid content-start">
    {data.state?.reasons.map((r) => (
      <div key={r.basis + r.because.code} className="border-t border-rule py-2.5">
        <dt className="label flex items-center gap-2">
          <Mark standing={r.standing} width={22} /> {BASES[r.basis]}
        </dt>
        <dd className="text-[16px]">{sayReason(r.because)}</dd>
      </div>
    ))}
    <div className="border-t border-rule py-2.5">
      <dt className="label">What moves it besides wear</dt>
      <dd className="text-soft">{data.kind.movedBy.join('; ')}</dd>
    </div>
  </dl>
);

function crossingWords(data: ThreadData): string | null {
  const crossing = data.state?.numeric?.outlook?.crossing;
  if (!crossing || (crossing.earliest === null && crossing.likely === null)) return null;
  const last = data.inline?.points.at(-1)?.day ?? 0;
  if (crossing.likely !== null && crossing.likely <= last) return 'By its own line it is past its limit already.';
  const say = (day: number | null) => (day === null ? 'later than 12 years' : dateWords(isoOf(day)));
  return `Crosses its limit about ${say(crossing.likely)}, at the earliest ${say(crossing.earliest)} (1 in 10), by ${say(crossing.latest)} (9 in 10).`;
}

const enteredAs = (reading: ReadingView): string =>
  Object.entries(reading.inputs)
    .map(([id, value]) => `${id} ${value}`)
    .join(', ');

function ReadingTable({ data }: { data: ThreadData }) {
  const cell = 'py-2 pr-4 align-baseline';
  const ahead = data.inline?.ahead;
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Readings as a table">
      <table className="w-full text-left whitespace-nowrap">
        <thead className="label border-b border-rule-strong">
          <tr>
            {['Day', data.kind.unit, 'Method', 'Entered', 'Outdoor', 'Line', 'By', ''].map((h) => (
              <th key={h} scope="col" className="py-2 pr-4 font-[560]">
                {h === '' ? <span className="sr-only">Remarks</span> : h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ahead && (
            <tr className="border-b border-dotted border-rule-strong text-soft italic">
              <td className={cell}>{dateWords(isoOf(ahead.day))}</td>
              <td className={cell}>
                {sayNumber(ahead.expected, data.kind.unit)} ({sayNumber(ahead.low80, data.kind.unit)} to{' '}
                {sayNumber(ahead.high80, data.kind.unit)})
              </td>
              <td className={cell} colSpan={6}>
                forecast for the next round, 80 % range
              </td>
            </tr>
          )}
          {[...data.readings].reverse().map((r) => (
            <tr key={r.id} className={`border-b border-rule ${r.superseded ? 'text-soft line-through' : ''}`}>
              <td className={cell}>{dateWords(r.takenAt)}</td>
              <td className={`${cell} figure-type text-[17px]`}>
                {r.value === null ? r.finding : sayNumber(r.value, data.kind.unit)}
              </td>
              <td className={cell}>{data.kind.methods.find((m) => m.id === r.method)?.title}</td>
              <td className={cell}>{enteredAs(r)}</td>
              <td className={cell}>{r.conditions.outdoorF === undefined ? '' : `${r.conditions.outdoorF} °F`}</td>
              <td className={cell}>{r.conditions.lineVolts === undefined ? '' : `${r.conditions.lineVolts} V`}</td>
              <td className={cell}>{r.personInitials}</td>
              <td className={cell}>{r.superseded ? 'corrected' : r.confirmed ? 'confirmed' : (r.note ?? '')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** One thread: the verdict and its reasons, the chart, and the numbers as a table. */
export function ThreadScreen() {
  const { systemId = '', componentId = '', kind = '', point = '' } = useParams();
  const system = useQuery(queries.system(systemId));
  const session = useQuery(queries.session());
  if (!system.data || !session.data) {
    const error = system.error ?? session.error;
    return error ? (
      <Failed error={error} what="This thread" retry={() => void system.refetch()} />
    ) : (
      <Loading what="the thread" />
    );
  }
  const data = threadData(
    system.data,
    { componentId, kind, point },
    session.data.firm,
    dayOf(new Date().toISOString()),
  );
  if (!data) return <p className="p-5 text-[17px]">There is no such thread on this system.</p>;
  const crossing = crossingWords(data);
  const hasChart = (data.inline?.points.length ?? 0) > 0;
  return (
    <div className="px-4 py-5 md:px-5">
      <nav aria-label="Where this is" className="label">
        <Link to="/systems" className="underline underline-offset-4">
          Systems
        </Link>{' '}
        ·{' '}
        <Link to={`/systems/${systemId}`} className="underline underline-offset-4">
          {system.data.address}
        </Link>{' '}
        · {SLOT_NAMES[data.part.slot]}
      </nav>
      <div className="mt-1 mb-4 flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h1 className="text-[28px] font-bold">{titleOf(data.kind, data.point)}</h1>
        {data.state?.lastValue !== null && data.state !== null && (
          <span className="figure-type text-[34px] leading-none">
            {sayQuantity(data.state.lastValue, data.kind.unit)}
          </span>
        )}
        {data.state && <StandingWord standing={data.state.standing} width={36} className="text-[20px]" />}
        <span className="label">
          {data.part.plate.rating ?? ''} {data.part.fittedOn ? `fitted ${dateWords(data.part.fittedOn)}` : ''}
          {data.part.removedOn ? `, out ${dateWords(data.part.removedOn)}` : ''}
        </span>
      </div>
      <div className="grid gap-x-8 gap-y-5 lg:grid-cols-[1fr_330px]">
        <div className="min-w-0">
          {hasChart && <ThreadChart data={data} />}
          {crossing && <p className="mt-2 font-semibold">{crossing}</p>}
          {!data.state && <p>No readings yet.</p>}
        </div>
        <Reasons data={data} />
      </div>
      <h2 className="mt-6 mb-1 text-lg font-bold">Readings</h2>
      <ReadingTable data={data} />
    </div>
  );
}
