import { fleetPriorFrom, type Refit } from '@yarnix/core';
import { simulateFirm } from '@yarnix/simulator';
import type { Knex } from 'knex';
import request from 'supertest';
import { loadFirm } from '../database/load-firm.ts';
import { openSuite, runnerOf, type Suite } from '../testing/suite.ts';
import { judgeSystems, readSystems } from './refit-chunk.ts';
import { SLICES, type JobQueue } from './queue.ts';
import type { Runner } from './runner.ts';

const AS_OF = 20_730;
const firm = simulateFirm({ seed: 77, systems: 14, asOf: AS_OF, years: [3, 5] });
const now = () => new Date(AS_OF * 86_400_000);

let suite: Suite;
let jobs: JobQueue;
let runner: Runner;
let firmApp: Suite['app'];
beforeAll(async () => {
  suite = await openSuite(now);
  await loadFirm(suite.db, firm);
  firmApp = suite.appFor({ firmId: firm.id, personId: firm.people[0]!.id });
  ({ jobs, runner } = runnerOf(suite, now));
});
afterAll(async () => {
  await runner.stop();
  await suite.close();
});

const ask = async () => (await request(firmApp).post('/api/refits').expect(200)).body as Refit;
const latest = async () =>
  (await request(firmApp).get('/api/refits/latest').expect(200)).body as { refit: Refit; learnedAt: string | null };
const standings = (db: Knex) =>
  db('components')
    .where({ firm_id: firm.id })
    .whereNull('removed_on')
    .orderBy('id')
    .select<{ id: string; standing: string; chance: number; revision: number }[]>(
      'id',
      'standing',
      'chance',
      'revision',
    );

test('a refit learns from the fleet and judges every part anew, in worker threads; twice comes to the same', async () => {
  const asked = await ask();
  expect(asked).toMatchObject({ state: 'queued', done: 0 });
  await runner.look();
  const { refit, learnedAt } = await latest();
  expect(refit).toMatchObject({ id: asked.id, state: 'done', done: 14, total: 14, error: null });
  expect(refit.threads).toBeGreaterThan(200);
  expect(learnedAt).toBe(now().toISOString());
  const prior = (await suite.db('firms').where({ id: firm.id }).first<{ prior: object }>('prior')).prior;
  expect(prior).toHaveProperty('classes.run-capacitor-capacitance');
  const first = await standings(suite.db);
  await ask();
  await runner.look();
  const again = await standings(suite.db);
  expect(again.map(({ standing, chance }) => ({ standing, chance }))).toEqual(
    first.map(({ standing, chance }) => ({ standing, chance })),
  );
});

test('asked while one is under way, that one stands', async () => {
  const one = await ask();
  expect((await ask()).id).toBe(one.id);
  await runner.look();
});

test('a canceled refit keeps what it has done, and goes on behind it', async () => {
  const asked = await ask();
  await request(firmApp).put(`/api/refits/${asked.id}/wish`).send({ wish: 'cancel' }).expect(200);
  await runner.look();
  expect((await latest()).refit).toMatchObject({ state: 'cancelled', done: 0 });
  // As if it had been stopped half-way.
  const ids = await suite.db('systems').where({ firm_id: firm.id }).orderBy('id').select<{ id: string }[]>('id');
  await suite.db('refits').where({ id: asked.id }).update({ done: 9, done_up_to: ids[8]!.id });
  const before = await standings(suite.db);
  await suite.db('components').where({ system_id: ids[0]!.id }).update({ chance: 0.987 });
  await request(firmApp).put(`/api/refits/${asked.id}/wish`).send({ wish: 'resume' }).expect(200);
  await runner.look();
  expect((await latest()).refit).toMatchObject({ state: 'done', done: 14 });
  // The first systems were not done again: what was written there in the meantime is still there.
  const kept = await suite.db('components').where({ system_id: ids[0]!.id }).whereNull('removed_on').select('chance');
  expect(kept.every((k: { chance: number }) => Math.abs(k.chance - 0.987) < 1e-6)).toBe(true);
  expect(await standings(suite.db)).toHaveLength(before.length);
  const refused = await request(firmApp).put(`/api/refits/${asked.id}/wish`).send({ wish: 'cancel' }).expect(409);
  expect(refused.body.code).toBe('refit-state');
});

test('a part that a reading has judged in the meantime is not overwritten by an older judgment', async () => {
  const [system] = await readSystems(suite.db, [
    (await suite.db('systems').where({ firm_id: firm.id }).orderBy('id', 'desc').first<{ id: string }>('id')).id,
  ]);
  const part = system!.parts[0]!;
  await suite
    .db('components')
    .where({ id: part.id })
    .update({ revision: part.revision + 1, chance: 0.42 });
  const policy = (await suite.db('firms').where({ id: firm.id }).first<{ policy: never }>('policy')).policy;
  await judgeSystems(suite.db, [system!], { policy, prior: undefined }, now());
  const row = await suite.db('components').where({ id: part.id }).first<{ chance: number }>('chance');
  expect(row.chance).toBeCloseTo(0.42, 5);
});

