import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { closeRound } from '../../field/rounds.ts';
import { office, open, openOffice, systemOf } from '../../testing/office.tsx';
import { recordHere, roundAt } from '../../testing/rounds.ts';
import { BenchScreen } from './bench-screen.tsx';

const system = systemOf();
const SCREENS = { '/bench/:sumId': BenchScreen };
// Common practice: µF = 2652 × A / V at 60 Hz, 2652 × 5.36 / 370 = 38.4.
const SUM = '/bench/capacitor-under-load?amps=5.36&volts=370';

beforeEach(() => {
  openOffice();
  localStorage.clear();
  office.answer(`/api/systems/${system.id}`, system);
});

test('with no round under way on this device, a sum is a sum', async () => {
  open(SUM, SCREENS);
  expect(await screen.findByText('38.4 µF')).toBeTruthy();
  expect(screen.queryByText(/^Into a round under way/)).toBeNull();
});

test('what was typed goes into the field of the round, as it was typed, and is looked at there before it is taken', async () => {
  const visitId = await roundAt(system.id, 'cooling');
  const { here } = open(SUM, SCREENS);
  expect(await screen.findByText(/^Into a round under way/)).toBeTruthy();
  const places = await screen.findAllByRole('button', { name: /^12 Ropewalk Yard, Run capacitor: / });
  // Each section of the can is a place of its own.
  expect(places.map(({ textContent }) => textContent)).toEqual([
    expect.stringContaining('HERM'),
    expect.stringContaining('FAN'),
  ]);
  fireEvent.click(places[0]!);
  await waitFor(() => expect(here()).toMatch(new RegExp(`^/systems/${system.id}/rounds/${visitId}/`)));
  const drafts = Object.entries(recordHere(visitId).drafts);
  expect(drafts).toEqual([[expect.stringContaining(system.part('run-capacitor').id), { amps: '5.36', volts: '370' }]]);
  expect(recordHere(visitId).readings).toEqual([]);
  await act(() => closeRound(visitId, new Date().toISOString(), ''));
});

test('a round that was closed is none to put it into', async () => {
  const visitId = await roundAt(system.id, 'cooling');
  await act(() => closeRound(visitId, new Date().toISOString(), ''));
  open(SUM, SCREENS);
  expect(await screen.findByText('38.4 µF')).toBeTruthy();
  await waitFor(() => expect(screen.queryByText(/^Into a round under way/)).toBeNull());
});
