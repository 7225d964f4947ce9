import { nextRoundAfter, isoOf, type Session, type SystemDetail } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { queries } from '../../app/queries.ts';
import { JobLine } from '../../jobs/job-line.tsx';
import { LatestDecision } from '../../jobs/latest-decision.tsx';
import { NoteJob } from '../../jobs/note-job.tsx';
import { useDecide } from '../../jobs/use-decide.ts';
import { today as dayNow } from '../../kit/local-day.ts';

/** What is left to do on this system, declined repairs in sight, and a way to note something. */
export function SystemJobs({ system, firm }: { system: SystemDetail; firm: Session['firm'] }) {
  const jobs = useQuery(queries.jobs(new URLSearchParams({ systemId: system.id }).toString()));
  const deciding = useDecide();
  const next = isoOf(nextRoundAfter(dayNow(), firm.policy));
  return (
    <section aria-label="To do" className="border-t border-rule px-4 py-4 md:px-5">
      <h2 className="text-lg font-bold">To do</h2>
      <LatestDecision deciding={deciding} />
      {jobs.error && <p className="label">What is to do cannot be asked for without the server.</p>}
      {jobs.data?.jobs.length === 0 && <p className="label">Nothing: no part, call or reading asks for a visit.</p>}
      <ul>
        {jobs.data?.jobs.map((job) => (
          <JobLine key={job.key} job={job} people={jobs.data.people} deciding={deciding} />
        ))}
      </ul>
      <NoteJob systemId={system.id} byWhen={next} />
    </section>
  );
}
