import type { InputSpec } from '../contract/entry.ts';
import { hunted, huntKind, ON_CALLS } from './circuit-kind.ts';

const amps: InputSpec = { id: 'amps', type: 'number', label: 'Amps', unit: 'A', overLimit: false, probe: 'clamp' };

/** Amps into a load, on a call; "at the start" is the most the clamp shows in the first two seconds. */
export const wiringAmps = huntKind('wiring-amps', 'Amps', [
  ...Object.entries(ON_CALLS).map(([id, title]) => hunted(id, title, [amps])),
  hunted('cooling-start', 'cooling called, at the start', [amps]),
  hunted('cooled-start', 'left to cool, then cooling called, at the start', [amps]),
]);
