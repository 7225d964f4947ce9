import { readingKind, type WatchRow } from '@yarnix/core';
import { Search } from 'lucide-react';
import { Link } from 'react-router';
import { useWide } from '../../app/use-media.ts';
import { Mark, StandingWord } from '../../kit/mark.tsx';
import { ReasonLine } from '../../kit/reason-line.tsx';
import { InlineThread } from '../../thread/inline-thread.tsx';
import { partName, threadPath } from './part-name.ts';
import { SetAside } from './set-aside.tsx';

/** One part: what, where, its thread, how it stands and why, and setting it aside. */
export function WatchLine({ row, onSetAside }: { row: WatchRow; onSetAside: (row: WatchRow) => void }) {
  const wide = useWide();
  const reasons = [row.because, ...row.also.slice(0, 1)];
  return (
    <li className="flex border-b border-rule hover:bg-raised">
      <Link
        to={threadPath(row)}
        data-row={row.componentId}
        className="grid min-w-0 flex-1 gap-x-4 gap-y-1 py-3 md:py-1 md:grid-cols-[190px_170px_1fr] md:items-center"
      >
        <div>
          <div className="flex items-baseline justify-between gap-3 md:block">
            <h2 className="text-[17px] leading-tight font-bold md:text-[16px]">{partName(row)}</h2>
            <span className="md:hidden">
              <StandingWord standing={row.standing} width={26} />
            </span>
          </div>
          <p className="leading-snug font-semibold md:text-[15px]">{row.address}</p>
          <p className="label text-[15px] leading-snug md:truncate md:text-[14px]">
            {row.customerName}
            {row.area ? `, ${row.area}` : ''}
          </p>
        </div>
        {row.thread.points.length > 0 ? (
          <InlineThread
            data={row.thread}
            standing={row.standing}
            kind={readingKind(row.kind)}
            width={wide ? 170 : 320}
            height={wide ? 58 : 54}
          />
        ) : (
          <span aria-hidden className="grid h-9 place-items-center md:h-[58px]">
            <Mark standing={row.standing} width={64} />
          </span>
        )}
        <div className="text-[15px] md:text-[14.5px] md:leading-[1.32]">
          {reasons.map((because, at) => (
            <ReasonLine
              key={because.code}
              because={because}
              brief={at > 0}
              mark={at === 0 && <StandingWord standing={row.standing} width={24} className="mr-2 max-md:hidden" />}
            />
          ))}
          {row.snooze && (
            <p className="font-semibold text-copper">
              Set aside until {row.snooze.until} by {row.snooze.by}: {row.snooze.reason}
            </p>
          )}
        </div>
      </Link>
      <div className="flex shrink-0 flex-col justify-center gap-2 md:flex-row md:gap-0">
        <Link
          to={`/systems/${row.systemId}/find`}
          aria-label={`Find the cause: ${partName(row)}, ${row.address}`}
          className="grid min-h-12 w-12 shrink-0 place-items-center text-soft hover:text-copper"
        >
          <Search aria-hidden size={21} />
        </Link>
        <SetAside row={row} onDone={() => onSetAside(row)} />
      </div>
    </li>
  );
}
