import { idSchema, reportHeadSchema, reportLinkSchema } from '@yarnix/core';
import type { Express, Response } from 'express';
import { pipeline } from 'node:stream/promises';
import { z } from 'zod';
import { bytesRoute, route } from '../../http/route.ts';
import type { Services } from '../../services.ts';
import { reportHtml } from './report-html.ts';
import type { WholeReport } from './service.ts';

const params = z.object({ id: idSchema });
const lookSchema = z.object({
  paper: z.enum(['letter', 'a4']).default('letter'),
  text: z.enum(['usual', 'large']).default('usual'),
});
type Look = z.infer<typeof lookSchema>;

async function sendPdf(
  { report, head, pictures }: WholeReport,
  { paper, text }: Look,
  response: Response,
): Promise<void> {
  const name = `report ${report.address} ${report.day}.pdf`.replaceAll(/[^\w .,-]+/g, ' ');
  response.attachment(name).type('application/pdf');
  // Its fonts and compressors are a quarter of all a start would load.
  const { reportPdf } = await import('./report-pdf.ts');
  await pipeline(reportPdf(report, head, { paper, size: text, pictures }), response);
}

export const reportsRoutes = ({ reports }: Services) => [
  bytesRoute({
    path: '/api/visits/:id/report.pdf',
    summary: 'What the owner is given of a closed visit, as a PDF on US Letter or A4, in one of two sizes of text',
    permission: 'look',
    params,
    query: lookSchema,
    respond: async ({ context, params: { id }, query }, response) =>
      sendPdf(await reports.report(context, id), query, response),
  }),
  route({
    method: 'get',
    path: '/api/visits/:id/report-link',
    summary: 'Since when a visit’s report can be read by a link',
    permission: 'look',
    params,
    reply: reportLinkSchema,
    handle: ({ context, params: { id } }) => reports.link(context, id),
  }),
  route({
    method: 'put',
    path: '/api/visits/:id/report-link',
    summary: 'Make the secret link of a visit’s report; an earlier one reads nothing any more',
    permission: 'record',
    params,
    reply: reportLinkSchema,
    handle: ({ context, params: { id } }) => reports.share(context, id),
  }),
  route({
    method: 'delete',
    path: '/api/visits/:id/report-link',
    summary: 'Revoke the link of a visit’s report',
    permission: 'record',
    params,
    reply: reportLinkSchema,
    handle: ({ context, params: { id } }) => reports.revoke(context, id),
  }),
  route({
    method: 'get',
    path: '/api/report-head',
    summary: 'What stands at the head of the firm’s reports',
    permission: 'look',
    reply: reportHeadSchema,
    handle: ({ context }) => reports.head(context),
  }),
  route({
    method: 'put',
    path: '/api/report-head',
    summary: 'Change what stands at the head of the firm’s reports',
    permission: 'manage',
    body: reportHeadSchema,
    reply: reportHeadSchema,
    handle: ({ context, body }) => reports.keepHead(context, body),
  }),
];

/** Nothing of a report is fetched or run: what users wrote into it is shown, and can do nothing. */
const INERT =
  "default-src 'none'; img-src data:; style-src 'unsafe-inline'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";

/** A report by its secret link: who has the link may read it, and is asked nothing else. */
export function serveReports(app: Express, { reports }: Services): void {
  app.get('/report/:secret', async (request, response) => {
    const { secret } = request.params;
    const look = lookSchema.safeParse(request.query);
    const how = look.success ? look.data : lookSchema.parse({});
    response.set({ 'cache-control': 'no-store', 'referrer-policy': 'no-referrer', 'x-robots-tag': 'noindex' });
    if (secret.endsWith('.pdf')) {
      await sendPdf(await reports.bySecret(secret.slice(0, -'.pdf'.length)), how, response);
      return;
    }
    const { report, head, pictures } = await reports.bySecret(secret);
    response
      .set('content-security-policy', INERT)
      .type('html')
      .send(reportHtml(report, head, { size: how.text, pictures }));
  });
}
