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

/** Wide enough for the places to stand beside the name of the app; below it they are a bar at the foot. As `md` of the styles. */
export const useRoomForPlaces = (): boolean => useMedia('(min-width: 768px)');

const WIDE = '(min-width: 900px)';

/** Wide enough to show a stop's readings as a list beside the keypad; below it one reading fills the screen. */
export const useWide = (): boolean => useMedia(WIDE);

/** The same, outside of what is drawn. */
export const isWide = (): boolean => window.matchMedia(WIDE).matches;
