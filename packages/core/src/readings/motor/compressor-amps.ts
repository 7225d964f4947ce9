import type { Point } from '../../equipment/component.ts';
import type { Plate } from '../../equipment/plate.ts';
import type { Because } from '../../verdict/reasons.ts';
import type { Judgment } from '../../verdict/judgment.ts';
import { threeWireCheck } from '../../trade/motor/three-wire-check.ts';
import { compressorRlaFromPlate, compressorRlaSpan } from '../../trade/motor/compressor-rla.ts';
import { nominalVoltsOf } from '../../equipment/plate.ts';
import { asRead, atNominalVolts, without } from './alike.ts';
import type { About } from '../contract/entry.ts';
import type { Compared, NumericKind } from '../contract/kind.ts';
import type { Limits } from '../../verdict/limits.ts';
import { windowLimits } from '../contract/window.ts';
import type { Policy } from '../../verdict/policy.ts';
import { clampMethod, judgeMotorBaseline, ratedLoadLimits } from './motor-amps.ts';

function whyUnknown(plate: Plate, because: string): Because {
  const why =
    because === 'mca-not-above-fan'
      ? 'contradiction'
      : because === 'fan-fla-missing'
        ? 'fan-fla-missing'
        : plate.mocp !== undefined
          ? 'only-breaker'
          : 'nothing-known';
  return { code: 'rla-unknown', numbers: { why } };
}

/** The plate's RLA, or the one derived from MCA and fan FLA; never the breaker. */
function rlaOf(plate: Plate): { rla: number; derived: boolean } | Because {
  if (plate.compressorRla !== undefined) return { rla: plate.compressorRla, derived: false };
  const derived = compressorRlaFromPlate({ mca: plate.mca, fanFla: plate.outdoorFanFla });
  return derived.outcome === 'value' ? { rla: derived.rla, derived: true } : whyUnknown(plate, derived.because);
}

/**
 * Limits when RLA is only known to lie in a span: a verdict is given where it is the same for the least RLA and the most,
 * and nothing is said between.
 */
function spanLimits({ low, high }: { low: number; high: number }, watchFrom: number): Limits {
  const [leastWatched, mostWatched] = [watchFrom * low, watchFrom * high];
  const open =
    mostWatched < low
      ? ([
          [leastWatched, mostWatched],
          [low, high],
        ] as const)
      : ([[leastWatched, high]] as const);
  return windowLimits('rla-span', { nominal: low, upper: high, watchUpper: leastWatched, open });
}

function limits(about: About, policy: Policy): Limits {
  if (about.point !== 'common' && about.point !== 'line') {
    return { known: false, because: { code: 'no-plate-limit-for-wire', numbers: { point: about.point } } };
  }
  const found = rlaOf(about.plate);
  const span = 'rla' in found || about.plate.outdoorFanFla !== undefined ? null : compressorRlaSpan(about.plate.mca);
  if (span) return spanLimits(span, policy.amps.watchFrom);
  return 'rla' in found ? ratedLoadLimits(found.rla, 'RLA', found.derived, policy) : { known: false, because: found };
}

/** Outdoor air that amps are brought to, °F, and below which it is taken to be heating. */
const COMMON_F = 82;
const COMMON_HEATING_F = 47;
const HEATING_BELOW_F = 62;

/**
 * Amps at the common conditions. In cooling they rise by about 0.7 % with each °F outdoors, since the compressor pumps
 * against a higher pressure; in heating by about 0.4 %. From memory; the two modes are taken to differ by 3 %.
 */
function bring(value: number, { point, plate, conditions = {} }: About): Compared {
  const atVolts = atNominalVolts(asRead(value), conditions, plate);
  // The start winding's amps are its capacitor's, whatever the weather.
  if (point === 'start-wire') return atVolts;
  const { outdoorF } = conditions;
  const heating = outdoorF !== undefined && outdoorF < HEATING_BELOW_F;
  if (!heating) {
    const brought = without(atVolts, outdoorF, COMMON_F, { share: 0.007, sd: 0.0025 }, 0.07);
    if (outdoorF === undefined) return brought;
    return { ...brought, weather: { away: outdoorF - COMMON_F, sd: 0.0025 * brought.value, allowed: true } };
  }
  const brought = without(atVolts, outdoorF, COMMON_HEATING_F, { share: 0.004, sd: 0.002 }, 0.07);
  return { ...brought, error: Math.hypot(brought.error, 0.03 * brought.value) };
}

