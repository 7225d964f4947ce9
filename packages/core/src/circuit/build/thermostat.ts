import type { Call } from '../../trade/controls/call-table.ts';
import { hasSecondStage, type MachineSpec } from '../machine-spec.ts';
import { contact, wire, type Branch, type Network, type Now } from '../network.ts';
import { CALLED_VOLTS } from './supplies.ts';

const CABLE_OHMS = 0.4;
/** Ω between a conductor and the live one beside it in the cable: enough to show a meter ghost volts. */
const BESIDE_OHMS = 2e6;

/** The calls on which a thermostat joins R to each terminal; common practice, no source. */
function joinsOf({ outdoors, indoors, banks }: MachineSpec): Readonly<Record<string, readonly Call[]>> {
  if (outdoors === 'heat-pump')
    return {
      G: ['fan', 'cooling', 'heating', 'second-stage-heat', 'emergency-heat', 'defrost'],
      Y: ['cooling', 'heating', 'second-stage-heat', 'defrost'],
      O: ['cooling'],
      W: ['second-stage-heat', 'emergency-heat'],
    };
  return {
    G: ['fan', 'cooling'],
    ...(outdoors === 'condenser' && { Y: ['cooling'] }),
    W: indoors === 'furnace' ? ['heating'] : ['heating', 'second-stage-heat', 'emergency-heat'],
    ...(hasSecondStage({ outdoors, banks }) && { W2: ['second-stage-heat', 'emergency-heat'] }),
  };
}

/** The terminals of a thermostat besides R and C. */
export const terminalsOf = (spec: MachineSpec): string[] =>
  Object.keys(joinsOf(spec)).filter((t) => t !== 'W' || spec.banks.length > 0 || spec.indoors === 'furnace');

/**
 * The thermostat and its cable: R from the float switch to its base (Rt), a contact from there to each terminal (Gt, Yt…),
 * and the cable back to the terminal strip indoors (G, Y…). It works while it has its 24 V.
 */
export function thermostat(spec: MachineSpec): Network {
  const joins = joinsOf(spec);
  const each = terminalsOf(spec).flatMap((t): Branch[] => [
    contact(
      `thermostat.${t}`,
      'Rt',
      `${t}t`,
      (now: Now) => (joins[t] ?? []).includes(now.call) && now.volts('Rt', 'Ct') >= CALLED_VOLTS - 3,
    ),
    wire(`cable.${t}`, `${t}t`, t, CABLE_OHMS),
    { id: `beside.${t}`, a: `${t}t`, b: 'Rt', ohms: BESIDE_OHMS },
  ]);
  return [
    wire('float-switch', 'R', 'R1', 0.2),
    wire('cable.R', 'R1', 'Rt', CABLE_OHMS),
    wire('cable.C', 'C', 'Ct', CABLE_OHMS),
    { id: 'thermostat.self', a: 'Rt', b: 'Ct', ohms: 900 },
    ...each,
  ];
}
