import { isDoneBySaying, type Job, type JobsPage } from '@yarnix/core';
import { useForm } from 'react-hook-form';
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
  const { register, handleSubmit, setError, setFocus, formState } = useForm({
    defaultValues: { day: job.day ?? '', personId: job.person?.id ?? '', note: job.note },
  });
  const trouble = troubleWords(deciding.error);
  const plan = handleSubmit(({ day, personId, note }) =>
    deciding.decide(
      job,
      { decision: 'accepted', day: day || null, personId: personId || null, note: note.trim() },
      onDone,
    ),
  );
  const decline = handleSubmit(({ note }) => {
    if (note.trim() !== '')
      return deciding.decide(job, { decision: 'declined', day: null, personId: null, note: note.trim() }, onDone);
    setError('note', { message: 'Say why it was declined.' });
    setFocus('note');
  });
  return (
    <form
      noValidate
      aria-label={`Decide: ${job.address}`}
      className="grid gap-3 border-l-[3px] border-copper py-2 pl-3 md:grid-cols-[170px_200px_1fr]"
      onSubmit={(event) => void plan(event)}
    >
      <Field label="On" type="date" {...register('day')} />
      <SelectField
        label="By"
        options={[['', 'nobody yet'], ...people.map(({ id, name }) => [id, name] as const)]}
        {...register('personId')}
      />
      <Field
        label="Note, or why it is declined"
        maxLength={300}
        error={formState.errors.note?.message}
        {...register('note')}
      />
      <div className="flex flex-wrap gap-2 md:col-span-3">
        <Button look="main" type="submit" disabled={deciding.busy}>
          {job.decision === 'accepted' ? 'Keep the plan' : 'Plan it'}
        </Button>
        {job.decision !== 'declined' && (
          <Button disabled={deciding.busy} onClick={() => void decline()}>
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
