import { contact, motor, wire, type Network, type Now } from '../network.ts';
import type { MachineSpec } from '../machine-spec.ts';
import { supply240 } from './supplies.ts';

const wants = (now: Now): boolean => now.call === 'cooling' || now.call === 'heating' || now.call === 'defrost';
const fedHead = (now: Now): boolean => now.volts('1i', '2i') > 180;
const bus = (now: Now): boolean => now.volts('P', 'NB') > 230;
const heard = (now: Now): boolean => now.volts('3', '2') > 8;

/**
 * A ductless inverter heat pump: line on 1 and 2 from outdoors to the head, the head's signal on 3 back, outdoors a rectifier,
 * its bus between P and NB, and what the inverter drives from it. Its signal stands as its mean volts.
 */
export const ductless = ({ lineVolts, compressorAmps, outdoorFanAmps, panHeater }: MachineSpec): Network => [
  ...supply240('outdoor', 'DS1', 'DS2', lineVolts),
  wire('disconnect.1', 'DS1', '1'),
  wire('disconnect.2', 'DS2', '2'),
  wire('cable.1', '1', '1i', 0.2),
  wire('cable.2', '2', '2i', 0.2),
  wire('cable.3', '3i', '3', 0.4),
  { id: 'head.signal', a: '2i', b: '3i', ohms: 1000, emf: (now) => (fedHead(now) ? 20 : 0) },
  { id: 'board.signal-in', a: '3', b: '2', ohms: 12_000 },
  { id: 'head.power', a: '1i', b: '2i', ohms: 2500 },
  contact('head.fan', '1i', 'bf', (now) => fedHead(now) && wants(now) && now.call !== 'defrost'),
  motor('blower.run', 'bf', '2i', 60, { volts: lineVolts, amps: 0.25, locked: 0.4 }),
  { id: 'inverter.bus', a: 'NB', b: 'P', ohms: 1.5, emf: (now) => 1.34 * now.volts('1', '2') },
  { id: 'inverter.bleed', a: 'P', b: 'NB', ohms: 20_000 },
  { id: 'inverter.to-line', a: 'NB', b: '2', ohms: 5e6 },
  contact('inverter.drive', 'P', 'u', (now) => bus(now) && heard(now) && wants(now)),
  motor('compressor.run', 'u', 'NB', 1.2, { volts: 320, amps: 0.7 * compressorAmps, locked: 3 * compressorAmps }),
  { id: 'board.fan-15v', a: 'NB', b: 'f15', ohms: 100, emf: (now) => (bus(now) ? 15 : 0) },
  contact('board.fan', 'P', 'of', (now) => bus(now) && heard(now) && wants(now) && now.call !== 'defrost'),
  motor('outdoor-fan.run', 'of', 'NB', 80, { volts: 320, amps: 0.5 * outdoorFanAmps, locked: outdoorFanAmps }),
  { id: 'coil-sensor', a: 'th1', b: 'th2', ohms: 10_000 },
  { id: 'expansion-valve.coil', a: 'ev1', b: 'ev2', ohms: 46 },
  ...(panHeater === null ? [] : [{ id: 'pan-heater', a: 'ph1', b: 'ph2', ohms: panHeater }]),
];
