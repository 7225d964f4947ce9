import { zipSync, unzipSync, Zip, ZipDeflate } from 'fflate';
import request from 'supertest';
import { v7 } from 'uuid';
import type { Runner } from '../../jobs/runner.ts';
import { fileAt, restoreFirm, saidIn, type Target } from '../../testing/firm-files.ts';
import {
  benchReading,
  makeSystem,
  openSuite,
  runnerOf,
  startVisit,
  systemBody,
  type Suite,
} from '../../testing/suite.ts';

// Files that nobody here wrote: none of them ends the server, and none brings in what the app itself would not take.

const now = () => new Date('2026-10-10T18:00:00Z');
interface Told {
  policy: Record<string, Record<string, number>>;
  people: { name: string }[];
  systems: {
    id: string;
    address: string;
    area: string | null;
    customerName: string;
    components: {
      id: string;
      slot: string;
      replaces: string | null;
      removedOn: string | null;
      fittedOn: string | null;
    }[];
    visits: { closedAt: string | null }[];
    readings: {
      id: string;
      supersedes: string | null;
      note: string | null;
      value: number;
      takenAt: string;
      inputs: object;
    }[];
    decisions: object[];
  }[];
}
let [from, into]: Suite[] = [];
let runner: Runner;
let target: Target;
let told: Told;
beforeAll(async () => {
  [from, into] = [await openSuite(now), await openSuite(now)];
  ({ runner } = runnerOf(into, now));
  target = { app: into.app, runner };
  const system = await makeSystem(from.app, systemBody());
  const visitId = await startVisit(from.app, system.id);
  const reading = benchReading({ visitId, componentId: system.part('run-capacitor') });
  const put = (path: string, body: object) => request(from!.app).put(path).send(body).expect(200);
  const first = v7();
  await put(`/api/readings/${first}`, reading);
  await put(`/api/readings/${v7()}`, { ...reading, inputs: { microfarads: 39.2 }, supersedes: first });
  await put(`/api/components/${v7()}`, {
    replaces: system.part('contactor'),
    fittedOn: '2026-10-10',
    plate: {},
    reason: 'pitted',
    visitId,
  });
  told = JSON.parse((await fileAt(from.app, '/api/export.json')).toString()) as Told;
});
afterAll(async () => {
  await runner.stop();
  await from!.close();
  await into!.close();
});

const bring = (bytes: Buffer | Uint8Array) => restoreFirm(target, Buffer.from(bytes));
const refusedFor = async (bytes: Buffer | Uint8Array): Promise<string> => {
  const { state, error, systems } = await bring(bytes);
  expect([state, systems]).toEqual(['refused', 0]);
  expect((JSON.parse((await fileAt(target.app, '/api/export.json')).toString()) as Told).systems).toEqual([]);
  return error ?? '';
};
const spoiled = (change: (firm: Told) => void): Buffer => {
  const firm = structuredClone(told);
  change(firm);
  return Buffer.from(JSON.stringify(firm));
};
const capacitor = ({ readings }: Told['systems'][number]) => readings[0]!;

