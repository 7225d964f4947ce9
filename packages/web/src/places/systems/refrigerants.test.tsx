import { fireEvent, screen, waitFor } from '@testing-library/react';
import { office, open, openOffice, Refused } from '../../testing/office.tsx';
import { RefrigerantsScreen } from './refrigerants-screen.tsx';

beforeEach(() => openOffice());

const CSV = 'temperature F,bubble psig,dew psig\n40,118.0,117.5\n50,142.6,142.1\n';
const file = () =>
  Object.assign(new File([CSV], 'table.csv', { type: 'text/csv' }), { text: () => Promise.resolve(CSV) });
const name = () => screen.getByLabelText<HTMLInputElement>('Refrigerant');
async function filled() {
  open('/refrigerants', { '/refrigerants': RefrigerantsScreen });
  fireEvent.change(await screen.findByLabelText('Refrigerant'), { target: { value: ' r470x ' } });
  fireEvent.change(screen.getByLabelText('Where the figures come from'), { target: { value: 'supplier’s sheet' } });
  fireEvent.change(screen.getByLabelText('CSV file'), { target: { files: [file()] } });
}
const load = () => fireEvent.click(screen.getByRole('button', { name: 'Load it' }));

test('a table without a name, a source or a file is not sent, and each that lacks says so', async () => {
  open('/refrigerants', { '/refrigerants': RefrigerantsScreen });
  await screen.findByLabelText('Refrigerant');
  load();
  for (const lacks of ['Which refrigerant?', 'Where are they from?', 'Choose the file.'])
    expect(await screen.findByText(lacks)).toBeTruthy();
  expect(office.sent('PUT', /refrigerants/)).toEqual([]);
});

test('a table goes to the office under its usual name, with its source; then another can be loaded', async () => {
  await filled();
  fireEvent.click(screen.getByLabelText('An estimate, not the supplier’s own figures'));
  load();
  expect(await screen.findByText(/Loaded/)).toBeTruthy();
  expect(office.asked.find(({ method }) => method === 'PUT')).toMatchObject({
    path: '/api/refrigerants/R-470X',
    body: { csv: CSV, source: 'supplier’s sheet', estimate: true },
  });
  await waitFor(() => expect(name().value).toBe(''));
  expect(screen.getByLabelText<HTMLInputElement>('Where the figures come from').value).toBe('supplier’s sheet');
});

test('a table the office will not take says why, and what was typed stays', async () => {
  office.answer('PUT /api/refrigerants/*', new Refused('Row 2 is not above row 1.'));
  await filled();
  load();
  expect((await screen.findByRole('alert')).textContent).toBe('Row 2 is not above row 1. Nothing was loaded.');
  expect(name().value).toBe(' r470x ');
});
