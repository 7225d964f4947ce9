import type { MeterView, NewMeter, NewMeterCheck } from '@yarnix/core';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { v4 } from 'uuid';
import { office, open, openOffice, PERSON, Refused } from '../../testing/office.tsx';
import { MeterScreen } from './meter-screen.tsx';
import { MetersScreen } from './meters-screen.tsx';

const SCREENS = { '/meters': MetersScreen, '/meters/:meterId': MeterScreen };
const quantity = (off: number, standing: MeterView['standing']): MeterView['quantities'][number] => ({
  ...{ quantity: 'capacitance', standing, off, within: 0.004, against: 'firm', since: null, readings: 40 },
  ...{ story: 'steady', days: [20_000, 20_400], mean: [off, off], sd: [0.003, 0.003] },
});
const meter = (over: Partial<MeterView> = {}): MeterView => ({
  ...{ id: v4(), kind: 'capacitance-meter', name: 'the yellow one', personId: PERSON.id, personName: PERSON.name },
  ...{ since: '2024-04-01', until: null, isKept: true, checkedAt: null, standing: 'sound' },
  ...{ quantities: [quantity(0.001, 'sound')], checks: [] },
  ...over,
});
const off = meter({ name: 'the old one', standing: 'act', quantities: [quantity(-0.021, 'act')] });
const right = meter();
const aside = meter({ name: 'the first one', until: '2025-01-10' });

beforeEach(() => {
  openOffice();
  office.answer('/api/meters', {
    meters: [right, aside, off],
    people: [{ id: PERSON.id, name: PERSON.name, initials: 'OM' }],
  });
});

test('what reads off comes first, with by how much; what was laid aside comes last', async () => {
  open('/meters', SCREENS);
  expect(await screen.findByRole('heading', { level: 1, name: '1 of 3 meters read off' })).toBeTruthy();
  const rows = screen.getAllByRole('listitem').map((row) => row.textContent ?? '');
  expect(rows[0]).toMatch(/the old one.*2\.1\s% low/);
  expect(rows[2]).toContain('laid aside January 10, 2025');
});

test('a new instrument is kept under who asks, with what was typed', async () => {
  office.answer('PUT /api/meters/*', ({ body }) => ({ ...meter(), ...(body as NewMeter) }));
  open('/meters', SCREENS);
  fireEvent.click(await screen.findByRole('button', { name: 'New instrument' }));
  const form = within(screen.getByRole('form', { name: 'New instrument' }));
  fireEvent.change(form.getByLabelText('Kind'), { target: { value: 'clamp' } });
  fireEvent.change(form.getByLabelText('Name'), { target: { value: 'the long one' } });
  await waitFor(() => expect(form.getByLabelText<HTMLSelectElement>('Whose').value).toBe(PERSON.id));
  fireEvent.click(form.getByRole('button', { name: 'Keep it' }));
  await waitFor(() =>
    expect(office.sent('PUT', /meters/)).toMatchObject([
      { kind: 'clamp', name: 'the long one', personId: PERSON.id, until: null },
    ]),
  );
  await waitFor(() => expect(screen.queryByRole('form')).toBeNull());
});

test('one laid aside before it came into use is told so without asking the office', async () => {
  open('/meters', SCREENS);
  fireEvent.click(await screen.findByRole('button', { name: 'New instrument' }));
  const form = within(await screen.findByRole('form', { name: 'New instrument' }));
  fireEvent.change(form.getByLabelText('Name'), { target: { value: 'the long one' } });
  fireEvent.change(form.getByLabelText('Used since'), { target: { value: '2026-03-01' } });
  fireEvent.change(form.getByLabelText('Until'), { target: { value: '2026-02-01' } });
  fireEvent.click(form.getByRole('button', { name: 'Keep it' }));
  expect(await form.findByText('is before it came into use')).toBeTruthy();
  expect(office.sent('PUT', /meters/)).toEqual([]);
  expect(form.getByLabelText<HTMLInputElement>('Until').value).toBe('2026-02-01');
});

test('what the office will not take is told at its field, and what was typed stays', async () => {
  office.answer('PUT /api/meters/*', new Refused('Not taken.', [{ path: 'name', detail: 'is used already' }]));
  open('/meters', SCREENS);
  fireEvent.click(await screen.findByRole('button', { name: 'New instrument' }));
  const form = within(screen.getByRole('form', { name: 'New instrument' }));
  fireEvent.change(form.getByLabelText('Name'), { target: { value: 'the yellow one' } });
  fireEvent.click(form.getByRole('button', { name: 'Keep it' }));
  expect(await form.findByText('is used already')).toBeTruthy();
  expect(form.getByLabelText<HTMLInputElement>('Name').value).toBe('the yellow one');
});

describe('a meter held against something known', () => {
  const check = async () => {
    open(`/meters/${right.id}`, SCREENS);
    await screen.findByRole('heading', { name: 'Hold it against something known' });
    return within(screen.getByRole('complementary', { name: 'Check and keep' }));
  };
  const sent = () => office.sent('PUT', /checks/) as NewMeterCheck[];

  test('three figures are sent as typed; a comma is a point', async () => {
    office.answer('PUT /api/meters/*', right);
    const side = await check();
    const [known, shown] = [side.getByLabelText('There is'), side.getByLabelText('It shows')];
    fireEvent.change(known, { target: { value: '40,0' } });
    fireEvent.change(shown, { target: { value: '39.6' } });
    fireEvent.click(side.getByRole('button', { name: 'Keep the check' }));
    await waitFor(() => expect(sent()).toMatchObject([{ quantity: 'capacitance', known: 40, shown: 39.6 }]));
    expect(await screen.findByText('Kept. Parts are judged by it from now on.')).toBeTruthy();
  });

  test('nothing is sent of words, of nothing, or of a known value of zero', async () => {
    const side = await check();
    const [known, shown] = [side.getByLabelText('There is'), side.getByLabelText('It shows')];
    for (const [k, s] of [
      ['forty', '39.6'],
      ['40', ''],
      ['0', '0'],
    ] as const) {
      fireEvent.change(known, { target: { value: k } });
      fireEvent.change(shown, { target: { value: s } });
      fireEvent.click(side.getByRole('button', { name: 'Keep the check' }));
    }
    expect(sent()).toEqual([]);
  });
});

test('an instrument that is not there says so', async () => {
  open(`/meters/${v4()}`, SCREENS);
  expect(await screen.findByText(/The meter could not be fetched|no such instrument/)).toBeTruthy();
});
