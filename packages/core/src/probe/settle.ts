import type { Unit } from '../quantity/unit.ts';

/** One figure a probe sent: seconds since it began, and the value in its unit. */
export interface Sample {
  readonly at: number;
  readonly value: number;
}

export interface Settled {
  /** Whether it may be taken now. */
  readonly settled: boolean;
  /** Median over the window; null before the first sample. */
  readonly value: number | null;
  /** Largest less smallest over the window, same unit. */
  readonly spread: number;
  /** Samples in the window. */
  readonly samples: number;
  /** How far the window's second half lies above its first, same unit. */
  readonly drift: number;
}

/** The window over which a value must hold still, s, and the fewest samples in it. */
export const SETTLE_SECONDS = 5;
const LEAST_SAMPLES = 10;

/** How much a value may wander over the window: a share of itself, and never less than the instrument's last digits. */
const TOLERANCE: Readonly<Record<Unit, { readonly share: number; readonly least: number }>> = {
  µF: { share: 0.02, least: 0.1 },
  A: { share: 0.04, least: 0.08 },
  V: { share: 0.012, least: 0.3 },
  Ω: { share: 0.04, least: 0.5 },
  '°F': { share: 0, least: 0.6 },
  psig: { share: 0.015, least: 1.5 },
  CFM: { share: 0.05, least: 10 },
  'Btu/h': { share: 0.1, least: 500 },
  '%': { share: 0, least: 2 },
  s: { share: 0, least: 1 },
  min: { share: 0, least: 1 },
};

/** Air comes to rest over minutes: it counts once it has moved less than this over so long. */
export const AIR_SETTLE_SECONDS = 180;
/** A tenth of the usual tolerance of a split, °F: what it will still move then is not worth waiting for. */
const AIR_MOST_F = 0.5;

/** Slope by least squares, unit a second; the plain textbook line. */
function slopeOf(samples: readonly Sample[]): number {
  const n = samples.length;
  const at = samples.reduce((sum, s) => sum + s.at, 0) / n;
  const value = samples.reduce((sum, s) => sum + s.value, 0) / n;
  const across = samples.reduce((sum, s) => sum + (s.at - at) * (s.value - value), 0);
  const along = samples.reduce((sum, s) => sum + (s.at - at) ** 2, 0);
  return along === 0 ? 0 : across / along;
}

/**
 * Whether a stream of air temperatures (°F) has settled: as `settle`, and moving less than 0.5 °F over the last three
 * minutes by its slope, since a stream that climbs 3 °F a minute stands still for any five seconds. `flatFor` is how much
 * of the three minutes has been listened to, s. Common practice, no source.
 */
export function settleAir(samples: readonly Sample[]): Settled & { readonly flatFor: number } {
  const now = settle(samples, '°F');
  const last = samples.at(-1);
  if (!last) return { ...now, flatFor: 0 };
  const window = samples.filter((s) => s.at > last.at - AIR_SETTLE_SECONDS);
  const flatFor = Math.min(AIR_SETTLE_SECONDS, last.at - (samples[0]?.at ?? last.at));
  const isFlat = flatFor >= AIR_SETTLE_SECONDS && Math.abs(slopeOf(window)) * AIR_SETTLE_SECONDS < AIR_MOST_F;
  return { ...now, settled: now.settled && isFlat, flatFor };
}

function median(values: readonly number[]): number {
  const inOrder = [...values].sort((a, b) => a - b);
  const middle = Math.floor(inOrder.length / 2);
  const high = inOrder[middle] ?? 0;
  return inOrder.length % 2 === 1 ? high : ((inOrder[middle - 1] ?? high) + high) / 2;
}

/**
 * Whether a stream has settled: over the last 5 s, at least 10 samples, all within the unit's tolerance of each other, and
 * the two halves' medians no farther apart than a quarter of it. The value to take is the median of that window; its spread
 * is kept beside it. Samples in order of time. Common practice, no source: "record once the last stretch is flat".
 */
export function settle(samples: readonly Sample[], unit: Unit): Settled {
  const last = samples.at(-1);
  if (!last) return { settled: false, value: null, spread: 0, samples: 0, drift: 0 };
  const window = samples.filter((s) => s.at > last.at - SETTLE_SECONDS);
  const values = window.map((s) => s.value);
  const value = median(values);
  const spread = Math.max(...values) - Math.min(...values);
  const half = Math.floor(values.length / 2);
  const drift = half === 0 ? 0 : median(values.slice(half)) - median(values.slice(0, half));
  const allowed = Math.max(TOLERANCE[unit].least, TOLERANCE[unit].share * Math.abs(value));
  const isLong = (samples[0]?.at ?? last.at) <= last.at - SETTLE_SECONDS && window.length >= LEAST_SAMPLES;
  return {
    settled: isLong && spread <= allowed && Math.abs(drift) <= allowed / 4,
    value,
    spread,
    samples: window.length,
    drift,
  };
}
