import { BENCH } from '@yarnix/core';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { at, open, openOffice } from '../../testing/office.tsx';
import { BenchScreen } from './bench-screen.tsx';
import { keepSum } from './latest-sums.ts';

const SCREENS = { '/bench': BenchScreen, '/bench/:sumId': BenchScreen };
beforeEach(() => {
  openOffice();
  localStorage.clear();
});
const type = (label: string | RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });

test('what is in the address is worked out, with its formula; what is typed goes into the address', async () => {
  // Common practice: a 10 kW heater rated at 240 V draws 10 000 / 240 = 41.7 A, and 39.9 A at 230 V.
  const { here } = open('/bench/heater?kilowatts=10&volts=240', SCREENS);
  expect(await screen.findByText('41.7 A')).toBeTruthy();
  type('Volts measured, if known', '230');
  expect(await screen.findByText('39.9 A')).toBeTruthy();
  expect(here()).toContain('volts=230');
});

test('what is still to type is named; a word for a figure is refused at its field and nothing is worked out', async () => {
  open('/bench/capacitor-under-load', SCREENS);
  expect(await screen.findByText(/^Still to type: /)).toBeTruthy();
  const [amps, volts] = screen.getAllByRole('textbox');
  fireEvent.change(amps!, { target: { value: 'five' } });
  fireEvent.change(volts!, { target: { value: '370' } });
  expect(await screen.findByText(/Put right what is marked/)).toBeTruthy();
  expect(amps!.getAttribute('aria-invalid')).toBe('true');
  // Common practice: µF = 2652 × A / V at 60 Hz, 2652 × 5.36 / 370 = 38.4.
  fireEvent.change(amps!, { target: { value: '5.36' } });
  expect(await screen.findByText(/^38\.4 µF$/)).toBeTruthy();
});

test('every sum opens, says where it is from, and on a phone is chosen from one list', async () => {
  at('phone');
  const { here } = open('/bench', SCREENS);
  for (const { id, title, source } of BENCH) {
    fireEvent.change(await screen.findByLabelText('What is to be worked out'), { target: { value: id } });
    await waitFor(() => expect(here()).toBe(`/bench/${id}`));
    expect(screen.getByRole('heading', { level: 1, name: title })).toBeTruthy();
    expect(screen.getByText(source)).toBeTruthy();
  }
});

test('sums worked out last are a tap away, as they were typed', async () => {
  keepSum({ id: 'heater', typed: { kilowatts: '5', volts: '208' }, result: '24 A' });
  const { here } = open('/bench/capacitor-under-load', SCREENS);
  fireEvent.click(await screen.findByRole('link', { name: /24 A/ }));
  expect(here()).toBe('/bench/heater?kilowatts=5&volts=208');
  type('Volts measured, if known', '240');
  expect(await screen.findByText('20.8 A')).toBeTruthy();
});

test('a sum there is not says so', async () => {
  open('/bench/perpetual-motion', SCREENS);
  expect(await screen.findByRole('heading', { level: 1 })).toBeTruthy();
  expect(screen.queryByRole('textbox')).toBeNull();
});
