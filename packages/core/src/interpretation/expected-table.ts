import { machineSpecOf, type MachineSpec } from '../circuit/machine-spec.ts';
import type { Probe } from '../circuit/probe.ts';
import type { MachineState } from '../circuit/state.ts';
import { structureOf } from '../circuit/structure.ts';
import { componentsFor, type Component } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import { placesOn } from '../readings/registry.ts';
import { tableOf, type ExpectedTable } from './expected.ts';
import { probesAhead } from './next-probe.ts';
import { possibleStates } from './possible-states.ts';
import { callMadeFor, placedOf } from './visit-probes.ts';

/** Every probe that a reading of a visit is taken at, in every state it may be taken in. */
function probesOfVisits(kind: SystemKind, plate: Plate, spec: MachineSpec): (readonly [Probe, MachineState])[] {
  return componentsFor(kind, plate).flatMap((part) => {
    const component: Component = { fittedOn: null, ...part };
    return placesOn(component, kind, plate).flatMap(({ kind: of, method, point }) =>
      placedOf(of.id, { slot: part.slot, point, plate, spec }).flatMap(({ probe, or }) =>
        possibleStates(method.stops, spec, {}, callMadeFor({ kind: of.id, point })).flatMap(({ state }) => [
          [probe, state] as const,
          ...(or ? [[or.probe, state] as const] : []),
        ]),
      ),
    );
  });
}

/** What machines built as one is show at every probe of a visit: some seconds of work, made ahead where nobody waits for it. */
export function expectedTable(kind: SystemKind, plate: Plate): ExpectedTable {
  const spec = machineSpecOf(kind, plate);
  return tableOf(spec, [...probesOfVisits(kind, plate, spec), ...probesAhead(structureOf(spec))]);
}
