import { SLOT_NAMES } from '../equipment/component.ts';
import { controlFuseOf, type Plate } from '../equipment/plate.ts';
import type { FaultId } from '../circuit/faults.ts';
import type { CauseId } from '../diagnosis/causes.ts';
import { NO_FAULT, type Complaint } from '../diagnosis/complaint-shares.ts';
import type { HuntReport, Meant, Offered, Suspect } from '../diagnosis/report.ts';
import type { Test } from '../diagnosis/test-shape.ts';
import { CONTROL_VOLTS, shortIn } from '../fieldwork/call-end.ts';
import type { Answered } from '../fieldwork/hunt-of-round.ts';
import type { Leaning } from '../fieldwork/leanings.ts';
import type { Unjudged } from '../fieldwork/unjudged.ts';
import type { Lack, NewCall, Outcome } from '../http/calls.ts';
import { FAULT_NAMES } from './fault-names.ts';
import { answeredWords, figure, testCost, testTitle } from './hunt-tests.ts';
import { lowered } from './letters.ts';

/** What an owner says, as a technician would note it. */
export const COMPLAINT_NAMES: Readonly<Record<Complaint, string>> = {
  'nothing-runs': 'Nothing runs',
  'outdoor-unit-dead': 'Blower only, nothing outdoors',
  'outdoor-fan-only': 'Outdoor fan runs, compressor does not',
  'compressor-without-fan': 'Compressor runs, outdoor fan does not',
  'cools-weakly': 'Runs, but cools badly',
  'ice-indoors': 'Ice on the indoor coil or line',
  'no-air': 'No air from the registers',
  'air-with-heat-only': 'Air only when it heats',
  'never-stops': 'Blower never stops',
  'heat-weak': 'Auxiliary or electric heat weak',
  'heats-weakly': 'Heat pump runs, but heats badly',
  'breaker-trips': 'Trips a breaker',
  'runs-unasked': 'Runs without being asked',
  'ice-outdoors': 'Outdoor unit iced over',
  'odd-defrost': 'No defrost, or an odd one',
  'heats-for-cooling': 'Heats instead of cooling',
  'no-flame': 'Furnace does not light',
  'flame-lost': 'Furnace lights, then drops out',
  'ductless-dead': 'Ductless unit dead or blinking',
};

/** Since when, as the owner says. */
export const SINCE_NAMES = {
  today: 'since today',
  days: 'for some days',
  weeks: 'for weeks',
  always: 'always so',
  unknown: 'nobody knows',
} as const;

export const OUTCOME_NAMES: Readonly<Record<Outcome['is'], string>> = {
  proved: 'Cause proved',
  repaired: 'Repaired and proved',
  'for-now': 'Repaired for now',
  proposed: 'Repair proposed',
  declined: 'Declined by the owner',
  'nothing-found': 'Nothing found',
  'none-of-these': 'None of the known causes',
  unsafe: 'Unsafe, switched off',
};

/** What a cause is called: one fault, two, a wire of no list, none at all. */
export function causeName(id: CauseId): string {
  if (id === NO_FAULT) return 'No fault: a timer, or a bad moment';
  if (id === 'unlisted') return 'Something on no list';
  if (id.startsWith('open:')) return 'A wire or joint on no list';
  const [one, other] = id.split('+') as [FaultId, FaultId?];
  return other ? `${FAULT_NAMES[one]}, and ${lowered(FAULT_NAMES[other])}` : FAULT_NAMES[one];
}

/** Faults as they stand within a sentence: "contactor coil open, Y touches G in the cable". */
export const faultsInWords = (faults: readonly FaultId[]): string =>
  faults.map((f) => lowered(FAULT_NAMES[f])).join(', ');

const percent = (chance: number): string =>
  chance >= 0.995 ? 'over 99' : chance < 0.01 ? 'under 1' : String(Math.round(100 * chance));
/** A chance as a technician says it: "61 in 100". */
export const chanceWords = (chance: number): string => `${percent(chance)} in 100`;

const listed = (names: readonly string[]): string =>
  names.length <= 1 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;

/** What an answer would mean, in a sentence. */
export function meaningOf({ leaves, rulesOut }: Meant): string {
  const [first] = leaves;
  if (!first) return 'leaves all as it is.';
  if (first.chance >= 0.9) return `leaves one cause: ${lowered(causeName(first.id))}.`;
  if (rulesOut.length > 0)
    return `clears ${listed(rulesOut.slice(0, 3).map((id) => lowered(causeName(id))))}${rulesOut.length > 3 ? ` and ${rulesOut.length - 3} more` : ''}.`;
  return `leaves ${lowered(causeName(first.id))} ahead, ${chanceWords(first.chance)}.`;
}

