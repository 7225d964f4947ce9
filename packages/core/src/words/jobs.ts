import { SLOT_NAMES } from '../equipment/component.ts';
import type { Job } from '../http/jobs.ts';
import type { JobBefore, JobDoes } from '../planning/job.ts';
import { dateOf, dayOf } from '../quantity/day.ts';
import { isOwn } from '../quantity/own.ts';
import { readingKind, titleOn } from '../readings/registry.ts';
import { PUT_OFF_REASONS } from '../round/put-off.ts';
import { FAULT_NAMES } from './fault-names.ts';
import { CERTAIN } from './chances.ts';
import { sayReason } from './reasons.ts';
import { capital, lowered } from './letters.ts';

const DOES: Readonly<Record<JobDoes, string>> = {
  'make-safe': 'Make safe',
  replace: 'Fit a new',
  repair: 'Repair',
  clean: 'Clean',
  adjust: 'Set right:',
  'call-utility': 'Call the utility about the',
  'find-cause': 'Find the cause',
  'measure-again': 'Measure',
  read: 'Take',
  finish: 'Finish the repair',
  propose: 'Come back for the proposal',
  round: 'Go its round',
  other: 'To do',
};

/** Below this chance a part is not told of as fraying. */
const TOLD_FROM = 0.05;

/** What a decision is called. */
export const DECISION_NAMES: Readonly<Record<Job['decision'], string>> = {
  proposed: 'To decide',
  accepted: 'Planned',
  declined: 'Declined',
  done: 'Done',
};

/** "Coil sensor error"; with the part where a system has several of its kind. */
function readingName({ reading, slot }: Pick<Job, 'reading' | 'slot'>): string {
  const kind = reading && readingKind(reading.kind);
  if (!kind) return reading?.kind ?? '';
  const component = { slot: slot ?? 'supply', kind: kind.component, plate: {}, fittedOn: null };
  const [part, title] = titleOn(kind, reading.point, component).split(': ');
  return title ? `${part ?? ''} ${lowered(title)}` : (part ?? '');
}
const faultNames = ({ faults }: Pick<Job, 'faults'>): string =>
  faults.map((id) => (isOwn(FAULT_NAMES, id) ? FAULT_NAMES[id].toLowerCase() : id)).join(', ');

/** What is to do, as a headline: "Fit a new run capacitor, 40+5 µF 440 V". */
export function jobTitle(job: Pick<Job, 'does' | 'slot' | 'part' | 'reading' | 'faults' | 'text'>): string {
  if (job.does === 'other') return job.text;
  if (job.does === 'round') return DOES.round;
  if (job.does === 'read') return `${DOES.read} ${lowered(readingName(job))}`;
  if (job.does === 'measure-again') return `${DOES['measure-again']} ${lowered(readingName(job))} again`;
  if (job.does === 'find-cause') return `${DOES['find-cause']}: ${lowered(readingName(job))}`;
  if (job.slot === null) {
    const faults = faultNames(job);
    return faults ? `${DOES[job.does]}: ${faults}` : DOES[job.does];
  }
  const part = SLOT_NAMES[job.slot].toLowerCase();
  if (job.does === 'make-safe') return `${DOES['make-safe']}: ${part}`;
  return `${DOES[job.does]} ${part}${job.does === 'replace' && job.part ? `, ${job.part}` : ''}`;
}

const percent = (chance: number): string => {
  const share = 100 * chance;
  return share < 0.1 ? 'under 0.1 %' : `${share < 10 ? share.toFixed(1) : share.toFixed(0)} %`;
};

/** Why a round is due: how long ago the last one is, what frays most, and what a week more may cost. */
function roundWhy({ lastRound, chance, most }: NonNullable<Job['round']>): string {
  const last = lastRound === null ? 'No round yet.' : `Last round ${dateOf(dayOf(lastRound))}.`;
  if (!most || most.past < TOLD_FROM) return `${last} Nothing is known to fray.`;
  const part = capital(SLOT_NAMES[most.slot].toLowerCase());
  const frays =
    most.past >= CERTAIN
      ? `${part}: past its limit.`
      : `${part}: ${percent(most.past)} past its limit within six weeks.`;
  return `${last} ${frays} A week more: ${percent(chance)} that something fails.`;
}

/** Why it is to do: the verdict's reason, what a person wrote, or what a round's wait may cost. */
export function jobWhy({
  because,
  putOff,
  text,
  does,
  round,
}: Pick<Job, 'because' | 'putOff' | 'text' | 'does' | 'round'>): string {
  if (round) return roundWhy(round);
  if (because) return sayReason(because);
  const wrote = does === 'other' ? '' : text;
  return [putOff ? `Put off: ${PUT_OFF_REASONS[putOff].label.toLowerCase()}` : '', wrote].filter(Boolean).join('. ');
}

const BEFORES: Readonly<Record<JobBefore, string>> = {
  now: 'At once',
  soon: 'Within the week',
  heat: 'Before the first heat',
  frost: 'Before the first frost',
  round: 'By the next round',
  day: 'By the day set',
  'left-long': 'Left long',
  months: 'By its months',
  frays: 'Sooner, as it frays',
};

/** By when, in words: "Before the first heat". */
export const beforeWords = ({ before }: Pick<Job, 'before'>): string => BEFORES[before];

/** What proves it done, and closes it. */
export function jobProof(job: Pick<Job, 'source' | 'does' | 'reading' | 'slot'>): string {
  if (job.source === 'round') return 'The round itself, closed';
  if (job.source === 'hand') return 'Whoever did it says so';
  if (job.source === 'call') return 'The call of the complaint made once more, and it runs';
  if (job.does === 'read') return 'The reading itself';
  return `${readingName(job)}, read sound again`;
}
