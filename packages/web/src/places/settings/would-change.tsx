import {
  saySchool,
  SCHOOL_WORDS,
  SLOT_NAMES,
  STANDING_NAMES,
  type Policy,
  type Preview,
  type SchoolId,
} from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { queries } from '../../app/queries.ts';
import { Mark } from '../../kit/mark.tsx';

const POLL_MS = 400;

/** A preview that was asked for, looked at until it is done. */
export const usePreview = (id: string | null) =>
  useQuery({
    ...queries.preview(id ?? ''),
    enabled: id !== null,
    refetchInterval: (query) => {
      const state = query.state.data?.state;
      return state === 'done' || state === 'failed' ? false : POLL_MS;
    },
  });

/** "Cooling split: 15 to 22 °F, then 14 to 24 °F". */
export function Differences({ from, to, schools }: { from: Policy; to: Policy; schools: readonly SchoolId[] }) {
  return (
    <ul>
      {schools.map((id) => (
        <li key={id} className="border-t border-rule py-1.5">
          <span className="font-semibold">{SCHOOL_WORDS[id].title}</span>
          <span className="block text-[15px]">
            <s className="text-soft decoration-1">{saySchool(id, from)}</s> → <strong>{saySchool(id, to)}</strong>
          </span>
        </li>
      ))}
    </ul>
  );
}

/** How many parts would stand otherwise, and which. */
export function WouldChange({ preview }: { preview: Preview }) {
  const { state, done, total, parts, changing, changes } = preview;
  if (state === 'failed') return <p role="alert">It could not be worked out. Ask again.</p>;
  if (state !== 'done') {
    return (
      <div role="status">
        <p className="label">{total === 0 ? 'Waiting for its turn' : `Compared: ${done} of ${total} systems`}</p>
        <progress className="my-2 w-full" max={Math.max(1, total)} value={done} aria-label="Systems compared" />
      </div>
    );
  }
  return (
    <div role="status">
      <p className="text-[20px] leading-tight font-bold">
        {changing === 0
          ? `None of ${parts} parts would stand otherwise.`
          : `${changing} of ${parts} parts would stand otherwise`}
      </p>
      <ul
        className="max-h-[46vh] overflow-y-auto"
        tabIndex={changes.length > 0 ? 0 : undefined}
        aria-label="Parts that would stand otherwise"
      >
        {changes.map((c) => (
          <li key={c.componentId} className="border-t border-rule">
            <Link to={`/systems/${c.systemId}`} className="block py-1.5 hover:underline">
              <span className="font-semibold">{SLOT_NAMES[c.slot]}</span> <span className="label">{c.address}</span>
              <span className="flex items-center gap-2 text-[15px]">
                <Mark standing={c.from} width={22} /> {STANDING_NAMES[c.from]} → <Mark standing={c.to} width={22} />{' '}
                <strong>{STANDING_NAMES[c.to]}</strong>
              </span>
            </Link>
          </li>
        ))}
      </ul>
      {changing > changes.length && <p className="label">And {changing - changes.length} more.</p>}
    </div>
  );
}
