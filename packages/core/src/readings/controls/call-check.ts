import { hasStrips, type Point } from '../../equipment/component.ts';
import { isHeatPump } from '../../equipment/system-kind.ts';
import {
  callTable,
  expectedOn,
  hasFanCall,
  mayRun,
  RUNNERS,
  type Call,
  type Runner,
} from '../../trade/controls/call-table.ts';
import type { About, SeveralSpec, Method, Where } from '../contract/entry.ts';
import type { FindingKind } from '../contract/kind.ts';
import { choices, found, severalIn } from '../contract/window.ts';

const CALLS: Partial<Record<Point, Call>> = {
  'call-off': 'off',
  'call-fan': 'fan',
  'call-cooling': 'cooling',
  'call-heating': 'heating',
  'call-second-stage': 'second-stage-heat',
  'call-emergency-heat': 'emergency-heat',
};

const RUNNER_NAMES: Readonly<Record<Runner, string>> = {
  compressor: 'Compressor',
  'outdoor-fan': 'Outdoor fan',
  blower: 'Blower',
  strips: 'Electric heat',
  'gas-burner': 'Gas burner',
};

/** What is seen or heard to run, of what the machine has. */
export const whatRuns: SeveralSpec = {
  id: 'seen',
  type: 'several',
  label: 'What runs',
  none: { value: 'nothing-runs', label: 'Nothing runs' },
  options: choices(RUNNER_NAMES).map((choice) => ({
    ...choice,
    on: (where) => mayRun(hasOf(where)).has(choice.value as Runner),
  })),
};

const hasOf = ({ systemKind, plate }: Where) => ({
  kind: systemKind,
  strips: hasStrips(systemKind, plate),
});

function callsOf(where: Where): Point[] {
  const has = hasOf(where);
  const heats = where.systemKind !== 'split-air-conditioner' || has.strips;
  const all: [Point, boolean][] = [
    ['call-off', true],
    ['call-fan', hasFanCall(where.systemKind)],
    ['call-cooling', where.systemKind !== 'air-handler-electric-heat'],
    ['call-heating', heats],
    ['call-emergency-heat', isHeatPump(where.systemKind) && has.strips],
  ];
  return all.filter(([, there]) => there).map(([point]) => point);
}

/** The call that is made at a point. */
export const callAt = (point: Point): Call => CALLS[point] ?? 'off';
const expected = (about: About): Runner[] => expectedOn(callAt(about.point), hasOf(about));

const secondStageOf = (where: Where): Point[] =>
  isHeatPump(where.systemKind) && hasOf(where).strips ? ['call-second-stage'] : [];

const madeCall = (id: string, title: string, order: number, points: (where: Where) => Point[]): Method => ({
  id,
  title,
  stops: ['calls'],
  order,
  points,
  usual: (about) => {
    const runs = expected(about);
    return { seen: runs.length > 0 ? runs : [whatRuns.none.value] };
  },
  inputs: [whatRuns],
  evaluate: (inputs, about) => {
    const runs = severalIn(inputs, whatRuns);
    const table = callTable({
      call: callAt(about.point),
      seen: RUNNERS.filter((runner) => runs.includes(runner)),
      has: hasOf(about),
    });
    return found(table.pointsTo.length > 0 ? table.pointsTo : 'as-the-call-wants');
  },
});

/** Each thermostat call made alone, and what runs on it. */
export const callCheck: FindingKind = {
  type: 'finding',
  id: 'call-check',
  title: 'Call',
  component: 'thermostat',
  saysWhere: true,
  pointTitles: {
    'call-off': 'Thermostat off',
    'call-fan': 'Fan call alone',
    'call-cooling': 'Cooling call',
    'call-heating': 'Heating call',
    'call-second-stage': 'Second-stage heat call',
    'call-emergency-heat': 'Emergency heat call',
  },
  plateLine: (about) => {
    const names = expected(about).map((runner) => RUNNER_NAMES[runner].toLowerCase());
    return `should run: ${names.join(', ') || 'nothing'}`;
  },
  movedBy: ['delays that hold a blower or a compressor for a while'],
  methods: [
    madeCall('seen', 'make the call, note what runs', 30, callsOf),
    // A thermostat decides by itself when it asks for the second stage: made where it can be forced.
    { ...madeCall('second-stage', 'raise the set point until the strips join', 31, secondStageOf), optional: true },
  ],
};
