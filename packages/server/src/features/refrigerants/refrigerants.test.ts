import request from 'supertest';
import { v7 } from 'uuid';
import { makeSystem, openSuite, startVisit, systemBody, type Suite } from '../../testing/suite.ts';

let suite: Suite;
beforeAll(async () => {
  suite = await openSuite();
});
afterAll(() => suite.close());

const HEAD = 'Temperature °F,Bubble psig,Dew psig\n';
const csv = (from: number) =>
  HEAD +
  [20, 40, 60, 80, 100, 120].map((t, i) => `${t},${from + 40 * i + i * i},${from - 8 + 40 * i + i * i}`).join('\n');
const load = (name: string, text: string, over: object = {}) =>
  request(suite.app)
    .put(`/api/refrigerants/${encodeURIComponent(name)}`)
    .send({ csv: text, source: 'supplier’s sheet', estimate: false, ...over });

test('a loaded table is there for every device, under its usual name, and a newer one takes its place', async () => {
  await load('r438a', csv(50)).expect(200);
  await load('R-438A', csv(55), { estimate: true }).expect(200);
  const { refrigerants } = (await request(suite.app).get('/api/session')).body;
  expect(refrigerants).toMatchObject([{ name: 'R-438A', estimate: true, source: 'supplier’s sheet' }]);
  expect(refrigerants[0].points).toHaveLength(6);
});

test('readings are worked out by it, here as on the device', async () => {
  const plate = { refrigerant: 'R-421X', metering: 'expansion-valve', targetSubcoolingF: 10 } as const;
  const system = await makeSystem(suite.app, systemBody(plate));
  const visitId = await startVisit(suite.app, system.id);
  const reading = {
    visitId,
    componentId: system.part('refrigerant-circuit'),
    kind: 'subcooling',
    point: 'liquid',
    method: 'gauges',
    inputs: { psig: 50 + 40 * 4 + 16, lineF: 90 },
    takenAt: '2026-10-10T14:20:00.000Z',
    conditions: { outdoorF: 80, runningMin: 15 },
    confirmed: false,
  };
  const put = () => request(suite.app).put(`/api/readings/${v7()}`).send(reading);
  expect((await put().expect(422)).body.detail).toMatch(/load the supplier’s table/);
  await load('R-421X', csv(50)).expect(200);
  expect((await put().expect(200)).body.value).toBeCloseTo(10, 6);
});

test.each([
  ['a hole', HEAD + '20,50,40\n40,,60\n60,130,110', /Row 3, column 2: the cell is empty/],
  ['figures that fall', HEAD + '20,50,40\n40,90,80\n60,85,70\n80,120,100\n100,150,140', /Row 4, column 2/],
  ['no units', 'Temperature,Bubble,Dew\n20,50,40', /Row 1, column 1/],
  ['a spreadsheet of something else', 'Name,Phone\nA,1', /Row 1/],
])('%s is refused with row and column, and what was loaded before stays', async (_name, text, says) => {
  await load('R-500Z', csv(60)).expect(200);
  const refused = await load('R-500Z', text).expect(422);
  expect(refused.body).toMatchObject({ code: 'table-refused', detail: expect.stringMatching(says) as string });
  const { refrigerants } = (await request(suite.app).get('/api/session')).body;
  expect(refrigerants.find((r: { name: string }) => r.name === 'R-500Z')?.points).toHaveLength(6);
});

test('the built-in ones cannot be replaced, and only who manages may load', async () => {
  expect((await load('R-410A', csv(50)).expect(422)).body.detail).toMatch(/built in/);
  await load('R<script>', csv(50)).expect(422);
  const person = (await suite.db('people').first()) as { id: string };
  const looking = suite.appFor({ firmId: suite.firmId, personId: person.id, permissions: ['look', 'record'] });
  await request(looking)
    .put('/api/refrigerants/R-9')
    .send({ csv: csv(50), source: 'x' })
    .expect(403);
});
