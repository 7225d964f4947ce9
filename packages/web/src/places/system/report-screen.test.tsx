import type { VisitView } from '@yarnix/core';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { v4 } from 'uuid';
import { office, open, openOffice, Refused, systemOf } from '../../testing/office.tsx';
import { ReportScreen } from './report-screen.tsx';

const visit = (over: Partial<VisitView>): VisitView => ({
  ...{ id: v4(), systemId: '', season: 'fall', startedAt: '2026-11-30T15:00:00.000Z', note: 'pays late' },
  ...{ closedAt: '2026-11-30T16:00:00.000Z', personName: 'Ottoline Marsh', call: null },
  ...over,
});
const closed = visit({});
const running = visit({ closedAt: null });
const system = systemOf({ visits: [closed, running] });

beforeEach(() => {
  openOffice();
  office.answer(`/api/systems/${system.id}`, {
    ...system,
    visits: [closed, running].map((v) => ({ ...v, systemId: system.id })),
  });
  office.answer('/api/report-head', { name: 'Test Air', line: '' });
  office.answer(`/api/visits/${closed.id}/report-link`, { visitId: closed.id, since: null, path: null });
});
const opened = (of = closed) =>
  open(`/systems/${system.id}/visits/${of.id}/report`, { '/systems/:systemId/visits/:visitId/report': ReportScreen });

test('a closed visit’s report is had on either paper, larger when asked for', async () => {
  opened();
  const letter = await screen.findByRole('link', { name: 'PDF, US Letter' });
  expect(letter.getAttribute('href')).toBe(`/api/visits/${closed.id}/report.pdf?paper=letter`);
  fireEvent.click(screen.getByLabelText('Larger text'));
  expect(screen.getByRole('link', { name: 'PDF, A4' }).getAttribute('href')).toContain('paper=a4&text=large');
});

test('a link is made, shown once, and revoked', async () => {
  office.answer(`PUT /api/visits/${closed.id}/report-link`, () => {
    const link = { visitId: closed.id, since: '2026-12-01T10:00:00.000Z', path: '/report/secret' };
    office.answer(`/api/visits/${closed.id}/report-link`, { ...link, path: null });
    return link;
  });
  opened();
  fireEvent.click(await screen.findByRole('button', { name: 'Make a link' }));
  expect((await screen.findByLabelText<HTMLInputElement>('The link, shown this once')).value).toContain(
    '/report/secret',
  );
  office.answer(`/api/visits/${closed.id}/report-link`, { visitId: closed.id, since: null, path: null });
  office.answer(`DELETE /api/visits/${closed.id}/report-link`, { visitId: closed.id, since: null, path: null });
  fireEvent.click(await screen.findByRole('button', { name: 'Revoke it' }));
  expect(await screen.findByText(/No link reads it\./)).toBeTruthy();
  expect(screen.queryByLabelText('The link, shown this once')).toBeNull();
});

test('a visit under way has no report yet', async () => {
  opened(running);
  expect(await screen.findByText(/still under way: its report is made once it is closed/)).toBeTruthy();
  expect(screen.queryByRole('link', { name: /PDF/ })).toBeNull();
});

test('the head of all reports is kept, and refused without a name before it is sent', async () => {
  office.answer('PUT /api/report-head', ({ body }) => body as object);
  opened();
  const name = await screen.findByLabelText('The firm');
  fireEvent.change(name, { target: { value: ' ' } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep it' }));
  expect(await screen.findByText('say whose report it is')).toBeTruthy();
  fireEvent.change(name, { target: { value: 'Bracken & Sons' } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep it' }));
  await waitFor(() => expect(office.sent('PUT', /report-head/)).toEqual([{ name: 'Bracken & Sons', line: '' }]));
  expect(await screen.findByText('Kept')).toBeTruthy();
});

test('what goes wrong with a link is said', async () => {
  office.answer(`PUT /api/visits/${closed.id}/report-link`, new Refused('The visit is still under way.', [], 409));
  opened();
  fireEvent.click(await screen.findByRole('button', { name: 'Make a link' }));
  expect((await screen.findByRole('alert')).textContent).toBe('The visit is still under way.');
});
