import { contactVolts } from './contact-volts.ts';

/** Volts across the contacts of a relay that switches the strips where there is no sequencer. */
export const heatRelayContactVolts = contactVolts({
  id: 'heat-relay-contact-volts',
  title: 'Volts across heat relay',
  component: 'heat-relay',
});
