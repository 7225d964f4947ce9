import type { Plate } from '../equipment/plate.ts';
import type { Judgment } from '../verdict/judgment.ts';
import { signsOf, type Sign } from './signs.ts';
import type { ThreadState } from './thread-state.ts';
import { TOGETHER_IDS, type TogetherId } from '../verdict/together.ts';
import { TOGETHER, type Evidence, type Threads, type TogetherRule } from './together-rules.ts';

/** A thread that readings are read together from. */
export interface Readable {
  readonly key: string;
  readonly state: ThreadState;
}

/** A finding over several readings: the rule, and the threads that gave its evidence. */
export interface Together {
  readonly rule: TogetherId;
  readonly threads: readonly string[];
}

const isOf = (state: ThreadState, { kind, points }: Threads): boolean =>
  state.kind === kind && (points === undefined || points.includes(state.point));

interface Shown extends Readable {
  readonly signs: readonly Sign[];
}

const showing = (threads: readonly Shown[], evidence: Evidence): Shown[] =>
  threads.filter((t) => isOf(t.state, evidence) && evidence.shows.some((sign) => t.signs.includes(sign)));

const fitsPlate = ({ plate: wanted }: TogetherRule, plate: Plate): boolean =>
  (wanted?.blowerMotor === undefined || plate.blowerMotor === wanted.blowerMotor) &&
  (wanted?.metering === undefined || plate.metering === wanted.metering);

function holds(rule: TogetherRule, threads: readonly Shown[], plate: Plate): readonly Shown[] | null {
  if (!fitsPlate(rule, plate)) return null;
  const all = rule.evidence.map((evidence) => showing(threads, evidence));
  const some = (rule.anyOf ?? []).flatMap((evidence) => showing(threads, evidence));
  const against = (rule.unless ?? []).some((evidence) => showing(threads, evidence).length > 0);
  if (against || all.some((shown) => shown.length === 0) || (rule.anyOf && some.length === 0)) return null;
  return [...all.flat(), ...some];
}

/** The findings over several readings of one system that hold, with the threads each rests on. */
export function readTogether(threads: readonly Readable[], plate: Plate): Together[] {
  const shown = threads.map(({ key, state }): Shown => ({ key, state, signs: signsOf(state) }));
  return TOGETHER_IDS.flatMap((rule) => {
    const found = holds(TOGETHER[rule], shown, plate);
    return found ? [{ rule, threads: [...new Set(found.map((t) => t.key))] }] : [];
  });
}

/** A chance after its odds have been multiplied. withOdds(0.5, 2) is 2/3. */
export const withOdds = (chance: number, odds: number): number => (odds * chance) / (1 - chance + odds * chance);

/** What the findings make of one thread's chance: the chance, and each finding that moved it as a judgment. */
export function moveChance(
  thread: Readable,
  findings: readonly Together[],
): { chance: number; judgments: readonly Judgment[] } {
  let { chance } = thread.state;
  const judgments: Judgment[] = [];
  for (const { rule, threads } of findings) {
    const { bears, sparesItsEvidence } = TOGETHER[rule];
    const bearing = bears.find((b) => isOf(thread.state, b));
    const isItself = sparesItsEvidence === true && threads.includes(thread.key);
    if (!bearing || isItself) continue;
    const before = chance;
    // What is past its limit, or has no chance stated, is moved by nothing.
    if (chance > 0 && chance < 1) chance = withOdds(chance, bearing.odds);
    judgments.push({
      basis: 'together',
      standing: 'sound',
      limit: null,
      because: { code: 'together', numbers: { rule, before, after: chance } },
    });
  }
  return { chance, judgments };
}
