import { POINTS } from '../equipment/component.ts';
import type { SystemDetail } from '../http/systems.ts';
import { companionsOf, countingReadings, threadKey } from '../judgment/assess-system.ts';
import type { SystemEvent } from '../judgment/events.ts';
import { interpretedVisit, type InterpretedSystem } from '../judgment/interpreted.ts';
import { inlineThread, NO_THREAD, type InlineThreadData } from '../judgment/inline-thread.ts';
import { judge, type Verdict } from '../judgment/judge.ts';
import { threadState } from '../judgment/thread-state.ts';
import type { Day } from '../quantity/day.ts';
import { checkEntry, type EntryCheck, type Meant } from '../readings/check-entry.ts';
import { placeAt } from '../readings/registry.ts';
import type { Conditions } from '../readings/contract/conditions.ts';
import type { About, Inputs } from '../readings/contract/entry.ts';
import { dated, isNumeric, type DatedReading, type JudgedReading } from '../readings/contract/reading.ts';
import type { PlannedReading } from '../round/plan-round.ts';
import type { FleetPrior } from '../series/drift-prior.ts';
import type { PressureTables } from '../trade/refrigerant/pressure-table.ts';
import type { Policy } from '../verdict/policy.ts';
import { readTexts, requiredInputs, textOfInput, type Typed } from './field-entry.ts';
import { followUpOf, owedAt } from './put-off-before.ts';
import { judgedWith, readWith, type AtHand } from './read-with.ts';
import type { Repair } from './repairs.ts';
import type { RoundComponent, RoundReading } from './round-parts.ts';
import { placeKey, type RoundRecord } from './round-record.ts';
import type { FieldPlace, FieldTold, RoundField } from './round-view.ts';
import { runningIn } from './visit-conditions.ts';

/** What the fields of a visit are worked out from. */
export interface Scene {
  readonly system: SystemDetail;
  readonly record: RoundRecord;
  readonly policy: Policy;
  readonly prior: FleetPrior | undefined;
  readonly events: readonly SystemEvent[];
  readonly components: readonly RoundComponent[];
  readonly repairs: readonly Repair[];
  /** The readings that stand, by thread, each in the order they were taken. */
  readonly threads: ReadonlyMap<string, readonly RoundReading[]>;
  /** All of them. */
  readonly standing: readonly RoundReading[];
  /** The system as its readings are interpreted. */
  readonly judged: InterpretedSystem;
  readonly atHand: AtHand;
  readonly conditions: Conditions;
  readonly tables: PressureTables;
  readonly today: Day;
  readonly nextRound: Day;
}

type Running = ReturnType<typeof runningIn>;
type Planned = PlannedReading<RoundComponent>;
type Accepted = Exclude<EntryCheck, { outcome: 'refused' }>;

const threadOf = (scene: Scene, { component, kind, point }: Pick<Planned, 'component' | 'kind' | 'point'>) =>
  scene.threads.get(threadKey({ componentId: component.id, kind: kind.id, point })) ?? [];

/** The numbers of one part's kind on this visit, at all its points. */
function companionsAt(scene: Scene, { component, kind }: Planned) {
  const own = POINTS.flatMap((point) => threadOf(scene, { component, kind, point }));
  return companionsOf(own, { visitId: scene.record.visitId, componentId: component.id, kind: kind.id });
}

const contextOf = ({ system, nextRound, prior, events }: Scene, { component }: Planned) => ({
  systemKind: system.kind,
  plate: system.plate,
  component,
  nextRound,
  prior,
  events,
});

/** What was typed, as it would be judged if it were taken now. */
const typedReading = (
  scene: Scene,
  { kind, point, method }: Planned,
  { value, findings }: Accepted,
  conditions: Conditions,
  inputs: Inputs,
): JudgedReading => ({
  id: 'typed',
  kind: kind.id,
  point,
  method: method.id,
  value,
  findings,
  day: scene.today,
  conditions,
  inputs,
  instrument: judgedWith(method, scene.atHand, readWith(method, scene.atHand, scene.record)),
});

