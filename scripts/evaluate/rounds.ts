import {
  byUrgencyOfRound,
  costOfFailing,
  dayOf,
  isoOf,
  learnPrior,
  threadOutlook,
  USUAL_SEASON_STARTS,
  waitingOn,
  type Conditions,
  type Day,
  type FleetPrior,
  type PartWaiting,
  type Slot,
  type Thread,
  type ThreadReading,
} from '@yarnix/core';
import { FLEET_PARTS, isPastLimit, randomFrom, type Part, type Random } from '@yarnix/simulator';

/**
 * npm run evaluate -- rounds [--tuning]: a firm goes its rounds for three years, as often by each order; how many parts fail
 * before somebody comes. How parts wear and fail here is not how the outlooks think of it: by use in hot weather and in cold,
 * at paces far apart, at a level of each part's own past its limit, after storms that hit many at once, and some without notice.
 */
const SYSTEMS = 400;
const YEARS = 3;
const HALF_YEAR = 182;
const START = dayOf('2026-03-01');
/** The figures of the order were set on the first of these; what is reported comes from the second. */
const TUNING_SEEDS = [21, 22];
const PROVING_SEEDS = [811, 812, 813, 814, 815, 816, 921, 922, 923, 924, 925, 926];

const SLOTS: Readonly<Record<string, Slot>> = {
  'run-capacitor-capacitance': 'run-capacitor',
  'compressor-amps': 'compressor',
  'contact-drop': 'contactor',
  'sensor-error': 'coil-sensor',
};

/** One life of one part. */
interface Life {
  readonly from: Day;
  /** What it truly is on a day, at common conditions. */
  readonly level: (day: Day) => number;
  /** Whether it would have failed by a day without what struck it after another. */
  readonly failsUnstruck: (day: Day, after: Day) => boolean;
  /** The day it fails by wear, if it lives to see it, and the day it dies without notice. */
  readonly wornOut: Day;
  readonly dies: Day;
  readonly readings: ThreadReading[];
}

interface Place {
  readonly part: Part;
  readonly seed: number;
  readonly noise: number;
  life: Life;
  lives: number;
  said: PartWaiting;
}
interface System {
  readonly places: readonly Place[];
  readonly storms: readonly Day[];
  readonly age: number;
  lastRound: Day;
}

/** Days of wear a calendar day counts for: most in July and January, little between. */
const worn = (day: Day): number => day - 55 * Math.sin((4 * Math.PI * (day - 19_723)) / 365.25) * 0.5;
const NEVER = 1e9;

function bornOn(random: Random, part: Part, from: Day, storms: readonly Day[]): Life {
  const fresh = part.fresh(random);
  const limit = part.direction < 0 ? (part.limit.lower ?? 0) : (part.limit.upper ?? 0);
  const room = Math.abs(limit - fresh);
  // Lognormal paces: the middle part takes forty years to its limit, one in eight less than six.
  const pace = (room / 40) * Math.exp(random.normal(0, 1.6));
  const hit = storms.filter((s) => s > from && random.chance(0.25)).map((s) => [s, room * random.between(0.1, 0.8)]);
  const struckUntil = (day: Day, until: Day): number =>
    fresh +
    part.direction *
      ((pace * (worn(day) - worn(from))) / 365.25 +
        hit.reduce((sum, [s = 0, by = 0]) => sum + (until >= s ? by : 0), 0));
  const level = (day: Day): number => struckUntil(day, day);
  const failsAt = limit + part.direction * room * random.between(0.02, 0.8);
  const fails = (value: number): boolean => part.direction * (value - failsAt) >= 0;
  let wornOut = from;
  while (wornOut < from + 40 * 365 && !fails(level(wornOut))) wornOut += 3;
  const dies = random.chance(0.3) ? from + Math.round(random.between(0, 30 * 365)) : NEVER;
  return {
    from,
    level,
    failsUnstruck: (day, after) => fails(struckUntil(day, after)),
    wornOut: wornOut >= from + 40 * 365 ? NEVER : wornOut,
    dies,
    readings: [],
  };
}

const NOTHING: Omit<PartWaiting, 'slot'> = { standing: 'unproven', chance: 0, ahead: null };

