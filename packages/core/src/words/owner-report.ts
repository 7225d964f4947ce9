import { SLOT_NAMES, type Component, type Point } from '../equipment/component.ts';
import { SYSTEM_KIND_NAMES } from '../equipment/system-kind.ts';
import { roundProofs } from '../fieldwork/proofs.ts';
import type { RoundView } from '../fieldwork/round-view.ts';
import type { Job } from '../http/jobs.ts';
import type { SystemDetail } from '../http/systems.ts';
import type { VisitView } from '../http/visits.ts';
import { askOf } from '../judgment/asks.ts';
import { inlineThread, type InlineThreadData } from '../judgment/inline-thread.ts';
import { dateOf, dayOf } from '../quantity/day.ts';
import { dayIn } from '../quantity/day-in.ts';
import type { ReadingKind } from '../readings/contract/kind.ts';
import { numericKind, readingKind, titleOn } from '../readings/registry.ts';
import { PUT_OFF_REASONS, type PutOffReason } from '../round/put-off.ts';
import type { Because } from '../verdict/reasons.ts';
import { severityOf, STANDING_NAMES, type Standing } from '../verdict/standing.ts';
import { customerSummary, type CustomerSummary, type PartTested } from './customer-summary.ts';
import { sayFindings } from './findings.ts';
import { outcomeWords } from './hunt.ts';
import { beforeWords, jobTitle } from './jobs.ts';
import { capital } from './letters.ts';
import { PROOF_WORDS } from './proof.ts';
import { sayReason } from './reasons.ts';
import { textOf } from './said.ts';
import { sayValue } from './values.ts';

/** A thread that is drawn: its figures, what it is called, and what the drawing shows, in words. */
export interface ReportThread {
  readonly title: string;
  readonly figures: InlineThreadData;
  readonly unit: string;
  readonly words: string;
}

/** A photo of the visit, and what it shows in words. */
export interface ReportPhoto {
  readonly id: string;
  readonly words: string;
}

/**
 * What an owner is given of a visit: plain words first, the numbers behind them. Nothing that somebody typed for the firm is in
 * it: no note, no job noted by hand, no reason for declining, putting off or overruling.
 */
export interface OwnerReport {
  readonly title: string;
  readonly address: string;
  readonly customerName: string;
  readonly machine: string;
  readonly day: string;
  readonly technician: string;
  readonly headline: string;
  /** How a call ended; null of a round. */
  readonly call: string | null;
  readonly parts: readonly (CustomerSummary['parts'][number] & {
    readonly standingName: string;
    readonly thread: ReportThread | null;
  })[];
  readonly sound: readonly string[];
  readonly proofs: readonly {
    readonly title: string;
    readonly says: string;
    readonly readings: readonly { readonly title: string; readonly before: string; readonly after: string | null }[];
  }[];
  /** What was photographed for the owner to see, oldest first. */
  readonly photos: readonly ReportPhoto[];
  readonly open: readonly string[];
  readonly proposed: readonly { readonly title: string; readonly why: string; readonly when: string }[];
  readonly declined: readonly string[];
  /** What was measured; how it stands only where it is not sound. */
  readonly figures: readonly { readonly title: string; readonly value: string; readonly standing: string | null }[];
  /** What was looked at and found right. */
  readonly looked: readonly string[];
  readonly caution: string;
}

/** How a part stands, to whoever lives with it. */
const PLAIN_STANDING: Readonly<Record<Standing, string>> = {
  sound: 'as it should be',
  unproven: 'nothing to compare with yet',
  watch: 'we keep an eye on it',
  act: 'needs attention now',
  stop: 'not safe to run',
};

/** Said under every report: what it is, and what it is not. */
const CAUTION =
  'Measured on the day named above, with the meters of a technician; a part can fail without notice at any time. ' +
  'Electrical and refrigerant work is for licensed people only. If you smell gas or burning, switch the system off, leave the house and call for help.';

/** So many photos at most: a report is no album. */
const MOST_PHOTOS = 8;

/** Photos of a visit that are of damage or whatever else was worth showing; plates and wires are for who works on them. */
function photosOf({ photos, components }: SystemDetail, visitId: string): ReportPhoto[] {
  const shown = photos.filter((p) => p.visitId === visitId && (p.subject === 'damage' || p.subject === 'other'));
  return shown.slice(0, MOST_PHOTOS).map(({ id, subject, componentId }) => {
    const part = components.find((c) => c.id === componentId);
    const what = [subject === 'damage' ? 'damage' : '', part ? SLOT_NAMES[part.slot].toLowerCase() : ''];
    const said = what.filter((word) => word !== '').join(', ');
    return { id, words: said === '' ? 'Photo of the visit' : capital(said) };
  });
}

/** A reading for whoever pays the bill: its figure, or how it stood. */
const sayValueOr = (kind: ReadingKind, { value, standing }: { value: number | null; standing: Standing }): string =>
  value === null ? STANDING_NAMES[standing].toLowerCase() : sayValue(kind, value);

/** Why something stands as it does, for its owner: that a technician overruled it, but not in which words. */
const sayToOwner = (because: Because): string =>
  because.code === 'ruled' ? 'As the technician judged it on site.' : sayReason(because);

/** What was put off, for the owner: what, why by the list, and until when. */
export const openLine = (
  { kind, point, component }: { kind: ReadingKind; point: Point; component: Component },
  { reason, dueOn }: { reason: PutOffReason; dueOn: string },
): string =>
  `${titleOn(kind, point, component)}: ${PUT_OFF_REASONS[reason].label.toLowerCase()}; we will take it by ${dateOf(dayOf(dueOn))}.`;

