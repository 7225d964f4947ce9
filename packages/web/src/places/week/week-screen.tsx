import { DECISION_NAMES, SYSTEM_KIND_NAMES, spanWords, type Job, type JobDecision, type JobsPage } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { byDay, bySystem, type SystemJobs } from '../../jobs/arrange.ts';
import { JobLine } from '../../jobs/job-line.tsx';
import { LatestDecision } from '../../jobs/latest-decision.tsx';
import { useDecide, type Deciding } from '../../jobs/use-decide.ts';
import { ButtonLink } from '../../kit/button.tsx';
import { dateWords } from '../../kit/field-words.ts';
import { localToday } from '../../kit/local-day.ts';
import { Calendars } from './calendars.tsx';

const SHOWN: readonly JobDecision[] = ['proposed', 'accepted', 'declined', 'done'];
/** What the screen shows: jobs by their decision, or the rounds that are due. */
type Show = JobDecision | 'rounds';

interface Shown {
  readonly people: JobsPage['people'];
  readonly deciding: Deciding;
}

/** What one visit to a system settles. */
function Visit({ group, shown, ofDay = false }: { group: SystemJobs; shown: Shown; ofDay?: boolean }) {
  const [first] = group.jobs;
  const Heading = ofDay ? 'h3' : 'h2';
  return (
    <section aria-label={group.address} className="pt-4">
      <div className="flex flex-wrap items-baseline gap-x-3 pb-1">
        <Heading className="text-[19px] font-bold">
          <Link to={`/systems/${group.systemId}`} className="underline-offset-4 hover:underline">
            {group.address}
          </Link>
        </Heading>
        <span className="label">
          {first?.customerName}
          {first?.area ? `, ${first.area}` : ''} · {first && SYSTEM_KIND_NAMES[first.systemKind]}
          {group.jobs.length > 1 ? ` · ${group.jobs.length} jobs, ${spanWords(group.minutes)}` : ''}
        </span>
      </div>
      <ul className="border-b border-rule">
        {group.jobs.map((job) => (
          <JobLine key={job.key} job={job} level={ofDay ? 'h4' : 'h3'} {...shown} />
        ))}
      </ul>
    </section>
  );
}

const Planned = ({ jobs, shown }: { jobs: readonly Job[]; shown: Shown }) =>
  byDay(jobs).map(({ day, minutes, people }) => (
    <section key={day ?? 'no day'} aria-label={day ?? 'No day yet'} className="mt-6">
      <h2 className="border-b border-rule-strong text-xl font-bold">
        {day ? dateWords(day) : 'No day yet'} <span className="label">{spanWords(minutes)} at machines</span>
      </h2>
      {people.map(({ name, id, systems }) => (
        <div key={name ?? 'nobody'} className="md:grid md:grid-cols-[150px_1fr] md:gap-x-5">
          <div className="pt-4">
            <p className="font-semibold">{name ?? 'Nobody yet'}</p>
            {id && day && (
              <Link
                to={`/week/vans/${id}/${day}`}
                className="inline-flex min-h-12 items-center font-semibold text-copper underline-offset-4 hover:underline"
              >
                What to load
              </Link>
            )}
          </div>
          <div>
            {systems.map((group) => (
              <Visit key={group.systemId} group={group} shown={shown} ofDay />
            ))}
          </div>
        </div>
      ))}
    </section>
  ));

const CHOICE =
  'min-h-12 border-b-[3px] border-transparent px-1.5 text-[15px] font-semibold md:px-3 md:text-[16px] text-soft aria-pressed:border-copper aria-pressed:text-ink';

