import type { OwnerReport, ReportHead, ReportThread } from '@yarnix/core';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import type { Printable } from '../photos/picture.ts';
import type { TextSize } from './report-html.ts';
import { threadFigure } from './thread-figure.ts';

export type Paper = 'letter' | 'a4';

const require = createRequire(import.meta.url);
const FONTS = {
  plain: readFileSync(require.resolve('@fontsource/archivo/files/archivo-latin-400-normal.woff')),
  bold: readFileSync(require.resolve('@fontsource/archivo/files/archivo-latin-700-normal.woff')),
};
type Font = keyof typeof FONTS;

const [MARGIN, FOOT] = [54, 40];
export const SOFT = '#4d4d4d';
const [INK, RULE, COPPER, FRAY] = ['#1a1a1a', '#b8b0a4', '#8c3c14', '#e4d6c6'];
/** Points of each kind of text; the large theme has them by as much larger. */
const SIZES = { title: 20, heading: 13.5, part: 12, text: 10.5, behind: 9, small: 8 };
const LARGER: Readonly<Record<TextSize, number>> = { usual: 1, large: 1.3 };
const FIGURE_HEIGHT = 92;
const FIGURE_RIGHT = 74;
const PHOTO_HEIGHT = 190;
/** Half of what lies between two columns. */
const COLUMN_GAP = 9;

export type Doc = PDFKit.PDFDocument;
type Element = PDFKit.PDFStructureElement;

/** A document that is written from top to bottom, each piece of it tagged as what it is. */
export class PdfPage {
  readonly doc: Doc;
  private readonly root: Element;
  private readonly larger: number;
  private readonly has: (letter: string) => boolean;

