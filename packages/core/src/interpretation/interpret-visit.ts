import { machineSpecOf, type MachineSpec } from '../circuit/machine-spec.ts';
import type { Slot } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import type { Interpretation, Says } from '../verdict/interpretation.ts';
import { evenly, hiddenBehind, isOwn, statesPossible, stillPossible } from './beforehand.ts';
import { interpretWeather } from './by-weather.ts';
import { expectedOf, showingAt, wantTable, type Expected, type Way } from './expected.ts';
import { chancesIfSound, fitsMeant, soundStates, tellsIn } from './if-sound.ts';
import { nextProbe } from './next-probe.ts';
import type { MayBe } from './possible-states.ts';
import { episodesOf, type ToInterpret } from './samples.ts';
import { wordsOf } from './state-words.ts';
import { isProbed } from './visit-probes.ts';
import {
  blunderChance,
  posterior,
  statesBy,
  total,
  weigh,
  withoutSamples,
  type Episode,
  type Sample,
  type Weighed,
} from './weigh.ts';

export type { ToInterpret } from './samples.ts';

/** From here on something is held to be so. */
const SURE = 0.95;
/** The state that was meant is held to be so. */
const MEANT = 0.95;
/** The same once every state that may last is held to be possible. */
const MEANT_RAISED = 0.9;
const OTHERWISE = 0.8;
const SLIPPED = 0.7;
/** What an alternative must have to be named. */
const NAMED = 0.1;

interface Scene {
  readonly weighed: () => Weighed;
  readonly expected: Expected;
  readonly episodes: readonly Episode[];
  /** Chances of the states of each episode where nothing is wrong; null where that does not explain the visit. */
  readonly soundIn: readonly (readonly number[])[] | null;
}

/** What runs is looked at of the whole machine: none of its parts is its own. */
const isOfWhole = (samples: readonly Sample[]): boolean => samples.every(({ probe }) => probe.what === 'runs');

/** What is said until it is known what faults show: the states in which a sound machine reads so, and no cause. */
function unknownYet(samples: readonly Sample[], episode: Episode, expected: Expected): Interpretation {
  // What no sound machine runs in any state that is possible has a cause, whichever.
  if (isOfWhole(samples) && !fitsMeant(samples, episode.states, expected))
    return { says: 'elsewhere', states: [], causes: [], next: null };
  const chances = chancesIfSound(episode, expected);
  return { says: 'tells-nothing', states: wordsOf(episode.states, chances), causes: [], next: null };
}

const COUNTS: Interpretation = { says: 'counts', states: [], causes: [], next: null };

function byCause(all: readonly Way[], ways: Float64Array): [string, number][] {
  const by = new Map<string, number>();
  all.forEach((way, w) => {
    if (!way.isSound) by.set(way.cause, (by.get(way.cause) ?? 0) + ways[w]!);
  });
  return [...by].sort((a, b) => b[1] - a[1]);
}

/** How much of the states that may have been tells of a reading. */
const tellingShare = (
  samples: readonly Sample[],
  states: readonly MayBe[],
  chances: readonly number[],
  expected: Expected,
): number => {
  const meant = states.filter(({ isMeant }) => isMeant);
  return states.reduce(
    (all, may, s) => all + (samples.some((one) => tellsIn(one, may, meant, expected)) ? chances[s]! : 0),
    0,
  );
};

/** What a reading says where nothing wrong explains the whole visit. */
function interpretSound(
  samples: readonly Sample[],
  states: readonly MayBe[],
  chances: readonly number[],
  expected: Expected,
): Interpretation {
  const inMeant = states.reduce((all, { isMeant }, s) => all + (isMeant ? chances[s]! : 0), 0);
  if (inMeant >= MEANT || tellingShare(samples, states, chances, expected) >= MEANT) return COUNTS;
  return { says: 'tells-nothing', states: wordsOf(states, chances), causes: [], next: null };
}

