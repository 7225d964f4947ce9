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
  expect(await watch()).toEqual({ components: 0, matching: 0, snoozed: 0, areas: [], rows: [], load: [] });
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

describe('season and part', () => {
  test('a part that only heats is left out of cooling, and the other way round on a system that only cools', async () => {
    const body = systemBody({ capacitorRating: '35 µF 440 V', heatKilowatts: 10 }, 'split-air-conditioner');
    const system = await makeSystem(suite.app, { ...body, area: 'Season', address: '1 Season' });
    const visitId = await startVisit(suite.app, system.id);
    const reading = (part: string, over: object) =>
      request(suite.app)
        .put(`/api/readings/${v7()}`)
        .send({ ...benchReading({ visitId, componentId: system.part(part) }), ...over })
        .expect(200);
    await reading('run-capacitor', { point: 'single', inputs: { microfarads: 30 } });
    await reading('electric-heat', {
      kind: 'element-ohms',
      point: 'element-1',
      method: 'ohms',
      inputs: { ohms: 'OL' },
    });
    const slots = async (query: string) => (await watch(`area=Season&${query}`)).rows.map((r) => r.slot).sort();
    expect(await slots('')).toEqual(['electric-heat', 'run-capacitor']);
    expect(await slots('season=cooling')).toEqual(['run-capacitor']);
    expect(await slots('season=heating')).toEqual(['electric-heat']);
    expect(await slots('slot=electric-heat,blower')).toEqual(['electric-heat']);
  });
});

describe('setting aside', () => {
  const put = (id: string, body: object) => request(suite.app).put(`/api/watch/${id}/snooze`).send(body);

  test('what is set aside with a reason leaves the list until its day, and can be had back', async () => {
    const system = await systemReading('Aside', 30);
    const part = system.part('run-capacitor');
    await put(part, { until: '2027-01-15', reason: 'owner away until January' }).expect(200);
    expect(await watch('area=Aside')).toMatchObject({ rows: [], matching: 0, snoozed: 1, load: [] });
    const only = await watch('area=Aside&snoozed=only');
    expect(only.rows[0]?.snooze).toEqual({
      until: '2027-01-15',
      reason: 'owner away until January',
      by: 'Test Person',
    });
    expect((await watch('area=Aside&snoozed=with')).matching).toBe(1);
    await request(suite.app).delete(`/api/watch/${part}/snooze`).expect(200, { woken: true });
    expect((await watch('area=Aside')).matching).toBe(1);
  });

  test('a day that is past, no reason, an unknown part: refused in words', async () => {
    const system = await systemReading('Refused', 30);
    const part = system.part('run-capacitor');
    expect((await put(part, { until: '2026-10-10', reason: 'later' }).expect(422)).body.detail).toMatch(
      /ahead of today/,
    );
    await put(part, { until: '2026-12-01', reason: ' ' }).expect(422);
    await put(v7(), { until: '2026-12-01', reason: 'later' }).expect(404);
    expect((await watch('area=Refused')).matching).toBe(1);
  });
});

test('what changed since a week ago: the part that got worse, once, however often it was judged', async () => {
  const system = await systemReading('Changed', 40.1);
  const before = (await request(suite.app).get('/api/watch/changes').expect(200)).body as { worse: number };
  const visitId = await startVisit(suite.app, system.id);
  const componentId = system.part('run-capacitor');
  for (const microfarads of [38.1, 31]) {
    const reading = { ...benchReading({ visitId, componentId, inputs: { microfarads } }), confirmed: true };
    await request(suite.app).put(`/api/readings/${v7()}`).send(reading).expect(200);
  }
  const after = (await request(suite.app).get('/api/watch/changes').expect(200)).body;
  expect(after.since).toBe('2026-10-03');
  // First it was unproven, then sound, then worse: told once, from where it stood a week ago.
  expect(after.changes.filter((c: { componentId: string }) => c.componentId === componentId)).toMatchObject([
    { from: 'unproven', to: 'act', slot: 'run-capacitor' },
  ]);
  expect(after.worse).toBeGreaterThanOrEqual(before.worse);
});

test('the list as CSV: a head, a line a part, and no formula from a customer’s name', async () => {
  const body = { ...systemBody(), area: 'Export', customerName: '=HYPERLINK("x")', address: '9 "Quoted", Lane' };
  const system = await makeSystem(suite.app, body);
  const visitId = await startVisit(suite.app, system.id);
  const reading = benchReading({ visitId, componentId: system.part('run-capacitor'), inputs: { microfarads: 30 } });
  await request(suite.app).put(`/api/readings/${v7()}`).send(reading).expect(200);
  const reply = await request(suite.app).get('/api/watch.csv?area=Export').expect(200);
  expect(reply.headers['content-type']).toMatch(/text\/csv/);
  expect(reply.headers['content-disposition']).toMatch(/watch\.csv/);
  const [head, line] = reply.text.split('\r\n');
  expect(head).toMatch(/^standing,chance by the next round,part,rating/);
  expect(line).toContain('"9 ""Quoted"", Lane"');
  expect(line).toMatch(/'=HYPERLINK/);
});
