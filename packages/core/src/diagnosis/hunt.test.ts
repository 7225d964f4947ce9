import fc from 'fast-check';
import { machineSpecOf, type MachineSpec } from '../circuit/machine-spec.ts';
import { read } from '../circuit/measure.ts';
import type { Plate } from '../equipment/plate.ts';
import { SYSTEM_KINDS, type SystemKind } from '../equipment/system-kind.ts';
import { isOwn } from '../quantity/own.ts';
import { entropy, tellsOf, type Observation } from './chances.ts';
import { COMPLAINT_SHARES, COMPLAINTS, NO_FAULT, type Complaint } from './complaint-shares.ts';
import type { CauseId, Leanings } from './causes.ts';
import { ARRIVED, standpointAfter } from './costs.ts';
import { answerOf, expectationOf } from './expectations.ts';
import { groundOf, type Ground } from './ground.ts';
import { hunt, type Hunt } from './hunt.ts';
import { withObservation } from './observations.ts';
import { huntReport } from './report.ts';

const STRIPS: Plate = {
  tons: 3,
  heatKilowatts: 10,
  heatElements: 2,
  blowerMotor: 'psc',
  capacitorRating: '40+5 µF 440 V',
};
const PLATES: Readonly<Record<SystemKind, Plate>> = {
  'split-air-conditioner': STRIPS,
  'split-heat-pump': STRIPS,
  'packaged-heat-pump': { ...STRIPS, defrostControl: 'demand' },
  'air-handler-electric-heat': STRIPS,
  'gas-furnace-with-coil': { tons: 3, blowerMotor: 'psc', capacitorRating: '40+5 µF 440 V' },
  'ductless-heat-pump': { tons: 1.5 },
};
const specs = new Map<SystemKind, MachineSpec>(SYSTEM_KINDS.map((kind) => [kind, machineSpecOf(kind, PLATES[kind])]));
const grounds = new Map<SystemKind, Ground>();
const groundFor = (kind: SystemKind): Ground => {
  const known = grounds.get(kind) ?? groundOf(specs.get(kind)!);
  grounds.set(kind, known);
  return known;
};

/** Follows the first offer until the hunt ends; answers are what the network itself says of the cause. */
function follow(kind: SystemKind, cause: CauseId, complaint: Complaint, way = 0): { ended: Hunt; tests: string[] } {
  const ground = groundFor(kind);
  const truth = ground.causes.find(({ id }) => id === cause)!.benches[way]!;
  const observations: Observation[] = [];
  let standpoint = ARRIVED;
  for (;;) {
    const now = hunt(ground, { complaints: [complaint], observations, standpoint });
    const offer = now.offers[0];
    if (now.standing.is !== 'open' || !offer || observations.length > 30)
      return { ended: now, tests: observations.map(({ test }) => test) };
    observations.push({ test: offer.test.id, reading: read(truth, offer.test.measure) });
    standpoint = standpointAfter(offer.test, standpoint);
  }
}

test.each([
  ['split-heat-pump', 'blower-relay-welded', 'never-stops'],
  ['split-air-conditioner', 'sequencer-welded', 'cools-weakly'],
  ['split-heat-pump', 'contactor-coil-shorted', 'nothing-runs'],
  ['split-air-conditioner', 'fan-capacitor-weak', 'compressor-without-fan'],
  ['air-handler-electric-heat', 'element-open', 'heat-weak'],
  ['split-heat-pump', 'y-on-g', 'runs-unasked'],
  ['gas-furnace-with-coil', 'flame-sensor-dirty', 'flame-lost'],
  ['packaged-heat-pump', 'sensor-off-scale', 'ice-outdoors'],
  ['ductless-heat-pump', 'signal-wire-open', 'ductless-dead'],
] as const)('%s: %s said to be “%s” is proved', (kind, cause, complaint) => {
  const { ended, tests } = follow(kind, cause, complaint);
  expect([ended.standing, tests.length <= 12]).toEqual([{ is: 'proved', faults: [cause] }, true]);
});

