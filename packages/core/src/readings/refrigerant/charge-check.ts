import type { FindingKind } from '../contract/kind.ts';
import { looksOf } from '../looks/looks.ts';

const looked = looksOf({
  id: 'charge-check',
  title: 'Does a charge check count now?',
  component: 'refrigerant-circuit',
  method: 'before the gauges are read',
  stop: 'cooling',
  order: 70,
  none: { value: 'check-counts', label: 'It counts' },
  options: {
    'air-not-right': 'Air or coils not clean',
    'just-started': 'Just started',
    'too-cold-outside': 'Too cold outside',
    raining: 'Raining on it',
    'just-weighed-in': 'Charge just weighed in',
  },
});

/** What must hold before superheat and subcooling say anything of the charge: air, coils, weather, running time. */
export const chargeCheck: FindingKind = {
  ...looked,
  tells: ({ findings }, conditions) => {
    const [first] = findings;
    return { ...conditions, chargeDoubt: first === 'check-counts' ? undefined : first };
  },
};
