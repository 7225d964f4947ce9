import {
  LIKELY_TO_FAIL,
  POINT_NAMES,
  readingKind,
  SLOT_NAMES,
  STANDING_NAMES,
  type Because,
  type Point,
  type Standing,
  type WatchPage,
  type WatchRow,
} from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { ToggleGroup } from 'radix-ui';
import { Link, useSearchParams } from 'react-router';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { useWide } from '../../app/use-media.ts';
import { Button } from '../../kit/button.tsx';
import { Mark, StandingWord } from '../../kit/mark.tsx';
import { ReasonLine } from '../../kit/reason-line.tsx';
import { InlineThread } from '../../thread/inline-thread.tsx';

const PAGE = 50;
const OFFERED: readonly Standing[] = ['stop', 'act', 'watch', 'unproven'];

const threadPath = (row: WatchRow): string =>
  `/systems/${row.systemId}/threads/${row.componentId}/${row.kind}/${row.point}`;

/** What the row is about: "Run capacitor, HERM", "Compressor, common". */
function partName(row: WatchRow): string {
  const point = POINT_NAMES[row.point as Point];
  return point && row.point !== 'can' && row.point !== 'single'
    ? `${SLOT_NAMES[row.slot]}, ${point}`
    : SLOT_NAMES[row.slot];
}

function Row({ row }: { row: WatchRow }) {
  const wide = useWide();
  const unit = readingKind(row.kind)?.unit ?? 'A';
  const reasons = [row.because, ...row.also.slice(0, 1)] as Because[];
  return (
    <li className="border-b border-rule">
      <Link
        to={threadPath(row)}
        className="grid gap-x-5 gap-y-1 py-3 hover:bg-raised md:grid-cols-[210px_250px_1fr] md:items-center"
      >
        <div>
          <div className="flex items-baseline justify-between gap-3 md:block">
            <h2 className="text-[17px] font-bold">{partName(row)}</h2>
            <span className="md:hidden">
              <StandingWord standing={row.standing} width={26} />
            </span>
          </div>
          <p className="font-semibold">{row.address}</p>
          <p className="label text-[15px]">
            {row.customerName}
            {row.area ? `, ${row.area}` : ''}
          </p>
        </div>
        {row.thread.points.length > 0 ? (
          <InlineThread
            data={row.thread}
            standing={row.standing}
            unit={unit}
            width={wide ? 250 : 358}
            height={wide ? 62 : 54}
          />
        ) : (
          <span aria-hidden className="grid h-9 place-items-center md:h-[62px]">
            <Mark standing={row.standing} width={64} />
          </span>
        )}
        <div className="text-[15px]">
          <span className="max-md:hidden">
            <StandingWord standing={row.standing} width={28} />
          </span>
          {reasons.map((because) => (
            <ReasonLine key={because.code} because={because} />
          ))}
        </div>
      </Link>
    </li>
  );
}

