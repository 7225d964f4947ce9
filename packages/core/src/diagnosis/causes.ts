import { soundMachine, type Machine } from '../circuit/machine.ts';
import { branchOf, withChanges, type Change } from '../circuit/change.ts';
import { FAULTS, waysOn, type Fault, type FaultId } from '../circuit/faults.ts';
import { benchOf, type Bench } from '../circuit/measure.ts';
import type { MachineSpec } from '../circuit/machine-spec.ts';
import type { Slot } from '../equipment/component.ts';
import { COMPLAINT_SHARES, NO_FAULT, type Complaint } from './complaint-shares.ts';

/** What is none of the causes that are known here. */
export const UNLISTED = 'unlisted';
/** One fault, a wire or joint of no list that carries nothing ("open:field.C"), two faults of which the one led to the other ("a+b"), no fault, or one that is not listed. */
export type CauseId = FaultId | `${FaultId}+${FaultId}` | typeof NO_FAULT | typeof UNLISTED | `open:${string}`;

/** A cause with the machines it makes: one for each way it comes. */
export interface Cause {
  readonly id: CauseId;
  readonly faults: readonly FaultId[];
  readonly slot: Slot | null;
  /** The branches and the nodes it is at: a measurement there is one of the part itself. */
  readonly where: ReadonlySet<string>;
  readonly benches: readonly Bench[];
}

/** Faults of which the first leads to the second, and how often in a hundred it has by the time somebody comes; from memory. */
const LEADS_TO: readonly (readonly [FaultId, FaultId, number])[] = [
  ['fan-capacitor-weak', 'outdoor-fan-winding-open', 8],
  ['blower-capacitor-weak', 'blower-winding-open', 8],
  // One can: where one half is weak, the other follows.
  ['herm-weak', 'fan-capacitor-weak', 12],
  ['herm-weak', 'compressor-winding-open', 5],
  ['herm-weak', 'contactor-pole-burnt', 5],
  // What keeps the heat in opens the compressor's overload.
  ['fan-capacitor-weak', 'compressor-overload-open', 8],
  ['outdoor-fan-winding-open', 'compressor-overload-open', 8],
  ['outdoor-coil-dirty', 'compressor-overload-open', 6],
  ['charge-low', 'compressor-overload-open', 4],
  ['air-choked', 'fuse-link-open', 6],
  ['contactor-welded', 'blower-relay-coil-open', 2],
  ['sequencer-late', 'element-2-open', 4],
];

/** Nodes that lie everywhere: a lead on one of them is at no part in particular. */
const COMMON = new Set(['C', 'Co', 'Ct', 'ground', 'N', 'NB']);

/** The branches a way changes and the nodes they lie between, followed along plain wires that are whole. */
function whereOf({ network }: Machine, ways: readonly (readonly Change[])[]): Set<string> {
  const changes = ways.flat();
  const ids = new Set(changes.flatMap((change) => branchOf(change) ?? []));
  const touched = network.filter(({ id }) => ids.has(id));
  const nodes = new Set([
    ...touched.flatMap(({ a, b }) => [a, b]),
    ...changes.flatMap((c) => ('join' in c ? [...c.join] : [])),
  ]);
  const plain = network.filter((b) => b.ohms < 1 && !b.closed && !b.coil && !b.motor && !b.emf && !ids.has(b.id));
  for (let size = -1; size !== nodes.size;) {
    size = nodes.size;
    for (const { a, b } of plain)
      if (!COMMON.has(a) && !COMMON.has(b) && (nodes.has(a) || nodes.has(b))) nodes.add(a).add(b);
  }
  COMMON.forEach((node) => nodes.delete(node));
  if (changes.some((c) => 'air' in c)) ids.add('air');
  return new Set([...ids, ...nodes]);
}

/** What a cause is made of: the faults it has, and the machine it makes for each way it comes. */
const causeOf = (sound: Bench, id: CauseId, faults: readonly Fault[], ways: readonly (readonly Change[])[]): Cause => ({
  id,
  faults: faults.map((fault) => fault.id),
  slot: faults[0]?.slot ?? null,
  where: whereOf(sound.machine, ways),
  benches: ways.map((changes) => benchOf(withChanges(sound.machine, changes), sound)),
});

/** Every way two faults come together. */
const together = (one: readonly Change[][], other: readonly Change[][]): Change[][] =>
  one.flatMap((a) => other.map((b) => [...a, ...b]));

