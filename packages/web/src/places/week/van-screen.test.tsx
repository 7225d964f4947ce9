import type { NewStock, Van } from '@yarnix/core';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { office, open, openOffice, PERSON, Refused } from '../../testing/office.tsx';
import { VanScreen } from './van-screen.tsx';

const DAY = '2026-12-02';
const path = `/api/vans/${PERSON.id}/days/${DAY}`;
const van = (over: Partial<Van> = {}): Van => ({
  ...{ person: { id: PERSON.id, name: PERSON.name }, day: DAY, systems: 3 },
  load: [
    {
      ...{ part: '40+5 µF 440 V', need: 2, aboard: 1, toLoad: 1, standsIn: [] },
      wanted: [{ part: 'run capacitor', address: '3 Bobbin Hill', chance: 0.9, planned: true }],
    },
    {
      ...{ part: 'contactor, 2-pole 30 A', need: 1, aboard: 1, toLoad: 0, standsIn: [] },
      wanted: [{ part: 'contactor', address: '9 Frost Row', chance: 0.3, planned: false }],
    },
  ],
  stock: [{ part: '40+5 µF 440 V', count: 1 }],
  ...over,
});

beforeEach(() => {
  openOffice();
  office.answer(path, van());
});
const opened = async () => {
  open(`/week/${PERSON.id}/${DAY}`, { '/week/:personId/:day': VanScreen });
  return within(await screen.findByRole('region', { name: 'In the van' }));
};

test('what is to load stands first by its number; what is aboard is ticked', async () => {
  await opened();
  const lines = screen.getAllByRole('listitem').map((line) => line.textContent ?? '');
  expect(lines[0]).toMatch(/^1.*40\+5 µF 440 V/);
  expect(lines[0]).toContain('1 aboard, 2 needed');
  expect(lines[1]).toMatch(/aboard.*contactor, 2-pole 30 A/);
  expect(screen.getByRole('link', { name: /What the week must order/ }).getAttribute('href')).toBe(
    '/api/order.csv?from=2026-12-02&to=2026-12-08',
  );
});

test('a count is changed by one, and the list above follows what the office says', async () => {
  office.answer(`PUT ${path}`, ({ body }) => {
    const { part, count } = body as NewStock;
    return van({ load: [], stock: [{ part, count }] });
  });
  const stock = await opened();
  fireEvent.click(stock.getByRole('button', { name: 'One 40+5 µF 440 V more' }));
  await waitFor(() => expect(stock.getByText('2')).toBeTruthy());
  expect(office.sent('PUT', /vans/)).toEqual([{ part: '40+5 µF 440 V', count: 2 }]);
  expect(screen.queryByText('contactor, 2-pole 30 A')).toBeNull();
});

test('a label the office cannot read is told why, and stays as it was typed', async () => {
  office.answer(`PUT ${path}`, new Refused('“some can” is no part that is known here.'));
  const stock = await opened();
  const label = stock.getByLabelText<HTMLInputElement>('Another part, as its label says');
  fireEvent.change(label, { target: { value: 'some can' } });
  fireEvent.click(stock.getByRole('button', { name: 'One is aboard' }));
  expect((await stock.findByRole('alert')).textContent).toBe('“some can” is no part that is known here.');
  expect(label.value).toBe('some can');
});

test('a day on which nothing is to load says so', async () => {
  office.answer(path, van({ load: [], stock: [], systems: 1 }));
  const stock = await opened();
  expect(screen.getByText(/1 system$/)).toBeTruthy();
  expect(stock.getByText('Nothing is noted as aboard yet.')).toBeTruthy();
  expect(screen.getByText(/No planned job of that day fits a part/)).toBeTruthy();
});
