import {
  asOfVisit,
  newRound,
  ownerReport,
  reportHeadSchema,
  roundView,
  type FleetPrior,
  type Job,
  type JobsPage,
  type OwnerReport,
  type Policy,
  type ReportHead,
  type ReportLink,
  type SystemDetail,
} from '@yarnix/core';
import { notFound, ProblemError } from '../../http/problems.ts';
import { digestOfSecret, newSecret } from '../../http/secret.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { printable, type Printable } from '../photos/picture.ts';
import { reportsStore } from './store.ts';

interface Needs {
  readonly systems: { detail(context: RequestContext, id: string): Promise<SystemDetail> };
  readonly session: {
    judging(context: RequestContext): Promise<{ readonly policy: Policy; readonly prior: FleetPrior | undefined }>;
  };
  readonly planning: { zone(context: RequestContext): Promise<string> };
  readonly photos: {
    picture(context: RequestContext, id: string, which: 'bytes'): Promise<{ readonly picture: Buffer }>;
  };
  readonly weekJobs: { ofSystem(context: RequestContext, systemId: string): Promise<JobsPage['jobs']> };
}

/** What is written of a visit, and at its head. */
export interface WholeReport {
  readonly report: OwnerReport;
  readonly head: ReportHead;
  /** Its photos as JPEG, by id. */
  readonly pictures: ReadonlyMap<string, Printable>;
}

/** What owners are given of visits: from the same judging and the same words as the screens. */
export function reportsService({ db, now, needs }: On<Needs>) {
  const store = reportsStore(db);
  const systemOf = async (context: RequestContext, visitId: string): Promise<string> => {
    const systemId = await store.systemOf(context, visitId);
    if (systemId === undefined) throw notFound('visit');
    return systemId;
  };
  const head = async (context: RequestContext): Promise<ReportHead> => {
    const { name, report_head: kept } = await store.head(context);
    const read = reportHeadSchema.safeParse(kept);
    return read.success ? read.data : { name, line: '' };
  };
  const linkOf = async (context: RequestContext, visitId: string, path: string | null): Promise<ReportLink> => {
    const link = await store.link(context, visitId);
    return { visitId, since: link?.made_at.toISOString() ?? null, path: link ? path : null };
  };

  async function report(context: RequestContext, visitId: string): Promise<WholeReport> {
    const systemId = await systemOf(context, visitId);
    const { policy, prior } = await needs.session.judging(context);
    const detail = await needs.systems.detail(context, systemId);
    const visit = detail.visits.find(({ id }) => id === visitId);
    if (!visit) throw notFound('visit');
    if (visit.closedAt === null)
      throw new ProblemError('conflict', 'The visit is still under way: its report is made once it is closed.');
    const system = asOfVisit(detail, visit.closedAt);
    const record = newRound(visitId, systemId, visit.startedAt, visit.season);
    const view = roundView(system, record, policy, Date.parse(visit.closedAt), {}, prior);
    const jobs: readonly Job[] = await needs.weekJobs.ofSystem(context, systemId);
    const written = ownerReport(system, visit, view, { jobs, zone: await needs.planning.zone(context) });
    const pictures = new Map<string, Printable>();
    for (const { id } of written.photos)
      pictures.set(id, await printable((await needs.photos.picture(context, id, 'bytes')).picture));
    return { report: written, head: await head(context), pictures };
  }

  return {
    report,
    head,
    async keepHead(context: RequestContext, asked: ReportHead): Promise<ReportHead> {
      await store.keepHead(context, asked);
      return head(context);
    },
    async link(context: RequestContext, visitId: string): Promise<ReportLink> {
      await systemOf(context, visitId);
      return linkOf(context, visitId, null);
    },
    /** Makes the link of a report anew; the one before reads nothing any more. */
    async share(context: RequestContext, visitId: string): Promise<ReportLink> {
      await report(context, visitId);
      const secret = newSecret();
      await store.keepLink(context, visitId, digestOfSecret(secret), now());
      return linkOf(context, visitId, `/report/${secret}`);
    },
    async revoke(context: RequestContext, visitId: string): Promise<ReportLink> {
      await systemOf(context, visitId);
      await store.revoke(context, visitId);
      return linkOf(context, visitId, null);
    },
    /** A report by the secret of its link. */
    async bySecret(secret: string): Promise<WholeReport> {
      const whose = await store.whose(digestOfSecret(secret));
      if (!whose) throw notFound('report');
      const context = { firmId: whose.firm_id, personId: whose.person_id, permissions: new Set(['look'] as const) };
      return report(context, whose.visit_id);
    },
  };
}
