import type { Answer } from './test-shape.ts';

/** A span of figures as an answer. */
export const span = (id: string, from: number, below: number): Answer => ({ id, from, below });

/** 24 V: there, ghost or sagging, or none. */
export const LOW_VOLTS = [span('dead', -Infinity, 5), span('low', 5, 20), span('fed', 20, Infinity)];
/** Line volts, of so many: none, part of them, all. */
export const lineVolts = (volts: number) => [
  span('dead', -Infinity, 0.12 * volts),
  span('part', 0.12 * volts, 0.75 * volts),
  span('fed', 0.75 * volts, Infinity),
];
/** Across a contact that should be closed, V: nothing, a drop, or all of it. */
export const DROP = [span('none', -Infinity, 1), span('drop', 1, 80), span('open', 80, Infinity)];
/** Ω of what is so many on a sound machine. */
export const ohmsLike = (ohms: number): Answer[] =>
  ohms < 2
    ? [span('sound', -Infinity, 8), span('high', 8, 1e6), span('open', 1e6, Infinity)]
    : [
        span('shorted', -Infinity, 0.5 * ohms),
        span('sound', 0.5 * ohms, 1.7 * ohms),
        span('high', 1.7 * ohms, 1e6),
        span('open', 1e6, Infinity),
        { id: 'jumps', says: 'jumps' },
      ];
/** Ω between what should not touch. */
export const OPEN_CIRCUIT: Answer[] = [
  span('touching', -Infinity, 50),
  span('leaks', 50, 1e6),
  span('clear', 1e6, Infinity),
];
/** A of what usually draws so many. */
export const ampsLike = (amps: number) => [
  span('none', -Infinity, 0.12 * amps),
  span('little', 0.12 * amps, 0.75 * amps),
  span('usual', 0.75 * amps, 1.3 * amps),
  span('much', 1.3 * amps, 3 * amps),
  span('stalled', 3 * amps, Infinity),
];
/** µF of what is rated so many; weak from 6 % under it, common practice, no source. */
export const microfaradsLike = (rated: number) => [
  span('dead', -Infinity, 0.2 * rated),
  span('weak', 0.2 * rated, 0.94 * rated),
  span('sound', 0.94 * rated, Infinity),
];
/** Words as answers. */
export const says = (...all: string[]): Answer[] => all.map((says) => ({ id: says, says }));