/** Wires, contacts and coils that no listed fault opens: what is not on the list is most often one of them. */
function opens(sound: Bench, listed: readonly (readonly Change[])[]): Cause[] {
  const named = new Set(
    listed.flat().flatMap((change) => ('open' in change ? [change.open] : 'stuck' in change ? [change.stuck] : [])),
  );
  return sound.machine.network
    .filter(({ id, ohms, emf }) => !named.has(id) && !emf && ohms < 1e5)
    .map(({ id, a, b, ohms }) => {
      const joint = [{ burnt: id, ohms: CONTROL_NODES.test(`${a} ${b}`) ? JOINT_OHMS.control : JOINT_OHMS.line }];
      // Only what hardly resists has a joint that can: an input of a board is no joint.
      const carries = ohms < JOINT_BELOW_OHMS && !id.includes('contact');
      return causeOf(sound, `open:${id}`, [], carries ? [[{ open: id }], joint] : [[{ open: id }]]);
    });
}
/** Ω of a joint that is all but open, in a control wire and in one of the line; from memory. */
const JOINT_OHMS = { control: 150, line: 30 };
/** Ω from which on a branch is a load or an input, and no joint. */
const JOINT_BELOW_OHMS = 20;
const CONTROL_NODES = /\b(R|Rt|C|Ct|Co|Ro|Y|Yt|Yo|G|Gt|O|Ot|Oo|W|Wt|W2o)\b/;

/** Whether a cause is on no list. */
export const isUnlisted = (id: CauseId): boolean => id === UNLISTED || id.startsWith('open:');

/** Every cause a machine can have. What is worked out of each is worked out when it is first asked for. */
export function causesOf(spec: MachineSpec): Cause[] {
  const sound = benchOf(soundMachine(spec));
  const there = FAULTS.map((fault) => ({ fault, ways: waysOn(sound.machine, fault) })).filter(
    ({ ways }) => ways.length > 0,
  );
  const single = there.map(({ fault, ways }) => causeOf(sound, fault.id, [fault], ways));
  const pairs = LEADS_TO.flatMap(([one, other]): Cause[] => {
    const [a, b] = [there.find(({ fault }) => fault.id === one), there.find(({ fault }) => fault.id === other)];
    return a && b ? [causeOf(sound, `${one}+${other}`, [a.fault, b.fault], together(a.ways, b.ways))] : [];
  });
  return [
    ...single,
    ...pairs,
    causeOf(sound, NO_FAULT, [], [[]]),
    causeOf(sound, UNLISTED, [], [[]]),
    ...opens(
      sound,
      there.flatMap(({ ways }) => ways),
    ),
  ];
}

/** Two faults that nothing ties together, as one more cause. */
export function pairOf(spec: MachineSpec, one: FaultId, other: FaultId): Cause | null {
  const sound = benchOf(soundMachine(spec));
  const [a, b] = [one, other].map((id) => FAULTS.find((fault) => fault.id === id));
  if (!a || !b) return null;
  const ways = together(waysOn(sound.machine, a), waysOn(sound.machine, b));
  return ways.length > 0 ? causeOf(sound, `${one}+${other}`, [a, b], ways) : null;
}

/** What a cause that a complaint does not name still has, of a hundred: owners word things vaguely, and sometimes wrongly. */
const ELSEWHERE = 0.25;
/** What is none of the listed causes, of a hundred; from memory. */
const UNLISTED_SHARE = 8;

/** Of machines with a fault, how many in a hundred have a certain other one that nothing ties to it; from memory. */
const BY_CHANCE = 0.4;

/** What a firm has proved, or a machine's own threads say, of causes: how many times as likely each is. */
export type Leanings = Readonly<Partial<Record<CauseId, number>>>;

/** The chance of each cause before anything is measured, in their order; they sum to 1. */
export function priorsOf(
  causes: readonly Cause[],
  complaints: readonly Complaint[],
  leanings: Leanings = {},
): number[] {
  const opened = causes.filter(({ id }) => id.startsWith('open:')).length;
  const shareOf = (id: CauseId): number => {
    if (id === UNLISTED) return UNLISTED_SHARE / 2;
    if (isUnlisted(id)) return UNLISTED_SHARE / 2 / opened;
    const pair = LEADS_TO.find(([one, other]) => id === `${one}+${other}`);
    if (pair) return (shareOf(pair[0]) * pair[2]) / 100;
    const [one, other] = id.split('+') as [FaultId, FaultId?];
    if (other) return (BY_CHANCE / 100) * Math.max(shareOf(one), shareOf(other));
    const named = complaints.map((c) => COMPLAINT_SHARES[c][id as FaultId | typeof NO_FAULT] ?? 0);
    return ELSEWHERE + named.reduce((sum, share) => sum + share, 0) / Math.max(1, complaints.length);
  };
  const shares = causes.map(({ id }) => shareOf(id) * (leanings[id] ?? 1));
  const all = shares.reduce((sum, share) => sum + share, 0);
  return shares.map((share) => share / all);
}
