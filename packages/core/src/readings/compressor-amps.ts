import type { Plate } from '../equipment/plate.ts';
import type { Because } from '../judgement/reasons.ts';
import { compressorRlaFromPlate } from '../trade/motor/compressor-rla.ts';
import type { About, Limits, ReadingKind } from './kind.ts';
import type { Policy } from '../judgement/policy.ts';
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

function limits(about: About, policy: Policy): Limits {
  if (about.point !== 'common' && about.point !== 'line') {
    return { known: false, because: { code: 'no-plate-limit-for-wire', numbers: { point: about.point } } };
  }
  const found = rlaOf(about.plate);
  return 'rla' in found ? ratedLoadLimits(found.rla, 'RLA', found.derived, policy) : { known: false, because: found };
}

/** Compressor amps on its common, run and start wires, held against RLA and against this compressor's own baseline. */
export const compressorAmps: ReadingKind = {
  id: 'compressor-amps',
  title: 'Compressor amps',
  component: 'compressor',
  unit: 'A',
  decimals: 1,
  plateLine: ({ plate, point }) => {
    if (point !== 'common' && point !== 'line') return 'no plate figure for this wire';
    return plate.compressorRla === undefined ? 'no RLA' : `RLA ${plate.compressorRla} A`;
  },
  wear: 'rises',
  movedBy: ['outdoor temperature: condensing pressure rises with it', 'line volts'],
  // RLA speaks of the common wire; run and start are known by their own baseline alone.
  plateDecides: (point) => point === 'common' || point === 'line',
  methods: [
    // 2 % clamp, and 4 % for weather and volts that are not brought to like conditions yet. Common practice, no source.
    clampMethod(['cooling', 'heating'], 20, 0.045, ({ systemKind }) =>
      systemKind === 'ductless-heat-pump' ? ['line'] : ['common', 'run', 'start-wire'],
    ),
  ],
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
