import { contactOhms } from '../controls/contact-ohms.ts';

/** Sequencer contacts by ohms at rest. */
export const sequencerContactOhms = contactOhms({
  id: 'sequencer-contact-ohms',
  title: 'Sequencer contacts',
  component: 'sequencer',
  stop: 'off-indoor',
  order: 24,
  points: ['no-contact'],
});
