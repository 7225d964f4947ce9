import type { Call } from '../trade/controls/call-table.ts';
import { airReading, type AirQuantity } from './air-side.ts';
import { cooled, withChanges, type Change } from './change.ts';
import { asFound, runnersOf, type Machine } from './machine.ts';
import type { Branch, Node } from './network.ts';
import { operate, type Operated } from './operate.ts';
import { solveNetwork } from './solve-network.ts';

/** What a meter is put on, or what is looked at. */
export type Measure =
  /** Volts between two nodes on a call; `after` s when it is not the usual three minutes. */
  | { readonly what: 'volts'; readonly from: Node; readonly to: Node; readonly call: Call; readonly after?: number }
  /** Ω between two nodes with power off and everything lifted but the named branches. */
  | {
      readonly what: 'ohms';
      readonly from: Node;
      readonly to: Node;
      readonly keep: readonly string[];
      /** True where nothing was lifted. */
      readonly wiresOn?: true;
      /** A call that is still made while the power is off. */
      readonly called?: Call;
    }
  /** Amps in a branch on a call; `cooled` where what had opened on heat was first left to cool. */
  | {
      readonly what: 'amps';
      readonly through: string;
      readonly call: Call;
      readonly after?: number;
      readonly cooled?: boolean;
    }
  | { readonly what: 'microfarads'; readonly of: string }
  /** Turned by hand, power off. */
  | { readonly what: 'spin'; readonly of: string }
  | { readonly what: 'runs'; readonly call: Call }
  | { readonly what: 'air'; readonly quantity: AirQuantity; readonly call: Call }
  /** What is left on the outdoor coil when a defrost has ended. */
  | { readonly what: 'frost' }
  /** The outdoor coil, looked at from all sides. */
  | { readonly what: 'coil' }
  /** A new fuse with loads lifted, and a call made: does it hold? */
  | { readonly what: 'fuse'; readonly lifted: readonly string[]; readonly call: Call };

/** What a perfect instrument says: a figure (∞ for OL), what runs, or a word. NaN where it cannot be read as things are. */
export type Reading = number | string;

/** Ω of a voltmeter of today: high enough to show ghost volts. */
const METER_OHMS = 1e7;

/** A machine with what it does on each call worked out once. */
export interface Bench {
  readonly machine: Machine;
  /** Fuses and breakers as found open. */
  readonly blown: ReadonlySet<string>;
  readonly on: (call: Call, after?: number) => Operated;
  /** The same machine once it has cooled. */
  readonly cooled: () => Bench;
  /** The same with something done to it by whoever measures, by a name: what had blown before stays open. */
  readonly under: (name: string, changes: () => readonly Change[]) => Bench;
}

/** How long a call is held before it is looked at, s, unless a measure says otherwise. */
const HELD = 180;

/**
 * A bench for a machine, as it is found: with the fuses that have blown. Nothing is worked out before it is asked for; `like` is
 * the bench of a machine that differs by a fault, which saves steps.
 */
export function benchOf(machine: Machine, like?: Bench, before?: () => ReadonlySet<string>): Bench {
  const done = new Map<string, Bench>();
  const known = new Map<string, Operated>();
  let found: ReadonlySet<string> | null = null;
  let cool: Bench | null = null;
  const blown = () =>
    (found ??=
      before?.() ??
      asFound(
        machine,
        (call, at) => void known.set(`${call}/${HELD}`, at),
        (call) => like?.on(call).rest,
      ));
  const bench: Bench = {
    machine,
    get blown() {
      return blown();
    },
    cooled: () => {
      const made = cooled(machine);
      return made === machine ? bench : (cool ??= benchOf(made, like));
    },
    under: (name, changes) => {
      const known = done.get(name);
      if (known) return known;
      const made = benchOf(withChanges(machine, changes()), like?.under(name, changes), blown);
      done.set(name, made);
      return made;
    },
    on: (call, after = HELD) => {
      const open = blown();
      const key = `${call}/${after}`;
      const before = known.get(key);
      if (before) return before;
      const made = operate(machine.network, call, after, open, like?.on(call, after).rest);
      known.set(key, made);
      return made;
    },
  };
  return bench;
}

