import {
  isoOf,
  proofsAlong,
  sayValue,
  SLOT_NAMES,
  threadKey,
  titleOf,
  type Session,
  type SystemDetail,
} from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { ImageDown } from 'lucide-react';
import { useRef } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { queries } from '../../app/queries.ts';
import { useExpected } from '../../thread/expected-ahead.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { Button } from '../../kit/button.tsx';
import { StandingWord } from '../../kit/mark.tsx';
import { askedOf, otherThreads } from '../../thread/other-threads.ts';
import { saveChartsAsPng } from '../../thread/save-png.ts';
import { ThreadChart } from '../../thread/thread-chart.tsx';
import { chartPoints, threadData, type ChartView, type ThreadData } from '../../thread/thread-data.ts';
import { dateWords } from '../../kit/field-words.ts';
import { BesidePicker } from './beside.tsx';
import { Decide } from './decide.tsx';
import { ReadingTable } from './reading-table.tsx';
import { ThreadReasons } from './thread-reasons.tsx';
import { today as dayNow } from '../../kit/local-day.ts';

function crossingWords(data: ThreadData): string | null {
  const crossing = data.state?.numeric?.outlook?.crossing;
  if (!crossing || (crossing.earliest === null && crossing.likely === null)) return null;
  const last = data.inline?.points.at(-1)?.day ?? 0;
  if (crossing.likely !== null && crossing.likely <= last) return 'By its own line it is past its limit already.';
  const say = (day: number | null) => (day === null ? 'later than 12 years' : dateWords(isoOf(day)));
  return `Crosses its limit about ${say(crossing.likely)}, at the earliest ${say(crossing.earliest)} (1 in 10), by ${say(crossing.latest)} (9 in 10).`;
}

const titleIn = (data: ThreadData): string => `${SLOT_NAMES[data.part.slot]}: ${titleOf(data.kind, data.point)}`;

/** The days that all the charts show. */
function spanOf(all: readonly ThreadData[]): { from: number; to: number } | undefined {
  const days = all.flatMap((data) => [
    ...chartPoints(data, 'read').map((p) => p.day),
    ...data.before.flatMap((life) => life.points.map((p) => p.day)),
    ...(data.inline?.ahead ? [data.inline.ahead.day] : []),
  ]);
  return all.length > 1 && days.length > 0 ? { from: Math.min(...days) - 20, to: Math.max(...days) + 20 } : undefined;
}

function ViewSwitch({ view, onChange }: { view: ChartView; onChange: (view: ChartView) => void }) {
  const names = { compared: 'Like for like', read: 'As read' } as const;
  return (
    <div role="group" aria-label="Values" className="flex">
      {(['compared', 'read'] as const).map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={view === one}
          onClick={() => onChange(one)}
          className="min-h-12 border-b-[3px] border-transparent px-3 font-semibold text-soft aria-pressed:border-copper aria-pressed:text-ink"
        >
          {names[one]}
        </button>
      ))}
    </div>
  );
}

function Charts({ data, system, firm }: { data: ThreadData; system: SystemDetail; firm: Session['firm'] }) {
  const [search, setSearch] = useSearchParams();
  const charts = useRef<HTMLDivElement>(null);
  const today = dayNow();
  const own = threadKey({ componentId: data.part.id, kind: data.kind.id, point: data.point });
  const view: ChartView = search.get('values') === 'read' ? 'read' : 'compared';
  const chosen = search.get('with')?.split(',').filter(Boolean) ?? [];
  const beside = chosen.flatMap((key) => {
    const asked = askedOf(key);
    const other = asked && threadData(system, asked, firm, today);
    return other ? [other] : [];
  });
  const span = spanOf([data, ...beside]);
  const set = (name: string, value: string | null) => {
    const next = new URLSearchParams(search);
    if (value) next.set(name, value);
    else next.delete(name);
    setSearch(next, { replace: true });
  };
  return (
    <>
      <div className="mb-1 flex flex-wrap items-center gap-2">
        {data.common !== null && <ViewSwitch view={view} onChange={(v) => set('values', v === 'read' ? v : null)} />}
        {data.common !== null && view === 'compared' && <span className="label">as with {data.common}</span>}
        <span className="ml-auto flex flex-wrap gap-2">
          <BesidePicker
            others={otherThreads(system, firm, today).filter((t) => t.key !== own)}
            chosen={chosen}
            onChange={(keys) => set('with', keys.join(','))}
          />
          <Button
            onClick={() => charts.current && void saveChartsAsPng(charts.current, `${system.address} ${titleIn(data)}`)}
          >
            <ImageDown aria-hidden size={19} /> PNG
          </Button>
        </span>
      </div>
      <div ref={charts}>
        <ThreadChart data={data} title={titleIn(data)} view={view} span={span} />
        {beside.map((other) => (
          <section key={`${other.part.id}${other.kind.id}${other.point}`} className="mt-3 border-t border-rule pt-2">
            <h2 className="flex flex-wrap items-baseline gap-x-4 font-bold">
              {titleIn(other)}
              {other.state && <StandingWord standing={other.state.standing} width={24} />}
            </h2>
            <ThreadChart data={other} title={titleIn(other)} view={view} span={span} low />
          </section>
        ))}
      </div>
    </>
  );
}

