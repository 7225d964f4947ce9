import { coilOhms } from '../controls/coil-ohms.ts';
import { noBasis } from '../contract/window.ts';

/** Sequencer coil or heater: makes differ, so it is held against its own past alone. */
export const sequencerCoilOhms = coilOhms({
  id: 'sequencer-coil-ohms',
  title: 'Sequencer coil',
  component: 'sequencer',
  stop: 'off-indoor',
  order: 20,
  plateLine: 'no usual figure',
  limits: () => noBasis('no-limit'),
  plausible: { low: 5, high: 500 },
});
