import type { NewCall, SystemDetail } from '@yarnix/core';
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

const call: NewCall = {
  kind: 'call',
  complaints: ['never-stops'],
  since: 'days',
  atTimes: false,
  said: 'Upstairs, since the storm.',
  doubted: [],
  skipped: [],
  idle: [],
  repaired: [],
  outcome: null,
};
const put = (id: string, body: object) => request(suite.app).put(`/api/visits/${id}/call`).send(body);
const causes = async (app = suite.app) => (await request(app).get('/api/causes').expect(200)).body.proved as object[];

test('a visit becomes a call, and the latest state of it holds; on a round there is none', async () => {
  const id = await startVisit(suite.app, system.id);
  const round = await startVisit(suite.app, system.id);
  expect((await put(id, call).expect(200)).body.call).toEqual(call);
  const later = { ...call, skipped: ['wiring-volts/supply/r-c/off'] };
  await put(id, later).expect(200);
  await put(id, later).expect(200);
  const detail = (await request(suite.app).get(`/api/systems/${system.id}`)).body as SystemDetail;
  expect(detail.visits.find((v) => v.id === id)?.call).toEqual(later);
  expect(detail.visits.find((v) => v.id === round)?.call).toBeNull();
  const page = (await request(suite.app).get('/api/visits').expect(200)).body;
  expect(page.open.find((v: { id: string }) => v.id === id).call.complaints).toEqual(['never-stops']);
});

test('readings of a hunt are readings of the visit, refused where the part or the place is not the machine’s', async () => {
  const id = await startVisit(suite.app, system.id);
  await put(id, call).expect(200);
  const reading = (over: object) => ({
    visitId: id,
    componentId: system.part('supply'),
    kind: 'wiring-volts',
    point: 'r-c',
    method: 'off',
    inputs: { volts: 26.2 },
    takenAt: '2026-10-10T14:20:00.000Z',
    confirmed: true,
    ...over,
  });
  const send = (body: object) => request(suite.app).put(`/api/readings/${v7()}`).send(body);
  expect((await send(reading({})).expect(200)).body.findings).toEqual(['noted']);
  await send(reading({ point: 'frost-left' })).expect(422);
  await send(reading({ componentId: system.part('contactor') })).expect(422);
  await send(reading({ inputs: { volts: 'OL' } })).expect(422);
  await send(reading({ inputs: { volts: 1e7 } })).expect(422);
});

test('how a call ended counts among the causes proved in this firm, and in no other', async () => {
  const id = await startVisit(suite.app, system.id);
  const ended = (faults: string[], over = {}) => ({
    ...call,
    repaired: faults.map((fault) => ({ fault, at: '2026-10-10T14:40:00.000Z' })),
    outcome: { is: 'repaired', faults, note: 'New relay.', byWhen: null, ...over },
  });
  await put(id, ended(['blower-relay-welded'])).expect(200);
  await request(suite.app).put(`/api/visits/${id}/closing`).send({ closedAt: '2026-10-10T15:00:00.000Z' }).expect(200);
  const other = await startVisit(suite.app, system.id);
  await put(other, ended([], { is: 'nothing-found' })).expect(200);
  expect(await causes()).toEqual([{ fault: 'blower-relay-welded', count: 1 }]);
  expect(await causes(suite.appFor(await suite.addFirm('Other Air')))).toEqual([]);
  // Closed: the same state is answered, another is refused.
  await put(id, ended(['blower-relay-welded'])).expect(200);
  expect((await put(id, call).expect(409)).body.code).toBe('visit-closed');
});

test.each([
  ['no complaint', { complaints: [] }, 'complaints'],
  ['a complaint nobody knows', { complaints: ['haunted'] }, 'complaints.0'],
  ['four of them', { complaints: ['never-stops', 'no-air', 'heat-weak', 'flame-lost'] }, 'complaints'],
  ['a repair of no fault', { repaired: [{ fault: 'gremlins', at: '2026-10-10T14:40:00.000Z' }] }, 'repaired.0.fault'],
  ['a repair before the visit', { repaired: [{ fault: 'no-gas', at: '2024-10-10T14:40:00.000Z' }] }, 'repaired.0.at'],
  ['a repair to come', { repaired: [{ fault: 'no-gas', at: '2026-12-10T14:40:00.000Z' }] }, 'repaired.0.at'],
  ['for now, and no day', { outcome: { is: 'for-now', faults: [], note: 'jumper', byWhen: null } }, 'outcome.byWhen'],
  ['declined, and no reason', { outcome: { is: 'declined', faults: [], note: ' ', byWhen: null } }, 'outcome.note'],
  ['more words than fit', { said: 'x'.repeat(601) }, 'said'],
])('%s is refused with its place, and nothing is lost', async (_, wrong, path) => {
  const id = await startVisit(suite.app, system.id);
  await put(id, call).expect(200);
  const refused = await put(id, { ...call, ...wrong }).expect(422);
  expect(refused.body.errors.map((e: { path: string }) => e.path)).toContain(path);
  const detail = (await request(suite.app).get(`/api/systems/${system.id}`)).body as SystemDetail;
  expect(detail.visits.find((v) => v.id === id)?.call).toEqual(call);
});

test('a visit of another firm, or none, is not found', async () => {
  const id = await startVisit(suite.app, system.id);
  const stranger = suite.appFor(await suite.addFirm('Third Air'));
  await request(stranger).put(`/api/visits/${id}/call`).send(call).expect(404);
  await put(v7(), call).expect(404);
});
