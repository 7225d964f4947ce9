import type { WatchRow } from '@yarnix/core';
import { AlarmClock, AlarmClockOff } from 'lucide-react';
import { lazy, Suspense, useState, type ComponentProps } from 'react';
import { partName } from './part-name.ts';
import { useSnooze } from './use-snooze.ts';

const fetchPopover = () => import('./set-aside-popover.tsx');
const SetAsidePopover = lazy(fetchPopover);

const LOOK = 'grid min-h-12 w-12 shrink-0 place-items-center text-soft hover:text-copper';

const Trigger = ({ row, ...rest }: { row: WatchRow } & ComponentProps<'button'>) => (
  <button
    type="button"
    data-set-aside
    aria-haspopup="dialog"
    aria-label={`Set aside: ${partName(row)}, ${row.address}`}
    className={LOOK}
    {...rest}
  >
    <AlarmClockOff aria-hidden size={21} />
  </button>
);

/** Sets a part aside with a reason until a day; or takes it back into the list. What asks is fetched when it is wanted. */
export function SetAside({ row, onDone }: { row: WatchRow; onDone: () => void }) {
  const [isAsked, setAsked] = useState(false);
  const { wake } = useSnooze();
  if (row.snooze) {
    return (
      <button
        type="button"
        data-set-aside
        className={LOOK}
        aria-label={`Back into the list: ${partName(row)}, ${row.address}`}
        onClick={() => wake.mutate(row.componentId)}
      >
        <AlarmClock aria-hidden size={21} />
      </button>
    );
  }
  if (!isAsked) return <Trigger row={row} onPointerEnter={() => void fetchPopover()} onClick={() => setAsked(true)} />;
  return (
    <Suspense fallback={<Trigger row={row} aria-expanded />}>
      <SetAsidePopover row={row} trigger={<Trigger row={row} />} onDone={onDone} />
    </Suspense>
  );
}
