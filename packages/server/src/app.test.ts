import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import request from 'supertest';
import { digestOf } from './database/digest.ts';
import { PROBLEMS } from './http/problems.ts';
import { openSuite, type Suite } from './testing/suite.ts';

let suite: Suite;
beforeAll(async () => {
  suite = await openSuite();
});
afterAll(() => suite.close());

test('health, session and the description of the API', async () => {
  await request(suite.app).get('/healthz').expect(200, { ok: true });
  const session = (await request(suite.app).get('/api/session').expect(200)).body;
  expect(session).toMatchObject({
    firm: { name: 'First firm', policy: { capacitor: { school: 'printed' } } },
    person: { initials: 'TP' },
    now: '2026-10-10T18:00:00.000Z',
  });
  const api = (await request(suite.app).get('/api/openapi.json').expect(200)).body;
  expect(Object.keys(api.paths).sort()).toEqual([
    '/api/calendars',
    '/api/calendars/{personId}',
    '/api/causes',
    '/api/components/{id}',
    '/api/components/{id}/school',
    '/api/events/{id}',
    '/api/export.json',
    '/api/export.schema.json',
    '/api/export.zip',
    '/api/feed',
    '/api/follow-ups',
    '/api/follow-ups/{id}',
    '/api/imports',
    '/api/imports/{id}',
    '/api/imports/{id}/choice',
    '/api/imports/{id}/mapping',
    '/api/imports/{id}/rows',
    '/api/imports/{id}/wish',
    '/api/jobs',
    '/api/jobs/{key}',
    '/api/jobs/{key}/event.ics',
    '/api/loose-ends/{id}',
    '/api/meters',
    '/api/meters/{id}',
    '/api/meters/{id}/checks/{checkId}',
    '/api/order.csv',
    '/api/photos/{id}',
    '/api/photos/{id}/thumb',
    '/api/planning',
    '/api/probes/faults',
    '/api/probes/stream',
    '/api/readings.csv',
    '/api/readings/{id}',
    '/api/readings/{id}/ruling',
    '/api/refits',
    '/api/refits/latest',
    '/api/refits/{id}/wish',
    '/api/refrigerants/{name}',
    '/api/report-head',
    '/api/restores',
    '/api/restores/{id}',
    '/api/restores/{id}/pieces/{piece}',
    '/api/schools',
    '/api/schools/previews',
    '/api/schools/previews/{id}',
    '/api/session',
    '/api/systems',
    '/api/systems/{id}',
    '/api/systems/{id}/place',
    '/api/systems/{id}/plate',
    '/api/systems/{id}/wires',
    '/api/systems/{systemId}/jobs/{id}',
    '/api/vans/{personId}/days/{day}',
    '/api/visits',
    '/api/visits/{id}',
    '/api/visits/{id}/call',
    '/api/visits/{id}/closing',
    '/api/visits/{id}/report-link',
    '/api/visits/{id}/report.pdf',
    '/api/watch',
    '/api/watch.csv',
    '/api/watch/changes',
    '/api/watch/{componentId}/snooze',
    '/api/week',
    '/api/week/people/{personId}/days/{day}',
    '/api/week/stops/{systemId}',
  ]);
  expect(api.paths['/api/readings/{id}'].put.requestBody.content['application/json'].schema.required).toContain(
    'takenAt',
  );
});

test('an address nobody serves is a problem, not a page', async () => {
  const reply = await request(suite.app).get('/api/nothing/here').expect(404);
  expect(reply.headers['content-type']).toContain('application/problem+json');
});

test('scripts from elsewhere are not allowed to run', async () => {
  const { headers } = await request(suite.app).get('/healthz');
  expect(headers['content-security-policy']).toContain("script-src 'self'");
  expect(headers['x-powered-by']).toBeUndefined();
});

test('the catalog of problems and its page say the same', () => {
  const page = readFileSync(join(import.meta.dirname, '../../../docs/problems.md'), 'utf8');
  const told = [...page.matchAll(/^## `([\w-]+)` \((\d+)\)$/gm)].map((m) => [m[1], Number(m[2])]);
  expect(told).toEqual(Object.entries(PROBLEMS).map(([code, { status }]) => [code, status]));
});

test('a digest does not depend on the order of fields, and ignores what is undefined', () => {
  expect(digestOf({ a: 1, b: { c: [1, 2], d: undefined } })).toBe(digestOf({ b: { c: [1, 2] }, a: 1 }));
  expect(digestOf({ a: [1, 2] })).not.toBe(digestOf({ a: [2, 1] }));
});
