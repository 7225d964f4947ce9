import type { WatchPage, WatchRow } from '@yarnix/core';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { v4 } from 'uuid';
import { office, open, openOffice } from '../../testing/office.tsx';
import { WatchScreen } from './watch-screen.tsx';

const row = (address: string, over: Partial<WatchRow> = {}): WatchRow => ({
  ...{ componentId: v4(), systemId: v4(), slot: 'run-capacitor', rating: '40+5 µF 440 V', standing: 'act' },
  ...{ urgency: 3, chance: 1, kind: 'run-capacitor-capacitance', point: 'herm', also: [] },
  because: {
    code: 'against-rating',
    numbers: { value: 36, nominal: 40, limit: 37.6, position: 'past', side: 'lower' },
  },
  thread: { points: [{ day: 20_000, value: 36 }], limit: 37.6, baseline: 40, ahead: null },
  ...{ address, area: 'Quayside', customerName: 'Quorumber', systemKind: 'split-heat-pump', snooze: null },
  ...over,
});
const rows = [row('3 Bobbin Hill'), row('9 Frost Row', { standing: 'watch', urgency: 1, chance: 0.4 })];
const page = (over: Partial<WatchPage> = {}): WatchPage => ({
  ...{ components: 717, matching: rows.length, snoozed: 0, areas: ['Quayside', 'Mill End'], rows: [...rows] },
  load: [{ part: '40+5 µF 440 V', count: 2, addresses: ['3 Bobbin Hill'] }],
  ...over,
});
let now: WatchPage;
beforeEach(() => {
  openOffice();
  now = page();
  office.answer('/api/watch', () => now);
  office.answer('/api/watch/changes', { since: '2026-11-24', worse: 0, better: 0, changes: [] });
  office.answer('/api/meters', { meters: [], people: [] });
  office.answer('/api/refits/latest', { refit: null, learnedAt: null });
});
const SCREENS = { '/watch': WatchScreen, '/systems/*': () => <p>Its page</p> };

test('the most urgent part comes first, with its figure, its limit and its address', async () => {
  open('/watch', SCREENS);
  expect(
    await screen.findByRole('heading', { level: 1, name: '2 of 717 parts may not see their next round' }),
  ).toBeTruthy();
  const lines = (await screen.findAllByRole('listitem')).map((line) => line.textContent ?? '');
  const [first, second] = [
    lines.findIndex((l) => l.includes('3 Bobbin Hill')),
    lines.findIndex((l) => l.includes('9 Frost Row')),
  ];
  expect(first).toBeGreaterThanOrEqual(0);
  expect(first).toBeLessThan(second);
  expect(lines[first]).toMatch(/36\.0.µF.*limit 37\.6/);
});

test('what is filtered by stands in the address and is asked of the office', async () => {
  const { here } = open('/watch', SCREENS);
  await screen.findByText('3 Bobbin Hill');
  const area = screen.getAllByRole<HTMLSelectElement>('combobox').find((s) => s.textContent?.includes('Mill End'))!;
  fireEvent.change(area, { target: { value: 'Mill End' } });
  await waitFor(() => expect(here()).toMatch(/area=Mill(\+|%20)End/));
  await waitFor(() => expect(office.asked.some(({ path }) => /area=Mill(\+|%20)End/.test(path))).toBe(true));
});

test('a list with nothing on it says that all is well', async () => {
  now = page({ matching: 0, rows: [], load: [] });
  open('/watch', SCREENS);
  expect(await screen.findByText(/Every part that was measured is expected to see its next round/)).toBeTruthy();
});

test('what to load is counted beside it', async () => {
  open('/watch', SCREENS);
  const side = within(await screen.findByRole('complementary', { name: 'For the van and the office' }));
  expect((await side.findAllByText(/40\+5 µF 440 V/)).length).toBeGreaterThan(0);
});

test('a part is set aside with a reason until a day, and had back at once', async () => {
  office.answer('PUT /api/watch/*', () => {
    now = page({ matching: 1, rows: [rows[1]!], snoozed: 1 });
    return {};
  });
  office.answer('DELETE /api/watch/*', () => {
    now = page();
    return {};
  });
  open('/watch', SCREENS);
  await screen.findByText('3 Bobbin Hill');
  fireEvent.click(screen.getAllByRole('button', { name: /[Ss]et aside/ })[0]!);
  const form = within(await screen.findByRole('dialog', { name: 'Set aside' }));
  const submit = form.getByRole<HTMLButtonElement>('button', { name: 'Set aside' });
  fireEvent.click(submit);
  expect(await form.findByText('the reason is missing')).toBeTruthy();
  expect(office.sent('PUT', /snooze/)).toEqual([]);
  fireEvent.change(form.getByLabelText('Because'), { target: { value: 'owner moves out' } });
  fireEvent.click(form.getByRole('button', { name: 'Two weeks' }));
  fireEvent.click(submit);
  await waitFor(() => expect(office.sent('PUT', /snooze/)).toMatchObject([{ reason: 'owner moves out' }]));
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(office.sent('DELETE', /snooze/)).toHaveLength(1));
  expect(await screen.findByText('3 Bobbin Hill')).toBeTruthy();
});

test('pages lead on to what is less urgent', async () => {
  now = page({ matching: 120 });
  const { here } = open('/watch', SCREENS);
  fireEvent.click(await screen.findByRole('button', { name: 'Less urgent' }));
  await waitFor(() => expect(here()).toContain('page=1'));
});

test('without the office it says so, and asks again', async () => {
  office.reachable = false;
  open('/watch', SCREENS);
  const again = await screen.findByRole('button', { name: 'Try again' });
  office.reachable = true;
  fireEvent.click(again);
  expect(await screen.findByText('3 Bobbin Hill')).toBeTruthy();
});

test('J and K step through the rows, S sets the one in focus aside; not while something is typed', async () => {
  open('/watch', SCREENS);
  await screen.findByText('3 Bobbin Hill');
  const focused = () => document.activeElement?.getAttribute('data-row');
  const key = (name: string, over = {}) =>
    fireEvent.keyDown(document.activeElement ?? document.body, { key: name, ...over });
  const ids = rows.map(({ componentId }) => componentId);
  key('j');
  expect(focused()).toBe(ids[0]);
  key('j');
  expect(focused()).toBe(ids[1]);
  // At the end it stays.
  key('j');
  expect(focused()).toBe(ids[1]);
  key('k');
  expect(focused()).toBe(ids[0]);
  key('j', { ctrlKey: true });
  expect(focused()).toBe(ids[0]);
  key('s');
  const because = await screen.findByLabelText<HTMLInputElement>('Because');
  because.focus();
  fireEvent.keyDown(because, { key: 'j' });
  expect(document.activeElement).toBe(because);
});
