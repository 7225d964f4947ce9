import type { ComponentKind, Point } from '../../equipment/component.ts';
import type { About, Evaluated, Inputs, StopId } from '../contract/entry.ts';
import type { ReadingKindId } from '../contract/kind-ids.ts';
import type { FindingKind } from '../contract/kind.ts';
import { found } from '../contract/window.ts';

/** A closed contact has less, Ω, and an open one more. Common practice, no source. */
const CLOSED_BELOW = 1;
const OPEN_ABOVE = 1000;

function evaluate({ ohms }: Inputs, { point }: About): Evaluated {
  const read = ohms === 'OL' ? Infinity : Number(ohms);
  if (point === 'nc-contact')
    return found(
      read < CLOSED_BELOW ? 'contact-shut-at-rest' : read > OPEN_ABOVE ? 'contact-open-dead' : 'contact-poor',
    );
  return found(read > OPEN_ABOVE ? 'contact-open-at-rest' : 'contact-closed-dead');
}

/** A relay's contacts by ohms, power off and a wire off: what is normally open reads OL, what is normally closed next to none. */
export const contactOhms = (contact: {
  id: ReadingKindId;
  title: string;
  component: ComponentKind;
  stop: StopId;
  order: number;
  points: readonly Point[];
}): FindingKind => ({
  type: 'finding',
  id: contact.id,
  title: contact.title,
  component: contact.component,
  plateLine: ({ point }) => (point === 'nc-contact' ? 'at rest: next to none' : 'at rest: OL'),
  movedBy: ['a load left on its wires'],
  methods: [
    {
      id: 'ohms',
      title: 'ohms across it, power off, a wire off',
      stops: [contact.stop],
      order: contact.order,
      optional: 'on-fault',
      points: () => contact.points,
      inputs: [{ id: 'ohms', type: 'number', label: 'Ohms', unit: 'Ω', overLimit: true, probe: 'ohms' }],
      evaluate,
    },
  ],
});
