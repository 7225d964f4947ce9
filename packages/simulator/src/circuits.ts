import {
  benchOf,
  enteredFor,
  machineSpecOf,
  readMeasure,
  soundMachine,
  testsOf,
  withFaults,
  type Bench,
  type CircuitFaultId,
  type CircuitReading,
  type Test,
} from '@yarnix/core';
import type { Fault } from './model-house.ts';
import type { Scene } from './physics.ts';

/** What each fault of a house is in its circuits; what is of readings alone, like a weak section that still starts, is there too. */
const IN_CIRCUIT: Readonly<Partial<Record<Fault, CircuitFaultId>>> = {
  'low-charge': 'charge-low',
  'dirty-filter': 'air-choked',
  'strip-welded': 'sequencer-welded',
  'element-open': 'element-open',
  'contact-pitted': 'contactor-pole-burnt',
  'no-defrost-heat': 'board-w2-dead',
  'high-switch-open': 'high-switch-failed',
  'contactor-welded': 'contactor-welded',
  'blower-relay-welded': 'blower-relay-welded',
  'sequencer-slow': 'sequencer-late',
  'winding-open': 'compressor-winding-open',
  'pan-heater-open': 'pan-heater-open',
  'coil-thermostat-shut': 'coil-thermostat-stuck-shut',
  'sensor-warm': 'sensor-off-scale',
};

interface Wired {
  readonly bench: Bench;
  readonly tests: ReadonlyMap<string, Test>;
}
/** Circuits are worked out once a house and its faults: a probe asks four times a second. */
const KNOWN = new WeakMap<Scene['house'], Map<string, Wired>>();

function wiredOf({ house, faults }: Scene): Wired {
  const known = KNOWN.get(house) ?? new Map<string, Wired>();
  KNOWN.set(house, known);
  const key = [...faults].sort().join();
  const before = known.get(key);
  if (before) return before;
  const spec = machineSpecOf(house.kind, house.plate);
  const ids = [...faults].flatMap((fault) => IN_CIRCUIT[fault] ?? []);
  const tests = new Map(testsOf(spec).map((test) => [test.id, test]));
  const made = { bench: benchOf(withFaults(soundMachine(spec), ids)), tests };
  known.set(key, made);
  return made;
}

/** What leads on a circuit, or eyes on a machine, would be shown; NaN where the machine has no such place. */
export function circuitTruth(scene: Scene, at: { kind: string; point: string; method?: string }): CircuitReading {
  const { bench, tests } = wiredOf(scene);
  const test = tests.get(`${at.kind}/supply/${at.point}/${at.method ?? ''}`);
  return test ? enteredFor(test, readMeasure(bench, test.measure)) : NaN;
}