test.each(['air-handler-electric-heat', 'ductless-heat-pump'] as const)(
  'every fault of a %s, in each way it comes, is proved when every test can be taken',
  (kind) => {
    const ground = groundFor(kind);
    const missed: string[] = [];
    for (const cause of ground.causes.filter(({ faults }) => faults.length === 1))
      cause.benches.forEach((_, way) => {
        const complaint = COMPLAINTS.find((c) => isOwn(COMPLAINT_SHARES[c], cause.id)) ?? 'cools-weakly';
        const { standing } = follow(kind, cause.id, complaint, way).ended;
        if (standing.is !== 'proved' || standing.faults.join() !== cause.id) missed.push(`${cause.id} ${way}`);
      });
    expect(missed).toEqual([]);
  },
);

describe('safe first', () => {
  const energizes = (kind: SystemKind, id: string) => {
    const test = groundFor(kind).tests.get(id)!;
    return test.power === 'live' || test.call !== null;
  };

  test.each([
    ['split-air-conditioner', 'compressor-grounded'],
    ['split-heat-pump', 'outdoor-lug-loose'],
    ['air-handler-electric-heat', 'element-on-metal'],
    ['split-heat-pump', 'compressor-locked'],
  ] as const)(
    'a breaker that trips on a %s (%s): ohms to ground with power off before anything live',
    (kind, cause) => {
      const { tests } = follow(kind, cause, 'breaker-trips');
      const live = tests.findIndex((id) => energizes(kind, id));
      const before = live === -1 ? tests : tests.slice(0, live);
      expect(tests[0]).toMatch(/^wiring-ohms.*-ground/);
      if (live >= 0 && kind.startsWith('split')) expect(before.some((id) => id.includes('/kc-ground/'))).toBe(true);
      if (live >= 0) expect(before.some((id) => id.includes('/element-ground/'))).toBe(true);
    },
  );

  test.each(['air-handler-electric-heat', 'split-heat-pump', 'gas-furnace-with-coil'] as const)(
    'no air from a %s: the blower is seen before any heat is called',
    (kind) => {
      const causes = Object.keys(COMPLAINT_SHARES['no-air']);
      for (const { id } of groundFor(kind).causes.filter((c) => causes.includes(c.id))) {
        const { tests } = follow(kind, id, 'no-air');
        const calls = tests.map((test) => groundFor(kind).tests.get(test)?.call);
        expect([id, tests[0]]).toEqual([id, 'call-check/thermostat/call-fan/seen']);
        expect(calls[0]).toBe('fan');
      }
    },
  );

  test('what could not be taken holds nothing up', () => {
    const ground = groundFor('split-air-conditioner');
    const asked = { complaints: ['breaker-trips'] as const, observations: [], standpoint: ARRIVED };
    const first = hunt(ground, asked).offers.slice(0, 2);
    expect(first.map(({ test }) => test.power)).toEqual(['off', 'off']);
    const skipped = [...ground.tests.keys()].filter((id) => id.includes('-ground/'));
    const { offers } = hunt(ground, { ...asked, skipped });
    expect(offers.some(({ test }) => energizes('split-air-conditioner', test.id))).toBe(true);
  });
});

test('an iced coil with nothing wrong ends with nothing found, and names no part', () => {
  expect(follow('split-heat-pump', NO_FAULT, 'ice-outdoors').ended.standing).toEqual({ is: 'nothing-found' });
});

test('a wire that is on no list is none of these, and where it lies is said', () => {
  const { ended } = follow('split-heat-pump', 'open:field.C', 'outdoor-unit-dead');
  expect(ended.standing).toMatchObject({ is: 'none-of-these' });
});

