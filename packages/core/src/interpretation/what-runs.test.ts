import type { Point } from '../equipment/component.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import type { Conditions } from '../readings/contract/conditions.ts';
import { interpretVisit, type ToInterpret } from './interpret-visit.ts';

const PLATE = { heatKilowatts: 10, compressorRla: 15 };
const PUMP = 'split-heat-pump';
const FURNACE = 'gas-furnace-with-coil';

const looked = (point: Point, seen: string, conditions: Conditions = {}): ToInterpret => ({
  ...{ id: 'looked', kind: 'call-check', slot: 'thermostat', point, method: 'seen', conditions },
  inputs: { seen: seen.split(' ') },
});
const says = (kind: SystemKind, point: Point, seen: string, conditions?: Conditions) =>
  interpretVisit({ kind, plate: kind === PUMP ? PLATE : { compressorRla: 15 } }, [looked(point, seen, conditions)]).get(
    'looked',
  );

// What runs on each call: common practice, no source.
test.each([
  [PUMP, 'call-off', 'nothing-runs'],
  [PUMP, 'call-fan', 'blower'],
  [PUMP, 'call-cooling', 'compressor outdoor-fan blower'],
  [PUMP, 'call-heating', 'compressor outdoor-fan blower'],
  [PUMP, 'call-second-stage', 'compressor outdoor-fan blower strips'],
  [PUMP, 'call-emergency-heat', 'strips blower'],
  [FURNACE, 'call-heating', 'gas-burner blower'],
  [FURNACE, 'call-cooling', 'compressor outdoor-fan blower'],
] as const)('%s, %s: %s is as it should be', (kind, point, seen) => {
  expect(says(kind, point, seen)?.says).toBe('counts');
});

// A sound machine does all of this by itself for a while: common practice, no source.
test.each([
  // A natural defrost: valve over, outdoor fan off, strips on once their sequencer has closed.
  [PUMP, 'call-heating', 'compressor blower strips', { outdoorF: 25 }, 'defrosting'],
  [PUMP, 'call-heating', 'compressor blower', { outdoorF: 25 }, 'defrosting'],
  [PUMP, 'call-heating', 'compressor blower strips', {}, 'defrosting'],
  // Its off-timer holds the compressor for five minutes.
  [PUMP, 'call-cooling', 'blower', {}, 'timer'],
  [FURNACE, 'call-cooling', 'blower', {}, 'timer'],
  // The thermostat has gone to the second stage.
  [PUMP, 'call-heating', 'compressor outdoor-fan blower strips', {}, 'other-stage'],
  // A delay lets the blower run on.
  [PUMP, 'call-off', 'blower', {}, 'blower-delay'],
  [FURNACE, 'call-off', 'blower', {}, 'blower-delay'],
  // The burner is lit some 30 s before the air comes; before that the inducer and the igniter alone are on.
  [FURNACE, 'call-heating', 'gas-burner', {}, 'just-begun'],
  [FURNACE, 'call-heating', 'nothing-runs', {}, 'just-begun'],
] as const)('%s, %s: %s with %j is no fault: %s', (kind, point, seen, conditions, state) => {
  const told = says(kind, point, seen, conditions);
  expect(['tells-nothing', 'other-state']).toContain(told?.says);
  expect(told?.states[0]).toBe(state);
});

// None of them is what a sound machine does, whatever it waits for: common practice, no source.
test.each([
  [PUMP, 'call-cooling', 'compressor blower', {}],
  [PUMP, 'call-cooling', 'outdoor-fan blower', {}],
  [PUMP, 'call-cooling', 'compressor outdoor-fan', {}],
  [PUMP, 'call-off', 'compressor outdoor-fan', {}],
  [PUMP, 'call-fan', 'blower compressor outdoor-fan', {}],
  [PUMP, 'call-emergency-heat', 'strips', {}],
  // Nothing defrosts at 60 °F, nor where somebody has seen that it does not.
  [PUMP, 'call-heating', 'compressor blower', { outdoorF: 60 }],
  [PUMP, 'call-heating', 'compressor blower', { outdoorF: 25, asMeant: true }],
  [FURNACE, 'call-heating', 'gas-burner', { runningMin: 4 }],
  [FURNACE, 'call-heating', 'blower', {}],
] as const)('%s, %s: %s with %j has a cause', (kind, point, seen, conditions) => {
  expect(says(kind, point, seen, conditions)?.says).toBe('elsewhere');
});

test('the cause is one that would look so', () => {
  const melted = says(PUMP, 'call-off', 'compressor outdoor-fan');
  expect(melted?.causes).toEqual(['contactor-welded']);
  expect(says(PUMP, 'call-fan', 'blower compressor outdoor-fan')?.causes).toContain('y-on-g');
});

test('what runs on one call is heard by what is read on another', () => {
  const amps: ToInterpret = {
    ...{ id: 'amps', kind: 'compressor-amps', slot: 'compressor', point: 'common', method: 'clamp' },
    ...{ inputs: { amps: 0 }, conditions: {} },
  };
  const machine = { kind: PUMP, plate: PLATE } as const;
  const alone = interpretVisit(machine, [amps]).get('amps');
  // The contactor pulls in, since the fan behind it runs: what is left lies in the compressor's own wire or windings.
  const heard = interpretVisit(machine, [looked('call-cooling', 'outdoor-fan blower', { asMeant: true }), amps]).get(
    'amps',
  );
  expect(alone?.says).toBe('tells-nothing');
  expect(heard?.causes.every((cause) => cause.startsWith('compressor'))).toBe(true);
});
