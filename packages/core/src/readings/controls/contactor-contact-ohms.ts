import { contactOhms } from './contact-ohms.ts';

/** Contactor contacts by ohms at rest. */
export const contactorContactOhms = contactOhms({
  id: 'contactor-contact-ohms',
  title: 'Contactor contacts',
  component: 'contactor',
  stop: 'off-outdoor',
  order: 84,
  points: ['no-contact'],
});
