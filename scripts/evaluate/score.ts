/** A cut of a thread: what was said, and what came of it. */
export interface Case {
  readonly thread: number;
  /** Visits until the part truly first lies past its limit: 1 is the next visit; null when it never does. */
  readonly visitsUntil: number | null;
  /** Visits seen at the cut. */
  readonly seen: number;
  readonly said: number;
  /** Whether it truly lay past its limit at the next visit. */
  readonly came: boolean;
}

export interface Score {
  readonly recall: number;
  readonly precision: number;
  readonly falseFlags: number;
  /** Mean number of visits between first flag and the first visit truly past the limit, over parts that got there. */
  readonly lead: number;
}

/** Scores flags: cases whose chance is at least the threshold. */
export function scoreAt(cases: readonly Case[], threshold: number): Score {
  const flagged = cases.filter((c) => c.said >= threshold);
  const hits = flagged.filter((c) => c.came).length;
  const all = cases.filter((c) => c.came).length;
  return {
    recall: hits / all,
    precision: hits / flagged.length,
    falseFlags: flagged.length - hits,
    lead: leadOf(cases, threshold),
  };
}

/** A flag counts for the lead from where it stays until the part is past: what goes up and down again warned nobody. */
function leadOf(cases: readonly Case[], threshold: number): number {
  const threads = new Map<number, Case[]>();
  for (const c of cases) threads.set(c.thread, [...(threads.get(c.thread) ?? []), c]);
  const leads: number[] = [];
  for (const cuts of threads.values()) {
    const before = cuts.filter((c) => c.visitsUntil !== null && c.visitsUntil >= 1);
    if (before.length === 0 || !before.some((c) => c.visitsUntil === 1)) continue;
    const lastQuiet = before.findLastIndex((c) => c.said < threshold);
    leads.push(before.length - 1 - lastQuiet);
  }
  return leads.reduce((a, b) => a + b, 0) / leads.length;
}

/** The highest threshold that flags at least so large a share of what came. */
export function thresholdFor(cases: readonly Case[], recall: number): number {
  const came = cases
    .filter((c) => c.came)
    .map((c) => c.said)
    .sort((a, b) => b - a);
  return came[Math.min(came.length - 1, Math.ceil(recall * came.length) - 1)] ?? 0;
}

/** Mean squared difference of what was said and what came. G. W. Brier, 1950. */
export const brier = (cases: readonly Case[]): number =>
  cases.reduce((sum, c) => sum + (c.said - (c.came ? 1 : 0)) ** 2, 0) / cases.length;

export interface Tenth {
  readonly from: number;
  readonly cases: number;
  readonly said: number;
  readonly came: number;
}

/** Said against come, by tenths of what was said. */
export function calibration(cases: readonly Case[]): Tenth[] {
  return Array.from({ length: 10 }, (_, i) => {
    const inTenth = cases.filter((c) => Math.min(9, Math.floor(c.said * 10)) === i);
    const mean = (of: (c: Case) => number) => inTenth.reduce((sum, c) => sum + of(c), 0) / inTenth.length;
    return { from: i / 10, cases: inTenth.length, said: mean((c) => c.said), came: mean((c) => (c.came ? 1 : 0)) };
  });
}
