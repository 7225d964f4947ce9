import type { Job, NewDecision } from '@yarnix/core';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { jobsPage, jobView } from '../../testing/jobs.ts';
import { office, open, openOffice, PERSON, Refused } from '../../testing/office.tsx';
import { WeekScreen } from './week-screen.tsx';

const job = jobView();
let kept: Job;
beforeEach(() => {
  openOffice();
  kept = job;
  office.answer('/api/jobs', () => jobsPage([kept]));
  office.answer(`PUT /api/jobs/${job.key}`, ({ body }) => {
    const { personId, window: _, ...rest } = body as NewDecision;
    kept = {
      ...{ ...kept, ...rest, window: null, person: personId === null ? null : PERSON, version: kept.version + 1 },
      decided: { at: '2026-12-01T16:00:00.000Z', by: 'OM' },
    };
    return kept;
  });
  office.answer('/api/calendars', { calendars: [] });
});
const opened = () => open('/week', { '/week': WeekScreen });
const decide = async () => {
  fireEvent.click(await screen.findByRole('button', { name: /^Decide: / }));
  return within(await screen.findByRole('form', { name: `Decide: ${job.address}` }));
};
const sent = () => office.sent('PUT', /^\/api\/jobs/) as NewDecision[];

test('what is to do stands by its address, with why and by when', async () => {
  opened();
  const place = within(await screen.findByRole('region', { name: job.address }));
  expect(place.getByText(/Fit a new run capacitor, 40\+5/)).toBeTruthy();
  expect(place.getByText(/Within the week/)).toBeTruthy();
});

test('a job is planned for a day and a person upon the version that was looked at, and taken back', async () => {
  opened();
  const form = await decide();
  fireEvent.change(form.getByLabelText('On'), { target: { value: '2026-12-03' } });
  fireEvent.change(form.getByLabelText('By'), { target: { value: PERSON.id } });
  fireEvent.click(form.getByRole('button', { name: 'Plan it' }));
  await waitFor(() =>
    expect(sent()).toMatchObject([{ decision: 'accepted', day: '2026-12-03', personId: PERSON.id, version: 0 }]),
  );
  fireEvent.click(await screen.findByRole('button', { name: 'Take it back' }));
  await waitFor(() => expect(sent()[1]).toMatchObject({ decision: 'proposed', day: null, version: 1 }));
});

test('why an owner declines is asked for before anything is sent', async () => {
  opened();
  const form = await decide();
  fireEvent.click(form.getByRole('button', { name: 'The owner declines' }));
  expect(await form.findByText('Say why it was declined.')).toBeTruthy();
  expect(sent()).toEqual([]);
  fireEvent.change(form.getByLabelText('Note, or why it is declined'), { target: { value: ' next year ' } });
  fireEvent.click(form.getByRole('button', { name: 'The owner declines' }));
  await waitFor(() => expect(sent()).toMatchObject([{ decision: 'declined', note: 'next year' }]));
});

test('somebody who was faster is told of, and without a signal nothing is decided', async () => {
  opened();
  office.answer(`PUT /api/jobs/${job.key}`, new Refused('Zoe has decided this meanwhile. Look again.', [], 409));
  const form = await decide();
  fireEvent.click(form.getByRole('button', { name: 'Plan it' }));
  expect((await form.findByRole('alert')).textContent).toContain('decided this meanwhile');
  office.reachable = false;
  fireEvent.click(form.getByRole('button', { name: 'Plan it' }));
  await waitFor(() => expect(form.getByRole('alert').textContent).toContain('The server cannot be reached'));
});

test('what is planned stands by its day and person, with its calendar file and what to load', async () => {
  kept = jobView({ ...job, decision: 'accepted', day: '2026-12-03', person: PERSON, version: 3 });
  open('/week?show=accepted', { '/week': WeekScreen });
  const day = within(await screen.findByRole('region', { name: '2026-12-03' }));
  expect(day.getByText(PERSON.name)).toBeTruthy();
  expect(day.getByRole('link', { name: 'What to load' }).getAttribute('href')).toBe(
    `/week/vans/${PERSON.id}/2026-12-03`,
  );
  const form = await decide();
  expect(form.getByRole('link', { name: 'Calendar file for the customer' }).getAttribute('href')).toBe(
    `/api/jobs/${job.key}/event.ics`,
  );
});

test('what is asked for stands in the address', async () => {
  const { here } = opened();
  const which = within(await screen.findByRole('group', { name: 'Which jobs' }));
  fireEvent.click(which.getByRole('button', { name: /Declined/ }));
  await waitFor(() => expect(here()).toBe('/week?show=declined'));
  await waitFor(() => expect(office.asked.some(({ path }) => path.includes('decision=declined'))).toBe(true));
});
