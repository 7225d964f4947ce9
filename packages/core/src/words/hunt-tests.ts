import { POINT_NAMES, SLOT_NAMES, type Point } from '../equipment/component.ts';
import type { Observation } from '../diagnosis/chances.ts';
import type { Offered } from '../diagnosis/report.ts';
import type { Answer, Test } from '../diagnosis/test-shape.ts';
import { methodOf, readingKind } from '../readings/registry.ts';
import { DISCHARGE, LIVE_WORK, LOCK_OUT, type Caution } from '../round/cautions.ts';
import type { Call } from '../trade/controls/call-table.ts';
import { capital } from './letters.ts';

const CALL_WORDS: Readonly<Record<Call, string>> = {
  off: 'power on, no call',
  fan: 'fan called',
  cooling: 'cooling called',
  heating: 'heat called',
  'second-stage-heat': 'second-stage heat called',
  'emergency-heat': 'emergency heat called',
  defrost: 'heat called, defrost forced',
};
const CALL_TITLES: Readonly<Record<Call, string>> = {
  off: 'Thermostat off: what runs?',
  fan: 'Call for the fan: what runs?',
  cooling: 'Call for cooling: what runs?',
  heating: 'Call for heat: what runs?',
  'second-stage-heat': 'Call for second-stage heat: what runs?',
  'emergency-heat': 'Call for emergency heat: what runs?',
  defrost: 'Force a defrost: what runs?',
};

const QUANTITY: Readonly<Record<string, string>> = { volts: 'Volts', ohms: 'Ohms', amps: 'Amps' };

/** Points whose name tells more than the part's own. */
const TELLING: ReadonlySet<string> = new Set(['herm', 'fan', 'common', 'run']);

/** What is to be done for a test, large: "Volts, R to C indoors". */
export function testTitle({ measure, reading }: Test): string {
  if (measure.what === 'runs') return CALL_TITLES[measure.call];
  const point = POINT_NAMES[reading.point as Point];
  const quantity = QUANTITY[measure.what];
  if (quantity) return `${quantity}: ${point}`;
  if (measure.what === 'fuse') return `New fuse, ${point}: does it hold?`;
  if (reading.kind.startsWith('hunt-')) return capital(point);
  const title = readingKind(reading.kind)?.title ?? reading.kind;
  const part = SLOT_NAMES[reading.slot].toLowerCase();
  const said = [
    title,
    ...(TELLING.has(reading.point) ? [point] : []),
    ...(title.toLowerCase().includes(part) ? [] : [part]),
  ];
  return said.join(', ');
}

/** The state a test is taken in: "power off, proved dead, wires lifted", "cooling called". */
export function testState({ measure, call, power, reading, settled }: Test): string {
  if (measure.what === 'ohms' || measure.what === 'microfarads' || measure.what === 'spin')
    return measure.what === 'spin'
      ? 'Power off, locked out'
      : 'Power off, locked out, proved dead; wires lifted, capacitors bled';
  if (measure.what === 'runs') return 'Make this call alone, wait three minutes';
  if (measure.what === 'amps' && measure.after !== undefined)
    return measure.cooled
      ? 'Power off until its shell is cool to the hand, an hour or so; then cooling called, the most in two seconds'
      : 'Cooling called, the most in the first two seconds';
  const kind = readingKind(reading.kind);
  const method = kind && methodOf(kind, reading.method);
  const how = reading.kind === 'hunt-look' && method ? method.title : '';
  const held = call === null ? '' : CALL_WORDS[call];
  const state = [how, held, settled ? 'settled' : ''].filter(Boolean).join(', ');
  return capital(state || (power === 'off' ? 'power off' : 'as it stands'));
}

const SPOT_WORDS = { thermostat: 'at the thermostat', indoors: 'indoors', outdoors: 'outdoors' } as const;
/** What a test costs: "3 minutes outdoors, power off". */
export function testCost({ test, minutes }: Pick<Offered, 'test' | 'minutes'>): string {
  const power = test.power === 'off' ? ', power off' : test.power === 'live' ? ', live' : '';
  const whole = Math.max(1, Math.round(minutes));
  return `${whole} minute${whole === 1 ? '' : 's'} ${SPOT_WORDS[test.spot]}${power}`;
}

const ANSWERS: Readonly<Record<string, string>> = {
  dead: 'None',
  low: 'Low',
  fed: 'There',
  part: 'Part of it',
  none: 'None',
  drop: 'A drop',
  open: 'Open (OL)',
  shorted: 'Far too low',
  sound: 'As it should be',
  high: 'Too high',
  jumps: 'Jumps',
  touching: 'They touch',
  leaks: 'Leaks',
  clear: 'Clear (OL)',
  little: 'Too little',
  usual: 'As usual',
  much: 'Too much',
  stalled: 'Stalled',
  weak: 'Weak',
  small: 'Small',
  large: 'Large',
  right: 'Right',
  warm: 'Warm',
  cold: 'Cold',
  'as-room': 'As the room',
  off: 'Off',
  good: 'Good',
  free: 'Turns freely',
  drags: 'Drags',
  bands: 'Bands of frost',
  'base-ice': 'Ice at the base',
  held: 'It holds',
  blew: 'It blows',
  clean: 'Clean',
  dirty: 'Dirty',
  idle: 'Cannot be read: nothing runs',
};
const RUNNERS: Readonly<Record<string, string>> = {
  compressor: 'compressor',
  'outdoor-fan': 'outdoor fan',
  blower: 'blower',
  strips: 'electric heat',
  'gas-burner': 'burner',
};

