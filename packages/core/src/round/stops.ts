import { COLD_COIL_F } from '../trade/defrost/defrost-test.ts';
import type { Season } from '../quantity/season.ts';
import type { StopId } from '../readings/contract/entry.ts';
import { DISCHARGE, GAS, LIVE_WORK, LOCK_OUT, REFRIGERANT_WORK, WIRES, type Caution } from './cautions.ts';
import type { LooseEndCode } from './loose-ends.ts';

/** Where a stop is worked. */
export type StopPlace = 'thermostat' | 'indoor-unit' | 'outdoor-unit';
/** What the machine does at a stop. */
export type Mode = 'as-found' | 'calls' | 'electric-heat' | 'gas-heat' | 'fan' | 'heating' | 'cooling' | 'off';

/** One thing to do on coming to a stop that must be undone before leaving the house. */
export interface Instruction {
  readonly opens: LooseEndCode;
  readonly text: string;
}

/** A stop of a round before its readings are known. */
export interface StopFacts {
  readonly id: StopId;
  readonly title: string;
  readonly place: StopPlace;
  readonly mode: Mode;
  /** The state the system must be in, as short statements. */
  readonly state: readonly string[];
  readonly cautions: readonly Caution[];
  /** Minutes to run before the readings count, from and up to; absent where nothing has to settle. */
  readonly settle?: { readonly from: number; readonly to: number };
  /** What earlier stops left loose and must be back before this one: what it would show could not be seen else. */
  readonly putBackFirst?: readonly LooseEndCode[];
  readonly instructions: readonly Instruction[];
  /** What is put back at the end of this stop, before anything else. */
  readonly restores: readonly LooseEndCode[];
  /** Stops that must come before, when the round has them. */
  readonly after: readonly StopId[];
}

const SEASON_OF: Readonly<Partial<Record<Mode, Season>>> = {
  cooling: 'spring',
  heating: 'fall',
  'electric-heat': 'fall',
  'gas-heat': 'fall',
};

/** The half of the year that a mode of the machine belongs to; `otherwise` for what is the same in both. */
export const seasonOfMode = (mode: Mode, otherwise: Season): Season => SEASON_OF[mode] ?? otherwise;

const outdoorPanel: Instruction = { opens: 'outdoor-panel-off', text: 'Panel off' };
const indoorPanel: Instruction = { opens: 'indoor-panel-off', text: 'Panel off' };
const probes: Instruction = { opens: 'probes-in-ducts', text: 'Probes into return and supply' };
const gauges: Instruction = { opens: 'gauges-on', text: 'Gauges and pipe clamps on' };
const LIVE: readonly StopId[] = [
  'electric-heat',
  'gas-heat',
  'fan-only',
  'heating',
  'defrost',
  'cooling-air',
  'cooling',
];
/** Where both seasons are worked, cooling comes last: it warms the coil that a defrost needs cold. */
const HEATS: readonly StopId[] = ['electric-heat', 'gas-heat', 'fan-only', 'heating'];
const BEFORE_LIVE: readonly StopId[] = ['arrive', 'look', 'calls'];

