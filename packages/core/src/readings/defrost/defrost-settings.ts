import type { Policy } from '../../verdict/policy.ts';
import type { Finding } from '../../verdict/findings.ts';
import type { About, Evaluated, Inputs } from '../contract/entry.ts';
import type { FindingKind } from '../contract/kind.ts';
import { found } from '../contract/window.ts';

const degrees = (n: number) => ({ value: String(n), label: `${n} °F` });

/** Between defrosts so long is common where winters are damp, min: shorter still where owners keep seeing ice. Common practice, no source. */
const DAMP_INTERVAL_MIN = 30;

function evaluate({ termination, interval }: Inputs, { plate, conditions = {} }: About): Evaluated {
  const { defrostTerminationF, defrostIntervalMin, defrostControl } = plate;
  const isOther =
    defrostTerminationF !== undefined && termination !== 'fixed' && Number(termination) !== defrostTerminationF;
  const isOtherInterval =
    interval === 'demand'
      ? defrostControl === 'time-temperature'
      : defrostControl === 'demand' || (defrostIntervalMin !== undefined && Number(interval) !== defrostIntervalMin);
  const flags: Finding[] = [];
  // At 50 bands of frost stay, whoever set it and whichever school the firm follows.
  if (termination === '50') flags.push('terminates-low');
  if (conditions.iceSeen && Number(interval) > DAMP_INTERVAL_MIN) flags.push('interval-long');
  if (isOther) flags.push('setting-differs');
  if (isOtherInterval) flags.push('interval-differs');
  return found(isOther || isOtherInterval ? flags : [...flags, 'setting-read']);
}

/**
 * One school moves a termination of 50 °F up, the other leaves it; and how long an interval is left depends on the climate.
 * Where nothing but the school speaks against the setting, it is no longer simply read.
 */
function bySchool(found: readonly string[], { interval }: Inputs, { defrost }: Policy): readonly string[] {
  const termination = found.flatMap((code): string[] => {
    if (code !== 'terminates-low') return [code];
    return defrost.school === 'factory' ? ['terminates-low-left'] : [code, `raise-to-${defrost.raiseToF}`];
  });
  if (found.includes('interval-long') || !(Number(interval) > defrost.longestIntervalMin)) return termination;
  return [...termination.filter((code) => code !== 'setting-read'), 'interval-over-school'];
}

/** The board's termination and interval jumpers. */
export const defrostSettings: FindingKind = {
  type: 'finding',
  id: 'defrost-settings',
  title: 'Defrost settings',
  component: 'defrost-board',
  plateLine: ({ plate }) =>
    plate.defrostTerminationF === undefined
      ? 'read the jumpers'
      : `last noted ${plate.defrostTerminationF} °F${plate.defrostIntervalMin === undefined ? '' : `, ${plate.defrostIntervalMin} min`}`,
  movedBy: ['whoever moved the jumper'],
  bySchool,
  tells: ({ inputs }, { terminationF: _before, ...conditions }) =>
    inputs.termination === 'fixed' ? conditions : { ...conditions, terminationF: Number(inputs.termination) },
  movable: [
    { input: 'termination', event: 'termination-moved' },
    { input: 'interval', event: 'interval-moved' },
  ],
  methods: [
    {
      id: 'jumpers',
      title: 'as the jumpers stand',
      stops: ['heating', 'off-outdoor'],
      order: 90,
      points: () => ['whole'],
      inputs: [
        {
          id: 'termination',
          type: 'choice',
          label: 'Ends at',
          options: [...[50, 60, 70, 80, 90, 100].map(degrees), { value: 'fixed', label: 'Fixed thermostat' }],
        },
        {
          id: 'interval',
          type: 'choice',
          label: 'Interval',
          options: [
            ...[30, 60, 90].map((n) => ({ value: String(n), label: `${n} min` })),
            { value: 'demand', label: 'On demand' },
          ],
        },
      ],
      evaluate,
    },
  ],
};
