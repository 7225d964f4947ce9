import { fleetPriorFrom, sessionSchema, watchPageSchema } from '@yarnix/core';
import type { Express } from 'express';
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
} from '../testing/suite.ts';

let suite: Suite;
let app: Express;
let system: MadeSystem;
let visitId: string;
beforeAll(async () => {
  suite = await openSuite();
  ({ app } = suite);
  system = await makeSystem(app);
  visitId = await startVisit(app, system.id);
});
afterAll(() => suite.close());

const put = (body: object) => request(app).put(`/api/readings/${v7()}`).send(body);
const reading = (over: object) => ({
  ...benchReading({ visitId, componentId: system.part('run-capacitor') }),
  confirmed: true,
  ...over,
});

describe('a value that is worked out has bounds, confirmed or not', () => {
  test.each([
    ['a capacitance of 1e306 µF', { method: 'under-load', inputs: { amps: 500, volts: 1e-300 } }],
    ['a capacitance of a million µF', { method: 'under-load', inputs: { amps: 500, volts: 1 } }],
    ['volts finer than any meter', { method: 'under-load', inputs: { amps: 5, volts: 1e-9 } }],
  ])('%s', async (_name, over) => {
    const before = await suite.db('readings').count();
    const { body } = await put(reading(over)).expect(422);
    expect(body.code).toBe('entry-refused');
    expect(await suite.db('readings').count()).toEqual(before);
    await request(app).get('/api/watch').expect(200);
  });
  test('conditions that values are divided by are no finer either', async () => {
    await put(reading({ conditions: { lineVolts: 1e-300 } })).expect(422);
  });
});

describe('names that every object inherits are names like any other', () => {
  const names = ['constructor', '__proto__', 'toString', 'hasOwnProperty', 'valueOf'];
  test.each(names)('a plate whose refrigerant is %s', async (refrigerant) => {
    const made = await makeSystem(app, systemBody({ ...systemBody().plate, refrigerant }));
    const round = await startVisit(app, made.id);
    const circuit = made.part('refrigerant-circuit');
    const subcooling = {
      ...benchReading({ visitId: round, componentId: circuit }),
      kind: 'subcooling',
      point: 'liquid',
      method: 'gauges',
      inputs: { psig: 350, lineF: 95 },
    };
    expect((await put(subcooling)).body.code).toBe('entry-refused');
    const asked = new URLSearchParams({
      systemId: made.id,
      componentId: circuit,
      kind: 'subcooling',
      point: 'liquid',
      method: 'gauges',
      input: 'psig',
      season: 'spring',
      faults: 'constructor,toString',
    }).toString();
    // Whatever the kit makes of such a house: the stream answers and ends, and the server goes on.
    const stream = request(app).get(`/api/probes/stream?${asked}`).timeout(300);
    await stream.then(
      (reply) => expect(reply.status).toBeLessThan(500),
      (error: { timeout?: number }) => expect(error.timeout).toBe(300),
    );
    await request(app).get('/healthz').expect(200);
  });
  test.each(names)('kind, method, finding and filters named %s', async (name) => {
    expect((await put(reading({ kind: name }))).status).toBe(422);
    expect((await put(reading({ method: name }))).status).toBe(422);
    expect((await put(reading({ method: 'look', point: 'whole', inputs: { look: name } }))).status).toBe(422);
    expect((await put(reading({ inputs: JSON.parse(`{"${name}": 1}`) as object }))).status).toBe(422);
    expect((await request(app).get(`/api/watch?slot=${name}`)).status).toBe(422);
    expect((await request(app).get(`/api/systems?sort=${name}`)).status).toBe(422);
  });
});

describe('what is broken in the record costs nobody else anything', () => {
  test('the database itself keeps no figure that is none', async () => {
    const part = suite.db('components').where({ id: system.part('compressor') });
    for (const state of [{ urgency: NaN }, { chance: 2 }, { urgency: Infinity }, { standing: 'splendid' }])
      await expect(part.clone().update(state)).rejects.toThrow(/check constraint/);
    await expect(
      suite.db('firms').update({ prior: '{"classes": {"a": {"classes": [{"share": null}]}}}' }),
    ).rejects.toThrow(/check constraint/);
  });

  test('one part whose reason cannot be read: the Watch says so, and shows the others', async () => {
    await put(reading({ inputs: { microfarads: 30 } })).expect(200);
    const other = system.part('compressor');
    await suite
      .db('components')
      .where({ id: other })
      .update({
        standing: 'act',
        severity: 3,
        urgency: 0.9,
        chance: 0.9,
        lead: JSON.stringify({ kind: 7, because: null, thread: { points: 'none' } }),
      });
    const page = watchPageSchema.parse((await request(app).get('/api/watch').expect(200)).body);
    const broken = page.rows.find((row) => row.componentId === other);
    expect(broken).toMatchObject({ standing: 'act', because: { code: 'not-fitted' } });
    expect(page.rows.some((row) => row.componentId === system.part('run-capacitor'))).toBe(true);
    await request(app).get('/api/watch.csv').expect(200);
  });

  test('a prior with a class that cannot be read leaves the session its others', async () => {
    const whole = {
      classes: [{ share: 1, mean: 0, sd: 0.01, wander: 0 }],
      scatter: [{ share: 1, factor: 1 }],
      asFitted: null,
      oddChance: 0.01,
      stepChance: 0.01,
      towards: 0,
      threads: 4,
    };
    await suite
      .db('firms')
      .update({ prior: JSON.stringify({ classes: { good: whole, bad: { classes: [] }, worse: 3 } }) });
    const { firm } = sessionSchema.parse((await request(app).get('/api/session').expect(200)).body);
    expect(Object.keys(firm.prior?.classes ?? {})).toEqual(['good']);
    expect(fleetPriorFrom({ classes: { bad: { ...whole, oddChance: NaN } }, meters: { volts: 7 } })).toEqual({
      prior: { classes: {}, meters: {} },
      broken: ['bad', 'volts'],
    });
  });

  test('a policy from before a setting was made has it as usual', async () => {
    await suite.db('firms').update({ policy: JSON.stringify({ capacitor: { school: 'wide' } }) });
    const { firm } = sessionSchema.parse((await request(app).get('/api/session').expect(200)).body);
    expect(firm.policy).toMatchObject({ capacitor: { school: 'wide', watchFrom: 0.6 }, roundMonths: [4, 10] });
  });
});
