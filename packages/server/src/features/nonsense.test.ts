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
let other: MadeSystem;
let visitId: string;
beforeAll(async () => {
  suite = await openSuite();
  ({ app } = suite);
  system = await makeSystem(app, systemBody({ ...systemBody().plate, year: 2015 }));
  other = await makeSystem(app);
  visitId = await startVisit(app, system.id);
});
afterAll(() => suite.close());

const capacitor = () => system.part('run-capacitor');
const put = (path: string, body: object) => request(app).put(path).send(body);
const visits = async () =>
  Number((await suite.db('visits').where({ system_id: system.id }).count<{ count: string }[]>('*'))[0]?.count);

describe('times that make no sense', () => {
  test.each([
    ['the year 10000 by rounding', '9999-12-31T23:59:59.9999999Z', 'invalid-request'],
    ['the year 1', '0001-01-01T00:00:00Z', 'invalid-request'],
    ['the year 0', '0000-01-01T00:00:00Z', 'invalid-request'],
    ['before the machine was made', '2013-06-01T00:00:00Z', 'invalid-request'],
    ['ten years back', '2016-10-10T00:00:00Z', 'invalid-request'],
    ['three days ahead', '2026-10-13T19:00:00Z', 'clock-off'],
  ])('a round started in %s is refused, and nothing is saved', async (_name, startedAt, code) => {
    const before = await visits();
    const reply = await put(`/api/visits/${v7()}`, { systemId: system.id, startedAt }).expect(422);
    expect(reply.body).toMatchObject({ code, errors: [{ path: 'startedAt' }] });
    expect(await visits()).toBe(before);
    // Every client can still read what there is.
    await request(app).get('/api/visits').expect(200);
  });

  test('a clock that is off is told by how much, in words for the person', async () => {
    const { body } = await put(`/api/visits/${v7()}`, { systemId: system.id, startedAt: '2026-10-13T19:00:00Z' });
    expect(body.detail).toBe('This device’s clock is 3 days ahead. Set the clock, then send it again.');
  });

  test('a moment is kept to the millisecond, and the same again is the same', async () => {
    const id = v7();
    const body = { systemId: system.id, startedAt: '2026-10-10T14:00:00.1239999Z' };
    expect((await put(`/api/visits/${id}`, body).expect(200)).body.startedAt).toBe('2026-10-10T14:00:00.123Z');
    await put(`/api/visits/${id}`, body).expect(200);
  });

  test.each([
    ['a reading years before its round', { takenAt: '2020-10-10T14:00:00Z' }],
    ['a reading in the year 1', { takenAt: '0001-10-10T14:00:00Z' }],
  ])('%s', async (_name, over) => {
    const reading = { ...benchReading({ visitId, componentId: capacitor() }), ...over };
    expect((await put(`/api/readings/${v7()}`, reading).expect(422)).body.errors[0].path).toBe('takenAt');
  });

  test('a loose end put back before it was opened', async () => {
    const end = {
      visitId,
      code: null,
      text: 'panel',
      openedAt: '2026-10-10T14:30:00Z',
      putBackAt: '2026-10-10T14:20:00Z',
      leftBecause: null,
    };
    expect((await put(`/api/loose-ends/${v7()}`, end).expect(422)).body.errors[0].path).toBe('putBackAt');
  });
});

describe('parts', () => {
  const fitted = (over: object = {}) => ({
    replaces: capacitor(),
    fittedOn: '2026-10-10',
    plate: { rating: '40+5 µF 440 V' },
    reason: 'weak',
    ...over,
  });
  test.each([
    ['fitted in the year 9999', { fittedOn: '9999-01-01' }, 'fittedOn'],
    ['fitted next week', { fittedOn: '2026-10-17' }, 'fittedOn'],
    ['fitted before the machine was made', { fittedOn: '2010-01-01' }, 'fittedOn'],
  ])('%s', async (_name, over, path) => {
    expect((await put(`/api/components/${v7()}`, fitted(over)).expect(422)).body.errors[0].path).toBe(path);
  });

  test('replaced before it was last read, or on another system’s round', async () => {
    await put(`/api/readings/${v7()}`, benchReading({ visitId, componentId: capacitor() })).expect(200);
    const reply = await put(`/api/components/${v7()}`, fitted({ fittedOn: '2026-10-01' })).expect(422);
    expect(reply.body.detail).toContain('still read on 2026-10-10');
    const elsewhere = await startVisit(app, other.id);
    await put(`/api/components/${v7()}`, fitted({ visitId: elsewhere })).expect(422);
    await put(`/api/components/${v7()}`, fitted({ visitId: v7() })).expect(404);
  });

  test('a rating on a part that has none', async () => {
    const body = fitted({ replaces: system.part('contactor'), plate: { rating: 'gibberish' } });
    expect((await put(`/api/components/${v7()}`, body).expect(422)).body.errors[0].path).toBe('plate.rating');
  });
});

