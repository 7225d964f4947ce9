import type { NewPlate } from '@yarnix/core';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { office, open, openOffice, Refused, systemOf } from '../../testing/office.tsx';
import { PlateScreen } from './plate-screen.tsx';

const system = systemOf({ plate: { tons: 3, compressorRla: 16.7 } });
beforeEach(() => {
  openOffice();
  office.answer(`/api/systems/${system.id}`, system);
});
async function opened() {
  const drawn = open(`/systems/${system.id}/plate`, {
    '/systems/:systemId/plate': PlateScreen,
    '/systems/:systemId': () => <p>Its page</p>,
  });
  await screen.findByRole('heading', { level: 1, name: 'Plate' });
  return drawn;
}
const type = (label: RegExp, value: string) => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const keep = () => fireEvent.click(screen.getByRole('button', { name: 'Keep the plate' }));
const sent = () => office.sent('PUT', /plate$/) as NewPlate[];

test('it opens as it is kept; what is read better is kept, with the parts that follow from it', async () => {
  const { here } = await opened();
  expect(screen.getByDisplayValue('16.7')).toBeTruthy();
  type(/^Rated power/, '10');
  keep();
  await waitFor(() => expect(here()).toBe(`/systems/${system.id}`));
  const [body] = sent();
  expect(body!.plate).toMatchObject({ tons: 3, compressorRla: 16.7, heatKilowatts: 10 });
  // A machine with strips has them, and what switches them; each part has an id of its own.
  expect(body!.components.map(({ slot }) => slot).sort()).toEqual(['electric-heat', 'sequencer']);
  expect(new Set(body!.components.map(({ id }) => id)).size).toBe(2);
});

test('a decimal comma is a point', async () => {
  const { here } = await opened();
  fireEvent.change(screen.getByDisplayValue('16.7'), { target: { value: '15,4' } });
  keep();
  await waitFor(() => expect(here()).toBe(`/systems/${system.id}`));
  expect(sent()).toMatchObject([{ plate: { compressorRla: 15.4 } }]);
});

test('what cannot be is said at its field, and nothing is sent', async () => {
  await opened();
  fireEvent.change(screen.getByDisplayValue('16.7'), { target: { value: 'sixteen' } });
  keep();
  expect(await screen.findByText('Some fields need another look; they say what.')).toBeTruthy();
  expect(screen.getByDisplayValue('sixteen').getAttribute('aria-invalid')).toBe('true');
  expect(sent()).toEqual([]);
});

test('what the office will not take is said, and what was typed stays', async () => {
  office.answer(`PUT /api/systems/${system.id}/plate`, new Refused('Somebody changed it meanwhile.', [], 409));
  await opened();
  fireEvent.change(screen.getByDisplayValue('16.7'), { target: { value: '15.4' } });
  keep();
  expect((await screen.findByRole('alert')).textContent).toContain('Somebody changed it meanwhile.');
  expect(screen.getByDisplayValue('15.4')).toBeTruthy();
  office.reachable = false;
  keep();
  await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('What you typed stays here'));
});
