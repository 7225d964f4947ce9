import {
  checkEntry,
  componentsFor,
  isoOf,
  planRound,
  ratingOf,
  seasonOf,
  type About,
  type Component,
  type Conditions,
  type Day,
  type Inputs,
  type Lug,
  type NewReading,
  type Plate,
  type PlannedReading,
  type Slot,
  type SystemKind,
} from '@yarnix/core';
import { v7 } from 'uuid';
import { drawHouse, type ModelHouse } from './model-house.ts';
import type { Random } from './random.ts';
import { capacitanceAfter, drawWear, outdoorOn, type SectionWear } from './wear.ts';

/** A part of a simulated system, with the wear it hides. */
export interface SimulatedPart extends Component {
  readonly id: string;
  removedOn: Day | null;
  removedReason: string | null;
  readonly replaces: string | null;
  readonly wear: Partial<Record<Lug, SectionWear>>;
}

export interface SimulatedReading extends NewReading {
  readonly id: string;
  /** What the entry came to, kind's unit, so that nothing needs to work it out again. */
  readonly value: number | null;
  readonly finding: string | null;
}

export interface SimulatedVisit {
  readonly id: string;
  readonly startedAt: string;
  readonly closedAt: string;
  readonly person: 0 | 1;
}

export interface SystemHistory {
  readonly id: string;
  readonly kind: SystemKind;
  readonly plate: Plate;
  readonly installedOn: Day;
  readonly parts: SimulatedPart[];
  readonly visits: SimulatedVisit[];
  readonly readings: SimulatedReading[];
}

export interface HistoryOptions {
  /** The day the history ends. */
  readonly asOf: Day;
  /** Years of visits, from and to. */
  readonly years: readonly [number, number];
  /** Chance that a part found past its limit is left in place until the next round. */
  readonly leftInPlace: number;
}

const DAYS_A_YEAR = 365.2425;

interface Scene {
  readonly random: Random;
  readonly house: ModelHouse;
  readonly history: SystemHistory;
}

/** An id in the order of its moment, as the app makes them, but from the seed. */
export const idAt = (random: Random, moment: number): string => v7({ msecs: moment, random: random.bytes() });

const momentOf = (day: Day, minute: number): number => day * 86_400_000 + (14 * 60 + minute) * 60_000;

function fit(
  scene: Scene,
  slot: Slot,
  kind: Component['kind'],
  plate: Component['plate'],
  fittedOn: Day,
  replaces: string | null,
): SimulatedPart {
  const bare = { slot, kind, plate, fittedOn };
  const wear: SimulatedPart['wear'] = {};
  for (const section of ratingOf(bare)?.sections ?? []) wear[section.lug] = drawWear(scene.random, section.microfarads);
  const id = idAt(scene.random, momentOf(fittedOn, 1));
  const part = { ...bare, id, removedOn: null, removedReason: null, replaces, wear };
  scene.history.parts.push(part);
  return part;
}

const living = (history: SystemHistory): SimulatedPart[] => history.parts.filter((p) => p.removedOn === null);

function trueMicrofarads(part: SimulatedPart, lug: Lug, day: Day): number {
  const wear = part.wear[lug];
  const rated = ratingOf(part)?.sections.find((s) => s.lug === lug)?.microfarads ?? 0;
  return wear ? capacitanceAfter(wear, (day - (part.fittedOn ?? day)) / DAYS_A_YEAR, rated) : 0;
}

function hermNow(history: SystemHistory, day: Day): { actual: number; rated: number } | null {
  const part = living(history).find((p) => p.slot === 'run-capacitor');
  const section = part && ratingOf(part)?.sections.find((s) => s.lug === 'herm' || s.lug === 'single');
  return part && section ? { actual: trueMicrofarads(part, section.lug, day), rated: section.microfarads } : null;
}

/** Compressor amps on its three wires: they rise with outdoor temperature, with age, and with a weak capacitor. */
function compressorWires(scene: Scene, day: Day, outdoorF: number) {
  const years = (day - scene.history.installedOn) / DAYS_A_YEAR;
  const herm = hermNow(scene.history, day);
  const weak = herm ? Math.max(0, 1 - herm.actual / herm.rated) : 0;
  const weather = 1 + 0.002 * (outdoorF - 77);
  const common =
    scene.house.compressorAmps * weather * (1 + scene.house.compressorRisePerYear * years) * (1 + 0.4 * weak);
  const start = herm ? Math.min((herm.actual * 350) / 2653, 0.7 * common) : 0.3 * common;
  return { common, start, run: Math.sqrt(common * common - start * start) };
}