test('entropy and what a test tells follow their worked examples (Shannon; textbook)', () => {
  expect(entropy([0.5, 0.5])).toBe(1);
  expect(entropy([0.25, 0.25, 0.25, 0.25])).toBe(2);
  // H(0.11) = 0.49992 bits, a value of the tables of the binary entropy function.
  expect(entropy([0.11, 0.89])).toBeCloseTo(0.4999, 4);
  const answers = [
    { id: 'yes', says: 'yes' },
    { id: 'no', says: 'no' },
  ];
  const even = [[0.25], [0.25], [0.25], [0.25]];
  expect(tellsOf({ answers, chances: [[[1, 0]], [[1, 0]], [[0, 1]], [[0, 1]]] }, even)).toBeCloseTo(1, 9);
  expect(tellsOf({ answers, chances: [[[0.5, 0.5]], [[0.5, 0.5]], [[0.5, 0.5]], [[0.5, 0.5]]] }, even)).toBeCloseTo(
    0,
    9,
  );
  // A binary symmetric channel that errs one time in ten carries 1 − H(0.1) = 0.531 bits.
  expect(tellsOf({ answers, chances: [[[0.9, 0.1]], [[0.1, 0.9]]] }, [[0.5], [0.5]])).toBeCloseTo(0.531, 3);
});

const kinds = fc.constantFrom(...SYSTEM_KINDS);

/** Some answers as the network gives them of one cause, in the order of the tests drawn. */
const drawn = fc.record({
  kind: kinds,
  cause: fc.nat(),
  tests: fc.uniqueArray(fc.nat(60), { minLength: 1, maxLength: 5 }),
  complaint: fc.constantFrom(...COMPLAINTS),
});
function observed({ kind, cause, tests }: { kind: SystemKind; cause: number; tests: number[] }) {
  const ground = groundFor(kind);
  const bench = ground.causes[cause % ground.causes.length]!.benches[0]!;
  const all = [...ground.tests.values()];
  const chosen = [...new Set(tests.map((n) => all[n % all.length]!))];
  return { ground, observations: chosen.map((test) => ({ test: test.id, reading: read(bench, test.measure) })) };
}

test('the order of answers changes nothing', () => {
  fc.assert(
    fc.property(drawn, (draw) => {
      const { ground, observations } = observed(draw);
      const asked = { complaints: [draw.complaint], standpoint: ARRIVED };
      const one = hunt(ground, { ...asked, observations });
      const other = hunt(ground, { ...asked, observations: [...observations].reverse() });
      one.chances.forEach((chance, i) => expect(other.chances[i]).toBeCloseTo(chance, 9));
      expect(other.offers.map(({ test }) => test.id)).toEqual(one.offers.map(({ test }) => test.id));
    }),
    { numRuns: 25, seed: 3 },
  );
});

test('a cause that is ruled out changes no ranking', () => {
  const ground = groundFor('split-heat-pump');
  const more = ground.with([['herm-weak', 'air-choked']]);
  const asked = { complaints: ['outdoor-fan-only'] as const, observations: [], standpoint: ARRIVED };
  const ranking = (on: Ground) =>
    hunt(on, { ...asked, complaints: [...asked.complaints], leanings: { 'herm-weak+air-choked': 0 } }).offers.map(
      ({ test }) => test.id,
    );
  expect(ranking(more)).toEqual(ranking(ground));
});

test('a test that cannot tell is never offered, nor a live one before one with power off that tells as much', () => {
  fc.assert(
    fc.property(drawn, (draw) => {
      const { ground, observations } = observed(draw);
      const { offers, standing } = hunt(ground, { complaints: [draw.complaint], observations, standpoint: ARRIVED });
      if (standing.is !== 'open') return;
      const [first] = offers;
      if (first?.test.power === 'live' && first.tells > 0.01)
        expect(offers.filter(({ test, tells }) => test.power !== 'live' && tells > first.tells * 1.0001)).toEqual([]);
      for (const { test } of offers) {
        const rows = ground.expect(test).chances.flat();
        const differs = rows.some((row) => row.some((chance, a) => Math.abs(chance - (rows[0]?.[a] ?? 0)) > 1e-6));
        expect([test.id, differs]).toEqual([test.id, true]);
      }
    }),
    { numRuns: 25, seed: 5 },
  );
});

