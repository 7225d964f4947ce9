import type { QueryClient } from '@tanstack/react-query';
import { isSending, onOutbox } from '../field/outbox.ts';
import { busyNow, onBusy } from './busy.ts';

/** What is asked of the router. */
interface Places {
  readonly state: {
    readonly initialized: boolean;
    readonly navigation: { readonly state: string };
    readonly location: { readonly pathname: string; readonly search: string };
  };
  readonly subscribe: (listener: () => void) => unknown;
}

/** The attribute of the page that names what is under way; it is gone while nothing is. */
export const BUSY = 'data-busy';

/** So many frames in a row must pass with nothing under way. */
const STILL_FRAMES = 2;

/** What people do that the page answers. */
const DONE_BY_HAND = ['pointerdown', 'pointerup', 'click', 'keydown', 'input', 'change', 'submit'] as const;

const isMoving = (): boolean =>
  // Older browsers, and pages without a layout, have nothing that moves.
  (document.getAnimations?.() ?? []).some(
    (a) => a.playState === 'running' && Number.isFinite(a.effect?.getComputedTiming().endTime ?? 0),
  );

/** Whether what is drawn is of the address the page is at. */
const isDrawn = ({ state: { initialized, navigation, location } }: Places): boolean =>
  initialized &&
  navigation.state === 'idle' &&
  document.querySelector<HTMLElement>('main')?.dataset.at === location.pathname + location.search;

/**
 * Says in one attribute of the page what it still has under way: a question to the server, something on its way into the device's
 * store or to the office, a worker, a place that is not drawn yet, something that moves. Whoever drives the page by program waits
 * for that, and for no length of time. Returns what ends it.
 */
export function sayWhenAtRest(client: QueryClient, places: Places): () => void {
  const page = document.documentElement;
  let still = 0;
  let frame = 0;
  const underWay = (): string[] => [
    ...busyNow(),
    ...(client.isFetching() > 0 ? ['questions'] : []),
    ...(client.isMutating() > 0 ? ['changes'] : []),
    ...(isSending() ? ['outbox'] : []),
    ...(isDrawn(places) ? [] : ['place']),
    ...(document.querySelector('[aria-busy="true"]') ? ['work'] : []),
    ...(document.fonts?.status === 'loading' ? ['letters'] : []),
    ...(isMoving() ? ['motion'] : []),
  ];
  const step = () => {
    const names = underWay();
    still = names.length > 0 ? 0 : still + 1;
    frame = still < STILL_FRAMES ? requestAnimationFrame(step) : 0;
    if (frame === 0) page.removeAttribute(BUSY);
    else page.setAttribute(BUSY, names.join(' '));
  };
  const look = () => {
    still = 0;
    if (frame !== 0) return;
    page.setAttribute(BUSY, 'layout');
    frame = requestAnimationFrame(step);
  };
  const stops = [
    client.getQueryCache().subscribe(look),
    client.getMutationCache().subscribe(look),
    places.subscribe(look) as () => void,
    onOutbox(look),
    onBusy(look),
  ];
  for (const name of DONE_BY_HAND) document.addEventListener(name, look, { capture: true, passive: true });
  look();
  return () => {
    stops.forEach((stop) => stop());
    for (const name of DONE_BY_HAND) document.removeEventListener(name, look, { capture: true });
    cancelAnimationFrame(frame);
  };
}
