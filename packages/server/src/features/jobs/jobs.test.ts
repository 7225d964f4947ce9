import type { Job, NewDecision } from '@yarnix/core';
import request from 'supertest';
import { v7 } from 'uuid';
import { benchReading, makeSystem, openSuite, startVisit, type MadeSystem, type Suite } from '../../testing/suite.ts';

let suite: Suite;
let system: MadeSystem;
let visit: string;
beforeEach(async () => {
  suite = await openSuite();
  system = await makeSystem(suite.app);
  visit = await startVisit(suite.app, system.id);
});
afterEach(() => suite.close());

const jobs = async (query = '', app = suite.app): Promise<Job[]> =>
  ((await request(app).get(`/api/jobs?${query}`).expect(200)).body as { jobs: Job[] }).jobs;
const decide = (key: string, over: Partial<NewDecision> = {}, app = suite.app) =>
  request(app)
    .put(`/api/jobs/${key}`)
    .send({ decision: 'accepted', note: '', day: '2026-10-13', personId: null, version: 0, ...over });
const read = (microfarads: number, takenAt: string, componentId = system.part('run-capacitor'), id = v7()) =>
  request(suite.app)
    .put(`/api/readings/${id}`)
    .send({ ...benchReading({ visitId: visit, componentId, takenAt }), inputs: { microfarads }, confirmed: true });

const weak = async (): Promise<Job> => {
  await read(33, '2026-10-10T15:10:00.000Z').expect(200);
  return (await jobs()).find(({ source }) => source === 'part')!;
};

test('a part past its limit opens a job by itself, and a sound reading of the new part closes it', async () => {
  expect(await jobs()).toEqual([]);
  const job = await weak();
  expect(job).toMatchObject({
    key: `part:${system.part('run-capacitor')}`,
    does: 'replace',
    slot: 'run-capacitor',
    standing: 'act',
    decision: 'proposed',
    minutes: 20,
    because: { code: 'against-rating' },
  });
  const fitted = v7();
  await request(suite.app)
    .put(`/api/components/${fitted}`)
    .send({
      replaces: system.part('run-capacitor'),
      fittedOn: '2026-10-10',
      plate: { rating: '40+5 µF 440 V' },
      reason: 'weak',
      visitId: visit,
    })
    .expect(200);
  expect(await jobs()).toEqual([]);
});

test('a round is due where none was made; planned it stands among the jobs, and the round itself closes it', async () => {
  const rounds = () => jobs('source=round');
  await request(suite.app)
    .put(`/api/visits/${visit}/closing`)
    .send({ closedAt: '2026-10-10T17:00:00.000Z' })
    .expect(200);
  expect(await rounds()).toEqual([]);
  const other = await makeSystem(suite.app);
  const [due, ...more] = await rounds();
  expect(more).toEqual([]);
  expect(due).toMatchObject({
    key: `round:${other.id}`,
    does: 'round',
    before: 'left-long',
    byWhen: '2026-10-10',
    round: { lastRound: null, most: null },
  });
  // Until somebody plans it, it is told only where rounds are asked for.
  expect(await jobs()).toEqual([]);
  expect((await decide(due!.key).expect(200)).body).toMatchObject({
    decision: 'accepted',
    day: '2026-10-13',
    version: 1,
  });
  expect((await jobs('decision=accepted')).map(({ key }) => key)).toEqual([due!.key]);
  expect((await decide(due!.key, { decision: 'done', version: 1 })).status).toBe(422);
  // Where rounds are asked for, it says so.
  expect((await rounds()).map(({ decision }) => decision)).toEqual(['accepted']);
  await startVisit(suite.app, other.id);
  expect([...(await jobs()), ...(await rounds())]).toEqual([]);
  await decide(due!.key, { version: 1 }).expect(404);
});

test('a system that frays is gone to first, and before its months have come', async () => {
  const later = await openSuite(() => new Date('2027-01-20T18:00:00Z'));
  const made = await makeSystem(later.app);
  const calm = await makeSystem(later.app);
  for (const [of, microfarads] of [
    [made, 33],
    [calm, 40.3],
  ] as const) {
    const visitId = await startVisit(later.app, of.id);
    const reading = benchReading({ visitId, componentId: of.part('run-capacitor') });
    await request(later.app)
      .put(`/api/readings/${v7()}`)
      .send({ ...reading, inputs: { microfarads }, confirmed: true })
      .expect(200);
  }
  const due = (await request(later.app).get('/api/jobs?source=round').expect(200)).body.jobs as Job[];
  expect(due.map(({ systemId, before }) => [systemId, before])).toEqual([[made.id, 'frays']]);
  expect(due[0]?.round?.most).toMatchObject({ slot: 'run-capacitor' });
  await later.close();
});

