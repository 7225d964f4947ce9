import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { v7 } from 'uuid';
import { closeRound, startRound } from '../../field/rounds.ts';
import { open, openOffice, systemOf } from '../../testing/office.tsx';
import { RoundButton } from './round-button.tsx';

const system = systemOf();
const ROUND = '/systems/:systemId/rounds/:visitId/:stopId';
beforeEach(() => {
  openOffice();
  localStorage.clear();
});

test('a round that is started is noted in the same moment as the tap', async () => {
  const { here } = open('/start', { '/start': () => <RoundButton system={system} />, [ROUND]: () => null });
  fireEvent.click(await screen.findByRole('button', { name: /^Start a (heating|cooling) round$/ }));
  const notes = Object.keys(localStorage)
    .filter((name) => name.startsWith('yarnix-unwritten'))
    .map((name) => JSON.parse(localStorage.getItem(name) ?? '{}') as { outgoing: { path: string }[] });
  expect(notes[0]?.outgoing.map(({ path }) => path.replace(/[0-9a-f-]{36}/, ':id'))).toEqual(['/api/visits/:id']);
  await waitFor(() => expect(here()).toMatch(/rounds\/[0-9a-f-]{36}\/arrive/));
});

const visitUnderWay = () => ({
  ...{ id: v7(), systemId: system.id, season: 'fall' as const, startedAt: new Date().toISOString() },
  ...{ closedAt: null, note: null, personName: 'Bram', call: null },
});

test('where one is under way, it is gone on with in place of another', async () => {
  const visit = visitUnderWay();
  open('/start', { '/start': () => <RoundButton system={{ ...system, visits: [visit] }} />, [ROUND]: () => null });
  expect((await screen.findByRole('link', { name: 'Go on with the round' })).getAttribute('href')).toContain(
    `rounds/${visit.id}/arrive`,
  );
  expect(screen.queryByRole('button', { name: /^Start a/ })).toBeNull();
});

test('one closed on this device is closed, also while the office has yet to hear so', async () => {
  const visit = visitUnderWay();
  await startRound(visit.id, { systemId: system.id, startedAt: visit.startedAt, season: 'fall' });
  open('/start', { '/start': () => <RoundButton system={{ ...system, visits: [visit] }} /> });
  await screen.findByRole('link', { name: 'Go on with the round' });
  await act(() => closeRound(visit.id, new Date().toISOString(), 'Gate sticks.'));
  await screen.findByRole('button', { name: /^Start a (heating|cooling) round$/ });
  expect(screen.queryByRole('link', { name: 'Go on with the round' })).toBeNull();
});
