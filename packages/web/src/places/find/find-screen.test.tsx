import { newCall, type VisitLine } from '@yarnix/core';
import { fireEvent, screen } from '@testing-library/react';
import { v4, v7 } from 'uuid';
import { office, open, openOffice } from '../../testing/office.tsx';
import { FindScreen } from './find-screen.tsx';

const line = (over: Partial<VisitLine> = {}): VisitLine => ({
  ...{ id: v7(), systemId: v4(), season: 'fall', startedAt: '2026-11-30T15:00:00.000Z', closedAt: null, note: null },
  ...{ personName: 'Bram Tolquist', call: newCall(['nothing-runs']), address: '3 Bobbin Hill' },
  ...{ customerName: 'Quorumber', systemKind: 'split-heat-pump', readings: 4 },
  ...over,
});
const told = (visits: { open?: VisitLine[]; closed?: VisitLine[] }) =>
  office.answer('/api/visits', { open: [], closed: [], ...visits });
beforeEach(() => {
  openOffice();
  office.answer('/api/causes', { proved: [] });
  told({});
});
const opened = () => open('/find', { '/find': FindScreen });
const lines = () => screen.getAllByRole('listitem').map((item) => item.textContent);

test('with no call under way it says so, and leads to the choice of a system', async () => {
  opened();
  expect(await screen.findByRole('heading', { level: 1, name: 'No call is under way' })).toBeTruthy();
  const choose = screen.getByRole('link', { name: /Choose the system/ });
  expect(choose.getAttribute('href')).toBe('/systems?for=find');
  expect(screen.queryByText(/^Proved here so far/)).toBeNull();
});

test('a call under way goes on at its call, a closed one leads to its system; rounds are not among them', async () => {
  const call = line();
  const outcome = { is: 'repaired', faults: ['fuse-blown'], note: '', byWhen: null } as const;
  const closed = line({
    address: '9 Frost Row',
    call: { ...newCall(['nothing-runs']), outcome: { ...outcome, faults: [...outcome.faults] } },
  });
  told({ open: [call, line({ call: null, address: '4 Mill Bend' })], closed: [closed] });
  opened();
  expect(await screen.findByRole('heading', { level: 1, name: '1 under way' })).toBeTruthy();
  expect(screen.queryByText('4 Mill Bend')).toBeNull();
  expect(lines()).toEqual([
    expect.stringMatching(/^3 Bobbin Hill.*heat pump.*The hunt goes on.*November 30, 2026$/i),
    expect.stringMatching(/^9 Frost Row/),
  ]);
  const href = (name: RegExp) => screen.getByRole('link', { name }).getAttribute('href');
  expect(href(/3 Bobbin Hill/)).toBe(`/systems/${call.systemId}/calls/${call.id}`);
  expect(href(/9 Frost Row/)).toBe(`/systems/${closed.systemId}`);
});

test('what the firm has proved is told, the five that it proved most', async () => {
  const ids = ['herm-weak', 'fuse-blown', 'charge-low', 'air-choked', 'element-open', 'no-gas'];
  office.answer('/api/causes', { proved: ids.map((fault, n) => ({ fault, count: 9 - n })) });
  opened();
  const proved = await screen.findByText(/^Proved here so far/);
  expect(proved.textContent?.match(/\d×/g)).toEqual(['9×', '8×', '7×', '6×', '5×']);
  // Each by its name, and none by its id.
  expect(proved.textContent).not.toMatch(/herm-weak|fuse-blown/);
});

test('without the office it says so, and asks again when asked to', async () => {
  office.reachable = false;
  opened();
  const again = await screen.findByRole('button', { name: 'Try again' });
  office.reachable = true;
  fireEvent.click(again);
  expect(await screen.findByRole('heading', { level: 1, name: 'No call is under way' })).toBeTruthy();
});
