import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { v7 } from 'uuid';
import { OutboxStatus } from '../../field/outbox-status.tsx';
import { addReading, roundNow, startRound } from '../../field/rounds.ts';
import { office, open, openOffice, Refused, sendFromHere, systemOf } from '../../testing/office.tsx';
import { WaitingScreen } from './waiting-screen.tsx';

const system = systemOf();
const part = system.part('run-capacitor');
const Both = () => (
  <>
    <OutboxStatus />
    <WaitingScreen />
  </>
);

beforeAll(sendFromHere);
beforeEach(() => {
  openOffice();
  office.answer(`/api/systems/${system.id}`, system);
});

/** A round with a reading of the capacitor on it. */
async function begin(microfarads: number) {
  const [visitId, id] = [v7(), v7()];
  const place = { componentId: part.id, kind: 'run-capacitor-capacitance', point: 'herm' as const, method: 'bench' };
  await act(async () => {
    await startRound(visitId, { systemId: system.id, startedAt: new Date().toISOString() });
    await addReading(visitId, `${part.id}/run-capacitor-capacitance/herm/bench`, {
      id,
      reading: {
        ...{ ...place, visitId, inputs: { microfarads }, takenAt: new Date().toISOString() },
        ...{ conditions: {}, confirmed: false },
      },
      ...{ value: microfarads, findings: [] },
    });
  });
  return { visitId, id };
}
const opened = () => open('/waiting', { '/waiting': Both, '/systems/:systemId/rounds/:visitId/:stopId': () => null });
const readings = (visitId: string) => {
  const now = roundNow(visitId);
  return now.status === 'here' ? now.record.readings : [];
};

test('with nothing on the device it says so, in the bar as well', async () => {
  opened();
  expect(await screen.findByRole('heading', { name: 'Everything has reached the office' })).toBeTruthy();
  expect(screen.getByText('All sent')).toBeTruthy();
});

test('without a signal what was taken is named and kept, and goes once there is one', async () => {
  office.reachable = false;
  opened();
  const { id } = await begin(39.2);
  expect(await screen.findByText('2 waiting')).toBeTruthy();
  expect(await screen.findByText(/2 kept here, no signal/)).toBeTruthy();
  expect(screen.getByText(/Capacitance/)).toBeTruthy();
  office.reachable = true;
  fireEvent.click(screen.getByRole('button', { name: 'Try now' }));
  expect(await screen.findByText('All sent')).toBeTruthy();
  expect(office.sent('PUT', new RegExp(id))).toHaveLength(1);
});

test('what the office refused is told with its reason, and sent again as it was', async () => {
  office.answer('PUT /api/readings/*', new Refused('No such part here.'));
  opened();
  const { id } = await begin(38.8);
  expect(await screen.findByText('1 not taken by the office')).toBeTruthy();
  expect(screen.getByText('No such part here.')).toBeTruthy();
  expect(screen.getByText('1 not taken')).toBeTruthy();
  expect(await screen.findByText(system.address)).toBeTruthy();
  office.answers.delete('PUT /api/readings/*');
  fireEvent.click(screen.getByRole('button', { name: /^Try again: / }));
  expect(await screen.findByText('Everything has reached the office')).toBeTruthy();
  expect(office.sent('PUT', new RegExp(id))).toHaveLength(2);
});

test('what was refused is taken back, and that undone', async () => {
  office.answer('PUT /api/readings/*', new Refused('No such part here.'));
  opened();
  const { visitId } = await begin(38.1);
  fireEvent.click(await screen.findByRole('button', { name: /^Take back: / }));
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  expect(await screen.findByText('1 not taken by the office')).toBeTruthy();
  expect(readings(visitId)).toMatchObject([{ value: 38.1, refused: 'No such part here.' }]);
  fireEvent.click(screen.getByRole('button', { name: /^Take back: / }));
  await waitFor(() => expect(readings(visitId)).toEqual([]));
});

test('what was refused goes back into its field to be changed there', async () => {
  office.answer('PUT /api/readings/*', new Refused('No such part here.'));
  const { here } = opened();
  const { visitId } = await begin(37.4);
  fireEvent.click(await screen.findByRole('button', { name: /^Edit: / }));
  await waitFor(() => expect(here()).toContain(`/systems/${system.id}/rounds/${visitId}/off-outdoor`));
  const now = roundNow(visitId);
  expect(now.status === 'here' && Object.values(now.record.drafts)).toEqual([{ microfarads: '37.4' }]);
});
