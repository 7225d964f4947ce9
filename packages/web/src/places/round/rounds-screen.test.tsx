import { newCall, type VisitLine } from '@yarnix/core';
import { act, fireEvent, screen } from '@testing-library/react';
import { v4, v7 } from 'uuid';
import { closeRound, startRound } from '../../field/rounds.ts';
import { office, open, openOffice } from '../../testing/office.tsx';
import { RoundsScreen } from './rounds-screen.tsx';

const line = (over: Partial<VisitLine> = {}): VisitLine => ({
  ...{ id: v7(), systemId: v4(), season: 'fall', startedAt: '2026-11-30T15:00:00.000Z', closedAt: null, note: null },
  ...{ personName: 'Bram Tolquist', call: null, address: '3 Bobbin Hill', customerName: 'Quorumber' },
  ...{ systemKind: 'split-heat-pump', readings: 12 },
  ...over,
});

beforeEach(() => {
  openOffice();
  office.answer('/api/follow-ups', { followUps: [] });
});
const opened = () => open('/rounds', { '/rounds': RoundsScreen });

test('with nothing under way it says so, and leads to one’s day and to the systems', async () => {
  office.answer('/api/visits', { open: [], closed: [] });
  opened();
  expect(await screen.findByRole('heading', { level: 1, name: 'No round is under way' })).toBeTruthy();
  expect(screen.getByRole('link', { name: 'My day' }).getAttribute('href')).toBe('/day');
  expect(screen.getByRole('link', { name: /Choose a system/ }).getAttribute('href')).toBe('/systems');
});

test('a round goes on where it was left, a call at its call; a closed one leads to its system', async () => {
  const [round, called] = [line(), line({ call: newCall(['nothing-runs']), address: '9 Frost Row' })];
  const closed = line({ closedAt: '2026-11-20T16:00:00.000Z', address: '4 Mill Bend' });
  office.answer('/api/visits', { open: [round, called], closed: [closed] });
  opened();
  expect(await screen.findByRole('heading', { level: 1, name: '2 under way' })).toBeTruthy();
  const href = (name: RegExp) => screen.getByRole('link', { name }).getAttribute('href');
  expect(href(/3 Bobbin Hill/)).toBe(`/systems/${round.systemId}/rounds/${round.id}/arrive`);
  expect(href(/9 Frost Row/)).toBe(`/systems/${called.systemId}/calls/${called.id}`);
  expect(href(/4 Mill Bend/)).toBe(`/systems/${closed.systemId}`);
});

test('one that the office has yet to hear of is here, and gone once it is closed', async () => {
  office.answer('/api/visits', { open: [], closed: [] });
  const visitId = v7();
  await startRound(visitId, { systemId: v4(), startedAt: '2026-11-30T15:00:00.000Z', season: 'fall' });
  const { unmount } = opened();
  expect(await screen.findByRole('heading', { level: 1, name: '1 under way' })).toBeTruthy();
  expect(screen.getByRole('link', { name: /kept on this device/ }).getAttribute('href')).toContain(visitId);
  unmount();
  await act(() => closeRound(visitId, '2026-11-30T16:00:00.000Z', ''));
  opened();
  expect(await screen.findByRole('heading', { level: 1, name: 'No round is under way' })).toBeTruthy();
});

test('what was put off anywhere is told with its day', async () => {
  office.answer('/api/visits', { open: [], closed: [] });
  const systemId = v4();
  office.answer('/api/follow-ups', {
    followUps: [
      {
        ...{ id: v7(), visitId: v7(), systemId, componentId: v4(), customerName: 'Quorumber', address: '9 Frost Row' },
        ...{ kind: 'run-capacitor-capacitance', point: 'herm', method: 'bench', reason: 'no-time', note: null },
        ...{ putOffAt: '2026-11-30T15:30:00.000Z', dueOn: '2027-04-15', withdrawn: false, doneBy: null },
      },
    ],
  });
  opened();
  expect(await screen.findByRole('heading', { level: 2, name: '1 put off, to come back to' })).toBeTruthy();
  expect(screen.getByRole('link', { name: /9 Frost Row.*due 2027-04-15/ }).getAttribute('href')).toBe(
    `/systems/${systemId}`,
  );
});

test('without the office it says so, and asks again', async () => {
  office.reachable = false;
  opened();
  const again = await screen.findByRole('button', { name: 'Try again' });
  office.reachable = true;
  office.answer('/api/visits', { open: [line()], closed: [] });
  fireEvent.click(again);
  expect(await screen.findByRole('heading', { level: 1, name: '1 under way' })).toBeTruthy();
});