describe('follow-ups', () => {
  const followUp = (over: object = {}) => ({
    visitId,
    componentId: capacitor(),
    kind: 'run-capacitor-capacitance',
    point: 'herm',
    method: 'under-load',
    reason: 'no-access',
    dueOn: '2027-04-15',
    putOffAt: '2026-10-10T14:30:00.000Z',
    ...over,
  });
  test.each([
    ['an unknown kind', { kind: 'constructor' }, 422, 'unknown-reading'],
    ['an unknown method', { method: 'guess' }, 422, 'unknown-reading'],
    ['a point the part has not', { point: 'suction' }, 422, 'unknown-reading'],
    ['an unknown visit', { visitId: v7() }, 404, 'not-found'],
    ['due before it was put off', { dueOn: '2026-10-01' }, 422, 'invalid-request'],
    ['due in a hundred years', { dueOn: '2099-10-01' }, 422, 'invalid-request'],
  ])('%s', async (_name, over, status, code) => {
    expect((await put(`/api/follow-ups/${v7()}`, followUp(over)).expect(status)).body.code).toBe(code);
  });
  test('another system’s visit', async () => {
    const elsewhere = await startVisit(app, other.id);
    expect((await put(`/api/follow-ups/${v7()}`, followUp({ visitId: elsewhere })).expect(422)).body.code).toBe(
      'invalid-request',
    );
  });
  test('why and until when may change, what was put off may not', async () => {
    const id = v7();
    await put(`/api/follow-ups/${id}`, followUp()).expect(200);
    await put(`/api/follow-ups/${id}`, followUp({ dueOn: '2027-05-15' })).expect(200);
    expect((await put(`/api/follow-ups/${id}`, followUp({ point: 'fan' })).expect(409)).body.code).toBe('id-taken');
  });
});

describe('entries', () => {
  const reading = (over: object) => ({ ...benchReading({ visitId, componentId: capacitor() }), ...over });
  test('probe windows for inputs there are none of', async () => {
    const window = { samples: 20, seconds: 5, spread: 0.1 };
    const probes = Object.fromEntries(Array.from({ length: 2000 }, (_, n) => [`input${n}`, window]));
    expect((await put(`/api/readings/${v7()}`, reading({ probes })).expect(422)).body.errors[0].path).toBe('probes');
  });
  test('the same choice twice, or none beside another', async () => {
    const place = { componentId: system.part('outdoor-unit'), kind: 'outdoor-looks', point: 'whole', method: 'seen' };
    const [none, one] = ['nothing', 'insects'];
    for (const seen of [`${one},${one}`, `${none},${one}`]) {
      const { body } = await put(`/api/readings/${v7()}`, reading({ ...place, inputs: { seen } })).expect(422);
      expect([body.code, body.errors[0].path]).toEqual(['entry-refused', 'inputs.seen']);
    }
    await put(`/api/readings/${v7()}`, reading({ ...place, inputs: { seen: one } })).expect(200);
  });
});

