import type { MeterInUse } from '@yarnix/core';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { v4 } from 'uuid';
import { office, openOffice, PERSON, sendFromHere, sessionView, systemOf } from '../../../testing/office.tsx';
import { openAtStop, recordHere } from '../../../testing/rounds.ts';
import { RoundScreen } from '../round-screen.tsx';

const system = systemOf();
beforeAll(sendFromHere);
beforeEach(() => {
  openOffice();
  office.answer(`/api/systems/${system.id}`, system);
});
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const type = (label: string | RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
const HERM = /Capacitance, HERM, bench/;

/** At the can with the power off; its HERM section reads so many µF, and that is taken. */
async function atTheCan(reads?: string) {
  const drawn = await openAtStop(RoundScreen, system.id, 'off-outdoor');
  const herm = screen.getByRole('textbox', { name: HERM });
  act(() => herm.focus());
  if (reads !== undefined) {
    fireEvent.change(herm, { target: { value: reads } });
    fireEvent.keyDown(herm, { key: 'Enter' });
    await waitFor(() => expect(recordHere(drawn.visitId).readings).toHaveLength(1));
    act(() => herm.focus());
  }
  return drawn;
}

describe('wires, before they come off', () => {
  const open = async () => {
    const drawn = await atTheCan();
    fireEvent.click((await screen.findAllByRole('button', { name: 'Wires' }))[0]!);
    return { ...drawn, form: within(await screen.findByRole('form', { name: 'Wires of the run capacitor' })) };
  };

  test('each lug has a line; what has a color is noted, and on its way to the office', async () => {
    const { visitId, form } = await open();
    const lugs = form.getAllByRole<HTMLSelectElement>('combobox', { name: /^Wire \d, lug$/ }).map(({ value }) => value);
    expect(lugs).toEqual(['C', 'HERM', 'FAN']);
    fireEvent.change(form.getByLabelText('Wire 2, color'), { target: { value: 'yellow' } });
    fireEvent.click(form.getByRole('button', { name: 'Note them' }));
    await waitFor(() =>
      expect(recordHere(visitId).wires).toEqual({ 'Run capacitor': [{ lug: 'HERM', color: 'yellow' }] }),
    );
    await waitFor(() => expect(office.sent('PUT', /wires/)).toHaveLength(1));
    expect(screen.queryByRole('form', { name: 'Wires of the run capacitor' })).toBeNull();
  });

  test('two on one lug are two lines; left, nothing is noted', async () => {
    const { visitId, form } = await open();
    fireEvent.click(form.getByRole('button', { name: 'Another wire' }));
    fireEvent.change(form.getByLabelText('Wire 4, lug'), { target: { value: 'C' } });
    fireEvent.change(form.getByLabelText('Wire 4, color'), { target: { value: 'brown' } });
    fireEvent.click(form.getByRole('button', { name: 'Leave it' }));
    expect(screen.queryByRole('form', { name: 'Wires of the run capacitor' })).toBeNull();
    expect(recordHere(visitId).wires).toEqual({});
  });
});

describe('a verdict that somebody disagrees with', () => {
  const overrule = async () => {
    const drawn = await atTheCan('30');
    fireEvent.click((await screen.findAllByRole('button', { name: 'Overrule' }))[0]!);
    return { ...drawn, form: within(screen.getByRole('form', { name: 'Overrule the verdict' })) };
  };

  test('is overruled with a standing and a reason, both kept; and that is taken back', async () => {
    const { visitId, form } = await overrule();
    expect(form.getByText('It says act. You say')).toBeTruthy();
    const put = form.getByRole<HTMLButtonElement>('button', { name: 'Overrule' });
    fireEvent.click(form.getByRole('button', { name: 'Watch' }));
    expect(put.disabled).toBe(true);
    fireEvent.change(form.getByLabelText('Because'), { target: { value: ' read with the leads cold ' } });
    expect(put.disabled).toBe(false);
    fireEvent.click(put);
    await waitFor(() =>
      expect(recordHere(visitId).rulings).toMatchObject([
        { ruling: { standing: 'watch', why: 'read with the leads cold', withdrawn: false }, by: 'OM' },
      ]),
    );
    fireEvent.click(await screen.findByRole('button', { name: 'No longer overruled' }));
    await waitFor(() => expect(recordHere(visitId).rulings.at(-1)).toMatchObject({ ruling: { withdrawn: true } }));
  });

  test('looked for and not found is one tap', async () => {
    const { visitId, form } = await overrule();
    fireEvent.click(form.getByRole('button', { name: 'Nothing found, part left in' }));
    fireEvent.click(form.getByRole('button', { name: 'Overrule' }));
    await waitFor(() =>
      expect(recordHere(visitId).rulings).toMatchObject([
        { ruling: { standing: 'sound', why: 'nothing found, part left in' } },
      ]),
    );
  });
});

test('a note is written beside a reading that was taken: its figure and its moment stay', async () => {
  const { visitId } = await atTheCan('40.1');
  const [before] = recordHere(visitId).readings;
  fireEvent.click(await screen.findByRole('button', { name: 'Note' }));
  const note = screen.getByRole('textbox', { name: 'Note on this reading' });
  fireEvent.change(note, { target: { value: ' hums when warm ' } });
  press('Note it');
  expect(await screen.findByText('“hums when warm”')).toBeTruthy();
  const after = recordHere(visitId).readings.at(-1)!;
  expect(after).toMatchObject({ value: 40.1, reading: { note: 'hums when warm', takenAt: before!.reading.takenAt } });
});

describe('how long it has run', () => {
  const clock = () => screen.getByLabelText<HTMLInputElement>('Running for');
  const since = (visitId: string) => recordHere(visitId).runningSince.heating;

  test('what is no figure is said at the field, and changes nothing', async () => {
    const { visitId } = await openAtStop(RoundScreen, system.id, 'heating');
    const before = since(visitId);
    type('Running for', 'a while');
    expect(screen.getByText('Type minutes, such as 12.')).toBeTruthy();
    fireEvent.blur(clock());
    expect(screen.queryByText('Type minutes, such as 12.')).toBeNull();
    expect(since(visitId)).toBe(before);
  });

  test('longer than the visit is asked about, and counts once somebody says so', async () => {
    const { visitId } = await openAtStop(RoundScreen, system.id, 'heating');
    const before = since(visitId);
    type('Running for', '25');
    expect(since(visitId)).toBe(before);
    press('It ran before I came');
    await waitFor(() => expect(Date.now() - Date.parse(since(visitId)!)).toBeGreaterThan(24 * 60_000));
    expect(clock().value).toBe('25');
  });
});

describe('meters, at the door', () => {
  const meter = (name: string, over: Partial<MeterInUse> = {}): MeterInUse => ({
    ...{ id: v4(), kind: 'capacitance-meter', name, personId: PERSON.id, checkedAt: null, last: null },
    ...over,
  });
  const own = meter('the yellow one');
  const spare = meter('the spare', { personId: null, checkedAt: new Date().toISOString() });
  const meters = () => within(screen.getByRole('region', { name: 'Meters' }));
  const arrive = async (...all: MeterInUse[]) => {
    office.answer('/api/session', () => sessionView({ meters: all }));
    return openAtStop(RoundScreen, system.id, 'arrive');
  };

  test('with none kept, or one that was checked, nothing is asked', async () => {
    await arrive(meter('the yellow one', { checkedAt: new Date().toISOString() }));
    expect(screen.queryByRole('region', { name: 'Meters' })).toBeNull();
  });

  test('one that was never checked can be held against something known, there and then', async () => {
    const { visitId } = await arrive(own);
    expect(meters().getByText(/^The capacitance meter was never checked\./)).toBeTruthy();
    press('Check it now');
    type('There is', '40');
    type('It shows', '39.4');
    press('Keep the check');
    expect(await meters().findByText('One meter checked.')).toBeTruthy();
    await waitFor(() =>
      expect(office.sent('PUT', new RegExp(`meters/${own.id}/checks/`))).toMatchObject([{ known: 40, shown: 39.4 }]),
    );
    expect(recordHere(visitId).checked).toEqual([own.id]);
  });

  test('another one in hand is picked, and goes with the readings from then on', async () => {
    const { visitId } = await arrive(own, spare);
    press('Another instrument in hand?');
    const pick = meters().getByRole<HTMLSelectElement>('combobox');
    expect(pick.value).toBe(own.id);
    expect([...pick.options].map(({ textContent }) => textContent)).toEqual([
      'the yellow one, own',
      'the spare, the firm’s',
    ]);
    fireEvent.change(pick, { target: { value: spare.id } });
    await waitFor(() => expect(recordHere(visitId).instruments).toEqual({ 'capacitance-meter': spare.id }));
  });
});
