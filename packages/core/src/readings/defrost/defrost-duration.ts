import { hasStrips } from '../../equipment/component.ts';
import {
  COLD_COIL_F,
  DEFROST_EVENTS,
  defrostTest,
  type DefrostEnd,
  type DefrostEvent,
  type DefrostFault,
  type FrostLeft,
} from '../../trade/defrost/defrost-test.ts';
import type { Plate } from '../../equipment/plate.ts';
import type { Conditions } from '../contract/conditions.ts';
import type { About, Evaluated, SeveralSpec, Inputs } from '../contract/entry.ts';
import type { Compared, NumericKind } from '../contract/kind.ts';
import { choices, doubtWhen, found, severalIn, taken, windowLimits } from '../contract/window.ts';

const EVENT_NAMES: Readonly<Record<DefrostEvent, string>> = {
  'valve-shifts': 'Valve shifts',
  'outdoor-fan-stops': 'Outdoor fan stops',
  'compressor-runs': 'Compressor keeps running',
  'auxiliary-heat-on': 'Auxiliary heat on',
};

const seen: SeveralSpec = {
  id: 'seen',
  type: 'several',
  label: 'Seen, in this order',
  none: { value: 'none-of-them', label: 'None of these' },
  options: choices(EVENT_NAMES),
};

/** What hides an event while it hangs loose. */
const HIDES: readonly (readonly [loose: string, event: DefrostEvent])[] = [
  ['fan-lead-pulled', 'outdoor-fan-stops'],
  ['strip-wire-lifted', 'auxiliary-heat-on'],
];

/** As the board stood on this visit; else as its record has it. */
const terminationOf = (plate: Plate, { terminationF }: Conditions = {}): number | undefined =>
  terminationF ?? plate.defrostTerminationF;

function evaluate(inputs: Inputs, { systemKind, plate, conditions = {} }: About): Evaluated {
  const [startCoilF, endCoilF, seconds] = [Number(inputs.startF), Number(inputs.endF), Number(inputs.seconds)];
  const events = severalIn(inputs, seen);
  const { faults, counts } = defrostTest({
    startCoilF,
    endCoilF,
    seconds,
    endedBy: inputs.endedBy as DefrostEnd,
    frostLeft: inputs.frost as FrostLeft,
    seen: DEFROST_EVENTS.filter((event) => events.includes(event)),
    terminationF: terminationOf(plate, conditions),
    hasAuxiliary: hasStrips(systemKind, plate),
    unseeable: HIDES.filter(([loose]) => conditions.loose?.includes(loose)).map(([, event]) => event),
  });
  const questions = doubtWhen(endCoilF < startCoilF, 'end-colder-than-start', endCoilF, startCoilF);
  // A duration that proves nothing must not enter the thread of those that do.
  if (!counts) return found(faults, questions);
  return taken(seconds / 60, questions, faults.length > 0 ? faults : ['defrosts-well']);
}

const FROST: readonly string[] = ['frost-in-bands', 'frost-at-limit', 'frost-as-block'] satisfies DefrostFault[];

const COMMON_COIL_F = 28;
const USUAL_TERMINATION_F = 65;

/** Time as if the coil had started at the common temperature: it has that much farther, or less far, to warm. */
function bring(value: number, { plate, conditions }: About, inputs: Inputs): Compared {
  const start = Number(inputs.startF ?? NaN);
  const ends = terminationOf(plate, conditions) ?? USUAL_TERMINATION_F;
  if (!Number.isFinite(start) || start >= ends - 5) return { value, error: 0.25 * value, known: false };
  const brought = (value * (ends - COMMON_COIL_F)) / (ends - start);
  return { value: brought, error: 0.3 * Math.abs(brought - value), known: true };
}

/** A forced defrost, min: timed, watched, and judged by what was seen, what ended it and the frost it left. Last of the live tests. */
export const defrostDuration: NumericKind = {
  type: 'number',
  id: 'defrost-duration',
  title: 'Forced defrost',
  component: 'defrost-board',
  unit: 'min',
  plateLine: ({ plate }) =>
    plate.defrostTerminationF === undefined
      ? `coil below ${COLD_COIL_F} °F first`
      : `ends at ${plate.defrostTerminationF} °F`,
  wear: 'rises',
  driftIn: 'unit',
  driftPrior: { meanShare: 0.05, sdShare: 0.5 },
  likeForLike: {
    words: () => `a coil at ${COMMON_COIL_F} °F when it starts`,
    at: () => ({}),
    bring,
    byInputs: true,
  },
  movedBy: ['coil temperature at the start', 'outdoor air', 'how thick the frost was'],
  tells: ({ findings }, conditions) =>
    findings.some((f) => FROST.includes(f)) ? { ...conditions, iceSeen: true } : conditions,
  methods: [
    {
      id: 'forced',
      title: 'test pins, stopwatch',
      stops: ['defrost'],
      order: 10,
      points: () => ['whole'],
      inputs: [
        {
          id: 'startF',
          type: 'number',
          label: 'Coil at the start',
          unit: '°F',
          overLimit: false,
          signed: true,
          probe: 'pipe-clamp',
        },
        seen,
        { id: 'seconds', type: 'number', label: 'It took', unit: 's', overLimit: false },
        { id: 'endF', type: 'number', label: 'Coil at the end', unit: '°F', overLimit: false, probe: 'pipe-clamp' },
        {
          id: 'endedBy',
          type: 'choice',
          label: 'Ended by',
          options: choices({ temperature: 'Temperature', 'time-limit': 'Time limit', 'by-hand': 'By hand' }),
        },
        {
          id: 'frost',
          type: 'choice',
          label: 'Frost left',
          options: choices({ none: 'None', bands: 'Bands', block: 'A block' }),
        },
      ],
      evaluate,
      error: () => 0.5,
    },
  ],
  limits: (_about, { defrost }) =>
    windowLimits('defrost-time', { nominal: 4, upper: defrost.longestMin + 4, watchUpper: defrost.longestMin }),
  plausible: () => ({ low: 0.5, high: 20 }),
};