function Filters({ page }: { page: WatchPage }) {
  const [search, setSearch] = useSearchParams();
  const chosen = search.get('standing')?.split(',') ?? [...LIKELY_TO_FAIL];
  const set = (name: string, value: string | null) => {
    const next = new URLSearchParams(search);
    if (value === null || value === '') next.delete(name);
    else next.set(name, value);
    next.delete('page');
    setSearch(next, { replace: true });
  };
  return (
    <div className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-rule-strong pb-2">
      <ToggleGroup.Root
        type="multiple"
        aria-label="Standing"
        value={chosen}
        onValueChange={(next) =>
          next.length > 0 &&
          set('standing', [...next].sort().join(',') === [...LIKELY_TO_FAIL].sort().join(',') ? null : next.join(','))
        }
        className="flex flex-wrap gap-1"
      >
        {OFFERED.map((standing) => (
          <ToggleGroup.Item
            key={standing}
            value={standing}
            className="flex min-h-12 items-center gap-1.5 border-b-[3px] border-transparent px-1 font-semibold text-soft max-md:text-[15px] max-md:[font-stretch:84%] data-[state=on]:border-copper data-[state=on]:text-ink"
          >
            <Mark standing={standing} width={22} /> {STANDING_NAMES[standing]}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <label className="flex items-center gap-2">
        <span className="label">Area</span>
        <select
          value={search.get('area') ?? ''}
          onChange={(e) => set('area', e.target.value)}
          className="h-12 border-b-[3px] border-copper bg-transparent font-semibold"
        >
          <option value="">all</option>
          {page.areas.map((area) => (
            <option key={area}>{area}</option>
          ))}
        </select>
      </label>
    </div>
  );
}

const Load = ({ load }: { load: WatchPage['load'] }) => (
  <aside
    aria-labelledby="load"
    className="border-t border-rule-strong bg-raised px-4 py-5 md:border-t-0 md:border-l md:px-5"
  >
    <h2 id="load" className="text-lg font-bold">
      Load the van
    </h2>
    <p className="label mb-3">Capacitors for the parts listed; same µF, same volts or higher.</p>
    {load.length === 0 && <p>Nothing to load.</p>}
    <ul>
      {load.map((line) => (
        <li key={line.part} className="grid grid-cols-[38px_1fr] items-baseline border-t border-rule py-2">
          <span className="figure-type text-[24px]">{line.count}</span>
          <div>
            <p className="font-bold">{line.part}</p>
            <p className="label text-[14px]">
              {line.addresses.join(', ')}
              {line.count > line.addresses.length ? ` and ${line.count - line.addresses.length} more` : ''}
            </p>
          </div>
        </li>
      ))}
    </ul>
  </aside>
);

/** The Watch: which parts may not see their next round, why, and what to load. */
export function WatchScreen() {
  const [search, setSearch] = useSearchParams();
  const at = Math.max(0, Number(search.get('page') ?? 0) || 0);
  const asked = new URLSearchParams({ limit: String(PAGE), offset: String(at * PAGE) });
  for (const name of ['standing', 'area']) if (search.has(name)) asked.set(name, search.get(name) ?? '');
  const watch = useQuery(queries.watch(asked.toString()));
  if (!watch.data) {
    return watch.error ? (
      <Failed error={watch.error} what="The Watch" retry={() => void watch.refetch()} />
    ) : (
      <Loading what="the Watch" />
    );
  }
  const page = watch.data;
  const turn = (to: number) => {
    const next = new URLSearchParams(search);
    next.set('page', String(to));
    setSearch(next);
  };
  return (
    <div className="grid flex-1 content-start md:grid-cols-[1fr_290px] md:content-stretch">
      <section className="min-w-0 px-4 pt-5 md:px-5">
        <h1 className="text-[28px] font-bold">
          <span className="figure-type">{page.matching}</span> of {page.components} parts may not see their next round
        </h1>
        <p className="text-soft">The most urgent first: the chance of failing, times what it would cost.</p>
        <Filters page={page} />
        {page.rows.length === 0 ? (
          <p className="py-10 text-[17px]">
            Nothing stands so. Every part that was measured is expected to see its next round.
          </p>
        ) : (
          <ol>
            {page.rows.map((row) => (
              <Row key={row.componentId} row={row} />
            ))}
          </ol>
        )}
        {(at > 0 || (at + 1) * PAGE < page.matching) && (
          <div className="flex items-center gap-4 py-4">
            <Button disabled={at === 0} onClick={() => turn(at - 1)}>
              More urgent
            </Button>
            <span className="label">
              {at * PAGE + 1} to {Math.min((at + 1) * PAGE, page.matching)}
            </span>
            <Button disabled={(at + 1) * PAGE >= page.matching} onClick={() => turn(at + 1)}>
              Less urgent
            </Button>
          </div>
        )}
      </section>
      <Load load={page.load} />
    </div>
  );
}
