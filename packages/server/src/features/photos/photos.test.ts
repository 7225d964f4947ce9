import sharp from 'sharp';
import request from 'supertest';
import { v7 } from 'uuid';
import {
  benchReading,
  makeSystem,
  openSuite,
  startVisit,
  systemBody,
  type MadeSystem,
  type Suite,
} from '../../testing/suite.ts';

let suite: Suite;
let system: MadeSystem;
beforeAll(async () => {
  suite = await openSuite();
  system = await makeSystem(suite.app);
});
afterAll(() => suite.close());

const picture = (width = 900, height = 600) =>
  sharp({ create: { width, height, channels: 3, background: '#b87333' } }).jpeg();
const put = (id: string, body: Buffer, over: Record<string, string> = {}) =>
  request(suite.app)
    .put(`/api/photos/${id}`)
    .query({ systemId: system.id, subject: 'plate', takenAt: '2026-10-10T14:00:00.000Z', ...over })
    .set('content-type', 'application/octet-stream')
    .send(body);

test('a photo is kept, shown with its system, and served whole and as a thumbnail', async () => {
  const id = v7();
  const bytes = await picture().toBuffer();
  expect((await put(id, bytes).expect(200)).body).toMatchObject({ id, subject: 'plate', width: 900, height: 600 });
  await put(id, bytes).expect(200);
  const { body } = await request(suite.app).get(`/api/systems/${system.id}`);
  expect(body.photos).toHaveLength(1);
  const whole = await request(suite.app).get(`/api/photos/${id}`).expect(200);
  expect(whole.headers['content-type']).toBe('image/jpeg');
  const thumb = await sharp(
    (await request(suite.app).get(`/api/photos/${id}/thumb`).expect(200)).body as Buffer,
  ).metadata();
  expect([thumb.width, thumb.height]).toEqual([360, 240]);
});

test('a phone’s picture is turned upright, made no larger than needed, and loses where it was taken', async () => {
  const id = v7();
  const tagged = await picture(3000, 2000)
    .withExif({ IFD0: { Make: 'camera' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } })
    .withMetadata({ orientation: 6 })
    .toBuffer();
  const { body } = await put(id, tagged).expect(200);
  expect([body.width, body.height]).toEqual([1600, 2400]);
  const kept = await sharp((await request(suite.app).get(`/api/photos/${id}`)).body as Buffer).metadata();
  expect(kept.exif).toBeUndefined();
});

test('content decides, not the name: text, a page with a script and a cut-off picture are refused', async () => {
  const bytes = await picture().toBuffer();
  for (const body of [
    Buffer.from('not a picture'),
    Buffer.from('<svg onload="alert(1)"/>'),
    bytes.subarray(0, 700),
    Buffer.alloc(0),
  ]) {
    const id = v7();
    expect((await put(id, body).expect(422)).body.code).toBe('photo-refused');
    await request(suite.app).get(`/api/photos/${id}`).expect(404);
  }
});

test('too large is said to be too large', async () => {
  expect((await put(v7(), Buffer.alloc(13 * 1024 * 1024)).expect(413)).body.code).toBe('too-large');
});

test('another firm’s systems, rounds and photos are not there', async () => {
  const id = v7();
  await put(id, await picture(40, 40).toBuffer()).expect(200);
  const theirs = suite.appFor(await suite.addFirm('Second firm'));
  await request(theirs).get(`/api/photos/${id}`).expect(404);
  await put(v7(), await picture(40, 40).toBuffer(), { systemId: v7() }).expect(404);
  await put(v7(), await picture(40, 40).toBuffer(), { visitId: v7() }).expect(404);
  const visitId = await startVisit(suite.app, (await makeSystem(suite.app)).id);
  await put(v7(), await picture(40, 40).toBuffer(), { visitId }).expect(404);
  expect((await put(id, await picture(50, 40).toBuffer()).expect(409)).body.code).toBe('id-taken');
});

test.each([
  ['an empty file', () => Buffer.alloc(0), /empty/],
  [
    'a HEIC photo',
    () => Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(40)]),
    /HEIC.*JPEG/,
  ],
  ['a GIF', () => Buffer.from('GIF89a and so on'), /GIF/],
  ['a PDF', () => Buffer.from('%PDF-1.7 and so on'), /PDF/],
  ['an SVG', () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'), /SVG/],
  ['words', () => Buffer.from('no picture at all'), /no JPEG, PNG or WebP/],
])('%s is refused with its own reason', async (_name, bytes, detail) => {
  const { body } = await put(v7(), bytes()).expect(422);
  expect(body.code).toBe('photo-refused');
  expect(body.detail).toMatch(detail);
});

test('pixels are counted from the header, before anything is unpacked', async () => {
  // 100 megapixels of one color: a small file, 300 MB unpacked.
  const bomb = await sharp({ create: { width: 10_000, height: 10_000, channels: 3, background: '#000' } })
    .png({ compressionLevel: 9 })
    .toBuffer();
  expect(bomb.length).toBeLessThan(2_000_000);
  const before = process.memoryUsage().rss;
  const replies = await Promise.all(Array.from({ length: 6 }, () => put(v7(), bomb)));
  expect(new Set(replies.map((r) => r.status))).toEqual(new Set([422]));
  expect(replies[0]?.body.detail).toBe('The picture has 100 megapixels; at most 50 are taken. Make it smaller.');
  expect(process.memoryUsage().rss - before).toBeLessThan(280_000_000);
});

test('many at once wait in one queue, and those beyond it hear when to come back', async () => {
  const bytes = await picture(4000, 3000).toBuffer();
  const replies = await Promise.all(Array.from({ length: 24 }, () => put(v7(), bytes)));
  const statuses = replies.map((r) => r.status);
  expect(statuses.filter((s) => s === 200).length).toBeGreaterThanOrEqual(4);
  expect(statuses.filter((s) => s === 503).length).toBeGreaterThan(0);
  expect(statuses.filter((s) => s !== 200 && s !== 503)).toEqual([]);
  for (const reply of replies.filter((r) => r.status === 503)) expect(reply.headers['retry-after']).toBe('3');
});

test('a photo may be of one reading, which must be one of the same system', async () => {
  const bytes = await picture().toBuffer();
  const visitId = await startVisit(suite.app, system.id);
  const readingId = v7();
  const reading = benchReading({ visitId, componentId: system.part('run-capacitor') });
  await request(suite.app).put(`/api/readings/${readingId}`).send(reading).expect(200);
  const of = (over: object) => put(v7(), bytes, { subject: 'reading', visitId, readingId, ...over });
  expect((await of({}).expect(200)).body).toMatchObject({ subject: 'reading', readingId });
  await of({ readingId: v7() }).expect(404);
  const other = await makeSystem(suite.app, { ...systemBody(), customerId: v7() });
  await of({ systemId: other.id, visitId: await startVisit(suite.app, other.id) }).expect(404);
});
