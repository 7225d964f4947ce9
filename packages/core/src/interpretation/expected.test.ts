import { machineSpecOf } from '../circuit/machine-spec.ts';
import type { Probe } from '../circuit/probe.ts';
import type { MachineState } from '../circuit/state.ts';
import { scaleOf, structureName, structureOf } from '../circuit/structure.ts';
import { expectByTables, expectedOf, onWanted, takeUpTable, workedOut } from './expected.ts';
import { expectedTable } from './expected-table.ts';
import { interpretVisit } from './interpret-visit.ts';

const plate = { compressorRla: 16, outdoorFanFla: 1.4, tons: 3 } as const;
const spec = machineSpecOf('split-air-conditioner', plate);
const amps: Probe = { what: 'amps', through: ['compressor.run'] };
const volts: Probe = { what: 'volts', from: 'D1', to: 'T1' };
const cooling: MachineState = { powered: 'all', call: 'cooling', after: 600 };
const off: MachineState = { powered: 'all', call: 'off', after: 600 };

test('machines of one structure have one name, whatever their plates say', () => {
  const other = machineSpecOf('split-air-conditioner', { compressorRla: 22, tons: 5, outdoorFanFla: 2 });
  expect(structureName(other)).toBe(structureName(spec));
  expect(structureName(machineSpecOf('split-heat-pump', plate))).not.toBe(structureName(spec));
  // 12 A run where RLA is 16, and 10 A in the structure.
  expect(scaleOf(amps, spec)).toBeCloseTo(1.2, 6);
  expect(scaleOf(volts, spec)).toBe(1);
});

test('what every way shows: the sound one first, and what floats is no figure', () => {
  const expected = workedOut(spec);
  const ways = expected.ways ?? [];
  expect(ways[0]).toMatchObject({ cause: 'no-fault', isSound: true });
  expect(expected.shown(amps, cooling)[0]).toBeCloseTo(spec.compressorAmps, 0);
  const open = ways.findIndex(({ cause }) => cause === 'contactor-coil-open');
  expect(expected.shownBy(open, amps, cooling)).toBeCloseTo(0, 3);
  // One pole: the other leg is live through the motors.
  expect(expected.shownBy(open, volts, cooling)).toBeGreaterThan(200);
  expect(expected.sound(volts, off)).toBeGreaterThan(200);
});

test('what is worked out elsewhere comes as a table, and says what was worked out here', () => {
  const reading = {
    id: 'k',
    kind: 'contactor-coil-ohms',
    slot: 'contactor',
    point: 'whole',
    method: 'ohms',
    inputs: { first: 'OL' },
  } as const;
  const system = { kind: 'split-air-conditioner', plate } as const;
  const here = interpretVisit(system, [reading]).get('k');
  expect(here).toMatchObject({ says: 'condemned', causes: ['contactor-coil-open'] });

  const wanted: string[] = [];
  expectByTables();
  onWanted((of) => wanted.push(structureName(of)));
  // Until then it is only known that no sound machine reads so.
  expect(interpretVisit(system, [reading]).get('k')).toMatchObject({ says: 'tells-nothing', causes: [] });
  expect(wanted).toEqual([structureName(spec)]);
  // In which state it would is known at once.
  const amps0 = { ...reading, kind: 'compressor-amps', slot: 'compressor', point: 'common', method: 'clamp' } as const;
  expect(interpretVisit(system, [{ ...amps0, inputs: { amps: 0 } }]).get('k')).toMatchObject({
    says: 'tells-nothing',
    states: ['no-call', 'timer'],
  });

  // What no sound machine runs in any state has a cause, whichever.
  const looked = { ...reading, kind: 'call-check', slot: 'thermostat', point: 'call-cooling', method: 'seen' } as const;
  const seen = (...runs: string[]) => interpretVisit(system, [{ ...looked, inputs: { seen: runs } }]).get('k');
  expect(seen('compressor', 'blower')).toMatchObject({ says: 'elsewhere', causes: [] });
  expect(seen('blower')).toMatchObject({ says: 'tells-nothing', states: ['timer'] });

  const table = expectedTable('split-air-conditioner', plate);
  expect(table.figures).toHaveLength(table.names.length * table.ways.length);
  takeUpTable(spec, table);
  expect(interpretVisit(system, [reading]).get('k')).toMatchObject({
    says: 'condemned',
    causes: ['contactor-coil-open'],
  });
  const [made, sent] = [workedOut(structureOf(spec)), expectedOf(spec)];
  for (const probe of [amps, volts])
    made.shown(probe, cooling).forEach((shown, way) => expect(sent.shownBy(way, probe, cooling)).toEqual(shown));
});
