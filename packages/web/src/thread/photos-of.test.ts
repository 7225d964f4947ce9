import type { PhotoView, ReadingView } from '@yarnix/core';
import { photosOf } from './photos-of.ts';

const reading = (id: string, supersedes: string | null, superseded = false) =>
  ({ id, supersedes, superseded }) as ReadingView;
const photo = (id: string, readingId: string | null) => ({ id, readingId }) as PhotoView;

test('a reading brings along the photos of those it corrects, which show none themselves', () => {
  const all = [reading('a', null, true), reading('b', 'a', true), reading('c', 'b'), reading('d', null)];
  const photos = [photo('1', 'a'), photo('2', 'c'), photo('3', 'd'), photo('4', null)];
  const of = (at: number) => photosOf(all[at]!, all, photos).map(({ id }) => id);
  expect([of(0), of(1), of(2), of(3)]).toEqual([[], [], ['1', '2'], ['3']]);
});
