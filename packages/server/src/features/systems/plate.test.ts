import { componentsFor, type Plate } from '@yarnix/core';
import request from 'supertest';
import { v7 } from 'uuid';
import {
  benchReading,
  makeSystem,
  openSuite,
  startVisit,
  systemBody,
  type MadeSystem,
  type Suite,
} from '../../testing/suite.ts';

let suite: Suite;
beforeAll(async () => {
  suite = await openSuite();
});
afterAll(() => suite.close());

const change = (system: MadeSystem, plate: Plate, ids = true) => {
  const known = new Set(system.body.components.map((c) => c.slot));
  const fresh = componentsFor(system.body.kind, plate).filter((c) => !known.has(c.slot));
  return request(suite.app)
    .put(`/api/systems/${system.id}/plate`)
    .send({ plate, components: ids ? fresh.map(({ slot }) => ({ id: v7(), slot })) : [] });
};

test('a plate read better judges what was unproven', async () => {
  const system = await makeSystem(suite.app, systemBody({}));
  const visitId = await startVisit(suite.app, system.id);
  const reading = benchReading({
    visitId,
    componentId: system.part('run-capacitor'),
    point: 'single',
    inputs: { microfarads: 30 },
  });
  await request(suite.app).put(`/api/readings/${v7()}`).send(reading).expect(200);
  const standing = (body: { components: { slot: string; standing: string }[] }) =>
    body.components.find((c) => c.slot === 'run-capacitor')?.standing;
  expect(standing((await request(suite.app).get(`/api/systems/${system.id}`)).body)).toBe('unproven');
  const { body } = await change(system, { capacitorRating: '40 µF 440 V' }).expect(200);
  expect(standing(body)).toBe('act');
});

test('parts the plate names for the first time appear; none disappears', async () => {
  const system = await makeSystem(suite.app);
  const plate = { ...system.body.plate, heatKilowatts: 10, heatElements: 2 };
  const { body } = await change(system, plate).expect(200);
  const slots = body.components.map((c: { slot: string }) => c.slot);
  expect(slots).toEqual(expect.arrayContaining(['electric-heat', 'sequencer']));
  const back = await change(system, system.body.plate).expect(200);
  expect(back.body.components.map((c: { slot: string }) => c.slot)).toContain('electric-heat');
  expect((await change(system, { ...plate, startCapacitorRating: '88-108 µF' }, false).expect(422)).body.code).toBe(
    'parts-do-not-match',
  );
});

test('a part that was replaced keeps what its own label says', async () => {
  const system = await makeSystem(suite.app);
  const id = v7();
  const fitted = {
    replaces: system.part('run-capacitor'),
    fittedOn: '2026-10-10',
    plate: { rating: '40+5 µF 440 V ±6 %' },
    reason: 'weak',
  };
  await request(suite.app).put(`/api/components/${id}`).send(fitted).expect(200);
  const { body } = await change(system, { ...system.body.plate, capacitorRating: '45+5 µF 440 V' }).expect(200);
  expect(body.components.find((c: { id: string }) => c.id === id)?.plate.rating).toBe('40+5 µF 440 V ±6 %');
});

test('an unreadable rating changes nothing', async () => {
  const system = await makeSystem(suite.app);
  await change(system, { ...system.body.plate, startCapacitorRating: 'smudged' }).expect(422);
  const { body } = await request(suite.app).get(`/api/systems/${system.id}`);
  expect(body.plate).toEqual(system.body.plate);
});

test('a database from before is brought up: its systems get the parts, its firm the settings', async () => {
  const system = await makeSystem(suite.app);
  await suite
    .db('components')
    .where({ system_id: system.id })
    .whereNotIn('slot', ['supply', 'compressor', 'run-capacitor'])
    .delete();
  await suite.db('firms').update({ policy: suite.db.raw("policy - 'air' - 'coils'") });
  const migration = await import('../../database/migrations/0002-whole-round.ts');
  await migration.down(suite.db);
  await migration.up(suite.db);
  // The table of photos is a new one now: what came to it since comes again.
  await (await import('../../database/migrations/0023-photos-of-readings.ts')).up(suite.db);
  const { body } = await request(suite.app).get(`/api/systems/${system.id}`).expect(200);
  expect(body.components).toHaveLength(system.body.components.length);
  expect((await request(suite.app).get('/api/session')).body.firm.policy.air.splitLowF).toBe(15);
});
