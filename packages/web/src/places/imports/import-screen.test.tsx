import type { ImportDetail, SheetMapping } from '@yarnix/core';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { v4 } from 'uuid';
import { office, open, openOffice } from '../../testing/office.tsx';
import { ImportScreen } from './import-screen.tsx';

const id = v4();
const mapping: SheetMapping = {
  form: 'sheet',
  columns: [{ use: 'date' }, { use: 'nothing' }, { use: 'measure', measure: 'herm', unit: 'µF' }],
  whats: {},
  dateOrder: 'mdy',
  decimal: '.',
  newSystems: null,
  zone: 'America/Denver',
};
const detail = (over: Partial<ImportDetail> = {}): ImportDetail => ({
  ...{ id, name: 'old book.csv', askedAt: '2026-12-01T16:00:00.000Z', endedAt: null, state: 'to-map', stopping: false },
  ...{ done: 0, total: 0, rows: 3, outcomes: null, chosen: 0, readings: 0, systems: 0, error: null },
  ...{
    headers: ['Date', 'Where', 'HERM'],
    sample: [['4/10/2024', '12 Ropewalk Yard', '39.6']],
    whats: [],
    profile: null,
  },
  mapping,
  ...over,
});
let now: ImportDetail;
beforeEach(() => {
  openOffice();
  now = detail();
  office.answer(`/api/imports/${id}`, () => now);
  office.answer(`/api/imports/${id}/rows`, () => ({ rows: [], next: null }));
});
const opened = () => open(`/imports/${id}`, { '/imports/:importId': ImportScreen });
const checking = () => screen.findByRole<HTMLButtonElement>('button', { name: 'Check every row' });

test('what is missing is said, and nothing is checked before it is named', async () => {
  opened();
  expect((await checking()).disabled).toBe(true);
  expect(screen.getByText('Say which column is the address.')).toBeTruthy();
  const uses = screen.getAllByRole<HTMLSelectElement>('combobox');
  const where = uses.find((select) => select.closest('li')?.textContent?.includes('Where'))!;
  fireEvent.change(where, { target: { value: 'address' } });
  await waitFor(async () => expect((await checking()).disabled).toBe(false));
});

test('columns and rules are sent as they were chosen, under the name they are kept by', async () => {
  now = detail({ mapping: { ...mapping, columns: [{ use: 'date' }, { use: 'address' }, mapping.columns[2]!] } });
  office.answer(`PUT /api/imports/${id}/mapping`, () => (now = detail({ state: 'checking' })));
  opened();
  await checking();
  fireEvent.change(screen.getByLabelText('Dates'), { target: { value: 'dmy' } });
  fireEvent.change(screen.getByLabelText('Numbers'), { target: { value: ',' } });
  fireEvent.change(screen.getByLabelText('Keep this for the next such file, as'), { target: { value: ' our book ' } });
  fireEvent.click(await checking());
  await waitFor(() =>
    expect(office.sent('PUT', /mapping/)).toMatchObject([
      { mapping: { dateOrder: 'dmy', decimal: ',' }, profile: 'our book' },
    ]),
  );
  expect(await screen.findByRole('status')).toBeTruthy();
});

test('checked rows come in when they are asked for, and all of it can be taken back after a second look', async () => {
  now = detail({ state: 'checked', outcomes: { comes: 2, questioned: 0, refused: 1 }, chosen: 2 });
  office.answer(`PUT /api/imports/${id}/wish`, ({ body }) => {
    const { wish } = body as { wish: string };
    now = detail(wish === 'import' ? { state: 'imported', readings: 2 } : { state: 'undone', readings: 0 });
    return now;
  });
  opened();
  fireEvent.click(await screen.findByRole('button', { name: 'Have 2 rows come in' }));
  fireEvent.click(await screen.findByRole('button', { name: 'Take all of it back' }));
  fireEvent.click(await screen.findByRole('button', { name: 'Leave them' }));
  fireEvent.click(await screen.findByRole('button', { name: 'Take all of it back' }));
  fireEvent.click(await screen.findByRole('button', { name: 'Take 2 readings back' }));
  await waitFor(() => expect(office.sent('PUT', /wish/)).toEqual([{ wish: 'import' }, { wish: 'undo' }]));
  expect(await screen.findByRole('button', { name: 'Bring it in otherwise' })).toBeTruthy();
});

test('what runs shows how far it is, and can be stopped', async () => {
  now = detail({ state: 'importing', done: 1200, total: 5000 });
  office.answer(`PUT /api/imports/${id}/wish`, () => (now = { ...now, stopping: true }));
  opened();
  expect(await screen.findByText('1,200 of 5,000')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Stop it' }));
  expect(await screen.findByRole('button', { name: 'Stopping…' })).toBeTruthy();
});

test('one that failed says why, and its columns can be named anew', async () => {
  now = detail({ state: 'failed', error: 'The file has no rows.' });
  opened();
  expect(await screen.findByText(/no rows/)).toBeTruthy();
  expect(await checking()).toBeTruthy();
});

test('a file is forgotten, and an import that is not there says so', async () => {
  const { here } = opened();
  fireEvent.click(await screen.findByRole('button', { name: 'Forget this file' }));
  await waitFor(() => expect(here()).toBe('/imports'));
  office.answers.delete(`GET /api/imports/${id}`);
  opened();
  expect(await screen.findByText('Not there')).toBeTruthy();
});
