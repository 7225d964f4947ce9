import { hunted, huntKind } from './circuit-kind.ts';

/** Ω between two terminals, power off and proved dead, wires lifted. */
export const wiringOhms = huntKind('wiring-ohms', 'Ohms', [
  hunted('lifted', 'power off, proved dead, wires lifted', [
    { id: 'ohms', type: 'number', label: 'Ohms', unit: 'Ω', overLimit: true, jumps: true, probe: 'ohms' },
  ]),
]);
