import { capacitor, coil, contact, motor, startWinding, wire, type Network } from '../network.ts';
import { hasSecondStage, type MachineSpec } from '../machine-spec.ts';
import { called, supply240, transformer } from './supplies.ts';

/** Seconds after which a sequencer's contacts close, the first first; from memory. */
const CLOSES_AFTER = [20, 50];
/** Each bank's first node, its supply, and the coil that switches it: two banks to a breaker and to a sequencer. */
const BANKS = [
  { start: 'n1', from: 'H1', to: 'H2', coil: 'coil' },
  { start: 'n4', from: 'H1', to: 'H2', coil: 'coil' },
  { start: 'n7', from: 'H3', to: 'H4', coil: 'coil-2' },
  { start: 'n10', from: 'H3', to: 'H4', coil: 'coil-2' },
] as const;
const BANKS_A_SWITCH = 2;

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

/** One bank: from the switch through the element, its fuse link and its limit, back to the other leg. */
const bank = (i: number, ohms: number, start: string, to: string): Network => [
  { id: `element-${i}`, a: start, b: `${start}e`, ohms },
  wire(`link-${i}`, `${start}e`, `${start}k`),
  wire(`limit-${i}`, `${start}k`, to),
];

function electricHeat(spec: MachineSpec): Network {
  const { banks, heatSwitch } = spec;
  if (banks.length === 0) return [];
  const isSequencer = heatSwitch === 'sequencer';
  const part = isSequencer ? 'sequencer' : 'heat-relay';
  const coilOn = (id: string, node: string) =>
    coil(`${part}.${id}`, node, 'C', isSequencer ? 90 : 60, isSequencer ? 90 : 150);
  return [
    coilOn('coil', 'W'),
    ...(banks.length > BANKS_A_SWITCH ? [coilOn('coil-2', hasSecondStage(spec) ? 'W2' : 'W')] : []),
    ...banks.flatMap((ohms, i) => {
      const { start, from, to, coil: by } = BANKS[i]!;
      const wait = isSequencer ? (CLOSES_AFTER[i % BANKS_A_SWITCH] ?? 0) : 0;
      return [
        contact(`${part}.${i + 1}`, from, start, (now) => now.pulled(`${part}.${by}`) && now.after >= wait),
        ...bank(i + 1, ohms, start, to),
      ];
    }),
  ];
}

/** An air handler on 240 V: supply, transformer, blower, and electric heat where it has any. */
export const airHandler = (spec: MachineSpec): Network => [
  ...supply240('indoor', 'H1', 'H2', spec.lineVolts),
  ...(spec.banks.length > BANKS_A_SWITCH ? supply240('heat', 'H3', 'H4', spec.lineVolts) : []),
  ...transformer('H1', 'H2', spec.lineVolts, spec.controlFuseAmps),
  ...blower(spec),
  ...electricHeat(spec),
];
