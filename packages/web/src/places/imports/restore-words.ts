import type { RestoreView } from '@yarnix/core';
import { sayReadings, saySystems } from './import-words.ts';

/** Whether a file is being worked on, so that somebody waits. */
export const isUnderWay = ({ state }: Pick<RestoreView, 'state'>): boolean =>
  state === 'waiting' || state === 'checking' || state === 'restoring' || state === 'judging';

const count = (n: number): string => n.toLocaleString('en-US');
const kept = ({ systems, readings }: RestoreView): string => `${saySystems(systems)} and ${sayReadings(readings)}`;

const SAID: Readonly<Record<RestoreView['state'], (view: RestoreView) => string>> = {
  coming: ({ name }) => `Only part of ${name} arrived. Choose the same file again to go on.`,
  waiting: () => 'All of it is here. It is next.',
  checking: ({ done }) =>
    `Looking it through: ${count(done)} ${done === 1 ? 'system' : 'systems'} so far. Nothing is kept yet.`,
  restoring: ({ done, total }) => `Keeping it: ${count(done)} of ${saySystems(total)}.`,
  judging: ({ done, total }) => `Judging its parts: ${count(done)} of ${saySystems(total)}.`,
  done: (view) => `${kept(view)} of ${view.name} are here, and every part is judged.`,
  refused: ({ name, error }) => `${name} was refused. ${error ?? ''}`,
  stopped: (view) => `${view.name} stopped at ${kept(view)}. ${view.error ?? ''}`,
};

/** How far a firm's file is, in words. */
export const sayRestore = (view: RestoreView): string => SAID[view.state](view);
