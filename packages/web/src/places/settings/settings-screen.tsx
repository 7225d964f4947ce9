import {
  schoolOf,
  schoolProblems,
  schoolsChanged,
  saySchoolProblem,
  SCHOOL_IDS,
  SUBJECT_NAMES,
  type Policy,
  type Schools,
  type SchoolSubject,
} from '@yarnix/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { change } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { Button } from '../../kit/button.tsx';
import { drafted, useDraft, type Draft } from './draft.ts';
import { History } from './history.tsx';
import { JudgedAnew } from './judged-anew.tsx';
import { SchoolRow } from './school-row.tsx';
import { Differences, usePreview, WouldChange } from './would-change.tsx';

const SUBJECTS = Object.keys(SUBJECT_NAMES) as SchoolSubject[];

/** Keeping other schools: what the server says comes back as what holds. */
function useSave(onSaved: () => void) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (asked: { policy: Policy; revision: number; undoes?: string }) =>
      change('PUT', '/api/schools', asked, 'schoolsSchema'),
    onSuccess: (schools) => {
      client.setQueryData(queries.schools().queryKey, schools);
      void client.invalidateQueries({ queryKey: ['session'] });
      void client.invalidateQueries({ queryKey: ['refit'] });
      onSaved();
    },
    // Somebody else may have changed them: what holds is looked at again.
    onError: () => client.invalidateQueries({ queryKey: ['schools'] }),
  });
}

function SchoolList({ policy, draft, onDraft }: { policy: Policy; draft: Draft; onDraft: (draft: Draft) => void }) {
  const problems = new Map(schoolProblems(drafted(policy, draft)).map((p) => [p.school, saySchoolProblem(p)]));
  return SUBJECTS.map((subject) => (
    <section key={subject} id={subject} aria-labelledby={`${subject}-title`} className="mb-6 scroll-mt-4">
      <h2 id={`${subject}-title`} className="pb-1 text-[20px] font-bold">
        {SUBJECT_NAMES[subject]}
      </h2>
      <ul>
        {SCHOOL_IDS.filter((id) => schoolOf(id).subject === subject).map((id) => (
          <SchoolRow
            key={id}
            id={id}
            policy={policy}
            draft={draft}
            problem={problems.get(id)}
            onChange={(texts) => onDraft({ ...draft, [id]: texts })}
          />
        ))}
      </ul>
    </section>
  ));
}

/** Which preview was asked for, and of which policy: another draft makes it stale. */
interface Asked {
  readonly id: string;
  readonly of: string;
}

/** Beside the schools: what is changed, what that would change, and keeping it. */
function Saving({ schools, draft, onDraft }: { schools: Schools; draft: Draft; onDraft: (draft: Draft) => void }) {
  const { policy, revision } = schools;
  const [asked, setAsked] = useState<Asked | null>(null);
  const next = drafted(policy, draft);
  const changed = schoolsChanged(policy, next);
  const isSound = schoolProblems(next).length === 0;
  const isAsked = asked !== null && asked.of === JSON.stringify(next);
  const preview = usePreview(isAsked ? asked.id : null);
  const ask = useMutation({
    mutationFn: () => change('POST', '/api/schools/previews', { policy: next }, 'previewSchema'),
    onSuccess: ({ id }) => setAsked({ id, of: JSON.stringify(next) }),
  });
  const save = useSave(() => {
    onDraft({});
    setAsked(null);
  });
  const isKnown = isAsked && preview.data?.state === 'done';
  const error = save.error ?? ask.error ?? preview.error;
  return (
    <>
      <h2 className="text-lg font-bold">{changed.length === 0 ? 'What holds' : 'What you would change'}</h2>
      {changed.length === 0 && (
        <p className="label">
          Choose otherwise on the left; nothing is judged by it before you have seen what changes.
        </p>
      )}
      <Differences from={policy} to={next} schools={isSound ? changed : []} />
      {!isSound && <p className="label">What stands in red on the left is put right first.</p>}
      {isAsked && preview.data && <WouldChange preview={preview.data} />}
      {changed.length > 0 && (
        <div className="mt-3 flex flex-wrap gap-2">
          {isKnown ? (
            <Button look="main" disabled={save.isPending} onClick={() => save.mutate({ policy: next, revision })}>
              Judge by these from now on
            </Button>
          ) : (
            <Button look="main" disabled={!isSound || ask.isPending || isAsked} onClick={() => ask.mutate()}>
              See what would change
            </Button>
          )}
          <Button onClick={() => onDraft({})}>Leave it as it is</Button>
        </div>
      )}
      {error && (
        <p role="alert" className="mt-2 font-semibold text-act">
          {error.message}
        </p>
      )}
      <JudgedAnew />
      <History
        schools={schools}
        onUndo={(undone) => save.mutate({ policy: undone.from, revision, undoes: undone.id })}
      />
    </>
  );
}

const ELSEWHERE = 'inline-flex min-h-12 items-center font-semibold text-copper underline';

/** Settings: by which schools the firm judges, what other ones would change, and how it came to them. */
export function SettingsScreen() {
  const schools = useQuery(queries.schools());
  const [draft, setDraft] = useDraft();
  if (!schools.data) {
    return schools.error ? (
      <Failed error={schools.error} what="The firm’s schools" retry={() => void schools.refetch()} />
    ) : (
      <Loading what="the firm’s schools" />
    );
  }
  return (
    <div className="grid flex-1 content-start md:grid-cols-[1fr_340px] md:content-stretch">
      <section className="min-w-0 px-4 py-5 md:px-5">
        <h1 className="text-[28px] font-bold">The firm’s schools</h1>
        <p className="mb-4 max-w-[70ch] text-soft">
          Good technicians differ on these. What is set here is what every reading is held against; where a manufacturer
          prints a limit, that limit comes first.
        </p>
        <p className="mb-4 flex flex-wrap gap-x-6">
          <Link to="/meters" className={`${ELSEWHERE} md:hidden`}>
            The firm’s meters
          </Link>
          <Link to="/settings/planning" className={ELSEWHERE}>
            How days are planned
          </Link>
          <Link to="/imports" className={ELSEWHERE}>
            A past from spreadsheets
          </Link>
          <Link to="/reference" className={ELSEWHERE}>
            For other programs
          </Link>
        </p>
        <SchoolList policy={schools.data.policy} draft={draft} onDraft={setDraft} />
        {Object.keys(draft).length > 0 && (
          <a
            href="#would-change"
            className="sticky bottom-16 grid min-h-12 place-items-center rounded-[4px] bg-copper px-4 font-semibold text-on-copper md:hidden"
          >
            What would this change?
          </a>
        )}
      </section>
      <aside
        id="would-change"
        aria-label="What would change"
        className="border-t border-rule-strong bg-raised px-4 py-5 md:border-t-0 md:border-l md:px-5"
      >
        <div className="md:sticky md:top-4">
          <Saving schools={schools.data} draft={draft} onDraft={setDraft} />
        </div>
      </aside>
    </div>
  );
}
