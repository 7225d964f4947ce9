import { machineSpecOf } from '../circuit/machine-spec.ts';
import { read } from '../circuit/measure.ts';
import type { Plate } from '../equipment/plate.ts';
import { SYSTEM_KINDS, type SystemKind } from '../equipment/system-kind.ts';
import type { CauseId } from './causes.ts';
import type { Observation } from './chances.ts';
import type { Complaint } from './complaint-shares.ts';
import { complaintsOn } from './complaints-on.ts';
import { ARRIVED, standpointAfter } from './costs.ts';
import { groundOf } from './ground.ts';
import { hunt } from './hunt.ts';
import { isInWeather } from './weather.ts';

const PLATE: Plate = { tons: 3, heatKilowatts: 10, heatElements: 2, capacitorRating: '40+5 µF 440 V' };
const pump = groundOf(machineSpecOf('split-heat-pump', PLATE));

/** Follows the first offer in some weather; answers are what the machine's own model says of the cause. */
function follow(cause: CauseId, complaint: Complaint, outdoorF: number, way = 0) {
  const truth = pump.causes.find(({ id }) => id === cause)!.benches[way]!;
  const observations: Observation[] = [];
  let standpoint = ARRIVED;
  for (let n = 0; n < 40; n++) {
    const now = hunt(pump, { complaints: [complaint], observations, standpoint, outdoorF });
    const offer = now.offers[0];
    if (now.standing.is !== 'open' || !offer)
      return { standing: now.standing, tests: observations.map(({ test }) => pump.tests.get(test)!) };
    observations.push({ test: offer.test.id, reading: read(truth, offer.test.measure) });
    standpoint = standpointAfter(offer.test, standpoint);
  }
  throw new Error('the hunt does not end');
}

test.each<[CauseId, number]>([
  ['charge-low', 0],
  ['compressor-valves-worn', 0],
  ['feed-choked', 0],
  ['valve-stuck-midway', 0],
  ['air-choked', 0],
  ['outdoor-coil-dirty', 0],
])('on a cold day %s is proved by readings in heating, none in cooling', (cause, way) => {
  const { standing, tests } = follow(cause, 'heats-weakly', 25, way);
  expect(standing).toEqual({ is: 'proved', faults: [cause] });
  expect(tests.filter((t) => t.measure.what === 'air' && t.call === 'cooling')).toEqual([]);
});

test('on a hot day nothing is asked for that only the cold shows', () => {
  const { tests } = follow('charge-low', 'cools-weakly', 96);
  expect(tests.some(({ reading }) => reading.kind === 'superheat' || reading.kind === 'subcooling')).toBe(true);
  const offered = hunt(pump, {
    complaints: ['ice-outdoors'],
    observations: [],
    standpoint: ARRIVED,
    outdoorF: 96,
  }).offers.map(({ test }) => test);
  expect(offered.filter((t) => t.call === 'defrost' || t.measure.what === 'frost')).toEqual([]);
  expect(offered.filter((t) => t.measure.what === 'air' && t.call === 'heating')).toEqual([]);
});

test('weather binds air and refrigerant, and what defrosts; nobody having noted it, nothing', () => {
  const tests = [...pump.tests.values()];
  const kept = (outdoorF: number) => tests.filter((t) => !isInWeather(t, outdoorF)).map(({ measure }) => measure.what);
  expect(new Set(kept(20))).toEqual(new Set(['air']));
  expect(new Set(kept(96))).toEqual(new Set(['air', 'runs', 'volts', 'frost']));
  expect(kept(50).length).toBeGreaterThan(0);
  expect(tests.every((t) => isInWeather(t, undefined))).toBe(true);
});

test('only a machine that heats by its compressor is blamed for heating badly', () => {
  const blamed = SYSTEM_KINDS.filter((kind: SystemKind) =>
    complaintsOn(machineSpecOf(kind, PLATE)).includes('heats-weakly'),
  );
  expect(blamed).toEqual(['split-heat-pump', 'packaged-heat-pump', 'ductless-heat-pump']);
});

test('in heating a sound heat pump reads as usual everywhere, and each fault somewhere else', () => {
  const inHeating = [...pump.tests.values()].filter(
    (t) => t.measure.what === 'air' && t.call === 'heating' && t.settled,
  );
  expect(inHeating).toHaveLength(5);
  const says = (cause: CauseId) =>
    inHeating.map((t) => {
      const reading = Number(read(pump.causes.find(({ id }) => id === cause)!.benches[0]!, t.measure));
      return t.answers!.find((a) => 'from' in a && reading >= a.from && reading < a.below)!.id;
    });
  expect(says('no-fault').every((id) => id === 'usual' || id === 'right')).toBe(true);
  const faults: CauseId[] = ['charge-low', 'feed-choked', 'compressor-valves-worn', 'air-choked', 'outdoor-coil-dirty'];
  expect(new Set([...faults, 'no-fault' as const].map((id) => says(id).join())).size).toBe(faults.length + 1);
});