test('an answer that is doubted counts less, and one that no cause foresees condemns none', () => {
  const ground = groundFor('split-air-conditioner');
  const test = 'run-capacitor-capacitance/run-capacitor/herm/bench';
  const chance = (doubted: boolean) => {
    const now = hunt(ground, {
      complaints: ['outdoor-fan-only'],
      observations: [{ test, reading: 12, doubted }],
      standpoint: ARRIVED,
    });
    return now.chances[ground.causes.findIndex(({ id }) => id === 'herm-weak')] ?? 0;
  };
  const before = hunt(ground, { complaints: ['outdoor-fan-only'], observations: [], standpoint: ARRIVED }).chances[
    ground.causes.findIndex(({ id }) => id === 'herm-weak')
  ];
  expect(chance(false)).toBeGreaterThan(chance(true));
  expect(chance(true)).toBeGreaterThan(before ?? 1);
  const odd = hunt(ground, {
    complaints: ['outdoor-fan-only'],
    observations: [{ test, reading: 'purple' }],
    standpoint: ARRIVED,
  });
  expect(odd.standing.is).toBe('open');
});

test('two halves of a dual that are both weak are found together, though nothing ties them', () => {
  const ground = groundFor('split-air-conditioner');
  const observations: Observation[] = [
    { test: 'call-check/thermostat/call-cooling/seen', reading: 'blower' },
    { test: 'run-capacitor-capacitance/run-capacitor/herm/bench', reading: 9 },
    { test: 'run-capacitor-capacitance/run-capacitor/fan/bench', reading: 1.1 },
  ];
  const { standing } = hunt(ground, { complaints: ['outdoor-fan-only'], observations, standpoint: ARRIVED });
  expect(standing).toMatchObject({ is: 'proved' });
  expect(standing.is === 'proved' && [...standing.faults].sort()).toEqual(['fan-capacitor-weak', 'herm-weak']);
});

test('what a thread showed before leans the first suspicion', () => {
  const ground = groundFor('split-air-conditioner');
  const first = (leanings: Leanings) => {
    const { chances } = hunt(ground, {
      complaints: ['compressor-without-fan'],
      observations: [],
      standpoint: ARRIVED,
      leanings,
    });
    return chances[ground.causes.findIndex(({ id }) => id === 'outdoor-fan-seized')] ?? 0;
  };
  expect(first({ 'outdoor-fan-seized': 10 })).toBeGreaterThan(3 * first({}));
});

test('the report says what cut each strand, and what each answer to the next test would mean', () => {
  const ground = groundFor('split-heat-pump');
  const observations: Observation[] = [{ test: 'call-check/thermostat/call-off/seen', reading: 'blower' }];
  const report = huntReport(ground, { complaints: ['never-stops'], observations, standpoint: ARRIVED });
  expect(report.suspects[0]).toMatchObject({ id: 'blower-relay-welded', cutBy: null });
  const course = report.suspects[0]?.course ?? [];
  expect(course).toHaveLength(2);
  expect(course[1]).toBeGreaterThan(course[0] ?? 1);
  const means = report.offers[0]?.means ?? [];
  expect(means.reduce((sum, { chance }) => sum + chance, 0)).toBeGreaterThan(0.9);
  expect(means.some(({ leaves }) => leaves[0] && leaves[0].chance > 0.8)).toBe(true);
});

test('every share of a complaint is of a fault that some machine has, and every fault is of some complaint or a rare one', () => {
  const on = new Set(SYSTEM_KINDS.flatMap((kind) => groundFor(kind).causes.map(({ id }) => id as string)));
  const strangers = COMPLAINTS.flatMap((c) => Object.keys(COMPLAINT_SHARES[c])).filter((id) => !on.has(id));
  // Relays in place of sequencers, modules and start kits are on machines that these plates are not.
  expect(strangers.filter((id) => !/heat-relay|module|tap|start-kit/.test(id))).toEqual([]);
});

