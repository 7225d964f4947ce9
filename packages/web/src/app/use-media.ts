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

/** Wide enough to show a stop's readings as a list beside the keypad; below it one reading fills the screen. */
export const useWide = (): boolean => useMedia('(min-width: 900px)');
