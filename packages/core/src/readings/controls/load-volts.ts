import type { ComponentKind, Point } from '../../equipment/component.ts';
import { heatVoltsOf } from '../../equipment/plate.ts';
import type { Finding } from '../../verdict/findings.ts';
import type { About, Evaluated, Inputs, InputSpec, Method, StopId } from '../contract/entry.ts';
import type { ReadingKindId } from '../contract/kind-ids.ts';
import type { FindingKind } from '../contract/kind.ts';
import { found } from '../contract/window.ts';

/** Where volts are read of a relay or a contactor. */
export const SWITCH_POINTS: readonly Point[] = ['coil', 'line-side', 'load-side'];

/** From this share of what belongs there a point is fed, below the other it is dead; between them it is neither. Common practice, no source. */
const FED_SHARE = 0.75;
const DEAD_SHARE = 0.12;
const CONTROL_VOLTS = 24;
/** No transformer gives more than this at a 24 V coil, V. */
const MOST_AT_COIL = 36;
/** What a furnace and all in it stands on, V. */
const FURNACE_VOLTS = 120;

type Level = 'fed' | 'dead' | 'between';

const levelOf = (volts: number, belongs: number): Level =>
  volts >= FED_SHARE * belongs ? 'fed' : volts < DEAD_SHARE * belongs ? 'dead' : 'between';

/** What volts at a point mean with the call made, and with none; at the line side the call makes no difference. */
const MEANS: Readonly<
  Record<'coil' | 'line-side' | 'load-side', Record<'called' | 'at-rest', Record<Level, Finding>>>
> = {
  coil: {
    called: { fed: 'coil-fed', dead: 'coil-not-fed', between: 'coil-volts-low' },
    'at-rest': { fed: 'coil-fed-without-call', dead: 'coil-at-rest', between: 'ghost-volts' },
  },
  'line-side': {
    called: { fed: 'line-side-live', dead: 'line-side-dead', between: 'line-side-partial' },
    'at-rest': { fed: 'line-side-live', dead: 'line-side-dead', between: 'line-side-partial' },
  },
  'load-side': {
    called: { fed: 'load-fed', dead: 'load-not-fed', between: 'load-partial' },
    'at-rest': { fed: 'load-live-without-call', dead: 'load-at-rest', between: 'ghost-volts' },
  },
};

/** The line volts that belong at a switch, V: as measured on this visit, but for a furnace's own circuit. */
const lineAt = ({ systemKind, component, plate, conditions }: About): number =>
  systemKind === 'gas-furnace-with-coil' && component.kind !== 'contactor'
    ? FURNACE_VOLTS
    : (conditions?.lineVolts ?? heatVoltsOf(plate));

function evaluate({ volts }: Inputs, about: About, when: 'called' | 'at-rest'): Evaluated {
  const { point } = about;
  if (point === 'coil' && Number(volts) > MOST_AT_COIL) return found('coil-volts-not-control');
  const belongs = point === 'coil' ? CONTROL_VOLTS : lineAt(about);
  const means = MEANS[point === 'coil' || point === 'line-side' ? point : 'load-side'][when];
  return found(means[levelOf(Number(volts), belongs)]);
}

const volts: InputSpec = { id: 'volts', type: 'number', label: 'Volts', unit: 'V', overLimit: false, probe: 'volts' };

interface Switch {
  readonly id: ReadingKindId;
  readonly title: string;
  readonly component: ComponentKind;
  /** Where it is read with its call made. */
  readonly called: readonly StopId[];
  readonly points: readonly Point[];
}

/**
 * Volts at what a call switches, with the call and without: across the coil, at the line side, across the load. They say
 * where volts end; an open or a welded contact is only named by two of them, or by amps.
 */
export function loadVolts({ id, title, component, called, points }: Switch): FindingKind {
  const method = (over: Pick<Method, 'id' | 'title' | 'stops' | 'order'>, when: 'called' | 'at-rest'): Method => ({
    ...over,
    optional: 'on-fault',
    points: () => points,
    inputs: [volts],
    evaluate: (inputs, about) => evaluate(inputs, about, when),
  });
  return {
    type: 'finding',
    id,
    title,
    component,
    plateLine: (about) => (about.point === 'coil' ? '24 V with its call, none without' : 'line volts'),
    movedBy: ['a meter of high resistance shows volts that carry nothing'],
    methods: [
      method({ id: 'called', title: 'meter, call made', stops: called, order: 96 }, 'called'),
      method({ id: 'no-call', title: 'meter, power on, no call', stops: ['calls'], order: 96 }, 'at-rest'),
    ],
  };
}
