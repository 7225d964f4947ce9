import { askedRatingOf, ratingOf, type Component, type Point } from '../../equipment/component.ts';
import { hertzOf } from '../../equipment/plate.ts';
import type { CapacitorRating, RatingSection } from '../../equipment/rating.ts';
import { sayRating, saySection } from '../../equipment/rating-text.ts';
import type { Finding } from '../../verdict/findings.ts';
import { SCHOOL_PERCENT, type Policy } from '../../verdict/policy.ts';
import { own } from '../../quantity/own.ts';
import { judgeReplacement } from '../../trade/capacitor/judge-replacement.ts';
import type { Judgment } from '../../verdict/judgment.ts';
import { capacitanceUnderLoad } from '../../trade/capacitor/capacitance-under-load.ts';
import type { About, Evaluated, Inputs, InputSpec, StopId, Where } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import type { MeterShare } from '../contract/quantities.ts';
import { found, taken } from '../contract/window.ts';
import type { Limits } from '../../verdict/limits.ts';

const lugsOf = ({ component }: { component: Component }): readonly Point[] =>
  ratingOf(component)
    ?.sections.map((s) => s.lug)
    .filter((lug) => lug !== 'start') ?? ['single'];

/** The blower's capacitor is indoors, and not run under load on the way: its motor is clamped anyway. */
const isIndoors = ({ component }: { component: Component }): boolean => component.slot === 'blower-capacitor';
const offIndoors = (where: Where): readonly StopId[] | null => (isIndoors(where) ? ['off-indoor'] : null);

const sectionAt = (component: Component, point: Point): { rating: CapacitorRating; section: RatingSection } | null => {
  const rating = ratingOf(component);
  const section = rating?.sections.find((s) => s.lug === point);
  return rating && section ? { rating, section } : null;
};

function bench(inputs: Inputs): Evaluated {
  const read = inputs.microfarads;
  // A meter that shows nothing, or OL, on a discharged capacitor with its wires off has an open section under it.
  if (read === 'OL' || read === 0) return taken(0, [], ['section-open']);
  return taken(Number(read));
}

function underLoad(inputs: Inputs, about: About): Evaluated {
  const result = capacitanceUnderLoad({
    amps: Number(inputs.amps),
    volts: Number(inputs.volts),
    hertz: hertzOf(about.plate),
    lineVolts: about.conditions?.lineVolts,
  });
  if (result.outcome === 'cannot-say') {
    return { outcome: 'refused', input: 'volts', because: { code: 'no-volts-across', numbers: {} } };
  }
  const questions = result.warnings.map(({ code, ...numbers }) => ({ code, numbers }));
  return taken(result.microfarads, questions, result.microfarads === 0 ? ['section-open'] : []);
}

const UNDER_LOAD_INPUTS: readonly InputSpec[] = [
  { id: 'amps', type: 'number', label: 'Amps in the lead', unit: 'A', overLimit: false, probe: 'clamp' },
  { id: 'volts', type: 'number', label: 'Volts across it', unit: 'V', overLimit: false, probe: 'volts' },
];
/** C = I / (2π f V): it goes with the clamp's offset and against the voltmeter's. */
const UNDER_LOAD_METERS: readonly MeterShare[] = [
  { of: 'amps', power: 1 },
  { of: 'volts', power: -1 },
];
/** Clamp 2 % and volts 1 %, added as independent errors, µF. Common practice, no source. */
const underLoadError = (value: number): number => Math.max(0.05, 0.0224 * value);

const chosen =
  (table: Readonly<Record<string, Finding>>) =>
  (inputs: Inputs): Evaluated => {
    const finding = own(table, String(inputs.finding));
    return found(finding ? [finding] : []);
  };

function tolerances(rating: CapacitorRating, { capacitor }: Policy): { minus: number; plus: number } {
  const { school, unprintedTolerancePercent: printed } = capacitor;
  const label = { minus: rating.tolerance?.minusPercent ?? printed, plus: rating.tolerance?.plusPercent ?? printed };
  const { tight, wide } = SCHOOL_PERCENT;
  if (school === 'tight') return { minus: tight, plus: Math.max(tight, label.plus) };
  if (school === 'wide') return { minus: wide, plus: wide };
  return label;
}

function limits(about: About, policy: Policy): Limits {
  const at = sectionAt(about.component, about.point);
  if (!at)
    return { known: false, because: { code: 'rating-unknown', numbers: { text: about.component.plate.rating ?? '' } } };
  const nominal = at.section.microfarads;
  const { minus, plus } = tolerances(at.rating, policy);
  return {
    known: true,
    family: 'rating',
    nominal,
    lower: (nominal * (100 - minus)) / 100,
    upper: (nominal * (100 + plus)) / 100,
    watchLower: (nominal * (100 - policy.capacitor.watchFrom * minus)) / 100,
    // New parts often read 3 to 4 % high, and wear only lowers them: there is nothing to watch on the upper side.
    watchUpper: null,
  };
}

/** A part that was fitted against the rule, µF or volts not as the machine's plate asks; null where it is right, or nobody knows. */
function notAsAsked({ component, plate }: About, { capacitor }: Policy): Judgment | null {
  const [asked, fitted] = [askedRatingOf(component.slot, plate), ratingOf(component)];
  if (!asked || !fitted) return null;
  const { reasons } = judgeReplacement(asked, fitted, capacitor.replacementPercent);
  if (!reasons.some(({ code }) => code === 'microfarads-off' || code === 'volts-lower')) return null;
  const because = { code: 'not-as-asked', numbers: { fitted: sayRating(fitted), asked: sayRating(asked) } } as const;
  return { basis: 'cross-check', standing: 'act', limit: null, because };
}

