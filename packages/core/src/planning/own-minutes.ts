/** What a firm's rounds on a kind of system took: minutes from start to close, in the middle, and of how many. */
export interface RoundsTook {
  readonly median: number;
  readonly rounds: number;
}
/** What is usual counts as so many rounds of one's own; a judgment, no source. */
const USUAL_COUNTS = 8;
const STEP = 5;

/** Minutes a round takes, by the firm's own, leaning on what is usual while they are few; in steps of five minutes. */
export const roundMinutes = (usual: number, own: RoundsTook | undefined): number =>
  own === undefined
    ? usual
    : Math.max(
        STEP,
        Math.round((own.median * own.rounds + usual * USUAL_COUNTS) / (own.rounds + USUAL_COUNTS) / STEP) * STEP,
      );
