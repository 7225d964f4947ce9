import type { Calendars as Listed } from '@yarnix/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { change, send } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { Button } from '../../kit/button.tsx';
import { Field } from '../../kit/field.tsx';
import { dateWords } from '../../kit/field-words.ts';

type Person = Listed['calendars'][number];

/** A link that was just made: in sight until one leaves, and never again. */
function NewLink({ name, link }: { name: string; link: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <div role="status" className="grid gap-2 border-l-[3px] border-copper py-2 pl-3">
      <Field label={`${name}’s calendar link`} readOnly value={link} onFocus={(e) => e.target.select()} />
      <p className="label">
        Subscribe to it in a calendar program. It is shown this once; whoever has it can read addresses and jobs.
      </p>
      <Button
        className="justify-self-start"
        onClick={() => {
          // Without leave to write there, the link stands marked in its field all the same.
          void navigator.clipboard?.writeText(link).then(
            () => setCopied(true),
            () => undefined,
          );
        }}
      >
        {copied ? 'Copied' : 'Copy it'}
      </Button>
    </div>
  );
}

function PersonLine({ person }: { person: Person }) {
  const client = useQueryClient();
  const again = () => client.invalidateQueries({ queryKey: ['calendars'] });
  const [link, setLink] = useState<string | null>(null);
  const make = useMutation({
    mutationFn: () => change('PUT', `/api/calendars/${person.personId}`, {}, 'calendarLinkSchema'),
    onSuccess: ({ path }) => setLink(new URL(path, window.location.origin).href),
    onSettled: again,
  });
  const revoke = useMutation({
    mutationFn: () => send('DELETE', `/api/calendars/${person.personId}`),
    onSuccess: () => setLink(null),
    onSettled: again,
  });
  const error = make.error ?? revoke.error;
  return (
    <li className="grid gap-1 border-t border-rule py-1.5">
      <div className="flex flex-wrap items-center gap-x-4">
        <span className="min-w-40 flex-1 font-semibold">{person.name}</span>
        <span className="label">{person.since ? `link since ${dateWords(person.since)}` : 'no link'}</span>
        <Button
          look="quiet"
          disabled={make.isPending}
          onClick={() => make.mutate()}
          aria-label={`Make ${person.name}’s link`}
        >
          {person.since ? 'Make it anew' : 'Make a link'}
        </Button>
        {person.since && (
          <Button
            look="quiet"
            disabled={revoke.isPending}
            onClick={() => revoke.mutate()}
            aria-label={`Revoke ${person.name}’s link`}
          >
            Revoke
          </Button>
        )}
      </div>
      {link && <NewLink name={person.name} link={link} />}
      {error && (
        <p role="alert" className="font-semibold text-act">
          {error.message}
        </p>
      )}
    </li>
  );
}

/** The plan in other calendars: a secret link for each person, made and revoked. */
export function Calendars() {
  const calendars = useQuery(queries.calendars());
  if (!calendars.data) return null;
  return (
    <section aria-label="In other calendars" className="mt-10 max-w-3xl">
      <h2 className="text-xl font-bold">In other calendars</h2>
      <p className="pb-2 text-[15px]">
        What somebody is planned for, in the calendar they look at anyway. A link made anew or revoked ends the one
        before.
      </p>
      <ul className="border-b border-rule">
        {calendars.data.calendars.map((person) => (
          <PersonLine key={person.personId} person={person} />
        ))}
      </ul>
    </section>
  );
}
