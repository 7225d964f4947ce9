import request from 'supertest';
import { v7 } from 'uuid';
import { benchReading, makeSystem, openSuite, systemBody, type Suite } from '../testing/suite.ts';
import * as words from './migrations/0007-words.ts';
import * as moreParts from './migrations/0009-more-parts.ts';
import * as ownSchools from './migrations/0022-own-schools.ts';

let suite: Suite;
beforeAll(async () => {
  suite = await openSuite();
});
afterAll(() => suite.close());

test('names that became the trade’s own are brought along, in what was kept before', async () => {
  const plate = { capacitorRating: '40+5 µF 440 V', wires: [{ on: 'can', lug: 'HERM', color: 'yellow' }] };
  const system = await makeSystem(suite.app, systemBody(plate));
  const visitId = v7();
  await request(suite.app)
    .put(`/api/visits/${visitId}`)
    .send({ systemId: system.id, startedAt: '2026-10-10T14:00:00.000Z', season: 'fall' })
    .expect(200);
  const reading = benchReading({ visitId, componentId: system.part('run-capacitor') });
  await request(suite.app).put(`/api/readings/${v7()}`).send(reading).expect(200);
  const readings = () => suite.db('readings').where({ system_id: system.id });
  await readings().update({
    inputs: JSON.stringify({ seen: ['valve-shifts', 'auxiliary-heat-on'] }),
    findings: ['no-auxiliary-heat', 'valve-did-not-shift'],
  });
  const kept = async () => ({
    season: (await suite.db('visits').where({ id: visitId }).first<{ season: string }>('season')).season,
    wires: (await suite.db('systems').where({ id: system.id }).first<{ plate: { wires: object[] } }>('plate')).plate
      .wires,
    readings: await readings().select<object[]>('inputs', 'findings'),
  });
  const before = await kept();
  await words.down(suite.db);
  const then = await kept();
  expect(then.season).toBe('autumn');
  expect(then.wires).toEqual([{ on: 'can', lug: 'HERM', colour: 'yellow' }]);
  expect(then.readings).toEqual([
    { inputs: { seen: ['valve-shifts', 'back-up-heat-on'] }, findings: ['no-back-up-heat', 'valve-did-not-shift'] },
  ]);
  await words.up(suite.db);
  expect(await kept()).toEqual(before);
});

test('a device that was last loaded before still names the fall its old way', async () => {
  const system = await makeSystem(suite.app);
  const { body } = await request(suite.app)
    .put(`/api/visits/${v7()}`)
    .send({ systemId: system.id, startedAt: '2026-10-10T14:00:00.000Z', season: 'autumn' })
    .expect(200);
  expect(body.season).toBe('fall');
});

test('systems entered before have the parts that became parts since, once', async () => {
  const system = await makeSystem(
    suite.app,
    systemBody({ blowerMotor: 'psc', heatKilowatts: 10, heatSwitch: 'relay' }),
  );
  const slots = () =>
    suite
      .db('components')
      .where({ system_id: system.id })
      .whereIn('slot', ['blower-capacitor', 'heat-relay'])
      .orderBy('slot')
      .pluck<string[]>('slot');
  expect(await slots()).toEqual(['blower-capacitor', 'heat-relay']);
  await moreParts.down(suite.db);
  expect(await slots()).toEqual([]);
  await moreParts.up(suite.db);
  await moreParts.up(suite.db);
  expect(await slots()).toEqual(['blower-capacitor', 'heat-relay']);
});

test('a part that was judged by its own tolerance still is, and the others by the firm’s', async () => {
  const system = await makeSystem(suite.app);
  const plates = () =>
    suite.db('components').where({ system_id: system.id }).orderBy('slot').pluck<{ school?: string }[]>('plate');
  await request(suite.app)
    .put(`/api/components/${system.part('run-capacitor')}/school`)
    .send({ school: 'capacitor-tolerance', setting: 'wide' })
    .expect(200);
  const now = await plates();
  await ownSchools.down(suite.db);
  expect((await plates()).filter(({ school }) => school !== undefined)).toEqual([
    { rating: systemBody().plate.capacitorRating, school: 'wide' },
  ]);
  await ownSchools.up(suite.db);
  expect(await plates()).toEqual(now);
});
