import { queryClient, restoreAnswers } from './query-client.ts';
import { router } from './router.tsx';

/** However long the first place takes, the frame is drawn by then, ms. */
const LONGEST_WITHOUT_FRAME_MS = 1500;

/** Whether the app has been kept on this device: all of it is here then. */
const isKeptHere = (): boolean => 'serviceWorker' in navigator && navigator.serviceWorker.controller !== null;

/** The code of the first place is there. */
function firstPlace(): Promise<void> {
  if (router.state.initialized) return Promise.resolve();
  return new Promise((resolve) => {
    const stop = router.subscribe((state) => {
      if (!state.initialized) return;
      stop();
      resolve();
    });
  });
}

/** The letters of the app take a poor line as long as a place: they come after the first, unless they are here. */
export function fetchLetters(): void {
  const ask = () => document.documentElement.classList.add('lettered');
  if (isKeptHere()) ask();
  else void firstPlace().then(ask);
}

/**
 * Waits for what the device itself has: its answers, and the code of the first place. The page shows its own frame meanwhile,
 * and drawing that once more, then the place without answers, then with them, would only delay what is wanted. Where the code
 * has to come over the line, nobody waits for it without a frame.
 */
export const deviceIsReady = (): Promise<unknown> =>
  Promise.race([
    Promise.all([restoreAnswers(), isKeptHere() ? firstPlace() : null]),
    new Promise((resolve) => setTimeout(resolve, LONGEST_WITHOUT_FRAME_MS)),
  ]);

const LOOK_AGAIN_MS = 500;
const LONGEST_ASKING_MS = 10_000;

/**
 * Keeps the whole app on the device, so that it opens without a signal: only once the first screen has what it asked for,
 * since on a poor line the two would wait for one another.
 */
export function keepAppForLater(): void {
  if (!('serviceWorker' in navigator)) return;
  const since = Date.now();
  const look = setInterval(() => {
    const isAsking = document.readyState !== 'complete' || queryClient.isFetching() > 0;
    if (isAsking && Date.now() - since < LONGEST_ASKING_MS) return;
    clearInterval(look);
    // Where that fails, as without a signal, the app is as it was, and the next visit tries again.
    navigator.serviceWorker.register('/sw.js', { scope: '/' }).catch(() => undefined);
  }, LOOK_AGAIN_MS);
}
