import type { Random } from './random.ts';

/** The hidden truth of one section of a capacitor: what a perfect meter would read. */
export interface SectionWear {
  /** µF when new. */
  readonly asNew: number;
  /** Share of the rating lost a year at first. */
  readonly lossPerYear: number;
  /** Years after which the loss doubles; Infinity for most. */
  readonly kneeYears: number;
}

/** Most capacitors hold, some drift, a few fall fast. */
export function drawWear(random: Random, rated: number): SectionWear {
  const asNew = rated * random.normal(1.012, 0.012);
  const fate = random.between(0, 1);
  if (fate < 0.6) return { asNew, lossPerYear: random.between(0, 0.004), kneeYears: Infinity };
  if (fate < 0.84) return { asNew, lossPerYear: random.between(0.008, 0.022), kneeYears: Infinity };
  return { asNew, lossPerYear: random.between(0.018, 0.034), kneeYears: random.between(1, 4) };
}

/** True capacitance of a section after some years, µF; never below a twentieth of new. */
export function capacitanceAfter(wear: SectionWear, years: number, rated: number): number {
  const steady = wear.lossPerYear * years;
  const late = Math.max(0, years - wear.kneeYears) * wear.lossPerYear * 2;
  return Math.max(wear.asNew * 0.05, wear.asNew - rated * (steady + late));
}

/** Outdoor air on the day of a round, °F. */
export const outdoorOn = (random: Random, season: 'spring' | 'fall'): number =>
  Math.round(season === 'spring' ? random.normal(79, 5) : random.normal(52, 6));
