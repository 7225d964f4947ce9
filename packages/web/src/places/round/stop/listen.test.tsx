import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { office, openOffice, systemOf } from '../../../testing/office.tsx';
import { openAtStop, recordHere } from '../../../testing/rounds.ts';
import { RoundScreen } from '../round-screen.tsx';

/** A stream of a probe, as the page has it open; the test speaks in the probe's place. */
class Stream {
  static all: Stream[] = [];
  onmessage: ((event: { data: string }) => void) | null = null;
  onerror: (() => void) | null = null;
  isClosed = false;
  constructor(readonly url: string) {
    Stream.all.push(this);
  }
  close(): void {
    this.isClosed = true;
  }
  /** So many seconds of house time of a figure, four samples a second. */
  say(seconds: number, value: number | null, from = 0): void {
    for (let n = 0; n < 4 * seconds; n += 1) this.onmessage?.({ data: JSON.stringify({ at: from + n / 4, value }) });
  }
}
Object.assign(globalThis, { EventSource: Stream });

const system = systemOf();
beforeEach(() => {
  openOffice();
  office.answer(`/api/systems/${system.id}`, system);
  Stream.all = [];
});
const frame = () => act(() => new Promise<void>((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0))));

async function listening(size: 'phone' | 'wide') {
  const { visitId } = await openAtStop(RoundScreen, system.id, 'heating', { size, search: '?at=1' });
  fireEvent.click(await screen.findByRole('button', { name: 'Listen' }));
  const drafts = () => Object.values(recordHere(visitId).drafts);
  return { stream: Stream.all.at(-1)!, drafts };
}

test.each(['phone', 'wide'] as const)(
  'on a %s: what has settled is taken, and what it was taken from is kept',
  async (size) => {
    const { stream, drafts } = await listening(size);
    expect(stream.url).toContain(`systemId=${system.id}`);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Settling' }).disabled).toBe(true);
    stream.say(8, 241.2);
    await frame();
    fireEvent.click(await screen.findByRole('button', { name: 'Take 241.2' }));
    await waitFor(() => expect(drafts()).toEqual([{ volts: '241.2' }]));
    expect(screen.queryByRole('button', { name: 'Stop listening' })).toBeNull();
    expect(stream.isClosed).toBe(true);
  },
);

test('a figure that moves on just before the press is still taken as it had settled', async () => {
  const { stream, drafts } = await listening('phone');
  stream.say(8, 239.5);
  await frame();
  await screen.findByRole('button', { name: 'Take 239.5' });
  for (let n = 0; n < 24; n += 1) stream.say(0.25, 225 + n, 8 + n / 4);
  await frame();
  expect(screen.getByText('moving')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Take 239.5' }));
  await waitFor(() => expect(drafts()).toEqual([{ volts: '239.5' }]));
});

test('a probe kit that cannot be reached says to type the value; listening is left without taking anything', async () => {
  const { stream, drafts } = await listening('phone');
  stream.onerror?.();
  await frame();
  expect(await screen.findByText('The probe kit cannot be reached; type the value.')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Stop listening' }));
  expect(screen.getByRole('button', { name: 'Listen' })).toBeTruthy();
  expect(drafts()).toEqual([]);
});