function interpret(
  slot: Slot,
  samples: readonly Sample[],
  e: number,
  { weighed: whole, expected, episodes, soundIn }: Scene,
): Interpretation {
  const { states } = episodes[e]!;
  const meant = states.filter(({ isMeant }) => isMeant);
  if (soundIn) return interpretSound(samples, states, soundIn[e]!, expected);
  const all = expected.ways;
  // Until it is known what faults show, what no sound machine shows is judged no further.
  if (!all) return fitsMeant(samples, meant, expected) ? COUNTS : unknownYet(samples, episodes[e]!, expected);
  const weighed = whole();
  const shows = new Set(
    samples.flatMap((sample) => meant.flatMap(({ state }) => showingAt(expected, sample.probe, state, sample))),
  );
  const weightOf = evenly(all, shows, withoutSamples(weighed, e, samples));
  const ways = posterior(weighed, weightOf);
  const by = statesBy(weighed, e, ways);
  const chances = by.map(total);
  const told = (says: Says, rest: Partial<Interpretation> = {}): Interpretation => ({
    says,
    states: wordsOf(states, chances),
    causes: [],
    next: null,
    ...rest,
  });
  // Worked out when it is looked at: it takes longer than all the rest.
  const withNext = (says: Says, causes: readonly string[]): Interpretation => {
    let found: Interpretation['next'] | undefined;
    return {
      ...told(says, { causes }),
      get next() {
        return (found ??= nextProbe(weighed, ways));
      },
    };
  };
  const isAsMeant = fitsMeant(samples, meant, expected);
  const inMeant = states.reduce((all, { isMeant }, s) => all + (isMeant ? chances[s]! : 0), 0);
  const possible = statesPossible(weighed, e, by);
  const telling = tellingShare(samples, states, possible, expected);
  if (isAsMeant && telling >= MEANT_RAISED) return COUNTS;
  const isWhole = isOfWhole(samples);
  const slipped = Math.max(...samples.map((sample) => blunderChance(expected, sample, states, by)));
  if (slipped >= SLIPPED && !isWhole) return told('doubtful');
  const causes = byCause(all, ways);
  const named = causes
    .filter(([, chance]) => chance >= NAMED)
    .map(([id]) => id)
    .slice(0, 2);
  const { elsewhere, everywhere: against } = stillPossible(weighed, e, ways);
  const own = isWhole ? 0 : total(elsewhere.filter((_chance, w) => isOwn(all[w]!, slot)));
  const sound = against[0]!;
  const everything = own + total(against.filter((_chance, w) => isWhole || !isOwn(all[w]!, slot)));
  if (own / everything >= SURE && !isAsMeant) {
    const more = hiddenBehind(all, weightOf, shows, samples, episodes[e]!, expected, slot);
    const hidden = total(against.map((chance, w) => chance * more[w]!));
    if (own / (everything + hidden) >= SURE) return told('condemned', { causes: named });
  }
  if (1 - inMeant >= OTHERWISE) return withNext('other-state', []);
  if (!isAsMeant && 1 - sound / everything >= SURE)
    return withNext(1 - (sound + own) / everything >= OTHERWISE ? 'elsewhere' : 'faulty', named);
  return withNext('tells-nothing', isAsMeant ? [] : named);
}

/** A visit's machine. */
export interface Interpreted {
  readonly kind: SystemKind;
  readonly plate: Plate;
}

/**
 * What each reading of a visit says, by its id: all of them weighed together, under every cause and every state the machine may
 * have been in. Readings that are not taken of the wiring are left out: they count as they are. `readings` are those that stand, in
 * the order they were taken; `only` names the one that is asked for while it is typed.
 */
export function interpretVisit(
  system: Interpreted,
  readings: readonly ToInterpret[],
  only?: string,
): ReadonlyMap<string, Interpretation> {
  const told = new Map<string, Interpretation>();
  const facts = { findings: new Set(readings.flatMap(({ findings = [] }) => findings)) };
  for (const reading of readings) {
    const says = interpretWeather(reading, system.plate, facts);
    if (says) told.set(reading.id, says);
  }
  const probed = readings.filter(({ kind, inputs }) => inputs && isProbed(kind));
  if (probed.length === 0) return told;
  const spec = specOf(system);
  if (spec.outdoors === 'inverter') return told;
  // What was repaired is another machine: what was read before it says nothing of what is wrong after it.
  for (const since of new Set(probed.map((r) => r.since)))
    interpretStretch(
      system,
      spec,
      probed.filter((r) => r.since === since),
      only,
    ).forEach((says, id) => told.set(id, says));
  return told;
}

/** The same of the readings between one repair and the next. */
function interpretStretch(
  { plate }: Interpreted,
  spec: MachineSpec,
  probed: readonly ToInterpret[],
  only: string | undefined,
): ReadonlyMap<string, Interpretation> {
  const told = new Map<string, Interpretation>();
  const expected = expectedOf(spec);
  const episodes = episodesOf(probed, spec, plate, expected);
  let known: Weighed | null = null;
  const sound = episodes.map((episode) => soundStates(episode, expected));
  const scene: Scene = {
    expected,
    episodes,
    soundIn: sound.every((chances) => chances !== null) ? sound : null,
    weighed: () => (known ??= weigh(expected, episodes)),
  };
  if (!scene.soundIn && !expected.ways) wantTable(spec);
  episodes.forEach(({ samples }, e) => {
    for (const id of new Set(samples.map(({ of }) => of))) {
      if (only !== undefined && id !== only) continue;
      const { slot } = probed.find((r) => r.id === id)!;
      const own = samples.filter(({ of }) => of === id);
      told.set(id, interpret(slot, own, e, scene));
    }
  });
  return told;
}

/** Specs by their plates, so that what is known of one is found again. */
const specs = new WeakMap<Plate, MachineSpec>();
function specOf({ kind, plate }: Interpreted): MachineSpec {
  const known = specs.get(plate);
  if (known?.kind === kind) return known;
  const made = machineSpecOf(kind, plate);
  specs.set(plate, made);
  return made;
}
