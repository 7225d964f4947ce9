import { dayOf, learnPrior, meterStands, offsetOn, type FleetPrior } from '@yarnix/core';
import {
  randomFrom,
  simulateMeters,
  trulyPast,
  type MeterFleet,
  type MeterNature,
  type TrueReading,
} from '@yarnix/simulator';
import { engine, setRight, straightLine, threadOf, unmetered, type Method } from './methods.ts';
import { brier, calibration, scoreAt, thresholdFor, type Case } from './score.ts';
import { usual } from './usual-fleet.ts';

/**
 * npm run evaluate -- meters [--tuning]: how well outlooks foresee when meters are off, on simulated firms whose meters'
 * offsets are known: as if nobody kept what was read with what, with the offsets known exactly, and with them learned.
 */

const offsets = { capacitance: 0.012, clamp: 0.015 };
const six: MeterNature = { technicians: 6, usualHand: 0.5, offsets };
const FIRMS: readonly (readonly [string, MeterNature])[] = [
  ['six technicians, hands change', six],
  ['six, one going off', { ...six, goingOff: { aYear: -0.012, years: 2.5 } }],
  ['six, one a house', { ...six, usualHand: 1, goingOff: { aYear: -0.012, years: 2.5 } }],
  ['two technicians', { ...six, technicians: 2 }],
  ['one technician', { ...six, technicians: 1 }],
  ['fourteen technicians', { ...six, technicians: 14 }],
  ['a meter swapped', { ...six, moved: { by: 0.025, yearsAgo: 1.5 } }],
  ['all off alike', { ...six, offsets: { capacitance: 0.004, clamp: 0.004 }, shared: -0.012 }],
  ['two technicians, checked each quarter', { ...six, technicians: 2, checkedEvery: 91 }],
  ['one technician, checked each quarter', { ...six, technicians: 1, checkedEvery: 91 }],
  [
    'all off alike, checked each quarter',
    { ...six, offsets: { capacitance: 0.004, clamp: 0.004 }, shared: -0.012, checkedEvery: 91 },
  ],
  ['a meter lent twice', { ...six, lent: 0.002 }],
  ['offsets go with the weather', { ...six, byWeather: 0.004 }],
  ['perfect meters', { ...six, offsets: { capacitance: 0, clamp: 0 } }],
];
/** Firms in which it is looked at when a meter is named: small offsets, and one meter going off. */
const quiet: MeterNature = { ...six, offsets: { capacitance: 0.004, clamp: 0.004 } };
const NAMED: typeof FIRMS = [
  ['six, all well within what is watched', quiet],
  ['six as they are', six],
  ['six, one going off', { ...quiet, goingOff: { aYear: -0.012, years: 2.5 } }],
];
const TUNING_SEEDS = [21, 22];
const PROVING_SEEDS = [811, 812, 813];
const PLACES = 220;
const AS_OF = dayOf('2026-11-01');

interface Firm {
  readonly name: string;
  readonly fleet: MeterFleet;
}
type Seen = (readings: readonly TrueReading[]) => readonly TrueReading[];
const asTheyAre: Seen = (readings) => readings;

const priorFrom = (fleet: MeterFleet, as: Seen): FleetPrior =>
  learnPrior(
    fleet.taught.map((t) => threadOf(t, as(t.readings))),
    undefined,
    as === asTheyAre ? fleet.checks : [],
  );

function casesOf(
  firms: readonly Firm[],
  as: Seen,
  methodOf: (prior: FleetPrior) => Method,
  known: Map<Firm, FleetPrior>,
): Case[] {
  let number = 0;
  return firms.flatMap((firm) => {
    const prior = known.get(firm) ?? priorFrom(firm.fleet, as);
    known.set(firm, prior);
    const method = methodOf(prior);
    return firm.fleet.asked.flatMap((thread) => {
      number += 1;
      const firstPast = thread.readings.findIndex((r) => trulyPast(thread, r));
      return thread.readings.slice(2).map((next, i): Case => {
        const seen = thread.readings.slice(0, i + 2);
        const visitsUntil = firstPast === -1 ? null : firstPast - (seen.length - 1);
        const said = method(thread, as(seen), next.day);
        return { thread: number, visitsUntil, seen: seen.length, said, came: trulyPast(thread, next) };
      });
    });
  });
}

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

const worstTenth = (cases: readonly Case[]): number =>
  Math.max(
    0,
    ...calibration(cases)
      .filter((t) => t.cases >= 50)
      .map((t) => 100 * Math.abs(t.came - t.said)),
  );