/** A figure as it is said beside its unit. */
export const figure = (value: number): string => (Math.abs(value) >= 20 ? value.toFixed(0) : value.toFixed(1));
const UNITS: Readonly<Record<string, string>> = { volts: 'V', ohms: 'Ω', amps: 'A', microfarads: 'µF' };

/** The span of an answer in figures: "5 to 20 V"; empty where words are its own. */
function spanWords(answer: Answer, { measure }: Test): string {
  if ('says' in answer) return '';
  const unit =
    UNITS[measure.what] ??
    (measure.what === 'air'
      ? ['static-pressure', 'gas-inlet'].includes(measure.quantity)
        ? 'in wc'
        : measure.quantity === 'flame-signal'
          ? 'µA'
          : '°F'
      : '');
  if (measure.what === 'air' && ['compressor-share', 'standing-pressure', 'heating-rise'].includes(measure.quantity))
    return '';
  if (answer.from === -Infinity) return `under ${figure(answer.below)} ${unit}`;
  if (answer.below === Infinity) return answer.from >= 1e5 ? '' : `${figure(answer.from)} ${unit} or more`;
  return answer.below >= 1e5
    ? `over ${figure(answer.from)} ${unit}`
    : `${figure(answer.from)} to ${figure(answer.below)} ${unit}`;
}

/** What an answer is called, with its figures: "Low, 5 to 20 V". */
export function answerName(answer: Answer, test: Test): string {
  if (test.measure.what === 'runs') {
    const seen = answer.id.split(' ').map((r) => RUNNERS[r] ?? r);
    if (answer.id === 'nothing') return 'Nothing runs';
    return capital(seen.length === 1 ? `only the ${seen[0] ?? ''}` : seen.join(', '));
  }
  const span = spanWords(answer, test);
  const name = ANSWERS[answer.id] ?? answer.id;
  return span ? `${name}, ${span}` : name;
}

/** An answer as it was given: "26.4 V", "OL", "It blew", what ran. */
export function answeredWords({ reading }: Observation, test: Test): string {
  if (typeof reading === 'string') {
    const answer = test.answers?.find((a) => ('says' in a ? a.says : a.id) === reading);
    return answerName(answer ?? { id: reading, says: reading }, test);
  }
  if (Number.isNaN(reading)) return 'Nothing ran to read it of';
  if (reading === Infinity) return 'OL';
  return `${Number(reading.toPrecision(4))} ${UNITS[test.measure.what] ?? '°F'}`;
}

const ROTATING: Caution = {
  id: 'rotating',
  title: 'It may start',
  text: 'Fans and wheels start by themselves. Call off and power off before hands go near.',
};
const HOT_ELEMENTS: Caution = {
  id: 'elements',
  title: 'Heat without air',
  text: 'See the blower run before heat is held on; else stop at once.',
};
const BUS: Caution = {
  id: 'bus',
  title: 'Charged bus',
  text: 'Some 320 V of direct current stay for minutes. Wait ten, read under 10 V before anything is touched.',
};
const GROUND_FIRST: Caution = {
  id: 'ground-first',
  title: 'Terminals',
  text: 'A terminal can blow out of a compressor. Test to ground before a breaker is reset; never with the cover off and power on.',
};

const LOCKED_OUT: Caution = {
  id: 'locked-out',
  title: 'It may be locked out',
  text: 'After three tries a furnace waits an hour or more, whatever is called. Read its code first: cutting the power clears both. Then half a minute off, on again, and measure within the try.',
};
/** What of a furnace is read within a try to light. */
const WITHIN_A_TRY: ReadonlySet<string> = new Set([
  'r-a',
  'a-b',
  'p-c',
  'ind-n',
  'hsi-n',
  'mv-c',
  'heat-n',
  'flame-signal',
  'gas-inlet',
]);

/** The cautions of a test, where hands go in. */
export function testCautions({ power, measure, reading, call }: Test): Caution[] {
  const own: Caution[] = [];
  if (reading.point.startsWith('dl-')) own.push(BUS);
  if (reading.point.startsWith('kc') || reading.point === 't2-s') own.push(GROUND_FIRST);
  if (measure.what === 'spin') own.push(ROTATING);
  if (call === 'heating' && WITHIN_A_TRY.has(reading.point)) own.push(LOCKED_OUT);
  if (call === 'emergency-heat' || call === 'second-stage-heat' || call === 'heating') own.push(HOT_ELEMENTS);
  if (power === 'off') return [LOCK_OUT, DISCHARGE, ...own];
  return power === 'live' ? [LIVE_WORK, ...own] : own;
}
