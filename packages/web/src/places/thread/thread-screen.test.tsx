import type { NewRuling, ReadingView } from '@yarnix/core';
import { readingView } from '@yarnix/core/testing';
import { jest } from '@jest/globals';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { v4 } from 'uuid';
import { office, open, openOffice, Refused, systemOf } from '../../testing/office.tsx';

// What a chart shows is tested as data: there is no canvas here to draw it on.
jest.unstable_mockModule('../../thread/thread-chart.tsx', () => ({ ThreadChart: () => null }));
const { ThreadScreen } = await import('./thread-screen.tsx');

const base = systemOf();
const part = base.part('run-capacitor');
const reading = (day: string, value: number, over: Partial<ReadingView> = {}): ReadingView =>
  readingView(day, { id: v4(), visitId: v4(), componentId: part.id, value, ...over });
const readings = [reading('2024-10-10', 40.6), reading('2025-10-10', 40.1), reading('2026-10-10', 36.2)];
let system = { ...base, readings, zone: 'America/Denver' };

beforeEach(() => {
  openOffice();
  system = { ...base, readings, zone: 'America/Denver' };
  office.answer(`/api/systems/${base.id}`, () => system);
});
const opened = async (kind = 'run-capacitor-capacitance') => {
  const drawn = open(`/systems/${base.id}/threads/${part.id}/${kind}/herm`, {
    '/systems/:systemId/threads/:componentId/:kind/:point': ThreadScreen,
  });
  await waitFor(() => expect(screen.queryByText(/^Fetching/)).toBeNull());
  return drawn;
};

const overrule = async () => {
  fireEvent.click(await screen.findByRole('button', { name: 'Overrule' }));
  const form = within(screen.getByRole('form', { name: 'Overrule the verdict' }));
  fireEvent.click(form.getByRole('button', { name: 'Sound' }));
  fireEvent.change(form.getByLabelText('Because'), { target: { value: 'the leads were open' } });
  fireEvent.click(form.getByRole('button', { name: 'Overrule' }));
};

test('a thread says what it is of, where it stands and why, with every reading below', async () => {
  await opened();
  expect(await screen.findByRole('heading', { level: 1, name: /Capacitance/ })).toBeTruthy();
  expect(screen.getAllByText(/36\.2/).length).toBeGreaterThan(0);
  expect(screen.getAllByText('Act').length).toBeGreaterThan(0);
  const rows = within(screen.getByRole('table')).getAllByRole('row');
  expect(rows.filter((row) => /^October.*(40\.6|40\.1|36\.2)/.test(row.textContent ?? ''))).toHaveLength(3);
  expect(screen.getByText('October 10, 2026')).toBeTruthy();
});

test('a reading late in the evening stands under the firm’s day', async () => {
  system = { ...system, readings: [...readings, reading('2026-12-01', 36.1, { takenAt: '2026-12-01T06:30:00.000Z' })] };
  await opened();
  expect(await screen.findByText('November 30, 2026')).toBeTruthy();
  expect(screen.queryByText('December 1, 2026')).toBeNull();
});

test('a verdict is overruled with a reason on its latest reading, and that taken back', async () => {
  const latest = readings.at(-1)!;
  office.answer(`PUT /api/readings/${latest.id}/ruling`, ({ body }) => {
    const { standing, why, withdrawn } = body as NewRuling;
    const ruled = { ...latest, ruling: withdrawn ? null : { standing, why, by: 'OM' } };
    system = { ...system, readings: [...readings.slice(0, -1), ruled] };
    return ruled;
  });
  await opened();
  await overrule();
  await waitFor(() => expect(office.sent('PUT', /ruling/)).toMatchObject([{ why: 'the leads were open' }]));
  fireEvent.click(await screen.findByRole('button', { name: 'No longer overruled' }));
  await waitFor(() => expect(office.sent('PUT', /ruling/)[1]).toMatchObject({ withdrawn: true }));
});

test('what the office will not take is said', async () => {
  office.answer('PUT /api/readings/*', new Refused('It has no verdict.'));
  await opened();
  await overrule();
  expect((await screen.findByRole('alert')).textContent).toBe('It has no verdict.');
});

test('a thread that is not there says so', async () => {
  await opened('nowhere');
  expect(await screen.findByText('There is no such thread on this system.')).toBeTruthy();
});