/** How near the learned offsets come, of meters with a hundred readings, at the end and a year before: worst and root mean square. */
function offsetErrors(
  firms: readonly Firm[],
  known: ReadonlyMap<Firm, FleetPrior>,
): { worst: number; rms: number; meters: number } {
  const errors: number[] = [];
  for (const firm of firms) {
    for (const quantity of ['capacitance', 'amps'] as const) {
      const learned = known.get(firm)?.meters[quantity];
      for (const [name, meter] of Object.entries(learned?.meters ?? {})) {
        if (meter.readings < 100) continue;
        for (const day of [AS_OF, AS_OF - 365])
          errors.push((offsetOn(learned, name, day)?.mean ?? NaN) - firm.fleet.trueOffset(quantity, name, day));
      }
    }
  }
  const rms = Math.sqrt(errors.reduce((sum, e) => sum + e * e, 0) / errors.length);
  return { worst: Math.max(...errors.map(Math.abs)), rms, meters: errors.length / 2 };
}

function row(name: string, firms: readonly Firm[]): string {
  const known = new Map<Firm, FleetPrior>();
  const today = casesOf(firms, unmetered, engine, new Map());
  const limit = casesOf(firms, setRight, engine, new Map());
  const model = casesOf(firms, asTheyAre, engine, known);
  const line = scoreAt(
    casesOf(firms, asTheyAre, () => straightLine, known),
    0.5,
  );
  const base = model.filter((c) => c.came).length / model.length;
  const flags = (cases: readonly Case[]) => scoreAt(cases, thresholdFor(cases, line.recall)).falseFlags;
  const off = offsetErrors(firms, known);
  const cells = [
    name,
    model.length,
    ...[today, model, limit].map((c) => (brier(c) / (base * (1 - base))).toFixed(2)),
    (brier(model) / brier(limit)).toFixed(2),
    ...[today, model, limit].map(flags),
    ...[today, model, limit].map((c) => worstTenth(c).toFixed(0)),
    `${percent(off.rms)}, ${percent(off.worst)}`,
  ];
  return `| ${cells.join(' | ')} |`;
}

/** Every quarter of two years: which meters are named, rightly or not, and how far off one going off was when it was. */
function namings(firms: readonly Firm[]) {
  let [meterYears, falseAlarms, changes] = [0, 0, 0];
  const namedAt: number[] = [];
  for (const { fleet } of firms) {
    const was = new Map<string, boolean>();
    for (let day = AS_OF - 8 * 91; day <= AS_OF; day += 91) {
      const until = (readings: readonly TrueReading[]) => readings.filter((r) => r.day <= day);
      const threads = fleet.taught.map((t) => threadOf(t, until(t.readings))).filter((t) => t.readings.length > 0);
      const { meters } = learnPrior(threads);
      for (const quantity of ['capacitance', 'amps'] as const) {
        const names = Object.keys(meters[quantity]?.meters ?? {}).filter((n) => n !== 'lent');
        const truth = (name: string) => fleet.trueOffset(quantity, name, day);
        const average = names.reduce((sum, n) => sum + truth(n), 0) / names.length;
        for (const name of names) {
          meterYears += 0.25;
          const { standing } = meterStands(quantity, meters[quantity], name, day);
          const isNamed = standing === 'watch' || standing === 'act';
          const key = `${quantity}/${name}`;
          const off = truth(name) - average;
          if (isNamed && !was.get(key)) {
            changes += 1;
            if (Math.abs(off) < 0.01 && Math.abs(truth(name)) < 0.01) falseAlarms += 1;
            if (fleet.isGoing(quantity, name)) namedAt.push(Math.abs(off));
          }
          was.set(key, isNamed);
        }
      }
    }
  }
  return { meterYears, falseAlarms, changes, namedAt };
}

const isTuning = process.argv.includes('--tuning');
const only = process.argv.find((a) => a.startsWith('--only='))?.slice(7);
const seeds = isTuning ? TUNING_SEEDS : PROVING_SEEDS;
/** Six technicians look after at least so many systems. */
const PLACES_NAMED = 450;
const firmsOf = (chosen: typeof FIRMS, at: readonly number[], places: number) =>
  chosen.map(([name, meters], i) => ({
    name,
    firms: at.map((seed) => ({
      name,
      fleet: simulateMeters(randomFrom(1000 * seed + i), usual, meters, places, AS_OF),
    })),
  }));

if (process.argv.includes('named')) {
  for (const { name, firms } of firmsOf(NAMED, seeds.slice(0, 2), PLACES_NAMED)) {
    const { meterYears, falseAlarms, changes, namedAt } = namings(firms);
    console.log(
      `${name}: ${changes} times a meter was named in ${meterYears} meter-years, ${falseAlarms} wrongly; going off, named at ${namedAt.map(percent).join(', ')}`,
    );
  }
} else {
  console.log(
    '| firm | cuts | Brier of always: today | learned | known | learned / known | false flags: today | learned | known | worst tenth: today | learned | known | offsets: rms, worst |',
  );
  console.log('|---|---|---|---|---|---|---|---|---|---|---|---|---|');
  for (const { name, firms } of firmsOf(FIRMS, seeds, PLACES))
    if (!only || name.includes(only)) console.log(row(name, firms));
}