const keep = (value: number, digits: number): number => Number(Math.max(0, value).toFixed(digits));

function clampInputs(scene: Scene, reading: PlannedReading<SimulatedPart>, day: Day, outdoorF: number): Inputs {
  const { random, house } = scene;
  const noise = (value: number, digits: number) => ({ amps: keep(value * random.normal(1, 0.015), digits) });
  if (reading.kind.id === 'outdoor-fan-amps') return noise(house.outdoorFanAmps, 2);
  if (reading.kind.id === 'blower-amps') {
    const years = (day - scene.history.installedOn) / DAYS_A_YEAR;
    return noise(house.blowerAmps * (1 + house.blowerDriftPerYear * Math.min(years, 8)), 2);
  }
  const wires = compressorWires(scene, day, outdoorF);
  if (reading.point === 'start-wire') return noise(wires.start, 2);
  return noise(reading.point === 'run' ? wires.run : wires.common, 1);
}

function capacitorInputs(scene: Scene, reading: PlannedReading<SimulatedPart>, day: Day): Inputs {
  const { random } = scene;
  const part = reading.component;
  if (reading.method.id === 'looks') {
    const worst = Math.min(
      ...Object.keys(part.wear).map(
        (lug) =>
          trueMicrofarads(part, lug as Lug, day) /
          (ratingOf(part)?.sections.find((s) => s.lug === lug)?.microfarads ?? 1),
      ),
    );
    return { finding: worst < 0.85 && random.chance(0.6) ? 'bulged' : random.chance(0.02) ? 'rusted' : 'sound' };
  }
  const actual = trueMicrofarads(part, reading.point as Lug, day);
  if (reading.method.id === 'needle-sweep') return { finding: 'holds' };
  if (reading.method.id === 'bench')
    return { microfarads: keep(random.normal(actual, 0.008 * actual), actual < 20 ? 2 : 1) };
  const volts = Math.round(random.normal(352, 6));
  const amps = (actual * volts) / 2652.58;
  return { amps: keep(amps * random.normal(1, 0.015), 2), volts };
}

function inputsFor(scene: Scene, reading: PlannedReading<SimulatedPart>, day: Day, conditions: Conditions): Inputs {
  if (reading.kind.id === 'line-volts') return { volts: conditions.lineVolts ?? 240 };
  if (reading.kind.id === 'run-capacitor-capacitance') return capacitorInputs(scene, reading, day);
  return clampInputs(scene, reading, day, conditions.outdoorF ?? 70);
}

/** Whether a technician takes this reading on this visit: no cooling run in autumn without a heat pump, and few sweeps. */
function isTaken(scene: Scene, reading: PlannedReading<SimulatedPart>, season: 'spring' | 'autumn'): boolean {
  const coolingOnly = scene.house.kind === 'split-air-conditioner' || scene.house.kind === 'gas-furnace-with-coil';
  const needsCompressor =
    reading.method.stop === 'running' &&
    ['compressor', 'outdoor-fan', 'run-capacitor'].includes(reading.component.kind);
  if (season === 'autumn' && coolingOnly && needsCompressor) return false;
  return reading.method.id !== 'needle-sweep' || scene.random.chance(0.1);
}

function record(
  scene: Scene,
  visit: SimulatedVisit,
  planned: PlannedReading<SimulatedPart>,
  inputs: Inputs,
  conditions: Conditions,
  minute: number,
  supersedes?: string,
): SimulatedReading {
  const about: About = {
    systemKind: scene.house.kind,
    plate: scene.house.plate,
    component: planned.component,
    point: planned.point,
  };
  const checked = checkEntry(planned.kind, planned.method, inputs, about, conditions);
  if (checked.outcome === 'refused')
    throw new Error(`the simulator made an impossible entry: ${JSON.stringify({ inputs, checked })}`);
  const takenAt = Date.parse(visit.startedAt) + minute * 60_000;
  const reading: SimulatedReading = {
    id: idAt(scene.random, takenAt),
    visitId: visit.id,
    componentId: planned.component.id,
    kind: planned.kind.id,
    point: planned.point,
    method: planned.method.id,
    inputs,
    takenAt: new Date(takenAt).toISOString(),
    conditions,
    confirmed: checked.outcome === 'questioned',
    value: checked.value,
    finding: checked.finding,
    ...(supersedes ? { supersedes } : {}),
  };
  scene.history.readings.push(reading);
  return reading;
}