test('of a refit one slice waits, however often it is queued; the next may be queued while one is worked on', async () => {
  const { id } = await ask();
  await jobs.add('refits', suite.db, id);
  const boss = await jobs.boss();
  const [slice] = await boss.fetch(SLICES.refits);
  expect(await boss.fetch(SLICES.refits)).toEqual([]);
  await jobs.add('refits', suite.db, id);
  await jobs.add('refits', suite.db, id);
  await boss.complete(SLICES.refits, slice!.id);
  expect(await boss.getQueueSize(SLICES.refits)).toBe(1);
  await runner.look();
  expect((await latest()).refit).toMatchObject({ id, state: 'done' });
});

test('a refit lost by a server that went away is taken over', async () => {
  const asked = await ask();
  const boss = await jobs.boss();
  // Somebody takes the slice, and is never heard of again.
  expect(await boss.fetch(SLICES.refits)).toHaveLength(1);
  await suite.db('refits').where({ id: asked.id }).update({ state: 'learning', beat_at: new Date() });
  await runner.look();
  expect((await latest()).refit).toMatchObject({ id: asked.id, state: 'learning' });
  await suite
    .db('refits')
    .where({ id: asked.id })
    .update({ beat_at: suite.db.raw("now() - interval '5 minutes'") });
  await runner.look();
  expect((await latest()).refit).toMatchObject({ id: asked.id, state: 'done' });
});

test('one thread that cannot be fitted is set aside with its reason, and the refit ends whole', async () => {
  const part = await suite
    .db('components as k')
    .where({ 'k.firm_id': firm.id, slot: 'run-capacitor' })
    .whereNull('removed_on')
    .first<{ id: string; system_id: string }>('k.id', 'k.system_id');
  // As an earlier version let it in: the rule of today does not look at what was there before it.
  await suite.db.raw('alter table readings drop constraint readings_value');
  const readings = () => suite.db('readings').where({ component_id: part.id, point: 'herm', method: 'bench' });
  const before = await readings().whereNotNull('value').select<{ id: string; value: number }[]>('id', 'value');
  expect(before.length).toBeGreaterThan(0);
  await readings().update({ value: 1.3e306 });
  const others = (await standings(suite.db)).filter((s) => s.id !== part.id).length;
  await ask();
  await runner.look();
  const { refit } = await latest();
  expect(refit).toMatchObject({ state: 'done', done: 14, error: null });
  expect(refit.setAside).toContainEqual({
    systemId: part.system_id,
    componentId: part.id,
    kind: 'run-capacitor-capacitance',
    point: 'herm',
    why: 'a figure in it is beyond what can be reckoned with',
  });
  const prior = (await suite.db('firms').where({ id: firm.id }).first<{ prior: object }>('prior')).prior;
  expect(fleetPriorFrom(prior)).toMatchObject({ broken: [] });
  expect(prior).toHaveProperty('classes.run-capacitor-capacitance');
  expect((await standings(suite.db)).filter((s) => s.id !== part.id)).toHaveLength(others);
  await request(firmApp).get('/api/watch').expect(200);
  await request(firmApp).get('/api/session').expect(200);
});

test('going on with one while another is under way is refused, not a fault', async () => {
  const first = await ask();
  await request(firmApp).put(`/api/refits/${first.id}/wish`).send({ wish: 'cancel' }).expect(200);
  await runner.look();
  const second = await ask();
  expect(second.id).not.toBe(first.id);
  const refused = await request(firmApp).put(`/api/refits/${first.id}/wish`).send({ wish: 'resume' }).expect(409);
  expect(refused.body).toMatchObject({
    code: 'refit-state',
    detail: 'Another one is under way; this one can go on after it.',
  });
  await runner.look();
});

test('a fleet that was never learned from, or too long ago, is queued by itself', async () => {
  await suite
    .db('firms')
    .where({ id: firm.id })
    .update({ prior_learned_at: new Date(now().getTime() - 25 * 3_600_000) });
  const before = (await latest()).refit.id;
  await runner.start(true);
  const until = Date.now() + 250_000;
  while (Date.now() < until && ((await latest()).refit.id === before || (await latest()).refit.state !== 'done'))
    await new Promise((resolve) => setTimeout(resolve, 200));
  const { refit, learnedAt } = await latest();
  expect(refit.id).not.toBe(before);
  expect({ state: refit.state, learnedAt }).toEqual({ state: 'done', learnedAt: now().toISOString() });
});
