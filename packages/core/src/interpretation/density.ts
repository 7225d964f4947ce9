import { RUNNERS } from '../trade/controls/call-table.ts';
import type { Probe, Shown } from '../circuit/probe.ts';

/** How a meter of a quantity errs, and what it can show at all: a floor and the most, in its unit; common practice, no source. */
const METERS: Readonly<Record<Exclude<Probe['what'], 'runs'>, { readonly floor: number; readonly most: number }>> = {
  volts: { floor: 0.4, most: 600 },
  // A clamp that was not zeroed shows a little more.
  amps: { floor: 0.1, most: 400 },
  // Leads have their own.
  ohms: { floor: 0.3, most: 2e7 },
  microfarads: { floor: 0.2, most: 500 },
};
/** Line volts wander by more than a share of nothing says, V. */
const LINE = { from: 60, floor: 4 };
/** Ghost volts go up to this, V. */
const GHOSTS = { control: 29, line: 90 };
/** What a meter shows that hangs on nothing is zero this often. */
const QUIET = 0.4;

/** Density of a figure of which nothing is known but its kind: alike in every decade above the floor. */
const anywhere = (value: number, floor: number, most: number): number =>
  value < 0 || value > most ? 0 : 1 / ((value + floor) * Math.log((most + floor) / floor));

/** How often one of what runs is not seen, or is held to run that stands still: a blower next room, a fan turned by the wind. */
const MISSEEN = 0.004;

/** Chance that one figure of what runs is noted where another does. */
function seenAs(value: number, shown: number): number {
  let chance = 1;
  for (let bit = 0; bit < RUNNERS.length; bit++)
    chance *= ((value >> bit) & 1) === ((shown >> bit) & 1) ? 1 - MISSEEN : MISSEEN;
  return chance;
}

/** How often a figure is not what the meter should have shown: leads on another lug, another function, misread, mistyped. */
export const BLUNDERS = 0.025;
/** Share of blunders that show OL: leads that do not touch. */
const BLUNDERS_OPEN = 0.15;
const BLUNDERS_JUMP = 0.01;

/** Density of a blunder; a chance where it is OL or does not stand still. */
export function blunder(value: Shown, { what }: Probe): number {
  if (typeof value !== 'number') return BLUNDERS_JUMP;
  if (value === Infinity) return BLUNDERS_OPEN;
  if (what === 'runs') return 2 ** -RUNNERS.length;
  const { floor, most } = METERS[what];
  return (1 - BLUNDERS_OPEN) * anywhere(value, floor, most);
}

const bell = (z: number): number => Math.exp(-0.5 * z * z) / 2.5066;

/** How sound machines differ at a probe: by a share of the figure, and by what wears, in its unit. */
export interface Differs {
  readonly share: number;
  readonly wears?: number;
}

/** How far apart in spreads a figure is from what a perfect meter shows, and the spread in the figure's unit. */
interface Away {
  readonly z: number;
  readonly spread: number;
}

/** Near nothing a meter's floor is most of what it shows. */
const FLOOR_SHARE = 0.7;

/** Volts err by a share and a floor. Amps and ohms differ by a factor, as parts do: half as much is as far as twice as much. */
function awayFrom(value: number, shown: number, what: keyof typeof METERS, { share, wears = 0 }: Differs): Away {
  const floor = Math.max(METERS[what].floor, wears);
  if (what === 'volts') {
    const spread = Math.hypot(share * shown, shown > LINE.from ? LINE.floor : floor);
    return { z: (value - shown) / spread, spread };
  }
  const inLog = Math.hypot(share, (FLOOR_SHARE * floor) / (shown + floor));
  return {
    z: Math.log((Math.max(0, value) + floor) / (shown + floor)) / inLog,
    spread: inLog * (Math.max(0, value) + floor),
  };
}

const CONTROL_NODE = /^(R|C|Y|G|O|W|d|s|y|b|p|t|a|MV|FR)/;

const ghostsAt = (probe: Probe): number =>
  probe.what === 'volts' && CONTROL_NODE.test(probe.from) ? GHOSTS.control : GHOSTS.line;

/** Density of what is read where a perfect meter would show `shown`; a chance where it is OL or does not stand still. */
export function density(value: Shown, shown: Shown, probe: Probe, differs: Differs): number {
  if (shown === 'jumps' || value === 'jumps') return shown === value ? 1 : 0;
  if (value === 'floats') return 0;
  if (probe.what === 'runs') return shown === 'floats' ? 0 : seenAs(value, shown);
  if (shown === 'floats') {
    const most = ghostsAt(probe);
    return value === Infinity
      ? 0
      : (2 * QUIET * bell(value / METERS[probe.what].floor)) / METERS[probe.what].floor +
          (1 - QUIET) * (value < most ? 1 / most : 0);
  }
  if (Number.isNaN(shown)) return 0;
  if (shown === Infinity || value === Infinity) return shown === value ? 1 : 0;
  const { z, spread } = awayFrom(value, shown, probe.what, differs);
  return bell(z) / spread;
}

/** Whether a figure is what a perfect meter that shows `shown` would let one read, within three spreads. */
export function fits(value: Shown, shown: Shown, probe: Probe, differs: Differs): boolean {
  if (probe.what === 'runs') return value === shown;
  // What hangs on nothing shows anything low.
  if (value === 'floats' || shown === 'floats') {
    const other = value === 'floats' ? shown : value;
    return typeof other !== 'number' || other <= ghostsAt(probe);
  }
  if (typeof value !== 'number' || typeof shown !== 'number' || value === Infinity || shown === Infinity)
    return value === shown;
  return Math.abs(awayFrom(value, shown, probe.what, differs).z) <= 3;
}
