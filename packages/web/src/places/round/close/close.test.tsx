import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { v7 } from 'uuid';
import { change, keepLooseEnd, roundNow, startRound } from '../../../field/rounds.ts';
import { office, open, openOffice, sendFromHere, systemOf } from '../../../testing/office.tsx';
import { CloseScreen } from './close-screen.tsx';
import { SummaryScreen } from './summary-screen.tsx';

const SCREENS = {
  '/systems/:systemId/rounds/:visitId/close': CloseScreen,
  '/systems/:systemId/rounds/:visitId/summary': SummaryScreen,
};
const system = systemOf();

beforeAll(sendFromHere);
beforeEach(() => {
  openOffice();
  office.answer(`/api/systems/${system.id}`, system);
});

async function atTheClose(screenName: 'close' | 'summary' = 'close') {
  const visitId = v7();
  const startedAt = new Date(Date.now() - 60_000).toISOString();
  await act(() => startRound(visitId, { systemId: system.id, startedAt, season: 'fall' }));
  const drawn = open(`/systems/${system.id}/rounds/${visitId}/${screenName}`, SCREENS);
  await screen.findAllByRole('heading', { level: 1 });
  const record = () => {
    const now = roundNow(visitId);
    if (now.status !== 'here') throw new Error('the round is not here');
    return now.record;
  };
  return { ...drawn, visitId, record };
}
const closing = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Close the round' });

test('a round is not closed over what was not taken: it is put off in one tap, each with its day', async () => {
  const { record } = await atTheClose();
  expect(closing().disabled).toBe(true);
  expect(screen.getByText('Take or put off what is missing first.')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'No time left' }));
  await waitFor(() => expect(closing().disabled).toBe(false));
  expect(record().followUps.length).toBeGreaterThan(10);
  expect(record().followUps.every(({ followUp }) => followUp.dueOn > record().startedAt.slice(0, 10))).toBe(true);
});

test('nor over what hangs loose: that is put back, or left with a reason', async () => {
  const { visitId } = await atTheClose();
  fireEvent.click(screen.getByRole('button', { name: 'No time left' }));
  await waitFor(() => expect(closing().disabled).toBe(false));
  const end = { id: v7(), code: null, text: 'hatch open', openedAt: new Date().toISOString() };
  await act(() => keepLooseEnd(visitId, { ...end, putBackAt: null, leftBecause: null }));
  expect(closing().disabled).toBe(true);
  expect(screen.getByText(/1 thing hangs loose/)).toBeTruthy();
  await act(() => keepLooseEnd(visitId, { ...end, putBackAt: null, leftBecause: 'the owner asked for it' }));
  await waitFor(() => expect(closing().disabled).toBe(false));
});

test('the note is kept as it is typed, sent with the close, and the close is there before anything is awaited', async () => {
  const { record, visitId, here } = await atTheClose();
  fireEvent.click(screen.getByRole('button', { name: 'No time left' }));
  fireEvent.change(screen.getByLabelText('Note for the office and the next visit'), { target: { value: 'fan hums' } });
  expect(record().note).toBe('fan hums');
  await waitFor(() => expect(closing().disabled).toBe(false));
  fireEvent.click(closing());
  expect(record().closedAt).not.toBeNull();
  await waitFor(() => expect(here()).toBe(`/systems/${system.id}`));
  await waitFor(() =>
    expect(office.sent('PUT', new RegExp(`${visitId}/closing`))).toMatchObject([{ note: 'fan hums' }]),
  );
});

test('the other season is worked on the same visit when asked for, and no longer when not', async () => {
  const { record } = await atTheClose();
  fireEvent.click(screen.getByRole('button', { name: 'Take the cooling readings on this visit too' }));
  expect(record().bothSeasons).toBe(true);
  fireEvent.click(await screen.findByRole('button', { name: 'No cooling readings on this visit' }));
  expect(record().bothSeasons).toBe(false);
});

test('a repair is noted, on its way to the office, and taken back', async () => {
  const { record } = await atTheClose();
  const repair = screen.getByRole('button', { name: 'Filter changed' });
  fireEvent.click(repair);
  await waitFor(() => expect(record().events).toMatchObject([{ event: { kind: 'filter-changed', withdrawn: false } }]));
  fireEvent.click(screen.getByRole('button', { name: /Filter changed/ }));
  await waitFor(() => expect(record().events.at(-1)).toMatchObject({ event: { withdrawn: true } }));
});

test('what is shown to the customer has nothing in it that was typed for the office', async () => {
  const { visitId } = await atTheClose('summary');
  await act(() => change(visitId, (r) => ({ ...r, note: 'pays late' })));
  expect(await screen.findByRole('heading', { level: 1 })).toBeTruthy();
  expect(document.body.textContent).not.toContain('pays late');
  expect(screen.getByRole('link', { name: 'Back to the close' })).toBeTruthy();
});

describe('what hangs loose at the close', () => {
  const end = { id: v7(), code: null, text: 'attic hatch open', openedAt: new Date().toISOString() };
  const loose = async () => {
    const drawn = await atTheClose();
    await act(() => keepLooseEnd(drawn.visitId, { ...end, id: v7(), putBackAt: null, leftBecause: null }));
    return drawn;
  };

  test('is put back by one tap', async () => {
    const { record } = await loose();
    expect(screen.getByRole('heading', { name: '1 still loose' })).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: /^attic hatch open/ }));
    await waitFor(() => expect(record().looseEnds.at(-1)?.putBackAt).not.toBeNull());
    expect(screen.queryByRole('heading', { name: '1 still loose' })).toBeNull();
  });

  test('or stays for a reason, which is written and shown', async () => {
    const { record } = await loose();
    fireEvent.click(screen.getByRole('button', { name: 'It stays, because' }));
    const leave = screen.getByRole<HTMLButtonElement>('button', { name: 'Leave it' });
    expect(leave.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('attic hatch open: it stays, because'), {
      target: { value: ' the owner asked for it ' },
    });
    fireEvent.click(leave);
    await waitFor(() => expect(record().looseEnds.at(-1)?.leftBecause).toBe('the owner asked for it'));
    expect(screen.getByRole('heading', { name: 'Left as it is' })).toBeTruthy();
    expect(screen.getByText(/the owner asked for it/)).toBeTruthy();
  });
});
