import { newJobSchema, type NewJob } from '@yarnix/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { v7 } from 'uuid';
import { change } from '../app/api.ts';
import { Button } from '../kit/button.tsx';
import { Field } from '../kit/field.tsx';
import { troubleWords } from './use-decide.ts';

/** Notes a job by hand. What was typed stays until the server has it. */
export function NoteJob({ systemId, byWhen }: { systemId: string; byWhen: string }) {
  const client = useQueryClient();
  const [id, setId] = useState(() => v7());
  const [open, setOpen] = useState(false);
  const { register, handleSubmit, reset, formState } = useForm<NewJob>({
    resolver: zodResolver(newJobSchema),
    defaultValues: { text: '', byWhen, minutes: 30 },
  });
  const { errors } = formState;
  const keeping = useMutation({
    mutationFn: (body: NewJob) => change('PUT', `/api/systems/${systemId}/jobs/${id}`, body, 'jobSchema'),
    onSuccess: () => {
      setId(v7());
      reset({ text: '', byWhen, minutes: 30 });
      setOpen(false);
      return client.invalidateQueries({ queryKey: ['jobs'] });
    },
  });
  if (!open)
    return (
      <Button look="quiet" className="!px-0" onClick={() => setOpen(true)}>
        Note something to do
      </Button>
    );
  return (
    <form
      noValidate
      aria-label="Something to do"
      className="grid gap-3"
      onSubmit={(event) => void handleSubmit((job) => keeping.mutate(job))(event)}
    >
      <Field label="What is to do" maxLength={160} autoFocus error={errors.text?.message} {...register('text')} />
      <div className="grid grid-cols-2 gap-3">
        <Field label="By" type="date" error={errors.byWhen?.message} {...register('byWhen')} />
        <Field
          label="Takes"
          unit="min"
          inputMode="numeric"
          error={errors.minutes?.message}
          {...register('minutes', { setValueAs: Number })}
        />
      </div>
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={keeping.isPending}>
          Keep it
        </Button>
        <Button onClick={() => setOpen(false)}>Leave it</Button>
      </div>
      {keeping.error && (
        <p role="alert" className="font-semibold text-act">
          {troubleWords(keeping.error)}
        </p>
      )}
    </form>
  );
}
