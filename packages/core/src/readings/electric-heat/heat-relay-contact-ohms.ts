import { contactOhms } from '../controls/contact-ohms.ts';

/** Heat relay contacts by ohms at rest. */
export const heatRelayContactOhms = contactOhms({
  id: 'heat-relay-contact-ohms',
  title: 'Heat relay contacts',
  component: 'heat-relay',
  stop: 'off-indoor',
  order: 24,
  points: ['no-contact'],
});
