import { newJobSchema, type Job } from '@yarnix/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';
import { change } from '../app/api.ts';
import { Button } from '../kit/button.tsx';
import { Field } from '../kit/field.tsx';
import { troubleWords } from './use-decide.ts';

/** Notes a job by hand. What was typed stays until the server has it. */
export function NoteJob({ systemId, byWhen: usual }: { systemId: string; byWhen: string }) {
  const client = useQueryClient();
  const [id, setId] = useState(() => v7());
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState({ text: '', byWhen: usual, minutes: '30' });
  const [wrong, setWrong] = useState<Readonly<Record<string, string>>>({});
  const keeping = useMutation({
    mutationFn: (body: unknown) => change('PUT', `/api/systems/${systemId}/jobs/${id}`, body, 'jobSchema'),
    onSuccess: (_: Job) => {
      setId(v7());
      setTyped({ text: '', byWhen: usual, minutes: '30' });
      setOpen(false);
      return client.invalidateQueries({ queryKey: ['jobs'] });
    },
  });
  const keep = () => {
    const read = newJobSchema.safeParse({ ...typed, minutes: Number(typed.minutes) });
    setWrong(read.success ? {} : Object.fromEntries(read.error.issues.map((i) => [String(i.path[0]), i.message])));
    if (read.success) keeping.mutate(read.data);
  };
  if (!open)
    return (
      <Button look="quiet" className="!px-0" onClick={() => setOpen(true)}>
        Note something to do
      </Button>
    );
  const field = (name: keyof typeof typed) => ({
    value: typed[name],
    onChange: (e: { target: { value: string } }) => setTyped({ ...typed, [name]: e.target.value }),
    error: wrong[name],
  });
  return (
    <form
      noValidate
      aria-label="Something to do"
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <Field label="What is to do" maxLength={160} autoFocus {...field('text')} />
      <div className="grid grid-cols-2 gap-3">
        <Field label="By" type="date" {...field('byWhen')} />
        <Field label="Takes" unit="min" inputMode="numeric" {...field('minutes')} />
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