/** Now and then a decimal point slips; the technician sees it on reading the list over and corrects it. */
function slipDecimal(
  scene: Scene,
  visit: SimulatedVisit,
  planned: PlannedReading<SimulatedPart>,
  inputs: Inputs,
  conditions: Conditions,
  minute: number,
): void {
  const slipped = { microfarads: keep(Number(inputs.microfarads) / 10, 2) };
  const wrong = record(scene, visit, planned, slipped, conditions, minute);
  record(scene, visit, planned, inputs, conditions, minute + 1, wrong.id);
}

function replaceWorn(scene: Scene, visit: SimulatedVisit, day: Day, leftInPlace: number, conditions: Conditions): void {
  for (const part of living(scene.history).filter((p) => p.kind === 'run-capacitor')) {
    const sections = ratingOf(part)?.sections ?? [];
    const worn = sections.find((s) => trueMicrofarads(part, s.lug, day) < 0.94 * s.microfarads);
    if (!worn || scene.random.chance(leftInPlace)) continue;
    part.removedOn = day;
    part.removedReason = `${worn.lug.toUpperCase()} weak`;
    const fresh = fit(scene, part.slot, part.kind, part.plate, day, part.id);
    takeReadings(scene, visit, day, conditions, (r) => r.component === fresh && r.method.id === 'bench', 50);
  }
}

function takeReadings(
  scene: Scene,
  visit: SimulatedVisit,
  day: Day,
  conditions: Conditions,
  wanted: (r: PlannedReading<SimulatedPart>) => boolean,
  from: number,
): void {
  const planned = planRound(scene.house.kind, living(scene.history)).flatMap((stop) => stop.readings);
  planned.filter(wanted).forEach((reading, index) => {
    const inputs = inputsFor(scene, reading, day, conditions);
    const minute = from + 2 * index;
    const slips = reading.method.id === 'bench' && scene.random.chance(0.006);
    if (slips) slipDecimal(scene, visit, reading, inputs, conditions, minute);
    else record(scene, visit, reading, inputs, conditions, minute);
  });
}

function visitOn(scene: Scene, day: Day, options: HistoryOptions): void {
  const { random } = scene;
  const season = seasonOf(day);
  const started = momentOf(day, random.whole(0, 240));
  const visit: SimulatedVisit = {
    id: idAt(random, started),
    startedAt: new Date(started).toISOString(),
    closedAt: new Date(started + random.whole(45, 80) * 60_000).toISOString(),
    person: random.chance(0.7) ? 0 : 1,
  };
  scene.history.visits.push(visit);
  const conditions = {
    outdoorF: outdoorOn(random, season),
    lineVolts: Math.round(random.normal(scene.house.lineVolts, 2)),
  };
  takeReadings(scene, visit, day, conditions, (r) => isTaken(scene, r, season), 5);
  replaceWorn(scene, visit, day, options.leftInPlace, conditions);
}

/** The days of spring and autumn rounds over the last `years` years, the last of them not after `asOf`. */
function roundDays(random: Random, asOf: Day, years: number): Day[] {
  const days: Day[] = [];
  const endYear = Number(isoOf(asOf).slice(0, 4));
  for (let year = endYear - Math.ceil(years); year <= endYear; year += 1) {
    for (const month of ['04-05', '10-05']) {
      const day = Math.floor(Date.parse(`${year}-${month}T00:00:00Z`) / 86_400_000) + random.whole(0, 44);
      if (day <= asOf && asOf - day <= years * DAYS_A_YEAR && random.chance(0.94)) days.push(day);
    }
  }
  return days;
}

/** Simulates one system from installation to `asOf`: its rounds, readings, replaced parts and slips. */
export function simulateSystem(random: Random, options: HistoryOptions): SystemHistory {
  const years = random.between(options.years[0], options.years[1]);
  const olderBy = random.chance(0.5) ? random.between(0.1, 0.4) : random.between(2, 9);
  const installedOn = Math.floor(options.asOf - (years + olderBy) * DAYS_A_YEAR);
  const house = drawHouse(random, Number(isoOf(installedOn).slice(0, 4)));
  const id = idAt(random, momentOf(installedOn, 0));
  const history: SystemHistory = {
    id,
    kind: house.kind,
    plate: house.plate,
    installedOn,
    parts: [],
    visits: [],
    readings: [],
  };
  const scene: Scene = { random, house, history };
  for (const { slot, kind, plate } of componentsFor(house.kind, house.plate))
    fit(scene, slot, kind, plate, installedOn, null);
  for (const day of roundDays(random, options.asOf, years)) visitOn(scene, day, options);
  return history;
}
