import { probeName, type Probe, type Shown } from '../circuit/probe.ts';
import { testsOf } from '../diagnosis/tests.ts';
import type { Test } from '../diagnosis/test-shape.ts';
import type { MachineState } from '../circuit/state.ts';
import type { Interpretation } from '../verdict/interpretation.ts';
import { fits } from './density.ts';
import type { MachineSpec } from '../circuit/machine-spec.ts';
import type { Expected } from './expected.ts';
import type { Weighed } from './weigh.ts';

/** So many of the likeliest ways are held apart. */
const LIKELIEST = 16;
const ALIKE = { share: 0.15 };
/** A dead test is taken before a live one that tells little more. */
const DEAD_TELLS = 1.05;

interface Candidate {
  readonly lead: string;
  readonly what: 'volts' | 'amps' | 'ohms';
  readonly probe: Probe;
  readonly state: MachineState;
}

function candidateOf({ measure, reading }: Test): Candidate[] {
  if (measure.what === 'volts') {
    const { from, to, call } = measure;
    return [
      {
        lead: reading.point,
        what: 'volts',
        probe: { what: 'volts', from, to },
        state: { powered: 'all', call, after: 600 },
      },
    ];
  }
  if (measure.what === 'ohms') {
    const { from, to, keep } = measure;
    const state: MachineState = { powered: 'none', call: 'off', after: 600 };
    return [{ lead: reading.point, what: 'ohms', probe: { what: 'ohms', from, to, keep }, state }];
  }
  if (measure.what === 'amps' && reading.method !== 'cooled-start') {
    const { through, call, after = 600 } = measure;
    return [
      {
        lead: reading.point,
        what: 'amps',
        probe: { what: 'amps', through: [through] },
        state: { powered: 'all', call, after },
      },
    ];
  }
  return [];
}

/** Where a meter may be put next on machines of a structure, and the state to bring about. */
function candidatesFor(structure: MachineSpec): readonly Candidate[] {
  const before = known.get(structure);
  if (before) return before;
  const made = testsOf(structure).flatMap(candidateOf);
  known.set(structure, made);
  return made;
}
const known = new WeakMap<MachineSpec, readonly Candidate[]>();

/** The probes and states that are asked for besides those of readings. */
export const probesAhead = (structure: MachineSpec): (readonly [Probe, MachineState])[] =>
  candidatesFor(structure).map(({ probe, state }) => [probe, state]);

/** What every way shows at each of them. */
function shownAt(expected: Expected): readonly { candidate: Candidate; shown: readonly Shown[] }[] {
  const before = shownThere.get(expected);
  if (before) return before;
  const made = candidatesFor(expected.structure).map((candidate) => ({
    candidate,
    shown: expected.shown(candidate.probe, candidate.state),
  }));
  shownThere.set(expected, made);
  return made;
}
const shownThere = new WeakMap<Expected, readonly { candidate: Candidate; shown: readonly Shown[] }[]>();

/** Where a meter would tell most next between the ways that are left, by their chances; null where nothing tells them apart. */
export function nextProbe({ expected, episodes }: Weighed, ways: Float64Array): Interpretation['next'] {
  const causes = (expected.ways ?? []).map(({ cause }) => cause);
  const likeliest = [...ways.keys()].sort((a, b) => ways[b]! - ways[a]!).slice(0, LIKELIEST);
  const read = new Set(episodes.flatMap(({ samples }) => samples.map(({ probe }) => probeName(probe))));
  let best: { candidate: Candidate; parts: number } | null = null;
  for (const { candidate, shown } of shownAt(expected)) {
    if (read.has(probeName(candidate.probe))) continue;
    let parts = 0;
    likeliest.forEach((w, i) => {
      for (const v of likeliest.slice(i + 1)) {
        if (causes[w] === causes[v]) continue;
        const [one, other] = [shown[w]!, shown[v]!];
        const differ =
          Number(!fits(one, other, candidate.probe, ALIKE)) + Number(!fits(other, one, candidate.probe, ALIKE));
        parts += differ * ways[w]! * ways[v]!;
      }
    });
    if (candidate.what === 'ohms') parts *= DEAD_TELLS;
    if (parts > 0.02 && (best === null || parts > best.parts)) best = { candidate, parts };
  }
  return best && { lead: best.candidate.lead, what: best.candidate.what };
}
