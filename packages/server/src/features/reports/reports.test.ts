import type { Job, JobsPage, ReportLink, Session } from '@yarnix/core';
import { getDocument, type PDFDocumentProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { execFile } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import sharp from 'sharp';
import request from 'supertest';
import { v7 } from 'uuid';
import { fileAt } from '../../testing/firm-files.ts';
import {
  benchReading,
  makeSystem,
  openSuite,
  startVisit,
  systemBody,
  type MadeSystem,
  type Suite,
} from '../../testing/suite.ts';

const WICKED = '<script>alert(1)</script> & (x) \\) 火';
let suite: Suite;
let system: MadeSystem;
let visit: string;
beforeEach(async () => {
  suite = await openSuite();
  system = await makeSystem(suite.app, { ...systemBody(), customerName: WICKED });
  visit = await startVisit(suite.app, system.id);
});
afterEach(() => suite.close());

const read = (microfarads: number, point: 'herm' | 'fan' = 'herm') =>
  request(suite.app)
    .put(`/api/readings/${v7()}`)
    .send({
      ...benchReading({ visitId: visit, componentId: system.part('run-capacitor') }),
      ...{ point, inputs: { microfarads }, confirmed: true },
    })
    .expect(200);
const close = (note = '') =>
  request(suite.app)
    .put(`/api/visits/${visit}/closing`)
    .send({ closedAt: '2026-10-10T17:00:00.000Z', ...(note ? { note } : {}) })
    .expect(200);

/** A PDF of the server, as a library that reads PDFs has it. */
async function pdf(path: string): Promise<{ bytes: Buffer; doc: PDFDocumentProxy; text: string }> {
  const body = await fileAt(suite.app, path, /^application\/pdf$/);
  const doc = await getDocument({ data: new Uint8Array(body), useSystemFonts: false }).promise;
  const pages = await Promise.all(
    Array.from({ length: doc.numPages }, async (_, i) => (await (await doc.getPage(i + 1)).getTextContent()).items),
  );
  const text = pages
    .flat()
    .map((item) => ('str' in item ? item.str : ''))
    .join(' ')
    .replaceAll(/\s+/g, ' ');
  return { bytes: body, doc, text };
}
const report = `/api/visits/%/report.pdf`;
const ofVisit = (query = '') => pdf(`${report.replace('%', visit)}${query}`);

test('a sound machine has one page, in plain words first and the figures behind', async () => {
  await read(40);
  await read(5, 'fan');
  await close();
  const { doc, text } = await ofVisit();
  expect(doc.numPages).toBe(1);
  expect(text).toContain('Everything we measured is as it should be. 2 readings on 1 part.');
  expect(text.indexOf('As it should be')).toBeLessThan(text.indexOf('What was measured'));
  expect(text).toMatch(/40\.0 [µμ]F/);
  expect(text).toContain('Measured by Test Person.');
  const { width, height } = (await doc.getPage(1)).getViewport({ scale: 1 });
  expect([width, height]).toEqual([612, 792]);
  const a4 = await ofVisit('?paper=a4&text=large');
  const other = (await a4.doc.getPage(1)).getViewport({ scale: 1 });
  expect([Math.round(other.width), Math.round(other.height)]).toEqual([595, 842]);
});

test('it is tagged and named, its fonts are in it, and nothing in it can run', async () => {
  await read(33);
  await close('Dog in the yard, pays late');
  const { bytes, doc, text } = await ofVisit();
  const tree = JSON.stringify(await (await doc.getPage(1)).getStructTree());
  for (const role of ['Document', 'H1', 'H2', 'H3', 'P', 'Table', 'TR', 'TH'])
    expect(tree).toContain(`"role":"${role}"`);
  const { info } = (await doc.getMetadata()) as unknown as { info: { Title: string; Language: string } };
  expect(info).toMatchObject({ Title: 'Report of a maintenance visit, 12 Ropewalk Yard', Language: 'en-US' });
  const raw = bytes.toString('latin1');
  expect(raw.match(/\/FontFile[23]/g)).toHaveLength(2);
  expect(raw).toContain('/MarkInfo');
  expect(raw).not.toMatch(/\/JavaScript|\/JS\b|\/Launch|\/URI/);
  expect(text).toContain('One part needs attention now.');
  expect(text).toContain('Past its limit. It should be replaced now');
  expect(text).toContain('What we propose');
  expect(text).toContain('Fit a new run capacitor');
  expect(text).not.toContain('pays late');
  // What users wrote is text: of what the font has no letter for, a sign that it is missing.
  expect(text).toContain('<script>alert(1)</script> & (x) \\) ?');
});

// Outside check: Debian's qpdf and poppler, which have no code in common with what writes the file or with the reader above.
test('programs of other makers find it whole, tagged, readable in order, and with its fonts', async () => {
  await read(33);
  await read(5, 'fan');
  await close();
  const folder = await mkdtemp(join(tmpdir(), 'report-'));
  const file = join(folder, 'report.pdf');
  const run = async (program: string, ...args: string[]) => (await promisify(execFile)(program, args)).stdout;
  try {
    for (const query of ['', '?paper=a4&text=large']) {
      await writeFile(file, (await ofVisit(query)).bytes);
      expect(await run('qpdf', '--check', file)).toContain('No syntax or stream encoding errors found');
      const info = await run('pdfinfo', file);
      expect(info).toMatch(/^Tagged: +yes$/m);
      expect(info).toMatch(/^JavaScript: +no$/m);
      expect(info).toMatch(/^Encrypted: +no$/m);
      expect(info).toMatch(query ? /^Page size: .*\(A4\)$/m : /^Page size: .*\(letter\)$/m);
      // A line of the table is a font: its name, kind and encoding, then embedded, subset and with a map to letters.
      const fonts = (await run('pdffonts', file)).trim().split('\n').slice(2);
      expect(fonts).toHaveLength(2);
      for (const font of fonts) expect(font).toMatch(/ yes yes yes +\d+ +\d+$/);
      const text = (await run('pdftotext', file, '-')).replaceAll(/\s+/g, ' ');
      expect(text).toMatch(/One part needs attention now\..*Fit a new run capacitor.*What was measured.*33\.0 µF/);
      const tree = await run('pdfinfo', '-struct-text', file);
      expect(tree).toMatch(/^Document/m);
      expect(tree.indexOf('H1')).toBeLessThan(tree.indexOf('Table'));
      expect(tree).toMatch(/TH[^\n]*\n\s+"[^"]+"/);
    }
  } finally {
    await rm(folder, { recursive: true });
  }
});

test('a thread is drawn, and told in words to whoever cannot see it', async () => {
  await read(41);
  await close();
  visit = v7();
  await request(suite.app)
    .put(`/api/visits/${visit}`)
    .send({ systemId: system.id, startedAt: '2026-10-10T17:30:00.000Z' })
    .expect(200);
  await request(suite.app)
    .put(`/api/readings/${v7()}`)
    .send({
      ...benchReading({ visitId: visit, componentId: system.part('run-capacitor') }),
      ...{ inputs: { microfarads: 33 }, confirmed: true, takenAt: '2026-10-10T17:40:00.000Z' },
    })
    .expect(200);
  await request(suite.app)
    .put(`/api/visits/${visit}/closing`)
    .send({ closedAt: '2026-10-10T17:50:00.000Z' })
    .expect(200);
  const { doc } = await ofVisit();
  const trees = await Promise.all(
    Array.from({ length: doc.numPages }, async (_, i) => (await doc.getPage(i + 1)).getStructTree()),
  );
  expect(JSON.stringify(trees)).toMatch(
    /"role":"Figure".*"alt":"[^"]*41\.0.µF on October 10, 2026, 33\.0.µF on October 10/,
  );
});

