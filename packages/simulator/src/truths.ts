import {
  deliveredCapacity,
  expectedOn,
  heatElementsOf,
  ratingOf,
  type Component,
  type Point,
  type ReadingKindId,
} from '@yarnix/core';
import { circuitTruth } from './circuits.ts';
import type { Fault, ModelHouse } from './model-house.ts';
import {
  airOf,
  cfmOf,
  compressorWires,
  elementAmps,
  indexOf,
  ohmsOf,
  psig,
  refrigerantOf,
  sensorOhms,
  trueMicrofarads,
  yearsOf,
  type Scene,
} from './physics.ts';

/** Where an instrument is held. */
export interface Held {
  readonly kind: ReadingKindId;
  readonly point: Point;
  readonly input: string;
  readonly component: Component & { id: string };
  /** By which method, where that changes what is seen. */
  readonly method?: string;
}

const lugVolts = 352;

/** What is there: a number, a word of a choice, or the words of several choices. */
type True = number | string | readonly string[];
type Truth = (scene: Scene, held: Held) => True;

function capacitorTruth(scene: Scene, { component, point, input }: Held): number | string {
  if (input === 'finding') {
    const worst = Math.min(
      ...(ratingOf(component)?.sections ?? []).map((s) => trueMicrofarads(scene, component, s.lug) / s.microfarads),
    );
    return worst < 0.8 ? 'bulged' : 'sound';
  }
  const actual = trueMicrofarads(scene, component, point);
  if (input === 'microfarads') return actual;
  return input === 'volts' ? lugVolts : (actual * lugVolts) / 2652.58;
}

function lineTruth(side: 'suction' | 'liquid'): Truth {
  return (scene, { input }) => {
    const at = refrigerantOf(scene);
    if (side === 'suction')
      return input === 'psig' ? psig(scene, at.evaporating, 'dew') : at.evaporating + at.superheat;
    return input === 'psig' ? psig(scene, at.condensing, 'bubble') : at.condensing - at.subcooling;
  };
}

function defrostTruth(scene: Scene, { input }: Held): True {
  const ends = scene.house.plate.defrostTerminationF ?? 70;
  const run: Record<string, True> = {
    startF: Math.min(31, scene.outdoorF - 12),
    seen: ['valve-shifts', 'outdoor-fan-stops', 'compressor-runs'].concat(
      scene.faults.has('no-defrost-heat') ? [] : ['auxiliary-heat-on'],
    ),
    seconds: 60 * scene.house.defrostMinutes,
    endF: ends + 1,
    endedBy: 'temperature',
    frost: ends <= 50 && scene.house.defrostMinutes < 3.2 ? 'bands' : 'none',
  };
  return run[input] ?? 0;
}

const CALLS = {
  'call-off': 'off',
  'call-fan': 'fan',
  'call-cooling': 'cooling',
  'call-heating': 'heating',
  'call-second-stage': 'second-stage-heat',
  'call-emergency-heat': 'emergency-heat',
} as const;

function callTruth(scene: Scene, { point }: Held): readonly string[] {
  const call = CALLS[point as keyof typeof CALLS];
  const has = { kind: scene.house.kind, strips: scene.parts.some((p) => p.slot === 'electric-heat') };
  const runs: string[] = expectedOn(call, has);
  const also = (fault: Fault, runner: string, part: Component['slot']) => {
    const isThere = scene.faults.has(fault) && scene.parts.some((p) => p.slot === part);
    if (isThere && !runs.includes(runner)) runs.push(runner);
  };
  if (call === 'cooling' && has.strips) also('strip-welded', 'strips', 'electric-heat');
  also('blower-relay-welded', 'blower', 'blower-relay');
  also('contactor-welded', 'compressor', 'contactor');
  also('contactor-welded', 'outdoor-fan', 'contactor');
  if (!scene.faults.has('high-switch-open')) return runs.length > 0 ? runs : ['nothing-runs'];
  const left = runs.filter((runner) => runner !== 'compressor' && runner !== 'outdoor-fan');
  return left.length > 0 ? left : ['nothing-runs'];
}

const coil =
  (pick: (house: ModelHouse) => number): Truth =>
  (scene) =>
    pick(scene.house);

const airflowLoss = (scene: Scene): number => (scene.house.plate.blowerMotor === 'ecm' ? 1.25 : 0.82);

/** Across a contact of the sequencer and through it, with the call and without: a welded second one carries either way. */
function contactTruth(scene: Scene, { point, input, method }: Held): number {
  const isWelded = scene.faults.has('strip-welded') && point === 'contact-2';
  const isClosed = method !== 'no-call' || isWelded;
  if (input === 'amps') return isClosed ? elementAmps(scene, point.replace('contact', 'element') as Point) : 0;
  return isClosed ? 0.1 : scene.house.lineVolts;
}

