import type { PlannedStop } from '@yarnix/core';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { jobsPage, jobView, weekView } from '../../testing/jobs.ts';
import { FIRM, office, open, openOffice, PERSON } from '../../testing/office.tsx';
import { DaysScreen } from './days-screen.tsx';
import { MyDayScreen } from './my-day-screen.tsx';
import { keepZone, localToday } from '../../kit/local-day.ts';
import { mondayOf } from './board.ts';
import { dayOf, isoOf } from '@yarnix/core';

// A screen goes by the firm's day once it is told; at night that is yesterday by the clock of the machine.
keepZone(FIRM.zone);
const today = localToday();
const days = Array.from({ length: 7 }, (_, i) => isoOf(dayOf(mondayOf(today)) + i));
const job = jobView({ decision: 'accepted', day: today, person: PERSON });
const stop: PlannedStop = {
  ...{ systemId: job.systemId, address: job.address, customerName: job.customerName, area: job.area },
  ...{ place: null, day: today, personId: PERSON.id, minutes: 40, window: null },
  ...{ systemKind: job.systemKind, since: null, jobs: [job] },
};

beforeEach(() => {
  openOffice();
  office.answer('/api/week', weekView(days, { stops: [stop] }));
  office.answer('/api/jobs', jobsPage([]));
});

test('a day says who is out and to how many addresses, and each stands in its person’s strand', async () => {
  open('/week/days', { '/week/days': DaysScreen });
  expect(await screen.findByRole('heading', { level: 1, name: /1 address, 1 out$/ })).toBeTruthy();
  expect(screen.getByText(PERSON.name)).toBeTruthy();
  expect(screen.getAllByText(job.address).length).toBeGreaterThan(0);
});

test('a day on which nobody is out says so, and the next week is asked for', async () => {
  office.answer('/api/week', weekView(days));
  const { here } = open('/week/days', { '/week/days': DaysScreen });
  expect(await screen.findByRole('heading', { level: 1, name: /nobody is out$/ })).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: /[Nn]ext week|week after/ }));
  await waitFor(() => expect(here()).toMatch(/\?day=\d{4}-\d{2}-\d{2}$/));
});

test('what is to decide comes to the board when it is asked for', async () => {
  const proposed = jobView({ address: '9 Frost Row' });
  office.answer('/api/jobs', jobsPage([proposed]));
  open('/week/days', { '/week/days': DaysScreen });
  fireEvent.click(await screen.findByRole('button', { name: 'Show what is to decide' }));
  expect((await screen.findAllByText('9 Frost Row')).length).toBeGreaterThan(0);
  fireEvent.click(screen.getByRole('button', { name: 'Leave out what is to decide' }));
  await waitFor(() => expect(screen.queryByText('9 Frost Row')).toBeNull());
});

test('a technician’s own day begins with the next address', async () => {
  open('/day', { '/day': MyDayScreen });
  const next = within(await screen.findByRole('region', { name: 'Next' }));
  expect(next.getByRole('heading').textContent).toContain(job.address);
  expect(screen.getByRole('heading', { level: 1, name: /1 address today/ })).toBeTruthy();
});

test('without the office the days say so, and can be asked for again', async () => {
  office.reachable = false;
  open('/week/days', { '/week/days': DaysScreen });
  expect(await screen.findByText('No answer from the server')).toBeTruthy();
  office.reachable = true;
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  expect(await screen.findByRole('heading', { level: 1, name: /1 out$/ })).toBeTruthy();
});

test('without the office one’s own day says so, and all it needs is asked for again', async () => {
  office.reachable = false;
  open('/day', { '/day': MyDayScreen });
  const again = await screen.findByRole('button', { name: 'Try again' });
  office.reachable = true;
  fireEvent.click(again);
  expect(await screen.findByRole('region', { name: 'Next' })).toBeTruthy();
});
