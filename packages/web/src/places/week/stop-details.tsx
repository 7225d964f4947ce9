import { beforeWords, jobTitle, jobWhy, type Week } from '@yarnix/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../kit/button.tsx';
import { Field, SelectField } from '../../kit/field.tsx';
import { whereIs, type Card } from './board.ts';
import { asMinute, asTime } from '../../kit/clock-time.ts';
import type { Moves } from './use-moves.ts';

/** What is wrong with a promise as it is typed; null where nothing is. */
function troubleOf(from: number | null, to: number | null, day: string): string | null {
  if (from === null && to === null) return null;
  if (from === null || to === null) return 'Say from when and to when.';
  if (from >= to) return 'It ends before it begins.';
  return day === '' ? 'A promise needs a day.' : null;
}

/** Where it is, and what is to do there. */
const About = ({ card }: { card: Card }) => (
  <>
    <p className="flex flex-wrap items-baseline gap-x-3">
      <Link to={`/systems/${card.systemId}`} className="text-[19px] font-bold underline-offset-4 hover:underline">
        {card.address}
      </Link>
      <span className="label">
        {card.customerName}
        {card.area ? `, ${card.area}` : ''}
        {card.place === null && !card.isProposed ? ' · its place is not known: a way there counts 15 min' : ''}
      </span>
    </p>
    <ul>
      {card.jobs.map((job) => (
        <li key={job.key} className="text-[15px]">
          <strong>{jobTitle(job)}</strong> {beforeWords(job)}. {jobWhy(job)}
        </li>
      ))}
    </ul>
  </>
);

/** One address opened: what is to do there, and its day, person and promise by hand. */
export function StopDetails({
  card,
  week,
  moves,
  onClose,
}: {
  card: Card;
  week: Week;
  moves: Moves;
  onClose: () => void;
}) {
  const [day, setDay] = useState(card.day ?? '');
  const [personId, setPersonId] = useState(card.personId ?? '');
  const [from, setFrom] = useState(card.window ? asTime(card.window.from) : '');
  const [to, setTo] = useState(card.window ? asTime(card.window.to) : '');
  const [trouble, setTrouble] = useState<string | null>(null);
  const keep = () => {
    const [begins, ends] = [asMinute(from), asMinute(to)];
    const wrong = troubleOf(begins, ends, day);
    setTrouble(wrong);
    if (wrong) return;
    const window = begins === null || ends === null ? null : { from: begins, to: ends };
    const stays = day === (card.day ?? '') && personId === (card.personId ?? '');
    const was = whereIs(week, card);
    moves.move(
      card,
      { day: day || null, personId: personId || null, before: stays ? was.before : null, window },
      card.isProposed ? null : was,
    );
    onClose();
  };
  return (
    <form
      noValidate
      aria-label={`Plan ${card.address}`}
      className="my-3 grid gap-3 border-l-[3px] border-copper py-1 pl-4"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <About card={card} />
      <div className="grid grid-cols-2 gap-3 md:max-w-3xl md:grid-cols-4">
        <Field label="On" type="date" value={day} onChange={(e) => setDay(e.target.value)} />
        <SelectField
          label="By"
          value={personId}
          onChange={(e) => setPersonId(e.target.value)}
          options={[['', 'nobody yet'], ...week.people.map(({ id, name }) => [id, name] as const)]}
        />
        <Field label="Promised from" type="time" value={from} onChange={(e) => setFrom(e.target.value)} />
        <Field label="Promised to" type="time" value={to} onChange={(e) => setTo(e.target.value)} />
      </div>
      {trouble && (
        <p role="alert" className="font-semibold text-act">
          {trouble}
        </p>
      )}
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={moves.busy}>
          Keep the plan
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </div>
    </form>
  );
}
