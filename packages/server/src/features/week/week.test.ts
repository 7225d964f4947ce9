import type { Job, Moved, PlanningSettings, Session, StopMove, Week } from '@yarnix/core';
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

const DAY = '2026-10-13';
let suite: Suite;
let systems: MadeSystem[];
let me: string;
beforeEach(async () => {
  suite = await openSuite();
  systems = [await makeSystem(suite.app), await makeSystem(suite.app), await makeSystem(suite.app)];
  me = ((await request(suite.app).get('/api/session').expect(200)).body as Session).person.id;
});
afterEach(() => suite.close());

const week = async (app = suite.app): Promise<Week> =>
  (await request(app).get(`/api/week?from=${DAY}&days=2`).expect(200)).body as Week;
const idsOf = ({ stops }: Week, day: string | null = DAY) =>
  stops.filter((stop) => stop.day === day).map(({ systemId }) => systems.findIndex(({ id }) => id === systemId));
const note = async ({ id }: MadeSystem, text = 'Bring the ladder', minutes = 30): Promise<Job> =>
  (
    await request(suite.app)
      .put(`/api/systems/${id}/jobs/${v7()}`)
      .send({ text, byWhen: '2026-10-20', minutes })
      .expect(200)
  ).body as Job;
const move = (systemId: string, jobs: readonly Job[], over: Partial<StopMove> = {}, app = suite.app) =>
  request(app)
    .put(`/api/week/stops/${systemId}`)
    .send({
      jobs: jobs.map(({ key, version }) => ({ key, version })),
      day: DAY,
      personId: me,
      before: null,
      window: null,
      ...over,
    });
const moved = async (
  system: MadeSystem,
  over: Partial<StopMove> = {},
  jobs?: readonly Job[],
): Promise<readonly Job[]> =>
  ((await move(system.id, jobs ?? [await note(system)], over).expect(200)).body as Moved).jobs;

test('what is to do at an address goes there together, where it is put in the day', async () => {
  const [a, b, c] = systems as [MadeSystem, MadeSystem, MadeSystem];
  const two = [await note(a), await note(a, 'Oil the gate', 15)];
  await move(a.id, two).expect(200);
  await moved(b);
  await moved(c, { before: a.id });
  const now = await week();
  expect(idsOf(now)).toEqual([2, 0, 1]);
  expect(now.stops.find(({ systemId }) => systemId === a.id)).toMatchObject({
    minutes: 45,
    personId: me,
    window: null,
  });
  expect(now.days).toEqual([DAY, '2026-10-14']);
  expect(now.frame).toEqual({ begins: 480, ends: 1020, breakMinutes: 30, start: null });
});

test('two who move the same card: the second hears of it, and nothing of the first is lost', async () => {
  const jobs = [await note(systems[0]!)];
  await move(systems[0]!.id, jobs).expect(200);
  const { body } = await move(systems[0]!.id, jobs, { day: '2026-10-14' }).expect(409);
  expect((body as { detail: string }).detail).toContain('decided this meanwhile');
  expect(idsOf(await week())).toEqual([0]);
});

test('of several things at an address all are moved, or none', async () => {
  const [first, second] = [await note(systems[0]!), await note(systems[0]!, 'Oil the gate')];
  await move(systems[0]!.id, [second]).expect(200);
  await move(systems[0]!.id, [first, second], { day: '2026-10-14' }).expect(409);
  expect((await week()).stops).toHaveLength(1);
});

test('moving back what was moved names what it is now', async () => {
  const there = await moved(systems[0]!);
  const back = await moved(systems[0]!, { day: null, personId: null }, there);
  expect(idsOf(await week())).toEqual([]);
  expect(idsOf(await week(), null)).toEqual([0]);
  expect(back[0]?.version).toBe(there[0]!.version + 1);
});

test('a promise is of its day: it stays while the day does, and a move says it anew', async () => {
  const window = { from: 480, to: 600 };
  const [job] = await moved(systems[0]!, { window });
  expect(job?.window).toEqual(window);
  const decide = (over: object) =>
    request(suite.app)
      .put(`/api/jobs/${job?.key}`)
      .send({ decision: 'accepted', note: 'Mind the dog', day: DAY, personId: me, version: job?.version, ...over });
  const { body } = await decide({}).expect(200);
  expect(body).toMatchObject({ window, note: 'Mind the dog' });
  const { body: other } = await decide({ day: '2026-10-14', version: (body as Job).version }).expect(200);
  expect((other as Job).window).toBeNull();
});