test('an earlier visit’s report tells of that visit, whatever was read since', async () => {
  await read(40);
  await close();
  const before = (await ofVisit()).text;
  const later = await startVisit(suite.app, system.id, '2026-10-10T17:30:00.000Z');
  await request(suite.app)
    .put(`/api/readings/${v7()}`)
    .send({
      ...benchReading({ visitId: later, componentId: system.part('run-capacitor') }),
      ...{ inputs: { microfarads: 30 }, confirmed: true, takenAt: '2026-10-10T17:40:00.000Z' },
    })
    .expect(200);
  const { text } = await ofVisit();
  expect(text).toContain('Everything we measured is as it should be.');
  // What is proposed is as of today.
  expect(text.replace(/What we propose.*?As it should be/, 'As it should be')).toBe(before);
});

test('a link reads the same as a page that can do nothing, until it is made anew or revoked', async () => {
  await read(33);
  const link = (method: 'get' | 'put' | 'delete') => request(suite.app)[method](`/api/visits/${visit}/report-link`);
  await link('put').send({}).expect(409);
  await close();
  expect((await link('get').expect(200)).body).toEqual({ visitId: visit, since: null, path: null });
  const { path } = (await link('put').send({}).expect(200)).body as ReportLink;
  const page = await request(suite.app).get(path!).expect(200);
  expect(page.headers['content-security-policy']).toContain("default-src 'none'");
  expect(page.text).toContain('&lt;script&gt;alert(1)&lt;/script&gt; &amp; (x)');
  expect(page.text).not.toContain('<script');
  expect(page.text).toContain('One part needs attention now.');
  expect((await pdf(`${path}.pdf`)).text).toContain('One part needs attention now.');
  const { path: other } = (await link('put').send({}).expect(200)).body as ReportLink;
  await request(suite.app).get(path!).expect(404);
  await request(suite.app).get(other!).expect(200);
  expect((await link('delete').expect(200)).body).toEqual({ visitId: visit, since: null, path: null });
  await request(suite.app).get(other!).expect(404);
  expect(await suite.db('report_links')).toEqual([]);
});

