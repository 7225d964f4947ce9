import type { Schools } from '@yarnix/core';
import { Button } from '../../kit/button.tsx';
import { dateWords } from '../../kit/field-words.ts';
import { Differences } from './would-change.tsx';

/** Who changed which school, when, from what to what; the newest can be taken back. */
export function History({
  schools,
  onUndo,
}: {
  schools: Schools;
  onUndo: (change: Schools['changes'][number]) => void;
}) {
  return (
    <section aria-labelledby="history" className="mt-8">
      <h2 id="history" className="text-lg font-bold">
        How it came to this
      </h2>
      {schools.changes.length === 0 && <p className="label">Nothing was changed yet: the usual schools hold.</p>}
      <ol>
        {schools.changes.map((change, at) => (
          <li key={change.id} className="border-t border-rule-strong py-2">
            <div className="flex flex-wrap items-center justify-between gap-2">
              <p>
                <strong>{dateWords(change.at)}</strong>{' '}
                <span className="label">
                  {change.by}
                  {change.undoes ? ', taking a change back' : ''}
                </span>
              </p>
              {at === 0 && (
                <Button look="quiet" className="!px-0" onClick={() => onUndo(change)}>
                  Take it back
                </Button>
              )}
            </div>
            <Differences from={change.from} to={change.to} schools={change.schools} />
          </li>
        ))}
      </ol>
    </section>
  );
}