test('who decides on what somebody else has changed meanwhile hears so, and overwrites nothing; a repeat harms nothing', async () => {
  const { key } = await weak();
  const first = (await decide(key).expect(200)).body as Job;
  expect(first).toMatchObject({ decision: 'accepted', day: '2026-10-13', version: 1 });
  expect((await decide(key).expect(200)).body).toMatchObject({ version: 1 });
  const late = await decide(key, { day: '2026-10-14' }).expect(409);
  expect(late.body.code).toBe('conflict');
  expect(late.body.detail).toMatch(/decided this meanwhile/);
  expect((await jobs('decision=accepted'))[0]).toMatchObject({ day: '2026-10-13' });
  await decide(key, { day: '2026-10-14', version: 1 }).expect(200);
});

test('a declined repair says why, stays in sight, and is asked again once the part stands worse', async () => {
  const { key } = await weak();
  expect((await decide(key, { decision: 'declined', day: null }).expect(422)).body.errors[0].path).toBe('note');
  await decide(key, { decision: 'declined', note: 'Sells the house', day: null }).expect(200);
  expect(await jobs('decision=declined')).toMatchObject([{ key, note: 'Sells the house' }]);
  await suite
    .db('components')
    .where({ id: system.part('run-capacitor') })
    .update({ standing: 'stop', severity: 4 });
  expect(await jobs('decision=proposed')).toMatchObject([
    { key, does: 'make-safe', before: 'now', note: 'Sells the house' },
  ]);
});

test('only what nobody can measure is said to be done', async () => {
  const { key } = await weak();
  expect((await decide(key, { decision: 'done' }).expect(422)).body.detail).toBe(
    'It is done once its reading says so.',
  );
  const id = v7();
  const note = (over = {}) =>
    request(suite.app)
      .put(`/api/systems/${system.id}/jobs/${id}`)
      .send({ text: 'Bring the tall ladder back', byWhen: '2026-10-20', minutes: 10, ...over });
  await note().expect(200);
  await note({ minutes: 15 }).expect(200);
  await note({ text: '' }).expect(422);
  expect((await jobs()).filter(({ source }) => source === 'hand')).toMatchObject([{ minutes: 15, does: 'other' }]);
  await decide(`hand:${id}`, { decision: 'done', day: null }).expect(200);
  expect((await jobs()).filter(({ source }) => source === 'hand')).toEqual([]);
  expect(await jobs('decision=done')).toMatchObject([{ key: `hand:${id}` }]);
  // For a quarter of a year it is told; then the list is not weighed down by it any more.
  const decided = (at: string) => suite.db('job_decisions').update({ decided_at: at });
  await decided('2026-07-13T12:00:00Z');
  expect(await jobs('decision=done')).toHaveLength(1);
  await decided('2026-07-10T12:00:00Z');
  expect(await jobs('decision=done')).toEqual([]);
});

test('a reading put off is owed until it is taken', async () => {
  const id = v7();
  await request(suite.app)
    .put(`/api/follow-ups/${id}`)
    .send({
      visitId: visit,
      componentId: system.part('run-capacitor'),
      kind: 'run-capacitor-capacitance',
      point: 'herm',
      method: 'bench',
      reason: 'rain',
      dueOn: '2026-10-24',
      putOffAt: '2026-10-10T14:30:00.000Z',
    })
    .expect(200);
  expect(await jobs()).toMatchObject([{ key: `owed:${id}`, does: 'read', putOff: 'rain', byWhen: '2026-10-24' }]);
  await read(40, '2026-10-10T15:10:00.000Z').expect(200);
  expect(await jobs()).toEqual([]);
});

test('what a call left for later is a job until a later call repairs it; what was declined is declined', async () => {
  const call = (is: string, over = {}) => ({
    kind: 'call',
    complaints: ['outdoor-unit-dead'],
    since: 'days',
    atTimes: false,
    said: '',
    doubted: [],
    skipped: [],
    idle: [],
    repaired: [],
    outcome: { is, faults: ['contactor-coil-open'], note: 'Coil from another one', byWhen: '2026-11-01', ...over },
  });
  const close = async (id: string, body: object, at: string) => {
    await request(suite.app).put(`/api/visits/${id}/call`).send(body).expect(200);
    await request(suite.app).put(`/api/visits/${id}/closing`).send({ closedAt: at }).expect(200);
  };
  await close(visit, call('for-now'), '2026-10-10T16:00:00.000Z');
  expect(await jobs()).toMatchObject([
    { key: `call:${visit}`, does: 'finish', byWhen: '2026-11-01', faults: ['contactor-coil-open'] },
  ]);
  const again = await startVisit(suite.app, system.id, '2026-10-10T17:00:00.000Z');
  await close(again, call('repaired', { byWhen: null }), '2026-10-10T17:40:00.000Z');
  expect(await jobs()).toEqual([]);
});

test('another firm sees and decides none of it', async () => {
  const { key } = await weak();
  const theirs = suite.appFor(await suite.addFirm('Second firm'));
  expect(await jobs('', theirs)).toEqual([]);
  await decide(key, {}, theirs).expect(404);
  await request(theirs)
    .put(`/api/systems/${system.id}/jobs/${v7()}`)
    .send({ text: 'x', byWhen: '2026-10-20', minutes: 10 })
    .expect(404);
  const { personId } = await suite.addFirm('Third firm');
  expect((await decide(key, { personId }).expect(422)).body.errors[0].path).toBe('personId');
});
