import type { Job, Session } from '@yarnix/core';
import ICAL from 'ical.js';
import request from 'supertest';
import { v7 } from 'uuid';
import { makeSystem, openSuite, type MadeSystem, type Suite } from '../../testing/suite.ts';

let suite: Suite;
let system: MadeSystem;
let me: string;
let link: string;
beforeEach(async () => {
  suite = await openSuite();
  system = await makeSystem(suite.app);
  me = ((await request(suite.app).get('/api/session').expect(200)).body as Session).person.id;
  link = await make();
});
afterEach(() => suite.close());

const make = async (personId = me): Promise<string> =>
  ((await request(suite.app).put(`/api/calendars/${personId}`).send({}).expect(200)).body as { path: string }).path;

/** Events of a calendar as a parser of its own reads them, by UID. */
const eventsIn = (text: string): Record<string, ICAL.Component> => {
  const events = new ICAL.Component(ICAL.parse(text) as never[]).getAllSubcomponents('vevent');
  return Object.fromEntries(events.map((event) => [String(event.getFirstPropertyValue('uid')), event]));
};
const feed = async (path = link) => eventsIn((await request(suite.app).get(path).expect(200)).text);
const told = (event: ICAL.Component | undefined, ...names: string[]) =>
  names.map((name) => event?.getFirstPropertyValue(name)?.toString());

async function note(text: string): Promise<Job> {
  const body = { text, byWhen: '2026-10-20', minutes: 30 };
  return (await request(suite.app).put(`/api/systems/${system.id}/jobs/${v7()}`).send(body).expect(200)).body as Job;
}
const decide = async (job: Job, over: object): Promise<Job> =>
  (
    await request(suite.app)
      .put(`/api/jobs/${job.key}`)
      .send({ decision: 'accepted', note: '', day: '2026-10-13', personId: me, version: job.version, ...over })
      .expect(200)
  ).body as Job;

test('a planned job is a whole day in its person’s calendar; moved, it keeps its name and counts up', async () => {
  const job = await decide(await note('Bring the ladder; mind the dog, twice'), {});
  const uid = `${job.key.replace(':', '-')}@yarnix`;
  const [first] = Object.values(await feed());
  expect(told(first, 'uid', 'dtstart', 'sequence', 'status', 'summary')).toEqual([
    uid,
    '2026-10-13',
    '1',
    'CONFIRMED',
    `${system.body.address}: Bring the ladder; mind the dog, twice`,
  ]);
  expect(told(first, 'location', 'description')).toEqual([
    system.body.address,
    expect.stringMatching(/30 minutes\. Done when: Whoever did it says so\.$/),
  ]);
  await decide(job, { day: '2026-10-15', window: { from: 540, to: 660 } });
  const moved = await feed();
  expect(told(moved[uid], 'description')[0]).toContain('Promised 9:00 to 11:00 am.');
  expect(Object.keys(moved)).toEqual([uid]);
  // What was promised has its hours, in the firm's time zone: to whoever reads it, that time is taken.
  expect(told(moved[uid], 'dtstart', 'dtend', 'sequence', 'transp')).toEqual([
    '2026-10-15T09:00:00Z',
    '2026-10-15T11:00:00Z',
    '2',
    'OPAQUE',
  ]);
  await suite.db('firms').update({ zone: 'America/Denver' });
  expect(told((await feed())[uid], 'dtstart')).toEqual(['2026-10-15T15:00:00Z']);
});

test('what is planned no more is told as called off, with a higher number, until it is planned again', async () => {
  const planned = await decide(await note('Bring the ladder'), {});
  const open = await decide(planned, { decision: 'proposed', day: null, personId: null });
  const [off] = Object.values(await feed());
  expect(told(off, 'status', 'sequence', 'dtstart', 'summary')).toEqual([
    'CANCELLED',
    '2',
    '2026-10-13',
    `${system.body.address}: Bring the ladder`,
  ]);
  await decide(open, { day: '2026-10-16' });
  expect(Object.values(await feed()).map((e) => told(e, 'status', 'sequence', 'dtstart'))).toEqual([
    ['CONFIRMED', '3', '2026-10-16'],
  ]);
});

test('a job that goes to somebody else leaves one calendar and comes into the other', async () => {
  const other = v7();
  const { firm } = (await request(suite.app).get('/api/session').expect(200)).body as Session;
  await suite.db('people').insert({ id: other, firm_id: firm.id, name: 'Other Person', initials: 'OP', position: 2 });
  const theirs = await make(other);
  const mine = await decide(await note('Bring the ladder'), {});
  expect(await feed(theirs)).toEqual({});
  await decide(mine, { personId: other });
  expect(Object.values(await feed()).map((e) => told(e, 'status'))).toEqual([['CANCELLED']]);
  expect(Object.values(await feed(theirs)).map((e) => told(e, 'status'))).toEqual([['CONFIRMED']]);
});

test('the text keeps to the format: lines of 75 octets, CRLF, a stable stamp; nothing of a job breaks out of it', async () => {
  const nasty = 'Lift 🪜 BEGIN:VEVENT;\\n, "x" : and a long, long line that has to be folded somewhere, surely';
  await decide(await note(nasty), {});
  const [one, two] = [await request(suite.app).get(link), await request(suite.app).get(link)];
  expect(one.text).toBe(two.text);
  expect(one.headers['content-type']).toMatch(/^text\/calendar/);
  const lines = one.text.split('\r\n');
  expect(lines.every((line) => Buffer.byteLength(line) <= 75 && !line.includes('\n'))).toBe(true);
  const events = Object.values(eventsIn(one.text));
  expect(events.map((e) => told(e, 'summary'))).toEqual([[`${system.body.address}: ${nasty}`]]);
});

test('a link is secret: made anew or revoked, the old one reads nothing; of another firm nobody’s can be made', async () => {
  const again = await make();
  expect(again).not.toBe(link);
  await request(suite.app).get(link).expect(404);
  await request(suite.app).get(again).expect(200);
  const list = (await request(suite.app).delete(`/api/calendars/${me}`).expect(200)).body;
  expect(list.calendars.find((c: { personId: string }) => c.personId === me).since).toBeNull();
  await request(suite.app).get(again).expect(404);
  await request(suite.app).get('/calendar/%00.ics').expect(404);
  const stranger = suite.appFor(await suite.addFirm('Other Air'));
  await request(stranger).put(`/api/calendars/${me}`).send({}).expect(404);
  // The secret itself is kept nowhere.
  const kept = JSON.stringify(await suite.db('calendar_links').select());
  expect(kept).not.toContain(again.slice('/calendar/'.length, -'.ics'.length));
});

test('one job by itself is a file of one event; what has no day has none', async () => {
  const job = await note('Bring the ladder');
  await request(suite.app).get(`/api/jobs/${job.key}/event.ics`).expect(404);
  await decide(job, {});
  const { text, headers } = await request(suite.app).get(`/api/jobs/${job.key}/event.ics`).expect(200);
  expect(headers['content-disposition']).toContain('job.ics');
  expect(Object.values(eventsIn(text)).map((e) => told(e, 'dtstart'))).toEqual([['2026-10-13']]);
});
