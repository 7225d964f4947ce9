import {
  ARRIVED,
  groundOf,
  hunt,
  standpointAfter,
  SYSTEM_KIND_NAMES,
  SYSTEM_KINDS,
  withObservation,
  type Ground,
  type Hunt,
  type Leanings,
  type MachineSpec,
  type Observation,
  type SystemKind,
} from '@yarnix/core';
import { randomFrom, type Random } from '@yarnix/simulator';
import { drawHidden, inSpells, specsOf, type Hidden } from './hidden-machine.ts';
import { engine, STRATEGIES, type Strategy } from './strategies.ts';

/** npm run evaluate -- find [--tuning] [--only=kind] [--by=strategy] [--at-times] [--list]: what is proved of hidden faults, and what it takes. */

const args = process.argv.slice(2);
const SEED = args.includes('--tuning') ? 31 : 907;
const only = args.find((a) => a.startsWith('--only='))?.slice(7);
const EACH = Number(args.find((a) => a.startsWith('--each='))?.slice(7) ?? 120);
const by = args.find((a) => a.startsWith('--by='))?.slice(5);
const strategies = Object.entries(STRATEGIES).filter(([name]) => by === undefined || name === by);

const MACHINES = 5;
const MOST_TESTS = 40;
const MISSING = 0.1;

interface Ended {
  readonly named: readonly string[];
  readonly tests: number;
  readonly minutes: number;
  readonly live: number;
  readonly trace: readonly string[];
}

const top = ({ ground, chances }: Hunt): string =>
  chances
    .map((p, i) => ({ p, id: ground.causes[i]?.id }))
    .sort((a, b) => b.p - a.p)
    .slice(0, 4)
    .map(({ p, id }) => `${id ?? ''} ${(100 * p).toFixed(1)}`)
    .join(', ');

interface Known {
  readonly leanings?: Leanings;
  readonly atTimes?: boolean;
}

function huntDown(ground: Ground, hidden: Hidden, strategy: Strategy, random: Random, known: Known = {}): Ended {
  let at = ARRIVED;
  let [minutes, live] = [0, 0];
  let observations: Observation[] = [];
  const skipped: string[] = [];
  // What was just put off is not asked for again before something else was answered.
  let passed: string[] = [];
  // What was asked for in vain twice is not to be had.
  const trace: string[] = [];
  for (let tests = 0; tests < MOST_TESTS;) {
    const { complaint, outdoorF } = hidden;
    const now = hunt(ground, { complaints: [complaint], observations, standpoint: at, skipped, outdoorF, ...known });
    const { standing } = now;
    if (standing.is !== 'open') {
      trace.push(`${standing.is}: ${top(now)}`);
      return { named: standing.is === 'proved' ? standing.faults : [], tests, minutes, live, trace };
    }
    const taken = new Set([...observations.map(({ test: id }) => id), ...skipped]);
    const offers = now.offers.filter(({ test: { id } }) => !passed.includes(id));
    const offer = strategy({
      hunt: offers.length > 0 ? { ...now, offers } : now,
      complaint: hidden.complaint,
      taken,
      standpoint: at,
      outdoorF: hidden.outdoorF,
      random,
    });
    if (!offer) break;
    const { test } = offer;
    const reading = hidden.read(test);
    if (reading === null || random.chance(MISSING)) {
      skipped.push(test.id);
      passed.push(test.id);
      minutes += 1;
      continue;
    }
    passed = [];
    tests += 1;
    minutes += offer.minutes;
    if (test.power === 'live') live += 1;
    at = standpointAfter(test, at);
    trace.push(`${test.id} = ${typeof reading === 'number' ? reading.toFixed(1) : reading}`);
    observations = known.atTimes
      ? [...observations, { test: test.id, reading }]
      : withObservation(observations, { test: test.id, reading });
  }
  return { named: [], tests: observations.length, minutes, live, trace };
}

interface Tally {
  cases: number;
  proved: number;
  wrong: number;
  gaveUp: number;
  tests: number;
  minutes: number;
  live: number;
}
const EMPTY = (): Tally => ({ cases: 0, proved: 0, wrong: 0, gaveUp: 0, tests: 0, minutes: 0, live: 0 });

const grounds = new Map<string, Ground>();
const groundFor = (spec: MachineSpec): Ground => {
  const key = JSON.stringify({ ...spec, slots: [...spec.slots] });
  const known = grounds.get(key) ?? groundOf(spec);
  grounds.set(key, known);
  return known;
};

const single = (named: readonly string[], hidden: Hidden): 'proved' | 'wrong' | 'gaveUp' => {
  if (named.some((id) => !(hidden.faults as readonly string[]).includes(id))) return 'wrong';
  return named.length === hidden.faults.length ? 'proved' : 'gaveUp';
};

