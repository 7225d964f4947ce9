import { coilOhms, SHORTED_SHARE } from './coil-ohms.ts';
import { windowLimits } from '../contract/window.ts';

/** The middle of what is usual, Ω. Common practice, no source. */
const USUAL_OHMS = 14;

/** Contactor coil: 10 to 20 Ω is usual (common practice, no source). */
export const contactorCoilOhms = coilOhms({
  id: 'contactor-coil-ohms',
  title: 'Contactor coil',
  component: 'contactor',
  stop: 'off-outdoor',
  order: 40,
  plateLine: 'usual 10 to 20 Ω',
  limits: ({ coils }) =>
    windowLimits('coil-ohms', {
      nominal: USUAL_OHMS,
      lower: SHORTED_SHARE * USUAL_OHMS,
      watchLower: coils.contactorLowOhms,
      upper: 2 * coils.contactorHighOhms,
      watchUpper: coils.contactorHighOhms,
    }),
  plausible: { low: 2, high: 60 },
});
