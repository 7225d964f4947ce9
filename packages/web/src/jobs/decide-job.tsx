import { isDoneBySaying, type Job, type JobsPage } from '@yarnix/core';
import { useState } from 'react';
import { Button } from '../kit/button.tsx';
import { Field, SelectField } from '../kit/field.tsx';
import { troubleWords, type Deciding } from './use-decide.ts';

interface Props {
  readonly job: Job;
  readonly deciding: Deciding;
  readonly onDone: () => void;
}

/** What else can be said of a job: that it is open again, or done. */
const Otherwise = ({ job, deciding, onDone }: Props) => (
  <>
    {job.decision !== 'proposed' && (
      <Button
        disabled={deciding.busy}
        onClick={() => deciding.decide(job, { decision: 'proposed', day: null, personId: null }, onDone)}
      >
        Undecided again
      </Button>
    )}
    {job.decision === 'accepted' && job.day && (
      <a
        href={`/api/jobs/${job.key}/event.ics`}
        download="job.ics"
        className="inline-flex min-h-12 items-center px-3 font-semibold text-copper underline-offset-4 hover:underline"
      >
        Calendar file for the customer
      </a>
    )}
    {isDoneBySaying(job.source) && job.decision !== 'done' && (
      <Button disabled={deciding.busy} onClick={() => deciding.decide(job, { decision: 'done' }, onDone)}>
        It is done
      </Button>
    )}
  </>
);

/** Plans a job for a day and a person, declines it with a reason, or says that it is done where nothing can measure it. */
export function DecideJob({ job, people, deciding, onDone }: Props & { readonly people: JobsPage['people'] }) {
  const [day, setDay] = useState(job.day ?? '');
  const [person, setPerson] = useState(job.person?.id ?? '');
  const [why, setWhy] = useState(job.note);
  const [lacks, setLacks] = useState(false);
  const trouble = troubleWords(deciding.error);
  const plan = () =>
    deciding.decide(
      job,
      { decision: 'accepted', day: day || null, personId: person || null, note: why.trim() },
      onDone,
    );
  const decline = () => {
    setLacks(why.trim() === '');
    if (why.trim() !== '')
      deciding.decide(job, { decision: 'declined', day: null, personId: null, note: why.trim() }, onDone);
  };
  return (
    <form
      noValidate
      aria-label={`Decide: ${job.address}`}
      className="grid gap-3 border-l-[3px] border-copper py-2 pl-3 md:grid-cols-[170px_200px_1fr]"
      onSubmit={(event) => {
        event.preventDefault();
        plan();
      }}
    >
      <Field label="On" type="date" value={day} onChange={(e) => setDay(e.target.value)} />
      <SelectField
        label="By"
        value={person}
        onChange={(e) => setPerson(e.target.value)}
        options={[['', 'nobody yet'], ...people.map(({ id, name }) => [id, name] as const)]}
      />
      <Field
        label="Note, or why it is declined"
        value={why}
        maxLength={300}
        onChange={(e) => setWhy(e.target.value)}
        error={lacks ? 'Say why it was declined.' : undefined}
      />
      <div className="flex flex-wrap gap-2 md:col-span-3">
        <Button look="main" type="submit" disabled={deciding.busy}>
          {job.decision === 'accepted' ? 'Keep the plan' : 'Plan it'}
        </Button>
        {job.decision !== 'declined' && (
          <Button disabled={deciding.busy} onClick={decline}>
            The owner declines
          </Button>
        )}
        <Otherwise job={job} deciding={deciding} onDone={onDone} />
      </div>
      {trouble && (
        <p role="alert" className="font-semibold text-act md:col-span-3">
          {trouble}
        </p>
      )}
    </form>
  );
}
