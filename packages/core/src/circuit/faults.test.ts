import { SYSTEM_KINDS, type SystemKind } from '../equipment/system-kind.ts';
import type { Plate } from '../equipment/plate.ts';
import { withChanges } from './change.ts';
import { FAULTS, waysOn, type FaultId } from './faults.ts';
import { callsOf, runnersOf, soundMachine } from './machine.ts';
import { machineSpecOf } from './machine-spec.ts';
import { benchOf, read, type Measure } from './measure.ts';

const PLATES: Readonly<Record<SystemKind, Plate>> = {
  'split-air-conditioner': { tons: 3, heatKilowatts: 10, heatElements: 2, blowerMotor: 'psc', heatSwitch: 'relay' },
  'split-heat-pump': {
    tons: 3,
    heatKilowatts: 10,
    heatElements: 2,
    blowerMotor: 'psc',
    startCapacitorRating: '88-108 µF 250 V',
  },
  'packaged-heat-pump': { tons: 3, heatKilowatts: 10, heatElements: 2, blowerMotor: 'ecm', defrostControl: 'demand' },
  'air-handler-electric-heat': { heatKilowatts: 10, heatElements: 2, blowerMotor: 'psc' },
  'gas-furnace-with-coil': { tons: 3, blowerMotor: 'psc' },
  'ductless-heat-pump': { tons: 1.5 },
};
const machineOf = (kind: SystemKind) => soundMachine(machineSpecOf(kind, PLATES[kind]));
const withFault = (kind: SystemKind, id: FaultId, way = 0) => {
  const machine = machineOf(kind);
  const ways = waysOn(
    machine,
    FAULTS.find((f) => f.id === id)!,
  );
  return benchOf(withChanges(machine, ways[way]!));
};
const runs = (bench: ReturnType<typeof benchOf>, call: 'off' | 'fan' | 'cooling' | 'heating' | 'emergency-heat') =>
  [...runnersOf(bench.machine, bench.on(call))].sort().join(' ');
const volts = (from: string, to: string, call: 'off' | 'fan' | 'cooling' | 'emergency-heat' = 'cooling'): Measure => ({
  what: 'volts',
  from,
  to,
  call,
});

test('at least sixty faults over the six kinds of system, and every one of them is on some machine', () => {
  const on = (kind: SystemKind) => FAULTS.filter((f) => waysOn(machineOf(kind), f).length > 0).map((f) => f.id);
  const all = new Set(SYSTEM_KINDS.flatMap(on));
  expect(FAULTS.length).toBeGreaterThanOrEqual(60);
  expect(FAULTS.map((f) => f.id).filter((id) => !all.has(id))).toEqual([]);
  expect(on('gas-furnace-with-coil')).not.toContain('sequencer-late');
  expect(on('air-handler-electric-heat')).not.toContain('contactor-jammed');
  expect(on('ductless-heat-pump')).not.toContain('transformer-open');
});

test('each fault of part and wire shows: something runs, reads or looks other than on a sound machine', () => {
  const silent: string[] = [];
  for (const kind of SYSTEM_KINDS) {
    const machine = machineOf(kind);
    const sound = benchOf(machine);
    for (const fault of FAULTS)
      for (const does of waysOn(machine, fault)) {
        const bench = benchOf(withChanges(machine, does));
        const same =
          bench.machine.air === sound.machine.air &&
          bench.machine.seized.size === 0 &&
          callsOf(machine.spec).every(
            (call) => runnersOf(bench.machine, bench.on(call)).join() === runnersOf(machine, sound.on(call)).join(),
          ) &&
          machine.network.every((branch, i) => JSON.stringify(branch) === JSON.stringify(bench.machine.network[i]));
        if (same && bench.machine.network.length === machine.network.length) silent.push(`${kind} ${fault.id}`);
      }
  }
  expect(silent).toEqual([]);
});

/** What runs with each fault: common practice, no source. */
test.each([
  ['split-heat-pump', 'blower-relay-welded', 'off', 'blower'],
  ['split-heat-pump', 'g-fed-at-rest', 'off', 'blower'],
  ['split-heat-pump', 'sequencer-welded', 'off', 'blower strips'],
  ['split-heat-pump', 'sequencer-welded', 'cooling', 'blower compressor outdoor-fan strips'],
  ['split-heat-pump', 'y-on-g', 'fan', 'blower compressor outdoor-fan'],
  ['split-heat-pump', 'blower-relay-coil-open', 'fan', ''],
  ['split-heat-pump', 'blower-relay-coil-open', 'emergency-heat', 'blower strips'],
  ['split-heat-pump', 'fan-capacitor-weak', 'cooling', 'blower compressor'],
  ['split-heat-pump', 'herm-weak', 'cooling', 'blower outdoor-fan'],
  ['split-heat-pump', 'board-stuck-in-defrost', 'heating', 'blower compressor strips'],
  ['split-heat-pump', 'contactor-welded', 'off', 'compressor outdoor-fan'],
  ['gas-furnace-with-coil', 'igniter-cracked', 'heating', ''],
  ['gas-furnace-with-coil', 'furnace-limit-open', 'heating', 'blower'],
  ['gas-furnace-with-coil', 'board-cool-relay-dead', 'heating', 'blower gas-burner'],
  ['ductless-heat-pump', 'signal-wire-open', 'cooling', 'blower'],
] as const)('%s with %s, on %s: %s', (kind, fault, call, expected) => {
  expect(runs(withFault(kind, fault), call)).toBe(expected);
});

