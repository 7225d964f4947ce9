import { DEFAULT_POLICY, SCHOOL_WORDS, type ComponentView } from '@yarnix/core';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { office, open, openOffice, Refused, systemOf } from '../../testing/office.tsx';
import { OwnSchools } from './own-schools.tsx';

const system = systemOf();
const school = 'capacitor-baseline';
const { title } = SCHOOL_WORDS[school];
const board = system.part('defrost-board');
const can = system.part('run-capacitor');

beforeEach(openOffice);
const opened = (part: ComponentView) =>
  open('/p', { '/p': () => <OwnSchools part={part} systemId={system.id} policy={DEFAULT_POLICY} /> });
const show = () => fireEvent.click(screen.getByRole('button', { name: 'Judge this part in its own way' }));
const sent = (part: ComponentView) => office.sent('PUT', new RegExp(`components/${part.id}/school`));

test('a part that no school judges, or that is out, has nothing to choose', () => {
  opened(system.part('supply'));
  expect(screen.queryByRole('region')).toBeNull();
  opened({ ...can, removedOn: '2026-10-10' });
  expect(screen.queryByRole('region')).toBeNull();
});

test('it is judged as the firm has it until a figure of its own is typed', async () => {
  opened(can);
  show();
  const field = screen.getByLabelText<HTMLInputElement>(title);
  expect(field.value).toBe('');
  expect(screen.queryByRole('button', { name: 'Judge by it' })).toBeNull();
  fireEvent.change(field, { target: { value: 'ten' } });
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Judge by it' }).disabled).toBe(true);
  fireEvent.change(field, { target: { value: '10' } });
  fireEvent.click(screen.getByRole('button', { name: 'Judge by it' }));
  await waitFor(() => expect(sent(can)).toEqual([{ school, setting: [10] }]));
});

test('what it is judged by is said first; going back to the firm’s way takes it off', async () => {
  const own: ComponentView = { ...can, plate: { ...can.plate, schools: { [school]: [10] } } };
  opened(own);
  expect(screen.getByText(`Judged in its own way: ${title.toLowerCase()}.`)).toBeTruthy();
  show();
  expect(screen.getByLabelText<HTMLInputElement>(title).value).toBe('10');
  fireEvent.click(screen.getAllByRole('button', { name: /^As the firm has it: / })[0]!);
  await waitFor(() => expect(sent(own)).toEqual([{ school, setting: null }]));
});

test('one of a few is chosen from a list, and the firm’s way is the first of it', async () => {
  opened(board);
  show();
  const [choice] = screen.getAllByRole<HTMLSelectElement>('combobox');
  expect(choice!.options[0]!.textContent).toMatch(/^As the firm has it: /);
  const other = [...choice!.options].find(({ value }) => value !== '')!;
  fireEvent.change(choice!, { target: { value: other.value } });
  await waitFor(() => expect(sent(board)).toMatchObject([{ setting: other.value }]));
  fireEvent.change(choice!, { target: { value: '' } });
  await waitFor(() => expect(sent(board).at(-1)).toMatchObject({ setting: null }));
});

test('a refusal is said', async () => {
  office.answer(`PUT /api/components/${can.id}/school`, new Refused('No part is judged so.'));
  opened(can);
  show();
  fireEvent.change(screen.getByLabelText(title), { target: { value: '10' } });
  fireEvent.click(screen.getByRole('button', { name: 'Judge by it' }));
  expect((await screen.findByRole('alert')).textContent).toBe('No part is judged so.');
});
