import { FAULTS, waysOn } from '../circuit/faults.ts';
import { soundMachine } from '../circuit/machine.ts';
import type { MachineSpec } from '../circuit/machine-spec.ts';
import { COMPLAINT_SHARES, COMPLAINTS, NO_FAULT, type Complaint } from './complaint-shares.ts';

/** Of a complaint's causes a machine has at least this share; a complaint of another kind of machine shares one or two with it. */
const LEAST_SHARE = 0.3;

/** What only a machine that heats by its compressor is blamed for. */
const OF_HEAT_PUMPS: ReadonlySet<Complaint> = new Set(['heats-weakly']);

/** The complaints that a machine can give cause for. */
export function complaintsOn(spec: MachineSpec): Complaint[] {
  const sound = soundMachine(spec);
  const has = new Set<string>(FAULTS.filter((fault) => waysOn(sound, fault).length > 0).map(({ id }) => id));
  const pumpsHeat = spec.outdoors === 'heat-pump' || spec.outdoors === 'inverter';
  return COMPLAINTS.filter((complaint) => {
    if (OF_HEAT_PUMPS.has(complaint) && !pumpsHeat) return false;
    const shares = Object.entries(COMPLAINT_SHARES[complaint]).filter(([id]) => id !== NO_FAULT);
    const sum = (of: typeof shares) => of.reduce((all, [, share]) => all + share, 0);
    return sum(shares.filter(([id]) => has.has(id))) > LEAST_SHARE * sum(shares);
  });
}
