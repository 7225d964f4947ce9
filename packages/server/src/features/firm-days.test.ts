import type { MeterInUse, VisitView } from '@yarnix/core';
import request from 'supertest';
import { v7 } from 'uuid';
import { makeSystem, openSuite, systemBody, type Suite } from '../testing/suite.ts';

/** Half past eleven at night of July 31 where the firm is; August 1 in UTC, from which on heating is checked. */
const NOW = '2026-08-01T05:30:00.000Z';

let suite: Suite;
beforeAll(async () => {
  suite = await openSuite(() => new Date(NOW));
  await suite.db('firms').update({ zone: 'America/Denver' });
});
afterAll(() => suite.close());

const put = (path: string, body: object) => request(suite.app).put(path).send(body);

test('a visit in the evening is of the season of the firm’s day', async () => {
  const { id: systemId } = await makeSystem(suite.app, systemBody());
  const id = v7();
  const made = (await put(`/api/visits/${id}`, { systemId, startedAt: NOW }).expect(200)).body as VisitView;
  expect(made.season).toBe('spring');
  await put(`/api/visits/${id}/closing`, { closedAt: NOW }).expect(200);
  const again = await put(`/api/visits/${id}/closing`, { closedAt: '2026-08-01T05:40:00.000Z' }).expect(409);
  expect(again.body.detail).toBe('This round was closed on July 31, 2026 already.');
});

test('a meter bought tomorrow is not in use this evening, one laid aside today still is', async () => {
  const meter = { name: 'Meter', kind: 'capacitance-meter', personId: null, until: null };
  const [today, tomorrow] = [v7(), v7()];
  await put(`/api/meters/${today}`, { ...meter, since: '2026-01-01', until: '2026-07-31' }).expect(200);
  await put(`/api/meters/${tomorrow}`, { ...meter, since: '2026-08-01' }).expect(200);
  const { meters } = (await request(suite.app).get('/api/session').expect(200)).body as { meters: MeterInUse[] };
  expect(meters.map(({ id }) => id)).toEqual([today]);
});

test('what is told of a week ago is of the firm’s day', async () => {
  const { since } = (await request(suite.app).get('/api/watch/changes').expect(200)).body as { since: string };
  expect(since).toBe('2026-07-24');
});
