/** How a reading, thread or part stands. 'unproven' is "no basis yet", not "bad". */
export const STANDINGS = ['sound', 'unproven', 'watch', 'act', 'stop'] as const;
export type Standing = (typeof STANDINGS)[number];

/** What each standing asks of the technician, worst last. */
export const STANDING_NAMES: Readonly<Record<Standing, string>> = {
  sound: 'Sound',
  unproven: 'Unproven',
  watch: 'Watch',
  act: 'Act',
  stop: 'Stop',
};

/** Position from best to worst, for sorting: sound 0, unproven 1, watch 2, act 3, stop 4. */
export const severityOf = (standing: Standing): number => STANDINGS.indexOf(standing);

/** The worst of several standings; 'unproven' when there are none. */
export const worstOf = (standings: readonly Standing[]): Standing =>
  standings.reduce<Standing>((worst, s) => (severityOf(s) > severityOf(worst) ? s : worst), standings[0] ?? 'unproven');

/**
 * How a part stands, given how its threads stand: as the worst of them, but a thread that is merely unproven (a wire
 * without a plate figure) does not unprove a part that is otherwise known. 'unproven' when nothing is known.
 */
export const standingOfPart = (threads: readonly Standing[]): Standing =>
  worstOf(threads.filter((s) => s !== 'unproven'));

/** Standings of parts that may not see their next round: what the Watch shows when nobody asks otherwise. */
export const LIKELY_TO_FAIL: readonly Standing[] = ['stop', 'act', 'watch'];
