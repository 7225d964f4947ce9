import type { PlanningSettings } from '@yarnix/core';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { queries } from '../../app/queries.ts';
import { office, open, openOffice } from '../../testing/office.tsx';
import { PlanningScreen } from './planning-screen.tsx';

const HELD: PlanningSettings = {
  ...{ heat: '05-15', frost: '10-20', begins: 480, ends: 1020, breakMinutes: 30, start: null },
  areas: [{ area: 'Mill St. East', place: null }],
};
beforeEach(() => {
  openOffice();
  office.answer('/api/planning', HELD);
  office.answer('PUT /api/planning', ({ body }) => body as object);
});
const opened = async () => {
  const drawn = open('/planning', { '/planning': PlanningScreen });
  await screen.findByLabelText('Break');
  return drawn;
};
const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
const shows = (label: string) => screen.getByLabelText<HTMLInputElement>(label).value;
const keep = () => fireEvent.click(screen.getByRole('button', { name: 'Keep it' }));

test('what is typed is kept as the office needs it: minutes of the day, places as two figures', async () => {
  await opened();
  type('Days begin', '07:30');
  type('Where days begin and end', '40.05 N, 105.1 W');
  // A name with a point in it is one area, not a field within another.
  type('Mill St. East', '40.1, -105.2');
  keep();
  await waitFor(() =>
    expect(office.sent('PUT', /planning/)).toEqual([
      {
        ...{ ...HELD, begins: 450, start: { lat: 40.05, lng: -105.1 } },
        areas: [{ area: 'Mill St. East', place: { lat: 40.1, lng: -105.2 } }],
      },
    ]),
  );
  expect(await screen.findByText('Kept')).toBeTruthy();
  expect(shows('Where days begin and end')).toBe('40.0500, -105.1000');
});

test('each figure that is none is told at its field; nothing is sent, and all stays as it was typed', async () => {
  await opened();
  type('Where days begin and end', 'the yard');
  type('Mill St. East', 'by the mill');
  type('Break', 'long');
  keep();
  await waitFor(() => expect(screen.getAllByText(/is no place/)).toHaveLength(2));
  expect(screen.getByLabelText('Break').getAttribute('aria-invalid')).toBe('true');
  type('Where days begin and end', '');
  type('Mill St. East', '');
  type('Break', '30');
  type('Days end', '07:00');
  keep();
  expect(await screen.findByText('ends before it begins')).toBeTruthy();
  expect(office.sent('PUT', /planning/)).toEqual([]);
  expect(shows('Days end')).toBe('07:00');
});

test('an answer that comes late changes only what was not touched', async () => {
  const { client } = await opened();
  type('Break', '45');
  office.answer('/api/planning', { ...HELD, ends: 990, breakMinutes: 20 });
  await act(() => client.invalidateQueries({ queryKey: queries.planning().queryKey }));
  await waitFor(() => expect(shows('Days end')).toBe('16:30'));
  expect(shows('Break')).toBe('45');
});

test('what is typed of an area stays with that area when a late answer has another one before it', async () => {
  const { client } = await opened();
  type('Mill St. East', '40.1, -105.2');
  office.answer('/api/planning', { ...HELD, areas: [{ area: 'Cooper’s Lane', place: null }, ...HELD.areas] });
  await act(() => client.invalidateQueries({ queryKey: queries.planning().queryKey }));
  expect(await screen.findByLabelText('Cooper’s Lane')).toBeTruthy();
  expect([shows('Cooper’s Lane'), shows('Mill St. East')]).toEqual(['', '40.1, -105.2']);
  keep();
  await waitFor(() =>
    expect(office.sent('PUT', /planning/)).toMatchObject([
      {
        areas: [
          { area: 'Cooper’s Lane', place: null },
          { area: 'Mill St. East', place: { lat: 40.1, lng: -105.2 } },
        ],
      },
    ]),
  );
});
