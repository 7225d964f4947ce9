import type { WatchPage, WatchRow } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { startTransition, useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { busyWith } from '../../app/busy.ts';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { Button } from '../../kit/button.tsx';
import { FleetLearned } from './fleet-learned.tsx';
import { MetersOff } from './meters-off.tsx';
import { partName } from './part-name.ts';
import { useSnooze } from './use-snooze.ts';
import { useRowKeys } from './use-row-keys.ts';
import { VanLoad } from './van-load.tsx';
import { WatchFilters } from './watch-filters.tsx';
import { pageOf, pageSize, watchAsked } from './watch-asked.ts';
import { WatchLine } from './watch-row.tsx';
import { WeekChanges } from './week-changes.tsx';

/** A screenful: a slow phone draws the first of these before the others. */
const FIRST_FEW = 6;
let hasDrawnAll = false;

/**
 * Whether all is to be drawn: not on the first draw since the app was opened, when a few rows are what is wanted. Later, a place
 * scrolled to must be there at once.
 */
function useAllDrawn(): boolean {
  const [all, setAll] = useState(hasDrawnAll);
  useEffect(() => {
    hasDrawnAll = true;
    startTransition(() => setAll(true));
  }, []);
  useEffect(() => (all ? undefined : busyWith('rows')), [all]);
  return all;
}

/** Undo in place of "are you sure". */
function JustSetAside({ row, onUndone }: { row: WatchRow; onUndone: () => void }) {
  const { wake } = useSnooze();
  return (
    <p role="status" className="flex flex-wrap items-center gap-x-4 border-l-[3px] border-copper pl-4">
      {partName(row)}, {row.address}, is set aside.
      <Button look="quiet" onClick={() => wake.mutate(row.componentId, { onSuccess: onUndone })}>
        Undo
      </Button>
    </p>
  );
}

function WatchRows({ rows, onSetAside }: { rows: readonly WatchRow[]; onSetAside: (row: WatchRow) => void }) {
  return (
    <ol>
      {rows.map((row) => (
        <WatchLine key={row.componentId} row={row} onSetAside={onSetAside} />
      ))}
    </ol>
  );
}

function PageOfWatch({ page }: { page: WatchPage }) {
  const [search, setSearch] = useSearchParams();
  const all = useAllDrawn();
  const [aside, setAside] = useState<WatchRow | null>(null);
  const at = pageOf(search);
  const size = pageSize();
  const turn = (to: number) => {
    const next = new URLSearchParams(search);
    next.set('page', String(to));
    setSearch(next);
  };
  return (
    <div className="grid flex-1 content-start md:grid-cols-[1fr_290px] md:content-stretch">
      <section className="min-w-0 px-4 pt-5 md:px-5 md:pt-3">
        <h1 className="text-[28px] font-bold">
          <span className="figure-type">{page.matching}</span> of {page.components} parts may not see their next round
        </h1>
        <p className="text-soft">
          The most urgent first: chance of failing times its cost in the season ahead.
          <span className="max-md:hidden"> J, K step, Enter opens, S sets aside.</span>
        </p>
        <MetersOff />
        <WeekChanges />
        <WatchFilters page={page} />
        {aside && <JustSetAside row={aside} onUndone={() => setAside(null)} />}
        {page.rows.length === 0 ? (
          <p className="py-10 text-[17px]">
            Nothing stands so. Every part that was measured is expected to see its next round.
          </p>
        ) : (
          <WatchRows rows={all ? page.rows : page.rows.slice(0, FIRST_FEW)} onSetAside={setAside} />
        )}
        {(at > 0 || (at + 1) * size < page.matching) && (
          <div className="flex items-center gap-4 py-4">
            <Button disabled={at === 0} onClick={() => turn(at - 1)}>
              More urgent
            </Button>
            <span className="label">
              {at * size + 1} to {Math.min((at + 1) * size, page.matching)}
            </span>
            <Button disabled={(at + 1) * size >= page.matching} onClick={() => turn(at + 1)}>
              Less urgent
            </Button>
          </div>
        )}
      </section>
      <aside
        aria-label="For the van and the office"
        className="border-t border-rule-strong bg-raised px-4 py-5 md:border-t-0 md:border-l md:px-5"
      >
        {all && (
          <>
            <VanLoad load={page.load} />
            <FleetLearned />
          </>
        )}
      </aside>
    </div>
  );
}

/** The Watch: which parts may not see their next round, why, and what to load. */
export function WatchScreen() {
  const [search] = useSearchParams();
  useRowKeys();
  const watch = useQuery(queries.watch(watchAsked(search)));
  if (!watch.data) {
    return watch.error ? (
      <Failed error={watch.error} what="The Watch" retry={() => void watch.refetch()} />
    ) : (
      <Loading what="the Watch" />
    );
  }
  return <PageOfWatch page={watch.data} />;
}