test('chances of every answer sum to one under every cause, and a figure is one answer only', () => {
  for (const kind of SYSTEM_KINDS) {
    const ground = groundFor(kind);
    for (const test of [...ground.tests.values()].slice(0, 25)) {
      const expectation = expectationOf(test, ground.causes.slice(0, 12));
      for (const row of expectation.chances.flat()) expect(row.reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 9);
      if (test.answers && 'from' in test.answers[0]!) expect(answerOf(expectation, 1e9)).toBeGreaterThanOrEqual(0);
    }
  }
});

/** Follows the first offer; what `missing` names cannot be taken. Tells each test with whether it was read before. */
function followWithout(kind: SystemKind, cause: CauseId, complaint: Complaint, missing: RegExp) {
  const ground = groundFor(kind);
  const truth = ground.causes.find(({ id }) => id === cause)!.benches[0]!;
  let observations: Observation[] = [];
  const skipped: string[] = [];
  const asked: { test: string; again: boolean; others: number }[] = [];
  let standpoint = ARRIVED;
  for (;;) {
    const now = hunt(ground, { complaints: [complaint], observations, standpoint, skipped });
    const offer = now.offers[0];
    if (now.standing.is !== 'open' || !offer || asked.length > 60) return { ended: now, asked, observations };
    const { id } = offer.test;
    const known = new Set(observations.map(({ test }) => test));
    asked.push({ test: id, again: known.has(id), others: now.offers.filter(({ test }) => !known.has(test.id)).length });
    if (missing.test(id)) skipped.push(id);
    else {
      observations = withObservation(observations, { test: id, reading: read(truth, offer.test.measure) });
      standpoint = standpointAfter(offer.test, standpoint);
    }
  }
}

test('what would decide is read once more when nothing else tells: read the same twice, it is proved', () => {
  const { ended, asked } = followWithout(
    'split-heat-pump',
    'feed-choked',
    'cools-weakly',
    /^(wiring-ohms|hunt-look)|heating$/,
  );
  const again = asked.filter((a) => a.again);
  expect(again).toEqual([{ test: 'superheat/refrigerant-circuit/suction/gauges', again: true, others: 0 }]);
  expect(ended.standing).toEqual({ is: 'proved', faults: ['feed-choked'] });
});

test('nothing is read a third time, and never while another test tells something', () => {
  for (const kind of ['ductless-heat-pump', 'gas-furnace-with-coil'] as const)
    for (const cause of groundFor(kind).causes.filter(({ faults }) => faults.length === 1)) {
      const complaint = COMPLAINTS.find((c) => isOwn(COMPLAINT_SHARES[c], cause.id)) ?? 'cools-weakly';
      const { asked, observations } = followWithout(kind, cause.id, complaint, /^(wiring-ohms|hunt-look)/);
      const repeats = asked.filter((a) => a.again);
      expect(repeats.filter(({ others }) => others > 0)).toEqual([]);
      expect(new Set(repeats.map(({ test }) => test)).size).toBe(repeats.length);
      expect(observations.length).toBeLessThanOrEqual(40);
    }
}, 60_000);

test('a test that reads otherwise the second time counts as it reads now', () => {
  const at = (test: string, reading: Observation['reading']): Observation => ({ test, reading });
  expect(withObservation([at('a', 25), at('b', 1)], at('a', 25.4))).toEqual([at('a', 25), at('b', 1), at('a', 25.4)]);
  expect(withObservation([at('a', 25), at('b', 1)], at('a', 3))).toEqual([at('b', 1), at('a', 3)]);
  expect(withObservation([at('a', Infinity)], at('a', Infinity))).toHaveLength(2);
  expect(withObservation([at('a', Infinity)], at('a', 12))).toEqual([at('a', 12)]);
  expect(withObservation([at('a', 'drags')], at('a', 'drags'))).toHaveLength(2);
  expect(withObservation([at('a', 'drags')], at('a', 'free'))).toEqual([at('a', 'free')]);
});
