import {
  benchOf,
  callsOf,
  COMPLAINT_SHARES,
  COMPLAINTS,
  FAULTS_OF_CIRCUITS,
  machineSpecOf,
  readMeasure,
  soundMachine,
  waysOn,
  withChanges,
  type Bench,
  type Change,
  type CircuitFaultId,
  type CircuitReading,
  type Complaint,
  type Machine,
  type MachineSpec,
  type Plate,
  type SystemKind,
  type Test,
} from '@yarnix/core';
import type { Random } from '@yarnix/simulator';

/** A machine with something wrong that nobody has said: its resistances, its shares and its words are not the engine's own. */
export interface Hidden {
  readonly kind: SystemKind;
  /** As it was noted; now and then not as it is. */
  readonly noted: MachineSpec;
  readonly faults: readonly CircuitFaultId[];
  readonly complaint: Complaint;
  readonly outdoorF: number;
  /** What is wrong with it, for whoever looks into a case. */
  readonly does: readonly (readonly Change[])[];
  /** What a technician would read, NaN where nothing runs that it could be read of; null where the machine has no such place. */
  readonly read: (test: Test) => CircuitReading | null;
  /** The same machine, its readings drawn anew: every way of testing meets the same one. */
  readonly afresh: (random: Random) => Hidden;
  /** The same machine with a fault repaired. */
  readonly repaired: (fault: CircuitFaultId) => Hidden;
}

/** Pairs that come together in the field, drawn here apart from what the engine thinks leads to what. */
const PAIRS: readonly (readonly [CircuitFaultId, CircuitFaultId])[] = [
  ['fan-capacitor-weak', 'outdoor-fan-winding-open'],
  ['fan-capacitor-weak', 'outdoor-coil-dirty'],
  ['blower-capacitor-weak', 'blower-winding-open'],
  ['herm-weak', 'contactor-pole-burnt'],
  ['herm-weak', 'fan-capacitor-weak'],
  ['contactor-coil-shorted', 'float-switch-open-in-y'],
  ['air-choked', 'charge-low'],
  ['sequencer-late', 'element-2-open'],
  ['contactor-welded', 'thermostat-y-open'],
  ['igniter-cracked', 'flame-sensor-dirty'],
  ['draft-switch-open', 'igniter-cracked'],
  ['signal-wire-open', 'ductless-fan-dead'],
  ['coil-thermostat-never-shuts', 'board-w2-dead'],
  ['w-path-open', 'element-open'],
];

/** What is wrong with one machine in ten is on no list. */
const UNLISTED: readonly (readonly Change[])[] = [
  [{ open: 'field.C' }],
  [{ join: ['Ot', 'Yt'], ohms: 0.5 }],
  [{ join: ['Wt', 'Gt'], ohms: 0.5 }],
  [{ open: 'field.O' }],
  [{ burnt: 'cable.Y', ohms: 160 }],
  [{ ohms: 'contactor.coil', times: 4.5 }],
  [{ burnt: 'indoor.breaker1', ohms: 40 }],
  [{ open: 'cable.2' }],
  [{ join: ['3', '1'], ohms: 20_000 }],
  [{ open: 'cable.1' }],
  [{ open: 'board.o' }, { burnt: 'field.O', ohms: 200 }],
];

const platesOf = (random: Random, kind: SystemKind): Plate => {
  const strips = kind !== 'gas-furnace-with-coil' && kind !== 'ductless-heat-pump';
  const single = random.chance(0.25);
  return {
    tons: random.pick([2, 2.5, 3, 4]),
    ...(strips && { heatKilowatts: 10, heatElements: 2, heatSwitch: random.pick(['sequencer', 'relay']) }),
    blowerMotor: random.pick(['psc', 'psc', 'ecm']),
    blowerCapacitorRating: '7.5 µF 370 V',
    capacitorRating: single ? '40 µF 440 V' : '40+5 µF 440 V',
    ...(single && { fanCapacitorRating: '5 µF 370 V' }),
    ...(random.chance(0.2) && { startCapacitorRating: '88-108 µF 250 V' }),
    defrostControl: random.pick(['time-temperature', 'demand']),
    pressureSwitches: random.pick(['low-high', 'high-low', 'high-only', 'low-only']),
  };
};

/** A few machines of a kind, as they are. */
export const specsOf = (random: Random, kind: SystemKind, count: number): { plate: Plate; spec: MachineSpec }[] =>
  Array.from({ length: count }, () => {
    const plate = platesOf(random, kind);
    return { plate, spec: machineSpecOf(kind, plate) };
  });

/** No two machines are made alike: every resistance is off by up to a fifth, and every motor draws its own. */
function ofItsOwn(random: Random, machine: Machine): Machine {
  const network = machine.network.map((branch) => {
    const by = random.between(0.8, 1.2);
    return {
      ...branch,
      ohms: branch.ohms * by,
      ...(branch.impedance !== undefined && { impedance: branch.impedance * by }),
      ...(branch.motor && { motor: { ...branch.motor, amps: branch.motor.amps * random.between(0.85, 1.15) } }),
      ...(branch.capacitor && { capacitor: { ...branch.capacitor, share: random.between(0.97, 1.05) } }),
    };
  });
  return { ...machine, network };
}

