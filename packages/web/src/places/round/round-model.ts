import {
  checkEntry,
  companionsOf,
  countingReadings,
  inlineThread,
  judge,
  judgedReading,
  nextRoundAfter,
  planRound,
  sayReason,
  sayRefusal,
  seasonOf,
  byThread,
  POINTS,
  threadKey,
  threadReadingsOf,
  dayOf,
  threadState,
  type About,
  type Conditions,
  type Day,
  type EntryCheck,
  type FleetPrior,
  type InlineThreadData,
  type Inputs,
  type PlannedReading,
  type Policy,
  type PressureTables,
  type Season,
  type SystemDetail,
  type SystemEvent,
  type Verdict,
} from '@yarnix/core';
import { eventsOf } from '../../thread/events-of.ts';
import { placeKey, type RoundRecord } from '../../field/round-record.ts';
import { readTexts, requiredInputs, textOf, type Typed } from './field-entry.ts';
import { allReadings, livingParts, type RoundComponent, type RoundReading } from './round-parts.ts';
import type { RoundField, RoundView } from './round-view.ts';
import { followUpOf, owedAt } from './put-off-before.ts';
import { runningMinutes, visitConditions } from './visit-conditions.ts';

interface Scene {
  readonly system: SystemDetail;
  readonly record: RoundRecord;
  readonly policy: Policy;
  readonly prior: FleetPrior | undefined;
  readonly events: readonly SystemEvent[];
  readonly components: readonly RoundComponent[];
  readonly readings: readonly RoundReading[];
  /** The readings that stand, by thread, each in the order they were taken. */
  readonly threads: ReadonlyMap<string, readonly RoundReading[]>;
  readonly conditions: Conditions;
  readonly tables: PressureTables;
  readonly today: Day;
  readonly nextRound: Day;
}

const threadOf = (scene: Scene, { component, kind, point }: PlannedReading<RoundComponent>): readonly RoundReading[] =>
  scene.threads.get(threadKey({ componentId: component.id, kind: kind.id, point })) ?? [];

/** The numbers of one part's kind on this visit, at all its points. */
function companionsAt(scene: Scene, { component, kind }: PlannedReading<RoundComponent>) {
  const own = POINTS.flatMap((point) => threadOf(scene, { component, kind, point } as PlannedReading<RoundComponent>));
  return companionsOf(own, { visitId: scene.record.visitId, componentId: component.id, kind: kind.id });
}

function verdictFor(
  scene: Scene,
  planned: PlannedReading<RoundComponent>,
  check: Exclude<EntryCheck, { outcome: 'refused' }>,
  earlier: readonly RoundReading[],
  conditions: Conditions,
  inputs: Inputs,
): Verdict {
  return judge(
    {
      kind: planned.kind.id,
      point: planned.point,
      method: planned.method.id,
      value: check.value,
      finding: check.finding,
      day: scene.today,
      conditions,
      inputs,
    },
    {
      systemKind: scene.system.kind,
      plate: scene.system.plate,
      component: planned.component,
      earlier: threadReadingsOf(earlier.map(judgedReading)),
      nextRound: scene.nextRound,
      companions: companionsAt(scene, planned),
      prior: scene.prior,
      events: scene.events,
    },
    scene.policy,
  );
}

function drawThread(
  scene: Scene,
  planned: PlannedReading<RoundComponent>,
  earlier: readonly RoundReading[],
  check: Exclude<EntryCheck, { outcome: 'refused' }> | null,
): InlineThreadData {
  const now =
    check && check.value !== null
      ? [
          {
            kind: planned.kind.id,
            point: planned.point,
            method: planned.method.id,
            value: check.value,
            finding: check.finding,
            day: scene.today,
          },
        ]
      : [];
  const judged = [...earlier.map(judgedReading), ...now];
  const context = {
    systemKind: scene.system.kind,
    plate: scene.system.plate,
    component: planned.component,
    nextRound: scene.nextRound,
    prior: scene.prior,
    events: scene.events,
  };
  const state = threadState(judged, context, scene.policy);
  return state ? inlineThread(judged, state) : { points: [], limit: null, baseline: null, ahead: null };
}

function statusOf(
  typed: Typed,
  check: EntryCheck | null,
  isTyped: boolean,
  isTaken: boolean,
  required: number,
): RoundField['status'] {
  // A value worked out from readings that are not there yet is merely not there yet.
  const isWorkedOut = required === 0;
  if (isTaken && !isTyped) return 'taken';
  if (isWorkedOut && check?.outcome === 'refused') return 'empty';
  if (typed.refusal || check?.outcome === 'refused') return 'refused';
  if (typed.missing === required && !isWorkedOut) return 'empty';
  if (!check) return 'unfinished';
  return check.outcome === 'questioned' ? 'questioned' : 'ready';
}

function perhapsOf(check: EntryCheck | null): number | null {
  if (check?.outcome !== 'questioned') return null;
  for (const q of check.questions) if (q.code === 'far-from-plausible') return q.numbers.perhaps;
  return null;
}

function sentencesOf(scene: Scene, key: string, typed: Typed, check: EntryCheck | null, isDraft: boolean): string[] {
  if (typed.refusal) return [typed.refusal.sentence];
  if (check?.outcome === 'refused') return [sayRefusal(check.because)];
  if (check?.outcome === 'questioned' && isDraft) return check.questions.map(sayReason);
  const refused = scene.record.readings.findLast((r) => placeKey(r.reading) === key);
  return refused?.refused && typed.missing > 0
    ? [`The office did not take ${textOf(refused.value ?? refused.finding ?? '')}: ${refused.refused}`]
    : [];
}

