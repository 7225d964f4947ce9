import type { MachineState } from '../circuit/state.ts';
import type { Call } from '../trade/controls/call-table.ts';
import type { StateWord } from '../verdict/interpretation.ts';
import type { MayBe } from './possible-states.ts';

/** What a state must have to be named, and how many are. */
const NAMED = 0.03;
const MOST_NAMED = 2;

const STAGES: readonly Call[] = ['heating', 'second-stage-heat'];
const HELD = { timed: 'timer', lingers: 'letting-go', 'blows-on': 'blower-delay' } as const;

/** What one state is called, as against the one that was meant. */
function wordOf({ state, isMeant }: MayBe, meant: readonly MachineState[]): StateWord {
  if (isMeant) return 'meant';
  if (state.wires) return state.wires === 'on' ? 'wires-on' : 'still-called';
  if (state.powered !== 'all') return 'power-off';
  if (state.held) return HELD[state.held];
  if (meant.some(({ call }) => call === state.call)) return state.after <= 1 ? 'starting' : 'just-begun';
  if (meant.some(({ call }) => STAGES.includes(call)) && STAGES.includes(state.call)) return 'other-stage';
  return state.call === 'off' ? 'no-call' : state.call === 'defrost' ? 'defrosting' : 'other-call';
}

/** States by their words, the likeliest first, those that were meant left out. */
export function wordsOf(states: readonly MayBe[], chances: readonly number[]): StateWord[] {
  const meant = states.filter(({ isMeant }) => isMeant).map(({ state }) => state);
  const by = new Map<StateWord, number>();
  states.forEach((may, s) => {
    const word = wordOf(may, meant);
    by.set(word, (by.get(word) ?? 0) + chances[s]!);
  });
  by.delete('meant');
  return [...by]
    .filter(([, chance]) => chance >= NAMED)
    .sort((a, b) => b[1] - a[1])
    .map(([word]) => word)
    .slice(0, MOST_NAMED);
}