/** How bad it is, drawn anew. */
function bad(random: Random, change: Change): Change {
  if ('left' in change)
    return { ...change, share: random.chance(0.3) ? random.between(0, 0.1) : random.between(0.1, 0.58) };
  if ('short' in change) return { ...change, ohms: random.between(0.8, 5) };
  // A burnt lug is tenths of an ohm to a few; a bad splice is as bad as it has to be to show.
  if ('burnt' in change)
    return {
      ...change,
      ohms: change.ohms < 10 ? 10 ** random.between(-0.4, 0.6) : change.ohms * random.between(0.8, 2),
    };
  if ('air' in change)
    return {
      air: Object.fromEntries(
        Object.entries(change.air).map(([name, much]) => [
          name,
          name === 'flame' || name === 'gas'
            ? random.between(0.1, 0.7)
            : Math.min(name === 'sensorOff' ? 60 : 0.95, much * random.between(0.8, 1.3)),
        ]),
      ),
    };
  return change;
}

const noisy = (random: Random, value: number, share: number, floor: number) =>
  value * (1 + random.normal(0, share)) + random.normal(0, floor);

function answered(
  random: Random,
  { machine, sound }: { machine: Bench; sound: Bench },
  lean: number,
  { measure }: Test,
): CircuitReading {
  const true_ = readMeasure(machine, measure);
  if (measure.what === 'runs') {
    const all = new Set(
      String(true_)
        .split(' ')
        .filter((r) => r !== 'nothing'),
    );
    for (const runner of ['compressor', 'outdoor-fan', 'blower', 'strips'])
      if (random.chance(0.012) && !all.delete(runner)) all.add(runner);
    const order = ['compressor', 'outdoor-fan', 'blower', 'strips', 'gas-burner'];
    return order.filter((r) => all.has(r)).join(' ') || 'nothing';
  }
  if (typeof true_ === 'string' || !Number.isFinite(true_)) return true_;
  if (measure.what === 'air') {
    const usual = Number(readMeasure(sound, measure));
    // This machine follows slopes of its own, and its usual is not the book's.
    const departs = Number.isFinite(usual) ? (true_ - usual) * lean : 0;
    const base = Number.isFinite(usual) ? usual * random.between(0.93, 1.07) : true_;
    return noisy(random, base + departs, 0.02, measure.quantity === 'split' ? 0.8 : 0.03);
  }
  if (measure.what === 'volts') return Math.max(0, noisy(random, true_, 0.01, 0.1));
  if (measure.what === 'amps') return Math.max(0, noisy(random, true_, 0.025, 0.05));
  if (measure.what === 'microfarads') return Math.max(0, noisy(random, true_, 0.012, 0.05));
  return Math.max(0, noisy(random, true_, 0.015, 0.1));
}

const OF_DUCTLESS: ReadonlySet<Complaint> = new Set(['ductless-dead', 'cools-weakly', 'heats-weakly', 'ice-outdoors']);
const PUMPS_HEAT: ReadonlySet<SystemKind> = new Set(['split-heat-pump', 'packaged-heat-pump', 'ductless-heat-pump']);

/** What an owner says of a fault: vague one time in eight, wrong one in twelve. */
function worded(random: Random, faults: readonly CircuitFaultId[], kind: SystemKind): Complaint {
  const naming = (fault: CircuitFaultId) => COMPLAINTS.filter((c) => (COMPLAINT_SHARES[c][fault] ?? 0) > 0);
  const own = faults
    .flatMap(naming)
    .filter((c) => OF_DUCTLESS.has(c) || kind !== 'ductless-heat-pump')
    .filter((c) => c !== 'heats-weakly' || PUMPS_HEAT.has(kind));
  const said = own[random.whole(0, Math.max(0, own.length - 1))] ?? 'cools-weakly';
  if (random.chance(1 / 12))
    return random.pick(['cools-weakly', 'no-air', 'never-stops', 'nothing-runs', 'outdoor-unit-dead']);
  return random.chance(1 / 8) ? (kind === 'air-handler-electric-heat' ? 'heat-weak' : 'cools-weakly') : said;
}

const OF_WINTER: ReadonlySet<Complaint> = new Set([
  'heat-weak',
  'heats-weakly',
  'ice-outdoors',
  'odd-defrost',
  'no-flame',
  'flame-lost',
]);
const OF_SUMMER: ReadonlySet<Complaint> = new Set(['cools-weakly', 'ice-indoors', 'heats-for-cooling']);

/** The weather somebody calls in, °F: what heats is missed in the cold, what cools in the heat, anything else in either. */
function weatherOf(random: Random, complaint: Complaint, { outdoors }: MachineSpec): number {
  const warm =
    OF_SUMMER.has(complaint) || (!OF_WINTER.has(complaint) && random.chance(outdoors === 'condenser' ? 0.8 : 0.5));
  return warm ? random.between(76, 100) : random.between(15, 42);
}

