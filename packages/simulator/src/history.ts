import {
  checkEntry,
  chosenIn,
  componentsFor,
  DAYS_A_YEAR,
  instrumentsOf,
  isoOf,
  planRound,
  ratingOf,
  seasonOf,
  type About,
  type Component,
  type Conditions,
  type Day,
  type Inputs,
  type NewReading,
  type PlannedReading,
  type Plate,
  type Slot,
  type SystemKind,
} from '@yarnix/core';
import { v7 } from 'uuid';
import { drawPlate } from './draw-plate.ts';
import { shown } from './instruments.ts';
import type { PersonsMeters } from './persons-meters.ts';
import { houseOf, type ModelHouse } from './model-house.ts';
import { trueMicrofarads, type Scene } from './physics.ts';
import { truthAt } from './truths.ts';
import type { Random } from './random.ts';
import { outdoorOn } from './wear.ts';

const KINDS: readonly [SystemKind, ...SystemKind[]] = [
  'split-heat-pump',
  'split-heat-pump',
  'split-heat-pump',
  'split-air-conditioner',
  'split-air-conditioner',
  'packaged-heat-pump',
  'gas-furnace-with-coil',
  'air-handler-electric-heat',
  'ductless-heat-pump',
];

/** A part of a simulated system; what wears in it follows from its id. */
export interface SimulatedPart extends Component {
  readonly id: string;
  removedOn: Day | null;
  removedReason: string | null;
  readonly replaces: string | null;
}

export interface SimulatedReading extends NewReading {
  readonly id: string;
  /** What the entry came to, kind's unit, so that nothing needs to work it out again. */
  readonly value: number | null;
  readonly findings: readonly string[];
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
  /** What each person reads with; perfect meters that nobody keeps unless given. */
  readonly meters?: readonly [PersonsMeters, PersonsMeters] | undefined;
}

interface Making {
  readonly random: Random;
  readonly house: ModelHouse;
  readonly history: SystemHistory;
  readonly meters: HistoryOptions['meters'];
}

/** An id in the order of its moment, as the app makes them, but from the seed. */
export const idAt = (random: Random, moment: number): string => v7({ msecs: moment, random: random.bytes() });

const momentOf = (day: Day, minute: number): number => day * 86_400_000 + (14 * 60 + minute) * 60_000;

function fit(
  making: Making,
  slot: Slot,
  kind: Component['kind'],
  plate: Component['plate'],
  fittedOn: Day,
  replaces: string | null,
): SimulatedPart {
  const id = idAt(making.random, momentOf(fittedOn, 1));
  const part = { slot, kind, plate, fittedOn, id, removedOn: null, removedReason: null, replaces };
  making.history.parts.push(part);
  return part;
}

const living = (history: SystemHistory): SimulatedPart[] => history.parts.filter((p) => p.removedOn === null);

const sceneOn = (making: Making, day: Day, outdoorF: number): Scene => ({
  house: making.house,
  parts: living(making.history),
  installedOn: making.history.installedOn,
  day,
  season: seasonOf(day),
  outdoorF,
  faults: new Set(),
});

/** What is entered for a reading: what its instruments show, in the method's inputs; later samples are often left out. */
function inputsFor(
  random: Random,
  scene: Scene,
  reading: PlannedReading<SimulatedPart>,
  meters: PersonsMeters | undefined,
): Inputs {
  const inputs: Record<string, number | string | readonly string[]> = {};
  for (const spec of reading.method.inputs) {
    if (spec.type === 'number' && spec.optional && reading.kind.component !== 'contactor' && spec.id !== 'supplyWetF')
      continue;
    const held = {
      kind: reading.kind.id,
      point: reading.point,
      input: spec.id,
      component: reading.component,
      method: reading.method.id,
    };
    const truth = truthAt(scene, held);
    if (spec.type === 'several') inputs[spec.id] = chosenIn(truth);
    else if (typeof truth !== 'number' || spec.type !== 'number') inputs[spec.id] = String(truth);
    else {
      const off = meters?.off(spec.probe, scene.day) ?? 0;
      inputs[spec.id] = Number.isFinite(truth) ? shown(random, truth * (1 + off), spec.unit) : 'OL';
    }
  }
  // A sound capacitor kicks and falls back.
  const [needle] = reading.method.inputs;
  if (reading.method.id === 'needle-sweep' && needle?.type === 'choice')
    inputs.finding = needle.options[0]?.value ?? '';
  return inputs;
}

/** Whether a technician takes this reading on this visit: few take what nobody misses. */
const isTaken = ({ random }: Making, { kind, method }: PlannedReading<SimulatedPart>): boolean => {
  // A fault is no part of a history, and a check of the visit itself says nothing of how parts wear.
  if (method.optional === 'on-fault' || kind.owedAgain) return false;
  // Delivered cooling costs nothing to take: everything it needs is there.
  return method.optional !== true || method.inputs.length === 0 || random.chance(0.07);
};

interface Visiting {
  readonly making: Making;
  readonly visit: SimulatedVisit;
  readonly scene: Scene;
  /** What held so far on this visit; readings add to it as they are taken. */
  conditions: Conditions;
  minute: number;
}

/** The instruments a reading of a visit is taken with, where its firm keeps them. */
function instrumentsIn(
  { meters }: Making,
  { person }: SimulatedVisit,
  { method }: PlannedReading<SimulatedPart>,
): Pick<NewReading, 'instruments'> {
  const ids = meters?.[person].ids;
  return ids ? { instruments: Object.fromEntries(instrumentsOf(method).map((kind) => [kind, ids[kind]])) } : {};
}

