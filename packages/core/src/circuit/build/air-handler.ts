import { capacitor, coil, contact, motor, startWinding, wire, type Network } from '../network.ts';
import type { MachineSpec } from '../machine-spec.ts';
import { called, supply240, transformer } from './supplies.ts';

/** Seconds after which a sequencer's contacts close, the first first; from memory. */
const CLOSES_AFTER = [20, 50];

function blower({ blower: kind, blowerAmps, lineVolts, banks, blowerMicrofarads }: MachineSpec): Network {
  const run = motor('blower.run', 'm', 'H2', 12, { volts: lineVolts, amps: blowerAmps, locked: 2.5 * blowerAmps });
  if (kind === 'ecm')
    return [
      wire('blower.tap-wire', 'G', 'tap', 0.2),
      { id: 'blower.tap', a: 'tap', b: 'C', ohms: 1500 },
      contact('blower.module', 'H1', 'm', (now) => called('tap')(now) || (banks.length > 0 && called('W')(now))),
      run,
    ];
  return [
    { id: 'blower-delay.in', a: 'G', b: 'C', ohms: 4000 },
    contact('blower-delay', 'G', 'G2', (now) => called('G')(now)),
    coil('blower-relay.coil', 'G2', 'C', 70, 170),
    contact('blower-relay.no', 'm', 'H1', (now) => now.pulled('blower-relay.coil')),
    contact('blower-relay.nc', 'm', banks.length > 0 ? 'n1' : 'spare', (now) => !now.pulled('blower-relay.coil')),
    run,
    startWinding('blower.start', 'm', 'bs', 22),
    capacitor('cap.blower', 'bs', 'H2', blowerMicrofarads),
  ];
}

/** One bank: from the switch through the element, its fuse link and its limit, back to H2. */
const bank = (i: number, ohms: number, start: string): Network => [
  { id: `element-${i}`, a: start, b: `${start}e`, ohms },
  wire(`link-${i}`, `${start}e`, `${start}k`),
  wire(`limit-${i}`, `${start}k`, 'H2'),
];

function electricHeat({ banks, heatSwitch }: MachineSpec): Network {
  if (banks.length === 0) return [];
  const part = heatSwitch === 'sequencer' ? 'sequencer' : 'heat-relay';
  return [
    coil(`${part}.coil`, 'W', 'C', heatSwitch === 'sequencer' ? 90 : 60, heatSwitch === 'sequencer' ? 90 : 150),
    ...banks.flatMap((ohms, i) => {
      const start = i === 0 ? 'n1' : 'n4';
      const wait = heatSwitch === 'sequencer' ? (CLOSES_AFTER[i] ?? 50) : 0;
      return [
        contact(`${part}.${i + 1}`, 'H1', start, (now) => now.pulled(`${part}.coil`) && now.after >= wait),
        ...bank(i + 1, ohms, start),
      ];
    }),
  ];
}

/** An air handler on 240 V: supply, transformer, blower, and electric heat where it has any. */
export const airHandler = (spec: MachineSpec): Network => [
  ...supply240('indoor', 'H1', 'H2', spec.lineVolts),
  ...transformer('H1', 'H2', spec.lineVolts, spec.controlFuseAmps),
  ...blower(spec),
  ...electricHeat(spec),
];