/** Whether what was noted is there: a switch that the machine has not cannot be measured. */
function isThere({ network }: Machine, { measure }: Test): boolean {
  if (measure.what === 'ohms') return measure.keep.every((id) => network.some((branch) => branch.id === id));
  if (measure.what !== 'volts') return true;
  return [measure.from, measure.to].every(
    (node) => node === 'ground' || network.some(({ a, b }) => a === node || b === node),
  );
}

interface Drawn {
  readonly random: Random;
  readonly kind: SystemKind;
  readonly plate: Plate;
  readonly faults: readonly CircuitFaultId[];
  readonly does: readonly (readonly Change[])[];
  readonly complaint: Complaint;
  readonly outdoorF: number;
  readonly base: Machine;
  readonly lean: number;
  readonly noted: MachineSpec;
}

function hiddenOf(drawn: Drawn): Hidden {
  const { random, kind, faults, does, complaint, outdoorF, base, lean, noted } = drawn;
  const benches = { machine: benchOf(withChanges(base, does.flat())), sound: benchOf(base) };
  return {
    kind,
    noted,
    faults,
    does,
    complaint,
    outdoorF,
    read: (test) => (isThere(base, test) ? answered(random, benches, lean, test) : null),
    afresh: (dice) => hiddenOf({ ...drawn, random: dice }),
    repaired: (fault) => {
      const left = faults.map((_, i) => i).filter((i) => faults[i] !== fault);
      return hiddenOf({
        ...drawn,
        faults: left.map((i) => faults[i]!),
        does: left.map((i) => does[i] ?? []),
      });
    },
  };
}

const shows = (base: Machine, does: readonly Change[]): boolean => {
  const [one, other] = [benchOf(base), benchOf(withChanges(base, does))];
  return callsOf(base.spec).some(
    (call) => readMeasure(one, { what: 'runs', call }) !== readMeasure(other, { what: 'runs', call }),
  );
};

/** The same machine with a fault that comes and goes in spells: it shows or is away for some tests together. */
export function inSpells(random: Random, hidden: Hidden): Hidden {
  const sound = hidden.faults.reduce((machine: Hidden, fault) => machine.repaired(fault), hidden);
  let shows = random.chance(0.6);
  return {
    ...hidden,
    read(test) {
      const reading = (shows ? hidden : sound).read(test);
      if (random.chance(0.3)) shows = !shows;
      return reading;
    },
  };
}

/** Draws a hidden machine with so many faults, or with one that is on no list. */
export function drawHidden(
  random: Random,
  { plate, spec }: { plate: Plate; spec: MachineSpec },
  what: 'single' | 'double' | 'unlisted',
): Hidden | null {
  const sound = soundMachine(spec);
  const base = ofItsOwn(random, sound);
  const waysFor = (id: CircuitFaultId) => {
    const fault = FAULTS_OF_CIRCUITS.find((f) => f.id === id);
    return fault ? waysOn(sound, fault) : [];
  };
  const drawWay = (id: CircuitFaultId): Change[] => {
    const ways = waysFor(id);
    return (ways[random.whole(0, ways.length - 1)] ?? []).map((change) => bad(random, change));
  };
  // Written down by somebody in a hurry: one order of the switches in six is another one's.
  const noted = random.chance(1 / 6)
    ? ({ ...spec, switches: spec.switches === 'low-high' ? 'high-low' : spec.switches } as const)
    : spec;
  const common = { random, kind: spec.kind, plate, base, lean: random.between(0.8, 1.2), noted };
  if (what === 'unlisted') {
    const there = UNLISTED.filter((does) =>
      does.every((c) => 'join' in c || base.network.some(({ id }) => Object.values(c).includes(id))),
    ).filter((does) => shows(base, does));
    const does = there[random.whole(0, there.length - 1)];
    if (!does) return null;
    const complaint = random.pick<Complaint>(
      spec.indoors === 'head'
        ? ['ductless-dead']
        : spec.outdoors === 'none'
          ? ['heat-weak', 'no-air', 'nothing-runs']
          : ['outdoor-unit-dead', 'nothing-runs', 'cools-weakly'],
    );
    return hiddenOf({ ...common, faults: [], does: [does], complaint, outdoorF: weatherOf(random, complaint, spec) });
  }
  const possible = FAULTS_OF_CIRCUITS.filter((f) => waysOn(sound, f).length > 0).map((f) => f.id);
  const pairs = PAIRS.filter((pair) => pair.every((id) => possible.includes(id)));
  const faults =
    what === 'single' ? [possible[random.whole(0, possible.length - 1)]] : pairs[random.whole(0, pairs.length - 1)];
  if (!faults || faults.length === 0) return null;
  const known = faults as readonly CircuitFaultId[];
  const complaint = worded(random, known, spec.kind);
  const outdoorF = weatherOf(random, complaint, spec);
  return hiddenOf({ ...common, faults: known, does: known.map(drawWay), complaint, outdoorF });
}
