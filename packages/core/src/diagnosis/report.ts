import type { FaultId } from '../circuit/faults.ts';
import type { Slot } from '../equipment/component.ts';
import { isUnlisted, priorsOf, type CauseId } from './causes.ts';
import { byCause, chancesByWay, likelihoods, logLikelihoods } from './chances.ts';
import type { Ground } from './ground.ts';
import { hunt, type Hunt } from './hunt.ts';
import type { Offer } from './offers.ts';
import type { Standing } from './proof.ts';
import type { HuntAsked } from './weigh.ts';
import type { Answer, Test } from './test-shape.ts';

/** Under this chance a cause is a strand that is cut. */
export const CUT_BELOW = 0.005;

/** A cause as a hunt tells of it. */
export interface Suspect {
  readonly id: CauseId;
  readonly faults: readonly FaultId[];
  readonly slot: Slot | null;
  readonly chance: number;
  /** Its chance before anything was answered, then after each answer. */
  readonly course: readonly number[];
  /** The answer that ruled it out, by its place; null while it is alive, −1 where the complaint did. */
  readonly cutBy: number | null;
}

/** What an answer to an offered test would mean. */
export interface Meant {
  readonly answer: Answer;
  readonly chance: number;
  /** The likeliest causes then, with their chances. */
  readonly leaves: readonly { readonly id: CauseId; readonly chance: number }[];
  /** Causes alive now that it would rule out. */
  readonly rulesOut: readonly CauseId[];
}

/** A test as it is offered. */
export interface Offered {
  readonly test: Test;
  readonly minutes: number;
  readonly tells: number;
  readonly means: readonly Meant[];
}

/** A hunt as plain data, for a screen or another thread. */
export interface HuntReport {
  /** The likeliest first; what the complaint leaves next to nothing of is left out. */
  readonly suspects: readonly Suspect[];
  readonly offers: readonly Offered[];
  readonly standing: Standing;
  /** Answers that the likeliest cause does not explain, by their place. */
  readonly contradictions: readonly number[];
}

/** An answer this unlikely under the likeliest cause is said to contradict it. */
const CONTRADICTS = 0.05;
const LEAVES = 3;
const MOST_OFFERS = 8;

function meansOf({ ground, byWay, chances }: Hunt, { test }: Offer): Meant[] {
  const { answers, chances: rows } = ground.expect(test);
  return answers.flatMap((answer, a): Meant[] => {
    const joint = byWay.map((ways, i) => ways.reduce((sum, p, way) => sum + p * (rows[i]?.[way]?.[a] ?? 0), 0));
    const all = joint.reduce((sum, p) => sum + p, 0);
    if (all < 0.02) return [];
    const then = joint.map((p) => p / all);
    const ranked = then
      .map((chance, i) => ({ id: ground.causes[i]?.id ?? 'unlisted', chance }))
      .sort((x, y) => y.chance - x.chance);
    return [
      {
        answer,
        chance: all,
        leaves: ranked.slice(0, LEAVES).filter(({ chance }) => chance > 0.05),
        rulesOut: ground.causes
          .filter((_, i) => (chances[i] ?? 0) > 0.02 && (then[i] ?? 0) < CUT_BELOW)
          .map(({ id }) => id),
      },
    ];
  });
}

/** Chances of each cause before any answer, and after each of them. */
function coursesOf(ground: Ground, { complaints, leanings, observations }: HuntAsked): number[][] {
  const priors = priorsOf(ground.causes, complaints, leanings);
  return [...observations.keys(), observations.length].map((count) =>
    byCause(chancesByWay(logLikelihoods(ground, observations.slice(0, count)), priors)),
  );
}

/** Where a course fell for good; null where it has not. */
function cutAt(course: readonly number[]): number | null {
  if ((course.at(-1) ?? 0) >= CUT_BELOW) return null;
  return course.findLastIndex((p) => p >= CUT_BELOW);
}

function contradictionsIn(ground: Ground, { observations }: HuntAsked, leader: number): number[] {
  return observations.flatMap((observation, at) => {
    const likely = likelihoods(ground, observation)?.[leader];
    return likely && Math.max(...likely) < CONTRADICTS ? [at] : [];
  });
}

/** A hunt as it stands after what was observed, as plain data. */
export function huntReport(listed: Ground, asked: HuntAsked): HuntReport {
  const now = hunt(listed, asked);
  const { ground, chances } = now;
  const courses = coursesOf(ground, asked);
  const leader = chances.indexOf(Math.max(...chances));
  const suspects = ground.causes
    .map((cause, i): Suspect => {
      const course = courses.map((at) => at[i] ?? 0);
      return {
        id: cause.id,
        faults: cause.faults,
        slot: cause.slot,
        chance: chances[i] ?? 0,
        course,
        cutBy: cutAt(course),
      };
    })
    .filter(({ course, id }) => Math.max(...course) >= (isUnlisted(id) && id !== 'unlisted' ? 0.05 : 0.015))
    .sort((a, b) => b.chance - a.chance);
  return {
    suspects,
    offers: now.offers.slice(0, MOST_OFFERS).map((offer) => ({ ...offer, means: meansOf(now, offer) })),
    standing: now.standing,
    contradictions: contradictionsIn(ground, asked, leader),
  };
}
