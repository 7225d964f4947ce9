import { simulateFirm } from '@yarnix/simulator';
import { unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import request from 'supertest';
import { v7 } from 'uuid';
import { loadFirm } from '../../database/load-firm.ts';
import type { Runner } from '../../jobs/runner.ts';
import { fileAt, restoreFirm, saidIn, sendFirm, type Target } from '../../testing/firm-files.ts';
import {
  benchReading,
  makeSystem,
  openSuite,
  runnerOf,
  startVisit,
  systemBody,
  type MadeSystem,
  type Suite,
} from '../../testing/suite.ts';

const AS_OF = 20_730;
const now = () => new Date(AS_OF * 86_400_000 + 40_000_000);
type App = Suite['app'];

/** All of a file but when it was made and whose firm it is now. */
const plain = (bytes: Buffer | Uint8Array) => {
  return saidIn(bytes) as unknown as {
    systems: { id: string; photos: { id: string }[]; decisions: object[] }[];
    people: object[];
    meters: object[];
    checks: object[];
  };
};

const WICKED = '"\\ \u2028 =1+1, <b>火</b>\nand a second line';

/** What is planned: a job decided, one by hand, a part set aside, a day in order, a van, areas, the report's head. */
async function planIn(app: App, system: MadeSystem): Promise<void> {
  const put = (path: string, body: object) => request(app).put(path).send(body).expect(200);
  const { body: session } = await request(app).get('/api/session').expect(200);
  const { id: personId } = (session as { person: { id: string } }).person;
  const day = new Date((AS_OF + 3) * 86_400_000).toISOString().slice(0, 10);
  const byHand = v7();
  await put(`/api/systems/${system.id}/jobs/${byHand}`, { text: WICKED.slice(0, 40), byWhen: day, minutes: 20 });
  await put(`/api/jobs/hand:${byHand}`, {
    decision: 'accepted',
    note: WICKED,
    day,
    personId,
    window: { from: 540, to: 660 },
    version: 0,
  });
  await put(`/api/watch/${system.part('contactor')}/snooze`, { until: day, reason: 'new one is ordered' });
  await put(`/api/vans/${personId}/days/${day}`, { part: '40+5 µF 440 V', count: 2 });
  await put(`/api/week/people/${personId}/days/${day}`, { systems: [system.id], was: [system.id] });
  const { body: planning } = await request(app).get('/api/planning').expect(200);
  await put('/api/planning', { ...(planning as object), heat: '10-05', start: { lat: 41.4, lng: -93.2 } });
  await put('/api/report-head', { name: 'One & "two"', line: 'License 0-000' });
}

/** What no simulation makes: notes, photos, repairs, calls, rulings, corrections, readings put off, parts fitted anew. */
async function liveIn(app: App): Promise<void> {
  const system = await makeSystem(app, {
    ...systemBody(),
    address: WICKED.slice(0, 100).replaceAll('\n', ' '),
    customerName: 'One & "two"',
  });
  const put = (path: string, body: object) => request(app).put(path).send(body);
  const day = (hour: number) => new Date(AS_OF * 86_400_000 + hour * 3_600_000).toISOString();
  const visit = await startVisit(app, system.id, day(1));
  const reading = v7();
  const taken = { ...benchReading({ visitId: visit, componentId: system.part('run-capacitor') }), takenAt: day(2) };
  await put(`/api/readings/${reading}`, { ...taken, note: WICKED }).expect(200);
  await put(`/api/readings/${v7()}`, { ...taken, inputs: { microfarads: 39.2 }, supersedes: reading }).expect(200);
  await put(`/api/readings/${reading}/ruling`, { standing: 'watch', why: 'the can is warm' }).expect(200);
  await put(`/api/events/${v7()}`, {
    visitId: visit,
    kind: 'filter-changed',
    on: day(0).slice(0, 10),
    note: 'it was black',
  }).expect(200);
  await put(`/api/loose-ends/${v7()}`, {
    visitId: visit,
    code: null,
    text: 'panel',
    openedAt: day(1),
    putBackAt: day(3),
    leftBecause: null,
  }).expect(200);
  await put(`/api/follow-ups/${v7()}`, {
    visitId: visit,
    componentId: system.part('compressor'),
    kind: 'compressor-amps',
    point: 'common',
    method: 'clamp',
    reason: 'too-cold',
    dueOn: '2027-04-15',
    putOffAt: day(3),
  }).expect(200);
  const jpeg = await sharp({ create: { width: 640, height: 480, channels: 3, background: '#846' } })
    .jpeg()
    .toBuffer();
  await request(app)
    .put(`/api/photos/${v7()}`)
    .query({
      systemId: system.id,
      visitId: visit,
      subject: 'damage',
      readingId: reading,
      takenAt: day(2),
      note: 'bulged',
    })
    .set('content-type', 'application/octet-stream')
    .send(jpeg)
    .expect(200);
  await put(`/api/components/${v7()}`, {
    replaces: system.part('run-capacitor'),
    fittedOn: day(0).slice(0, 10),
    plate: { rating: '40+5 µF 440 V' },
    reason: 'weak',
    visitId: visit,
  }).expect(200);
  await put(`/api/visits/${visit}/closing`, { closedAt: day(5), note: WICKED }).expect(200);
  await planIn(app, system);
  await put(`/api/systems/${system.id}/place`, { place: { lat: 41.5, lng: -93.25 } }).expect(200);
}

describe.each([3, 41, 977])('a firm of seed %d', (seed) => {
  let [from, into]: Suite[] = [];
  let source: App | undefined;
  let runner: Runner;
  let target: Target;
  const firm = simulateFirm({ seed, systems: 4 + (seed % 3), asOf: AS_OF, years: [1, 3] });
  beforeAll(async () => {
    [from, into] = [await openSuite(now), await openSuite(now)];
    await loadFirm(from.db, firm);
    source = from.appFor({ firmId: firm.id, personId: firm.people[0]!.id });
    ({ runner } = runnerOf(into, now));
    target = { app: into.app, runner };
    await liveIn(source);
  });
  afterAll(async () => {
    await runner.stop();
    await from!.close();
    await into!.close();
  });

  test('written, read into an empty firm and written again is the same', async () => {
    const zip = await fileAt(source!, '/api/export.zip');
    const first = unzipSync(zip);
    const was = plain(first['firm.json']!);
    expect(was).toEqual(plain(await fileAt(source!, '/api/export.json')));
    expect(was.systems.length).toBe(5 + (seed % 3));
    const planned = was.systems.find(({ decisions }) => decisions.length > 0);
    expect(planned).toMatchObject({ byHand: [{ minutes: 20 }], setAside: [{ reason: 'new one is ordered' }] });
    expect(was).toMatchObject({
      planning: { heat: '10-05', start: { lat: 41.4 } },
      reportHead: { line: 'License 0-000' },
      dayOrders: [{ systems: [planned!.id] }],
      vans: [{ count: 2 }],
    });
    const systems = was.systems.length;
    expect(await restoreFirm(target, zip)).toMatchObject({
      state: 'done',
      systems,
      total: systems,
      photos: 1,
      error: null,
    });

    const again = unzipSync(await fileAt(target.app, '/api/export.zip'));
    expect(plain(again['firm.json']!)).toEqual(was);
    const names = Object.keys(first);
    expect(Object.keys(again)).toEqual(names);
    for (const name of names.filter((n) => n !== 'firm.json'))
      expect(Buffer.from(again[name]!)).toEqual(Buffer.from(first[name]!));
    // Whoever reads it back is in it no more than they were; and nothing comes in a second time.
    expect(was.people.length).toBeGreaterThan(0);
    const second = await restoreFirm(target, zip);
    expect(second).toMatchObject({ state: 'refused', systems: 0 });
    expect(second.error).toMatch(/is here already.*Nothing of it was kept\.$/);
    expect(plain(await fileAt(target.app, '/api/export.json'))).toEqual(was);
    expect(await into!.db('refits').where({ firm_id: into!.firmId }).first()).toBeDefined();
  });
});

describe('in parts, and what is none', () => {
  let [from, into]: Suite[] = [];
  let runner: Runner;
  beforeAll(async () => {
    [from, into] = [await openSuite(now), await openSuite(now)];
    ({ runner } = runnerOf(into, now));
    for (let i = 0; i < 5; i += 1) await makeSystem(from.app, { ...systemBody(), customerId: v7() });
  });
  afterAll(async () => {
    await runner.stop();
    await from!.close();
    await into!.close();
  });

  test('parts of a firm come after each other, each whole, and are the firm together', async () => {
    const whole = plain(await fileAt(from!.app, '/api/export.json'));
    let path: string | undefined = '/api/export.zip?count=2';
    let parts = 0;
    while (path !== undefined) {
      const reply: { headers: Record<string, string> } = await request(from!.app).get(path).expect(200);
      expect(await restoreFirm({ app: into!.app, runner }, await fileAt(from!.app, path))).toMatchObject({
        state: 'done',
      });
      path = reply.headers.link?.split('>')[0]?.slice(1);
      parts += 1;
    }
    expect(parts).toBe(3);
    expect(plain(await fileAt(into!.app, '/api/export.json'))).toEqual(whole);
  });

  test('a file that is none, is cut short or is somebody else’s is refused, and nothing of it stays', async () => {
    const zip = await fileAt(from!.app, '/api/export.zip');
    const json = JSON.parse(Buffer.from(unzipSync(zip)['firm.json']!).toString()) as {
      systems: { visits: object[]; readings: { takenAt: string }[] }[];
    };
    const empty = await openSuite(now);
    const { runner: worker } = runnerOf(empty, now);
    const refused = async (bytes: Buffer) =>
      expect(await restoreFirm({ app: empty.app, runner: worker }, bytes)).toMatchObject({
        state: 'refused',
        systems: 0,
      });
    expect((await sendFirm(empty.app, Buffer.from(''))).body).toMatchObject({ code: 'invalid-request' });
    await refused(Buffer.from('{"form":"another"}'));
    await refused(Buffer.from('{"systems":[]}'));
    await refused(zip.subarray(0, zip.length - 200));
    await refused(Buffer.from(zipSync({ 'other.txt': new Uint8Array(3) })));
    const broken = structuredClone(json);
    (broken.systems[3] as unknown as { address: number }).address = 12;
    await refused(Buffer.from(JSON.stringify(broken)));
    expect(plain(await fileAt(empty.app, '/api/export.json')).systems).toEqual([]);
    const technician = empty.appFor({ firmId: empty.firmId, personId: v7(), permissions: ['look', 'record'] });
    expect((await sendFirm(technician, zip)).status).toBe(403);
    await worker.stop();
    await empty.close();
  });
});

interface Lone {
  by: Record<string, string>;
  visits: { id: string }[];
  readings: { visitId: string; componentId: string; supersedes: string | null }[];
  decisions: { personId: string }[];
  setAside: { componentId: string }[];
}

test('what rests on what is not in the file would rest on another firm’s: it is refused, and says what it names', async () => {
  const theirs = await openSuite(now);
  await liveIn(theirs.app);
  const other = await makeSystem(theirs.app, { ...systemBody(), customerId: v7() });
  const before = plain(await fileAt(theirs.app, '/api/export.json'));
  const { runner } = runnerOf(theirs, now);
  const outsider = { app: theirs.appFor(await theirs.addFirm('Other')), runner };
  const json = (await fileAt(theirs.app, '/api/export.json')).toString();
  const naming = async (change: (system: Lone) => void) => {
    const loose = JSON.parse(json) as { people: object[]; systems: Lone[] };
    change(loose.systems.find(({ readings }) => readings.length > 0)!);
    const { state, error } = await restoreFirm(outsider, Buffer.from(JSON.stringify(loose)));
    expect(state).toBe('refused');
    return error ?? '';
  };
  expect(await naming((s) => (s.readings[0]!.componentId = other.part('contactor')))).toMatch(/^It names part /);
  expect(await naming((s) => (s.readings[0]!.visitId = v7()))).toMatch(/^It names visit /);
  expect(await naming((s) => (s.readings[0]!.supersedes = v7()))).toMatch(/^It names reading /);
  expect(await naming((s) => (s.by[s.visits[0]!.id] = v7()))).toMatch(/^It names person /);
  expect(await naming((s) => (s.decisions[0]!.personId = v7()))).toMatch(/^It names person /);
  expect(await naming((s) => (s.setAside[0]!.componentId = other.part('contactor')))).toMatch(/^It names part /);
  // Nor can a person of theirs be taken over by being listed.
  expect((await restoreFirm(outsider, Buffer.from(json))).error).toMatch(/belongs to another firm/);
  expect(plain(await fileAt(theirs.app, '/api/export.json'))).toEqual(before);
  await runner.stop();
  await theirs.close();
});
