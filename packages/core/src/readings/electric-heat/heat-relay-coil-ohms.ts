import { relayCoilLimits } from '../controls/blower-relay-coil-ohms.ts';
import { coilOhms } from '../controls/coil-ohms.ts';

/** Coil of the relay that switches the strips: around 70 Ω for a common 24 V relay (common practice, no source). */
export const heatRelayCoilOhms = coilOhms({
  id: 'heat-relay-coil-ohms',
  title: 'Heat relay coil',
  component: 'heat-relay',
  stop: 'off-indoor',
  order: 22,
  plateLine: 'usual about 70 Ω',
  limits: relayCoilLimits,
  plausible: { low: 8, high: 400 },
});
