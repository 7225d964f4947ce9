import { hunted, huntKind, ON_CALLS } from './circuit-kind.ts';
import type { InputSpec } from '../contract/entry.ts';

const volts: InputSpec = { id: 'volts', type: 'number', label: 'Volts', unit: 'V', overLimit: false, probe: 'volts' };

/** Volts between two terminals, on a call. */
export const wiringVolts = huntKind(
  'wiring-volts',
  'Volts',
  Object.entries(ON_CALLS).map(([id, title]) => hunted(id, title, [volts])),
);