/** Volts as a meter shows them, which draws a little itself. */
function meterVolts(at: Operated, from: Node, to: Node): number {
  const open = at.volts(from, to);
  // Next to nothing stays so, whatever the meter draws.
  if (!(open > 1)) return open;
  return (open * METER_OHMS) / (METER_OHMS + Math.max(0, at.ohmsInto(from, to)));
}

const isKept = ({ id }: Branch, keep: readonly string[]): boolean =>
  id.startsWith('join ') || keep.some((kept) => id === kept || id === `${kept} short`);

/** Above this an ohmmeter shows OL, Ω. */
const OVER_LIMIT = 2e7;

function ohmsBetween(
  { machine, blown }: Bench,
  { from, to, keep, wiresOn, called: call }: Extract<Measure, { what: 'ohms' }>,
): Reading {
  const kept = machine.network.filter((branch) => (wiresOn === true || isKept(branch, keep)) && !blown.has(branch.id));
  if (kept.some(({ wanders }) => wanders)) return 'jumps';
  const solved = solveNetwork([
    // Leads that lie on nothing still lie somewhere.
    { a: from, b: 'ground', siemens: 0 },
    { a: to, b: 'ground', siemens: 0 },
    ...kept.map(({ a, b, ohms, closed, stuck, hot }) => {
      const open =
        stuck === 'open' ||
        hot === true ||
        ohms === Infinity ||
        (closed && stuck !== 'closed' && !closed(call ? { ...AT_REST, call, volts: HELD_BY_BATTERY } : AT_REST));
      return { a, b, siemens: open ? 0 : 1 / ohms };
    }),
  ]);
  const read = solved.ohmsInto(from, to);
  return read > OVER_LIMIT ? Infinity : read;
}
/** How contacts lie with the power off. */
const AT_REST = {
  call: 'off' as const,
  after: 600,
  volts: () => 0,
  pulled: () => false,
  runs: () => false,
  shut: () => false,
};

/** What a thermostat with a battery sees, which holds its call without power, V. */
const HELD_BY_BATTERY = () => 24;

const ELEMENT = 'element-';

function air(bench: Bench, { quantity, call }: Extract<Measure, { what: 'air' }>): number {
  const at = bench.on(call);
  const { network, spec } = bench.machine;
  const watts = network.reduce(
    (sum, { id, ohms }) => (id.startsWith(ELEMENT) ? sum + at.amps(id) ** 2 * ohms : sum),
    0,
  );
  return airReading(quantity, {
    air: bench.machine.air,
    at,
    reversed: spec.outdoors === 'heat-pump' && at.pulled('reversing-valve.coil') !== (call === 'cooling'),
    stripsKw: watts / 1000,
    tons: spec.compressorAmps / 4,
  });
}

function fuseSays({ network }: Machine, lifted: readonly string[], call: Call): Reading {
  const left = network.filter(({ id }) => !lifted.some((l) => id === l || id === `${l} short`));
  return operate(left, call).blown.has('fuse') ? 'blew' : 'held';
}

/** What a measure reads of a machine, by a perfect instrument. */
export function read(bench: Bench, measure: Measure): Reading {
  const { machine } = bench;
  switch (measure.what) {
    case 'volts':
      return meterVolts(bench.on(measure.call, measure.after), measure.from, measure.to);
    case 'ohms':
      return ohmsBetween(bench, measure);
    case 'amps':
      return (measure.cooled ? bench.cooled() : bench).on(measure.call, measure.after).amps(measure.through);
    case 'microfarads': {
      const cap = machine.network.find(({ id }) => id === measure.of)?.capacitor;
      return cap ? cap.rated * cap.share : NaN;
    }
    case 'spin':
      return machine.seized.has(measure.of) ? 'drags' : 'free';
    case 'runs':
      return runnersOf(machine, bench.on(measure.call)).join(' ') || 'nothing';
    case 'air':
      return air(bench, measure);
    case 'frost':
      return machine.air.baseIce > 0 ? 'base-ice' : machine.air.frostLeft > 0 ? 'bands' : 'clear';
    case 'coil':
      return machine.air.fouled > 0.3 ? 'dirty' : 'clean';
    case 'fuse':
      return fuseSays(machine, measure.lifted, measure.call);
  }
}
