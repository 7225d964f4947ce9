import type { Point } from '../../equipment/component.ts';
import { heatElementsOf } from '../../equipment/plate.ts';
import type { Where } from '../contract/entry.ts';

/** A sequencer's contacts in the order they close. */
export const CONTACTS: readonly Point[] = [
  'contact-1',
  'contact-2',
  'contact-3',
  'contact-4',
  'contact-5',
  'contact-6',
];

/** A sequencer's contacts: one for each element it switches. */
export const contactsOf = ({ plate }: Where): Point[] => CONTACTS.slice(0, heatElementsOf(plate));