/** What a typed reading says beside what was taken on the visit. */
function interpretTyped(scene: Scene, { component, kind, point }: Planned, typed: JudgedReading) {
  const { visitId } = scene.record;
  const beside = scene.standing
    .filter((r) => r.visitId === visitId)
    .filter(
      (r) => !(r.componentId === component.id && r.kind === kind.id && r.point === point && r.method === typed.method),
    );
  const last = beside.reduce((latest, r) => (r.takenAt > latest ? r.takenAt : latest), '');
  const reading = { ...typed, visitId, componentId: component.id, takenAt: `${last}~`, supersedes: null };
  return interpretedVisit(scene.judged, [...beside, reading], typed.id).get(typed.id);
}

function verdictFor(
  scene: Scene,
  planned: Planned,
  reading: JudgedReading,
  earlier: readonly DatedReading<RoundReading>[],
): Verdict {
  const companions = companionsAt(scene, planned);
  return judge(reading, { ...contextOf(scene, planned), earlier: earlier.filter(isNumeric), companions }, scene.policy);
}

function drawThread(scene: Scene, planned: Planned, readings: readonly JudgedReading[]): InlineThreadData {
  const state = threadState(readings, contextOf(scene, planned), scene.policy);
  return state ? inlineThread(state) : NO_THREAD;
}

/** What is typed in a field and not taken yet. */
function typedState(
  typed: Typed,
  check: EntryCheck | null,
  isDraft: boolean,
  isOverTaken: boolean,
  required: number,
): RoundField['typed'] {
  const isWorkedOut = required === 0;
  if (!isDraft) return 'nothing';
  // A value worked out from readings that are not there yet is merely not there yet.
  if (isWorkedOut && check?.outcome === 'refused') return 'nothing';
  if (typed.refusal || check?.outcome === 'refused') return 'refused';
  // What was taken and then erased is about to be typed anew.
  if (typed.missing === required && !isWorkedOut) return isOverTaken ? 'unfinished' : 'nothing';
  if (!check) return 'unfinished';
  return check.outcome === 'questioned' ? 'questioned' : 'ready';
}

function perhapsOf(check: EntryCheck | null): Meant | null {
  if (check?.outcome !== 'questioned') return null;
  for (const q of check.questions) if (q.code === 'far-from-plausible') return q.numbers.perhaps;
  return null;
}

const NOTHING_TOLD: FieldTold = { refusal: null, questions: [], notTaken: null };

function toldAt(scene: Scene, key: string, typed: Typed, check: EntryCheck | null, isDraft: boolean): FieldTold {
  if (typed.refusal) return { ...NOTHING_TOLD, refusal: typed.refusal.because };
  if (check?.outcome === 'refused') return { ...NOTHING_TOLD, refusal: check.because };
  if (check?.outcome === 'questioned' && isDraft) return { ...NOTHING_TOLD, questions: check.questions };
  const last = scene.record.readings.findLast((r) => placeKey(r.reading) === key);
  if (!last?.refused || typed.missing === 0) return NOTHING_TOLD;
  const entered = last.value === null ? last.findings.join(', ') : String(last.value);
  return { ...NOTHING_TOLD, notTaken: { entered, why: last.refused } };
}

/** Makes a value the first time it is asked for. */
export function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

/** Whether anything stands in a field that is not taken yet. */
const hasText = (draft: Readonly<Record<string, string>> | undefined): boolean =>
  draft !== undefined && Object.values(draft).some((text) => text.trim() !== '');

function aboutOf(scene: Scene, { component, point }: Planned, running: Running, isSettled: boolean): About {
  const { system, tables } = scene;
  const conditions: Conditions = {
    ...scene.conditions,
    ...running,
    ...(isSettled && { asMeant: true }),
  };
  return { systemKind: system.kind, plate: system.plate, component, point, conditions, tables };
}