/** Two sentences on why a test is first: what it tells for its trouble, and whether another would be safer. */
export function whyFirst([first, second]: readonly Offered[]): string {
  if (!first) return '';
  const halves =
    first.tells >= 0.9
      ? 'It halves what is left, or better'
      : first.tells >= 0.4
        ? 'It tells a good deal of what is left'
        : 'It tells a little, for little trouble';
  const live =
    first.test.power === 'live'
      ? 'No test with the power off tells as much.'
      : 'Nothing has to be worked on live for it.';
  const next = second ? ` Next best: ${lowered(testTitle(second.test)).replace(/\?$/, '')}.` : '';
  return `${halves}: ${testCost(first)}. ${live}${next}`;
}

/** What of a call its headline goes by: whether something was made new on it, and whether the fault shows at times only. */
export type Going = Pick<NewCall, 'repaired' | 'atTimes'>;
const STEADY: Going = { repaired: [], atTimes: false };

/** How a hunt stands, as its headline: "3 causes left", "Proved: …". */
export function standingWords({ standing, suspects }: HuntReport, { repaired, atTimes }: Going = STEADY): string {
  const alive = suspects.filter(({ cutBy }) => cutBy === null).length;
  switch (standing.is) {
    case 'proved':
      return `Proved: ${listed(standing.faults.map((f) => lowered(FAULT_NAMES[f])))}`;
    case 'nothing-found':
      if (repaired.length > 0) return atTimes ? 'Repaired: nothing else shows' : 'Repair proved: nothing else is wrong';
      return atTimes ? 'It does not show now' : 'Nothing found';
    case 'none-of-these':
      return 'None of the known causes';
    case 'undecided':
      return `${standing.left.length} causes left that no test here tells apart`;
    case 'open':
      return alive === 1 ? 'One cause left, to be proved' : `${alive} causes left`;
  }
}

/** What is likeliest of a fault that does not show now, by the complaint and by what was measured. */
const likeliest = (suspects: readonly Suspect[]): string =>
  listed(
    suspects
      .filter(({ faults }) => faults.length > 0)
      .slice(0, 3)
      .map(({ id }) => lowered(causeName(id))),
  );

/** What follows from how a hunt stands. */
export function standingAdvice({ standing, suspects }: HuntReport, { repaired, atTimes }: Going = STEADY): string {
  switch (standing.is) {
    case 'proved':
      if (standing.faults.includes('compressor-overload-open'))
        return 'An overload opens because the compressor got too hot. Leave the power off until the shell is cool to the hand, an hour or so; if it is still open then, the compressor is done. If it shuts, look on for what heats it: capacitor, outdoor fan, outdoor coil, charge, volts at its start.';
      return 'A measurement bears it out against every other cause still alive. Repair it, then prove the repair: the readings of that part again, and the call of the complaint last.';
    case 'nothing-found':
      if (repaired.length > 0)
        return 'With the part made new, everything that was measured is as it should be. Close the loose ends, make the call of the complaint once more, and watch it run.';
      if (atTimes)
        return `What was measured was as it should be while it was measured, which clears no part for good. Likeliest still: ${likeliest(suspects)}. Flex wires and joints, tap relays, let it run warm, and read there again; else come back while it shows.`;
      return 'Everything that was measured is as it should be. Say what was measured, and when to call again; a fault that comes and goes has to be caught while it is there.';
    case 'none-of-these':
      return standing.near
        ? 'What was measured fits no listed fault; it fits a wire or joint between two measured places that carries nothing. Follow it by hand, end to end.'
        : 'What was measured fits none of the listed faults. Look at wiring that is not as noted, at joints, and at what was done last; note what you find.';
    case 'undecided':
      return 'No test known here tells what is left apart. Measure again what you would not swear to, or fit the cheaper part and prove it: nothing else can decide.';
    case 'open':
      return '';
  }
}

/** What the app asks for before an outcome is kept. */
export const LACK_WORDS: Readonly<Record<Lack, string>> = {
  'by-when': 'Say by when the rest must follow.',
  why: 'Say what must follow, what is unsafe, or why it was declined.',
};

/** What was answered on a call, and to what machine's tests. */
export interface Told {
  readonly answers: readonly Answered[];
  readonly tests: ReadonlyMap<string, Test>;
}

