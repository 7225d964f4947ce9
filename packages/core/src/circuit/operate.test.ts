import { SYSTEM_KINDS } from '../equipment/system-kind.ts';
import { expectedOn } from '../trade/controls/call-table.ts';
import { callsOf, runnersOf, soundMachine } from './machine.ts';
import { machineSpecOf } from './machine-spec.ts';
import { capacitor, coil, contact, GROUND, wire, type Branch } from './network.ts';
import { operate } from './operate.ts';

const plateOf = (kind: (typeof SYSTEM_KINDS)[number]) =>
  kind === 'gas-furnace-with-coil' || kind === 'ductless-heat-pump'
    ? { tons: 3 }
    : { tons: 3, heatKilowatts: 10, heatElements: 2, blowerMotor: 'psc' as const };

test.each(SYSTEM_KINDS)('a sound %s runs on every call what the call table says, and comes to rest', (kind) => {
  const machine = soundMachine(machineSpecOf(kind, plateOf(kind)));
  const has = { kind, strips: machine.spec.banks.length > 0 };
  for (const call of callsOf(machine.spec)) {
    const at = operate(machine.network, call);
    const table = expectedOn(call, has);
    // The table leaves a split system's own auxiliary heat to its heating call.
    const heats = call === 'heating' && kind === 'split-air-conditioner' ? ['blower', 'strips'] : table;
    expect([call, [...runnersOf(machine, at)].sort()]).toEqual([call, [...heats].sort()]);
    expect([call, at.chatters, [...at.blown]]).toEqual([call, false, []]);
  }
});

const supply = (volts: number, ohms = 0.5): Branch => ({ id: 'supply', a: GROUND, b: 'R', ohms, emf: () => volts });

test('a relay that holds itself stays in once it was pulled in (the stop–start circuit of any textbook on motor control)', () => {
  const circuit = (start: boolean, holding: boolean): Branch[] => [
    supply(24),
    wire('stop', 'R', 'a'),
    contact('start', 'a', 'b', () => start),
    contact('hold', 'a', 'b', (now) => now.pulled('m')),
    coil('m', 'b', GROUND, 70, 170),
    ...(holding ? [{ ...wire('held', 'a', 'b'), id: 'held' }] : []),
  ];
  expect(operate(circuit(false, false), 'off').pulled('m')).toBe(false);
  expect(operate(circuit(true, false), 'off').pulled('m')).toBe(true);
});

test('a coil that opens its own contact buzzes: it finds no rest, and that is said', () => {
  const buzzer: Branch[] = [
    supply(24),
    contact('nc', 'R', 'b', (now) => !now.pulled('m')),
    coil('m', 'b', GROUND, 70, 170),
  ];
  expect(operate(buzzer, 'off').chatters).toBe(true);
});

test('a short blows the fuse and not the breaker; a motor that stalls draws its locked amps, then its overload opens', () => {
  const short: Branch[] = [supply(26, 1), { ...wire('fuse', 'R', 'a'), fuse: 5 }, wire('load', 'a', GROUND, 0.5)];
  expect([...operate(short, 'off').blown]).toEqual(['fuse']);
  const stalled: Branch[] = [
    supply(240, 0.1),
    {
      id: 'k',
      a: 'R',
      b: GROUND,
      ohms: 1,
      motor: { ratedVolts: 240, amps: 15, lockedAmps: 80, starts: false },
    },
    capacitor('c', 'R', GROUND, 40),
  ];
  expect(operate(stalled, 'cooling', 1).amps('k')).toBeGreaterThan(70);
  expect(operate(stalled, 'cooling', 60).amps('k')).toBe(0);
  expect(operate(stalled, 'cooling', 60).amps('nothing')).toBe(0);
});

test('of a short that draws 4 A a fuse of 3 A dies, and one of 10 A lives on while the transformer burns', () => {
  const blown = (controlFuseAmps: number) => {
    const { network } = soundMachine(machineSpecOf('split-air-conditioner', { controlFuseAmps }));
    return [...operate([...network, { ...wire('short', 'R', 'C'), ohms: 5 }], 'off').blown];
  };
  expect(blown(3)).toEqual(['fuse']);
  expect(blown(10)).toEqual([]);
});
