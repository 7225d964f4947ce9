import type { Branch, Network, Now } from '../network.ts';
import { capacitor, coil, contact, motor, startWinding, wire } from '../network.ts';
import type { Call } from '../../trade/controls/call-table.ts';
import type { MachineSpec } from '../machine-spec.ts';
import { called, supply240 } from './supplies.ts';

const CABLE_OHMS = 0.5;
/** Ω of a crankcase heater of 60 W at 240 V; common practice. */
const CRANKCASE_OHMS = 960;

/** The switches between Y outdoors and the contactor's coil, in the order they are wired. */
function switches({ switches: order }: MachineSpec, from: string): Network {
  const of = { low: 'low-pressure-switch', high: 'high-pressure-switch' };
  const row = {
    'high-low': [of.high, of.low],
    'low-high': [of.low, of.high],
    'high-only': [of.high],
    'low-only': [of.low],
    none: ['coil-wire'],
  }[order];
  return row.map((id, i) => wire(id, i === 0 ? from : `y${i}`, i === row.length - 1 ? 'Yc' : `y${i + 1}`, 0.1));
}

/** A compressor draws less in heating, where it pumps against less; common practice. */
const ofCall = (call: Call): number => (call === 'heating' || call === 'second-stage-heat' ? 0.75 : 1);

function compressor({ compressorAmps, lineVolts, hermMicrofarads, startKit }: MachineSpec): Network {
  return [
    wire('compressor.lead', 'T1', 'kc', 0.01),
    wire('compressor.overload', 'kc', 'ki', 0.02),
    motor('compressor.run', 'ki', 'T2', 0.9, {
      volts: lineVolts,
      amps: compressorAmps,
      locked: 7 * compressorAmps,
      load: ofCall,
    }),
    startWinding('compressor.start', 'ki', 's', 2.2),
    capacitor('cap.herm', 's', 'T2', hermMicrofarads),
    ...(startKit ? [capacitor('cap.start', 's1', 'T2', 130)] : []),
  ];
}

const fan = ({ outdoorFanAmps, lineVolts, fanMicrofarads }: MachineSpec): Network => [
  motor('outdoor-fan.run', 'ofc', 'T2', 28, { volts: lineVolts, amps: outdoorFanAmps, locked: 2 * outdoorFanAmps }),
  startWinding('outdoor-fan.start', 'ofc', 'q', 55),
  capacitor('cap.fan', 'q', 'T2', fanMicrofarads),
];

const power = (spec: MachineSpec): Network => [
  ...supply240('outdoor', 'DS1', 'DS2', spec.lineVolts),
  wire('disconnect.1', 'DS1', 'D1'),
  wire('disconnect.2', 'DS2', 'D2'),
  coil('contactor.coil', 'Yc', 'Co', 15, 65),
  contact('contactor.1', 'D1', 'T1', (now) => now.pulled('contactor.coil')),
  spec.contactorPoles === 2
    ? contact('contactor.2', 'D2', 'T2', (now) => now.pulled('contactor.coil'))
    : wire('contactor.strap', 'D2', 'T2'),
  // Fed around the one pole through the compressor's winding, so that it is off while that runs.
  ...(spec.crankcaseHeater
    ? [{ id: 'crankcase-heater', a: 'D1', b: spec.contactorPoles === 2 ? 'D2' : 'T1', ohms: CRANKCASE_OHMS }]
    : []),
  ...compressor(spec),
  ...fan(spec),
];

const field = (spec: MachineSpec): Network => [
  wire('float-switch.y', 'Y', 'Y1', 0.2),
  wire('field.Y', 'Y1', 'Yo', CABLE_OHMS),
  wire('field.C', 'C', 'Co', CABLE_OHMS),
  { id: 'field.beside', a: 'Yo', b: spec.outdoors === 'heat-pump' ? 'Ro' : 'Y1', ohms: 2e6 },
];

/** A condenser: fed by Y and C from indoors, and by its own breaker and disconnect. */
export const condenser = (spec: MachineSpec): Network => [
  ...field(spec),
  ...switches(spec, 'Yo'),
  ...power(spec),
  wire('outdoor-fan.lead', 'T1', 'ofc'),
];

/** Whether the board defrosts: forced in heat, with power, its run-time sense, and a coil it sees as cold. */
const defrosts = (now: Now): boolean =>
  now.call === 'defrost' && called('Ro', 'Co')(now) && called('sense', 'Co')(now) && called('dft', 'Co')(now);

function board({ defrost }: MachineSpec): Branch[] {
  return [
    { id: 'board.power', a: 'Ro', b: 'Co', ohms: 300 },
    { id: 'board.y-in', a: 'Yo', b: 'Co', ohms: 4000 },
    contact('board.y', 'Yo', 'Yx', (now) => called('Yo', 'Co')(now)),
    wire('board.sense', 'Yc', 'sense', 0.2),
    { id: 'board.sense-in', a: 'sense', b: 'Co', ohms: 20_000 },
    contact(defrost === 'demand' ? 'coil-sensor' : 'coil-thermostat', 'Ro', 'dft', (now) => now.call === 'defrost'),
    { id: 'board.dft-in', a: 'dft', b: 'Co', ohms: 20_000 },
    contact('board.o', 'Ro', 'Oo', defrosts),
    contact('board.w2', 'Ro', 'W2o', defrosts),
    contact('board.df', 'T1', 'ofc', (now) => !defrosts(now)),
    coil('reversing-valve.coil', 'Oo', 'Co', 35, 75),
  ];
}

/** A heat pump's outdoor unit: a condenser with a defrost board, fed R, C, Y, O and sending W2 back. */
export const heatPump = (spec: MachineSpec): Network => [
  ...field(spec),
  wire('field.R', 'R1', 'Ro', CABLE_OHMS),
  wire('field.O', 'O', 'Oo', CABLE_OHMS),
  ...(spec.banks.length > 0 ? [wire('field.W2', 'W2o', 'W', CABLE_OHMS)] : []),
  ...board(spec),
  ...switches(spec, 'Yx'),
  ...power(spec),
];
