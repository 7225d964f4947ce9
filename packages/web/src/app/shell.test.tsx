import { jest } from '@jest/globals';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { at, open, openOffice, PERSON } from '../testing/office.tsx';
import { Shell } from './shell.tsx';
import { CrashScreen, NowhereScreen } from './states.tsx';
import { applyTheme, storedTheme } from './theme.ts';

const SCREENS = { '/*': () => <Shell content={<h1>Here</h1>} /> };
beforeEach(() => {
  openOffice();
  localStorage.clear();
  applyTheme('day');
});
const places = () => within(screen.getByRole('navigation', { name: 'Places' })).getAllByRole('link');

test('on a wide screen every place is one press away, and where one is stands marked', async () => {
  open('/systems', SCREENS);
  expect(places().map((link) => link.getAttribute('href'))).toEqual([
    ...['/watch', '/week', '/rounds', '/find', '/systems', '/bench', '/meters'],
  ]);
  expect(places().filter((link) => link.getAttribute('aria-current') === 'page')).toHaveLength(1);
  expect(screen.getByRole('link', { current: 'page' }).textContent).toBe('Systems');
  expect(await screen.findByText(`${PERSON.name} · Test Air`)).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Settings' }).getAttribute('href')).toBe('/settings');
  expect(screen.getByRole('link', { name: 'To the content' }).getAttribute('href')).toBe('#main');
});

test('on a phone the bar at the foot has what is used in the hand', () => {
  at('phone');
  open('/watch', SCREENS);
  expect(places().map(({ textContent }) => textContent?.trim())).toEqual([
    ...['Watch', 'Week', 'Rounds', 'Find', 'Systems', 'Bench'],
  ]);
});

test.each(['/systems/s/rounds/v/heating', '/systems/s/calls/v'])(
  'on a phone the frame steps aside at %s: the reading has the whole screen',
  (path) => {
    at('phone');
    const { unmount } = open(path, SCREENS);
    expect(screen.queryByRole('navigation')).toBeNull();
    expect(screen.queryByRole('banner')).toBeNull();
    expect(screen.getByRole('heading', { name: 'Here' })).toBeTruthy();
    unmount();
    at('wide');
    open(path, SCREENS);
    expect(screen.getByRole('banner')).toBeTruthy();
  },
);

test('whether all is sent is in sight, and leads to what waits', () => {
  open('/watch', SCREENS);
  expect(screen.getByRole('link', { name: 'All sent' }).getAttribute('href')).toBe('/waiting');
});

test('the theme is switched, kept on the device, and switched back', () => {
  const meta = document.head.appendChild(document.createElement('meta'));
  meta.name = 'theme-color';
  open('/watch', SCREENS);
  fireEvent.click(screen.getByRole('button', { name: 'Dark attic theme' }));
  expect(document.documentElement.classList.contains('attic')).toBe(true);
  expect(meta.content).toBe('#101315');
  expect(storedTheme()).toBe('attic');
  fireEvent.click(screen.getByRole('button', { name: 'Day theme' }));
  expect(document.documentElement.classList.contains('attic')).toBe(false);
  expect([meta.content, storedTheme()]).toEqual(['#f4efe5', 'day']);
  meta.remove();
});

test('what is drawn says the address it belongs to', () => {
  open('/systems?search=mill', SCREENS);
  expect(screen.getByRole('main').dataset.at).toBe('/systems?search=mill');
});

test('an address that leads nowhere says so and leads to the Watch', () => {
  open('/nowhere', { '/*': NowhereScreen });
  expect(screen.getByRole('heading', { level: 1, name: 'There is no such page' })).toBeTruthy();
  expect(screen.getByRole('link', { name: 'To the Watch' }).getAttribute('href')).toBe('/watch');
});

describe('a screen that breaks', () => {
  afterEach(() => jest.restoreAllMocks());
  const breaks = (message: string) => {
    // React and the router tell of it on the console as well.
    jest.spyOn(console, 'error').mockImplementation(() => undefined);
    cleanup();
    const Broken = () => {
      throw new Error(message);
    };
    open('/watch', { '/watch': Broken }, CrashScreen);
  };

  test('says what happened, that nothing typed is lost, and how to go on', async () => {
    breaks('no such curve');
    expect(await screen.findByRole('heading', { name: 'This screen broke' })).toBeTruthy();
    expect(screen.getByText('no such curve')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Reload' })).toBeTruthy();
  });

  test('whose part is of an older version says that there is a newer one; without a signal, that it is not here yet', async () => {
    breaks('Failed to fetch dynamically imported module: /assets/week.js');
    expect(await screen.findByRole('heading', { name: 'There is a newer version' })).toBeTruthy();
    Object.defineProperty(navigator, 'onLine', { value: false, configurable: true });
    breaks('Failed to fetch dynamically imported module: /assets/week.js');
    expect(await screen.findByRole('heading', { name: 'This screen is not on the device yet' })).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Go back' })).toBeTruthy();
    Object.defineProperty(navigator, 'onLine', { value: true, configurable: true });
  });
});
