import type { Evaluated, Inputs, InputSpec, About } from '../contract/entry.ts';
import { doubtWhen, stuck, taken } from '../contract/window.ts';

/** The supply probe's dry bulb: in the duct, clear of what heats it by sight. */
export const supplyDry: InputSpec = {
  id: 'supplyF',
  type: 'number',
  label: 'Supply, dry bulb',
  unit: '°F',
  overLimit: false,
  probe: 'psychrometer',
};

/** Supply less return, °F, for air that is heated; asked about when it is not warmer. */
export function rise(inputs: Inputs, { conditions }: About): Evaluated {
  const supplyF = Number(inputs.supplyF);
  const returnF = conditions?.returnF;
  if (returnF === undefined) return stuck('supplyF', 'no-return-air');
  return taken(supplyF - returnF, doubtWhen(supplyF <= returnF, 'supply-not-heated', supplyF, returnF));
}
