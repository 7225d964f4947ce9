import { beforeWords, jobTitle, jobWhy } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { queries } from '../app/queries.ts';

/** What is planned on this system, and what its owner declined before: told at the start of a visit. */
export function JobsHere({ systemId }: { systemId: string }) {
  const { data } = useQuery(queries.jobs(new URLSearchParams({ systemId }).toString()));
  if (!data || data.jobs.length === 0) return null;
  return (
    <section aria-label="To do here" className="grid gap-1 border-t border-rule py-2">
      <h2 className="label">To do here</h2>
      <ul className="grid gap-1">
        {data.jobs.map((job) => (
          <li key={job.key} className="text-[15px]">
            <strong>{jobTitle(job)}</strong>{' '}
            {job.decision === 'declined'
              ? `Declined by the owner: ${job.note}. Say it again.`
              : `${beforeWords(job)}. ${jobWhy(job)}`}
          </li>
        ))}
      </ul>
    </section>
  );
}
