import request from 'supertest';
import { v7 } from 'uuid';
import { benchReading, makeSystem, openSuite, startVisit, type MadeSystem, type Suite } from '../../testing/suite.ts';

let suite: Suite;
let system: MadeSystem;
beforeAll(async () => {
  suite = await openSuite();
  system = await makeSystem(suite.app);
});
afterAll(() => suite.close());

const close = (id: string, body: object = { closedAt: '2026-10-10T15:00:00.000Z', note: 'Filter next time.' }) =>
  request(suite.app).put(`/api/visits/${id}/closing`).send(body);

test('starting twice is starting once; another round under its id is refused', async () => {
  const id = v7();
  const start = (startedAt: string) =>
    request(suite.app).put(`/api/visits/${id}`).send({ systemId: system.id, startedAt });
  expect((await start('2026-10-10T14:00:00.000Z').expect(200)).body).toMatchObject({
    season: 'fall',
    closedAt: null,
    personName: 'Test Person',
  });
  await start('2026-10-10T14:00:00.000Z').expect(200);
  expect((await start('2026-10-10T14:30:00.000Z').expect(409)).body.code).toBe('id-taken');
});

test('closing is kept with its note; alike again it is once, otherwise it is refused and the first stands', async () => {
  const id = await startVisit(suite.app, system.id);
  expect((await close(id).expect(200)).body).toMatchObject({
    closedAt: '2026-10-10T15:00:00.000Z',
    note: 'Filter next time.',
  });
  expect((await close(id).expect(200)).body.closedAt).toBe('2026-10-10T15:00:00.000Z');
  expect((await close(id, { closedAt: '2026-10-10T17:00:00.000Z' }).expect(409)).body.code).toBe('visit-closed');
  expect((await close(id).expect(200)).body.closedAt).toBe('2026-10-10T15:00:00.000Z');
});

test('a round does not close before it started', async () => {
  const id = await startVisit(suite.app, system.id);
  expect((await close(id, { closedAt: '2026-10-10T13:00:00Z' }).expect(422)).body.errors[0].path).toBe('closedAt');
});

test('unknown systems and rounds are not found, nonsense is refused', async () => {
  await request(suite.app)
    .put(`/api/visits/${v7()}`)
    .send({ systemId: v7(), startedAt: '2026-10-10T14:00:00Z' })
    .expect(404);
  await close(v7()).expect(404);
  await request(suite.app).put('/api/visits/one').send({ systemId: system.id, startedAt: 'noon' }).expect(422);
});

test('the list keeps rounds under way apart from closed ones, with the number of readings', async () => {
  const id = await startVisit(suite.app, system.id);
  const reading = benchReading({ visitId: id, componentId: system.part('run-capacitor') });
  await request(suite.app).put(`/api/readings/${v7()}`).send(reading).expect(200);
  const { body } = await request(suite.app).get('/api/visits').expect(200);
  expect(body.open.find((v: { id: string }) => v.id === id)).toMatchObject({
    readings: 1,
    address: '12 Ropewalk Yard',
  });
  await close(id).expect(200);
  const later = (await request(suite.app).get('/api/visits')).body;
  expect(later.open.some((v: { id: string }) => v.id === id)).toBe(false);
  expect(later.closed.some((v: { id: string }) => v.id === id)).toBe(true);
});
