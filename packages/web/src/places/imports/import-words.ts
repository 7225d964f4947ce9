import type { ImportState, ImportView } from '@yarnix/core';

/** What is being done with an import, so that somebody waits; the rest waits for somebody. */
export const isWorking = ({ state }: Pick<ImportView, 'state'>): boolean =>
  state === 'checking' || state === 'importing' || state === 'undoing';

const counted = (count: number, one: string, more = `${one}s`): string =>
  `${count.toLocaleString('en-US')} ${count === 1 ? one : more}`;

export const sayReadings = (count: number): string => counted(count, 'reading');
export const sayRows = (count: number): string => counted(count, 'row');
export const saySystems = (count: number): string => counted(count, 'system');

const SAID: Readonly<Record<ImportState, (view: ImportView) => string>> = {
  'to-map': () => 'brought; its columns are still to be named',
  checking: ({ done, total }) => `checking ${done.toLocaleString('en-US')} of ${sayRows(total)}`,
  checked: ({ outcomes, systems }) =>
    `checked: ${sayRows(outcomes?.comes ?? 0)} would come in, ${(outcomes?.questioned ?? 0).toLocaleString('en-US')} asked about, ${(outcomes?.refused ?? 0).toLocaleString('en-US')} cannot${systems > 0 ? `; ${saySystems(systems)} would be made` : ''}`,
  importing: () => 'coming in',
  imported: ({ readings, systems }) =>
    `${sayReadings(readings)} came in${systems > 0 ? `, and ${saySystems(systems)} with them` : ''}`,
  undoing: () => 'being taken back',
  undone: ({ readings, systems }) =>
    readings + systems === 0
      ? 'taken back; nothing of it is left'
      : `taken back, but for ${sayReadings(readings)} and ${saySystems(systems)} that something else rests on by now`,
  failed: ({ error }) => error ?? 'it could not be read',
};

/** How far an import is, in words. */
export const sayImport = (view: ImportView): string => SAID[view.state](view);
