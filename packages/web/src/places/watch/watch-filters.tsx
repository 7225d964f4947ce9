import { LIKELY_TO_FAIL, SLOT_NAMES, SLOTS, STANDING_NAMES, type Standing, type WatchPage } from '@yarnix/core';
import { Download } from 'lucide-react';
import { ToggleGroup } from 'radix-ui';
import { useSearchParams } from 'react-router';
import { Mark } from '../../kit/mark.tsx';
import { FILTERS } from './watch-asked.ts';

const OFFERED: readonly Standing[] = ['stop', 'act', 'watch', 'unproven'];

const sorted = (standings: readonly string[]) => [...standings].sort().join(',');

function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: readonly (readonly [value: string, words: string])[];
  onChange: (value: string) => void;
}) {
  return (
    <label className="flex items-center gap-2">
      <span className="label">{label}</span>
      <select
        aria-label={label}
        value={value}
        onChange={(e) => onChange(e.target.value)}
        className="h-12 max-w-36 border-b-[3px] border-copper bg-transparent font-semibold"
      >
        <option value="">all</option>
        {options.map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Standing, season, area, part and what is set aside: all of it in the address, so that a view can be sent on. */
export function WatchFilters({ page }: { page: WatchPage }) {
  const [search, setSearch] = useSearchParams();
  const chosen = search.get('standing')?.split(',') ?? [...LIKELY_TO_FAIL];
  const set = (name: string, value: string) => {
    // From the address itself: two choices in quick succession must not undo one another.
    const next = new URLSearchParams(window.location.search);
    if (value === '') next.delete(name);
    else next.set(name, value);
    next.delete('page');
    setSearch(next, { replace: true });
  };
  const asked = new URLSearchParams(
    FILTERS.flatMap((name) => (search.get(name) ? [[name, search.get(name) ?? '']] : [])),
  );
  const isOnly = search.get('snoozed') === 'only';
  return (
    <div className="mt-2 flex flex-wrap md:mt-0 items-center gap-x-4 gap-y-1 border-b border-rule-strong pb-2 md:pb-0">
      <ToggleGroup.Root
        type="multiple"
        aria-label="Standing"
        value={chosen}
        onValueChange={(next) =>
          next.length > 0 && set('standing', sorted(next) === sorted(LIKELY_TO_FAIL) ? '' : next.join(','))
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
      <Choice
        label="Season"
        value={search.get('season') ?? ''}
        options={[
          ['cooling', 'cooling'],
          ['heating', 'heating'],
        ]}
        onChange={(value) => set('season', value)}
      />
      <Choice
        label="Area"
        value={search.get('area') ?? ''}
        options={page.areas.map((area) => [area, area])}
        onChange={(value) => set('area', value)}
      />
      <Choice
        label="Part"
        value={search.get('slot') ?? ''}
        options={SLOTS.map((slot) => [slot, SLOT_NAMES[slot]])}
        onChange={(value) => set('slot', value)}
      />
      {(page.snoozed > 0 || isOnly) && (
        <button
          type="button"
          aria-pressed={isOnly}
          onClick={() => set('snoozed', isOnly ? '' : 'only')}
          className="min-h-12 border-b-[3px] border-transparent font-semibold text-soft aria-pressed:border-copper aria-pressed:text-ink"
        >
          {page.snoozed} set aside
        </button>
      )}
      <a
        href={`/api/watch.csv?${asked.toString()}`}
        download="watch.csv"
        className="ml-auto flex min-h-12 items-center gap-2 font-semibold text-copper underline-offset-4 hover:underline"
      >
        <Download aria-hidden size={18} /> CSV
      </a>
    </div>
  );
}
