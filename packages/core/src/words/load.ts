import type { LoadLine } from '../planning/load-list.ts';
import { CERTAIN } from './chances.ts';

/** Where a part is asked for, and how surely: "planned at 3 Bobbin Hill; 42 % likely at 98 Old Kiln Track". */
export const wantedWords = ({ wanted }: Pick<LoadLine, 'wanted'>): string =>
  wanted
    .map(({ address, chance, planned }) => {
      if (planned) return `planned at ${address}`;
      return `${chance >= CERTAIN ? 'past its limit' : `${Math.round(100 * chance)} % likely`} at ${address}`;
    })
    .join('; ');

/** What may stand in: "2 × 5 µF 440 V", "40 µF 440 V and 5 µF 440 V". */
export const standsInWords = ({ standsIn }: Pick<LoadLine, 'standsIn'>): string =>
  standsIn.map(({ part, count }) => (count > 1 ? `${count} × ${part}` : part)).join(' and ');

/** What is to load, as a headline. */
export function loadHeadline(load: readonly Pick<LoadLine, 'toLoad'>[]): string {
  if (load.length === 0) return 'Nothing to load';
  const short = load.reduce((sum, { toLoad }) => sum + toLoad, 0);
  if (short === 0) return 'All of it is aboard';
  return short === 1 ? '1 part to load' : `${short} parts to load`;
}
