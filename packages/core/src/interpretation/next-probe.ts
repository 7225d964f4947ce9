import { probeName, type Probe, type Shown } from '../circuit/probe.ts';
import { testsOf } from '../diagnosis/tests.ts';
import type { Test } from '../diagnosis/test-shape.ts';
import type { MachineState } from '../circuit/state.ts';
import type { Interpretation } from '../verdict/interpretation.ts';
import { fits } from './density.ts';
import type { MachineSpec } from '../circuit/machine-spec.ts';
import type { Expected } from './expected.ts';
import { apartOf, type Weighed } from './weigh.ts';

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

/** A place for the meter, with what every way shows there: by the figures that are told apart, and which of those differ. */
interface There {
  readonly candidate: Candidate;
  readonly of: Uint16Array;
  /** Figure by figure: in how many of both directions the one is not read where the other is shown. */
  readonly differ: readonly Uint8Array[];
}
function thereOf(candidate: Candidate, shown: readonly Shown[]): There {
  const { figures, of } = apartOf(shown);
  const differ = figures.map((one) =>
    Uint8Array.from(
      figures,
      (other) => Number(!fits(one, other, candidate.probe, ALIKE)) + Number(!fits(other, one, candidate.probe, ALIKE)),
    ),
  );
  return { candidate, of, differ };
}

const knownThere = new WeakMap<Expected, readonly There[]>();
function thereAt(expected: Expected): readonly There[] {
  const before = knownThere.get(expected);
  if (before) return before;
  const made = candidatesFor(expected.structure).map((candidate) =>
    thereOf(candidate, expected.shown(candidate.probe, candidate.state)),
  );
  knownThere.set(expected, made);
  return made;
}

/** How much a place parts the likeliest ways that are of different causes, by their chances. */
function partsAt(
  { of, differ }: There,
  likeliest: readonly number[],
  causes: readonly string[],
  ways: Float64Array,
): number {
  let parts = 0;
  for (let i = 0; i < likeliest.length; i++)
    for (let j = i + 1; j < likeliest.length; j++) {
      const [w, v] = [likeliest[i]!, likeliest[j]!];
      const apart = differ[of[w]!]![of[v]!]!;
      if (apart > 0 && causes[w] !== causes[v]) parts += apart * ways[w]! * ways[v]!;
    }
  return parts;
}

/** Where a meter would tell most next between the ways that are left, by their chances; null where nothing tells them apart. */
export function nextProbe({ expected, episodes }: Weighed, ways: Float64Array): Interpretation['next'] {
  const causes = (expected.ways ?? []).map(({ cause }) => cause);
  const likeliest = [...ways.keys()].sort((a, b) => ways[b]! - ways[a]!).slice(0, LIKELIEST);
  const read = new Set(episodes.flatMap(({ samples }) => samples.map(({ probe }) => probeName(probe))));
  let best: { candidate: Candidate; parts: number } | null = null;
  for (const there of thereAt(expected)) {
    const { candidate } = there;
    if (read.has(probeName(candidate.probe))) continue;
    const parts = partsAt(there, likeliest, causes, ways) * (candidate.what === 'ohms' ? DEAD_TELLS : 1);
    if (parts > 0.02 && (best === null || parts > best.parts)) best = { candidate, parts };
  }
  return best && { lead: best.candidate.lead, what: best.candidate.what };
}
