import type { Call, Runner } from '../trade/controls/call-table.ts';
import { airHandler } from './build/air-handler.ts';
import { ductless } from './build/ductless.ts';
import { burns, furnace } from './build/furnace.ts';
import { condenser, heatPump } from './build/outdoors.ts';
import { thermostat } from './build/thermostat.ts';
import { SOUND_AIR, type Air } from './air-side.ts';
import { hasSecondStage, type MachineSpec } from './machine-spec.ts';
import type { Network } from './network.ts';
import { operate, type Operated, type Rest } from './operate.ts';

/** A machine as it stands: its circuits, and its air and refrigerant sides. */
export interface Machine {
  readonly spec: MachineSpec;
  readonly network: Network;
  readonly air: Air;
  /** Motors that do not turn by hand. */
  readonly seized: ReadonlySet<string>;
}

const INDOORS: Readonly<Record<MachineSpec['indoors'], (spec: MachineSpec) => Network>> = {
  'air-handler': (spec) => [...airHandler(spec), ...thermostat(spec)],
  furnace: (spec) => [...furnace(spec), ...thermostat(spec)],
  head: ductless,
};
const OUTDOORS: Readonly<Record<MachineSpec['outdoors'], (spec: MachineSpec) => Network>> = {
  none: () => [],
  condenser,
  'heat-pump': heatPump,
  inverter: () => [],
};

/** A machine with nothing wrong. */
export const soundMachine = (spec: MachineSpec): Machine => ({
  spec,
  network: [...INDOORS[spec.indoors](spec), ...OUTDOORS[spec.outdoors](spec)],
  air: SOUND_AIR,
  seized: new Set(),
});

/** A bank that carries more than this is heard and felt, A. */
const HEATS_AT = 3;

/** What can be seen or heard to run. */
export function runnersOf({ network, spec }: Machine, at: Operated): Runner[] {
  const strips = network.some(({ id }) => id.startsWith('element-') && at.amps(id) > HEATS_AT);
  const all: [Runner, boolean][] = [
    ['compressor', at.runs('compressor.run')],
    ['outdoor-fan', at.runs('outdoor-fan.run')],
    ['blower', ['blower.run', 'blower.cool', 'blower.heat'].some(at.runs)],
    ['strips', strips],
    ['gas-burner', spec.indoors === 'furnace' && burns(at)],
  ];
  return all.filter(([, on]) => on).map(([runner]) => runner);
}

/** The calls a machine can be given. */
export function callsOf({ indoors, outdoors, banks }: MachineSpec): Call[] {
  const pump = outdoors === 'heat-pump';
  const all: [Call, boolean][] = [
    ['off', true],
    ['fan', indoors !== 'head'],
    ['cooling', outdoors !== 'none'],
    ['heating', pump || indoors !== 'air-handler' || banks.length > 0],
    ['second-stage-heat', (pump && banks.length > 0) || hasSecondStage({ outdoors, banks })],
    ['emergency-heat', pump && banks.length > 0],
    ['defrost', pump],
  ];
  return all.filter(([, there]) => there).map(([call]) => call);
}

/**
 * What had blown by the time somebody came: the owner has had it called for whatever it can do, and what opens on one call
 * stays open on the others. Where nothing has, each call's state is told.
 */
export function asFound(
  machine: Machine,
  onCall: (call: Call, at: Operated) => void = () => undefined,
  like: (call: Call) => Rest | undefined = () => undefined,
): ReadonlySet<string> {
  let blown: ReadonlySet<string> = new Set();
  const states: [Call, Operated][] = [];
  for (const call of callsOf(machine.spec).filter((c) => c !== 'defrost')) {
    const at = operate(machine.network, call, 180, blown, like(call));
    blown = at.blown;
    states.push([call, at]);
  }
  if (blown.size === 0) states.forEach(([call, at]) => onCall(call, at));
  return blown;
}
