import {
  clockWords,
  jobTitle,
  jobWhy,
  loadHeadline,
  promiseWords,
  spanWords,
  wantedWords,
  type DayTimes,
} from '@yarnix/core';
import { useQueries, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { ButtonLink } from '../../kit/button.tsx';
import { dateWords } from '../../kit/field-words.ts';
import { localMinute, localToday } from '../../kit/local-day.ts';
import { mondayOf, strandsOf, type Card } from './board.ts';

const DAYS = 7;

/** What frays at an address and what is to do there, each with its reason. */
const ToDo = ({ card }: { card: Card }) => (
  <ul className="grid gap-1">
    {card.jobs.map((job) => (
      <li key={job.key} className="text-[16px] leading-snug">
        <strong>{jobTitle(job)}</strong>: {jobWhy(job)}
      </li>
    ))}
  </ul>
);

/** The address one goes to next: the largest thing there is. */
function Next({ card, timed }: { card: Card; timed: DayTimes['stops'][number] }) {
  return (
    <section aria-label="Next" className="border-l-[4px] border-copper pl-4">
      <p className="label">
        {card.since !== null ? (
          `You are here, since ${clockWords(timed.begins)}`
        ) : (
          <>
            Next, {timed.way > 0 ? `${spanWords(timed.way)} on the way` : 'from where you are'}
            {timed.afterBreak ? ', after the break' : ''}
          </>
        )}
      </p>
      <h2 className="text-[34px] leading-tight font-bold">{card.address}</h2>
      <p className="text-[22px] font-bold">
        {card.since === null ? clockWords(timed.begins) : `until about ${clockWords(timed.leaves)}`}{' '}
        <span className="label">{spanWords(card.minutes)}</span>
      </p>
      {card.window && (
        <p className={`font-semibold ${timed.late > 0 ? 'text-act' : ''}`}>
          Promised {promiseWords(card.window)}
          {timed.late > 0 ? `: ${spanWords(timed.late)} late` : ''}
        </p>
      )}
      <p className="label pb-2">{card.customerName}</p>
      <ToDo card={card} />
      <ButtonLink look="main" to={`/systems/${card.systemId}`} className="mt-3 min-h-14 w-full text-[18px] md:w-auto">
        {card.since === null ? 'Begin here' : 'Go on here'}
      </ButtonLink>
    </section>
  );
}

/** What to carry for the day, in a line each. */
function Carry({ personId, day }: { personId: string; day: string }) {
  const van = useQuery(queries.van(personId, day));
  if (!van.data) return null;
  return (
    <section aria-label="To carry" className="mt-6 border-t border-rule-strong pt-3">
      <div className="flex items-baseline justify-between gap-4">
        <h2 className="text-xl font-bold">{loadHeadline(van.data.load)}</h2>
        <Link
          to={`/week/vans/${personId}/${day}`}
          className="min-h-12 font-semibold text-copper underline-offset-4 hover:underline"
        >
          The van
        </Link>
      </div>
      <ul>
        {van.data.load.map((line) => (
          <li key={line.part} className="border-t border-rule py-1.5 text-[16px]">
            <strong className="inline-block first-letter:uppercase">{line.part}</strong>
            {line.toLoad > 0 ? ` × ${line.toLoad}` : ', aboard'} <span className="label">{wantedWords(line)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A technician's own day: where to next, what frays there, what to carry. It is kept on the device with all its systems. */
export function MyDayScreen() {
  const today = localToday();
  const session = useQuery(queries.session());
  const week = useQuery(queries.week(mondayOf(today), DAYS));
  const me = session.data?.person.id;
  const strand =
    week.data && me
      ? strandsOf(week.data, today, localMinute(today)).find(({ person }) => person.id === me)
      : undefined;
  // Each system is fetched beforehand: in a basement there is no signal.
  useQueries({ queries: (strand?.cards ?? []).map(({ systemId }) => queries.system(systemId)) });
  if (!week.data || !me) {
    const error = week.error ?? session.error;
    return error ? (
      <Failed error={error} what="Your day" retry={() => void Promise.all([week.refetch(), session.refetch()])} />
    ) : (
      <Loading what="your day" />
    );
  }
  const [next, ...rest] = strand?.cards ?? [];
  const times = strand?.times.stops ?? [];
  return (
    <div className="max-w-3xl px-4 py-5 md:px-5">
      <p className="label">{dateWords(today)}</p>
      <h1 className="pb-3 text-[28px] font-bold">
        {next
          ? `${rest.length + 1} ${rest.length === 0 ? 'address' : 'addresses'} today`
          : 'Nothing planned for you today'}
      </h1>
      {next && times[0] && <Next card={next} timed={times[0]} />}
      {rest.length > 0 && (
        <section aria-label="Then" className="mt-6">
          <h2 className="text-xl font-bold">Then</h2>
          <ol>
            {rest.map((card, i) => {
              const timed = times[i + 1];
              return (
                <li key={card.systemId} className="grid grid-cols-[92px_1fr] gap-x-3 border-t border-rule py-2">
                  <span>
                    <span className="block text-[18px] font-bold">{timed ? clockWords(timed.begins) : ''}</span>
                    <span className="label">{spanWords(card.minutes)}</span>
                  </span>
                  <span>
                    <Link
                      to={`/systems/${card.systemId}`}
                      className="text-[18px] font-bold underline-offset-4 hover:underline"
                    >
                      {card.address}
                    </Link>
                    {card.window && <span className="block font-semibold">Promised {promiseWords(card.window)}</span>}
                    <ToDo card={card} />
                  </span>
                </li>
              );
            })}
          </ol>
        </section>
      )}
      <Carry personId={me} day={today} />
      <p className="mt-4">
        <ButtonLink to="/week/days">Everybody’s days</ButtonLink>
      </p>
    </div>
  );
}
