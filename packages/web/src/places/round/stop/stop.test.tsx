import type { NewReading, RoundRecord } from '@yarnix/core';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { change, noteRefusal } from '../../../field/rounds.ts';
import { office, open, openOffice, sendFromHere, systemOf } from '../../../testing/office.tsx';
import { openAtStop, recordHere } from '../../../testing/rounds.ts';
import { RoundScreen } from '../round-screen.tsx';

const ROUND = '/systems/:systemId/rounds/:visitId/:stopId';
const system = systemOf();

beforeAll(sendFromHere);
beforeEach(() => {
  openOffice();
  office.answer(`/api/systems/${system.id}`, system);
});

const standAt = (stop: RoundRecord['begun'][number], size: 'phone' | 'wide', search = '') =>
  openAtStop(RoundScreen, system.id, stop, { size, search });
const pad = () => within(screen.getByRole('group', { name: 'Keypad' }));
/** Presses a key of the pad as a finger does: it acts on the way down. */
const press = (...keys: string[]) => {
  for (const key of keys) fireEvent.pointerDown(pad().getByRole('button', { name: key }), { button: 0 });
};
const volts = () => screen.getByRole<HTMLInputElement>('textbox', { name: /Line volts/ });

describe('on a phone', () => {
  test('a figure is typed on the pad, judged at once, taken by Next, and on its way to the office', async () => {
    const { visitId, here } = await standAt('heating', 'phone', '?at=1');
    press('2', '4', '1');
    expect(volts().value).toBe('241');
    expect(await screen.findByText('Sound')).toBeTruthy();
    // It is kept on the device before the finger is up.
    expect(Object.values(recordHere(visitId).drafts)).toEqual([{ volts: '241' }]);
    press('Next');
    await waitFor(() => expect(here()).toContain('at=2'));
    expect(recordHere(visitId).readings).toMatchObject([{ value: 241 }]);
    await waitFor(() => expect(office.sent('PUT', /^\/api\/readings\//)).toHaveLength(1));
    const [sent] = office.sent('PUT', /^\/api\/readings\//) as NewReading[];
    expect(sent).toMatchObject({ visitId, kind: 'line-volts', inputs: { volts: 241 }, confirmed: false });
  });

  test('a slipped decimal is asked about in its place, and put right by one tap', async () => {
    const { visitId } = await standAt('heating', 'phone', '?at=1');
    press('2', '4', 'Point', '1');
    const asked = await screen.findByRole('alert');
    expect(asked.textContent).toContain('Did you mean 241?');
    press('Next');
    expect(recordHere(visitId).readings).toEqual([]);
    fireEvent.click(within(asked).getByRole('button', { name: 'Make it 241' }));
    expect(volts().value).toBe('241');
    press('Next');
    await waitFor(() => expect(recordHere(visitId).readings).toMatchObject([{ value: 241 }]));
  });

  test('what cannot be judged says why, and one tap says what the machine was doing', async () => {
    const { visitId } = await standAt('heating', 'phone', '?at=2');
    const amps = await screen.findByRole<HTMLInputElement>('textbox', { name: /Compressor amps, common/ });
    fireEvent.focus(amps);
    press('0');
    expect(await screen.findByText(/Can’t judge 0.00\sA by itself/)).toBeTruthy();
    expect(screen.getByText('Unproven')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'It is called, with power on' }));
    await waitFor(() =>
      expect(recordHere(visitId).readings).toMatchObject([
        { value: 0, reading: { kind: 'compressor-amps', conditions: { asMeant: true } } },
      ]),
    );
    expect(screen.queryByRole('button', { name: 'It is called, with power on' })).toBeNull();
  });

  test('a key acts once, whether it is pressed by a finger, a keyboard, or what reads the screen', async () => {
    await standAt('heating', 'phone', '?at=1');
    const two = pad().getByRole('button', { name: '2' });
    fireEvent.pointerDown(two, { button: 0 });
    // The click that a browser sends after the finger is up.
    fireEvent.click(two, { detail: 1 });
    expect(volts().value).toBe('2');
    // What a keyboard sends has no press before it.
    fireEvent.click(two, { detail: 0 });
    expect(volts().value).toBe('22');
    fireEvent.pointerDown(two, { button: 2 });
    expect(volts().value).toBe('22');
    press('Erase', 'Erase');
    expect(volts().value).toBe('');
  });

  test('a reading is put off with a reason, and taken up again', async () => {
    const { visitId } = await standAt('heating', 'phone', '?at=1');
    fireEvent.click(screen.getByRole('button', { name: 'Put off' }));
    fireEvent.click(await screen.findByRole('button', { name: /No time/ }));
    await waitFor(() =>
      expect(recordHere(visitId).followUps).toMatchObject([{ followUp: { reason: 'no-time', withdrawn: false } }]),
    );
    await waitFor(() => expect(office.sent('PUT', /follow-ups/)).toHaveLength(1));
  });

  test('where an entry is usual, one tap takes it and goes on', async () => {
    const { visitId, here } = await standAt('look', 'phone', '?at=1');
    const usual = document.querySelector<HTMLButtonElement>('[data-usual]')!;
    fireEvent.click(usual);
    await waitFor(() => expect(recordHere(visitId).readings).toHaveLength(1));
    await waitFor(() => expect(here()).not.toContain('at=1'));
  });

  test('what the office would not take is told where it was typed', async () => {
    const { visitId } = await standAt('heating', 'phone', '?at=1');
    await act(async () => {
      await change(visitId, (r) => r);
    });
    office.answers.clear();
    press('2', '4', '1', 'Next');
    await waitFor(() => expect(recordHere(visitId).readings).toHaveLength(1));
    await act(async () => {
      await noteRefusal(visitId, recordHere(visitId).readings[0]!.id, 'No such part.');
    });
    expect(recordHere(visitId).readings[0]).toMatchObject({ refused: 'No such part.' });
  });
});

describe('on a wide screen', () => {
  test('Enter takes a reading and goes on to the next field; its row says so', async () => {
    const { visitId } = await standAt('heating', 'wide');
    fireEvent.focus(volts());
    fireEvent.change(volts(), { target: { value: '239' } });
    const row = volts().closest('li')!;
    expect(row.dataset.status).toBe('ready');
    fireEvent.keyDown(volts(), { key: 'Enter' });
    await waitFor(() => expect(row.dataset.status).toBe('taken'));
    expect(recordHere(visitId).readings).toMatchObject([{ value: 239 }]);
    expect(document.activeElement?.getAttribute('aria-label')).toMatch(/Compressor amps/);
  });

  test('leaving a field takes what stands in it; the page losing the focus does not', async () => {
    const { visitId } = await standAt('heating', 'wide');
    act(() => volts().focus());
    fireEvent.change(volts(), { target: { value: '24' } });
    // A call comes in: the page loses the focus, the field keeps it.
    fireEvent.blur(volts());
    expect(recordHere(visitId).readings).toEqual([]);
    fireEvent.change(volts(), { target: { value: '240' } });
    act(() => volts().blur());
    await waitFor(() => expect(recordHere(visitId).readings).toMatchObject([{ value: 240 }]));
  });

  test('words, negatives and figures beyond any meter are refused with a sentence, and what was typed stays', async () => {
    const { visitId } = await standAt('heating', 'wide');
    for (const [text, why] of [
      ['forty', /not a number/],
      ['-3', /below zero/],
      ['1e9', /./],
    ] as const) {
      fireEvent.change(volts(), { target: { value: text } });
      expect((await screen.findByRole('alert')).textContent).toMatch(why);
      fireEvent.keyDown(volts(), { key: 'Enter' });
      expect([volts().value, volts().getAttribute('aria-invalid')]).toEqual([text, 'true']);
    }
    expect(recordHere(visitId).readings).toEqual([]);
  });

  test('a correction supersedes what was taken, and keeps it', async () => {
    const { visitId } = await standAt('heating', 'wide');
    act(() => volts().focus());
    fireEvent.change(volts(), { target: { value: '231' } });
    fireEvent.keyDown(volts(), { key: 'Enter' });
    await waitFor(() => expect(recordHere(visitId).readings).toHaveLength(1));
    act(() => volts().focus());
    fireEvent.change(volts(), { target: { value: '241' } });
    fireEvent.keyDown(volts(), { key: 'Enter' });
    await waitFor(() => expect(recordHere(visitId).readings).toHaveLength(2));
    const [first, second] = recordHere(visitId).readings;
    expect(second?.reading.supersedes).toBe(first?.id);
  });

  test('outdoor air that is none is told, and travels with a reading once it is one', async () => {
    const { visitId } = await standAt('heating', 'wide');
    const outdoor = screen.getByLabelText('Outdoor air');
    fireEvent.change(outdoor, { target: { value: 'cold' } });
    expect(outdoor.getAttribute('aria-invalid')).toBe('true');
    fireEvent.change(outdoor, { target: { value: '41' } });
    act(() => volts().focus());
    fireEvent.change(volts(), { target: { value: '240' } });
    fireEvent.keyDown(volts(), { key: 'Enter' });
    await waitFor(() => expect(recordHere(visitId).readings[0]?.reading.conditions).toMatchObject({ outdoorF: 41 }));
  });

  test('a part replaced asks what its label says, and its readings begin anew', async () => {
    const { visitId } = await standAt('off-outdoor', 'wide');
    const herm = screen.getByRole('textbox', { name: /Capacitance, HERM, bench/ });
    act(() => herm.focus());
    fireEvent.change(herm, { target: { value: '30' } });
    fireEvent.click(await screen.findByRole('button', { name: 'Part replaced' }));
    fireEvent.change(await screen.findByLabelText('What the new label says'), {
      target: { value: '40+5 µF 440 V' },
    });
    fireEvent.change(screen.getByLabelText('Why the old one came out'), { target: { value: 'HERM weak' } });
    fireEvent.click(screen.getByRole('button', { name: 'Fitted' }));
    await waitFor(() => expect(recordHere(visitId).parts).toMatchObject([{ fitted: { reason: 'HERM weak' } }]));
    await waitFor(() => expect(office.sent('PUT', /components/)).toHaveLength(1));
  });
});

test('a round that was begun on another device is taken up with what hangs loose on it', async () => {
  const visitId = v7();
  const startedAt = new Date().toISOString();
  const end = {
    id: v7(),
    visitId,
    code: null,
    text: 'hatch open',
    openedAt: startedAt,
    putBackAt: null,
    leftBecause: null,
  };
  office.answer(`/api/systems/${system.id}`, {
    ...system,
    visits: [
      {
        id: visitId,
        systemId: system.id,
        season: 'fall',
        startedAt,
        closedAt: null,
        note: null,
        personName: 'B',
        call: null,
      },
    ],
    looseEnds: [end],
  });
  open(`/systems/${system.id}/rounds/${visitId}/look`, { [ROUND]: RoundScreen });
  expect(await screen.findByText(/1 loose|hatch open/)).toBeTruthy();
  expect(recordHere(visitId).looseEnds).toMatchObject([{ text: 'hatch open' }]);
});

test('without an answer from the office it says so, and tries again when asked to', async () => {
  office.reachable = false;
  const visitId = v7();
  open(`/systems/${v7()}/rounds/${visitId}/look`, { [ROUND]: RoundScreen });
  expect(await screen.findByText('No answer from the server')).toBeTruthy();
});
