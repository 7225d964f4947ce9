import type { Job } from '../http/jobs.ts';
import { promiseWords } from './days.ts';
import { jobProof, jobTitle, jobWhy } from './jobs.ts';

/** How a planned job stands in a calendar: "3 Bobbin Hill: fit a new run capacitor", and what to know before one drives there. */
export function calendarWords(job: Job): { readonly summary: string; readonly description: string } {
  const why = jobWhy(job);
  return {
    summary: `${job.address}: ${jobTitle(job)}`,
    description: [
      job.area ? `${job.customerName}, ${job.area}` : job.customerName,
      job.window ? `Promised ${promiseWords(job.window)}.` : '',
      why,
      job.note,
      `${job.minutes} minutes. Done when: ${jobProof(job)}.`,
    ]
      .filter((line) => line !== '')
      .join('\n'),
  };
}

/** The same for whoever it is done for: nothing that somebody typed for the firm, a job noted by hand included. */
export const visitWords = (job: Job): { readonly summary: string; readonly description: string } => ({
  summary: `${job.address}: ${job.does === 'other' ? 'service visit' : jobTitle(job)}`,
  description: [job.customerName, job.window ? `Promised ${promiseWords(job.window)}.` : '']
    .filter((line) => line !== '')
    .join('\n'),
});