test.each<[string, (firm: Told) => void, RegExp]>([
  [
    'standards that contradict each other',
    (f) => Object.assign(f.policy.air!, { splitLowF: 25, splitHighF: 15 }),
    /policy/,
  ],
  [
    'volts that contradict each other',
    (f) => Object.assign(f.policy.controlVolts!, { goodLow: 29, goodHigh: 23 }),
    /policy\.controlVolts/,
  ],
  [
    'readings that correct each other in a circle',
    (f) => {
      const [a, b] = f.systems[0]!.readings;
      a!.supersedes = b!.id;
      b!.supersedes = a!.id;
    },
    /^System 1: readings\.\d\.supersedes comes back/,
  ],
  [
    'parts that replace each other in a circle',
    (f) => {
      const [old, part] = f.systems[0]!.components.filter(({ slot }) => slot === 'contactor');
      Object.assign(old!, { replaces: part!.id, removedOn: '2026-10-10' });
      Object.assign(part!, { replaces: old!.id, removedOn: '2026-10-10' });
    },
    /^System 1: components\.\d+\.replaces comes back/,
  ],
  ['a control character', (f) => (f.systems[0]!.address = 'a\u0000b'), /^System 1: address has a control character/],
  ['half a character', (f) => (capacitor(f.systems[0]!).note = 'x\ud800'), /note has half a character/],
  ['a name of 5 MB', (f) => (f.systems[0]!.customerName = 'x'.repeat(5e6)), /customerName at most 80 characters/],
  ['an area of blanks', (f) => (f.systems[0]!.area = '  '), /^System 1: area is blank/],
  [
    'a visit closed in 2099',
    (f) => (f.systems[0]!.visits[0]!.closedAt = '2099-01-01T00:00:00.000Z'),
    /visits\.0\.closedAt is 2099/,
  ],
  [
    'a visit that ends before it begins',
    (f) => (f.systems[0]!.visits[0]!.closedAt = '2026-01-01T00:00:00.000Z'),
    /closedAt is before/,
  ],
  [
    'a reading still to come',
    (f) => (capacitor(f.systems[0]!).takenAt = '2027-01-01T00:00:00.000Z'),
    /readings\.0\.takenAt is 2027/,
  ],
  ['a figure no meter shows', (f) => (capacitor(f.systems[0]!).value = 1e12), /readings\.0\.value/],
  [
    'a thousand inputs',
    (f) => (capacitor(f.systems[0]!).inputs = Object.fromEntries(Array.from({ length: 1000 }, (_, i) => [`n${i}`, i]))),
    /readings\.0\.inputs at most/,
  ],
  [
    'two parts in one place',
    (f) => f.systems[0]!.components.forEach((c) => (c.removedOn = null)),
    /in this place at once/,
  ],
  ['one system twice', (f) => f.systems.push(f.systems[0]!), /^System 2: it is in the file twice/],
  ['a person without a name', (f) => (f.people[0]!.name = ' '), /people\.0\.name/],
  [
    'a job of nothing here',
    (f) =>
      f.systems[0]!.decisions.push({
        key: `hand:${v7()}`,
        decision: 'accepted',
        note: '',
        day: null,
        personId: null,
        window: null,
        severity: 0,
        version: 1,
        by: (f.people[0] as unknown as { id: string }).id,
        at: '2026-10-10T12:00:00.000Z',
      }),
    /decisions\.0\.key is about nothing/,
  ],
])('%s is refused with its place', async (_what, change, why) => {
  const error = await refusedFor(spoiled(change));
  expect(error).toMatch(why);
  expect(error).toMatch(/Nothing of it was kept\.$/);
  // Nor does a refusal repeat what was sent.
  expect(error.length).toBeLessThan(400);
});

test.each([
  ['nothing but brackets', Buffer.from('['.repeat(1e6))],
  ['an object nested without end', Buffer.from(`{"form":${'{"a":'.repeat(1e5)}1${'}'.repeat(1e5)}}`)],
  ['a string that never ends', Buffer.from(`{"form":"${'x'.repeat(1e6)}`)],
  ['text behind its end', Buffer.from('{"form":"yarnix-export-1","systems":[]}{}')],
  ['brackets that do not pair', Buffer.from('{"systems":[}]}')],
  ['systems that are no list', Buffer.from('{"form":"yarnix-export-1","systems":{"a":1}}')],
  ['bytes of anything', Buffer.from(Array.from({ length: 4096 }, (_, i) => (i * 7919) % 251))],
  ['an archive’s first bytes', Buffer.from('PK\u0003\u0004 and no more')],
])('%s: refused in words', async (_what, bytes) => {
  expect(await refusedFor(bytes)).toMatch(/Nothing of it was kept\.$/);
});

/** An archive of one file, packed as it comes: of any size, without holding it. */
function packed(name: string, piece: Uint8Array, times: number): Buffer {
  const pieces: Uint8Array[] = [];
  const zip = new Zip((_error, data) => pieces.push(data));
  const file = new ZipDeflate(name, { level: 1 });
  zip.add(file);
  for (let i = 0; i < times; i += 1) file.push(piece, i === times - 1);
  zip.end();
  return Buffer.concat(pieces);
}

test('an archive that unpacks to 400 MB is read piece by piece and refused, and the server is there for others', async () => {
  const bomb = packed('firm.json', Buffer.concat([Buffer.from('{"form":"'), Buffer.alloc(4e6, 'x')]), 100);
  expect(bomb.length).toBeLessThan(4e6);
  const before = process.memoryUsage().rss;
  expect(await refusedFor(bomb)).toMatch(/larger than 64 MB/);
  expect(process.memoryUsage().rss - before).toBeLessThan(400e6);
  await request(target.app).get('/api/session').expect(200);
});

