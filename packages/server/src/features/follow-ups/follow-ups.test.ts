import request from 'supertest';
import { v7 } from 'uuid';
import { benchReading, makeSystem, openSuite, startVisit, type MadeSystem, type Suite } from '../../testing/suite.ts';

let suite: Suite;
let system: MadeSystem;
let visit: string;
beforeAll(async () => {
  suite = await openSuite();
  system = await makeSystem(suite.app);
  visit = await startVisit(suite.app, system.id);
});
afterAll(() => suite.close());

const asked = (over: object = {}) => ({
  visitId: visit,
  componentId: system.part('run-capacitor'),
  kind: 'run-capacitor-capacitance',
  point: 'herm',
  method: 'bench',
  reason: 'rain',
  dueOn: '2026-10-24',
  putOffAt: '2026-10-10T14:30:00.000Z',
  ...over,
});
const put = (id: string, body: object) => request(suite.app).put(`/api/follow-ups/${id}`).send(body);
const toDo = async () =>
  (await request(suite.app).get('/api/follow-ups').expect(200)).body.followUps as { id: string; address: string }[];

test('a reading put off is to do until one is taken at that place, on whatever visit', async () => {
  const id = v7();
  await put(id, asked()).expect(200);
  await put(id, asked()).expect(200);
  expect(await toDo()).toMatchObject([{ id, address: '12 Ropewalk Yard' }]);
  const later = await startVisit(suite.app, system.id, '2026-10-10T16:00:00.000Z');
  const reading = v7();
  await request(suite.app)
    .put(`/api/readings/${reading}`)
    .send(
      benchReading({ visitId: later, componentId: system.part('run-capacitor'), takenAt: '2026-10-10T16:10:00.000Z' }),
    )
    .expect(200);
  expect(await toDo()).toEqual([]);
  const { body } = await request(suite.app).get(`/api/systems/${system.id}`);
  expect(body.followUps.find((f: { id: string }) => f.id === id)).toMatchObject({ doneBy: reading, reason: 'rain' });
});

test('a reading taken elsewhere, or before, settles nothing', async () => {
  const id = v7();
  await put(id, asked({ point: 'fan', putOffAt: '2026-10-10T17:00:00.000Z' })).expect(200);
  for (const point of ['herm', 'fan'] as const) {
    const reading = benchReading({ visitId: visit, componentId: system.part('run-capacitor'), point });
    await request(suite.app)
      .put(`/api/readings/${v7()}`)
      .send({ ...reading, inputs: { microfarads: point === 'fan' ? 5 : 40 } });
  }
  expect((await toDo()).map((f) => f.id)).toEqual([id]);
  await put(id, asked({ point: 'fan', putOffAt: '2026-10-10T17:00:00.000Z', withdrawn: true })).expect(200);
  expect(await toDo()).toEqual([]);
});

test('what cannot be is refused', async () => {
  await put(v7(), asked({ reason: 'mood' })).expect(422);
  await put(v7(), asked({ dueOn: '2026-02-31' })).expect(422);
  await put(v7(), asked({ componentId: v7() })).expect(404);
  const theirs = suite.appFor(await suite.addFirm('Second firm'));
  await request(theirs).put(`/api/follow-ups/${v7()}`).send(asked()).expect(404);
  expect((await request(theirs).get('/api/follow-ups')).body.followUps).toEqual([]);
});
