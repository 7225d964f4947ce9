import { DEFAULT_POLICY, type NewSchools, type Preview, type Schools } from '@yarnix/core';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { v4 } from 'uuid';
import { office, open, openOffice, Refused } from '../../testing/office.tsx';
import { SettingsScreen } from './settings-screen.tsx';

let schools: Schools;
let preview: Preview;
beforeEach(() => {
  openOffice();
  sessionStorage.clear();
  schools = { policy: DEFAULT_POLICY, revision: 4, changes: [] };
  preview = { id: v4(), state: 'done', done: 60, total: 60, parts: 717, changing: 0, changes: [] };
  office.answer('/api/schools', () => schools);
  office.answer('POST /api/schools/previews', () => ({ ...preview, state: 'queued', done: 0 }));
  office.answer(`/api/schools/previews/${preview.id}`, () => preview);
  office.answer('/api/refits/latest', { refit: null, learnedAt: null });
  office.answer('/api/meters', { meters: [], people: [] });
});
const opened = async () => {
  const drawn = open('/settings', { '/settings': SettingsScreen });
  await screen.findByRole('heading', { level: 1, name: 'The firm’s schools' });
  return drawn;
};
const side = () => within(screen.getByRole('complementary', { name: 'What would change' }));
/** Chooses another answer of the first school that is a choice. */
const chooseOtherwise = () => {
  const other = screen.getAllByRole<HTMLInputElement>('radio').find((radio) => !isChosen(radio))!;
  fireEvent.click(other);
};
const isChosen = (radio: HTMLElement) =>
  radio.getAttribute('aria-checked') === 'true' || (radio as HTMLInputElement).checked === true;

test('nothing is changed to begin with, and there is nothing to save', async () => {
  await opened();
  expect(side().getByRole('heading', { name: 'What holds' })).toBeTruthy();
  expect(side().queryByRole('button', { name: 'See what would change' })).toBeNull();
});

test('nothing is judged by another school before it is seen what that changes', async () => {
  preview = {
    ...preview,
    changing: 1,
    changes: [
      { systemId: v4(), componentId: v4(), address: '3 Bobbin Hill', slot: 'run-capacitor', from: 'sound', to: 'act' },
    ],
  };
  office.answer('PUT /api/schools', ({ body }) => {
    schools = { policy: (body as NewSchools).policy, revision: 5, changes: [] };
    return schools;
  });
  await opened();
  chooseOtherwise();
  expect(await side().findByRole('heading', { name: 'What you would change' })).toBeTruthy();
  expect(office.sent('PUT', /schools/)).toEqual([]);
  fireEvent.click(side().getByRole('button', { name: 'See what would change' }));
  expect(await side().findByText(/3 Bobbin Hill/)).toBeTruthy();
  fireEvent.click(await side().findByRole('button', { name: 'Judge by these from now on' }));
  await waitFor(() => expect(office.sent('PUT', /schools/)).toMatchObject([{ revision: 4 }]));
  expect(await side().findByRole('heading', { name: 'What holds' })).toBeTruthy();
});

test('what was chosen outlives the page, and is thrown away when asked to', async () => {
  const { unmount } = await opened();
  chooseOtherwise();
  await side().findByRole('heading', { name: 'What you would change' });
  unmount();
  await opened();
  expect(side().getByRole('heading', { name: 'What you would change' })).toBeTruthy();
  fireEvent.click(side().getByRole('button', { name: 'Leave it as it is' }));
  expect(await side().findByRole('heading', { name: 'What holds' })).toBeTruthy();
});

test('a figure that is none is told in its place, and cannot be tried', async () => {
  await opened();
  const [figure] = screen.getAllByRole<HTMLInputElement>('textbox');
  fireEvent.change(figure!, { target: { value: 'many' } });
  expect(await side().findByText('What stands in red on the left is put right first.')).toBeTruthy();
  expect(side().getByRole<HTMLButtonElement>('button', { name: 'See what would change' }).disabled).toBe(true);
  expect(figure!.value).toBe('many');
});

test('somebody who changed them meanwhile is told of', async () => {
  office.answer('PUT /api/schools', new Refused('Zoe has changed them meanwhile. Look again.', [], 409));
  await opened();
  chooseOtherwise();
  fireEvent.click(await side().findByRole('button', { name: 'See what would change' }));
  fireEvent.click(await side().findByRole('button', { name: 'Judge by these from now on' }));
  expect((await side().findByRole('alert')).textContent).toContain('meanwhile');
});
