import { coilOhms } from './coil-ohms.ts';
import { windowLimits } from './window.ts';

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
      nominal: 14,
      lower: 0.5 * coils.contactorLowOhms,
      watchLower: coils.contactorLowOhms,
      upper: 2 * coils.contactorHighOhms,
      watchUpper: coils.contactorHighOhms,
    }),
  plausible: { low: 2, high: 60 },
});
