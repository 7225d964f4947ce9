import type { PlannedStop, StopMove, SystemSummary } from '@yarnix/core';
import { jest } from '@jest/globals';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { jobView, weekView } from '../../testing/jobs.ts';
import { office, open, openOffice, PERSON, Refused, systemOf } from '../../testing/office.tsx';
import { strandsOf } from './board.ts';
import { CallComesIn } from './call-comes-in.tsx';

const DAY = '2026-12-03';
const ahead = jobView({ address: '9 Frost Row' });
const stop: PlannedStop = {
  ...{ systemId: ahead.systemId, address: ahead.address, customerName: ahead.customerName, area: ahead.area },
  ...{ place: null, day: DAY, personId: PERSON.id, minutes: 40, window: null },
  ...{ systemKind: ahead.systemKind, since: null, jobs: [ahead] },
};
const caller = systemOf();
const summary: SystemSummary = {
  ...{ id: caller.id, customerName: 'Dranovan', address: caller.address, area: null, kind: caller.kind },
  ...{ standing: 'sound', lastVisitOn: null },
};
const noted = jobView({ source: 'hand', systemId: caller.id, version: 4 });
const done = jest.fn();

beforeEach(() => {
  openOffice();
  done.mockClear();
  office.answer('/api/systems', { total: 1, systems: [summary] });
  office.answer(`/api/systems/${caller.id}`, caller);
  office.answer(`PUT /api/systems/${caller.id}/jobs/*`, () => noted);
  office.answer(`PUT /api/week/stops/${caller.id}`, { systemId: caller.id, jobs: [noted] });
});
function opened() {
  const given = { day: DAY, strands: strandsOf(weekView([DAY], { stops: [stop] }), DAY, null), now: null };
  open('/week/days', { '/week/days': () => <CallComesIn given={given} onDone={() => void done()} /> });
}
const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
async function choose() {
  opened();
  type('Where: address or customer', 'ropewalk');
  const found = within(await screen.findByRole('list', { name: 'Systems found' }));
  fireEvent.click(found.getByRole('button', { name: /12 Ropewalk Yard/ }));
  return within(await screen.findByRole('list', { name: 'Who goes' }));
}
const gives = (who: { getAllByRole: (role: string) => HTMLElement[] }) =>
  who.getAllByRole('button') as HTMLButtonElement[];

test('one letter finds nothing yet; what is nowhere is said', async () => {
  opened();
  type('Where: address or customer', 'r');
  expect(screen.queryByRole('list')).toBeNull();
  expect(office.asked.some(({ path }) => path.startsWith('/api/systems?'))).toBe(false);
  office.answer('/api/systems', { total: 0, systems: [] });
  type('Where: address or customer', 'nowhere');
  expect(await screen.findByText('No system has such an address, customer or area.')).toBeTruthy();
});

test('each way it fits is told with its time, and what it pushes', async () => {
  const who = await choose();
  const lines = who.getAllByRole('listitem').map(({ textContent }) => textContent);
  expect(lines[0]).toMatch(new RegExp(`^${PERSON.name}, next: 8:00`));
  expect(lines[0]).toMatch(new RegExp(`Give it to ${PERSON.name.split(' ')[0]}, 8:00`));
});

test('given, it is noted as a job first, then planned upon that job, before the address it comes before', async () => {
  const who = await choose();
  type('What', 'No heat since noon');
  type('Takes', '90');
  fireEvent.click(gives(who)[0]!);
  await waitFor(() => expect(done).toHaveBeenCalled());
  expect(office.sent('PUT', /\/jobs\//)).toEqual([{ text: 'No heat since noon', byWhen: DAY, minutes: 90 }]);
  expect(office.sent('PUT', /week\/stops/) as StopMove[]).toEqual([
    {
      jobs: [{ key: noted.key, version: 4 }],
      ...{ day: DAY, personId: PERSON.id, before: ahead.systemId, window: null },
    },
  ]);
});

test('without what it is or how long it takes nobody can be given it, and the field says so', async () => {
  const who = await choose();
  type('What', ' ');
  expect(gives(who).every(({ disabled }) => disabled)).toBe(true);
  expect(screen.getByLabelText('What').getAttribute('aria-invalid')).toBe('true');
  type('What', 'No heat');
  type('Takes', 'an hour');
  expect(gives(who).every(({ disabled }) => disabled)).toBe(true);
  type('Takes', '60');
  expect(gives(who).every(({ disabled }) => disabled)).toBe(false);
});

test('a refusal is said, and the call stays to be given to somebody else', async () => {
  office.answer(`PUT /api/week/stops/${caller.id}`, new Refused('Zoe changed this day meanwhile.', [], 409));
  const who = await choose();
  fireEvent.click(gives(who)[0]!);
  expect((await screen.findByRole('alert')).textContent).toContain('Zoe changed this day meanwhile.');
  expect(done).not.toHaveBeenCalled();
  expect(gives(who)[0]!.disabled).toBe(false);
  // Another address: who goes is worked out anew once it is chosen.
  type('Where: address or customer', '');
  expect(screen.queryByRole('list', { name: 'Who goes' })).toBeNull();
});

test('it is left without a trace', () => {
  opened();
  fireEvent.click(screen.getByRole('button', { name: 'Leave it' }));
  expect(done).toHaveBeenCalledTimes(1);
  expect(office.asked.some(({ method }) => method === 'PUT')).toBe(false);
});

test('systems of a name are asked for by what was typed, six at most', async () => {
  opened();
  type('Where: address or customer', 'Mill & Bend');
  await waitFor(() => expect(office.asked.at(-1)?.path).toBe('/api/systems?search=Mill+%26+Bend&limit=6'));
});
