import { isOwn } from '../quantity/own.ts';
import { canChange, withChanges, type Change } from './change.ts';
import { CONTROL } from './faults/control.ts';
import { INDOORS } from './faults/indoors.ts';
import { HEAT } from './faults/electric-heat.ts';
import { FURNACE } from './faults/furnace.ts';
import { OUTDOORS } from './faults/outdoors.ts';
import { HEAT_PUMP } from './faults/heat-pump.ts';
import { DUCTLESS } from './faults/ductless.ts';
import type { Line } from './faults/line.ts';
import type { MachineSpec } from './machine-spec.ts';
import type { Machine } from './machine.ts';

/** A single thing that can be wrong, as what it does to a machine. */
export interface Fault extends Line {
  readonly id: FaultId;
}

const LINES = { ...CONTROL, ...INDOORS, ...HEAT, ...FURNACE, ...OUTDOORS, ...HEAT_PUMP, ...DUCTLESS };
/** Every fault by its name. */
export type FaultId = keyof typeof LINES;
export const FAULTS: readonly Fault[] = (Object.entries(LINES) as [FaultId, Line][]).map(([id, line]) => ({
  id,
  ...line,
}));

/** Which machines the faults of a list are of, where a part's name alone does not say it. */
const GROUPS: readonly { readonly of: Record<string, Line>; readonly on: (spec: MachineSpec) => boolean }[] = [
  { of: FURNACE, on: ({ indoors }) => indoors === 'furnace' },
  { of: OUTDOORS, on: ({ outdoors }) => outdoors !== 'none' },
  { of: HEAT_PUMP, on: ({ outdoors }) => outdoors === 'heat-pump' },
  { of: DUCTLESS, on: ({ outdoors }) => outdoors === 'inverter' },
];
/** Faults of parts that an inverter machine has, too, but elsewhere. */
const NOT_DUCTLESS: ReadonlySet<FaultId> = new Set([
  'outdoor-fan-winding-open',
  'outdoor-fan-seized',
  'blower-winding-open',
  'blower-seized',
  'duct-leak',
  'outdoor-lug-loose',
  'feed-choked',
  'charge-high',
  'compressor-grounded',
]);

const variantsOf = ({ does, or = [] }: Fault): readonly (readonly Change[])[] => [does, ...or];

const OVERLOAD = 'compressor.overload';

/** A compressor that does not start trips its overload: it is found open and hot, or cooled and shut again. */
function alsoHot(machine: Machine, does: readonly Change[]): Change[][] {
  const stalls = withChanges(machine, does).network.some(({ id, motor }) => id === 'compressor.run' && !motor?.starts);
  const trips = stalls && canChange(machine, { hot: OVERLOAD });
  return trips ? [[...does], [...does, { hot: OVERLOAD }]] : [[...does]];
}

/** What of a fault a machine can have: each way it comes, without what the machine lacks; empty when it has none of it. */
export function waysOn(machine: Machine, fault: Fault): Change[][] {
  const { spec } = machine;
  const group = GROUPS.find(({ of }) => isOwn(of, fault.id));
  if ((group && !group.on(spec)) || !spec.slots.has(fault.slot)) return [];
  if (spec.outdoors === 'inverter' && NOT_DUCTLESS.has(fault.id)) return [];
  return variantsOf(fault).flatMap((does) => {
    const left = does.filter((change) => canChange(machine, change));
    // What is done to a part that is not there leaves no fault, whatever it does to the air.
    const lost = does.some((change) => !('air' in change)) && !left.some((change) => !('air' in change));
    return left.length === 0 || lost ? [] : alsoHot(machine, left);
  });
}

/** A machine with faults, each in the first way it comes; those it cannot have are left out. */
export const withFaults = (machine: Machine, ids: readonly FaultId[]): Machine =>
  FAULTS.filter(({ id }) => ids.includes(id)).reduce(
    (made, fault) => withChanges(made, waysOn(machine, fault)[0] ?? []),
    machine,
  );
