import type { Finding } from '../../verdict/findings.ts';
import type { SeveralSpec } from '../contract/entry.ts';
import type { FindingKind } from '../contract/kind.ts';
import { choices, found, severalIn } from '../contract/window.ts';

/** What is to be seen once a machine that was off has power again, and what it means where it is not. */
const EVENTS = {
  'calls-run': { label: 'Each call, once: runs what it should', missing: 'restart-call-fails' },
  'amps-as-before': { label: 'Amps as before', missing: 'restart-amps-differ' },
  'air-changes': { label: 'Line or supply air changes', missing: 'restart-no-change' },
  'still-off': { label: 'No call: all still', missing: 'restart-runs-on' },
} as const satisfies Record<string, { label: string; missing: Finding }>;
const ALL = Object.keys(EVENTS) as (keyof typeof EVENTS)[];

const seen: SeveralSpec = {
  id: 'seen',
  type: 'several',
  label: 'Seen after the restart',
  none: { value: 'none-of-it', label: 'None of it' },
  options: choices(Object.fromEntries(ALL.map((id) => [id, EVENTS[id].label]))),
};

/** After any work with the power off: every call once, amps, what the line does, and nothing with no call. */
export const restartCheck: FindingKind = {
  type: 'finding',
  id: 'restart-check',
  title: 'Restart',
  component: 'thermostat',
  owedAgain: true,
  plateLine: () => 'every call once, each waited out',
  movedBy: ['delays that hold a blower or a compressor for a while'],
  methods: [
    {
      id: 'restarted',
      title: 'power on, make each call once, end with none',
      stops: ['restart'],
      order: 10,
      points: () => ['whole'],
      usual: () => ({ seen: ALL }),
      inputs: [seen],
      evaluate: (inputs) => {
        const came = severalIn(inputs, seen);
        const missing = ALL.filter((id) => !came.includes(id)).map((id): Finding => EVENTS[id].missing);
        return found(missing.length > 0 ? missing : 'restarts-well');
      },
    },
  ],
};
