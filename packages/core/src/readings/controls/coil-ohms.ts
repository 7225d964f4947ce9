import type { ComponentKind } from '../../equipment/component.ts';
import type { Policy } from '../../verdict/policy.ts';
import type { About, Evaluated, Inputs, InputSpec, StopId } from '../contract/entry.ts';
import type { ReadingKindId } from '../contract/kind-ids.ts';
import type { Departure, NumericKind } from '../contract/kind.ts';
import type { Limits } from '../../verdict/limits.ts';
import { found, taken } from '../contract/window.ts';

const SAMPLES = ['first', 'second', 'third'] as const;
const sample = (id: string, index: number): InputSpec => ({
  id,
  type: 'number',
  label: index === 0 ? 'Ohms' : `Sample ${index + 1}`,
  unit: 'Ω',
  overLimit: true,
  jumps: true,
  probe: 'ohms',
  ...(index > 0 ? { optional: true } : {}),
});

/** Samples farther apart than this, % of their middle, jump; the same for browser and server. Common practice, no source. */
const SPREAD_PERCENT = 15;

/** The middle of up to three samples of a coil, Ω; open when any is OL, and jumping when they do not agree. */
function ofSamples(inputs: Inputs): Evaluated {
  const entered = SAMPLES.map((id) => inputs[id]).filter((v) => v !== undefined && v !== '');
  if (entered.includes('jumps')) return found('jumps');
  const numbers = entered.filter((v) => typeof v === 'number').sort((a, b) => a - b);
  if (numbers.length < entered.length) return found(numbers.length === 0 ? 'open' : 'jumps');
  const middle = numbers[Math.floor((numbers.length - 1) / 2)] ?? 0;
  const spread = (numbers.at(-1) ?? 0) - (numbers[0] ?? 0);
  if (middle < 0.5) return taken(middle, [], ['shorted']);
  if (numbers.length > 1 && (100 * spread) / middle > SPREAD_PERCENT) return taken(middle, [], ['jumps']);
  return taken(middle);
}

/** Half its ohms are shorted turns; with the meter's share, what is at or below this share of the usual counts as half. */
export const SHORTED_SHARE = 0.52;

/** A coil is held against what it used to be: half its ohms are shorted turns, whatever is usual for its kind. */
function judgeCoilBaseline(departure: Departure, _about: About, policy: Policy) {
  const off = Math.abs(departure.offPercent) > policy.coils.baselinePercent;
  const isHalf = departure.value <= SHORTED_SHARE * departure.baseline;
  return {
    basis: 'baseline' as const,
    standing: isHalf ? ('act' as const) : off ? ('watch' as const) : ('sound' as const),
    limit: departure.baseline * (1 - policy.coils.baselinePercent / 100),
    because: { code: off ? ('off-baseline' as const) : ('as-it-was' as const), numbers: departure },
  };
}

/** The resistance of a coil, by up to three samples with the power off. */
export const coilOhms = (coil: {
  id: ReadingKindId;
  title: string;
  component: ComponentKind;
  stop: StopId;
  order: number;
  plateLine: string;
  limits: (policy: Policy) => Limits;
  plausible: { low: number; high: number };
  isOn?: (about: Pick<About, 'plate' | 'systemKind'>) => boolean;
}): NumericKind => ({
  type: 'number',
  id: coil.id,
  title: coil.title,
  component: coil.component,
  unit: 'Ω',
  plateLine: () => coil.plateLine,
  wear: 'none',
  movedBy: ['temperature of the winding: copper gains about 2 % every 10 °F', 'other loads left on the wires'],
  baselineDecides: () => true,
  methods: [
    {
      id: 'ohms',
      title: 'ohms, wires off, up to three samples',
      stops: [coil.stop],
      order: coil.order,
      points: (where) => (coil.isOn?.(where) === false ? [] : ['whole']),
      inputs: SAMPLES.map(sample),
      evaluate: ofSamples,
      error: (value) => Math.hypot(0.2, 0.02 * value),
    },
  ],
  limits: (_about, policy) => coil.limits(policy),
  plausible: () => coil.plausible,
  driftPrior: { meanShare: 0, sdShare: 0.02 },
  judgeBaseline: judgeCoilBaseline,
});
