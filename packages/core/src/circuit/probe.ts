import { RUNNERS } from '../trade/controls/call-table.ts';
import { runnersOf } from './machine.ts';
import type { Bench } from './measure.ts';
import { read, type Measure } from './measure.ts';
import type { Node } from './network.ts';
import { benchIn, callIn, type MachineState } from './state.ts';

/** What a meter is put on, apart from the state the machine is in. */
export type Probe =
  | { readonly what: 'volts'; readonly from: Node; readonly to: Node }
  /** A clamp around the wire of a branch, or around one that feeds several. */
  | { readonly what: 'amps'; readonly through: readonly string[] }
  /** Ω with the power off and all but the named branches lifted. */
  | { readonly what: 'ohms'; readonly from: Node; readonly to: Node; readonly keep: readonly string[] }
  | { readonly what: 'microfarads'; readonly of: string }
  /** What is seen and heard to run: a figure as `runnersFigure` makes it. */
  | { readonly what: 'runs' };

/**
 * What a perfect meter shows: a figure (∞ for OL, NaN where there is nothing to read), 'floats' where a lead hangs on nothing and
 * any low figure may show, or 'jumps'.
 */
export type Shown = number | 'floats' | 'jumps';

/** From this on two leads look into nothing but what couples from the wires beside, Ω. */
const HANGS_FROM = 1e5;

const asShown = (read: number | string): Shown => (typeof read === 'number' ? read : 'jumps');

/** What runs as one figure: a bit for each, in the order of `RUNNERS`. */
export const runnersFigure = (running: readonly string[]): number =>
  RUNNERS.reduce((sum, runner, i) => sum + (running.includes(runner) ? 2 ** i : 0), 0);

/** What a probe shows of a machine in a state. */
export function shownBy(bench: Bench, probe: Probe, state: MachineState): Shown {
  if (probe.what === 'ohms') {
    const { wires } = state;
    if (!wires) return asShown(read(bench, probe));
    return asShown(read(bench, { ...probe, wiresOn: true, ...(wires === 'on-and-called' && { called: state.call }) }));
  }
  if (probe.what === 'microfarads') return asShown(read(bench, probe satisfies Measure));
  const here = benchIn(bench, state);
  const at = here.on(callIn(state), state.after);
  if (probe.what === 'runs') return runnersFigure(runnersOf(bench.machine, at));
  if (probe.what === 'amps') return probe.through.reduce((sum, id) => sum + at.amps(id), 0);
  return at.ohmsInto(probe.from, probe.to) > HANGS_FROM ? 'floats' : at.volts(probe.from, probe.to);
}

/** A probe by its name: equal probes have equal names. */
export function probeName(probe: Probe): string {
  const known = names.get(probe);
  if (known !== undefined) return known;
  const name = JSON.stringify(probe);
  names.set(probe, name);
  return name;
}
const names = new WeakMap<Probe, string>();

/** Whether a machine has the places a probe is put on. */
export function canProbe({ machine: { network } }: Bench, probe: Probe): boolean {
  const hasBranch = (id: string) => network.some((branch) => branch.id === id);
  if (probe.what === 'amps') return probe.through.every(hasBranch);
  if (probe.what === 'runs') return true;
  if (probe.what === 'microfarads') return hasBranch(probe.of);
  const hasNode = (node: Node) => network.some(({ a, b }) => a === node || b === node);
  return hasNode(probe.from) && hasNode(probe.to) && (probe.what === 'volts' || probe.keep.every(hasBranch));
}
