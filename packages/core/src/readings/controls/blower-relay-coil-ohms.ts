import type { Limits } from '../../verdict/limits.ts';
import type { Policy } from '../../verdict/policy.ts';
import { coilOhms, SHORTED_SHARE } from './coil-ohms.ts';
import { windowLimits } from '../contract/window.ts';

/** What is usual, Ω. Common practice, no source. */
const USUAL_OHMS = 70;

/** Limits of a common 24 V relay's coil, Ω. */
export const relayCoilLimits = ({ coils }: Policy): Limits =>
  windowLimits('coil-ohms', {
    nominal: USUAL_OHMS,
    lower: SHORTED_SHARE * USUAL_OHMS,
    watchLower: coils.relayLowOhms,
    upper: 2 * coils.relayHighOhms,
    watchUpper: coils.relayHighOhms,
  });

/** Blower relay coil: around 70 Ω for a common relay (common practice, no source). */
export const blowerRelayCoilOhms = coilOhms({
  id: 'blower-relay-coil-ohms',
  title: 'Blower relay coil',
  component: 'blower-relay',
  stop: 'off-indoor',
  order: 10,
  plateLine: 'usual about 70 Ω',
  limits: relayCoilLimits,
  plausible: { low: 8, high: 400 },
});
