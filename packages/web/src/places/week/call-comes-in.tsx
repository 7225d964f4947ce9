import { clockWords, fitIn, newJobSchema, pushedWords, type SystemSummary } from '@yarnix/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';
import { change } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { Button } from '../../kit/button.tsx';
import { Field } from '../../kit/field.tsx';
import { troubleWords } from '../../jobs/use-decide.ts';
import type { Strand } from './board.ts';

interface Given {
  readonly day: string;
  readonly strands: readonly Strand[];
  /** Minute of this day it is now; null on another day. */
  readonly now: number | null;
}

/** What it costs each person to go there, and the button that gives it to one of them. */
function WhoGoes({
  given: { strands, now },
  system,
  minutes,
  busy,
  onGive,
}: {
  given: Given;
  system: SystemSummary;
  minutes: number;
  busy: boolean;
  onGive: (personId: string, before: string | null) => void;
}) {
  const place = useQuery(queries.system(system.id)).data?.place ?? null;
  return (
    <ul aria-label="Who goes" className="border-b border-rule">
      {strands.map(({ person, cards, times, ahead: { stops, frame } }) => {
        // What is begun stays as it is: where somebody is, and what should have been begun by now.
        const begun = now === null ? 0 : times.stops.filter(({ begins }) => begins <= now).length;
        const from = Math.max(0, begun - (cards.length - stops.length));
        const stop = { id: system.id, minutes, place, window: null };
        return [true, false].map((soonest) => {
          const pushed = fitIn(stops, stop, frame, { from, soonest });
          if (!soonest && pushed.at === from) return null;
          const begins = pushed.times.stops[pushed.at]?.begins ?? frame.begins;
          return (
            <li
              key={`${person.id} ${soonest}`}
              className="flex flex-wrap items-center gap-x-4 border-t border-rule py-1.5"
            >
              <span className="min-w-0 flex-1">
                <strong>
                  {person.name}, {soonest ? 'next' : 'where it fits best'}: {clockWords(begins)}
                </strong>
                <span
                  className={`block text-[15px] ${pushed.late > 0 || pushed.past > 0 ? 'font-semibold text-act' : ''}`}
                >
                  {pushedWords(pushed)}
                </span>
              </span>
              <Button disabled={busy} onClick={() => onGive(person.id, stops[pushed.at]?.id ?? null)}>
                Give it to {person.name.split(' ')[0]}, {clockWords(begins)}
              </Button>
            </li>
          );
        });
      })}
    </ul>
  );
}

function Found({ search, onChoose }: { search: string; onChoose: (system: SystemSummary) => void }) {
  const { data } = useQuery({
    ...queries.systems(new URLSearchParams({ search, limit: '6' }).toString()),
    enabled: search.trim().length > 1,
  });
  if (!data || search.trim().length < 2) return null;
  if (data.systems.length === 0) return <p>No system has such an address, customer or area.</p>;
  return (
    <ul aria-label="Systems found" className="border-b border-rule">
      {data.systems.map((system) => (
        <li key={system.id} className="border-t border-rule">
          <button
            type="button"
            onClick={() => onChoose(system)}
            className="min-h-12 w-full text-left font-semibold hover:text-copper"
          >
            {system.address} <span className="label">{system.customerName}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

/** A call in the middle of a day: where, what, and whose day it pushes by how much. */
export function CallComesIn({ given, onDone }: { given: Given; onDone: () => void }) {
  const client = useQueryClient();
  const [search, setSearch] = useState('');
  const [system, setSystem] = useState<SystemSummary | null>(null);
  const [text, setText] = useState('Call: find the cause');
  const [typed, setTyped] = useState('60');
  const [id] = useState(() => v7());
  const read = newJobSchema.safeParse({ text, byWhen: given.day, minutes: Number(typed) });
  const wrong = read.success ? {} : Object.fromEntries(read.error.issues.map((i) => [String(i.path[0]), i.message]));
  const giving = useMutation({
    mutationFn: async ({ personId, before, to }: { personId: string; before: string | null; to: SystemSummary }) => {
      const job = await change('PUT', `/api/systems/${to.id}/jobs/${id}`, read.data, 'jobSchema');
      const jobs = [{ key: job.key, version: job.version }];
      return change(
        'PUT',
        `/api/week/stops/${to.id}`,
        { jobs, day: given.day, personId, before, window: null },
        'movedSchema',
      );
    },
    onSuccess: onDone,
    onSettled: () =>
      Promise.all([client.invalidateQueries({ queryKey: ['week'] }), client.invalidateQueries({ queryKey: ['jobs'] })]),
  });
  return (
    <section aria-label="A call comes in" className="my-3 grid gap-3 border-l-[3px] border-copper py-1 pl-4">
      <div className="grid gap-3 md:max-w-3xl md:grid-cols-[1fr_1fr_120px]">
        <Field
          label="Where: address or customer"
          value={system ? system.address : search}
          autoFocus
          onChange={(e) => {
            setSystem(null);
            setSearch(e.target.value);
          }}
        />
        <Field label="What" value={text} maxLength={160} onChange={(e) => setText(e.target.value)} error={wrong.text} />
        <Field
          label="Takes"
          unit="min"
          inputMode="numeric"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          error={wrong.minutes}
        />
      </div>
      {system ? (
        <WhoGoes
          given={given}
          system={system}
          minutes={read.success ? read.data.minutes : 0}
          busy={giving.isPending || !read.success}
          onGive={(personId, before) => giving.mutate({ personId, before, to: system })}
        />
      ) : (
        <Found search={search} onChoose={setSystem} />
      )}
      {giving.error && (
        <p role="alert" className="font-semibold text-act">
          {troubleWords(giving.error)}
        </p>
      )}
      <Button look="quiet" className="justify-self-start !px-0" onClick={onDone}>
        Leave it
      </Button>
    </section>
  );
}
