import type { FleetPrior, MeterView, Refit, Session } from '@yarnix/core';
import { simulateFirm } from '@yarnix/simulator';
import pino from 'pino';
import request from 'supertest';
import { v7 } from 'uuid';
import { loadFirm } from '../../database/load-firm.ts';
import * as metersMigration from '../../database/migrations/0012-meters.ts';
import { runSlice } from '../../jobs/refit.ts';
import type { RefitRow } from '../refits/store.ts';
import type { Runner } from '../../jobs/runner.ts';
import { benchReading, makeSystem, openSuite, runnerOf, startVisit, type Suite } from '../../testing/suite.ts';

const AS_OF = 20_730;
const firm = simulateFirm({ seed: 31, systems: 40, asOf: AS_OF, years: [4, 6], metersOff: true });
const now = () => new Date(AS_OF * 86_400_000);
const day = (ago: number) => new Date((AS_OF - ago) * 86_400_000).toISOString();

let suite: Suite;
let runner: Runner;
let app: Suite['app'];
beforeAll(async () => {
  suite = await openSuite(now);
  await loadFirm(suite.db, firm);
  app = suite.appFor({ firmId: firm.id, personId: firm.people[1]!.id });
  ({ runner } = runnerOf(suite, now));
});
afterAll(async () => {
  await runner.stop();
  await suite.close();
});

const meters = async (of = app) => (await request(of).get('/api/meters').expect(200)).body.meters as MeterView[];
const dropped = firm.meters.find((m) => m.person === 1 && m.kind === 'capacitance-meter')!;
const standsOf = async (id: string) => (await meters()).find((m) => m.id === id)!.quantities[0]!;
const put = (path: string, body: object, of = app) => request(of).put(path).send(body);

test('a meter that was dropped in spring is named by the firm’s own readings, by how much and since when', async () => {
  await request(app).post('/api/refits').expect(200);
  await runner.look();
  expect(((await request(app).get('/api/refits/latest')).body as { refit: Refit }).refit.state).toBe('done');
  const stands = await standsOf(dropped.id);
  expect(['watch', 'act']).toContain(stands.standing);
  expect(stands.off).toBeLessThan(-0.012);
  expect(stands.off).toBeGreaterThan(-0.03);
  expect(AS_OF - stands.since!).toBeLessThan(420);
  expect(stands.readings).toBeGreaterThan(30);
  const others = (await meters()).filter((m) => m.id !== dropped.id);
  expect(others.filter((m) => m.standing === 'act' || m.standing === 'watch')).toEqual([]);
});

test('checks against something known clear it, and go into what is learned next', async () => {
  const check = (shown: number, ago: number) => ({
    quantity: 'capacitance',
    against: 'Known capacitor, 40 µF',
    known: 40,
    knownWithin: 0.1,
    shown,
    takenAt: day(ago),
  });
  const [path, body] = [`/api/meters/${dropped.id}/checks/${v7()}`, check(40, 0)];
  const { body: cleared } = await put(path, body).expect(200);
  expect((cleared as MeterView).standing).not.toBe('act');
  expect(Math.abs((await standsOf(dropped.id)).off!)).toBeLessThan(0.012);
  // The same again is the same; another under its id is refused.
  expect((await put(path, body).expect(200)).body).toEqual(cleared);
  await put(path, check(39, 0)).expect(409);
  expect((cleared as MeterView).checks).toHaveLength(3);
});

test('two checks at once both count', async () => {
  const clamp = firm.meters.find((m) => m.person === 1 && m.kind === 'clamp')!;
  const check = { quantity: 'amps', against: 'loop', known: 10, knownWithin: 0.02, shown: 10.3, takenAt: day(0) };
  await Promise.all([v7(), v7(), v7()].map((id) => put(`/api/meters/${clamp.id}/checks/${id}`, check).expect(200)));
  const view = (await meters()).find((m) => m.id === clamp.id)!;
  expect(view.checks).toHaveLength(3);
  expect(view.quantities[0]!.off).toBeGreaterThan(0.02);
});

