import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { office, openOffice, sendFromHere, systemOf } from '../../../testing/office.tsx';
import { openAtStop, recordHere } from '../../../testing/rounds.ts';
import { RoundScreen } from '../round-screen.tsx';

const system = systemOf();

beforeAll(sendFromHere);
beforeEach(() => {
  openOffice();
  office.answer(`/api/systems/${system.id}`, system);
});

const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

describe('a part replaced', () => {
  async function replacing() {
    const { visitId } = await openAtStop(RoundScreen, system.id, 'off-outdoor');
    const herm = screen.getByRole('textbox', { name: /Capacitance, HERM, bench/ });
    act(() => herm.focus());
    fireEvent.change(herm, { target: { value: '30' } });
    fireEvent.click(await screen.findByRole('button', { name: 'Part replaced' }));
    await screen.findByLabelText('What the new label says');
    return visitId;
  }
  const fitted = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Fitted' });

  test('with fewer volts is fitted only when somebody says why, and both are told', async () => {
    const visitId = await replacing();
    type('What the new label says', '40+7.5 µF 370 V');
    expect(screen.getByText(/370 V is lower than 440 V: never fit a lower volt rating/)).toBeTruthy();
    expect(fitted().disabled).toBe(true);
    type('Fitted all the same, because', 'the only one at hand');
    type('Why the old one came out', 'HERM weak');
    expect(fitted().disabled).toBe(false);
    fireEvent.click(fitted());
    await waitFor(() =>
      expect(office.sent('PUT', /components/)).toMatchObject([
        { plate: { rating: '40+7.5 µF 370 V' }, overruledBecause: 'the only one at hand', reason: 'HERM weak' },
      ]),
    );
    expect(recordHere(visitId).parts).toHaveLength(1);
  });

  test('with a label nobody can read is not fitted, and left so nothing has happened', async () => {
    const visitId = await replacing();
    type('What the new label says', 'some can');
    expect(fitted().disabled).toBe(true);
    press('Not replaced');
    expect(screen.queryByRole('form', { name: 'Part replaced' })).toBeNull();
    expect(recordHere(visitId).parts).toEqual([]);
    // What was typed before it stands.
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: /Capacitance, HERM, bench/ }).value).toBe('30');
  });
});

describe('what hangs loose', () => {
  const bar = () => screen.getByRole('button', { name: /loose/i, expanded: undefined });

  test('is noted in words of one’s own, stays in sight, and is put back by one tap', async () => {
    const { visitId } = await openAtStop(RoundScreen, system.id, 'off-outdoor');
    fireEvent.click(bar());
    type('Something else', '  ');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Note it' }).disabled).toBe(true);
    type('Something else', ' attic ladder down ');
    press('Note it');
    await waitFor(() => expect(office.sent('PUT', /loose-ends/).at(-1)).toMatchObject({ text: 'attic ladder down' }));
    const before = recordHere(visitId).looseEnds.filter((e) => e.putBackAt === null).length;
    fireEvent.click(screen.getByRole('button', { name: /^attic ladder down/ }));
    await waitFor(() =>
      expect(recordHere(visitId).looseEnds.filter((e) => e.putBackAt === null)).toHaveLength(before - 1),
    );
    const put = recordHere(visitId).looseEnds.find(({ text }) => text === 'attic ladder down')!;
    expect(put.putBackAt! >= put.openedAt).toBe(true);
  });
});

describe('put off', () => {
  test('for a reason of one’s own: not without one, and it is told beside the reading', async () => {
    const { visitId } = await openAtStop(RoundScreen, system.id, 'heating');
    const row = screen.getByRole('textbox', { name: /Line volts/ }).closest('li')!;
    fireEvent.focus(screen.getByRole('textbox', { name: /Line volts/ }));
    fireEvent.click(within(row).getByRole('button', { name: /[Pp]ut off/ }));
    fireEvent.click(await screen.findByRole('button', { name: /[Oo]ther/ }));
    const reasons = within(screen.getByRole('group', { name: 'Put off, because' }));
    const submit = reasons.getByRole<HTMLButtonElement>('button', { name: 'Put off' });
    expect(submit.disabled).toBe(true);
    fireEvent.change(reasons.getByLabelText('The reason'), { target: { value: 'dog in the yard' } });
    fireEvent.click(submit);
    await waitFor(() =>
      expect(recordHere(visitId).followUps).toMatchObject([{ followUp: { reason: 'other', note: 'dog in the yard' } }]),
    );
    expect(await screen.findByText(/Put off: dog in the yard; due/)).toBeTruthy();
    press('Take it after all');
    await waitFor(() => expect(recordHere(visitId).followUps).toMatchObject([{ followUp: { withdrawn: true } }]));
  });
});
