import { componentsFor, dayOf, settle, type Sample, type SystemKind, type Unit } from '@yarnix/core';
import { drawPlate } from './draw-plate.ts';
import { faultsLeft, houseOf, type Fault } from './model-house.ts';
import type { Scene } from './physics.ts';
import { truthAt, type Held } from './truths.ts';
import { probeStream } from './probe-kit.ts';
import { randomFrom } from './random.ts';

const ID = '01919191-0000-7000-8000-000000000001';

function sceneOf(
  faults: readonly Fault[] = [],
  season: Scene['season'] = 'spring',
  kind: SystemKind = 'split-heat-pump',
): Scene {
  const plate = {
    ...drawPlate(randomFrom(4), kind, 2018),
    capacitorRating: '40+5 µF 440 V',
    metering: 'expansion-valve' as const,
  };
  const parts = componentsFor(kind, plate).map((part) => ({
    ...part,
    id: `part-${part.slot}`,
    fittedOn: dayOf('2022-05-01'),
  }));
  return {
    house: houseOf(ID, kind, plate),
    parts,
    installedOn: dayOf('2022-05-01'),
    day: dayOf('2026-04-20'),
    season,
    outdoorF: season === 'spring' ? 85 : 40,
    faults: new Set(faults),
  };
}
const heldAt = (scene: Scene, kind: Held['kind'], slot: string, point: Held['point'], input: string): Held => {
  const component = scene.parts.find((p) => p.slot === slot);
  if (!component) throw new Error(`no ${slot}`);
  return { kind, point, input, component };
};
const number = (scene: Scene, ...at: [kind: Held['kind'], slot: string, point: Held['point'], input: string]): number =>
  Number(truthAt(scene, heldAt(scene, ...at)));

function listen(scene: Scene, held: Held, unit: Unit, running: number, seconds: number, seed = 1): Sample[] {
  const samples: Sample[] = [];
  for (const sample of probeStream(scene, held, unit, running, seed)) {
    if (sample.at > seconds) break;
    samples.push(sample);
  }
  return samples;
}

test('a house is the same again from its id and plate, and another from another id', () => {
  const [a, b] = [sceneOf().house, sceneOf().house];
  expect(a).toEqual(b);
  expect(houseOf('another', a.kind, a.plate).compressorAmps).not.toBe(a.compressorAmps);
});

test('the same seed gives the same stream', () => {
  const scene = sceneOf();
  const held = heldAt(scene, 'compressor-amps', 'compressor', 'common', 'amps');
  expect(listen(scene, held, 'A', 0, 3)).toEqual(listen(scene, held, 'A', 0, 3));
  expect(listen(scene, held, 'A', 0, 3, 2)).not.toEqual(listen(scene, held, 'A', 0, 3));
});

test('a compressor starts with a rush of current and then settles near its truth', () => {
  const scene = sceneOf();
  const held = heldAt(scene, 'compressor-amps', 'compressor', 'common', 'amps');
  const truth = Number(truthAt(scene, held));
  const samples = listen(scene, held, 'A', 0, 14);
  expect(Math.max(...samples.slice(0, 4).map((s) => s.value))).toBeGreaterThan(1.5 * truth);
  const settled = settle(samples, 'A');
  expect(settled.settled).toBe(true);
  expect(Math.abs((settled.value ?? 0) / truth - 1)).toBeLessThan(0.06);
});

test('pressures and air need the minutes they are given: not settled at the start, settled after a quarter of an hour', () => {
  const scene = sceneOf();
  const suction = heldAt(scene, 'superheat', 'refrigerant-circuit', 'suction', 'psig');
  expect(settle(listen(scene, suction, 'psig', 5, 8), 'psig').settled).toBe(false);
  expect(settle(listen(scene, suction, 'psig', 900, 12), 'psig').settled).toBe(true);
  const supply = heldAt(scene, 'temperature-split', 'air-side', 'whole', 'supplyF');
  expect(settle(listen(scene, supply, '°F', 5, 8), '°F').settled).toBe(false);
  expect(settle(listen(scene, supply, '°F', 900, 15), '°F').settled).toBe(true);
});

test('faults show where a technician would see them', () => {
  const [sound, low, dirty, welded] = [
    sceneOf(),
    sceneOf(['low-charge']),
    sceneOf(['dirty-filter']),
    sceneOf(['strip-welded']),
  ];
  const suction = (scene: Scene) => number(scene, 'superheat', 'refrigerant-circuit', 'suction', 'psig');
  const supply = (scene: Scene) => number(scene, 'temperature-split', 'air-side', 'whole', 'supplyF');
  expect(suction(low)).toBeLessThan(suction(sound) - 10);
  expect(supply(low)).toBeGreaterThan(supply(sound) + 5);
  expect(supply(dirty)).toBeLessThan(supply(sound));
  expect(supply(welded)).toBeGreaterThan(supply(sound) + 5);
  const herm = (scene: Scene) => number(scene, 'run-capacitor-capacitance', 'run-capacitor', 'herm', 'microfarads');
  expect(herm(sceneOf(['weak-herm']))).toBeLessThanOrEqual(0.82 * 40);
  const amps = (scene: Scene) => number(scene, 'heater-amps', 'electric-heat', 'total', 'amps');
  expect(amps(sceneOf(['element-open'], 'fall'))).toBeLessThan(0.75 * amps(sceneOf([], 'fall')));
});

test('a failing coil never settles', () => {
  const scene = sceneOf(['coil-jumps']);
  const held = heldAt(scene, 'contactor-coil-ohms', 'contactor', 'whole', 'first');
  expect(settle(listen(scene, held, 'Ω', 900, 25), 'Ω').settled).toBe(false);
});

test('OL is streamed as such', () => {
  const scene = sceneOf([], 'fall', 'ductless-heat-pump');
  const held = heldAt(scene, 'base-pan-heater-ohms', 'base-pan-heater', 'ground', 'ohms');
  expect(listen(scene, held, 'Ω', 900, 2).every((s) => s.value === Infinity)).toBe(true);
});

test('a fault ends with its part: fitted on the day or after it, and not by one that was always there', () => {
  const parts = [
    { slot: 'heat-relay', fittedOn: 20_700 },
    { slot: 'contactor', fittedOn: 18_000 },
  ] as const;
  const left = (day: number, installedOn: number | null) => [
    ...faultsLeft(['strip-welded', 'contact-pitted', 'low-charge'], parts, { installedOn, day }),
  ];
  expect(left(20_700, 18_000)).toEqual(['contact-pitted', 'low-charge']);
  expect(left(20_701, 18_000)).toEqual(['contact-pitted', 'low-charge']);
  // Two days after, a fault put in anew is a new one.
  expect(left(20_702, 18_000)).toEqual(['strip-welded', 'contact-pitted', 'low-charge']);
  expect(left(18_000, 18_000)).toEqual(['contact-pitted', 'low-charge']);
  expect(left(20_700, null)).toEqual(['contact-pitted', 'low-charge']);
});
