import request from 'supertest';
import { v7 } from 'uuid';
import { makeSystem, openSuite, startVisit, type MadeSystem, type Suite } from '../../testing/suite.ts';

let suite: Suite;
let system: MadeSystem;
beforeAll(async () => {
  suite = await openSuite();
  system = await makeSystem(suite.app);
});
afterAll(() => suite.close());

const end = (visitId: string, over: object = {}) => ({
  visitId,
  code: 'disconnect-out',
  text: '',
  openedAt: '2026-10-10T14:10:00.000Z',
  putBackAt: null,
  leftBecause: null,
  ...over,
});
const put = (id: string, body: object) => request(suite.app).put(`/api/loose-ends/${id}`).send(body);
const close = (id: string) =>
  request(suite.app).put(`/api/visits/${id}/closing`).send({ closedAt: '2026-10-10T15:00:00.000Z' });

test('a round does not close over a loose end, and does once it is put back', async () => {
  const visit = await startVisit(suite.app, system.id);
  const id = v7();
  await put(id, end(visit)).expect(200);
  const refused = await close(visit).expect(409);
  expect(refused.body).toMatchObject({
    code: 'loose-ends-open',
    detail: expect.stringMatching(/Disconnect out/) as string,
  });
  await put(id, end(visit, { putBackAt: '2026-10-10T14:50:00.000Z' })).expect(200);
  await close(visit).expect(200);
});

test('nor over one left without words; a written reason lets it close', async () => {
  const visit = await startVisit(suite.app, system.id);
  const id = v7();
  await put(id, end(visit, { code: null, text: 'Ladder in the attic' })).expect(200);
  expect((await close(visit)).body.detail).toMatch(/Ladder in the attic/);
  await put(id, end(visit, { code: null, text: 'Ladder in the attic', leftBecause: '  ' })).expect(200);
  await close(visit).expect(409);
  await put(id, end(visit, { code: null, text: 'Ladder in the attic', leftBecause: 'coming back at four' })).expect(
    200,
  );
  await close(visit).expect(200);
  const { body } = await request(suite.app).get(`/api/systems/${system.id}`);
  expect(body.looseEnds.find((e: { id: string }) => e.id === id)).toMatchObject({ leftBecause: 'coming back at four' });
});

test('the same again is once; another round cannot take its id; nonsense is refused', async () => {
  const [one, two] = [await startVisit(suite.app, system.id), await startVisit(suite.app, system.id)];
  const id = v7();
  await put(id, end(one)).expect(200);
  await put(id, end(one)).expect(200);
  await put(id, end(two)).expect(409);
  await put(v7(), end(one, { code: 'gremlin' })).expect(422);
  await put(v7(), end(one, { code: null, text: ' ' })).expect(422);
  await put(v7(), end(v7())).expect(404);
  expect(await suite.db('loose_ends').where({ visit_id: one })).toHaveLength(1);
});
