import { isLead, LEAD_NAMES } from '../equipment/lead-points.ts';
import { own } from '../quantity/own.ts';
import type { StateWord } from '../verdict/interpretation.ts';
import type { Because, ReasonNumbers } from '../verdict/reasons.ts';
import { FAULT_NAMES } from './fault-names.ts';
import { sayQuantity } from './figures.ts';
import { capital, lowered } from './letters.ts';
import type { Said } from './said.ts';

type InState = ReasonNumbers['in-state'];

interface StateWords {
  /** What the machine may have been doing instead. */
  readonly may: string;
  /** What settles it. */
  readonly then: string;
}

const AGAIN = 'then read it again';
const STATES: Readonly<Record<StateWord, StateWords>> = {
  meant: { may: 'it may run as called', then: `Check the call, ${AGAIN}.` },
  'no-call': { may: 'there may be no call', then: `Make the call, ${AGAIN}.` },
  'other-call': { may: 'another call may be on', then: `End the other call, ${AGAIN}.` },
  timer: { may: 'the off-timer may hold it', then: `Wait five minutes, ${AGAIN}.` },
  'just-begun': { may: 'it may not have come on yet', then: `Wait two minutes, ${AGAIN}.` },
  starting: { may: 'it may just have been starting', then: `Wait three seconds, ${AGAIN}.` },
  defrosting: { may: 'it may be in defrost', then: `Wait until the defrost ends, ${AGAIN}.` },
  'letting-go': { may: 'the sequencer may not have let go yet', then: `Wait two minutes, ${AGAIN}.` },
  'blower-delay': { may: 'its delay may hold the blower on', then: `Wait three minutes, ${AGAIN}.` },
  'other-stage': { may: 'another stage may be on', then: `Wait until the stage is steady, ${AGAIN}.` },
  'power-off': { may: 'the power may be off', then: `Check the power, ${AGAIN}.` },
  'wires-on': { may: 'a wire may still be on', then: `Lift its wires, ${AGAIN}.` },
  'still-called': { may: 'a call may still be on', then: `Set the thermostat to off, ${AGAIN}.` },
  'not-settled': { may: 'it has not run long enough', then: `Let it run ten minutes, ${AGAIN}.` },
  'at-rest': { may: 'it is not pumping', then: `Start it, let it run ten minutes, ${AGAIN}.` },
  'too-cold': { may: 'it is too cold outdoors', then: 'Check the charge above 55 °F, or weigh it in.' },
  iced: { may: 'the indoor coil is iced', then: `Thaw it, check the airflow, ${AGAIN}.` },
  'other-refrigerant': { may: 'it holds another refrigerant', then: `Correct the plate record, ${AGAIN}.` },
};

const faultName = (cause: string): string => {
  const name = own(FAULT_NAMES as Readonly<Record<string, string>>, cause);
  return name ? lowered(name) : 'a broken wire or a loose joint';
};
const either = (names: readonly string[]): string => [...new Set(names)].join(', or ');

/** What settles a state, of a figure that is read or of something that is looked at. */
const thenOf = ({ unit }: InState, state: StateWord): string =>
  unit === null ? STATES[state].then.replace(AGAIN, 'then check again') : STATES[state].then;

const READ = { volts: 'volts', amps: 'amps', ohms: 'ohms, power off' } as const;

/** States that end by themselves while one looks on: sooner than a meter is out. */
const LOOKED_ON: readonly StateWord[] = ['just-begun', 'blower-delay', 'other-stage', 'defrosting'];
const NO_AIR = ' Heat without air by then: switch it off.';

/** Where the meter goes next. */
const measureNext = ({ next }: InState): string =>
  next && isLead(next.lead) ? ` Next: ${READ[next.what]}, ${lowered(LEAD_NAMES[next.lead])}.` : '';

/** The one thing to do next. */
function nextOf(n: InState): string {
  const { states } = n;
  const [state] = n.unit === null ? states : [];
  if (state && LOOKED_ON.includes(state)) return ` ${thenOf(n, state)}${state === 'just-begun' ? NO_AIR : ''}`;
  return measureNext(n) || (states[0] ? ` ${thenOf(n, states[0])}` : '');
}

/** What is said of a reading that does not count as it is: what it is not, why, and the one thing to do. */
export function inState(n: InState): Said {
  const figure = n.value !== null && n.unit !== null ? sayQuantity(n.value, n.unit) : 'this';
  const [state] = n.states;
  switch (n.says) {
    case 'counts':
      return `${capital(figure)} counts.`;
    case 'other-state':
      return [`Can’t judge ${figure} now`, state ? `: ${STATES[state].may}. ${thenOf(n, state)}` : '.'];
    case 'tells-nothing': {
      const why = either([...n.states.map((one) => STATES[one].may), ...n.causes.map(faultName)]);
      return [`Can’t judge ${figure} by itself`, `${why === '' ? '' : `: ${why}`}.${nextOf(n)}`];
    }
    case 'doubtful':
      return [`${capital(figure)} can hardly be right`, ': check leads and meter setting, then read it again.'];
    case 'faulty':
      return [
        'Something is wrong',
        `${n.causes.length > 0 ? ': ' : ''}${either(n.causes.map(faultName))}.${measureNext(n)}`,
      ];
    case 'elsewhere':
      return [
        'The cause is elsewhere',
        `${n.causes.length > 0 ? ': ' : ''}${either(n.causes.map(faultName))}.${measureNext(n)}`,
      ];
    case 'condemned':
      return [
        capital(n.causes[0] ? faultName(n.causes[0]) : 'this part has failed'),
        `: nothing else explains ${figure}.`,
      ];
  }
}

/** What somebody at the machine can say at once of a state that it may be in instead. */
const SEEN: Readonly<Partial<Record<StateWord, string>>> = {
  'wires-on': 'Wires are off, and no call',
  'still-called': 'Wires are off, and no call',
  'letting-go': 'No call for two minutes',
  'other-call': 'No other call is on',
  'no-call': 'It is called, with power on',
  timer: 'Called five minutes ago, power on',
  'blower-delay': 'No call for three minutes',
  'other-stage': 'The thermostat shows this stage',
  'just-begun': 'It has been on for two minutes',
  starting: 'It has run for a while',
  defrosting: 'It is not in defrost',
  'power-off': 'It is called, with power on',
};

/** The one tap that settles what a reading could not be judged for; null where none does. */
export function settlingTap(because: Because): string | null {
  if (because.code !== 'in-state') return null;
  const { says, states } = because.numbers;
  if (says !== 'other-state' && says !== 'tells-nothing') return null;
  return (states[0] && SEEN[states[0]]) ?? null;
}