/** The three wires against one another, once all of them have been read on a visit. */
function threeWires({ common, run, 'start-wire': start }: Readonly<Partial<Record<Point, number>>>): Judgment | null {
  if (common === undefined || run === undefined || start === undefined) return null;
  const check = threeWireCheck({ common, run, start });
  if (check.outcome === 'cannot-say') return null;
  const numbers = { expected: check.expectedCommon, value: common, offPercent: check.offPercent };
  return check.outcome === 'agrees'
    ? { basis: 'cross-check', standing: 'sound', limit: null, because: { code: 'three-wires-agree', numbers } }
    : { basis: 'cross-check', standing: 'watch', limit: null, because: { code: 'three-wires-miss', numbers } };
}

/** Compressor amps on its common, run and start wires, held against RLA and against this compressor's own baseline. */
export const compressorAmps: NumericKind = {
  type: 'number',
  id: 'compressor-amps',
  title: 'Compressor amps',
  component: 'compressor',
  unit: 'A',
  plateLine: ({ plate, point }) => {
    if (point !== 'common' && point !== 'line') return 'no plate figure for this wire';
    return plate.compressorRla === undefined ? 'no RLA' : `RLA ${plate.compressorRla} A`;
  },
  bySpeed: true,
  wear: 'rises',
  movedBy: ['outdoor temperature: condensing pressure rises with it', 'line volts'],
  // RLA speaks of the common wire; run and start are known by their own baseline alone.
  baselineDecides: (point) => point !== 'common' && point !== 'line',
  acrossPoints: threeWires,
  methods: [
    // A good clamp's 2 %. Common practice, no source.
    clampMethod(['cooling', 'heating'], 20, 0.02, ({ systemKind }) =>
      systemKind === 'ductless-heat-pump' ? ['line'] : ['common', 'run', 'start-wire'],
    ),
  ],
  pointsDiffer: true,
  likeForLike: {
    words: ({ plate, point }) =>
      point === 'start-wire' ? `${nominalVoltsOf(plate)} V` : `${COMMON_F} °F outdoors and ${nominalVoltsOf(plate)} V`,
    at: ({ plate }) => ({ outdoorF: COMMON_F, lineVolts: nominalVoltsOf(plate) }),
    bring,
  },
  limits,
  plausible: (about) => {
    const found = rlaOf(about.plate);
    if (about.point === 'start-wire') return { low: 0.4, high: 15 };
    return 'rla' in found ? { low: 0.2 * found.rla, high: 1.6 * found.rla } : { low: 1.5, high: 60 };
  },
  // The start winding's current is the run capacitor's doing: a new capacitor, a new thread.
  restartedBy: (point) => (point === 'start-wire' ? ['run-capacitor'] : []),
  // Compressors hold their amps for years; a slow rise is the usual sign. Common practice, no source.
  driftPrior: { meanShare: 0.004, sdShare: 0.012 },
  judgeBaseline: (departure, about, policy) => {
    if (about.point !== 'start-wire' && departure.offPercent < -policy.amps.farBelowPercent) {
      const limit = departure.baseline * (1 - policy.amps.farBelowPercent / 100);
      return { basis: 'baseline', standing: 'watch', limit, because: { code: 'far-below-usual', numbers: departure } };
    }
    // Below that, cool weather alone explains low amps; only a rise is judged.
    return departure.offPercent > 0
      ? judgeMotorBaseline(departure, policy)
      : { basis: 'baseline', standing: 'sound', limit: null, because: { code: 'as-it-was', numbers: departure } };
  },
};
