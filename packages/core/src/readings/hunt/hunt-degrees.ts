import { hunted, huntKind } from './circuit-kind.ts';

/** A difference of two temperatures, worked out at the machine. */
export const huntDegrees = huntKind('hunt-degrees', 'Degrees', [
  hunted(
    'probes',
    'two thermometers, settled',
    [{ id: 'degrees', type: 'number', label: 'Difference', unit: '°F', overLimit: false, signed: true }],
    ['over-air', 'return-gain', 'valve-gain'],
  ),
  hunted(
    'heating',
    'gauges and thermometers, settled in heating, strips off',
    [{ id: 'degrees', type: 'number', label: 'Difference', unit: '°F', overLimit: false, signed: true }],
    ['under-air', 'over-return', 'liquid-heating', 'valve-gain'],
  ),
]);