describe('a firm that keeps its first instrument', () => {
  const meter = { kind: 'capacitance-meter', name: 'The yellow one', since: '2026-10-01', personId: null };
  let personId: string;
  let own: Suite['app'];
  beforeAll(async () => {
    personId = (await suite.db('people').where({ firm_id: suite.firmId }).first<{ id: string }>('id')).id;
    own = suite.appFor({ firmId: suite.firmId, personId });
  });

  test('readings carry the person until then, and the person’s own instrument after; another where it is picked', async () => {
    const system = await makeSystem(own);
    const visitId = await startVisit(own, system.id, day(0));
    const take = async (over: object) => {
      const reading = benchReading({ visitId, componentId: system.part('run-capacitor'), takenAt: day(0), ...over });
      return (await put(`/api/readings/${v7()}`, reading, own).expect(200)).body as { id: string; instrument: unknown };
    };
    expect((await take({})).instrument).toEqual({ 'capacitance-meter': personId });
    const [mine, lent] = [v7(), v7()];
    await put(`/api/meters/${mine}`, { ...meter, personId }, own).expect(200);
    await put(`/api/meters/${lent}`, meter, own).expect(200);
    expect((await take({})).instrument).toEqual({ 'capacitance-meter': mine });
    const picked = await take({ instruments: { 'capacitance-meter': lent } });
    expect(picked.instrument).toEqual({ 'capacitance-meter': lent });
    const reading = benchReading({ visitId, componentId: system.part('run-capacitor'), takenAt: day(0) });
    await put(`/api/readings/${v7()}`, { ...reading, instruments: { clamp: mine } }, own).expect(422);
    const { meters: inUse } = (await request(own).get('/api/session').expect(200)).body as Session;
    expect(inUse.map((m) => m.id).sort()).toEqual([mine, lent].sort());
    // An instrument laid aside is nobody's own any more.
    await put(`/api/meters/${mine}`, { ...meter, personId, until: '2026-10-02' }, own).expect(200);
    expect((await take({})).instrument).toEqual({ 'capacitance-meter': personId });
  });

  test('nonsense is refused by field, and what a firm has not is not found', async () => {
    const id = v7();
    const problem = async (body: object, status = 422) =>
      (await put(`/api/meters/${id}`, body, own).expect(status)).body;
    expect((await problem({ ...meter, kind: 'hammer' })).errors[0].path).toBe('kind');
    expect((await problem({ ...meter, until: '2020-01-01' })).errors[0].path).toBe('until');
    expect((await problem({ ...meter, personId: firm.people[0]!.id })).errors[0].path).toBe('personId');
    await put(`/api/meters/${dropped.id}`, meter, own).expect(409);
    const check = { quantity: 'volts', against: 'x', known: 0, knownWithin: 0, shown: 1, takenAt: day(0) };
    await put(`/api/meters/${dropped.id}/checks/${v7()}`, check, own).expect(404);
    await put(`/api/meters/${id}`, meter, own).expect(200);
    expect((await problem({ ...meter, kind: 'clamp' })).errors[0].path).toBe('kind');
    await put(`/api/meters/${id}/checks/${v7()}`, check, own).expect(422);
    const capacitance = { ...check, quantity: 'capacitance' };
    await put(`/api/meters/${id}/checks/${v7()}`, capacitance, own).expect(422);
    await put(`/api/meters/${id}/checks/${v7()}`, { ...capacitance, known: 40, takenAt: day(-3) }, own).expect(422);
  });
});

test('what fleets had taught before meters were known is brought along, and back', async () => {
  const prior = async () => (await suite.db('firms').where({ id: firm.id }).first<{ prior: object }>('prior')).prior;
  const { classes } = (await prior()) as { classes: object };
  await metersMigration.down(suite.db);
  expect(await prior()).toEqual(classes);
  await metersMigration.up(suite.db);
  expect(await prior()).toEqual({ classes, meters: {} });
});

test('a check made while a refit goes through the fleet is not lost when that refit ends', async () => {
  const suiteOfOwn = await openSuite(now);
  await loadFirm(suiteOfOwn.db, firm);
  const own = suiteOfOwn.appFor({ firmId: firm.id, personId: firm.people[1]!.id });
  const id = v7();
  await suiteOfOwn.db('refits').insert({ id, firm_id: firm.id, state: 'queued', asked_at: now() });
  const row = await suiteOfOwn.db('refits').where({ id }).first<RefitRow>();
  const meter = dropped.id;
  // What is learned was read before the check came; the check comes while it is worked out.
  const learning = async () => {
    const check = {
      quantity: 'capacitance',
      against: 'van',
      known: 40,
      knownWithin: 0.1,
      shown: 39.2,
      takenAt: day(0),
    };
    await put(`/api/meters/${meter}/checks/${v7()}`, check, own).expect(200);
    return { classes: {}, meters: {} };
  };
  const pool = {
    size: 1,
    run: ({ task }: { task: string }) =>
      task === 'learn' ? learning() : Promise.resolve({ threads: 0, setAside: [] }),
  };
  const log = pino({ level: 'silent' });
  await runSlice({ db: suiteOfOwn.db, pool: pool as never, row, now: now(), clock: now, log });
  const stored = (await suiteOfOwn.db('firms').where({ id: firm.id }).first<{ prior: FleetPrior }>('prior')).prior;
  expect(stored.meters.capacitance?.meters[meter]?.mean.at(-1)).toBeLessThan(-0.01);
  await suiteOfOwn.close();
});
