import type { Reference } from '@yarnix/core';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { office, open, openOffice } from '../../testing/office.tsx';
import { ReferenceScreen } from './reference-screen.tsx';

const id = { name: 'id', in: 'path', required: true, schema: { type: 'string', format: 'uuid' } };
const page = { name: 'limit', in: 'query', required: false, schema: { type: 'integer' } };
const reference: Reference = {
  openapi: '3.1.0',
  info: { title: 'Yarnix', version: '1' },
  paths: {
    '/api/readings/{id}': {
      put: {
        ...{ summary: 'Keep a reading', 'x-permission': 'record', parameters: [id] },
        requestBody: { content: { 'application/json': { schema: { type: 'object', title: 'a reading' } } } },
        responses: {
          200: {
            description: 'Kept',
            content: { 'application/json': { schema: { type: 'object', title: 'as it stands' } } },
          },
        },
      },
    },
    '/api/readings.csv': {
      get: {
        ...{ summary: 'Readings as CSV', 'x-permission': 'look', parameters: [page] },
        responses: { 200: { description: 'A file', content: { '*/*': { schema: { type: 'string' } } } } },
      },
    },
    '/api/follow-ups': {
      get: { summary: 'What was put off', 'x-permission': 'look', parameters: [], responses: {} },
    },
  },
};
beforeEach(() => {
  openOffice();
  office.answer('/api/openapi.json', reference);
});
const opened = (search = '') => open(`/settings/reference${search}`, { '/settings/reference': ReferenceScreen });
const subjects = () => screen.getAllByRole('heading', { level: 2 }).map(({ textContent }) => textContent);

test('every operation stands under its subject, with what it takes and gives', async () => {
  opened();
  expect(await screen.findByRole('heading', { level: 1 })).toBeTruthy();
  expect(subjects()).toEqual(['follow ups', 'readings']);
  const readings = within(screen.getByRole('region', { name: 'readings' }));
  expect(readings.getByText('Keep a reading')).toBeTruthy();
  expect(readings.getByText('Needs the permission to record.')).toBeTruthy();
  expect(readings.getByLabelText('id, in the path').textContent).toContain('"format": "uuid"');
  expect(readings.getByLabelText('limit, in the query, may be left out').textContent).toContain('integer');
  expect(readings.getByLabelText('Body, application/json').textContent).toContain('a reading');
  expect(readings.getByLabelText('Reply, application/json').textContent).toContain('as it stands');
  expect(readings.getByLabelText('Reply, a file')).toBeTruthy();
});

test('what is looked for stands in the address and narrows the list; what is nowhere is said', async () => {
  const { here } = opened('?q=csv');
  await screen.findByRole('heading', { level: 1 });
  expect(subjects()).toEqual(['readings']);
  const look = screen.getByLabelText('Look for');
  fireEvent.change(look, { target: { value: 'tides' } });
  await waitFor(() => expect(here()).toBe('/settings/reference?q=tides'));
  expect(screen.getByText('Nothing of that is here.')).toBeTruthy();
  fireEvent.change(look, { target: { value: '' } });
  await waitFor(() => expect(here()).toBe('/settings/reference'));
  expect(subjects()).toHaveLength(2);
});

test('without the office it says so, and asks again when asked to', async () => {
  office.reachable = false;
  opened();
  const again = await screen.findByRole('button', { name: 'Try again' });
  office.reachable = true;
  fireEvent.click(again);
  expect(await screen.findByText('Keep a reading')).toBeTruthy();
});
