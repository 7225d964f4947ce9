import type { MachineSpec } from './machine-spec.ts';
import type { Probe } from './probe.ts';

/** Figures that all machines of a structure are worked out with; what is read of one is brought to them first. */
const USUAL = {
  compressorAmps: 10,
  outdoorFanAmps: 1,
  blowerAmps: 2.8,
  hermMicrofarads: 45,
  fanMicrofarads: 5,
  blowerMicrofarads: 7.5,
  bankWatts: 5000,
  panHeaterOhms: 480,
} as const;

/**
 * The structure of a machine: which parts it has and how they are wired, with usual figures in place of its plate's. Machines of
 * one structure show the same at every probe, but for the scale of each.
 */
export function structureOf(spec: MachineSpec): MachineSpec {
  const { compressorAmps, outdoorFanAmps, blowerAmps, hermMicrofarads, fanMicrofarads, blowerMicrofarads } = USUAL;
  return {
    ...spec,
    compressorAmps,
    outdoorFanAmps,
    blowerAmps,
    hermMicrofarads,
    fanMicrofarads,
    blowerMicrofarads,
    banks: spec.banks.map(() => spec.lineVolts ** 2 / USUAL.bankWatts),
    panHeater: spec.panHeater === null ? null : USUAL.panHeaterOhms,
  };
}

/** A structure by its name: equal structures have equal names. */
export const structureName = (spec: MachineSpec): string =>
  JSON.stringify({ ...structureOf(spec), slots: [...spec.slots].sort() });

const AMPS = {
  compressor: 'compressorAmps',
  'outdoor-fan': 'outdoorFanAmps',
  blower: 'blowerAmps',
} as const;

const partOf = (branch: string): string => branch.split('.')[0] ?? branch;

/** Of a figure read at a probe of a machine, how many times it is what the machine's structure shows there. */
export function scaleOf(probe: Probe, spec: MachineSpec): number {
  const structure = structureOf(spec);
  if (probe.what === 'volts' || probe.what === 'runs') return 1;
  if (probe.what === 'microfarads') {
    const of = {
      'cap.herm': 'hermMicrofarads',
      'cap.fan': 'fanMicrofarads',
      'cap.blower': 'blowerMicrofarads',
    } as const;
    const figure = of[probe.of as keyof typeof of];
    return figure ? spec[figure] / structure[figure] : 1;
  }
  const branch = (probe.what === 'amps' ? probe.through[0] : probe.keep[0]) ?? '';
  if (branch.startsWith('element-')) {
    const i = Number(branch.slice('element-'.length)) - 1;
    const ohms = (spec.banks[i] ?? spec.banks[0] ?? 1) / (structure.banks[i] ?? structure.banks[0] ?? 1);
    return probe.what === 'ohms' ? ohms : 1 / ohms;
  }
  if (branch === 'pan-heater') return (spec.panHeater ?? 1) / (structure.panHeater ?? 1);
  const figure = AMPS[partOf(branch) as keyof typeof AMPS];
  return probe.what === 'amps' && figure ? spec[figure] / structure[figure] : 1;
}
