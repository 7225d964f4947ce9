import { contactOhms } from './contact-ohms.ts';

/** Blower relay contacts by ohms at rest. */
export const blowerRelayContactOhms = contactOhms({
  id: 'blower-relay-contact-ohms',
  title: 'Blower relay contacts',
  component: 'blower-relay',
  stop: 'off-indoor',
  order: 12,
  points: ['no-contact', 'nc-contact'],
});
