import { DEFAULT_POLICY, POLICIES, type Policy, type Preview, type Refit, type Schools } from '@yarnix/core';
import { simulateFirm } from '@yarnix/simulator';
import request from 'supertest';
import { loadFirm } from '../../database/load-firm.ts';
import type { Runner } from '../../jobs/runner.ts';
import { openSuite, runnerOf, type Suite } from '../../testing/suite.ts';

const AS_OF = 20_730;
const firm = simulateFirm({ seed: 31, systems: 16, asOf: AS_OF, years: [3, 5] });
const now = () => new Date(AS_OF * 86_400_000);

let suite: Suite;
let runner: Runner;
let app: Suite['app'];
beforeAll(async () => {
  suite = await openSuite(now);
  await loadFirm(suite.db, firm);
  app = suite.appFor({ firmId: firm.id, personId: firm.people[0]!.id });
  ({ runner } = runnerOf(suite, now));
});
afterAll(async () => {
  await runner.stop();
  await suite.close();
});

const schools = async () => (await request(app).get('/api/schools').expect(200)).body as Schools;
const previewed = async (policy: Policy) => {
  const asked = (await request(app).post('/api/schools/previews').send({ policy }).expect(200)).body as Preview;
  expect(asked).toMatchObject({ state: 'queued', changes: [] });
  await runner.look();
  return (await request(app).get(`/api/schools/previews/${asked.id}`).expect(200)).body as Preview;
};
const standings = async () =>
  new Map(
    (
      await suite
        .db('components')
        .where({ firm_id: firm.id })
        .whereNull('removed_on')
        .select<{ id: string; standing: string }[]>('id', 'standing')
    ).map((row) => [row.id, row.standing]),
  );

test('what a preview says would change is what changes once it is saved, and undone it is as it was', async () => {
  await request(app).post('/api/refits').expect(200);
  await runner.look();
  const before = await standings();
  const { revision } = await schools();
  const preview = await previewed(POLICIES.tight);
  expect(preview).toMatchObject({ state: 'done', done: 16, total: 16, parts: before.size });
  expect(preview.changing).toBeGreaterThan(0);
  expect(preview.changes).toHaveLength(preview.changing);
  expect(preview.changes[0]?.address).toMatch(/\d/);
  // Nothing was written of it.
  expect(await standings()).toEqual(before);

  const saved = (await request(app).put('/api/schools').send({ policy: POLICIES.tight, revision }).expect(200))
    .body as Schools;
  expect(saved.revision).toBe(revision + 1);
  expect(saved.changes[0]).toMatchObject({ schools: ['capacitor-tolerance', 'capacitor-replacement'], undoes: null });
  await runner.look();
  const { refit } = (await request(app).get('/api/refits/latest')).body as { refit: Refit };
  expect(refit.state).toBe('done');
  const after = await standings();
  const changed = [...after].filter(([id, standing]) => before.get(id) !== standing);
  expect(changed.map(([id]) => id).sort()).toEqual(preview.changes.map((c) => c.componentId).sort());
  for (const { componentId, from, to } of preview.changes)
    expect([before.get(componentId), after.get(componentId)]).toEqual([from, to]);

  const undo = { policy: saved.changes[0]!.from, revision: saved.revision, undoes: saved.changes[0]!.id };
  const undone = (await request(app).put('/api/schools').send(undo).expect(200)).body as Schools;
  expect(undone.policy).toEqual(DEFAULT_POLICY);
  expect(undone.changes.map((c) => c.undoes)).toEqual([saved.changes[0]!.id, null]);
  await runner.look();
  expect(await standings()).toEqual(before);
});

test('two who change the schools at once: the second is told, and nothing of the first is lost', async () => {
  const { revision } = await schools();
  const months = { ...DEFAULT_POLICY, roundMonths: [3, 9] };
  await request(app).put('/api/schools').send({ policy: months, revision }).expect(200);
  const late = await request(app).put('/api/schools').send({ policy: POLICIES.wide, revision }).expect(409);
  expect(late.body).toMatchObject({ code: 'conflict' });
  expect((await schools()).policy.roundMonths).toEqual([3, 9]);
});

test('schools that no trade uses are refused by name, and what is the same as before is no change', async () => {
  const { revision, policy, changes } = await schools();
  const crossed = { ...policy, air: { ...policy.air, splitLowF: 25, splitHighF: 20 } };
  const refused = await request(app).put('/api/schools').send({ policy: crossed, revision }).expect(422);
  expect(refused.body).toMatchObject({ errors: [{ path: 'policy/cooling-split' }] });
  await request(app).post('/api/schools/previews').send({ policy: crossed }).expect(422);
  await request(app).put('/api/schools').send({ policy: 'printed', revision }).expect(422);
  const same = (await request(app).put('/api/schools').send({ policy, revision }).expect(200)).body as Schools;
  expect(same).toMatchObject({ revision, changes: { length: changes.length } });
});

test('schools changed while a refit runs are what everything is judged by in the end', async () => {
  const { revision, policy } = await schools();
  await request(app).post('/api/refits').expect(200);
  // As if half of it had been judged by the schools from before.
  const ids = await suite.db('systems').where({ firm_id: firm.id }).orderBy('id').select<{ id: string }[]>('id');
  await suite
    .db('refits')
    .where({ firm_id: firm.id, state: 'queued' })
    .update({ state: 'judging', done: 8, done_up_to: ids[7]!.id, policy_revision: revision });
  await request(app)
    .put('/api/schools')
    .send({ policy: { ...policy, capacitor: POLICIES.tight.capacitor }, revision })
    .expect(200);
  await runner.look();
  const { refit } = (await request(app).get('/api/refits/latest')).body as { refit: Refit };
  expect(refit).toMatchObject({ state: 'done', done: 16 });
  const judged = await standings();
  await request(app).post('/api/refits').expect(200);
  await runner.look();
  expect(await standings()).toEqual(judged);
});

test('a preview asked for anew drops the one before; another firm sees neither', async () => {
  const first = (await request(app).post('/api/schools/previews').send({ policy: POLICIES.wide }).expect(200))
    .body as Preview;
  const second = (await request(app).post('/api/schools/previews').send({ policy: POLICIES.tight }).expect(200))
    .body as Preview;
  await request(app).get(`/api/schools/previews/${first.id}`).expect(404);
  await request(suite.app).get(`/api/schools/previews/${second.id}`).expect(404);
  await runner.look();
  expect((await request(app).get(`/api/schools/previews/${second.id}`)).body).toMatchObject({ state: 'done' });
});
