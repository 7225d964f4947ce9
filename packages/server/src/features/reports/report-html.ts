import escape from 'escape-html';
import type { OwnerReport, ReportHead, ReportThread } from '@yarnix/core';
import type { Printable } from '../photos/picture.ts';
import { threadFigure, type Spot } from './thread-figure.ts';

/** How large its text is. */
export type TextSize = 'usual' | 'large';

/** Room for the labels of a drawing, in its units. */
const RIGHT = 108;

const at = ([x, y]: Spot): string => `${x.toFixed(1)},${y.toFixed(1)}`;

function drawing(thread: ReportThread): string {
  const figure = threadFigure(thread, { width: 560, height: 150, right: RIGHT });
  const { width, height, knots, limit, baseline, ahead } = figure;
  const level = (y: number, label: string, look: string) =>
    `<line x1="0" x2="${width - RIGHT}" y1="${y}" y2="${y}" ${look}/><text x="${width - RIGHT + 4}" y="${y + 4}">${escape(label)}</text>`;
  return `<svg role="img" aria-label="${escape(thread.words)}" viewBox="0 0 ${width} ${height}">${
    baseline ? level(baseline.y, baseline.label, 'stroke="#888" stroke-dasharray="1 3"') : ''
  }${limit ? level(limit.y, limit.label, 'stroke="#8c3c14" stroke-dasharray="6 3"') : ''}${
    ahead
      ? `<polygon points="${[ahead.from, ahead.high, ahead.low].map(at).join(' ')}" fill="#e4d6c6"/><line x1="${ahead.from[0]}" y1="${ahead.from[1]}" x2="${ahead.to[0]}" y2="${ahead.to[1]}" stroke="#1a1a1a" stroke-dasharray="3 3"/>`
      : ''
  }<polyline points="${knots.map(at).join(' ')}" fill="none" stroke="#1a1a1a" stroke-width="2"/>${knots
    .map(([x, y]) => `<circle cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" r="3.5"/>`)
    .join('')}${figure.labels
    .map(
      ({ at: [x, y], text, align }) =>
        `<text x="${x}" y="${y}" text-anchor="${align === 'left' ? 'start' : 'end'}">${escape(text)}</text>`,
    )
    .join('')}</svg>`;
}

const section = (title: string, inner: string): string =>
  inner === '' ? '' : `<section><h2>${escape(title)}</h2>${inner}</section>`;
const list = (lines: readonly string[]): string =>
  lines.length === 0 ? '' : `<ul>${lines.map((line) => `<li>${line}</li>`).join('')}</ul>`;

const STYLE = `
  body { margin: 0 auto; max-width: 46rem; padding: 1.5rem 1rem 3rem; background: #fdfaf4; color: #1a1a1a; font: 1.06rem/1.45 system-ui, sans-serif; }
  body.large { font-size: 1.35rem; }
  h1 { font-size: 1.75em; line-height: 1.15; margin: 0.4em 0; } h2 { font-size: 1.25em; margin: 1.6em 0 0.4em; border-top: 1px solid #a89; padding-top: 0.7em; }
  h3 { font-size: 1.1em; margin: 1em 0 0.1em; } p { margin: 0.2em 0; } .behind, .label, svg text { color: #555; font-size: 0.86em; } svg { width: 100%; height: auto; } svg text { font-size: 12px; fill: #333; }
  ul { padding-left: 1.2em; margin: 0.3em 0; } table { border-collapse: collapse; width: 100%; font-size: 0.9em; } td, th { text-align: left; padding: 0.2em 0.6em 0.2em 0; border-bottom: 1px solid #ddd; vertical-align: top; }
  figure { display: inline-block; width: 47%; margin: 0.4em 2% 0.4em 0; vertical-align: top; } figure img { width: 100%; height: auto; }
  a { color: #8c3c14; } @media print { body { background: #fff; } }`;

/** A report as a page of its own: what users wrote is text and nothing else, and nothing is fetched. */
export function reportHtml(
  report: OwnerReport,
  head: ReportHead,
  { size, pictures }: { size: TextSize; pictures: ReadonlyMap<string, Printable> },
): string {
  const { parts, proofs, proposed, declined, figures } = report;
  const partOf = (part: OwnerReport['parts'][number]) =>
    `<h3>${escape(part.name)}: ${escape(part.standingName)}</h3><p>${escape(part.says)}</p><p class="behind">${escape(part.number)}</p>${part.thread ? `<p class="label">${escape(part.thread.title)}</p>${drawing(part.thread)}` : ''}`;
  const proofOf = ({ title, says, readings }: OwnerReport['proofs'][number]) =>
    `<p><strong>${escape(title)}</strong>: ${escape(says)}</p>${list(readings.map((r) => escape(`${r.title}: ${r.before} before${r.after === null ? '' : `, ${r.after} after`}`)))}`;
  const photo = ({ id, words }: OwnerReport['photos'][number]) =>
    `<figure><img alt="${escape(words)}" src="data:image/jpeg;base64,${pictures.get(id)?.jpeg.toString('base64') ?? ''}"><figcaption class="behind">${escape(words)}</figcaption></figure>`;
  const row = (f: OwnerReport['figures'][number]) =>
    `<tr><td>${escape(f.title)}</td><td>${escape(f.value)}${f.standing === null ? '' : `: <strong>${escape(f.standing)}</strong>`}</td></tr>`;
  return `<!doctype html><html lang="en-US"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta name="robots" content="noindex"><title>${escape(`${report.title}, ${report.address}`)}</title><style>${STYLE}</style></head><body class="${size}"><header><p><strong>${escape(head.name)}</strong></p>${head.line === '' ? '' : `<p class="label">${escape(head.line)}</p>`}</header><main><p class="label">${escape(`${report.title}, ${report.day}`)}</p><h1>${escape(report.headline)}</h1><p>${escape(`${report.customerName}, ${report.address}`)}</p><p class="label">${escape(`${report.machine}. Measured by ${report.technician}.`)}</p>${report.call === null ? '' : `<p><strong>How the call ended:</strong> ${escape(report.call)}</p>`}${section('What needs a word', parts.map(partOf).join(''))}${section('Before and after', proofs.map(proofOf).join(''))}${section(
    'Seen on this visit',
    report.photos
      .filter(({ id }) => pictures.has(id))
      .map(photo)
      .join(''),
  )}${section('What we propose', list(proposed.map((p) => `<strong>${escape(p.title)}</strong> ${escape(`${p.when}. ${p.why}`)}`)))}${section('What you declined', list(declined.map(escape)))}${section('Still to do', list(report.open.map(escape)))}${section('As it should be', report.sound.length === 0 ? '' : `<p>${escape(`${report.sound.join(', ')}.`)}</p>`)}${section('What was measured', figures.length === 0 ? '' : `<table><thead><tr><th>Reading</th><th>Measured</th></tr></thead><tbody>${figures.map(row).join('')}</tbody></table>`)}${report.looked.length === 0 ? '' : `<p>${escape(`Looked at and found right: ${report.looked.join(', ')}.`)}</p>`}<p class="label">${escape(report.caution)}</p></main></body></html>`;
}
