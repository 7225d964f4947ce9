import type { Call } from '../trade/controls/call-table.ts';
import type { Branch, Network, Node, Now } from './network.ts';
import { solverOf, type Solved } from './solve-network.ts';

/** A circuit on a call, as it comes to rest. */
export interface Operated {
  readonly volts: (a: Node, b: Node) => number;
  /** Ω two leads look into. */
  readonly ohmsInto: (a: Node, b: Node) => number;
  /** A through a branch, without sign; 0 for one that is not there. */
  readonly amps: (id: string) => number;
  readonly runs: (load: string) => boolean;
  readonly pulled: (coil: string) => boolean;
  /** Fuses and breakers that have opened. */
  readonly blown: ReadonlySet<string>;
  /** True where its relays find no rest: they chatter. */
  readonly chatters: boolean;
  /** How it came to rest, for whatever is much like it. */
  readonly rest: Rest;
}

/** How relays, contacts, motors and sources stand. */
export interface Rest {
  readonly pulled: ReadonlySet<string>;
  readonly closed: ReadonlySet<string>;
  readonly turning: ReadonlySet<string>;
  readonly stalled: ReadonlySet<string>;
  readonly blown: ReadonlySet<string>;
  readonly emf: Readonly<Record<string, number>>;
}

const FROM_NOTHING: Rest = {
  pulled: new Set(),
  closed: new Set(),
  turning: new Set(),
  stalled: new Set(),
  blown: new Set(),
  emf: {},
};
/** Share of its rated volts a motor needs to start and to keep turning; from memory. */
const MOTOR_RUNS_AT = 0.7;
/** Seconds in which a motor that starts draws what it would locked. */
const INRUSH_SECONDS = 0.5;
/** Seconds after which an overload has opened on a motor that stalls. */
const OVERLOAD_SECONDS = 20;
const MOST_STEPS = 60;

interface Held {
  readonly network: Network;
  readonly call: Call;
  readonly after: number;
}

function ohmsNow(branch: Branch, state: Rest, { call, after }: Held): number {
  if (state.blown.has(branch.id) || branch.stuck === 'open' || branch.hot) return Infinity;
  if (branch.closed && branch.stuck !== 'closed' && !state.closed.has(branch.id)) return Infinity;
  const { motor } = branch;
  if (branch.ohms === Infinity) return Infinity;
  if (!motor) return branch.impedance ?? branch.ohms;
  if (!state.stalled.has(branch.id) && after > INRUSH_SECONDS)
    return motor.ratedVolts / (motor.amps * (motor.load?.(call) ?? 1));
  return after > OVERLOAD_SECONDS ? Infinity : motor.ratedVolts / motor.lockedAmps;
}

function solveAs(solve: ReturnType<typeof solverOf>, network: Network, state: Rest, held: Held): Solved {
  const siemens = new Float64Array(network.length);
  const drives = new Float64Array(network.length);
  network.forEach((branch, i) => {
    const ohms = ohmsNow(branch, state, held);
    const by = ohms === Infinity ? 0 : 1 / ohms;
    siemens[i] = by;
    drives[i] = (state.emf[branch.id] ?? 0) * by;
  });
  return solve(siemens, drives);
}

const ampsIn = (branch: Branch, state: Rest, solved: Solved, held: Held): number => {
  const ohms = ohmsNow(branch, state, held);
  return ohms === Infinity ? 0 : Math.abs(solved.volts(branch.a, branch.b) + (state.emf[branch.id] ?? 0)) / ohms;
};

