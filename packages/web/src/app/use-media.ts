import { useSyncExternalStore } from 'react';

/** Whether a media query matches now. */
export function useMedia(query: string): boolean {
  return useSyncExternalStore(
    (listener) => {
      const media = window.matchMedia(query);
      media.addEventListener('change', listener);
      return () => media.removeEventListener('change', listener);
    },
    () => window.matchMedia(query).matches,
  );
}

const WIDE = '(min-width: 900px)';

/** Wide enough to show a stop's readings as a list beside the keypad; below it one reading fills the screen. */
export const useWide = (): boolean => useMedia(WIDE);

/** The same, outside of what is drawn. */
export const isWide = (): boolean => window.matchMedia(WIDE).matches;