test('the firm’s own head stands on it; nobody else’s visit is reported', async () => {
  await read(40);
  await close();
  const head = (body: object) => request(suite.app).put('/api/report-head').send(body);
  await head({ name: ' ', line: '' }).expect(422);
  await head({ name: 'Bracken & Sons', line: 'License 12-345' }).expect(200);
  const { text } = await ofVisit();
  expect(text).toContain('Bracken & Sons License 12-345');
  const theirs = suite.appFor(await suite.addFirm('Other'));
  await request(theirs).get(report.replace('%', visit)).expect(404);
  await request(theirs).put(`/api/visits/${visit}/report-link`).send({}).expect(404);
  await request(suite.app).get(`/api/visits/${v7()}/report.pdf`).expect(404);
  await request(suite.app)
    .get(`${report.replace('%', visit)}?paper=papyrus`)
    .expect(422);
});

test('photos of damage are in it with what they show; plates and wires are not', async () => {
  const jpeg = await sharp({ create: { width: 1600, height: 1200, channels: 3, background: '#884422' } })
    .jpeg()
    .toBuffer();
  const webp = await sharp({ create: { width: 300, height: 900, channels: 3, background: '#224488' } })
    .webp()
    .toBuffer();
  const photo = (subject: string, bytes: Buffer, more: Record<string, string> = {}) =>
    request(suite.app)
      .put(`/api/photos/${v7()}`)
      .query({ systemId: system.id, visitId: visit, subject, takenAt: '2026-10-10T14:30:00.000Z', ...more })
      .set('content-type', 'application/octet-stream')
      .send(bytes)
      .expect(200);
  await read(40);
  await photo('damage', jpeg, { componentId: system.part('run-capacitor'), note: WICKED });
  await photo('other', webp);
  await photo('plate', jpeg);
  await close();
  const { bytes, doc, text } = await ofVisit();
  expect(text).toContain('Seen on this visit');
  expect(text).toContain('Damage, run capacitor');
  expect(text).toContain('Photo of the visit');
  // Two pictures are in it, made no larger than they print; each says what it shows to whoever cannot see it.
  expect(bytes.length).toBeLessThan(400_000);
  expect(bytes.toString('latin1').match(/\/Subtype \/Image/g)).toHaveLength(2);
  const said = JSON.stringify(await (await doc.getPage(1)).getStructTree());
  expect(said).toContain('"alt":"Photo of the visit"');
  const { body } = await request(suite.app).put(`/api/visits/${visit}/report-link`).expect(200);
  const page = await request(suite.app)
    .get((body as ReportLink).path!)
    .expect(200);
  expect(page.headers['content-security-policy']).toContain('img-src data:');
  expect(page.text.match(/<img alt="[^"]*" src="data:image\/jpeg;base64,[A-Za-z0-9+/=]{200,}"/g)).toHaveLength(2);
  expect(page.text).not.toContain('<script>');
});

test('nothing that was typed for the firm is in report, page or the customer’s calendar, nor what is typed later', async () => {
  let planted = 0;
  /** A word that stands nowhere else. */
  const plant = () => `planted${(planted += 1)}word`;
  const put = (path: string, body: object, status = 200) => request(suite.app).put(path).send(body).expect(status);
  const me = ((await request(suite.app).get('/api/session').expect(200)).body as Session).person.id;
  const call = {
    ...{ kind: 'call', complaints: ['cools-weakly'], since: 'days', atTimes: false, said: plant() },
    ...{ doubted: [], skipped: [], idle: [], repaired: [] },
  };
  await put(`/api/visits/${visit}/call`, { ...call, outcome: null });
  const reading = v7();
  await put(`/api/readings/${reading}`, {
    ...benchReading({ visitId: visit, componentId: system.part('run-capacitor') }),
    ...{ inputs: { microfarads: 33 }, confirmed: true, note: plant() },
  });
  await put(`/api/readings/${reading}/ruling`, { standing: 'act', why: plant(), withdrawn: false });
  await read(3, 'fan');
  await put(`/api/follow-ups/${v7()}`, {
    ...{ visitId: visit, componentId: system.part('compressor'), kind: 'compressor-amps', point: 'common' },
    ...{ method: 'clamp', reason: 'other', note: plant(), dueOn: '2026-12-15', putOffAt: '2026-10-10T15:00:00.000Z' },
  });
  await put(`/api/loose-ends/${v7()}`, {
    ...{ visitId: visit, code: null, text: plant(), openedAt: '2026-10-10T14:10:00.000Z', putBackAt: null },
    leftBecause: plant(),
  });
  await put(`/api/events/${v7()}`, {
    ...{ visitId: visit, kind: 'other-repair', on: '2026-10-10', note: plant(), change: null, withdrawn: false },
  });
  await request(suite.app)
    .put(`/api/photos/${v7()}`)
    .query({
      systemId: system.id,
      visitId: visit,
      subject: 'damage',
      takenAt: '2026-10-10T14:30:00.000Z',
      note: plant(),
    })
    .set('content-type', 'application/octet-stream')
    .send(
      await sharp({ create: { width: 40, height: 30, channels: 3, background: '#884422' } })
        .jpeg()
        .toBuffer(),
    )
    .expect(200);
  await put(`/api/visits/${visit}/call`, {
    ...call,
    outcome: { is: 'for-now', faults: [], note: plant(), byWhen: '2026-10-20' },
  });
  await close(plant());
  const { path } = (await put(`/api/visits/${visit}/report-link`, {})).body as ReportLink;
  // After the link went out: jobs by hand, and decisions on all that is proposed.
  const byHand = async () => {
    const body = { text: plant(), byWhen: '2026-10-20', minutes: 30 };
    return (await put(`/api/systems/${system.id}/jobs/${v7()}`, body)).body as Job;
  };
  const decide = (job: Job, decision: object) =>
    put(`/api/jobs/${job.key}`, { note: plant(), day: null, personId: null, version: job.version, ...decision });
  await byHand();
  await decide(await byHand(), { decision: 'declined' });
  const planned = await byHand();
  await decide(planned, { decision: 'accepted', day: '2026-10-13', personId: me });
  const { jobs } = (await request(suite.app).get(`/api/jobs?systemId=${system.id}`).expect(200)).body as JobsPage;
  const [part, ...others] = jobs.filter(({ source }) => source === 'part');
  await decide(part!, { decision: 'declined' });
  for (const job of others) await decide(job, { decision: 'accepted', day: '2026-10-14', personId: me });

  const page = (await request(suite.app).get(path!).expect(200)).text;
  const texts = [page, (await ofVisit()).text, (await pdf(`${path}.pdf`)).text];
  for (const { key } of [planned, ...others])
    texts.push((await request(suite.app).get(`/api/jobs/${key}/event.ics`).expect(200)).text);
  for (const text of texts) expect(text.replaceAll(/\r?\n /g, '').match(/planted\d+word/g)).toBeNull();
  // They were planted where the firm reads them, and what is the owner's is told.
  expect(planted).toBeGreaterThan(12);
  expect(JSON.stringify((await request(suite.app).get(`/api/systems/${system.id}`)).body)).toMatch(/planted\d+word/);
  expect(page).toContain('What you declined');
  expect(page).toContain('As the technician judged it on site.');
});
