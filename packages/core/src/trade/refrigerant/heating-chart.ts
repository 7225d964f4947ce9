export interface ChartPoint {
  /** Outdoor air, °F. */
  readonly outdoorF: number;
  readonly psig: number;
}

export type HeatingChart =
  | { readonly outcome: 'value'; /** Pressure the chart gives at that outdoor temperature. */ readonly psig: number }
  | {
      readonly outcome: 'cannot-say';
      readonly because: 'too-few-points' | 'not-a-number' | 'two-pressures-at-one-temperature' | 'outside-the-chart';
    };

const cannot = (because: Extract<HeatingChart, { outcome: 'cannot-say' }>['because']): HeatingChart => ({
  outcome: 'cannot-say',
  because,
});

/**
 * The pressure of a manufacturer's heating chart at an outdoor temperature: straight lines between the points the user typed in
 * (°F, psig), in any order. Cannot be said outside the chart: nothing is extrapolated.
 * Half-way between (40, 300) and (50, 320) it is 310.
 */
export function heatingChart(points: readonly ChartPoint[], outdoorF: number): HeatingChart {
  if (points.length < 2) return cannot('too-few-points');
  const inOrder = [...points].sort((a, b) => a.outdoorF - b.outdoorF);
  if (![outdoorF, ...inOrder.flatMap((p) => [p.outdoorF, p.psig])].every(Number.isFinite))
    return cannot('not-a-number');
  if (inOrder.some((p, i) => p.outdoorF === inOrder[i - 1]?.outdoorF))
    return cannot('two-pressures-at-one-temperature');
  const above = inOrder.findIndex((p) => p.outdoorF >= outdoorF);
  const high = inOrder[above];
  const low = inOrder[Math.max(0, above - 1)];
  if (!high || !low || (above === 0 && high.outdoorF > outdoorF)) return cannot('outside-the-chart');
  if (high.outdoorF === outdoorF) return { outcome: 'value', psig: high.psig };
  const share = (outdoorF - low.outdoorF) / (high.outdoorF - low.outdoorF);
  return { outcome: 'value', psig: low.psig + share * (high.psig - low.psig) };
}
