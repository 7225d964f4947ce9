import type { WatchPage } from '@yarnix/core';
import request from 'supertest';
import { v7 } from 'uuid';
import { benchReading, makeSystem, openSuite, startVisit, systemBody, type Suite } from '../../testing/suite.ts';

let suite: Suite;
beforeAll(async () => {
  suite = await openSuite();
});
afterAll(() => suite.close());

const watch = async (query = ''): Promise<WatchPage> =>
  (await request(suite.app).get(`/api/watch?${query}`).expect(200)).body as WatchPage;

async function systemReading(area: string, microfarads: number, point: 'herm' | 'fan' = 'herm') {
  const system = await makeSystem(suite.app, { ...systemBody(), area, address: `${microfarads} ${area}` });
  const visitId = await startVisit(suite.app, system.id);
  const reading = benchReading({ visitId, componentId: system.part('run-capacitor'), point, inputs: { microfarads } });
  await request(suite.app).put(`/api/readings/${v7()}`).send(reading).expect(200);
  return system;
}

test('an empty firm has an empty list', async () => {
  expect(await watch()).toEqual({ components: 0, matching: 0, areas: [], rows: [], load: [] });
});

test('a saved reading shows at once, the more urgent first, with its reason, thread and part', async () => {
  const weak = await systemReading('North', 38.2);
  const dead = await systemReading('South', 30);
  const fan = await systemReading('South', 4.5, 'fan');
  await systemReading('North', 40.2);
  const page = await watch();
  expect(page.rows.map((r) => r.systemId)).toEqual([dead.id, fan.id, weak.id]);
  expect(page.rows[0]).toMatchObject({
    standing: 'act',
    point: 'herm',
    rating: '40+5 µF 440 V',
    chance: 1,
    because: { code: 'against-rating', numbers: { value: 30, position: 'past' } },
    thread: { points: [{ value: 30 }], limit: expect.closeTo(37.6) as number },
  });
  expect(page.matching).toBe(3);
  expect(page.components).toBe(4 * weak.body.components.length);
});

test('filters by standing and area, and tells the areas there are', async () => {
  expect((await watch('standing=watch')).rows.map((r) => r.standing)).toEqual(['watch']);
  expect((await watch('area=South')).matching).toBe(2);
  expect((await watch('area=Nowhere')).rows).toEqual([]);
  expect((await watch('standing=sound')).rows).toHaveLength(1);
  expect((await watch()).areas).toEqual(['North', 'South']);
});

test('pages', async () => {
  const first = await watch('limit=2');
  const second = await watch('limit=2&offset=2');
  expect(first.rows).toHaveLength(2);
  expect(second.rows).toHaveLength(1);
  expect(second.matching).toBe(3);
});

test('what to load is counted by rating', async () => {
  expect((await watch()).load).toEqual([
    { part: '40+5 µF 440 V', count: 3, addresses: ['30 South', '4.5 South', '38.2 North'] },
  ]);
});

test.each(['standing=mood', 'limit=0', 'limit=9999', 'offset=-1', 'limit=ten'])('%s is refused', async (query) => {
  await request(suite.app).get(`/api/watch?${query}`).expect(422);
});