/** A new part in a place, the same whichever order the firm goes by. */
function fit(place: Place, day: Day, storms: readonly Day[]): void {
  place.lives += 1;
  place.life = bornOn(randomFrom(place.seed + 7919 * place.lives), place.part, day, storms);
  place.said = { slot: place.said.slot, ...NOTHING };
}

function read(place: Place, day: Day): void {
  const random = randomFrom(place.seed + 31 * day);
  const month = Number(isoOf(day).slice(5, 7));
  const summer = month > 4 && month < 10;
  const conditions: Conditions = {
    outdoorF: Math.round(random.normal(summer ? 86 : 66, 7)),
    lineVolts: Math.round(random.normal(238, 4)),
  };
  const truth = place.life.level(day);
  const shows = place.part.onTheDay ? place.part.onTheDay(truth, conditions) : truth;
  const slip = random.chance(0.01) ? shows * random.normal(0, 0.15) : 0;
  const value = random.normal(shows, place.noise * place.part.meter(Math.abs(shows))) + slip;
  place.life.readings.push({ day, value, conditions, method: place.part.method });
}

const threadOf = ({ part, life }: Place): Thread => ({
  kind: part.kind,
  plate: part.plate,
  point: part.point,
  fittedOn: life.from,
  readings: life.readings,
});

function judge(place: Place, day: Day, prior: FleetPrior): void {
  const told = threadOutlook({ ...threadOf(place), prior, at: day + HALF_YEAR });
  if (told.outcome === 'cannot-say') throw new Error(told.because);
  const odd = told.reasons.map(({ because }) => because).find((b) => b.code === 'odd-point');
  place.said = {
    slot: place.said.slot,
    standing: told.standing,
    chance: told.chancePastLimit ?? odd?.numbers.chance ?? 0,
    ahead: told.ahead,
  };
}

/** A firm with the years behind it in which each system was seen twice a year. */
function firmOf(seed: number): System[] {
  const random = randomFrom(seed);
  const storms = Array.from({ length: 8 }, () => START + random.whole(-6 * 365, YEARS * 365));
  return Array.from({ length: SYSTEMS }, (_, n): System => {
    const age = random.whole(2 * 365, 9 * 365);
    const near = storms.filter(() => random.chance(0.3));
    const places = FLEET_PARTS.map((part, i): Place => {
      const of = seed * 1_000_003 + n * 101 + i * 17;
      const slot = SLOTS[part.kind]!;
      const life = bornOn(randomFrom(of), part, START - age, near);
      return { part, seed: of, noise: random.between(0.7, 1.6), life, lives: 0, said: { slot, ...NOTHING } };
    });
    const system = { places, storms: near, age, lastRound: START };
    const since = random.whole(100, 240);
    for (let day = START - since - HALF_YEAR * Math.floor((age - since) / HALF_YEAR); day < START; day += HALF_YEAR) {
      system.lastRound = day;
      for (const place of places) {
        if (Math.min(place.life.wornOut, place.life.dies) <= day) fit(place, day, near);
        read(place, day);
        if (isPastLimit(place.part, place.life.readings.at(-1)!.value)) fit(place, day, near);
      }
    }
    return system;
  });
}

interface Counted {
  visits: number;
  /** Failures by wear before their visit, and what they cost in their season. */
  worn: number;
  cost: number;
  /** Those that no visit could have foreseen: dead at a blow, or by a storm since the last one. */
  sudden: number;
  fitted: number;
}

type Order = (systems: readonly System[], day: Day, most: number) => readonly System[];

/** Everything that failed in a week is fitted anew, on a call that is no round. */
function failures(system: System, day: Day, counted: Counted): void {
  for (const place of system.places) {
    const { wornOut, dies, failsUnstruck } = place.life;
    if (Math.min(wornOut, dies) > day) continue;
    if (wornOut <= dies && failsUnstruck(day, system.lastRound)) {
      counted.worn += 1;
      counted.cost += costOfFailing(place.said.slot, 'split-heat-pump', day, USUAL_SEASON_STARTS);
    } else counted.sudden += 1;
    fit(place, day, system.storms);
  }
}