function Head({ data, system }: { data: ThreadData; system: SystemDetail }) {
  return (
    <>
      <nav aria-label="Where this is" className="label">
        <Link to="/watch" className="underline underline-offset-4">
          Watch
        </Link>{' '}
        ·{' '}
        <Link to={`/systems/${system.id}`} className="underline underline-offset-4">
          {system.address}
        </Link>{' '}
        · {SLOT_NAMES[data.part.slot]}
      </nav>
      <div className="mt-1 mb-3 flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h1 className="text-[28px] font-bold">{titleOf(data.kind, data.point)}</h1>
        {data.state?.lastValue !== null && data.state !== null && (
          <span className="figure-type text-[34px] leading-none">{sayValue(data.kind, data.state.lastValue)}</span>
        )}
        {data.state && <StandingWord standing={data.state.standing} width={36} className="text-[20px]" />}
        <span className="label">
          {data.part.plate.rating ?? ''} {data.part.fittedOn ? `fitted ${dateWords(data.part.fittedOn)}` : ''}
          {data.part.removedOn ? `, out ${dateWords(data.part.removedOn)}` : ''}
        </span>
      </div>
    </>
  );
}

/** One thread: the verdict and its reasons, the chart with others beside it, and the numbers as a table. */
export function ThreadScreen() {
  const { systemId = '', componentId = '', kind = '', point = '' } = useParams();
  const system = useQuery(queries.system(systemId));
  const session = useQuery(queries.session());
  // What is drawn below is worked out anew once more is known of the machine.
  useExpected(system.data);
  if (!system.data || !session.data) {
    const error = system.error ?? session.error;
    return error ? (
      <Failed error={error} what="This thread" retry={() => void Promise.all([system.refetch(), session.refetch()])} />
    ) : (
      <Loading what="the thread" />
    );
  }
  const { firm } = session.data;
  const data = threadData(system.data, { componentId, kind, point }, firm, dayNow());
  if (!data) return <p className="p-5 text-[17px]">There is no such thread on this system.</p>;
  const { policy, prior } = firm;
  const place = { slot: data.part.slot, kind: data.kind.id, point: data.point };
  const steps = proofsAlong(system.data, place, { policy, prior: prior ?? undefined, now: new Date().toISOString() });
  const crossing = crossingWords(data);
  const hasChart = (data.inline?.points.length ?? 0) > 0;
  return (
    <div className="px-4 py-5 md:px-5">
      <Head data={data} system={system.data} />
      <div className="grid gap-x-8 gap-y-5 lg:grid-cols-[1fr_330px]">
        <div className="min-w-0">
          {hasChart && <Charts data={data} system={system.data} firm={firm} />}
          {crossing && <p className="mt-2 font-semibold">{crossing}</p>}
          {!data.state && <p>No readings yet.</p>}
        </div>
        <div>
          <ThreadReasons data={data} steps={steps} />
          {data.part.removedOn === null && <Decide data={data} systemId={systemId} policy={firm.policy} />}
        </div>
      </div>
      <h2 className="mt-6 mb-1 text-lg font-bold">Readings</h2>
      <ReadingTable data={data} steps={steps} photos={system.data.photos} />
    </div>
  );
}
