import { CHAIN_POINTS, defrostChain, type ChainPoint } from '../trade/defrost/defrost-chain.ts';
import type { Evaluated, Inputs, InputSpec, ReadingKind } from './kind.ts';
import { found, judgeFindings, noBasis, stuck, unworn } from './window.ts';

const NAMES: Readonly<Record<ChainPoint, string>> = {
  'r-to-c': 'R to C',
  'y-in': 'Y in to C',
  'run-time-sense': 'Run-time sense to C',
  'sensor-feed': 'Sensor feed to C',
  'sensor-return': 'Sensor return to C',
  'y-out': 'Y out to C',
  'after-high-switch': 'After the high switch',
  'after-low-switch': 'After the low switch',
  'contactor-coil': 'Contactor coil',
};

function evaluate(inputs: Inputs): Evaluated {
  const volts: Partial<Record<ChainPoint, number>> = {};
  for (const at of CHAIN_POINTS) {
    const read = inputs[at];
    if (typeof read === 'number') volts[at] = read;
  }
  if (volts['r-to-c'] === undefined) return stuck('r-to-c', 'nothing-measured');
  const chain = defrostChain(volts);
  if (chain.outcome === 'fault') return found(chain.fault);
  return found(chain.outcome === 'complete' ? 'chain-complete' : 'chain-so-far-good');
}

/** The board's control circuit, V to common, place after place: the first where they are missing is the fault. */
export const defrostChainVolts: ReadingKind = {
  id: 'defrost-chain',
  title: 'Control chain at the board',
  component: 'defrost-board',
  unit: 'V',
  decimals: 0,
  plateLine: () => 'meter on volts, one lead on C, heating, coil cold',
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
      inputs: CHAIN_POINTS.map((at): InputSpec => ({
        id: at,
        type: 'number',
        label: NAMES[at],
        unit: 'V',
        overLimit: false,
        probe: 'volts',
        ...(at === 'r-to-c' ? {} : { optional: true }),
      })),
      evaluate,
      error: () => 0,
    },
  ],
  limits: () => noBasis('no-limit'),
  plausible: () => null,
  judgeFinding: judgeFindings,
};
