import type { SystemDetail } from '@yarnix/core';
import { followUpWords } from '../../kit/field-words.ts';

/** What was put off on earlier visits and is still to take. */
export function FollowUps({ system }: { system: SystemDetail }) {
  const open = system.followUps.filter((f) => f.doneBy === null && !f.withdrawn);
  if (open.length === 0) return null;
  return (
    <>
      <h2 className="mt-6 text-lg font-bold">Put off</h2>
      <ul>
        {open.map((f) => {
          const { title, why } = followUpWords(f);
          return (
            <li key={f.id} className="border-t border-rule py-1.5">
              <span className="font-semibold">{title}</span>
              <span className="label block">
                {why}, due {f.dueOn}
              </span>
            </li>
          );
        })}
      </ul>
    </>
  );
}