function Choices({ page, show }: { page: JobsPage; show: Show }) {
  const [search, setSearch] = useSearchParams();
  const set = (name: string, value: string) => {
    const next = new URLSearchParams(search);
    if (value === '') next.delete(name);
    else next.set(name, value);
    setSearch(next, { replace: true });
  };
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
      <div role="group" aria-label="Which jobs" className="flex flex-wrap">
        {SHOWN.map((decision) => (
          <button
            key={decision}
            type="button"
            aria-pressed={show === decision}
            onClick={() => set('show', decision === 'proposed' ? '' : decision)}
            className={CHOICE}
          >
            {DECISION_NAMES[decision]} {show === 'rounds' ? '' : page.counts[decision]}
          </button>
        ))}
        <button type="button" aria-pressed={show === 'rounds'} onClick={() => set('show', 'rounds')} className={CHOICE}>
          Rounds due {show === 'rounds' ? page.counts.proposed : ''}
        </button>
      </div>
      {page.areas.length > 0 && (
        <label className="flex items-center gap-2">
          <span className="label">Area</span>
          <select
            value={search.get('area') ?? ''}
            onChange={(e) => set('area', e.target.value)}
            className="h-12 max-w-40 border-b-[3px] border-copper bg-transparent font-semibold"
          >
            <option value="">all</option>
            {page.areas.map((area) => (
              <option key={area}>{area}</option>
            ))}
          </select>
        </label>
      )}
    </div>
  );
}

const EMPTY: Readonly<Record<Show, string>> = {
  rounds: 'No round is due that is not planned. They come here by the firm’s months, and sooner where a system frays.',
  proposed: 'Nothing waits to be decided. What a round, a call or the Watch leaves to do comes here by itself.',
  accepted: 'Nothing is planned yet. Decide a job, and give it a day.',
  declined: 'No owner has declined anything that still stands.',
  done: 'Nothing was said to be done. What a reading settles goes by itself.',
};

const headline = ({ counts }: JobsPage, show: Show, today: string, jobs: readonly Job[]): string => {
  if (show === 'rounds') return counts.proposed === 1 ? '1 round is due' : `${counts.proposed} rounds are due`;
  if (show === 'accepted') return counts.accepted === 0 ? 'Nothing planned' : `${counts.accepted} planned`;
  const pressing = jobs.filter(({ byWhen }) => byWhen <= today).length;
  if (counts.proposed === 0) return 'Nothing to decide';
  return `${counts.proposed} to decide${pressing > 0 ? `, ${pressing} at once` : ''}`;
};

/** The week: what is left to do on systems, decided, and given a day and a person. */
export function WeekScreen() {
  const [search] = useSearchParams();
  const asked = search.get('show');
  const show: Show = asked === 'rounds' ? 'rounds' : (SHOWN.find((decision) => decision === asked) ?? 'proposed');
  const which: Record<string, string> =
    show === 'rounds' ? { source: 'round', decision: 'proposed' } : { decision: show };
  const query = new URLSearchParams({ ...which, ...(search.get('area') && { area: search.get('area') ?? '' }) });
  const jobs = useQuery(queries.jobs(query.toString()));
  const deciding = useDecide();
  if (!jobs.data)
    return jobs.error ? (
      <Failed error={jobs.error} what="The jobs" retry={() => void jobs.refetch()} />
    ) : (
      <Loading what="the jobs" />
    );
  const page = jobs.data;
  const shown = { people: page.people, deciding };
  const today = localToday();
  const missing = page.counts[show === 'rounds' ? 'proposed' : show] - page.jobs.length;
  return (
    <div className="px-4 py-5 md:px-5">
      <div className="flex flex-wrap items-center justify-between gap-x-6">
        <h1 className="text-[28px] font-bold">{headline(page, show, today, show === 'proposed' ? page.jobs : [])}</h1>
        <ButtonLink to="/week/days">Days by technician</ButtonLink>
      </div>
      <Choices page={page} show={show} />
      <LatestDecision deciding={deciding} />
      {page.jobs.length === 0 && <p className="mt-6 max-w-xl text-[17px]">{EMPTY[show]}</p>}
      {show === 'accepted' ? (
        <>
          <Planned jobs={page.jobs} shown={shown} />
          <Calendars />
        </>
      ) : (
        bySystem(page.jobs).map((group) => <Visit key={group.systemId} group={group} shown={shown} />)
      )}
      {missing > 0 && (
        <p className="label mt-4">
          {missing} more {show === 'rounds' ? 'can wait longer' : 'are due later'}. Choose an area to see fewer at once.
        </p>
      )}
    </div>
  );
}
