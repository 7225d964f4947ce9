import { contactVolts } from './contact-volts.ts';

/** Volts across a sequencer's contacts. */
export const sequencerContactVolts = contactVolts({
  id: 'sequencer-contact-volts',
  title: 'Volts across sequencer',
  component: 'sequencer',
});