/** Volts at what a call switches: its coil with the call, the line side always, the load with the call or through a weld. */
const loadTruth =
  (weld: Fault | null): Truth =>
  (scene, { point, method, component }) => {
    const called = method !== 'no-call';
    const cut = component.kind === 'contactor' && scene.faults.has('high-switch-open');
    if (point === 'coil') return called && !cut ? scene.house.controlVolts : 0.1;
    const closed = (called && !cut) || (weld !== null && scene.faults.has(weld));
    return point === 'line-side' || closed ? scene.house.lineVolts : 0.2;
  };

/** The control circuit with nothing wrong: 24 V all along it, the coil thermostat open on a coil that is not cold. */
function chainTruth(scene: Scene, { input }: Held): number {
  const coilF = scene.season === 'fall' ? scene.outdoorF - 16 : scene.outdoorF + 22;
  if (input === 'coilF') return coilF;
  return input === 'sensor-return' && coilF > 32 ? 0.2 : 25.6;
}

/** What a perfect instrument shows, by kind of reading; the words of the choices where there is nothing to measure. */
const TRUTHS: Readonly<Record<ReadingKindId, Truth>> = {
  complaint: () => 'routine',
  'room-temperature': (scene, { input }) => {
    const set = scene.season === 'spring' ? 75 : 70;
    return input === 'setF' ? set : set + (scene.season === 'spring' ? 0.8 : -0.7);
  },
  'outdoor-looks': (scene) => (scene.faults.has('contact-pitted') ? 'pitted-contacts' : 'nothing'),
  'indoor-looks': (scene) => (scene.faults.has('dirty-filter') ? 'dirty-filter' : 'nothing'),
  'control-fuse-looks': () => 'fuse-right',
  'call-check': callTruth,
  'contactor-volts': loadTruth('contactor-welded'),
  'blower-relay-volts': loadTruth('blower-relay-welded'),
  'heat-relay-volts': loadTruth('strip-welded'),
  'sequencer-volts': loadTruth('strip-welded'),
  'heater-volts': loadTruth('strip-welded'),
  'valve-volts': loadTruth(null),
  'coil-thermostat-temperatures': (scene, { input }) =>
    input === 'closedF' ? 30 : (scene.house.plate.defrostTerminationF ?? 65) + 1,
  'speed-tap': () => 'medium',
  'restart-check': (scene) => [
    'calls-run',
    'amps-as-before',
    'air-changes',
    ...(scene.faults.has('strip-welded') ? [] : ['still-off']),
  ],
  'control-volts': coil((house) => house.controlVolts),
  'line-volts': coil((house) => house.lineVolts),
  'heater-amps': (scene, { point }) => elementAmps(scene, point),
  'strips-in-cooling': (scene, { point }) => {
    const welded: Point = heatElementsOf(scene.house.plate) > 1 ? 'element-2' : 'element-1';
    const onIt = !point.startsWith('element') || point === welded;
    return scene.faults.has('strip-welded') && onIt && !['circuit-2', 'circuit-3'].includes(point)
      ? elementAmps(scene, welded)
      : 0;
  },
  'element-ohms': (scene, { point }) => ohmsOf(scene, indexOf(point)),
  'sequencer-closing-time': (scene, { point }) =>
    (scene.house.closingSeconds[indexOf(point)] ?? 60) + (scene.faults.has('sequencer-slow') ? 110 : 0),
  'sequencer-opening-time': (scene, { point }) =>
    scene.faults.has('strip-welded') && point === 'contact-2'
      ? Infinity
      : 100 - 0.7 * (scene.house.closingSeconds[indexOf(point)] ?? 60),
  'sequencer-contact-volts': contactTruth,
  'heat-relay-contact-volts': contactTruth,
  'heat-relay-coil-ohms': coil((house) => house.relayOhms),
  'sequencer-coil-ohms': coil((house) => house.sequencerOhms),
  'blower-relay-coil-ohms': coil((house) => house.relayOhms),
  'contactor-coil-ohms': coil((house) => house.contactorOhms),
  'return-air': (scene, { input }) => {
    const air = airOf(scene);
    if (input === 'percent') return 52;
    return input === 'wetF' ? air.returnWetF : air.returnF;
  },
  'heat-rise': (scene) => airOf(scene).supplyF,
  'gas-rise': (scene) => airOf(scene).supplyF,
  'temperature-split': (scene, { input }) => (input === 'supplyF' ? airOf(scene).supplyF : airOf(scene).supplyWetF),
  airflow: cfmOf,
  'delivered-capacity': (scene) => {
    const { returnF, returnWetF, supplyF, supplyWetF } = airOf(scene);
    const capacity = deliveredCapacity({
      cfm: cfmOf(scene),
      entering: { dryBulbF: returnF, wetBulbF: returnWetF },
      leaving: { dryBulbF: supplyF, wetBulbF: supplyWetF },
    });
    return capacity.outcome === 'value' ? capacity.total : 0;
  },
  'blower-amps': (scene) =>
    scene.house.blowerAmps *
    (1 + scene.house.blowerDriftPerYear * Math.min(yearsOf(scene), 8)) *
    (scene.faults.has('dirty-filter') ? airflowLoss(scene) : 1),
  'compressor-stage': () => 'high',
  'compressor-amps': (scene, { point }) => {
    const wires = compressorWires(scene);
    return point === 'start-wire' ? wires.start : point === 'run' ? wires.run : wires.common;
  },
  'outdoor-fan-amps': coil((house) => house.outdoorFanAmps),
  'run-capacitor-capacitance': capacitorTruth,
  'start-capacitor-capacitance': (scene, { component }) =>
    (ratingOf(component)?.sections[0]?.microfarads ?? 98) * (1 - 0.004 * yearsOf(scene)),
  'contact-drop': (scene) =>
    scene.house.contactVolts +
    scene.house.contactVoltsPerYear * yearsOf(scene) +
    (scene.faults.has('contact-pitted') ? 2.4 : 0),
  'pressure-switch-volts': (scene, { component }) =>
    scene.faults.has('high-switch-open') && component.slot === 'high-pressure-switch' ? 25.4 : 0,
  'charge-check': () => 'check-counts',
  superheat: lineTruth('suction'),
  subcooling: lineTruth('liquid'),
  'heating-pressure': (scene, { point }) => {
    const at = refrigerantOf(scene);
    return point === 'suction' ? psig(scene, at.evaporating, 'dew') : psig(scene, at.condensing, 'bubble');
  },
  'defrost-settings': (scene, { input }) =>
    input === 'termination'
      ? String(scene.house.plate.defrostTerminationF ?? 70)
      : scene.house.plate.defrostControl === 'demand'
        ? 'demand'
        : String(scene.house.plate.defrostIntervalMin ?? 60),
  'defrost-duration': defrostTruth,
  'defrost-chain': chainTruth,
  'fan-bypass': () => 'fan-runs-past-relay',
  'sensor-error': (scene, { component }) => sensorOhms(scene, component),
  'blower-off-delay': (scene) => (scene.house.plate.blowerMotor === 'ecm' ? 90 : 45),
  'refrigerant-found': () => 'refrigerant-as-plate',
  'suction-line': (scene) => (scene.faults.has('low-charge') ? 'suction-not-cold' : 'suction-cold'),
  'pan-heater-volts': (scene, { input }) => (input === 'inDefrost' ? scene.house.lineVolts : 0),
  'compressor-ohms': (scene, { point }) => {
    const run = 14 / scene.house.compressorAmps;
    const start = scene.faults.has('winding-open') ? Infinity : 3.1 * run;
    const ohms: Partial<Record<Point, number>> = { 'c-r': run, 'c-s': start, 'r-s': run + start };
    return ohms[point] ?? Infinity;
  },
  'pressure-switch-ohms': (scene, { component }) =>
    scene.faults.has('high-switch-open') && component.slot === 'high-pressure-switch' ? Infinity : 0.2,
  'blower-relay-contact-ohms': (scene, { point }) =>
    point === 'nc-contact' || scene.faults.has('blower-relay-welded') ? 0.2 : Infinity,
  'heat-relay-contact-ohms': (scene) => (scene.faults.has('strip-welded') ? 0.2 : Infinity),
  'sequencer-contact-ohms': (scene) => (scene.faults.has('strip-welded') ? 0.2 : Infinity),
  'contactor-contact-ohms': (scene) => (scene.faults.has('contactor-welded') ? 0.2 : Infinity),
  'coil-thermostat-ohms': (scene, { input }) => {
    const coilF = scene.outdoorF;
    if (input === 'coilF') return coilF;
    return coilF < 32 || scene.faults.has('coil-thermostat-shut') ? 0.3 : Infinity;
  },
  'base-pan-heater-ohms': (scene, { point }) =>
    point === 'ground' || scene.faults.has('pan-heater-open') ? Infinity : scene.house.panHeaterOhms,
  'wiring-volts': circuitTruth,
  'wiring-ohms': circuitTruth,
  'wiring-amps': circuitTruth,
  'hunt-degrees': circuitTruth,
  'hunt-look': circuitTruth,
  'forced-defrost': (scene, held) => String(circuitTruth(scene, held)).split(' '),
};

/** Whether a settled value is fed by a coil whose ohms jump. */
export const jumps = (scene: Scene, held: Held): boolean =>
  held.kind === 'contactor-coil-ohms' && scene.faults.has('coil-jumps');

/** What a perfect instrument held there would show: a number in the input's unit (Infinity for OL), or what is seen, in the words of the choices. */
export const truthAt = (scene: Scene, held: Held): True => TRUTHS[held.kind](scene, held);
