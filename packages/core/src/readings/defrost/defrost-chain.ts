import { betweenPlaces, type Finding } from '../../verdict/findings.ts';
import { CHAIN_PLACES, controlChain, type ChainFinding, type ChainPlace } from '../../trade/controls/control-chain.ts';
import type { About, Evaluated, Inputs, InputSpec } from '../contract/entry.ts';
import type { FindingKind } from '../contract/kind.ts';
import { found, stuck } from '../contract/window.ts';

const PLACES = Object.keys(CHAIN_PLACES) as ChainPlace[];
/** The coil's own temperature: whether an open thermostat is right depends on it. */
const COIL = 'coilF';

function codeOf(finding: ChainFinding): Finding {
  if (finding.found === 'lost') return betweenPlaces('lost', finding.after, finding.before);
  return finding.found === 'contradiction' ? betweenPlaces('again', finding.missing, finding.there) : finding.found;
}

const numberIn = (inputs: Inputs, id: string): number | undefined => {
  const read = inputs[id];
  return typeof read === 'number' ? read : undefined;
};

function evaluate(inputs: Inputs, { plate, conditions = {} }: About): Evaluated {
  const measured = PLACES.flatMap((at) => {
    const read = numberIn(inputs, at);
    return read === undefined ? [] : [[at, read] as const];
  });
  if (inputs['r-to-c'] === undefined) return stuck('r-to-c', 'nothing-measured');
  const { findings, complete } = controlChain({
    volts: Object.fromEntries(measured),
    switches: plate.pressureSwitches,
    coilF: numberIn(inputs, COIL),
    outdoorF: conditions.outdoorF,
  });
  const codes = findings.map(codeOf);
  if (!codes.some((code) => code !== 'thermostat-open-warm'))
    codes.unshift(complete ? 'chain-complete' : 'chain-so-far-good');
  return found(codes);
}

const labelOf = (at: ChainPlace): string => {
  const name = CHAIN_PLACES[at].replace(/^the /, '');
  return `${name.charAt(0).toUpperCase()}${name.slice(1)}${at === 'r-to-c' ? '' : ' to C'}`;
};

/** An outdoor unit's control circuit, V to common at its places with the call held: the fault lies where they are lost. */
export const defrostChain: FindingKind = {
  type: 'finding',
  id: 'defrost-chain',
  title: 'Control chain at the board',
  component: 'defrost-board',
  plateLine: ({ plate }) =>
    plate.pressureSwitches === undefined
      ? 'meter on volts, one lead on C, the call held'
      : `switches: ${plate.pressureSwitches.replace('-only', ' only').replace('-', ', then ')}; one lead on C, the call held`,
  methods: [
    {
      id: 'volts',
      title: 'from R to the contactor coil',
      stops: ['defrost'],
      order: 20,
      // For when the forced test or the call shows a fault.
      optional: 'on-fault',
      points: () => ['whole'],
      inputs: [
        ...PLACES.map((at): InputSpec => ({
          id: at,
          type: 'number',
          label: labelOf(at),
          unit: 'V',
          overLimit: false,
          probe: 'volts',
          ...(at === 'r-to-c' ? {} : { optional: true }),
        })),
        {
          id: COIL,
          type: 'number',
          label: 'Coil at its thermostat',
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