test('a coil that is shorted, and a wire on C, have blown the fuse by the time somebody comes', () => {
  for (const id of ['contactor-coil-shorted', 'valve-coil-shorted', 'y-on-c-outdoors', 'r-on-c-cable'] as const)
    expect([id, [...withFault('split-heat-pump', id).blown]]).toEqual([id, ['fuse']]);
  expect([...withFault('split-heat-pump', 'fuse-blown').blown]).toEqual([]);
});

test('the short hunt by lifting: the fuse holds once the culprit’s wire is off, and blows with any other one', () => {
  const bench = withFault('split-heat-pump', 'contactor-coil-shorted');
  const fuse = (...lifted: string[]) => read(bench, { what: 'fuse', lifted, call: 'cooling' });
  expect([fuse(), fuse('field.O', 'cable.O'), fuse('float-switch.y', 'cable.Y'), fuse('contactor.coil')]).toEqual([
    'blew',
    'blew',
    'held',
    'held',
  ]);
});

test('0 V across an open contact says nothing while the load behind it is open, too', () => {
  const relay = withFault('split-heat-pump', 'blower-relay-contact-burnt');
  expect(read(relay, volts('m', 'H1', 'fan'))).toBeGreaterThan(200);
  const both = benchOf(withChanges(relay.machine, [{ open: 'blower.run' }, { open: 'element-1' }]));
  expect(read(both, volts('m', 'H1', 'fan'))).toBeLessThan(30);
});

test('a wire that lies loose beside a live one shows ghost volts, and carries nothing', () => {
  const bench = withFault('split-heat-pump', 'y-cable-open');
  const broken = benchOf(withChanges(bench.machine, [{ open: 'board.y-in' }, { stuck: 'board.y', at: 'open' }]));
  const ghost = read(broken, volts('Yo', 'Co'));
  expect(ghost).toBeGreaterThan(5);
  expect(ghost).toBeLessThan(26);
  expect(broken.on('cooling').pulled('contactor.coil')).toBe(false);
});

test('with one leg out, 120 V to ground are back-fed through the motors while leg to leg there is nothing', () => {
  const bench = withFault('split-air-conditioner', 'outdoor-supply-out');
  expect(read(bench, volts('D1', 'D2'))).toBeLessThan(30);
  const stuck = benchOf(
    withChanges(bench.machine, [
      { stuck: 'contactor.1', at: 'closed' },
      { stuck: 'contactor.2', at: 'closed' },
    ]),
  );
  expect(read(stuck, { what: 'volts', from: 'D1', to: 'ground', call: 'off' })).toBeGreaterThan(100);
});

test('an element’s ohms and amps follow its plate (Ohm’s law: 5 kW at 240 V is 11.5 Ω and 20.8 A)', () => {
  const bench = benchOf(machineOf('air-handler-electric-heat'));
  expect(read(bench, { what: 'ohms', from: 'n1', to: 'n1e', keep: ['element-1'] })).toBeCloseTo(11.52, 1);
  expect(read(bench, { what: 'amps', through: 'element-1', call: 'heating' })).toBeCloseTo(20.7, 0);
  // Its contacts close one after the other.
  expect(read(bench, { what: 'amps', through: 'element-2', call: 'heating', after: 30 })).toBeLessThan(0.01);
});

test('a winding inside a hot shell reads open from C and sound from R to S: the overload, not the winding', () => {
  const bench = withFault('split-air-conditioner', 'compressor-overload-open');
  const ohms = (from: string, to: string, keep: string[]) => read(bench, { what: 'ohms', from, to, keep });
  expect(ohms('kc', 'T2', ['compressor.overload', 'compressor.run'])).toBe(Infinity);
  expect(ohms('T2', 's', ['compressor.run', 'compressor.start'])).toBeCloseTo(3.1, 1);
});

test('a coil whose short wanders is told by three samples that do not agree', () => {
  const bench = withFault('split-air-conditioner', 'contactor-coil-shorted', 1);
  expect(read(bench, { what: 'ohms', from: 'Yc', to: 'Co', keep: ['contactor.coil'] })).toBe('jumps');
});

test('a compressor that does not start is found with its overload open and hot, or cooled; left to cool, it hums once more', () => {
  const machine = machineOf('split-heat-pump');
  const locked = FAULTS.find(({ id }) => id === 'compressor-locked')!;
  const [cool, hot] = waysOn(machine, locked).map((does) => benchOf(withChanges(machine, does)));
  const common: Measure = { what: 'ohms', from: 'kc', to: 'T2', keep: ['compressor.overload', 'compressor.run'] };
  expect(read(hot!, common)).toBe(Infinity);
  expect(Number(read(cool!, common))).toBeLessThan(2);
  const start = (cooled: boolean): Measure => ({
    what: 'amps',
    through: 'compressor.run',
    call: 'cooling',
    after: 2,
    ...(cooled && { cooled }),
  });
  expect(Number(read(hot!, start(false)))).toBeCloseTo(0, 3);
  expect(Number(read(hot!, start(true)))).toBeGreaterThan(50);
  // An overload that has failed stays open.
  const ways = waysOn(
    machine,
    FAULTS.find(({ id }) => id === 'compressor-overload-open')!,
  );
  const [tripped, failed] = ways.map((does) => benchOf(withChanges(machine, does)));
  expect(Number(read(tripped!, start(true)))).toBeGreaterThan(5);
  expect(Number(read(tripped!, start(true)))).toBeLessThan(40);
  expect(Number(read(failed!, start(true)))).toBeCloseTo(0, 3);
});