test('an entry that claims to be empty is held to what it unpacks to', async () => {
  const zip = Buffer.from(zipSync({ 'firm.json': Buffer.from(JSON.stringify(told)) }));
  // The sizes of an entry stand in the directory at the end, and beside the entry itself.
  const directory = zip.indexOf(Buffer.from('PK\u0001\u0002', 'latin1'));
  zip.writeUInt32LE(0, directory + 24);
  zip.writeUInt32LE(0, 22);
  expect(await refusedFor(zip)).toMatch(/damaged/);
});

test('a slip in its middle, or a piece of the archive that is gone, is damage and nothing else', async () => {
  const zip = Buffer.from(zipSync({ 'firm.json': Buffer.from(JSON.stringify(told)) }));
  const spoilt = Buffer.from(zip);
  spoilt.fill(0, 200, 400);
  expect(await refusedFor(spoilt)).toMatch(/damaged|no JSON/);
  expect(await refusedFor(zip.subarray(0, zip.length - 30))).toMatch(/damaged/);
  expect(Object.keys(unzipSync(zip))).toEqual(['firm.json']);
});

test('an accent typed in two ways is one letter, and a name that every object has is a name', async () => {
  const { app } = from!;
  const areas = async () =>
    ((await request(app).get('/api/planning').expect(200)).body as { areas: { area: string }[] }).areas;
  for (const area of ['caf\u00e9', 'cafe\u0301', '__proto__', '  '])
    await makeSystem(app, { ...systemBody(), customerId: v7(), area });
  expect((await areas()).map(({ area }) => area)).toEqual(['Quayside', '__proto__', 'caf\u00e9']);
  const whole = await fileAt(app, '/api/export.json');
  expect(await bring(whole)).toMatchObject({ state: 'done', systems: 5 });
  expect(saidIn(await fileAt(target.app, '/api/export.json'))).toEqual(saidIn(whole));
});

test('what stops in its middle tells how far it is, and goes on from there', async () => {
  const { app } = from!;
  const empty = await openSuite(now);
  const { runner: worker } = runnerOf(empty, now);
  const whole = await fileAt(app, '/api/export.json');
  const ids = (JSON.parse(whole.toString()) as Told).systems.map(({ id }) => id);
  await empty.db.raw(`
    create function refuse_one() returns trigger language plpgsql as
      $$ begin if new.id = '${ids[2]}' then raise exception 'the disk is full'; end if; return new; end $$;
    create trigger refuse_one before insert on systems for each row execute function refuse_one()`);
  const stopped = await restoreFirm({ app: empty.app, runner: worker }, whole);
  expect(stopped).toMatchObject({ state: 'stopped', total: 5, done: 2, systems: 2 });
  expect(stopped.error).toMatch(/send the same file again/);
  await empty.db.raw('drop trigger refuse_one on systems');
  const { id, name, size } = stopped;
  await request(empty.app).put(`/api/restores/${id}`).send({ name, size }).expect(202);
  await worker.look();
  expect((await request(empty.app).get(`/api/restores/${id}`)).body).toMatchObject({
    state: 'done',
    systems: 5,
    readings: 2,
  });
  expect(saidIn(await fileAt(empty.app, '/api/export.json'))).toEqual(saidIn(whole));
  expect(await empty.db('restore_pieces').first()).toBeUndefined();
  await worker.stop();
  await empty.close();
});

test('pieces of a file: a wrong size, a place beyond its end, and the same piece again', async () => {
  const id = v7();
  const put = (piece: number | string, bytes: Buffer) =>
    request(target.app)
      .put(`/api/restores/${id}/pieces/${piece}`)
      .set('content-type', 'application/octet-stream')
      .send(bytes);
  await put(0, Buffer.from('{}')).expect(404);
  await request(target.app).put(`/api/restores/${id}`).send({ name: 'a.json', size: 10 }).expect(202);
  await request(target.app).put(`/api/restores/${id}`).send({ name: 'b.json', size: 10 }).expect(409);
  expect((await put(0, Buffer.from('{}')).expect(422)).body.detail).toBe('Piece 0 must be 10 bytes; 2 came.');
  await put(1, Buffer.from('{}')).expect(422);
  await put('x', Buffer.from('{}')).expect(422);
  await put(0, Buffer.from('not a firm')).expect(202);
  // Sent again when all is here: it is here.
  expect((await put(0, Buffer.from('not a firm')).expect(202)).body.state).toBe('waiting');
  await runner.look();
  expect((await request(target.app).get(`/api/restores/${id}`)).body).toMatchObject({ state: 'refused' });
});
