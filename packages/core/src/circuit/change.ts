import type { Air } from './air-side.ts';
import type { Machine } from './machine.ts';
import { wire, type Branch, type Node } from './network.ts';

/** One thing that a fault does to a machine. */
export type Change =
  /** A conductor, winding, contact or element that carries nothing any more. */
  | { readonly open: string }
  /** A branch shorted over: Ω between its ends. */
  | { readonly short: string; readonly ohms: number; readonly wanders?: boolean }
  /** Two nodes that touch. */
  | { readonly join: readonly [Node, Node]; readonly ohms: number }
  /** A contact that no longer moves. */
  | { readonly stuck: string; readonly at: 'open' | 'closed' }
  /** A resistance that is not what it was: Ω times a share. */
  | { readonly ohms: string; readonly times: number }
  /** Resistance in a contact or lug, Ω. */
  | { readonly burnt: string; readonly ohms: number }
  /** An overload that has opened on heat, and shuts once it has cooled. */
  | { readonly hot: string }
  /** A motor that does not start. */
  | { readonly seized: string }
  /** What is left of a capacitor, as a share; below half its motor does not start. */
  | { readonly left: string; readonly share: number; readonly motor?: string }
  | { readonly air: Partial<Air> };

/** The least share of its capacitor that starts a motor; from memory. */
const STARTS_AT = 0.6;

const withOver = (branch: Branch, over: Partial<Branch>): Branch => ({ ...branch, ...over });
const stalls = (branch: Branch): Branch =>
  branch.motor ? withOver(branch, { motor: { ...branch.motor, starts: false } }) : branch;

type Named = Exclude<Change, { air: unknown } | { join: unknown }>;
const nameOf = (change: Named): string => Object.values(change)[0] as string;
/** The branch a change is made to; null for one of the air, or of two nodes that touch. */
export const branchOf = (change: Change): string | null =>
  'air' in change || 'join' in change ? null : nameOf(change);

function changed(branch: Branch, change: Named): Branch {
  if ('left' in change && change.motor === branch.id && change.share < STARTS_AT) return stalls(branch);
  // A motor without its start winding only hums.
  if ('open' in change && change.open.endsWith('.start') && branch.id === change.open.replace('.start', '.run'))
    return stalls(branch);
  if (branch.id !== nameOf(change)) return branch;
  if ('open' in change) return withOver(branch, { ohms: Infinity, impedance: Infinity });
  if ('stuck' in change) return withOver(branch, { stuck: change.at });
  if ('ohms' in change && 'times' in change)
    return withOver(branch, {
      ohms: branch.ohms * change.times,
      ...(branch.impedance !== undefined && { impedance: branch.impedance * change.times }),
    });
  if ('hot' in change) return withOver(branch, { hot: true });
  if ('burnt' in change) return withOver(branch, { ohms: change.ohms });
  if ('seized' in change) return stalls(branch);
  if ('left' in change && branch.capacitor)
    return withOver(branch, { capacitor: { ...branch.capacitor, share: change.share } });
  if ('short' in change && change.wanders) return withOver(branch, { wanders: true });
  return branch;
}

const joined = (a: Node, b: Node, ohms: number): Branch => wire(`join ${a} ${b}`, a, b, ohms);

/** Whether a machine has what a change is made to. */
export function canChange({ network, spec }: Machine, change: Change): boolean {
  if ('air' in change) return spec.outdoors !== 'none' || !('lack' in change.air);
  if ('join' in change)
    return change.join.every((node) => node === 'ground' || network.some(({ a, b }) => a === node || b === node));
  const name = nameOf(change);
  return network.some(({ id }) => id === name);
}

/** A machine with something wrong, or with one thing more. */
export function withChange(machine: Machine, change: Change): Machine {
  if ('air' in change) return { ...machine, air: { ...machine.air, ...change.air } };
  if ('join' in change)
    return { ...machine, network: [...machine.network, joined(change.join[0], change.join[1], change.ohms)] };
  const network = machine.network.map((branch) => changed(branch, change));
  const over = 'short' in change ? machine.network.find(({ id }) => id === change.short) : undefined;
  return {
    ...machine,
    seized: 'seized' in change ? new Set([...machine.seized, change.seized]) : machine.seized,
    network:
      over && 'short' in change
        ? [...network, { ...joined(over.a, over.b, change.ohms), id: `${over.id} short` }]
        : network,
  };
}

/** The same once whatever opened on heat has cooled and shut again. */
export const cooled = (machine: Machine): Machine =>
  machine.network.some(({ hot }) => hot)
    ? { ...machine, network: machine.network.map((branch) => (branch.hot ? withOver(branch, { hot: false }) : branch)) }
    : machine;

/** A machine with several things wrong. */
export const withChanges = (machine: Machine, changes: readonly Change[]): Machine =>
  changes.reduce(withChange, machine);
