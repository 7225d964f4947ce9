import { fireEvent, screen, waitFor } from '@testing-library/react';
import { v4 } from 'uuid';
import { office, open, openOffice, PERSON, Refused } from '../../testing/office.tsx';
import { Calendars } from './calendars.tsx';

const ZOE = { personId: v4(), name: 'Zoe Farrow' };
let since: string | null;
beforeEach(() => {
  openOffice();
  since = null;
  office.answer('/api/calendars', () => ({
    calendars: [
      { personId: PERSON.id, name: PERSON.name, since },
      { ...ZOE, since: '2026-10-05T12:00:00.000Z' },
    ],
  }));
  office.answer(`PUT /api/calendars/${PERSON.id}`, () => {
    since = '2026-12-01T12:00:00.000Z';
    return { path: '/calendars/secret.ics' };
  });
});
const opened = () => open('/week', { '/week': Calendars });
const make = async () => {
  opened();
  fireEvent.click(await screen.findByRole('button', { name: `Make ${PERSON.name}’s link` }));
};

test('each person has a link, since when, or none', async () => {
  opened();
  expect(await screen.findByText('no link')).toBeTruthy();
  expect(screen.getByText('link since October 5, 2026')).toBeTruthy();
  expect(screen.getByRole('button', { name: `Revoke ${ZOE.name}’s link` })).toBeTruthy();
  expect(screen.queryByRole('button', { name: `Revoke ${PERSON.name}’s link` })).toBeNull();
});

test('a link that is made is shown whole, this once, and copied', async () => {
  const copied: string[] = [];
  Object.assign(navigator, { clipboard: { writeText: (text: string) => Promise.resolve(void copied.push(text)) } });
  await make();
  const link = await screen.findByLabelText<HTMLInputElement>(`${PERSON.name}’s calendar link`);
  expect(link.value).toBe(new URL('/calendars/secret.ics', window.location.origin).href);
  expect(link.readOnly).toBe(true);
  fireEvent.click(screen.getByRole('button', { name: 'Copy it' }));
  expect(await screen.findByRole('button', { name: 'Copied' })).toBeTruthy();
  expect(copied).toEqual([link.value]);
  expect(await screen.findByText('link since December 1, 2026')).toBeTruthy();
});

test('without leave to copy, the link stays in sight to be copied by hand', async () => {
  Object.assign(navigator, { clipboard: { writeText: () => Promise.reject(new Error('not allowed')) } });
  await make();
  fireEvent.click(await screen.findByRole('button', { name: 'Copy it' }));
  await waitFor(() => expect(screen.getByRole('button', { name: 'Copy it' })).toBeTruthy());
  expect(screen.getByLabelText(`${PERSON.name}’s calendar link`)).toBeTruthy();
});

test('a link that is revoked is gone from sight', async () => {
  await make();
  await screen.findByLabelText(`${PERSON.name}’s calendar link`);
  office.answer(`DELETE /api/calendars/${PERSON.id}`, () => {
    since = null;
    return {};
  });
  fireEvent.click(await screen.findByRole('button', { name: `Revoke ${PERSON.name}’s link` }));
  await waitFor(() => expect(screen.queryByLabelText(`${PERSON.name}’s calendar link`)).toBeNull());
  expect(await screen.findByText('no link')).toBeTruthy();
});

test('a refusal is said beside the person', async () => {
  office.answer(`PUT /api/calendars/${PERSON.id}`, new Refused('You may not make links.', [], 403));
  await make();
  expect(await screen.findByText('You may not make links.')).toBeTruthy();
});