/** Volts across a can that are more than its label by so much: worth watching, and too many for it. Common practice, no source. */
const OVER_CAN = { watch: 1.02, act: 1.1 };

/** Volts across it, read under load, against those on its can. */
function overCan({ volts }: Inputs, { component }: About): Judgment | null {
  const rated = ratingOf(component)?.volts;
  if (!rated || typeof volts !== 'number' || volts <= OVER_CAN.watch * rated) return null;
  const because = { code: 'volts-over-can', numbers: { volts, rated } } as const;
  return { basis: 'cross-check', standing: volts > OVER_CAN.act * rated ? 'act' : 'watch', limit: rated, because };
}

/** Which finding each choice stands for. */
const LOOKS: Readonly<Record<string, Finding>> = {
  sound: 'can-sound',
  rusted: 'can-rusted',
  bulged: 'can-bulged',
  leaking: 'can-leaking',
  burst: 'can-burst',
};
const NEEDLE: Readonly<Record<string, Finding>> = {
  holds: 'section-holds',
  shorted: 'section-shorted',
  open: 'section-open',
};

/**
 * Capacitance of a run capacitor's sections, by any of four methods: the meter on the bench, amps and volts under
 * load, a needle sweep, and the looks of the can. Sweep and looks give findings, not numbers.
 */
export const runCapacitorCapacitance: NumericKind = {
  type: 'number',
  id: 'run-capacitor-capacitance',
  title: 'Capacitance',
  component: 'run-capacitor',
  unit: 'µF',
  pointTitles: { can: 'Looks of the can' },
  plateLine: (about) => {
    const at = sectionAt(about.component, about.point);
    return at ? `rated ${saySection(at.section)}` : (about.component.plate.rating ?? 'no rating');
  },
  wear: 'falls',
  movedBy: ['the method: under load adds the errors of two meters', 'temperature of the can, slightly'],
  methods: [
    {
      id: 'under-load',
      title: 'under load',
      stops: ['cooling', 'heating'],
      order: 60,
      points: (where) => (isIndoors(where) ? [] : lugsOf(where)),
      inputs: UNDER_LOAD_INPUTS,
      evaluate: underLoad,
      error: underLoadError,
      meters: UNDER_LOAD_METERS,
    },
    {
      id: 'under-load-indoors',
      title: 'under load',
      stops: ['cooling-air', 'electric-heat', 'gas-heat', 'fan-only'],
      order: 75,
      optional: true,
      points: (where) => (isIndoors(where) ? lugsOf(where) : []),
      inputs: UNDER_LOAD_INPUTS,
      evaluate: underLoad,
      error: underLoadError,
      meters: UNDER_LOAD_METERS,
    },
    {
      id: 'looks',
      title: 'looks',
      stops: ['off-outdoor'],
      stopsFor: offIndoors,
      order: 10,
      points: () => ['can'],
      usual: () => ({ finding: 'sound' }),
      inputs: [
        {
          id: 'finding',
          type: 'choice',
          label: 'The can',
          options: [
            { value: 'sound', label: 'Sound' },
            { value: 'rusted', label: 'Rusted' },
            { value: 'bulged', label: 'Bulged' },
            { value: 'leaking', label: 'Leaking' },
            { value: 'burst', label: 'Burst or burnt' },
          ],
        },
      ],
      evaluate: chosen(LOOKS),
    },
    {
      id: 'bench',
      title: 'bench, wires off',
      stops: ['off-outdoor'],
      stopsFor: offIndoors,
      order: 20,
      points: lugsOf,
      inputs: [
        { id: 'microfarads', type: 'number', label: 'µF read', unit: 'µF', overLimit: true, probe: 'capacitance' },
      ],
      evaluate: bench,
      // A good meter's 1 % and its last digit. Common practice, no source.
      error: (value) => Math.hypot(0.05, 0.01 * value),
    },
    {
      id: 'needle-sweep',
      optional: true,
      settles: false,
      title: 'needle sweep',
      stops: ['off-outdoor'],
      stopsFor: offIndoors,
      order: 30,
      points: lugsOf,
      inputs: [
        {
          id: 'finding',
          type: 'choice',
          label: 'Ohmmeter needle',
          options: [
            { value: 'holds', label: 'Kicks, falls back' },
            { value: 'shorted', label: 'Stays over' },
            { value: 'open', label: 'No kick' },
          ],
        },
      ],
      evaluate: chosen(NEEDLE),
    },
  ],
  limits,
  besides: (inputs, about, policy) => [notAsAsked(about, policy), overCan(inputs, about)].filter((one) => one !== null),
  plausible: (about) => {
    const at = sectionAt(about.component, about.point);
    return at ? { low: 0.25 * at.section.microfarads, high: 1.3 * at.section.microfarads } : { low: 1, high: 120 };
  },
  // Most hold, some lose a per cent or two a year. Common practice, no source.
  driftPrior: { meanShare: -0.005, sdShare: 0.012 },
  // New parts read a little over their rating more often than under it. Common practice, no source.
  newReads: { mean: 1.015, sd: 0.015 },
  judgeBaseline: (departure, _about, policy) => {
    const fallen = departure.offPercent < -policy.capacitor.baselineDropPercent;
    return {
      basis: 'baseline',
      standing: fallen ? 'watch' : 'sound',
      limit: departure.baseline * (1 - policy.capacitor.baselineDropPercent / 100),
      because: { code: fallen ? 'off-baseline' : 'as-it-was', numbers: departure },
    };
  },
};