  constructor(title: string, head: ReportHead, paper: Paper, size: TextSize) {
    this.doc = new PDFDocument({
      size: paper === 'letter' ? 'LETTER' : 'A4',
      margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: MARGIN + FOOT },
      bufferPages: true,
      pdfVersion: '1.7',
      tagged: true,
      lang: 'en-US',
      displayTitle: true,
      info: { Title: title, Author: head.name, Creator: 'Yarnix' },
    });
    for (const [name, data] of Object.entries(FONTS)) this.doc.registerFont(name, data);
    this.larger = LARGER[size];
    this.root = this.doc.struct('Document');
    this.doc.addStructure(this.root);
    this.doc.font('plain');
    const font = (this.doc as unknown as { _font: { font: { hasGlyphForCodePoint(code: number): boolean } } })._font
      .font;
    this.has = (letter) => font.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0);
  }

  get width(): number {
    return this.doc.page.width - 2 * MARGIN;
  }

  /** Text as the shipped font can set it: what it has no letter for is written out, or shown as missing. */
  clean(text: string): string {
    const known = text.replaceAll('Ω', 'ohms').replaceAll(/[\t\r]/g, ' ');
    return [...known].map((letter) => (letter === '\n' || this.has(letter) ? letter : '?')).join('');
  }

  /** Begins a new page where less than so much is left, points. */
  need(height: number): void {
    if (this.doc.y + height > this.doc.page.height - MARGIN - FOOT) this.doc.addPage();
  }

  text(
    tag: string,
    text: string,
    {
      font = 'plain',
      size = 'text',
      color = INK,
      gap = 3,
      into = this.root,
      x = MARGIN,
      width = this.width,
    }: {
      font?: Font;
      size?: keyof typeof SIZES;
      color?: string;
      gap?: number;
      into?: Element;
      x?: number;
      width?: number;
    } = {},
  ): void {
    const { doc } = this;
    const points = SIZES[size] * this.larger;
    doc.font(font).fontSize(points);
    this.need(points * 1.4);
    into.add(
      doc.struct(tag, {}, () => {
        doc.font(font).fontSize(points).fillColor(color).text(this.clean(text), x, doc.y, { width, lineGap: 1.5 });
      }),
    );
    doc.y += gap * this.larger;
  }

  heading(text: string): void {
    this.need(60 * this.larger);
    this.rule();
    this.text('H2', text, { font: 'bold', size: 'heading', gap: 4 });
  }

  /** A line that only divides: no reader is told of it. */
  rule(): void {
    const { doc } = this;
    doc.y += 5;
    doc.markContent('Artifact', { type: 'Layout' } as never);
    doc
      .moveTo(MARGIN, doc.y)
      .lineTo(MARGIN + this.width, doc.y)
      .lineWidth(0.7)
      .strokeColor(RULE)
      .stroke();
    doc.endMarkedContent();
    doc.y += 7;
  }

  list(lines: readonly { readonly strong?: string; readonly text: string }[]): void {
    const whole = this.doc.struct('L');
    this.root.add(whole);
    for (const { strong, text } of lines) {
      const item = this.doc.struct('LI');
      whole.add(item);
      if (strong) this.text('LBody', strong, { font: 'bold', into: item, gap: 0 });
      this.text('LBody', text, { into: item, gap: 4 });
      item.end();
    }
    whole.end();
  }

  /** A thread as a vector drawing; what it shows is told in words to whoever cannot see it. */
  figure(thread: ReportThread): void {
    const { doc } = this;
    this.text('P', thread.title, { size: 'behind', color: SOFT, gap: 1 });
    this.need(FIGURE_HEIGHT + 6);
    const top = doc.y;
    this.root.add(doc.struct('Figure', { alt: thread.words }, () => this.draw(thread, top)));
    doc.y = top + FIGURE_HEIGHT + 6;
  }

  /** Photos two beside each other, each with what it shows below it. */
  photos(all: readonly (Printable & { readonly words: string })[]): void {
    const { doc } = this;
    const width = (this.width - 2 * COLUMN_GAP) / 2;
    for (let next = 0; next < all.length; next += 2) {
      const pair = all.slice(next, next + 2);
      const heights = pair.map((photo) => Math.min(PHOTO_HEIGHT, (width * photo.height) / photo.width));
      const high = Math.max(...heights);
      this.need(high + 3 * SIZES.behind * this.larger);
      const top = doc.y;
      let lowest = top;
      pair.forEach(({ words, jpeg }, side) => {
        const left = MARGIN + side * (width + 2 * COLUMN_GAP);
        const alt = this.clean(words);
        this.root.add(doc.struct('Figure', { alt }, () => doc.image(jpeg, left, top, { fit: [width, high] })));
        doc.y = top + high + 3;
        this.text('Caption', words, { size: 'behind', color: SOFT, x: left, width, gap: 4 });
        lowest = Math.max(lowest, doc.y);
      });
      doc.y = lowest + 4;
    }
  }

  private draw(thread: ReportThread, top: number): void {
    const { doc } = this;
    const { knots, limit, baseline, ahead, labels, width } = threadFigure(thread, {
      width: this.width,
      height: FIGURE_HEIGHT,
      right: FIGURE_RIGHT,
    });
    const [x, y] = [(dx: number) => MARGIN + dx, (dy: number) => top + dy];
    const size = SIZES.small;
    const level = (at: number, label: string, color: string, dash: number) => {
      doc
        .moveTo(x(0), y(at))
        .lineTo(x(width - FIGURE_RIGHT), y(at))
        .lineWidth(0.8)
        .dash(dash, { space: 2.5 })
        .strokeColor(color)
        .stroke()
        .undash();
      doc
        .font('plain')
        .fontSize(size)
        .fillColor(SOFT)
        .text(this.clean(label), x(width - FIGURE_RIGHT + 4), y(at) - 4, { width: 70, lineBreak: false });
    };
    if (ahead) {
      const [from, high, low, to] = [ahead.from, ahead.high, ahead.low, ahead.to];
      doc.polygon([x(from[0]), y(from[1])], [x(high[0]), y(high[1])], [x(low[0]), y(low[1])]).fill(FRAY);
      doc
        .moveTo(x(from[0]), y(from[1]))
        .lineTo(x(to[0]), y(to[1]))
        .lineWidth(1)
        .dash(3, { space: 2 })
        .strokeColor(INK)
        .stroke()
        .undash();
    }
    if (baseline && (!limit || Math.abs(baseline.y - limit.y) > 9)) level(baseline.y, baseline.label, SOFT, 1);
    if (limit) level(limit.y, limit.label, COPPER, 5);
    knots.forEach(([kx, ky], i) => (i === 0 ? doc.moveTo(x(kx), y(ky)) : doc.lineTo(x(kx), y(ky))));
    doc.lineWidth(1.4).strokeColor(INK).stroke();
    for (const [kx, ky] of knots) doc.circle(x(kx), y(ky), 2.2).fill(INK);
    for (const {
      at: [lx, ly],
      text,
      align,
    } of labels) {
      const from = align === 'left' ? x(lx) : x(lx) - 120;
      doc
        .font('plain')
        .fontSize(size)
        .fillColor(SOFT)
        .text(text, from, y(ly) - 6, { width: 120, align, lineBreak: false });
    }
  }

  /** Figures side by side in two columns of rows: what was read, and what it was. A page is filled before the next begins. */
  table(rows: OwnerReport['figures']): void {
    const { doc } = this;
    const table = doc.struct('Table');
    this.root.add(table);
    const size = SIZES.behind * this.larger;
    const column = (this.width - 2 * COLUMN_GAP) / 2;
    const widths = [column * 0.58, column * 0.42] as const;
    const texts = rows.map(({ title, value, standing }) => [
      this.clean(title),
      this.clean(standing === null ? value : `${value.replace(/\.$/, '')}: ${standing}`),
    ]);
    doc.font('plain').fontSize(size);
    const heights = texts.map(
      (cells) => 3 + Math.max(...cells.map((t, i) => doc.heightOfString(t, { width: (widths[i] ?? 80) - 6 }))),
    );
    for (let next = 0; next < rows.length;) {
      this.need(Math.max(...heights.slice(next, next + 2)));
      const [top, room] = [doc.y, doc.page.height - MARGIN - FOOT - doc.y];
      const all = heights.slice(next).reduce((sum, h) => sum + h, 0);
      // Both columns are as high as each other where what is left fits, and as the page where it does not.
      const high = Math.min(room, Math.max(all / 2, ...heights.slice(next)));
      let lowest = top;
      for (const side of [0, 1]) {
        let y = top;
        // One row at least is set, however high: nothing is left for a page that would be no higher.
        const fits = (h: number) => y + h / 2 <= top + high && y + h <= top + room;
        while (next < rows.length && ((side === 0 && y === top) || fits(heights[next] ?? 0))) {
          this.row(table, texts[next] ?? [], { left: MARGIN + side * (column + 2 * COLUMN_GAP), top: y }, widths, size);
          y += heights[next] ?? 0;
          next += 1;
        }
        lowest = Math.max(lowest, y);
      }
      doc.y = lowest;
    }
    table.end();
  }

  private row(
    table: Element,
    cells: readonly string[],
    { left, top }: { readonly left: number; readonly top: number },
    widths: readonly number[],
    size: number,
  ): void {
    const { doc } = this;
    const row = doc.struct('TR');
    table.add(row);
    cells.forEach((text, i) => {
      const [x, width] = [left + (i === 0 ? 0 : (widths[0] ?? 0)), (widths[i] ?? 80) - 6];
      row.add(
        doc.struct(i === 0 ? 'TH' : 'TD', {}, () => {
          doc
            .font('plain')
            .fontSize(size)
            .fillColor(i === 0 ? SOFT : INK)
            .text(text, x, top, { width });
        }),
      );
    });
    row.end();
  }

  /** The foot of every page, and the end. */
  end(foot: string): Doc {
    const { doc } = this;
    this.root.end();
    const { start, count } = doc.bufferedPageRange();
    for (let i = start; i < start + count; i += 1) {
      doc.switchToPage(i);
      doc.page.margins.bottom = 0;
      doc.markContent('Artifact', { type: 'Pagination', attached: ['Bottom'] } as never);
      doc
        .font('plain')
        .fontSize(SIZES.small)
        .fillColor(SOFT)
        .text(this.clean(`${foot} · page ${i - start + 1} of ${count}`), MARGIN, doc.page.height - MARGIN, {
          width: this.width,
          lineBreak: false,
        });
      doc.endMarkedContent();
    }
    doc.end();
    return doc;
  }
}
