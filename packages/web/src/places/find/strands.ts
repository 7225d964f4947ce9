import type { Suspect } from '@yarnix/core';

/** How thick a strand is drawn for a chance, px: never nothing, and half of all is half of the rope. */
export const thickness = (chance: number, rope = 30): number => 1.5 + (rope - 1.5) * Math.max(0, Math.min(1, chance));

export interface Strand {
  readonly suspect: Suspect;
  /** Its middle, px from the top. */
  readonly y: number;
  /** Chance at each knot: as it began, then after each answer; to its cut. */
  readonly course: readonly number[];
  readonly cut: boolean;
}

/** Room a strand's words need, px. */
const ALIVE_ROOM = 54;
const CUT_ROOM = 40;

/** The strands of a rope from the top: those alive by their chance, then those cut, the last cut first. */
export function strandsOf(
  suspects: readonly Suspect[],
  most = 14,
): { strands: Strand[]; height: number; left: number } {
  const alive = suspects.filter(({ cutBy }) => cutBy === null);
  const cut = suspects
    .filter(({ cutBy }) => cutBy !== null)
    .sort((a, b) => (b.cutBy ?? 0) - (a.cutBy ?? 0) || b.course[0]! - a.course[0]!);
  const shown = [...alive, ...cut].slice(0, most);
  let y = 0;
  const strands = shown.map((suspect): Strand => {
    const room = suspect.cutBy === null ? ALIVE_ROOM : CUT_ROOM;
    const at = y + room / 2;
    y += room;
    const course = suspect.cutBy === null ? suspect.course : suspect.course.slice(0, suspect.cutBy + 1);
    return { suspect, y: at, course, cut: suspect.cutBy !== null };
  });
  return { strands, height: y, left: suspects.length - shown.length };
}

/** The outline of a strand between knots: its thickness follows its chance. Points from left to right above, and back below. */
export function outline(
  { y, course }: Pick<Strand, 'y' | 'course'>,
  xs: readonly number[],
  end: number,
  rope = 30,
): string {
  const at = [...course.map((chance, i) => ({ x: xs[i] ?? end, half: thickness(chance, rope) / 2 }))];
  const last = at.at(-1);
  if (last) at.push({ x: end, half: last.half });
  const above = at.map(({ x, half }) => `${x.toFixed(1)},${(y - half).toFixed(1)}`);
  const below = at.map(({ x, half }) => `${x.toFixed(1)},${(y + half).toFixed(1)}`).reverse();
  return [...above, ...below].join(' ');
}