/** Every part of a system as it stood on a visit, for its owner. */
export const partsTested = (visitId: string, view: RoundView): PartTested[] =>
  view.assessment.parts.map(({ part, standing, chance, lead, threads }) => ({
    slot: part.slot,
    isNew: part.isNew,
    standing,
    chance,
    readings: threads.flatMap((t) => t.readings).filter((r) => r.visitId === visitId).length,
    sentence: lead ? sayToOwner(lead.because) : '',
    asks: lead ? askOf(lead) : 'nothing',
  }));

/** What was done on a visit, each with what was read before and after it. */
export const provedOn = (system: SystemDetail, visitId: string, view: RoundView): OwnerReport['proofs'] =>
  roundProofs(system, visitId, view).map(({ repair, verdict, readings }) => ({
    title: repair.title,
    says: PROOF_WORDS[verdict].toLowerCase(),
    readings: readings.map(({ kind, point, component, before, after }) => ({
      title: titleOn(kind, point, component),
      before: sayValueOr(kind, before),
      after: after && sayValueOr(kind, after),
    })),
  }));

function drawn(view: RoundView, slot: PartTested['slot']): ReportThread | null {
  const part = view.assessment.parts.find((p) => p.part.slot === slot);
  const [leading] = part?.threads ?? [];
  const kind = leading && numericKind(leading.state.kind);
  if (!leading || !kind) return null;
  const figures = inlineThread(leading.state);
  if (figures.points.length < 2) return null;
  const [first, last] = [figures.points[0], figures.points.at(-1)];
  const title = titleOn(kind, leading.state.point, leading.component);
  const limit = figures.limit === null ? '' : ` Limit ${sayValue(kind, figures.limit)}.`;
  const ahead = figures.ahead
    ? ` Expected by ${dateOf(figures.ahead.day)}: ${sayValue(kind, figures.ahead.expected)}, between ${sayValue(kind, figures.ahead.low80)} and ${sayValue(kind, figures.ahead.high80)}.`
    : '';
  return {
    title,
    figures,
    unit: kind.unit,
    words: `${title}: ${sayValue(kind, first?.value ?? 0)} on ${dateOf(first?.day ?? 0)}, ${sayValue(kind, last?.value ?? 0)} on ${dateOf(last?.day ?? 0)}, ${figures.points.length} readings.${limit}${ahead}`,
  };
}

/** Every figure of a visit that counts, and what was looked at and found right. */
function measuredOn(visitId: string, view: RoundView): Pick<OwnerReport, 'figures' | 'looked'> {
  const read = view.assessment.threads.flatMap(({ component, readings, state }) => {
    const reading = readings.findLast((r) => r.visitId === visitId);
    const kind = reading && readingKind(reading.kind);
    if (!reading || !kind) return [];
    const title = titleOn(kind, state.point, component);
    const isSound = state.standing === 'sound';
    const standing = isSound || state.standing === 'unproven' ? null : PLAIN_STANDING[state.standing];
    const found = capital(textOf(sayFindings(reading.findings, state.point)));
    const isLook = reading.value === null && isSound;
    return [{ title, isLook, standing, value: reading.value === null ? found : sayValue(kind, reading.value) }];
  });
  return {
    figures: read.filter(({ isLook }) => !isLook).map(({ title, value, standing }) => ({ title, value, standing })),
    looked: read.filter(({ isLook }) => isLook).map(({ title }) => title),
  };
}

/** What the owner of a system is told of a visit. `system` and `view` as of its end; `jobs` as they are now; its day is one of `zone`. */
export function ownerReport(
  system: SystemDetail,
  visit: VisitView,
  view: RoundView,
  { jobs, zone }: { readonly jobs: readonly Job[]; readonly zone: string },
): OwnerReport {
  const tested = partsTested(visit.id, view);
  const open = system.followUps
    .filter((f) => f.visitId === visit.id)
    .flatMap((f) => {
      const kind = readingKind(f.kind);
      const component = view.components.find(({ id }) => id === f.componentId);
      if (!kind || !component) return [];
      return [openLine({ kind, point: f.point, component }, f)];
    });
  const summary = customerSummary(tested, open);
  const isOpen = ({ decision }: Job) => decision === 'proposed' || decision === 'accepted';
  // What somebody noted by hand is the firm's own.
  const told = jobs.filter(({ source, does }) => source !== 'hand' && does !== 'other');
  return {
    title: visit.call ? 'Report of a service call' : 'Report of a maintenance visit',
    address: system.address,
    customerName: system.customerName,
    machine: capital(SYSTEM_KIND_NAMES[system.kind]),
    day: dateOf(dayIn(zone, visit.startedAt)),
    technician: visit.personName,
    headline: summary.headline.replace(/ today\.$/, '.'),
    call: visit.call?.outcome ? outcomeWords(visit.call.outcome) : null,
    parts: summary.parts.map((part) => ({
      ...part,
      standingName: PLAIN_STANDING[part.standing],
      thread: severityOf(part.standing) >= severityOf('watch') ? drawn(view, part.slot) : null,
    })),
    sound: summary.sound,
    proofs: provedOn(system, visit.id, view),
    photos: photosOf(system, visit.id),
    open: summary.open,
    proposed: told
      .filter((job) => isOpen(job) && job.source !== 'owed' && job.source !== 'round')
      .map((job) => ({
        title: jobTitle(job),
        why: job.because ? sayToOwner(job.because) : '',
        when: beforeWords(job),
      })),
    declined: told.filter(({ decision }) => decision === 'declined').map(jobTitle),
    ...measuredOn(visit.id, view),
    caution: CAUTION,
  };
}
