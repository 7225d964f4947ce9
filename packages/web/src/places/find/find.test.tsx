import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { roundNow } from '../../field/rounds.ts';
import { office, open, openOffice, systemOf } from '../../testing/office.tsx';
import { standInForWorkers, workers } from '../../testing/worker.ts';
import { CallScreen } from './call-screen.tsx';
import { StartCallScreen } from './start-call-screen.tsx';

const SCREENS = { '/systems/:systemId/find': StartCallScreen, '/systems/:systemId/calls/:visitId': CallScreen };
const system = systemOf({ kind: 'split-air-conditioner' });

beforeAll(standInForWorkers);
beforeEach(() => {
  openOffice();
  localStorage.clear();
  workers.die = false;
  office.answer(`/api/systems/${system.id}`, system);
  office.answer('/api/causes', { proved: [] });
});

const start = async (complaint = 'Blower never stops') => {
  const drawn = open(`/systems/${system.id}/find`, SCREENS);
  fireEvent.click(await screen.findByRole('button', { name: complaint }));
  return drawn;
};
const begin = () => fireEvent.click(screen.getByRole('button', { name: 'Find the cause' }));
const record = (path: string) => {
  const now = roundNow(/calls\/(.*)/.exec(path)?.[1] ?? '');
  if (now.status !== 'here') throw new Error('the call is not here');
  return now.record;
};
const nextTest = () => screen.findByRole('region', { name: 'Next test' });

test('what it is about is asked for first, and nothing begins without it', async () => {
  open(`/systems/${system.id}/find`, SCREENS);
  await screen.findByRole('button', { name: 'Blower never stops' });
  begin();
  expect((await screen.findByRole('alert')).textContent).toBe('Choose what it is about first.');
  expect(office.sent('PUT', /visits/)).toEqual([]);
});

test('what was chosen and said of a call that has not begun outlives the page, and is gone once it has', async () => {
  const { unmount } = await start();
  fireEvent.change(screen.getByLabelText('Outdoor air'), { target: { value: '71' } });
  fireEvent.change(screen.getByLabelText(/In the owner’s words/), { target: { value: 'hums at night' } });
  fireEvent.click(screen.getByLabelText('It comes and goes'));
  unmount();
  open(`/systems/${system.id}/find`, SCREENS);
  expect((await screen.findByRole('button', { name: 'Blower never stops' })).getAttribute('aria-pressed')).toBe('true');
  expect(screen.getByLabelText<HTMLInputElement>('Outdoor air').value).toBe('71');
  expect(screen.getByLabelText<HTMLTextAreaElement>(/In the owner’s words/).value).toBe('hums at night');
  expect(screen.getByLabelText<HTMLInputElement>('It comes and goes').checked).toBe(true);
  begin();
  await nextTest();
  expect(Object.keys(localStorage).filter((name) => name.startsWith('yarnix-complaint'))).toEqual([]);
});

test('a visit never stands on the device without what it is about', async () => {
  const { here } = await start();
  fireEvent.change(screen.getByLabelText('Outdoor air'), { target: { value: '71' } });
  begin();
  // In the same moment as the tap, before anything is awaited.
  const [note] = Object.keys(localStorage)
    .filter((name) => name.startsWith('yarnix-unwritten'))
    .map((name) => JSON.parse(localStorage.getItem(name) ?? '{}') as { record: unknown; outgoing: { path: string }[] });
  expect(note?.record).toMatchObject({ outdoorText: '71', call: { complaints: ['never-stops'] } });
  expect(note?.outgoing.map(({ path }) => path.replace(/[0-9a-f-]{36}/, ':id'))).toEqual([
    '/api/visits/:id',
    '/api/visits/:id/call',
  ]);
  await nextTest();
  expect(record(here()).call?.complaints).toEqual(['never-stops']);
});

test('a test is offered with its state, answered in a tap, kept as a reading, and followed by another', async () => {
  const { here } = await start();
  begin();
  const first = (await nextTest()).getAttribute('data-test')!;
  const panel = await nextTest();
  const runs = within(panel).queryByRole('button', { name: 'Blower' });
  if (runs) {
    fireEvent.click(runs);
    fireEvent.click(within(panel).getByRole('button', { name: 'Take it' }));
  } else fireEvent.click(within(panel).getByRole('button', { name: 'Cannot take it' }));
  await waitFor(async () => expect((await nextTest()).getAttribute('data-test')).not.toBe(first));
  const { readings, call } = record(here());
  expect(readings.length + (call?.skipped.length ?? 0)).toBe(1);
});

test('what cannot be taken is kept as that, and another test comes', async () => {
  const { here } = await start();
  begin();
  const panel = await nextTest();
  const first = panel.getAttribute('data-test')!;
  fireEvent.click(within(panel).getByRole('button', { name: 'Cannot take it' }));
  expect(record(here()).call?.skipped).toEqual([first]);
  await waitFor(async () => expect((await nextTest()).getAttribute('data-test')).not.toBe(first));
});

test('a worker that dies is said so, with nothing lost, and can be asked again', async () => {
  workers.die = true;
  const { here } = await start();
  begin();
  expect(await screen.findByText('Something went wrong in working it out. Every answer is kept.')).toBeTruthy();
  expect(document.querySelector('[aria-busy="true"]')).toBeNull();
  workers.die = false;
  const before = workers.started;
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  expect(await nextTest()).toBeTruthy();
  expect(workers.started).toBe(before + 1);
  expect(record(here()).call?.complaints).toEqual(['never-stops']);
});

test('a worker that dies amid a hunt leaves the last report standing, and says so beside it', async () => {
  await start();
  begin();
  const panel = await nextTest();
  workers.die = true;
  fireEvent.click(within(panel).getByRole('button', { name: 'Cannot take it' }));
  expect(await screen.findByText(/Something went wrong in working it out/)).toBeTruthy();
  workers.die = false;
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  await waitFor(() => expect(screen.queryByText(/Something went wrong/)).toBeNull());
});

test('the complaint can be changed, and the call ended with what came of it', async () => {
  const { here } = await start();
  begin();
  await nextTest();
  fireEvent.click(screen.getByRole('button', { name: 'Change the complaint' }));
  fireEvent.click(await screen.findByRole('button', { name: /Cools badly|Cools weakly|not cool/i }));
  begin();
  await nextTest();
  expect(record(here()).call?.complaints).toHaveLength(2);
  fireEvent.click(screen.getByRole('button', { name: 'End the call' }));
  expect(await screen.findByRole('button', { name: 'Back to the hunt' })).toBeTruthy();
});
