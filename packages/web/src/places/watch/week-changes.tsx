import { SLOT_NAMES, STANDING_NAMES, type StandingChange } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ChevronRight } from 'lucide-react';
import { Link } from 'react-router';
import { queries } from '../../app/queries.ts';
import { Mark } from '../../kit/mark.tsx';
import { dateWords } from '../../kit/field-words.ts';

/** Part by part; only made when it is opened, which on most days it is not. */
const ChangeList = ({ changes }: { changes: readonly StandingChange[] }) => (
  <ul className="mb-2 border-l-[3px] border-copper pl-4">
    {changes.map((c) => (
      <li key={c.componentId}>
        <Link
          to={`/systems/${c.systemId}`}
          className="flex min-h-12 flex-wrap items-center gap-x-3 border-t border-rule hover:bg-raised"
        >
          <span className="font-semibold">{SLOT_NAMES[c.slot]}</span>
          <span className="label">{c.address}</span>
          <span className="flex items-center gap-2">
            <Mark standing={c.from} width={22} /> {STANDING_NAMES[c.from]} → <Mark standing={c.to} width={22} />{' '}
            <strong>{STANDING_NAMES[c.to]}</strong>
          </span>
          <span className="label ml-auto">{dateWords(c.at)}</span>
        </Link>
      </li>
    ))}
  </ul>
);

/** What stands otherwise than a week ago, told in one line; opened, part by part. */
export function WeekChanges() {
  const { data } = useQuery(queries.watchChanges());
  const [isOpen, setOpen] = useState(false);
  if (!data) return null;
  const { worse, better, changes } = data;
  if (changes.length === 0) return <p className="text-soft">Nothing changed since {dateWords(data.since)}.</p>;
  const told = [worse > 0 ? `${worse} worse` : '', better > 0 ? `${better} better` : ''].filter(Boolean).join(', ');
  return (
    <details className="group" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="flex min-h-12 cursor-pointer list-none items-center gap-1 font-semibold">
        <ChevronRight aria-hidden size={18} className="group-open:rotate-90" />
        Since {dateWords(data.since)}: {told}
      </summary>
      {isOpen && <ChangeList changes={changes} />}
    </details>
  );
}
