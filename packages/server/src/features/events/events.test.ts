import type { SystemDetail } from '@yarnix/core';
import request from 'supertest';
import { v7 } from 'uuid';
import { makeSystem, openSuite, startVisit, type Suite } from '../../testing/suite.ts';

let suite: Suite;
beforeAll(async () => {
  suite = await openSuite();
});
afterAll(() => suite.close());

const put = (id: string, body: object) => request(suite.app).put(`/api/events/${id}`).send(body);
const detail = async (id: string) => (await request(suite.app).get(`/api/systems/${id}`)).body as SystemDetail;

test('a repair is kept once, shown with its system, and can be taken back', async () => {
  const system = await makeSystem(suite.app);
  const visitId = await startVisit(suite.app, system.id);
  const id = v7();
  const event = { visitId, kind: 'filter-changed', on: '2026-10-10' };
  await put(id, event).expect(200);
  await put(id, event).expect(200);
  expect((await detail(system.id)).events).toEqual([{ id, ...event, note: null, change: null }]);
  await put(id, { ...event, withdrawn: true }).expect(200);
  expect((await detail(system.id)).events).toEqual([]);
});

test('a repair moves the standing of what it touches: amps of another blower speed are no longer off', async () => {
  const system = await makeSystem(suite.app);
  const componentId = system.part('blower');
  const amps = async (visitId: string, value: number, day: string) =>
    request(suite.app)
      .put(`/api/readings/${v7()}`)
      .send({
        visitId,
        componentId,
        kind: 'blower-amps',
        point: 'whole',
        method: 'clamp',
        inputs: { amps: value },
        takenAt: `${day}T14:20:00.000Z`,
        conditions: { lineVolts: 240 },
        confirmed: true,
      })
      .expect(200);
  const days = ['2024-10-10', '2025-04-10', '2025-10-10', '2026-10-10'] as const;
  const visits: string[] = [];
  for (const [i, day] of days.entries()) {
    const visitId = await startVisit(suite.app, system.id, `${day}T14:00:00.000Z`);
    visits.push(visitId);
    await amps(visitId, i < 3 ? 2.2 : 3.1, day);
  }
  const standing = async () => (await detail(system.id)).components.find((c) => c.id === componentId)?.standing;
  expect(await standing()).toBe('watch');
  await put(v7(), { visitId: visits[3], kind: 'blower-speed-changed', on: '2026-10-09' }).expect(200);
  expect(await standing()).toBe('sound');
});

test('another visit cannot take its id; an unknown repair or visit is refused', async () => {
  const system = await makeSystem(suite.app);
  const [one, two] = [await startVisit(suite.app, system.id), await startVisit(suite.app, system.id)];
  const id = v7();
  await put(id, { visitId: one, kind: 'filter-changed', on: '2026-10-10' }).expect(200);
  await put(id, { visitId: two, kind: 'filter-changed', on: '2026-10-10' }).expect(409);
  await put(v7(), { visitId: one, kind: 'exorcism', on: '2026-10-10' }).expect(422);
  await put(v7(), { visitId: v7(), kind: 'filter-changed', on: '2026-10-10' }).expect(404);
});

test('a jumper that is moved is an event from one figure to another, and the plate record follows it there and back', async () => {
  const system = await makeSystem(suite.app);
  const visitId = await startVisit(suite.app, system.id);
  const id = v7();
  const event = { visitId, kind: 'termination-moved', on: '2026-10-10', change: { from: 50, to: 70 } };
  await put(id, event).expect(200);
  expect((await detail(system.id)).plate.defrostTerminationF).toBe(70);
  expect((await detail(system.id)).events).toEqual([{ id, ...event, note: null }]);
  await put(id, { ...event, withdrawn: true }).expect(200);
  expect((await detail(system.id)).plate.defrostTerminationF).toBe(50);
  // Put right by the office meanwhile, or never moved: what is taken back moves nothing.
  await put(v7(), { ...event, change: { from: 90, to: 70 }, withdrawn: true }).expect(200);
  expect((await detail(system.id)).plate.defrostTerminationF).toBe(50);
  // A setting without figures says nothing, and other repairs have none.
  await put(v7(), { ...event, change: null }).expect(422);
  await put(v7(), { ...event, kind: 'filter-changed' }).expect(422);
});
