import type { ImportChoice, ImportDetail, ImportRow, RowOutcome } from '@yarnix/core';
import { useInfiniteQuery, useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { change, get } from '../../app/api.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { Button } from '../../kit/button.tsx';
import { sayReadings, sayRows } from './import-words.ts';

const AT_A_TIME = 60;

const OUTCOMES: readonly { readonly outcome: RowOutcome; readonly title: string; readonly tone: string }[] = [
  { outcome: 'comes', title: 'come in', tone: 'text-sound' },
  { outcome: 'questioned', title: 'asked about', tone: 'text-watch' },
  { outcome: 'refused', title: 'cannot come in', tone: 'text-act' },
];

/** How many rows there are of each outcome; the one whose rows are looked at. */
function Outcomes({
  detail,
  shown,
  onShow,
}: {
  detail: ImportDetail;
  shown: RowOutcome;
  onShow: (outcome: RowOutcome) => void;
}) {
  return (
    <div
      role="group"
      aria-label="Rows by what becomes of them"
      className="grid grid-cols-3 border-b-2 border-rule-strong"
    >
      {OUTCOMES.map(({ outcome, title, tone }) => (
        <button
          key={outcome}
          type="button"
          aria-pressed={shown === outcome}
          onClick={() => onShow(outcome)}
          className={`grid min-h-16 justify-items-start px-3 py-2 text-left ${shown === outcome ? 'border-b-4 border-copper bg-wash' : ''}`}
        >
          <span className={`figure-type text-[30px] leading-none ${tone}`}>
            {(detail.outcomes?.[outcome] ?? 0).toLocaleString('en-US')}
          </span>
          <span className="label">{title}</span>
        </button>
      ))}
    </div>
  );
}

/** The cells of a row that hold something the file is read for, by their headings. */
const cellsOf = (row: ImportRow, { headers, mapping }: ImportDetail): string =>
  row.cells
    .flatMap((cell, at) => {
      const isRead =
        mapping.form === 'own'
          ? ['address', 'title', 'value', 'taken_at'].includes(headers[at] ?? '')
          : mapping.columns[at]?.use !== 'nothing';
      return isRead && cell.trim() !== '' ? [`${headers[at] ?? ''}: ${cell}`] : [];
    })
    .join(' · ');

function RowLine({
  row,
  detail,
  canChoose,
  onChoose,
}: {
  row: ImportRow;
  detail: ImportDetail;
  canChoose: boolean;
  onChoose: (chosen: boolean) => void;
}) {
  return (
    <li className="grid grid-cols-[48px_minmax(0,1fr)] items-start border-t border-rule py-2">
      {canChoose ? (
        <label className="grid size-12 place-items-center">
          <input
            type="checkbox"
            className="size-6"
            checked={row.chosen}
            onChange={(e) => onChoose(e.target.checked)}
            aria-label={`Row ${row.line} comes in`}
          />
        </label>
      ) : (
        <span />
      )}
      <div className="min-w-0 py-1">
        <p className="font-bold">
          Row {row.line}
          {row.readings > 0 && <span className="font-normal text-soft">, {sayReadings(row.readings)}</span>}
        </p>
        {row.why.map((why) => (
          <p
            key={why}
            className={
              row.outcome === 'refused'
                ? 'font-semibold text-act'
                : row.outcome === 'questioned'
                  ? 'font-semibold text-watch'
                  : 'text-soft'
            }
          >
            {why}
          </p>
        ))}
        <p className="break-words text-soft">{cellsOf(row, detail)}</p>
      </div>
    </li>
  );
}

/** Rows as they are once a choice holds. */
const chosenIn =
  (choice: ImportChoice) =>
  ({ rows }: { rows: ImportRow[] }) => ({
    rows: rows.map((row) => {
      const isMeant = 'lines' in choice ? choice.lines.includes(row.line) : row.outcome === choice.outcome;
      return isMeant ? { ...row, chosen: choice.chosen } : row;
    }),
  });

/** The rows of an import by what would become of them, and which of them are to come in. */
export function ImportRows({ detail, onChosen }: { detail: ImportDetail; onChosen: () => void }) {
  const first = (['questioned', 'refused', 'comes'] as const).find((o) => (detail.outcomes?.[o] ?? 0) > 0) ?? 'comes';
  const [shown, setShown] = useState<RowOutcome>(first);
  const client = useQueryClient();
  const choosable = shown === 'refused' ? null : shown;
  const canChoose = detail.state === 'checked' && choosable !== null;
  const key = ['import-rows', detail.id, shown];
  const rows = useInfiniteQuery({
    queryKey: key,
    queryFn: ({ pageParam, signal }) =>
      get(
        `/api/imports/${detail.id}/rows?outcome=${shown}&after=${pageParam}&limit=${AT_A_TIME}`,
        'importRowsSchema',
        signal,
      ),
    initialPageParam: 0,
    getNextPageParam: (last) => (last.rows.length < AT_A_TIME ? undefined : last.rows.at(-1)?.line),
    staleTime: 0,
  });
  const choose = useMutation({
    mutationFn: (choice: ImportChoice) => change('PUT', `/api/imports/${detail.id}/choice`, choice, 'importSchema'),
    // Seen at once; what the server says of it follows.
    onMutate: (choice) =>
      client.setQueryData<typeof rows.data>(
        key,
        (known) => known && { ...known, pages: known.pages.map(chosenIn(choice)) },
      ),
    onSettled: () => {
      void client.invalidateQueries({ queryKey: ['import-rows', detail.id] });
      onChosen();
    },
  });
  const all = rows.data?.pages.flatMap((page) => page.rows) ?? [];
  const count = detail.outcomes?.[shown] ?? 0;
  return (
    <section aria-label="Rows">
      <Outcomes detail={detail} shown={shown} onShow={setShown} />
      {detail.state === 'checked' && choosable !== null && count > 0 && (
        <div className="flex flex-wrap gap-2 py-2">
          <Button disabled={choose.isPending} onClick={() => choose.mutate({ outcome: choosable, chosen: true })}>
            {count === 1 ? 'Take it' : `Take all ${sayRows(count)}`}
          </Button>
          <Button disabled={choose.isPending} onClick={() => choose.mutate({ outcome: choosable, chosen: false })}>
            {count === 1 ? 'Leave it' : 'Take none of them'}
          </Button>
        </div>
      )}
      {choose.error && (
        <p role="alert" className="font-semibold text-act">
          {choose.error.message}
        </p>
      )}
      {rows.error && <Failed error={rows.error} what="Its rows" retry={() => void rows.refetch()} />}
      {rows.isPending && <Loading what="its rows" />}
      {rows.data && all.length === 0 && <p className="py-4 text-soft">There are none.</p>}
      <ul>
        {all.map((row) => (
          <RowLine
            key={row.line}
            row={row}
            detail={detail}
            canChoose={canChoose}
            onChoose={(chosen) => choose.mutate({ lines: [row.line], chosen })}
          />
        ))}
      </ul>
      {rows.hasNextPage && (
        <Button className="my-2" disabled={rows.isFetchingNextPage} onClick={() => void rows.fetchNextPage()}>
          More of them
        </Button>
      )}
    </section>
  );
}