/** What a field's entry comes to. */
function entryAt(scene: Scene, planned: Planned, about: About, key: string, taken: RoundReading | null) {
  const { kind, method } = planned;
  const draft = scene.record.drafts[key];
  const texts = Object.fromEntries(method.inputs.map(({ id }) => [id, draft?.[id] ?? textOfInput(taken?.inputs[id])]));
  const typed = readTexts(planned, texts);
  const complete = !typed.refusal && typed.missing === 0;
  const check = complete ? checkEntry(kind, method, typed.inputs, about) : null;
  // What is worked out has no draft: it stands there by itself until it is taken.
  const isDraft = taken ? draft !== undefined : hasText(draft) || method.inputs.length === 0;
  return {
    texts,
    typed,
    check,
    isDraft,
    state: typedState(typed, check, isDraft, taken !== null, requiredInputs(planned)),
  };
}

/** A reading's field as it stands: what is typed or taken in it, its verdict and its thread. */
export function fieldOf(scene: Scene, planned: Planned, running: Running, anew = false): RoundField {
  const { component, kind, point, method } = planned;
  const place = { componentId: component.id, kind: kind.id, point, method: method.id };
  const key = placeKey(place);
  const thread = threadOf(scene, planned);
  const last = thread.findLast((r) => r.visitId === scene.record.visitId && r.method === method.id) ?? null;
  const taken = anew ? null : last;
  const isSettled = taken?.conditions?.asMeant === true;
  const about = aboutOf(scene, planned, running, isSettled);
  const { texts, typed, check, isDraft, state } = entryAt(scene, planned, about, key, taken);
  const earlier = countingReadings(thread, scene.components, { events: scene.events, zone: scene.system.zone })
    .filter((r) => r !== taken)
    .map((r) => dated(r, scene.system.zone));
  const followUp = followUpOf(scene.record, key);
  const again = (taken && scene.repairs.findLast((r) => r.at > taken.takenAt && r.moves(kind.id, point))) ?? null;
  const isEmpty = state === 'nothing' && !taken;
  const entered = isEmpty || !check || check.outcome === 'refused' ? null : check;
  const conditions = about.conditions ?? {};
  const typedNow = entered && typedReading(scene, planned, entered, conditions, typed.inputs);
  // What was overruled is the reading that was taken, not what is typed over it.
  const reading = typedNow && { ...typedNow, ruling: isDraft ? null : taken?.ruling };
  const inState = once(() => (reading ? { ...reading, read: interpretTyped(scene, planned, reading) } : null));
  const verdict = once(() => {
    const told = inState();
    return told ? verdictFor(scene, planned, told, earlier) : null;
  });
  // What is still in question would squash the thread it is to be compared with.
  const isShown = typeof reading?.value === 'number' && !(isDraft && check?.outcome === 'questioned');
  const inline = once(() => {
    const told = isShown ? inState() : null;
    return kind.type === 'finding' ? NO_THREAD : drawThread(scene, planned, told ? [...earlier, told] : earlier);
  });
  return {
    key,
    planned,
    about,
    conditions,
    readWith: readWith(method, scene.atHand, scene.record),
    texts,
    typed: state,
    state: taken && !(again && kind.owedAgain) ? 'taken' : followUp ? 'put-off' : 'open',
    usual: isEmpty || (again && state === 'nothing') ? (method.usual?.(about) ?? null) : null,
    followUp,
    owed: owedAt(scene.system, place),
    told: toldAt(scene, key, typed, isEmpty ? null : check, isDraft),
    badInput: typed.refusal?.input ?? (check?.outcome === 'refused' ? check.input : null),
    perhaps: isDraft ? perhapsOf(check) : null,
    // Worked out when it is looked at: only the fields of one stop are on the screen, and every keystroke makes a view.
    get verdict() {
      return verdict();
    },
    get thread() {
      return inline();
    },
    before: earlier.filter(isNumeric).reverse(),
    entry: entered ? { inputs: entered.inputs, check: entered } : null,
    taken,
    again,
  };
}

/** The field of a reading that no stop plans, or of one that a stop does. */
export function fieldAtPlace(scene: Scene, at: FieldPlace, now: number, anew: boolean): RoundField | null {
  const component = scene.components.find(({ slot }) => slot === at.slot);
  const place = component && placeAt(component, scene.system.kind, scene.system.plate, at);
  return place
    ? fieldOf(scene, { ...place, component }, runningIn(scene.record, scene.standing, 'cooling', now), anew)
    : null;
}
