import type { Finding } from '../../verdict/findings.ts';
import type { About, Evaluated, Inputs, NumberSpec } from '../contract/entry.ts';
import type { FindingKind } from '../contract/kind.ts';
import { found, stuck } from '../contract/window.ts';

/** A coil thermostat closes between these as its coil cools, and opens between those as it warms, °F. Common practice, no source. */
const CLOSES = { low: 20, high: 38 };
const OPENS = { low: 48, high: 82 };
/** How far from the printed termination it may open, °F. Common practice, no source. */
const OPENS_WITHIN_F = 8;

const degrees = (id: string, label: string): NumberSpec => ({
  id,
  type: 'number',
  label,
  unit: '°F',
  overLimit: false,
  signed: true,
  optional: true,
  probe: 'pipe-clamp',
});

function closing(fahrenheit: number): Finding[] {
  if (fahrenheit < CLOSES.low) return ['thermostat-closes-late'];
  return fahrenheit > CLOSES.high ? ['thermostat-closes-early'] : [];
}

function opening(fahrenheit: number, printed: number | undefined): Finding[] {
  const [low, high] =
    printed === undefined ? [OPENS.low, OPENS.high] : [printed - OPENS_WITHIN_F, printed + OPENS_WITHIN_F];
  if (fahrenheit < low) return ['thermostat-opens-early'];
  return fahrenheit > high ? ['thermostat-opens-late'] : [];
}

function evaluate({ closedF, openedF }: Inputs, { plate }: About): Evaluated {
  const [closed, opened] = [closedF, openedF].map((f) => (typeof f === 'number' ? f : undefined));
  if (closed === undefined && opened === undefined) return stuck('closedF', 'nothing-measured');
  const wrong = [
    ...(closed === undefined ? [] : closing(closed)),
    ...(opened === undefined ? [] : opening(opened, plate.defrostTerminationF)),
  ];
  return found(wrong.length > 0 ? wrong : 'thermostat-switches-well');
}

/** At which coil temperatures the thermostat of a time-and-temperature board was seen to close and to open. */
export const coilThermostatTemperatures: FindingKind = {
  type: 'finding',
  id: 'coil-thermostat-temperatures',
  title: 'Coil thermostat, where it switches',
  component: 'defrost-board',
  plateLine: ({ plate }) =>
    `closes near freezing, opens ${plate.defrostTerminationF === undefined ? 'between 50 and 80 °F' : `about ${plate.defrostTerminationF} °F`}`,
  movedBy: ['how well it lies against the line'],
  methods: [
    {
      id: 'watched',
      title: 'volts across it while the coil cools and warms',
      stops: ['defrost'],
      order: 97,
      optional: 'on-fault',
      points: ({ plate }) => (plate.defrostControl === 'demand' ? [] : ['whole']),
      inputs: [degrees('closedF', 'Closed at'), degrees('openedF', 'Opened at')],
      evaluate,
    },
  ],
};
