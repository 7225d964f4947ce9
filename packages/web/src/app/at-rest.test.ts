import { QueryClient } from '@tanstack/react-query';
import { BUSY, sayWhenAtRest } from './at-rest.ts';
import { busyNow, busyUntil, busyWith } from './busy.ts';

document.body.innerHTML = '<main data-at="/watch"></main>';
const places = {
  state: { initialized: true, navigation: { state: 'idle' }, location: { pathname: '/watch', search: '' } },
  heard: [] as (() => void)[],
  subscribe(listener: () => void) {
    places.heard.push(listener);
    return () => undefined;
  },
};
const page = document.documentElement;
const frames = (count: number) =>
  Array.from({ length: count }).reduce<Promise<unknown>>(
    (before) => before.then(() => new Promise((resolve) => requestAnimationFrame(resolve))),
    Promise.resolve(),
  );
const atRest = async () => {
  for (let n = 0; n < 50 && page.hasAttribute(BUSY); n += 1) await frames(1);
  expect(page.getAttribute(BUSY)).toBeNull();
};

let client: QueryClient;
let end: () => void;
beforeEach(() => {
  client = new QueryClient();
  places.heard.length = 0;
  end = sayWhenAtRest(client, places);
});
afterEach(() => end());

test('a page that has nothing under way says nothing, after it has stood still for two frames', async () => {
  expect(page.getAttribute(BUSY)).toBe('layout');
  await atRest();
});

test('a question, a change and whatever was told of are named for as long as they last', async () => {
  await atRest();
  let answer: (value: string) => void = () => undefined;
  void client.fetchQuery({ queryKey: ['q'], queryFn: () => new Promise<string>((resolve) => (answer = resolve)) });
  await frames(2);
  expect(page.getAttribute(BUSY)).toBe('questions');
  const over = busyWith('journal');
  await frames(2);
  expect(page.getAttribute(BUSY)).toBe('journal questions');
  answer('here');
  over();
  await atRest();
});

test('a tap makes it busy before anything has come of it', async () => {
  await atRest();
  document.body.dispatchEvent(new Event('pointerdown', { bubbles: true }));
  expect(page.getAttribute(BUSY)).toBe('layout');
  await atRest();
});

test('a place that is not drawn yet, and work that a screen shows, keep it busy', async () => {
  await atRest();
  places.state.location.search = '?at=2';
  places.heard.forEach((listener) => listener());
  await frames(2);
  expect(page.getAttribute(BUSY)).toBe('place');
  document.querySelector('main')!.dataset.at = '/watch?at=2';
  document.body.insertAdjacentHTML('beforeend', '<div aria-busy="true"></div>');
  await frames(2);
  expect(page.getAttribute(BUSY)).toBe('work');
  document.querySelector('[aria-busy]')!.remove();
  await atRest();
});

test('what is told of twice ends twice, and an end that is told again changes nothing', async () => {
  const [one, other] = [busyWith('copy'), busyWith('copy')];
  one();
  one();
  expect(busyNow()).toEqual(['copy']);
  other();
  expect(busyNow()).toEqual([]);
  await expect(busyUntil('work', Promise.reject(new Error('no')))).rejects.toThrow('no');
  expect(busyNow()).toEqual([]);
});
