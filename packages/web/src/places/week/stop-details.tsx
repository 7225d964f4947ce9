import { beforeWords, jobTitle, jobWhy, type Week } from '@yarnix/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { z } from 'zod';
import { Button } from '../../kit/button.tsx';
import { Field, SelectField } from '../../kit/field.tsx';
import { whereIs, type Card } from './board.ts';
import { asMinute, asTime } from '../../kit/clock-time.ts';
import type { Moves } from './use-moves.ts';

const timeSchema = z.string().transform(asMinute);

/** A stop as it is planned by hand; a promise has both its ends, in their order, and a day. */
const planSchema = z
  .object({ day: z.string(), personId: z.string(), from: timeSchema, to: timeSchema })
  .superRefine(({ day, from, to }, ctx) => {
    const wrong = (path: string, message: string) => ctx.addIssue({ code: 'custom', path: [path], message });
    if (from === null && to === null) return;
    if (from === null || to === null) wrong(from === null ? 'from' : 'to', 'Say from when and to when.');
    else if (from >= to) wrong('to', 'It ends before it begins.');
    else if (day === '') wrong('day', 'A promise needs a day.');
  });
type Plan = z.output<typeof planSchema>;

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
  const { register, handleSubmit, formState } = useForm<z.input<typeof planSchema>, unknown, Plan>({
    resolver: zodResolver(planSchema),
    defaultValues: {
      day: card.day ?? '',
      personId: card.personId ?? '',
      from: card.window ? asTime(card.window.from) : '',
      to: card.window ? asTime(card.window.to) : '',
    },
  });
  const { errors } = formState;
  const keep = ({ day, personId, from, to }: Plan) => {
    const window = from === null || to === null ? null : { from, to };
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
      onSubmit={(event) => void handleSubmit(keep)(event)}
    >
      <About card={card} />
      <div className="grid grid-cols-2 gap-3 md:max-w-3xl md:grid-cols-4">
        <Field label="On" type="date" error={errors.day?.message} {...register('day')} />
        <SelectField
          label="By"
          options={[['', 'nobody yet'], ...week.people.map(({ id, name }) => [id, name] as const)]}
          {...register('personId')}
        />
        <Field label="Promised from" type="time" error={errors.from?.message} {...register('from')} />
        <Field label="Promised to" type="time" error={errors.to?.message} {...register('to')} />
      </div>
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={moves.busy}>
          Keep the plan
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </div>
    </form>
  );
}
