import { betweenPlaces } from '../judgement/findings.ts';
import { CHAIN_PLACES, controlChain, type ChainFinding, type ChainPlace } from '../trade/controls/control-chain.ts';
import type { About, Evaluated, Inputs, InputSpec, ReadingKind } from './kind.ts';
import { found, judgeFindings, noBasis, stuck, unworn } from './window.ts';

const PLACES = Object.keys(CHAIN_PLACES) as ChainPlace[];
/** The coil's own temperature: whether an open thermostat is right depends on it. */
const COIL = 'coilF';

function textOf(finding: ChainFinding): string {
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
  const texts = findings.map((finding): string => textOf(finding));
  if (!texts.some((text) => text !== 'thermostat-open-warm'))
    texts.unshift(complete ? 'chain-complete' : 'chain-so-far-good');
  return found(texts.join(','));
}

const labelOf = (at: ChainPlace): string => {
  const name = CHAIN_PLACES[at].replace(/^the /, '');
  return `${name.charAt(0).toUpperCase()}${name.slice(1)}${at === 'r-to-c' ? '' : ' to C'}`;
};

/** An outdoor unit's control circuit, V to common at its places with the call held: the fault lies where they are lost. */
export const defrostChainVolts: ReadingKind = {
  id: 'defrost-chain',
  title: 'Control chain at the board',
  component: 'defrost-board',
  unit: 'V',
  decimals: 0,
  plateLine: ({ plate }) =>
    plate.pressureSwitches === undefined
      ? 'meter on volts, one lead on C, the call held'
      : `switches: ${plate.pressureSwitches.replace('-only', ' only').replace('-', ', then ')}; one lead on C, the call held`,
  ...unworn,
  movedBy: [],
  plateDecides: () => true,
  methods: [
    {
      id: 'volts',
      title: 'from R to the contactor coil',
      stops: ['defrost'],
      order: 20,
      // For when the forced test or the call shows a fault.
      optional: true,
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
      error: () => 0,
    },
  ],
  limits: () => noBasis('no-limit'),
  plausible: () => null,
  judgeFinding: judgeFindings,
};
