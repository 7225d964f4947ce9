import type { PhotoView, ReadingView } from '@yarnix/core';

/** Photos of a reading and of those it corrects; none of one that was corrected itself. */
export function photosOf(reading: ReadingView, all: readonly ReadingView[], photos: readonly PhotoView[]): PhotoView[] {
  if (reading.superseded) return [];
  const ids = new Set<string>();
  for (let at: ReadingView | undefined = reading; at && !ids.has(at.id);) {
    ids.add(at.id);
    const { supersedes }: ReadingView = at;
    at = all.find(({ id }) => id === supersedes);
  }
  return photos.filter(({ readingId }) => readingId !== null && ids.has(readingId));
}