/** Every stop a round can have, in the order in which ties are settled. */
export const STOPS: readonly StopFacts[] = [
  {
    id: 'arrive',
    title: 'At the door',
    place: 'thermostat',
    mode: 'as-found',
    state: ['As found, nothing changed'],
    cautions: [],
    instructions: [],
    restores: [],
    after: [],
  },
  {
    id: 'look',
    title: 'Look it over',
    place: 'outdoor-unit',
    mode: 'as-found',
    state: ['As found', 'Before any power test'],
    cautions: [LOCK_OUT],
    instructions: [outdoorPanel],
    restores: [],
    after: ['arrive'],
  },
  {
    id: 'calls',
    title: 'Make each call',
    place: 'thermostat',
    mode: 'calls',
    state: ['Power on', 'One call at a time', 'Wait out delays'],
    cautions: [LIVE_WORK],
    instructions: [{ opens: 'thermostat-moved', text: 'Note the set point before it is moved' }],
    restores: [],
    after: ['arrive', 'look'],
  },
  {
    id: 'electric-heat',
    title: 'Electric heat, alone',
    place: 'indoor-unit',
    mode: 'electric-heat',
    state: ['Emergency heat called', 'Compressor off', 'All stages in'],
    cautions: [LIVE_WORK],
    settle: { from: 3, to: 5 },
    instructions: [indoorPanel, probes],
    restores: [],
    after: BEFORE_LIVE,
  },
  {
    id: 'gas-heat',
    title: 'Gas heat',
    place: 'indoor-unit',
    mode: 'gas-heat',
    state: ['Heat called', 'Burner lit', 'Blower up to speed'],
    cautions: [GAS, LIVE_WORK],
    settle: { from: 8, to: 10 },
    instructions: [indoorPanel, probes],
    restores: [],
    after: BEFORE_LIVE,
  },
  {
    id: 'fan-only',
    title: 'Blower alone',
    place: 'indoor-unit',
    mode: 'fan',
    state: ['Fan called', 'Nothing else running'],
    cautions: [LIVE_WORK],
    instructions: [indoorPanel],
    restores: [],
    after: BEFORE_LIVE,
  },
  {
    id: 'heating',
    title: 'Heat pump heating',
    place: 'outdoor-unit',
    mode: 'heating',
    state: ['Heat called, strips held off', 'Running 10 to 15 minutes'],
    cautions: [LIVE_WORK, REFRIGERANT_WORK],
    settle: { from: 10, to: 15 },
    instructions: [
      { opens: 'strip-wire-lifted', text: 'Lift the electric heat’s control wire, so that it can run long enough' },
      gauges,
    ],
    restores: [],
    after: [...BEFORE_LIVE, 'electric-heat', 'gas-heat'],
  },
  {
    id: 'defrost',
    title: 'Defrost, last of all',
    place: 'outdoor-unit',
    mode: 'heating',
    state: ['Heat called', `Coil below ${COLD_COIL_F} °F`],
    cautions: [LIVE_WORK],
    putBackFirst: ['strip-wire-lifted'],
    instructions: [
      {
        opens: 'fan-lead-pulled',
        text: 'Pull the outdoor fan lead until the coil frosts; put it back before the test',
      },
    ],
    restores: ['fan-lead-pulled', 'strip-wire-lifted', 'gauges-on'],
    after: [...BEFORE_LIVE, ...HEATS],
  },
  {
    id: 'cooling-air',
    title: 'Air and blower, cooling',
    place: 'indoor-unit',
    mode: 'cooling',
    state: ['Cooling called', 'Settled: the last minutes flat'],
    cautions: [LIVE_WORK],
    settle: { from: 10, to: 15 },
    instructions: [indoorPanel, probes],
    restores: ['probes-in-ducts'],
    after: [...BEFORE_LIVE, ...HEATS, 'defrost'],
  },
  {
    id: 'cooling',
    title: 'Outdoor unit, cooling',
    place: 'outdoor-unit',
    mode: 'cooling',
    state: ['Cooling called', 'Running 10 to 15 minutes'],
    cautions: [LIVE_WORK, REFRIGERANT_WORK],
    settle: { from: 10, to: 15 },
    instructions: [gauges],
    restores: ['gauges-on'],
    after: [...BEFORE_LIVE, ...HEATS, 'defrost'],
  },
  {
    id: 'off-outdoor',
    title: 'Outdoors, power off',
    place: 'outdoor-unit',
    mode: 'off',
    state: ['Locked out and proved dead', 'Capacitors discharged'],
    cautions: [LOCK_OUT, DISCHARGE, WIRES],
    instructions: [
      { opens: 'breaker-off', text: 'Breaker off and locked' },
      { opens: 'disconnect-out', text: 'Disconnect out' },
    ],
    restores: ['outdoor-panel-off', 'disconnect-out'],
    after: [...BEFORE_LIVE, ...LIVE],
  },
  {
    id: 'off-indoor',
    title: 'Indoors, power off',
    place: 'indoor-unit',
    mode: 'off',
    state: ['Locked out and proved dead', 'Wires noted before they come off'],
    cautions: [LOCK_OUT, WIRES],
    instructions: [{ opens: 'breaker-off', text: 'Breaker off and locked' }],
    restores: ['indoor-panel-off'],
    after: [...BEFORE_LIVE, ...LIVE],
  },
  {
    id: 'restart',
    title: 'Start it again',
    place: 'thermostat',
    mode: 'calls',
    state: ['Wires, caps, panels back', 'Power on', 'One call at a time, delays waited out'],
    cautions: [LIVE_WORK],
    // It cannot run without: taking its reading says that they are in.
    putBackFirst: ['disconnect-out', 'breaker-off'],
    instructions: [],
    restores: [],
    after: [...BEFORE_LIVE, ...LIVE, 'off-outdoor', 'off-indoor'],
  },
];