function visit(system: System, day: Day, prior: FleetPrior, counted: Counted): void {
  counted.visits += 1;
  system.lastRound = day;
  for (const place of system.places) {
    read(place, day);
    judge(place, day, prior);
    if (place.said.standing !== 'act' && place.said.standing !== 'stop') continue;
    fit(place, day, system.storms);
    counted.fitted += 1;
  }
}

const isSpring = (month: number) => month >= 3 && month <= 5;
const isFall = (month: number) => month >= 9 && month <= 11;

/** What a firm lives through by an order of its rounds, with as many visits each week as `visits` has; these are noted where it has none. */
function threeYears(seed: number, order: Order, seasonal: boolean, visits: Map<Day, number>): Counted {
  const systems = firmOf(seed);
  const prior = learnPrior(systems.flatMap((s) => s.places.map(threadOf)).filter((t) => t.readings.length > 1));
  for (const { places, lastRound } of systems)
    for (const place of places) if (place.life.readings.length > 0) judge(place, lastRound, prior);
  const counted: Counted = { visits: 0, worn: 0, sudden: 0, cost: 0, fitted: 0 };
  const weeks = seasonal ? 13 : 26;
  for (let day = START; day < START + YEARS * 365; day += 7) {
    for (const system of systems) failures(system, day, counted);
    const month = Number(isoOf(day).slice(5, 7));
    if (seasonal && !isSpring(month) && !isFall(month)) continue;
    const gone = order(systems, day, visits.get(day) ?? Math.round(SYSTEMS / weeks));
    visits.set(day, gone.length);
    for (const system of gone) visit(system, day, prior, counted);
  }
  return counted;
}

/** Each once in every half of a year, in the order of a list. */
const inTurn =
  (compare: (a: System, b: System) => number): Order =>
  (systems, day, most) => {
    const waiting = systems.filter(({ lastRound }) => day - lastRound > 95);
    return [...waiting].sort(compare).slice(0, most);
  };

const between = (system: System, day: Day) => ({
  system,
  lastRound: system.lastRound,
  waiting: waitingOn(
    day,
    { kind: 'split-heat-pump', parts: system.places.map(({ said }) => said), lastRound: system.lastRound },
    USUAL_SEASON_STARTS,
  ),
});
const byRisk =
  (leastDays: number): Order =>
  (systems, day, most) =>
    systems
      .filter(({ lastRound }) => day - lastRound >= leastDays)
      .map((system) => between(system, day))
      .sort(byUrgencyOfRound(day))
      .slice(0, most)
      .map(({ system }) => system);

const ORDERS: readonly (readonly [string, Order])[] = [
  ['fixed months, the longest waiting first', inTurn((a, b) => a.lastRound - b.lastRound)],
  ['the oldest machine first', inTurn((a, b) => b.age - a.age)],
  ['by risk, each once a season', byRisk(95)],
  ['by risk', byRisk(60)],
];

const seeds = process.argv.includes('--tuning') ? TUNING_SEEDS : PROVING_SEEDS;
for (const seasonal of [true, false]) {
  console.log(
    `\n### ${seasonal ? 'Rounds in spring and fall' : 'Rounds all year'}, ${seeds.length} firms of ${SYSTEMS} systems, ${YEARS} years\n`,
  );
  console.log(
    '| order | visits | worn parts that failed first | of fixed months | what they cost | of fixed | parts fitted in time | without notice |',
  );
  console.log('|---|---|---|---|---|---|---|---|');
  let fixed: Counted | null = null;
  const visits = new Map(seeds.map((seed) => [seed, new Map<Day, number>()]));
  for (const [name, order] of ORDERS) {
    const all = seeds.map((seed) => threeYears(seed, order, seasonal, visits.get(seed)!));
    const sum = (of: keyof Counted) => all.reduce((total, c) => total + c[of], 0);
    const row: Counted = {
      visits: sum('visits'),
      worn: sum('worn'),
      sudden: sum('sudden'),
      cost: sum('cost'),
      fitted: sum('fitted'),
    };
    fixed ??= row;
    console.log(
      `| ${name} | ${row.visits} | ${row.worn} | ${(row.worn / fixed.worn).toFixed(2)} | ${row.cost.toFixed(0)} | ${(row.cost / fixed.cost).toFixed(2)} | ${row.fitted} | ${row.sudden} |`,
    );
  }
}
