import { readPlace, sayPlace, type SystemDetail } from '@yarnix/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { change } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { troubleWords } from '../../jobs/use-decide.ts';
import { Button } from '../../kit/button.tsx';
import { Field } from '../../kit/field.tsx';

/** Where a system is: what the order of a day goes by. */
export function SystemPlace({ system }: { system: SystemDetail }) {
  const client = useQueryClient();
  const [text, setText] = useState<string | null>(null);
  const [isWrong, setWrong] = useState(false);
  const keeping = useMutation({
    mutationFn: (place: SystemDetail['place']) =>
      change('PUT', `/api/systems/${system.id}/place`, { place }, 'systemDetailSchema'),
    onSuccess: (kept) => {
      client.setQueryData(queries.system(system.id).queryKey, kept);
      setText(null);
      return client.invalidateQueries({ queryKey: ['week'] });
    },
  });
  if (text === null)
    return (
      <p className="mt-4 flex flex-wrap items-center gap-x-3">
        <span>
          <span className="label">Where it is: </span>
          {system.place ? sayPlace(system.place) : 'not known, its area counts'}
        </span>
        <Button look="quiet" className="!px-0" onClick={() => setText(system.place ? sayPlace(system.place) : '')}>
          {system.place ? 'Change' : 'Say where'}
        </Button>
      </p>
    );
  const keep = () => {
    const place = readPlace(text);
    const isNone = text.trim() !== '' && place === null;
    setWrong(isNone);
    if (!isNone) keeping.mutate(place);
  };
  return (
    <form
      noValidate
      className="mt-4 grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <Field
        label="Latitude and longitude"
        value={text}
        autoFocus
        onChange={(e) => setText(e.target.value)}
        hint="Pasted from any map; empty takes it back."
        error={isWrong ? 'That is no place: paste both, as 40.7128, -74.0060.' : undefined}
      />
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={keeping.isPending}>
          Keep it
        </Button>
        <Button onClick={() => setText(null)}>Leave it</Button>
      </div>
      {keeping.error && (
        <p role="alert" className="font-semibold text-act">
          {troubleWords(keeping.error)}
        </p>
      )}
    </form>
  );
}