/** What follows from how it stands: contacts, coils, motors and fuses, each by what it sees. */
function next(held: Held, state: Rest, solved: Solved): Rest {
  const { network, call, after } = held;
  const volts = (a: Node, b: Node) => Math.abs(solved.volts(a, b));
  const now: Now = {
    call,
    after,
    volts,
    pulled: (id) => state.pulled.has(id),
    runs: (id) => state.turning.has(id),
    shut: (id) => state.closed.has(id),
  };
  const [pulled, closed, turning, stalled] = [0, 0, 0, 0].map(() => new Set<string>()) as [
    Set<string>,
    Set<string>,
    Set<string>,
    Set<string>,
  ];
  const blown = new Set(state.blown);
  const emf: Record<string, number> = {};
  for (const branch of network) {
    const { id } = branch;
    const across = volts(branch.a, branch.b);
    const whole = branch.ohms !== Infinity;
    if (branch.coil && whole && across >= (state.pulled.has(id) ? branch.coil.letGo : branch.coil.pullIn))
      pulled.add(id);
    if (branch.closed?.(now)) closed.add(id);
    if (branch.motor && whole && across > 0.2 * branch.motor.ratedVolts) {
      const enough = across >= MOTOR_RUNS_AT * branch.motor.ratedVolts;
      (enough && branch.motor.starts ? turning : stalled).add(id);
    }
    if (branch.fuse !== undefined && ampsIn(branch, state, solved, held) > branch.fuse) blown.add(id);
    // A source is worked out to the tenth of a volt, so that it comes to rest.
    if (branch.emf) emf[id] = Math.round(10 * branch.emf(now)) / 10;
  }
  return { pulled, closed, turning, stalled, blown, emf };
}

const signOf = (s: Rest): string =>
  [s.pulled, s.closed, s.turning, s.stalled, s.blown].map((set) => [...set].join()).join('|') + JSON.stringify(s.emf);

/** Whether a coil holds on volts it would not have pulled in at: how it came to rest then depends on where it came from. */
const holdsOn = (network: Network, state: Rest, solved: Solved): boolean =>
  network.some(
    ({ id, coil, a, b }) => coil !== undefined && state.pulled.has(id) && Math.abs(solved.volts(a, b)) < coil.pullIn,
  );

interface Came {
  readonly state: Rest;
  readonly solved: Solved;
  readonly chatters: boolean;
}

/** Follows a circuit from how it stands until nothing changes, or it goes round in circles. */
function comeToRest(held: Held, from: Rest): Came {
  const { network } = held;
  const solve = solverOf(network);
  let state = from;
  let solved = solveAs(solve, network, state, held);
  const seen = new Set<string>();
  for (let step = 0; step < MOST_STEPS; step++) {
    const then = next(held, state, solved);
    const sign = signOf(then);
    if (sign === signOf(state)) return { state, solved, chatters: false };
    state = then;
    solved = solveAs(solve, network, state, held);
    if (seen.has(sign)) break;
    seen.add(sign);
  }
  return { state, solved, chatters: true };
}

/**
 * Makes a call on a circuit and lets it come to rest: relays, boards and motors are followed until nothing changes.
 * `after` is how long the call has been held, s; `blown` what had opened before; `like` how a circuit much like it came to rest,
 * which saves steps and changes nothing. Where it finds no rest it chatters, and what is told is the state it was last in.
 */
export function operate(
  network: Network,
  call: Call,
  after = 180,
  blown: ReadonlySet<string> = new Set(),
  like?: Rest,
): Operated {
  const held: Held = { network, call, after };
  const moments = [...new Set(network.flatMap(({ since }) => (since !== undefined && since < after ? [since] : [])))];
  const before = moments
    .sort((a, b) => a - b)
    .reduce<Rest>((from, moment) => comeToRest({ ...held, after: moment }, from).state, {
      ...FROM_NOTHING,
      blown,
    });
  // What remembers is followed from the beginning.
  const near = moments.length === 0 && like ? comeToRest(held, { ...like, blown }) : undefined;
  // What opened, chatters or barely holds on the way may come of where it came from: followed from nothing then.
  const isSure =
    near && !near.chatters && near.state.blown.size === blown.size && !holdsOn(network, near.state, near.solved);
  const { state, solved, chatters } = isSure ? near : comeToRest(held, before);
  const byId = new Map(network.map((branch) => [branch.id, branch]));
  return {
    volts: (a, b) => Math.abs(solved.volts(a, b)),
    ohmsInto: solved.ohmsInto,
    amps: (id) => {
      const branch = byId.get(id);
      return branch ? ampsIn(branch, state, solved, held) : 0;
    },
    runs: (id) => state.turning.has(id),
    pulled: (id) => state.pulled.has(id),
    blown: state.blown,
    chatters,
    rest: state,
  };
}
