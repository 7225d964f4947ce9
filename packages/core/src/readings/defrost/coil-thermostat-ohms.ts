import { MUST_BE_OPEN_FROM_F, openThermostat } from '../../trade/controls/control-chain.ts';
import { COLD_COIL_F } from '../../trade/defrost/defrost-test.ts';
import type { Finding } from '../../verdict/findings.ts';
import type { About, Evaluated, Inputs } from '../contract/entry.ts';
import type { FindingKind } from '../contract/kind.ts';
import { found } from '../contract/window.ts';

/** A closed thermostat has less, Ω. Common practice, no source. */
const CLOSED_BELOW = 10;

function shut(coilF: number | undefined): Finding {
  if (coilF === undefined) return 'thermostat-shut-unproven';
  if (coilF >= MUST_BE_OPEN_FROM_F) return 'thermostat-stuck-shut';
  return coilF < COLD_COIL_F ? 'thermostat-shut-cold' : 'thermostat-shut-unproven';
}

function evaluate({ ohms, coilF }: Inputs, { conditions = {} }: About): Evaluated {
  const coil = typeof coilF === 'number' ? coilF : undefined;
  const isShut = ohms !== 'OL' && Number(ohms) < CLOSED_BELOW;
  return found(isShut ? shut(coil) : openThermostat(coil, conditions.outdoorF));
}

/** The coil thermostat of a time-and-temperature board by ohms: open on a warm coil, closed on a cold one. */
export const coilThermostatOhms: FindingKind = {
  type: 'finding',
  id: 'coil-thermostat-ohms',
  title: 'Coil thermostat',
  component: 'defrost-board',
  plateLine: () => 'closes near freezing, opens between 50 and 80 °F',
  movedBy: ['the temperature of its coil'],
  methods: [
    {
      id: 'ohms',
      title: 'ohms, unplugged, power off',
      stops: ['off-outdoor'],
      order: 56,
      optional: 'on-fault',
      points: ({ plate }) => (plate.defrostControl === 'demand' ? [] : ['whole']),
      inputs: [
        { id: 'ohms', type: 'number', label: 'Ohms', unit: 'Ω', overLimit: true, probe: 'ohms' },
        {
          id: 'coilF',
          type: 'number',
          label: 'Coil at it',
          unit: '°F',
          overLimit: false,
          signed: true,
          optional: true,
          probe: 'pipe-clamp',
        },
      ],
      evaluate,
    },
  ],
};