describe('plates that contradict themselves', () => {
  test.each([
    ['MCA above MOCP', { mca: 40, mocp: 30 }, 'plate.mocp'],
    ['LRA below RLA', { compressorRla: 20, compressorLra: 10 }, 'plate.compressorLra'],
    ['MCA below RLA', { compressorRla: 20, mca: 15 }, 'plate.mca'],
    ['a rise that falls', { gasRiseLowF: 60, gasRiseHighF: 30 }, 'plate.gasRiseHighF'],
    [
      'a chart point twice',
      {
        heatingChart: [
          { outdoorF: 40, suctionPsig: 100 },
          { outdoorF: 40, suctionPsig: 120 },
        ],
      },
      'plate.heatingChart.1',
    ],
    [
      'a sensor point twice',
      {
        sensorChart: [
          { fahrenheit: 77, ohms: 10_000 },
          { fahrenheit: 77, ohms: 9 },
        ],
      },
      'plate.sensorChart.1',
    ],
    ['a year still to come', { year: 2050 }, 'plate.year'],
  ])('%s', async (_name, plate, path) => {
    const { body } = await put(`/api/systems/${v7()}`, systemBody(plate)).expect(422);
    expect(body.errors[0].path).toBe(path);
    await put(`/api/systems/${system.id}/plate`, { plate, components: [] }).expect(422);
  });
  test('installed ahead of today, or before its year', async () => {
    for (const installedOn of ['2027-10-10', '9999-01-01', '2010-01-01'])
      await put(`/api/systems/${v7()}`, { ...systemBody({ year: 2015 }), installedOn }).expect(422);
  });
});

describe('the same id with another body', () => {
  test('a visit with another season', async () => {
    const id = v7();
    const body = { systemId: system.id, startedAt: '2026-10-10T14:00:00.000Z' };
    await put(`/api/visits/${id}`, { ...body, season: 'fall' }).expect(200);
    await put(`/api/visits/${id}`, { ...body, season: 'fall' }).expect(200);
    expect((await put(`/api/visits/${id}`, { ...body, season: 'spring' }).expect(409)).body.code).toBe('id-taken');
    await put(`/api/visits/${id}`, body).expect(409);
  });
  test('a loose end with another text, which answers with what is kept', async () => {
    const id = v7();
    const end = {
      visitId,
      code: null,
      text: 'panel off',
      openedAt: '2026-10-10T14:30:00.000Z',
      putBackAt: null as string | null,
      leftBecause: null,
    };
    expect((await put(`/api/loose-ends/${id}`, end).expect(200)).body).toEqual({ id, ...end });
    await put(`/api/loose-ends/${id}`, { ...end, text: 'nothing at all' }).expect(409);
    const back = { ...end, putBackAt: '2026-10-10T14:50:00.000Z' };
    expect((await put(`/api/loose-ends/${id}`, back).expect(200)).body).toEqual({ id, ...back });
  });
  test('a repair of another kind', async () => {
    const id = v7();
    const event = { visitId, kind: 'filter-changed', on: '2026-10-10' };
    await put(`/api/events/${id}`, event).expect(200);
    await put(`/api/events/${id}`, { ...event, kind: 'indoor-coil-cleaned' }).expect(409);
    await put(`/api/events/${id}`, { ...event, withdrawn: true }).expect(200);
  });
});

test('a closed round takes corrections and nothing else; what it had may be sent again', async () => {
  const closed = await startVisit(app, system.id);
  const reading = benchReading({ visitId: closed, componentId: capacitor() });
  const [readingId, endId] = [v7(), v7()];
  const end = {
    visitId: closed,
    code: null,
    text: 'panel',
    openedAt: '2026-10-10T14:30:00.000Z',
    putBackAt: '2026-10-10T14:40:00.000Z',
    leftBecause: null,
  };
  await put(`/api/readings/${readingId}`, reading).expect(200);
  await put(`/api/loose-ends/${endId}`, end).expect(200);
  await put(`/api/visits/${closed}/closing`, { closedAt: '2026-10-10T15:00:00.000Z' }).expect(200);
  const event = { visitId: closed, kind: 'filter-changed', on: '2026-10-10' };
  for (const [path, body] of [
    [`/api/readings/${v7()}`, reading],
    [`/api/loose-ends/${v7()}`, end],
    [`/api/loose-ends/${endId}`, { ...end, putBackAt: null }],
    [`/api/events/${v7()}`, event],
    [
      `/api/components/${v7()}`,
      { replaces: capacitor(), fittedOn: '2026-10-10', plate: { rating: '40+5 µF' }, reason: 'x', visitId: closed },
    ],
  ] as const)
    expect((await put(path, body).expect(409)).body.code).toBe('visit-closed');
  await put(`/api/readings/${readingId}`, reading).expect(200);
  await put(`/api/loose-ends/${endId}`, end).expect(200);
  await put(`/api/readings/${v7()}`, { ...reading, inputs: { microfarads: 39.1 }, supersedes: readingId }).expect(200);
});
