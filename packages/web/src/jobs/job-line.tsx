import {
  beforeWords,
  DECISION_NAMES,
  jobProof,
  jobTitle,
  jobWhy,
  promiseWords,
  type Job,
  type JobsPage,
} from '@yarnix/core';
import { useId, useState } from 'react';
import { dateWords } from '../kit/field-words.ts';
import { StandingWord } from '../kit/mark.tsx';
import { DecideJob } from './decide-job.tsx';
import type { Deciding } from './use-decide.ts';

/** What was decided, in a line: "Planned for October 13, 2026, Bram". */
function decisionWords({ decision, day, person, note, decided, window }: Job): string {
  const for_ = day ? ` for ${dateWords(day)}` : decision === 'accepted' ? ', no day yet' : '';
  const promised = window ? `, promised ${promiseWords(window)}` : '';
  const who = person ? `, ${person.name}` : '';
  const why = note ? `: ${note}` : '';
  return `${DECISION_NAMES[decision]}${for_}${promised}${who}${why}${decided && decision === 'declined' ? ` (${decided.by})` : ''}`;
}

/** One job: by when, what, why, how long, what proves it done; and what was decided of it. */
export function JobLine({
  job,
  people,
  deciding,
  level: Heading = 'h3',
}: {
  job: Job;
  people: JobsPage['people'];
  deciding: Deciding;
  /** What it is under: a system, or a system of a day. */
  level?: 'h3' | 'h4';
}) {
  const [open, setOpen] = useState(false);
  const id = useId();
  const why = jobWhy(job);
  return (
    <li className="grid gap-x-4 gap-y-1 border-t border-rule py-2 md:grid-cols-[170px_1fr_auto]">
      <div>
        <p className={`font-semibold ${job.before === 'now' ? 'text-act' : ''}`}>{beforeWords(job)}</p>
        <p className="label">{dateWords(job.byWhen)}</p>
      </div>
      <div className="min-w-0">
        <Heading className="text-[17px] leading-tight font-bold">{jobTitle(job)}</Heading>
        <p className="text-[15px]">
          {job.standing && <StandingWord standing={job.standing} width={24} className="mr-2" />}
          {why}
        </p>
        <p className="label">
          {job.minutes} minutes. Done when: {jobProof(job)}.
        </p>
        {job.decision !== 'proposed' && <p className="font-semibold">{decisionWords(job)}</p>}
        {job.decision === 'proposed' && job.note && <p className="label">Declined before: {job.note}</p>}
      </div>
      <button
        type="button"
        aria-expanded={open}
        aria-controls={id}
        aria-label={`Decide: ${jobTitle(job)}`}
        onClick={() => setOpen(!open)}
        className="min-h-12 justify-self-start px-1 font-semibold text-copper underline-offset-4 hover:underline md:justify-self-end"
      >
        {open ? 'Leave it' : job.decision === 'proposed' ? 'Decide' : 'Change'}
      </button>
      {open && (
        <div id={id} className="md:col-span-3">
          <DecideJob job={job} people={people} deciding={deciding} onDone={() => setOpen(false)} />
        </div>
      )}
    </li>
  );
}