const NO_THREAD: InlineThreadData = { points: [], limit: null, baseline: null, ahead: null };

/** Makes a value the first time it is asked for. */
function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

/** Whether anything stands in a field that is not taken yet. */
const hasText = (draft: Readonly<Record<string, string>> | undefined): boolean =>
  draft !== undefined && Object.values(draft).some((text) => text.trim() !== '');

function fieldOf(scene: Scene, planned: PlannedReading<RoundComponent>, runningMin: number | null): RoundField {
  const { component, kind, point, method } = planned;
  const place = { componentId: component.id, kind: kind.id, point, method: method.id };
  const key = placeKey(place);
  const thread = threadOf(scene, planned);
  const taken = thread.findLast((r) => r.visitId === scene.record.visitId && r.method === method.id) ?? null;
  const draft = scene.record.drafts[key];
  const texts = Object.fromEntries(method.inputs.map(({ id }) => [id, draft?.[id] ?? textOf(taken?.inputs[id])]));
  const typed = readTexts(planned, texts);
  const conditions = runningMin === null ? scene.conditions : { ...scene.conditions, runningMin };
  const about: About = {
    systemKind: scene.system.kind,
    plate: scene.system.plate,
    component,
    point,
    conditions,
    tables: scene.tables,
  };
  const complete = !typed.refusal && typed.missing === 0;
  const check = complete ? checkEntry(kind, method, typed.inputs, about) : null;
  const accepted = check && check.outcome !== 'refused' ? check : null;
  const earlier = countingReadings(thread, scene.components).filter((r) => r !== taken);
  const isFindingOnly = method.inputs.length > 0 && method.inputs.every((i) => i.type !== 'number');
  const isDraft = taken ? draft !== undefined : hasText(draft) || method.inputs.length === 0;
  const status = statusOf(typed, check, isDraft, taken !== null, requiredInputs(planned));
  const followUp = followUpOf(scene.record, key);
  const entered = status === 'empty' ? null : accepted;
  const verdict = once(() => (entered ? verdictFor(scene, planned, entered, earlier, conditions, typed.inputs) : null));
  // What is still in question would squash the thread it is to be compared with.
  const shown = isDraft && check?.outcome === 'questioned' ? null : entered;
  const inline = once(() => (isFindingOnly ? NO_THREAD : drawThread(scene, planned, earlier, shown)));
  return {
    key,
    planned,
    about,
    conditions,
    texts,
    status: status === 'empty' && followUp ? 'put-off' : status,
    usual: status === 'empty' ? (method.usual?.(about) ?? null) : null,
    followUp,
    owed: owedAt(scene.system, place),
    sentences:
      status === 'empty' ? sentencesOf(scene, key, typed, null, false) : sentencesOf(scene, key, typed, check, isDraft),
    badInput: typed.refusal?.input ?? (check?.outcome === 'refused' ? check.input : null),
    perhaps: isDraft ? perhapsOf(check) : null,
    // Worked out when it is looked at: only the fields of one stop are on the screen, and every keystroke makes a view.
    get verdict() {
      return verdict();
    },
    get thread() {
      return inline();
    },
    before: isFindingOnly ? [] : threadReadingsOf(earlier.map(judgedReading)).reverse(),
    entry: entered ? { inputs: typed.inputs, check: entered } : null,
    taken,
  };
}

/** The season a round is worked for: as chosen at its start, else by its date. */
export const seasonOfRound = (record: RoundRecord): Season => record.season ?? seasonOf(dayOf(record.startedAt));

/** The whole round as it stands at a moment (ms), worked out from the system, this device's record and the firm's policy. */
export function roundView(
  system: SystemDetail,
  record: RoundRecord,
  policy: Policy,
  now: number,
  tables: PressureTables = {},
  prior?: FleetPrior,
): RoundView {
  const noted = record.events.filter((e) => !e.event.withdrawn && !system.events.some((known) => known.id === e.id));
  const taken = new Set(record.events.filter((e) => e.event.withdrawn).map((e) => e.id));
  const events = [
    ...eventsOf({ events: system.events.filter((e) => !taken.has(e.id)) }),
    ...noted.map(({ event }) => ({ kind: event.kind, day: dayOf(event.on) })),
  ];
  const components = livingParts(system, record);
  const readings = allReadings(system, record);
  const { conditions, problem } = visitConditions(record, readings, now, system.plate.altitudeFt);
  const today = dayOf(new Date(now).toISOString());
  const nextRound = nextRoundAfter(today, policy);
  const season = seasonOfRound(record);
  const threads = byThread(readings);
  const scene: Scene = {
    system,
    record,
    policy,
    prior,
    events,
    components,
    readings,
    threads,
    conditions,
    tables,
    today,
    nextRound,
  };
  const plan = planRound({ systemKind: system.kind, plate: system.plate, components, season });
  const stops = plan.map((stop) => {
    const runningMin = runningMinutes(record, stop.mode, now);
    return { ...stop, runningMin, fields: stop.readings.map((planned) => fieldOf(scene, planned, runningMin)) };
  });
  return {
    stops,
    conditions,
    outdoorProblem: problem,
    components,
    readings,
    nextRound,
    policy,
    prior,
    events,
    season,
    tables,
  };
}
