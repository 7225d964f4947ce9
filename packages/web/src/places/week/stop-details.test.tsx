import { jest } from '@jest/globals';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { jobView, weekView } from '../../testing/jobs.ts';
import { open, openOffice, PERSON } from '../../testing/office.tsx';
import type { Card } from './board.ts';
import { StopDetails } from './stop-details.tsx';
import type { Moves } from './use-moves.ts';

const job = jobView();
const card: Card = {
  ...{ key: `proposed/${job.systemId}`, systemId: job.systemId, address: job.address, customerName: job.customerName },
  ...{
    area: job.area,
    place: null,
    day: null,
    personId: null,
    minutes: 40,
    window: null,
    jobs: [job],
    isProposed: true,
  },
} as never;
const week = weekView(['2026-12-01', '2026-12-02']);
const move = jest.fn();
const onClose = jest.fn();

beforeEach(() => {
  openOffice();
  move.mockClear();
  onClose.mockClear();
  const moves = { move, busy: false } as unknown as Moves;
  open('/week', { '/week': () => <StopDetails card={card} week={week} moves={moves} onClose={onClose} /> });
});
const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
const keep = () => fireEvent.click(screen.getByRole('button', { name: 'Keep the plan' }));

test.each([
  ['a promise with one end', { 'Promised from': '09:00' }, 'Say from when and to when.'],
  ['a promise that ends before it begins', { 'Promised from': '11:00', 'Promised to': '09:00' }, /ends before/],
  ['a promise without a day', { 'Promised from': '09:00', 'Promised to': '11:00' }, 'A promise needs a day.'],
])('%s is not kept, and says why', async (_, typed, says) => {
  for (const [label, value] of Object.entries(typed)) type(label, value);
  keep();
  expect((await screen.findByRole('alert')).textContent).toMatch(says);
  expect(move).not.toHaveBeenCalled();
  expect(onClose).not.toHaveBeenCalled();
});

test('a day, a person and a promise are kept together', async () => {
  type('On', '2026-12-02');
  type('By', PERSON.id);
  type('Promised from', '09:00');
  type('Promised to', '11:30');
  keep();
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(move.mock.calls[0]).toEqual([
    card,
    { day: '2026-12-02', personId: PERSON.id, before: null, window: { from: 540, to: 690 } },
    null,
  ]);
});
