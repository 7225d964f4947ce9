import type { Call } from '../trade/controls/call-table.ts';
import type { Machine } from './machine.ts';
import { GROUND, type Branch, type Network, type Node } from './network.ts';
import { operate } from './operate.ts';

/** How a thing on a rung is drawn. */
export type Symbol = 'contact' | 'coil' | 'motor' | 'heater' | 'switch' | 'wire';

/** One thing on a rung, between two of its nodes. */
export interface RungPart {
  readonly id: string;
  readonly symbol: Symbol;
  /** Whether it conducts on a sound machine, on the call. */
  readonly closed: boolean;
}

/** A rung of a ladder between two rails: its parts from left to right, and which of the nodes between them are live. */
export interface Rung {
  readonly rails: readonly [Node, Node];
  readonly nodes: readonly Node[];
  readonly parts: readonly RungPart[];
  /** By node: whether it has volts to the right-hand rail on a sound machine, on the call. */
  readonly live: readonly boolean[];
}

/** The pairs a rung can lie between, left and right: 24 V, line outdoors and indoors, a furnace's, a bus. */
const RAILS: readonly (readonly [Node, Node])[] = [
  ['R', 'C'],
  ['RO', 'C'],
  ['DS1', 'DS2'],
  ['D1', 'D2'],
  ['H1', 'H2'],
  ['L0', 'N'],
  ['L', 'N'],
  ['P', 'NB'],
  ['1', '2'],
];
/** What is no part of a drawing: what leaks, senses or feeds, and what ground joins, Ω. */
const DRAWN_BELOW = 1e5;
const isDrawn = ({ a, b, ohms, emf, fuse, capacitor }: Branch): boolean =>
  a !== GROUND && b !== GROUND && !emf && !capacitor && (ohms < DRAWN_BELOW || fuse !== undefined);

const symbolOf = ({ id, closed, coil, motor, ohms }: Branch): Symbol => {
  if (motor) return 'motor';
  if (coil || id.endsWith('.coil')) return 'coil';
  if (closed) return 'contact';
  if (/switch|limit|link|rollout/.test(id)) return 'switch';
  return ohms > 3 ? 'heater' : 'wire';
};

/** The shortest way from one node to another that keeps off some nodes, as the branches taken; null where there is none. */
function way(network: Network, from: Node, to: Node, off: ReadonlySet<Node>): Branch[] | null {
  const came = new Map<Node, { branch: Branch; before: Node } | null>([[from, null]]);
  const queue = [from];
  for (let node = queue.shift(); node !== undefined && !came.has(to); node = queue.shift())
    for (const branch of network) {
      const next = branch.a === node ? branch.b : branch.b === node ? branch.a : undefined;
      if (next === undefined || came.has(next) || (off.has(next) && next !== to)) continue;
      came.set(next, { branch, before: node });
      queue.push(next);
    }
  if (!came.has(to)) return null;
  const taken: Branch[] = [];
  for (let at = came.get(to); at; at = came.get(at.before)) taken.unshift(at.branch);
  return taken;
}

const nodesAlong = (start: Node, branches: readonly Branch[]): Node[] =>
  branches.reduce<Node[]>((nodes, { a, b }) => [...nodes, nodes.at(-1) === a ? b : a], [start]);

/** A way from rail to rail over both nodes, without going over any node twice. */
function over(network: Network, [left, right]: readonly [Node, Node], from: Node, to: Node): Branch[] | null {
  if (to === left || from === right) return null;
  const rails = new Set([left, right]);
  const first = way(network, left, from, new Set([...rails, to].filter((n) => n !== from)));
  if (!first) return null;
  const seen = new Set([...nodesAlong(left, first), right].filter((n) => n !== to));
  const middle = from === to ? [] : way(network, from, to, seen);
  if (!middle) return null;
  nodesAlong(from, middle).forEach((node) => seen.add(node));
  const last = way(network, to, right, new Set([...seen].filter((n) => n !== right)));
  return last && [...first, ...middle, ...last];
}

/**
 * The rung on which two nodes lie, as a ladder drawing has it, with what is live on a sound machine that is given a call;
 * null where they lie on none, as with a sensor whose wires are off.
 */
export function rungOf({ network }: Machine, from: Node, to: Node, call: Call): Rung | null {
  const drawn = network.filter(isDrawn);
  for (const rails of RAILS) {
    const branches = over(drawn, rails, from, to) ?? over(drawn, rails, to, from);
    if (!branches) continue;
    const at = operate(network, call);
    const nodes = nodesAlong(rails[0], branches);
    return {
      rails,
      nodes,
      parts: branches.map((branch) => ({
        id: branch.id,
        symbol: symbolOf(branch),
        closed: !branch.closed || at.volts(branch.a, branch.b) < 1,
      })),
      live: nodes.map((node) => at.volts(node, rails[1]) > 8),
    };
  }
  return null;
}