test('a day is put in order upon the order that was looked at, each address once', async () => {
  for (const system of systems) await moved(system);
  const order = (indices: number[], was = [0, 1, 2]) =>
    request(suite.app)
      .put(`/api/week/people/${me}/days/${DAY}`)
      .send({ systems: indices.map((i) => systems[i]!.id), was: was.map((i) => systems[i]!.id) });
  await order([2, 1, 0]).expect(200);
  expect(idsOf(await week())).toEqual([2, 1, 0]);
  await order([2, 1, 0]).expect(200);
  await order([1, 0, 2]).expect(409);
  await order([2, 1], [2, 1, 0]).expect(422);
  await order([2, 1, 1], [2, 1, 0]).expect(422);
  expect(idsOf(await week())).toEqual([2, 1, 0]);
  await request(suite.app).put(`/api/week/people/${v7()}/days/${DAY}`).send({ systems: [], was: [] }).expect(404);
});

test('a place is a system’s own, or that of its area; what is no place is refused', async () => {
  await moved(systems[0]!);
  const place = (body: object, id = systems[0]!.id) => request(suite.app).put(`/api/systems/${id}/place`).send(body);
  const settings = (await request(suite.app).get('/api/planning').expect(200)).body as PlanningSettings;
  const { area } = (await week()).stops[0]!;
  expect(settings.areas).toEqual(area === null ? [] : [{ area, place: null }]);
  await request(suite.app)
    .put('/api/planning')
    .send({ ...settings, breakMinutes: 45, areas: area === null ? [] : [{ area, place: { lat: 40, lng: -45 } }] })
    .expect(200);
  if (area !== null) expect((await week()).stops[0]?.place).toEqual({ lat: 40, lng: -45 });
  await place({ place: { lat: 41, lng: -45 } }).expect(200);
  expect((await week()).stops[0]?.place).toEqual({ lat: 41, lng: -45 });
  expect((await week()).frame.breakMinutes).toBe(45);
  await place({ place: { lat: 91, lng: 0 } }).expect(422);
  await place({ place: null }, v7()).expect(404);
  await request(suite.app)
    .put('/api/planning')
    .send({ ...settings, begins: 1020, ends: 480 })
    .expect(422);
});

test('the first frost of a firm’s own is what its jobs wait for', async () => {
  const system = await makeSystem(suite.app, systemBody(undefined, 'split-air-conditioner'));
  const visitId = await startVisit(suite.app, system.id);
  const reading = benchReading({ visitId, componentId: system.part('run-capacitor') });
  await request(suite.app)
    .put(`/api/readings/${v7()}`)
    .send({ ...reading, inputs: { microfarads: 33 }, confirmed: true })
    .expect(200);
  const before = async () =>
    ((await request(suite.app).get(`/api/jobs?systemId=${system.id}`).expect(200)).body as { jobs: Job[] }).jobs[0]
      ?.before;
  // On October 10 it is still the season of cooling, and after a frost on the first it is not.
  expect(await before()).toBe('soon');
  const settings = (await request(suite.app).get('/api/planning').expect(200)).body as PlanningSettings;
  expect([settings.heat, settings.frost]).toEqual(['05-15', '10-15']);
  await request(suite.app)
    .put('/api/planning')
    .send({ ...settings, frost: '10-01' })
    .expect(200);
  expect(await before()).toBe('heat');
});

test('another firm sees nothing of a week, and moves nothing of it', async () => {
  const jobs = [await note(systems[0]!)];
  await move(systems[0]!.id, jobs).expect(200);
  const other = await suite.addFirm('Other');
  const theirs = suite.appFor(other);
  expect((await week(theirs)).stops).toEqual([]);
  await move(systems[0]!.id, jobs, {}, theirs).expect(404);
  await request(theirs).put(`/api/systems/${systems[0]!.id}/place`).send({ place: null }).expect(404);
});

test('where somebody is at work comes first and says since when, in the firm’s own days, until it is closed', async () => {
  const [a, b, c] = systems as [MadeSystem, MadeSystem, MadeSystem];
  for (const system of [a, b, c]) await moved(system, { day: '2026-10-10' });
  const days = async () => (await request(suite.app).get('/api/week?from=2026-10-10&days=1').expect(200)).body as Week;
  expect((await days()).stops.map(({ since }) => since)).toEqual([null, null, null]);
  // Somebody else's visit there is not theirs.
  const other = v7();
  await suite
    .db('people')
    .insert({ id: other, firm_id: suite.firmId, name: 'Other Person', initials: 'OP', position: 2 });
  const visit = await startVisit(
    suite.appFor({ firmId: suite.firmId, personId: other }),
    c.id,
    '2026-10-10T13:00:00.000Z',
  );
  expect((await days()).stops.map(({ since }) => since)).toEqual([null, null, null]);
  await suite.db('visits').where({ id: visit }).update({ person_id: me });
  const now = await days();
  expect(idsOf(now, '2026-10-10')).toEqual([2, 0, 1]);
  expect(now.stops[0]).toMatchObject({ systemId: c.id, since: '2026-10-10T13:00:00.000Z' });
  await suite.db('firms').update({ zone: 'Pacific/Auckland' });
  expect((await days()).stops.map(({ since }) => since)).toEqual([null, null, null]);
});