/** What a short that was read takes of the control fuse: "24 V over 1.8 Ω is 13 A; a 5 A fuse blows."; empty where there is none. */
export function shortWords({ answers, tests }: Told, plate: Plate): string {
  const short = shortIn(answers, tests);
  if (!short) return '';
  const fuseAmps = controlFuseOf(plate);
  const fate = short.amps > fuseAmps ? 'blows' : 'holds for a while';
  return `${CONTROL_VOLTS} V over ${figure(short.ohms)} Ω is ${figure(short.amps)} A; a ${fuseAmps} A fuse ${fate}.`;
}

/** What a call is about: "Blower never stops, Outdoor unit iced over". */
export const complaintWords = ({ complaints }: Pick<NewCall, 'complaints'>): string =>
  complaints.map((c) => COMPLAINT_NAMES[c]).join(', ');

/** A knot of the rope: what was asked, and what was answered. */
export interface Knot {
  readonly title: string;
  readonly answer: string;
}

/** The knots of a hunt: the complaint, then every answer. */
export const knotsOf = (call: Pick<NewCall, 'complaints'>, { answers, tests }: Told): Knot[] => [
  { title: 'Complaint', answer: complaintWords(call) },
  ...answers.map((answered): Knot => {
    const test = tests.get(answered.test);
    return test
      ? { title: testTitle(test), answer: answeredWords(answered, test) }
      : { title: answered.test, answer: '' };
  }),
];

/** Why an answer does not count: "38 °F outdoors: too cold to judge it by, which takes 60 °F". */
export function unjudgedWords(why: Unjudged): string {
  if (why.because === 'off-timer')
    return 'its off-timer may have held the compressor: taken too early, and asked for again';
  const { outdoorF, limitF } = why;
  return why.because === 'too-cold'
    ? `at ${outdoorF} °F outdoors it tells nothing: it takes ${limitF} °F or more`
    : `at ${outdoorF} °F outdoors it tells nothing: it takes ${limitF} °F or less`;
}

/** What cut a strand: "Ohms: R to G in the cable: OL". */
export function cutWords({ cutBy }: Pick<Suspect, 'cutBy'>, knots: readonly Knot[]): string {
  const knot = knots[(cutBy ?? 0) + 1];
  return knot ? `${knot.title.replace(/: what runs\?$/, '')}: ${knot.answer}` : 'by the complaint';
}

/** The suspects in a sentence, for those who do not see the rope. */
export function ropeWords(suspects: readonly Suspect[]): string {
  const alive = suspects.filter(({ cutBy }) => cutBy === null);
  const said = alive.map(({ id, chance }) => `${causeName(id)} ${chanceWords(chance)}`).join('; ');
  return `Suspects: ${said}. ${suspects.length - alive.length} ruled out.`;
}

/** The path of a hunt as a short account, for the record and for the customer. */
export function accountOf(call: NewCall, told: Told, report: HuntReport): string {
  const [complaint, ...knots] = knotsOf(call, told);
  const path = knots.map(({ title, answer }) => `${title}: ${answer}`).join('; ');
  return `${complaint?.answer ?? ''}. ${path ? `${path}. ` : ''}${standingWords(report, call)}.`;
}

/** What this machine's own threads say beforehand; empty where they say nothing. */
export function leaningWords(leanings: readonly Leaning[]): string {
  const each = leanings.map(
    ({ fault, slot }) => `${SLOT_NAMES[slot].toLowerCase()} was not sound, so “${faultsInWords([fault])}” is likelier`,
  );
  return each.length === 0 ? '' : `From its own threads: ${each.join('; ')}.`;
}

/** What a call was about and how it ended, in a line. */
export function callWords(call: Pick<NewCall, 'kind' | 'complaints' | 'outcome'>): string {
  const { outcome } = call;
  const end = outcome ? ` ${outcomeWords(outcome)}.` : '';
  const rest = outcome?.byWhen ? ` The rest by ${outcome.byWhen}.` : '';
  return `${call.kind === 'return' ? 'Call-back' : 'Call'}: ${complaintWords(call)}.${end}${rest}`;
}

/** How a call ended, with its cause: "Repaired for now: contactor coil open". */
export const outcomeWords = ({ is, faults }: Pick<Outcome, 'is' | 'faults'>): string =>
  faults.length > 0 ? `${OUTCOME_NAMES[is]}: ${faultsInWords(faults)}` : OUTCOME_NAMES[is];
