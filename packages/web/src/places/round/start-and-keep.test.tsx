import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { jest } from '@jest/globals';
import { v7 } from 'uuid';
import { office, open, openOffice, systemOf } from '../../testing/office.tsx';
import { RoundScreen } from './round-screen.tsx';
import { useKeptDraft } from '../../kit/kept-draft.ts';
import { device } from '../../app/device.ts';
import { askAgain, roundNow } from '../../field/rounds.ts';

const system = systemOf();
const ROUND = '/systems/:systemId/rounds/:visitId/:stopId';

beforeEach(() => {
  openOffice();
  localStorage.clear();
  office.answer(`/api/systems/${system.id}`, system);
});
test('a store that will not open is told of, and asked again when asked to', async () => {
  const visitId = v7();
  await device();
  const transaction = jest.spyOn(IDBDatabase.prototype, 'transaction').mockImplementation(() => {
    throw new DOMException('the store is gone', 'InvalidStateError');
  });
  open(`/systems/${system.id}/rounds/${visitId}/look`, { [ROUND]: RoundScreen });
  const again = await screen.findByRole('button', { name: 'Try again' });
  expect(roundNow(visitId).status).toBe('failed');
  transaction.mockRestore();
  fireEvent.click(again);
  // Nothing of that round is here or at the office: that is said, in place of waiting for ever.
  await waitFor(() => expect(roundNow(visitId).status).toBe('absent'));
  act(() => askAgain(visitId));
  await waitFor(() => expect(roundNow(visitId).status).toBe('absent'));
});

function Draft({ name }: { name: string | null }) {
  const [draft, change, forget] = useKeptDraft(name, () => ({ text: '', more: 'usual' }));
  return (
    <>
      <input aria-label="Text" value={draft.text} onChange={(e) => change({ ...draft, text: e.target.value })} />
      <span>{draft.more}</span>
      <button type="button" onClick={forget}>
        Forget
      </button>
    </>
  );
}

describe('a draft', () => {
  const kept = () => open('/d', { '/d': () => <Draft name="yarnix-draft" /> });
  const text = () => screen.getByLabelText<HTMLInputElement>('Text');

  test('is on the device with the key that typed it, and there again', () => {
    const { unmount } = kept();
    fireEvent.change(text(), { target: { value: 'hums' } });
    expect(JSON.parse(localStorage.getItem('yarnix-draft') ?? '{}')).toEqual({ text: 'hums', more: 'usual' });
    unmount();
    kept();
    expect(text().value).toBe('hums');
    fireEvent.click(screen.getByRole('button', { name: 'Forget' }));
    expect(localStorage.getItem('yarnix-draft')).toBeNull();
  });

  test.each(['{"text":', '7', 'null'])('that cannot be read (%s) is as good as none', (spoiled) => {
    localStorage.setItem('yarnix-draft', spoiled);
    kept();
    expect([text().value, screen.getByText('usual').textContent]).toEqual(['', 'usual']);
  });

  test('without room for it the page alone has it', () => {
    const set = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    kept();
    fireEvent.change(text(), { target: { value: 'hums' } });
    set.mockRestore();
    expect(text().value).toBe('hums');
  });

  test('without a name is kept nowhere', () => {
    open('/d', { '/d': () => <Draft name={null} /> });
    fireEvent.change(text(), { target: { value: 'hums' } });
    expect(localStorage.length).toBe(0);
  });
});