/** Both faults of a pair: what is found first is repaired, and the hunt goes on while the machine is not right. */
function both(
  ground: Ground,
  hidden: Hidden,
  strategy: Strategy,
  random: Random,
): ['proved' | 'wrong' | 'gaveUp', Ended] {
  const first = huntDown(ground, hidden, strategy, random);
  const { named } = first;
  if (named.length === 0) return ['gaveUp', first];
  if (named.some((id) => !(hidden.faults as readonly string[]).includes(id))) return ['wrong', first];
  if (named.length === 2) return ['proved', first];
  const left = hidden.repaired(named[0] as Hidden['faults'][number]);
  // What was just made new is not suspected again at once.
  const second = huntDown(ground, left, strategy, random, { leanings: { [named[0] ?? '']: 0.02 } });
  const sum = {
    ...second,
    tests: first.tests + second.tests,
    minutes: first.minutes + second.minutes,
    live: first.live + second.live,
    trace: [...first.trace, `repaired ${named[0] ?? ''}`, ...second.trace],
  };
  return [single(second.named, left), sum];
}

const tallies = new Map<string, Tally>();
const tallyOf = (what: string, kind: string, strategy: string): Tally => {
  const key = `${what}|${kind}|${strategy}`;
  const tally = tallies.get(key) ?? EMPTY();
  tallies.set(key, tally);
  return tally;
};

function count(
  what: string,
  kind: SystemKind,
  strategy: string,
  [end, ended]: ['proved' | 'wrong' | 'gaveUp', Ended],
): void {
  for (const group of [kind, 'all']) {
    const tally = tallyOf(what, group, strategy);
    tally.cases += 1;
    tally[end] += 1;
    tally.tests += ended.tests;
    tally.minutes += ended.minutes;
    tally.live += ended.live;
  }
}

function evaluateKind(kind: SystemKind, index: number): void {
  const random = randomFrom(1000 * SEED + index);
  const machines = specsOf(random, kind, MACHINES);
  for (let n = 0; n < EACH; n++) {
    const machine = machines[n % MACHINES];
    if (!machine) continue;
    const what = n % 10 === 9 ? 'unlisted' : n % 10 > 6 ? 'double' : 'single';
    const hidden = drawHidden(randomFrom(1e6 * SEED + 1000 * index + n), machine, what);
    if (!hidden) continue;
    const ground = groundFor(hidden.noted);
    for (const [name, strategy] of strategies) {
      const dice = randomFrom(97 * n + index);
      const result: ['proved' | 'wrong' | 'gaveUp', Ended] =
        what === 'double'
          ? both(ground, hidden.afresh(dice), strategy, dice)
          : ((ended) => [single(ended.named, hidden), ended])(huntDown(ground, hidden.afresh(dice), strategy, dice));
      count(what, kind, name, result);
      if (args.includes('--list') && name === 'this engine' && result[0] !== 'proved') {
        console.log(
          `${kind}: ${what} ${hidden.faults.join(' + ') || JSON.stringify(hidden.does)} said "${hidden.complaint}": ${result[0]} ${result[1].named.join(' + ')}`,
        );
        console.log(`    ${result[1].trace.join('\n    ')}`);
      }
    }
  }
}

/** Single faults that come and go, said to be such. */
function evaluateSpells(kind: SystemKind, index: number): void {
  const random = randomFrom(1000 * SEED + 500 + index);
  const machines = specsOf(random, kind, MACHINES);
  for (let n = 0; n < EACH / 4; n++) {
    const machine = machines[n % MACHINES];
    const hidden = machine && drawHidden(randomFrom(1e6 * SEED + 1000 * index + 500 + n), machine, 'single');
    if (!hidden) continue;
    const ground = groundFor(hidden.noted);
    for (const [name, strategy] of strategies) {
      const dice = randomFrom(89 * n + index);
      const ended = huntDown(ground, inSpells(dice, hidden.afresh(dice)), strategy, dice, { atTimes: true });
      count('at times', kind, name, [single(ended.named, hidden), ended]);
    }
    const dice = randomFrom(89 * n + index);
    const steady = huntDown(ground, inSpells(dice, hidden.afresh(dice)), engine, dice);
    count('at times', kind, 'held for steady', [single(steady.named, hidden), steady]);
  }
}

SYSTEM_KINDS.forEach((kind, index) => {
  if (only && only !== kind) return;
  if (!args.includes('--at-times')) evaluateKind(kind, index);
  evaluateSpells(kind, index);
});

const per = (sum: number, count: number, digits = 1) => (sum / Math.max(1, count)).toFixed(digits).padStart(6);
const percent = (part: number, of: number) => `${((100 * part) / Math.max(1, of)).toFixed(1)} %`.padStart(8);
for (const what of ['single', 'double', 'unlisted', 'at times']) {
  console.log(`\n${what}${what === 'unlisted' ? ' (proved: ended without naming a part)' : ''}`);
  console.log(`${''.padEnd(32)}${'strategy'.padEnd(18)}  cases   proved    wrong  gave up   tests minutes    live`);
  for (const kind of [...SYSTEM_KINDS, 'all'] as const)
    for (const strategy of [...Object.keys(STRATEGIES), 'held for steady']) {
      const t = tallies.get(`${what}|${kind}|${strategy}`);
      if (!t) continue;
      const name = kind === 'all' ? 'all kinds' : SYSTEM_KIND_NAMES[kind];
      console.log(
        `${name.padEnd(32)}${strategy.padEnd(18)}${String(t.cases).padStart(7)}${percent(t.proved, t.cases)} ${percent(t.wrong, t.cases)} ${percent(t.gaveUp, t.cases)}  ${per(t.tests, t.cases)}  ${per(t.minutes, t.cases)}  ${per(t.live, t.cases)}`,
      );
    }
}
