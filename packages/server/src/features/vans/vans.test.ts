import type { Job, Session, Van } from '@yarnix/core';
import { parse } from 'csv-parse/sync';
import request from 'supertest';
import { v7 } from 'uuid';
import { benchReading, makeSystem, openSuite, startVisit, type MadeSystem, type Suite } from '../../testing/suite.ts';

const DAY = '2026-10-13';
let suite: Suite;
let system: MadeSystem;
let visit: string;
let me: string;
beforeEach(async () => {
  suite = await openSuite();
  system = await makeSystem(suite.app);
  visit = await startVisit(suite.app, system.id);
  me = ((await request(suite.app).get('/api/session').expect(200)).body as Session).person.id;
});
afterEach(() => suite.close());

const van = async (day = DAY): Promise<Van> =>
  (await request(suite.app).get(`/api/vans/${me}/days/${day}`).expect(200)).body as Van;
const aboard = async (part: string, count: number): Promise<Van> =>
  (await request(suite.app).put(`/api/vans/${me}/days/${DAY}`).send({ part, count }).expect(200)).body as Van;
const loads = ({ load }: Van) => load.map(({ part, need, toLoad }) => [part, need, toLoad]);

/** A weak capacitor, and the job to change it, planned for the day. */
async function planned(): Promise<void> {
  const reading = benchReading({ visitId: visit, componentId: system.part('run-capacitor') });
  await request(suite.app)
    .put(`/api/readings/${v7()}`)
    .send({ ...reading, inputs: { microfarads: 33 }, confirmed: true })
    .expect(200);
  const { jobs } = (await request(suite.app).get('/api/jobs').expect(200)).body as { jobs: Job[] };
  await request(suite.app)
    .put(`/api/jobs/${jobs[0]!.key}`)
    .send({ decision: 'accepted', note: '', day: DAY, personId: me, version: 0 })
    .expect(200);
}

test('a planned job is a line of what to load, until the part or one that may stand in is aboard', async () => {
  expect(loads(await van())).toEqual([]);
  await planned();
  expect(loads(await van())).toEqual([['40+5 µF 440 V', 1, 1]]);
  expect((await van()).load[0]?.wanted).toEqual([
    { part: '40+5 µF 440 V', address: system.body.address, chance: 1, planned: true },
  ]);
  expect(loads(await van('2026-10-14'))).toEqual([]);
  // A lower volt rating never stands in; two singles do.
  expect(loads(await aboard('40/5 mfd 370', 2))).toEqual([['40+5 µF 440 V', 1, 1]]);
  await aboard('40 uF 440 V', 1);
  const { load, stock } = await aboard('5 uF 440 V', 1);
  expect(load[0]).toMatchObject({ toLoad: 0, standsIn: [{ part: '40 µF 440 V' }, { part: '5 µF 440 V' }] });
  expect(stock.map(({ part, count }) => [part, count])).toEqual([
    ['40 µF 440 V', 1],
    ['40+5 µF 370 V', 2],
    ['5 µF 440 V', 1],
  ]);
  expect((await aboard('40/5 mfd 370', 0)).stock).toHaveLength(2);
});

test('a part that is fitted leaves the van of whoever fits it, once', async () => {
  await planned();
  expect(loads(await aboard('40+5 µF 440 V', 2))).toEqual([['40+5 µF 440 V', 1, 0]]);
  const body = {
    replaces: system.part('run-capacitor'),
    fittedOn: '2026-10-10',
    plate: { rating: '40+5 mfd 440' },
    reason: 'weak',
    visitId: visit,
  };
  const id = v7();
  for (let sent = 0; sent < 2; sent += 1) await request(suite.app).put(`/api/components/${id}`).send(body).expect(200);
  expect((await van()).stock).toEqual([{ part: '40+5 µF 440 V', count: 1 }]);
});

test('what no van has is the order of the week, as CSV that a parser of its own reads', async () => {
  await planned();
  const order = async (): Promise<string[][]> =>
    parse((await request(suite.app).get('/api/order.csv?from=2026-10-12&to=2026-10-18').expect(200)).text);
  expect(await order()).toEqual([
    ['part', 'to order', 'needed', 'for'],
    ['40+5 µF 440 V', '1', '1', system.body.address],
  ]);
  await aboard('40+5 µF 440 V', 1);
  expect(await order()).toHaveLength(1);
});

test('nonsense is refused, and what is of another firm is not there', async () => {
  const put = (body: object) => request(suite.app).put(`/api/vans/${me}/days/${DAY}`).send(body);
  expect((await put({ part: ' ', count: 1 })).body.errors[0].detail).toBe('say which part');
  await put({ part: 'contactor', count: -1 }).expect(422);
  // A capital of sixty that has two small letters each.
  await put({ part: 'İ'.repeat(60), count: 1 }).expect(422);
  await put({ part: 'contactor', count: 1.5 }).expect(422);
  await request(suite.app).get(`/api/vans/${me}/days/2026-13-40`).expect(422);
  const stranger = suite.appFor(await suite.addFirm('Other Air'));
  await request(stranger).get(`/api/vans/${me}/days/${DAY}`).expect(404);
  await request(stranger).put(`/api/vans/${me}/days/${DAY}`).send({ part: 'contactor', count: 1 }).expect(404);
});
