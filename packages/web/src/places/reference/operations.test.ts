import type { Operation, Reference } from '@yarnix/core';
import { operationsBySubject, schemaText } from './operations.ts';

const op = (summary: string): Operation => ({ summary, 'x-permission': 'look', parameters: [], responses: {} });
const reference: Reference = {
  openapi: '3.1.0',
  info: { title: 'x', version: '1' },
  paths: {
    '/api/visits/{id}': { put: op('Start a round') },
    '/api/readings.csv': { get: op('Readings as CSV') },
    '/api/readings/{id}': { put: op('Keep a reading') },
  },
};
const listed = (sought: string) =>
  operationsBySubject(reference, sought).map(([subject, all]) => [subject, all.map((o) => `${o.method} ${o.path}`)]);

test('operations stand by subject; every word that is sought narrows them', () => {
  expect(listed('')).toEqual([
    ['readings', ['GET /api/readings.csv', 'PUT /api/readings/{id}']],
    ['visits', ['PUT /api/visits/{id}']],
  ]);
  expect(listed('put READING')).toEqual([['readings', ['PUT /api/readings/{id}']]]);
  expect(listed('nothing like it')).toEqual([]);
});

test('a schema is shown without its edition', () => {
  expect(JSON.parse(schemaText({ $schema: 'x', type: 'string' }))).toEqual({ type: 'string' });
  expect(schemaText(null)).toBe('null');
});
