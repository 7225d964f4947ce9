import { Check } from 'lucide-react';
import { Popover } from 'radix-ui';
import { Mark } from '../../kit/mark.tsx';
import type { OtherThread } from '../../thread/other-threads.ts';

/** More than this many charts on one time axis are not read together. */
const MOST_BESIDE = 3;

/** Picks threads of the same system to lay beside this one. */
export function BesidePicker({
  others,
  chosen,
  onChange,
}: {
  others: readonly OtherThread[];
  chosen: readonly string[];
  onChange: (keys: string[]) => void;
}) {
  if (others.length === 0) return null;
  const toggle = (key: string) =>
    onChange(chosen.includes(key) ? chosen.filter((k) => k !== key) : [...chosen, key].slice(-MOST_BESIDE));
  return (
    <Popover.Root>
      <Popover.Trigger className="inline-flex min-h-12 items-center rounded-[4px] border-[1.5px] border-rule-strong bg-raised px-4 font-semibold hover:border-copper">
        Lay beside it{chosen.length > 0 ? ` (${chosen.length})` : ''}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          collisionPadding={12}
          aria-label="Threads to lay beside it"
          className="z-20 max-h-[60vh] w-[360px] max-w-[92vw] overflow-y-auto rounded-[4px] border-[1.5px] border-rule-strong bg-raised py-2 shadow-lg"
        >
          {others.map(({ key, title, standing }) => (
            <button
              key={key}
              type="button"
              aria-pressed={chosen.includes(key)}
              onClick={() => toggle(key)}
              className="flex min-h-12 w-full items-center gap-3 px-4 text-left font-semibold hover:text-copper"
            >
              <Mark standing={standing} width={24} />
              <span className="flex-1">{title}</span>
              {chosen.includes(key) && <Check aria-hidden size={19} className="text-copper" />}
            </button>
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
