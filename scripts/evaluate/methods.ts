import { fitDrift } from '@yarnix/core/testing';
import { threadOutlook, type Day, type FleetPrior, type Thread } from '@yarnix/core';
import { isPastLimit, type TrueReading, type TrueThread } from '@yarnix/simulator';

/** What a method says of a thread at a cut: the chance of being past the limit at the next visit. */
export type Method = (thread: TrueThread, seen: readonly TrueReading[], at: Day) => number;

/** Says it is past its limit when its last reading is. */
export const lastReading: Method = ({ part }, seen) => (isPastLimit(part, seen.at(-1)?.value ?? NaN) ? 1 : 0);

/** Draws a straight line through all readings and looks where it is at the next visit. */
export const straightLine: Method = ({ part }, seen, at) => {
  const fit = fitDrift(seen);
  const value = fit.outcome === 'fit' ? fit.intercept + fit.slope * at : twoPoints(seen, at);
  return isPastLimit(part, value) ? 1 : 0;
};

function twoPoints(seen: readonly TrueReading[], at: Day): number {
  const [a, b] = [seen[0], seen.at(-1)];
  if (!a || !b || a.day === b.day) return b?.value ?? NaN;
  return b.value + ((b.value - a.value) / (b.day - a.day)) * (at - b.day);
}

export const threadOf = (thread: TrueThread, seen: readonly TrueReading[]): Thread => ({
  kind: thread.part.kind,
  plate: thread.part.plate,
  point: thread.part.point,
  fittedOn: thread.fittedOn,
  readings: seen.map(({ day, value, conditions, instrument }) => ({
    day,
    value,
    conditions,
    instrument,
    method: thread.part.method,
  })),
});

/** How often the engine said 'act' by trend alone, by readings it had. */
export const actsByReadings = new Map<number, number>();

/** Thread and readings as if nobody had kept what they were read with. */
export const unmetered = (seen: readonly TrueReading[]): TrueReading[] =>
  seen.map(({ instrument: _, ...reading }) => reading);

/** Readings as perfect meters would have shown them. */
export const setRight = (seen: readonly TrueReading[]): TrueReading[] =>
  unmetered(seen).map((r) => ({ ...r, value: r.value / (1 + (r.offset ?? 0)) }));

/** This engine, with what a fleet has taught or without. */
export const engine =
  (prior?: FleetPrior): Method =>
  (thread, seen, at) => {
    const said = threadOutlook({ ...threadOf(thread, seen), prior, at });
    if (said.outcome === 'cannot-say') throw new Error(`the engine cannot say: ${said.because}`);
    if (said.standing === 'act') actsByReadings.set(seen.length, (actsByReadings.get(seen.length) ?? 0) + 1);
    if (said.chancePastLimit !== null) return said.chancePastLimit;
    // A newest reading that is asked for again carries its chance in the reason.
    const odd = said.reasons.find((r) => r.because.code === 'odd-point')?.because;
    return odd?.code === 'odd-point' ? odd.numbers.chance : NaN;
  };