function record(
  visiting: Visiting,
  planned: PlannedReading<SimulatedPart>,
  inputs: Inputs,
  supersedes?: string,
): SimulatedReading {
  const { making, visit, conditions } = visiting;
  const { systemKind, plate } = { systemKind: making.house.kind, plate: making.house.plate };
  const about: About = { systemKind, plate, component: planned.component, point: planned.point, conditions };
  const checked = checkEntry(planned.kind, planned.method, inputs, about);
  if (checked.outcome === 'refused') {
    const told = JSON.stringify({ kind: planned.kind.id, inputs, checked });
    throw new Error(`the simulator made an impossible entry: ${told}`);
  }
  const takenAt = Date.parse(visit.startedAt) + visiting.minute * 60_000;
  visiting.minute += 1;
  const reading: SimulatedReading = {
    id: idAt(making.random, takenAt),
    visitId: visit.id,
    componentId: planned.component.id,
    kind: planned.kind.id,
    point: planned.point,
    method: planned.method.id,
    inputs: { ...checked.inputs } as NewReading['inputs'],
    takenAt: new Date(takenAt).toISOString(),
    conditions,
    confirmed: checked.outcome === 'questioned',
    value: checked.value,
    findings: checked.findings,
    ...(supersedes ? { supersedes } : {}),
    ...instrumentsIn(making, visit, planned),
  };
  making.history.readings.push(reading);
  const told = {
    inputs,
    value: checked.value,
    findings: checked.findings,
    point: planned.point,
    altitudeFt: plate.altitudeFt,
  };
  visiting.conditions = planned.kind.tells?.(told, conditions) ?? conditions;
  return reading;
}

/** Now and then a decimal point slips; the technician sees it on reading the list over and corrects it. */
function slipDecimal(visiting: Visiting, planned: PlannedReading<SimulatedPart>, inputs: Inputs): void {
  const slipped = { microfarads: Number((Number(inputs.microfarads) / 10).toFixed(2)) };
  const wrong = record(visiting, planned, slipped);
  record(visiting, planned, inputs, wrong.id);
}

function takeReadings(visiting: Visiting, wanted: (r: PlannedReading<SimulatedPart>) => boolean): void {
  const { making, scene } = visiting;
  const { kind: systemKind, plate } = making.house;
  const planned = planRound({ systemKind, plate, components: living(making.history), season: scene.season });
  for (const reading of planned.flatMap((stop) => stop.readings).filter(wanted)) {
    const inputs = inputsFor(making.random, scene, reading, making.meters?.[visiting.visit.person]);
    const slips = reading.method.id === 'bench' && making.random.chance(0.006);
    if (slips) slipDecimal(visiting, reading, inputs);
    else record(visiting, reading, inputs);
  }
}

function replaceWorn(visiting: Visiting, leftInPlace: number): void {
  const { making, scene } = visiting;
  for (const part of living(making.history).filter((p) => p.kind === 'run-capacitor')) {
    const sections = ratingOf(part)?.sections ?? [];
    const worn = sections.find((s) => trueMicrofarads(scene, part, s.lug) < 0.94 * s.microfarads);
    if (!worn || making.random.chance(leftInPlace)) continue;
    part.removedOn = scene.day;
    part.removedReason = `${worn.lug.toUpperCase()} weak`;
    const fresh = fit(making, part.slot, part.kind, part.plate, scene.day, part.id);
    takeReadings(visiting, (r) => r.component === fresh && r.method.id === 'bench');
  }
}

function visitOn(making: Making, day: Day, options: HistoryOptions): void {
  const { random } = making;
  const season = seasonOf(day);
  const started = momentOf(day, random.whole(0, 240));
  const visit = {
    id: idAt(random, started),
    startedAt: new Date(started).toISOString(),
    closedAt: '',
    person: random.chance(0.7) ? (0 as const) : (1 as const),
  };
  making.history.visits.push(visit);
  const outdoorF = outdoorOn(random, season);
  const lineVolts = random.normal(making.house.lineVolts, 1.5);
  const scene = sceneOn({ ...making, house: { ...making.house, lineVolts } }, day, outdoorF);
  const visiting: Visiting = { making, visit, scene, conditions: { outdoorF, runningMin: 14 }, minute: 4 };
  takeReadings(visiting, (r) => isTaken(making, r));
  replaceWorn(visiting, options.leftInPlace);
  visit.closedAt = new Date(started + (visiting.minute + random.whole(3, 12)) * 60_000).toISOString();
}

/** The days of spring and fall rounds over the last `years` years, the last of them not after `asOf`. */
function roundDays(random: Random, asOf: Day, years: number): Day[] {
  const days: Day[] = [];
  const endYear = Number(isoOf(asOf).slice(0, 4));
  for (let year = endYear - Math.ceil(years); year <= endYear; year += 1) {
    for (const month of ['04-05', '10-05']) {
      const day = Math.floor(Date.parse(`${year}-${month}T00:00:00Z`) / 86_400_000) + random.whole(0, 50);
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
  const kind = random.pick(KINDS);
  const plate = drawPlate(random, kind, Number(isoOf(installedOn).slice(0, 4)));
  const id = idAt(random, momentOf(installedOn, 0));
  const house = houseOf(id, kind, plate);
  const history: SystemHistory = { id, kind, plate, installedOn, parts: [], visits: [], readings: [] };
  const making: Making = { random, house, history, meters: options.meters };
  for (const part of componentsFor(kind, plate)) fit(making, part.slot, part.kind, part.plate, installedOn, null);
  for (const day of roundDays(random, options.asOf, years)) visitOn(making, day, options);
  return history;
}
