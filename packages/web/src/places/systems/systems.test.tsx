import type { NewSystem, SystemSummary } from '@yarnix/core';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { v4 } from 'uuid';
import { office, open, openOffice, Refused } from '../../testing/office.tsx';
import { NewSystemScreen } from './new-system-screen.tsx';
import { SystemsScreen } from './systems-screen.tsx';

const SCREENS = {
  '/systems': SystemsScreen,
  '/systems/new': NewSystemScreen,
  '/systems/:systemId': () => <p>Its page</p>,
};
const summary = (address: string, over: Partial<SystemSummary> = {}): SystemSummary => ({
  ...{ id: v4(), customerName: 'Quorumber', address, area: 'Quayside', kind: 'split-heat-pump', standing: 'sound' },
  lastVisitOn: null,
  ...over,
});
const two = [
  summary('2 Ropewalk Yard', { lastVisitOn: '2026-11-30' }),
  summary('10 Ropewalk Yard', { standing: 'act' }),
];

beforeEach(() => {
  openOffice();
  localStorage.clear();
  office.answer('/api/systems', { total: 2, systems: two });
});

describe('the list', () => {
  test('each system stands with its last round and how it stands', async () => {
    open('/systems', SCREENS);
    expect(await screen.findByRole('heading', { level: 1, name: '2 systems' })).toBeTruthy();
    const rows = screen.getAllByRole('row').slice(1);
    expect(rows.map((row) => row.textContent)).toEqual([
      expect.stringMatching(/2 Ropewalk Yard.*November 30, 2026/),
      expect.stringMatching(/10 Ropewalk Yard.*none yet/),
    ]);
  });

  test('what is searched for and sorted by stands in the address, and is asked of the office', async () => {
    const { here } = open('/systems', SCREENS);
    await screen.findByRole('heading', { name: '2 systems' });
    fireEvent.change(screen.getByRole('searchbox'), { target: { value: 'ropewalk' } });
    await waitFor(() => expect(here()).toBe('/systems?search=ropewalk'));
    fireEvent.click(screen.getByRole('button', { name: 'Customer' }));
    await waitFor(() => expect(here()).toContain('sort=customerName'));
    fireEvent.click(screen.getByRole('button', { name: 'Customer' }));
    await waitFor(() => expect(here()).toContain('sort=customerName%3Adesc'));
    await waitFor(() =>
      expect(office.asked.at(-1)?.path).toMatch(/sort=customerName%3Adesc&search=ropewalk|search=ropewalk/),
    );
    expect(screen.getByRole('columnheader', { name: /Customer/ }).getAttribute('aria-sort')).toBe('descending');
  });

  test('a slash goes to the search, but not while something is typed', async () => {
    open('/systems', SCREENS);
    await screen.findByRole('heading', { name: '2 systems' });
    fireEvent.keyDown(document.body, { key: '/' });
    expect(document.activeElement).toBe(screen.getByRole('searchbox'));
  });

  test('nothing found says what to try, and an empty firm where to begin', async () => {
    office.answer('/api/systems', { total: 0, systems: [] });
    open('/systems?search=nowhere', SCREENS);
    expect(await screen.findByText(/No system matches/)).toBeTruthy();
    open('/systems', SCREENS);
    expect(await screen.findByText(/Enter the first one from its plate/)).toBeTruthy();
  });

  test('many come page by page', async () => {
    office.answer('/api/systems', { total: 230, systems: two });
    const { here } = open('/systems', SCREENS);
    fireEvent.click(await screen.findByRole('button', { name: 'After' }));
    await waitFor(() => expect(here()).toContain('page=1'));
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Before' }).disabled).toBe(false);
  });
});

describe('a new system', () => {
  const fill = (label: string, value: string) =>
    fireEvent.change(screen.getByLabelText(label, { exact: true }), { target: { value } });
  const enter = () => fireEvent.click(screen.getByRole('button', { name: 'Enter the system' }));
  const sent = () => office.sent('PUT', /^\/api\/systems\//) as NewSystem[];

  test('goes to the office with the parts its plate tells of', async () => {
    const { here } = open('/systems/new', SCREENS);
    fill('Customer', 'Dranovan');
    fill('Address', '7 Bobbin Hill');
    fill('Dual, or the compressor’s single', '40+5 µF 440 V');
    fill('Compressor RLA', '17.2');
    enter();
    await waitFor(() => expect(sent()).toHaveLength(1));
    const [system] = sent();
    expect(system).toMatchObject({
      ...{ customerName: 'Dranovan', address: '7 Bobbin Hill', kind: 'split-heat-pump' },
      plate: { capacitorRating: '40+5 µF 440 V', compressorRla: 17.2 },
    });
    expect(system?.components.map(({ slot }) => slot)).toContain('run-capacitor');
    await waitFor(() => expect(here()).toMatch(/^\/systems\/[0-9a-f-]{36}$/));
    expect(localStorage.getItem('yarnix-new-system')).toBeNull();
  });

  test('what is missing or is no number is told at its field; nothing is sent and nothing is lost', async () => {
    open('/systems/new', SCREENS);
    fill('Compressor RLA', 'many');
    enter();
    expect(await screen.findByText('must be a number in A')).toBeTruthy();
    expect(screen.getByText('Who lives there?')).toBeTruthy();
    expect(sent()).toEqual([]);
    expect(screen.getByLabelText<HTMLInputElement>('Compressor RLA').value).toBe('many');
  });

  test('a half-filled form outlives the page', async () => {
    const { unmount } = open('/systems/new', SCREENS);
    fill('Customer', 'Dranovan');
    await waitFor(() => expect(JSON.stringify({ ...localStorage })).toContain('Dranovan'));
    unmount();
    open('/systems/new', SCREENS);
    expect(screen.getByLabelText<HTMLInputElement>('Customer').value).toBe('Dranovan');
  });

  test('what the office will not take is told where it is', async () => {
    office.answer('PUT /api/systems/*', new Refused('Not taken.', [{ path: 'address', detail: 'is there already' }]));
    open('/systems/new', SCREENS);
    fill('Customer', 'Dranovan');
    fill('Address', '7 Bobbin Hill');
    enter();
    expect(await screen.findByText('is there already')).toBeTruthy();
  });
});
