import type { OwnerReport, ReportHead } from '@yarnix/core';
import { PdfPage, SOFT, type Doc, type Paper } from './pdf-page.ts';
import type { Printable } from '../photos/picture.ts';
import type { TextSize } from './report-html.ts';

/** A report as a PDF: tagged, its text can be selected, its fonts are in it, and it reads without color. */
export function reportPdf(
  report: OwnerReport,
  head: ReportHead,
  { paper, size, pictures }: { paper: Paper; size: TextSize; pictures: ReadonlyMap<string, Printable> },
): Doc {
  const title = `${report.title}, ${report.address}`;
  const page = new PdfPage(title, head, paper, size);
  page.text('P', head.name, { font: 'bold', size: 'part', gap: 0 });
  if (head.line !== '') page.text('P', head.line, { size: 'behind', color: SOFT });
  page.rule();
  page.text('P', `${report.title}, ${report.day}`, { size: 'behind', color: SOFT });
  page.text('H1', report.headline, { font: 'bold', size: 'title', gap: 5 });
  page.text('P', `${report.customerName}, ${report.address}`, { gap: 0 });
  page.text('P', `${report.machine}. Measured by ${report.technician}.`, { size: 'behind', color: SOFT });
  if (report.call !== null) page.text('P', `How the call ended: ${report.call}`, { font: 'bold' });
  if (report.parts.length > 0) page.heading('What needs a word');
  for (const part of report.parts) {
    page.text('H3', `${part.name}: ${part.standingName}`, { font: 'bold', size: 'part', gap: 1 });
    page.text('P', part.says, { gap: 1 });
    page.text('P', part.number, { size: 'behind', color: SOFT, gap: 5 });
    if (part.thread) page.figure(part.thread);
  }
  if (report.proofs.length > 0) page.heading('Before and after');
  page.list(
    report.proofs.map(({ title: done, says, readings }) => ({
      strong: `${done}: ${says}`,
      text: readings
        .map((r) => `${r.title}: ${r.before} before${r.after === null ? '' : `, ${r.after} after`}`)
        .join('; '),
    })),
  );
  if (report.photos.length > 0) page.heading('Seen on this visit');
  page.photos(
    report.photos.flatMap(({ id, words }) => {
      const picture = pictures.get(id);
      return picture ? [{ ...picture, words }] : [];
    }),
  );
  if (report.proposed.length > 0) page.heading('What we propose');
  page.list(report.proposed.map(({ title: what, why, when }) => ({ strong: what, text: `${when}. ${why}` })));
  if (report.declined.length > 0) page.heading('What you declined');
  page.list(report.declined.map((text) => ({ text })));
  if (report.open.length > 0) page.heading('Still to do');
  page.list(report.open.map((text) => ({ text })));
  if (report.sound.length > 0) {
    page.heading('As it should be');
    page.text('P', `${report.sound.join(', ')}.`);
  }
  if (report.figures.length + report.looked.length > 0) page.heading('What was measured');
  if (report.figures.length > 0) page.table(report.figures);
  if (report.looked.length > 0)
    page.text('P', `Looked at and found right: ${report.looked.join(', ')}.`, { size: 'behind', gap: 6 });
  page.text('P', report.caution, { size: 'small', color: SOFT });
  return page.end(`${head.name} · ${report.address} · ${report.day}`);
}
