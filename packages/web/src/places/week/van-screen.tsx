import { dayOf, isoOf, loadHeadline, standsInWords, wantedWords, type NewStock, type Van } from '@yarnix/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Download, Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import { useParams } from 'react-router';
import { change } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { Button, ButtonLink } from '../../kit/button.tsx';
import { Field } from '../../kit/field.tsx';
import { dateWords } from '../../kit/field-words.ts';

type Line = Van['load'][number];

function LoadLine({ line }: { line: Line }) {
  return (
    <li className="grid grid-cols-[64px_1fr] items-baseline gap-x-3 border-t border-rule py-2">
      <span className={`text-[30px] leading-none font-bold ${line.toLoad > 0 ? 'text-copper' : 'text-soft'}`}>
        {line.toLoad > 0 ? line.toLoad : '✓'}
        {line.toLoad === 0 && <span className="sr-only">aboard</span>}
      </span>
      <div className="min-w-0">
        <h3 className="text-[19px] leading-tight font-bold first-letter:uppercase">{line.part}</h3>
        <p className="text-[15px]">{wantedWords(line)}</p>
        {line.standsIn.length > 0 && (
          <p className="text-[15px] font-semibold">Aboard, and may stand in: {standsInWords(line)}</p>
        )}
        {line.aboard > 0 && (
          <p className="label">
            {line.aboard} aboard, {line.need} needed
          </p>
        )}
      </div>
    </li>
  );
}

/** Counts in the van: what is said holds at once, and the list above follows. */
function Stock({ van }: { van: Van }) {
  const client = useQueryClient();
  const [part, setPart] = useState('');
  const keep = useMutation({
    mutationFn: (body: NewStock) => change('PUT', `/api/vans/${van.person.id}/days/${van.day}`, body, 'vanSchema'),
    onSuccess: (kept) => client.setQueryData(queries.van(van.person.id, van.day).queryKey, kept),
  });
  const step = 'grid size-12 place-items-center rounded-[4px] border border-rule-strong disabled:opacity-40';
  return (
    <section aria-label="In the van" className="mt-8 md:mt-1">
      <h2 className="text-xl font-bold">In the van</h2>
      <p className="pb-2 text-[15px]">What is fitted on a round leaves the van by itself.</p>
      <ul className="border-b border-rule">
        {van.stock.map(({ part: name, count }) => (
          <li key={name} className="flex items-center gap-3 border-t border-rule py-1.5">
            <span className="flex-1 text-[17px] font-semibold first-letter:uppercase">{name}</span>
            <button
              type="button"
              aria-label={`One ${name} less`}
              className={step}
              disabled={keep.isPending}
              onClick={() => keep.mutate({ part: name, count: count - 1 })}
            >
              <Minus aria-hidden size={20} />
            </button>
            <span className="w-8 text-center text-[19px] font-bold">{count}</span>
            <button
              type="button"
              aria-label={`One ${name} more`}
              className={step}
              disabled={keep.isPending}
              onClick={() => keep.mutate({ part: name, count: count + 1 })}
            >
              <Plus aria-hidden size={20} />
            </button>
          </li>
        ))}
        {van.stock.length === 0 && <li className="border-t border-rule py-3">Nothing is noted as aboard yet.</li>}
      </ul>
      <form
        noValidate
        className="mt-3 flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          keep.mutate({ part, count: 1 }, { onSuccess: () => setPart('') });
        }}
      >
        <Field
          label="Another part, as its label says"
          className="min-w-60 flex-1"
          value={part}
          maxLength={60}
          onChange={(e) => setPart(e.target.value)}
        />
        <Button type="submit" disabled={keep.isPending}>
          One is aboard
        </Button>
      </form>
      {keep.error && (
        <p role="alert" className="mt-2 font-semibold text-act">
          {keep.error.message}
        </p>
      )}
    </section>
  );
}

/** So many days ahead the order reaches. */
const ORDER_DAYS = 7;

/** What to load for a person's day: what jobs fit, what the day's systems may need by their chances, less what is aboard. */
export function VanScreen() {
  const { personId = '', day = '' } = useParams();
  const van = useQuery(queries.van(personId, day));
  if (!van.data)
    return van.error ? (
      <Failed error={van.error} what="The van" retry={() => void van.refetch()} />
    ) : (
      <Loading what="the van" />
    );
  const { person, systems, load } = van.data;
  const order = `/api/order.csv?${new URLSearchParams({ from: day, to: isoOf(dayOf(day) + ORDER_DAYS - 1) }).toString()}`;
  return (
    <div className="px-4 py-5 md:grid md:grid-cols-[1fr_440px] md:gap-x-14 md:px-5">
      <div>
        <p className="label">
          {person.name}, {dateWords(day)} · {systems === 1 ? '1 system' : `${systems} systems`}
        </p>
        <h1 className="text-[28px] font-bold">{loadHeadline(load)}</h1>
        {load.length === 0 && (
          <p className="max-w-xl text-[17px]">
            No planned job of that day fits a part, and nothing at its systems is likely enough to go to carry a spare.
          </p>
        )}
        <ul className="mt-2 border-b border-rule">
          {load.map((line) => (
            <LoadLine key={line.part} line={line} />
          ))}
        </ul>
        <div className="mt-4 flex flex-wrap items-center gap-4">
          <a
            href={order}
            download="order.csv"
            className="inline-flex min-h-12 items-center gap-2 font-semibold text-copper underline-offset-4 hover:underline"
          >
            <Download aria-hidden size={18} /> What the week must order, as CSV
          </a>
          <ButtonLink to="/week?show=accepted">Back to the plan</ButtonLink>
        </div>
      </div>
      <Stock van={van.data} />
    </div>
  );
}
