import { PIECE_BYTES, type ImportView, type RestoreView } from '@yarnix/core';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { office, open, openOffice, Refused } from '../../testing/office.tsx';
import { ImportsScreen } from './imports-screen.tsx';

const brought = (over: Partial<ImportView> = {}): ImportView => ({
  ...{ id: v7(), name: 'old book.csv', askedAt: '2026-11-20T16:00:00.000Z', endedAt: null, state: 'to-map' },
  ...{ stopping: false, done: 0, total: 0, rows: 3, outcomes: null, chosen: 0, readings: 0, systems: 0, error: null },
  ...over,
});
beforeEach(() => {
  openOffice();
  office.answer('/api/imports', { imports: [] });
  office.answer('/api/restores', { restores: [] });
});
const opened = () => open('/imports', { '/imports': ImportsScreen, '/imports/:importId': () => <p>Its columns</p> });
const choose = (label: string, ...files: File[]) =>
  fireEvent.change(screen.getByLabelText(label), { target: { files } });
/** A file of so many bytes, without the bytes. */
const fileOf = (name: string, size: number): File =>
  Object.defineProperty(new File(['x'], name), 'size', { value: size });

test('a sheet goes to the office under its name, with the time zone of this device, and on to its columns', async () => {
  const { here } = opened();
  const sheet = new File(['Date;Where\n'], 'fall & spring.csv', { type: 'text/csv' });
  choose('CSV file', sheet);
  await waitFor(() => expect(here()).toMatch(/^\/imports\/[0-9a-f-]{36}$/));
  const [put] = office.asked.filter(({ method }) => method === 'PUT');
  const asked = new URL(put!.path, 'http://office');
  expect(asked.pathname).toBe(`/api${here()}`);
  expect(asked.searchParams.get('name')).toBe('fall & spring.csv');
  expect(asked.searchParams.get('zone')).toBe(Intl.DateTimeFormat().resolvedOptions().timeZone);
  expect(put!.body).toBe(sheet);
});

test('one that is too large is not sent, and a refusal says why; both leave nothing behind', async () => {
  const { here } = opened();
  choose('CSV file', fileOf('huge.csv', 33 * 1024 * 1024));
  expect((await screen.findByRole('alert')).textContent).toBe(
    'It is larger than 32 MB: bring it in parts. Nothing was kept.',
  );
  expect(office.asked.some(({ method }) => method === 'PUT')).toBe(false);
  office.answer('PUT /api/imports/*', new Refused('It has no rows.'));
  choose('CSV file', new File([''], 'empty.csv'));
  await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('It has no rows. Nothing was kept.'));
  expect(here()).toBe('/imports');
});

test('what was brought before stands with its day and how far it is, and leads to it', async () => {
  const [first, done] = [
    brought(),
    brought({ name: 'spring.csv', state: 'imported', readings: 1, systems: 2, askedAt: '2026-04-02T16:00:00.000Z' }),
  ];
  office.answer('/api/imports', { imports: [first, done] });
  opened();
  const before = within(await screen.findByRole('region', { name: 'Brought before' }));
  const links = before.getAllByRole('link');
  expect(links.map((link) => link.getAttribute('href'))).toEqual([`/imports/${first.id}`, `/imports/${done.id}`]);
  expect(links.map((link) => link.textContent)).toEqual([
    expect.stringMatching(/^old book\.csvNov 20, 2026, brought; its columns are still to be named$/),
    expect.stringMatching(/^spring\.csvApr 2, 2026, 1 reading came in, and 2 systems with them$/),
  ]);
});

test('without the office the list says so and is asked for again; a file can be chosen all the same', async () => {
  office.reachable = false;
  opened();
  const again = await screen.findByRole('button', { name: 'Try again' });
  expect(screen.getByRole('button', { name: 'Choose a CSV file' })).toBeTruthy();
  office.reachable = true;
  office.answer('/api/imports', { imports: [brought()] });
  fireEvent.click(again);
  expect(await screen.findByRole('region', { name: 'Brought before' })).toBeTruthy();
});

describe('a firm as a file', () => {
  const BACK = 'Read a firm’s file back';

  test('can be taken out in three forms', () => {
    opened();
    const whole = within(screen.getByRole('region', { name: 'All of the firm as a file' }));
    expect(whole.getAllByRole('link').map((link) => link.getAttribute('href'))).toEqual([
      '/api/export.zip',
      '/api/export.json',
      '/api/readings.csv',
    ]);
  });

  const restore = (over: Partial<RestoreView> = {}): RestoreView => ({
    id: '019a0000-0000-7000-8000-00000000000a',
    name: 'firm.json',
    size: 2,
    pieces: 1,
    state: 'done',
    total: 1,
    done: 1,
    systems: 1,
    readings: 1200,
    photos: 0,
    error: null,
    askedAt: '2026-10-10T12:00:00.000Z',
    endedAt: null,
    ...over,
  });
  /** The server of one file: what it says of it each time it is asked. */
  const saying = (...views: RestoreView[]) => {
    let at = -1;
    const next = () => views[(at = Math.min(at + 1, views.length - 1))]!;
    office.answer('/api/restores', () => ({ restores: at < 0 ? [] : [views[at]] }));
    office.answer('PUT /api/restores/*', next);
    office.answer('/api/restores/*', next);
  };

  test('is sent in pieces, and what came back of it is told', async () => {
    saying(restore({ state: 'coming', pieces: 0 }), restore({ state: 'waiting' }), restore());
    opened();
    const file = new File([new Uint8Array(PIECE_BYTES + 5)], 'firm.json');
    choose(BACK, file);
    expect(await screen.findByText(/^1 system and 1,200 readings of firm.json are here/)).toBeTruthy();
    expect(office.sent('PUT', /pieces/).map((piece) => (piece as Blob).size)).toEqual([PIECE_BYTES, 5]);
  });

  test('one that is under way is told with how far it is, and no other is taken meanwhile', async () => {
    office.answer('/api/restores', { restores: [restore({ state: 'restoring', total: 40, done: 12 })] });
    opened();
    expect(await screen.findByText('Keeping it: 12 of 40 systems.')).toBeTruthy();
    expect(screen.getByRole<HTMLProgressElement>('progressbar').value).toBe(12);
    expect(screen.getByLabelText<HTMLInputElement>(BACK).disabled).toBe(true);
  });

  test('one that is refused says why, and the field takes another', async () => {
    office.answer('/api/restores', {
      restores: [restore({ state: 'refused', error: 'It was cut short. Nothing of it was kept.' })],
    });
    opened();
    expect((await screen.findByRole('alert')).textContent).toBe(
      'firm.json was refused. It was cut short. Nothing of it was kept.',
    );
    expect(screen.getByLabelText<HTMLInputElement>(BACK).disabled).toBe(false);
    office.answer('PUT /api/restores/*', new Refused('It is larger than 8 GB.', [], 422));
    choose(BACK, new File(['{}'], 'firm.json'));
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('It is larger than 8 GB.'));
  });
});
