import {
  checkEntry,
  companionsOf,
  countingReadings,
  dayOf,
  inlineThread,
  judge,
  judgedReading,
  nextRoundAfter,
  parseMeasure,
  planRound,
  sayReason,
  sayRefusal,
  SLOT_KINDS,
  standingReadings,
  threadReadingsOf,
  threadState,
  type About,
  type Component,
  type Conditions,
  type Day,
  type EntryCheck,
  type InlineThreadData,
  type Inputs,
  type KeptReading,
  type PlannedReading,
  type Policy,
  type Stop,
  type SystemDetail,
  type Verdict,
} from '@yarnix/core';
import { placeKey, type RoundRecord } from '../../field/round-record.ts';

export type RoundComponent = Component & { readonly id: string; readonly isNew: boolean };
export type RoundReading = KeptReading & { readonly inputs: Inputs };

/** One field of a round as it stands: what was typed, what it comes to, and how it is judged. */
export interface RoundField {
  readonly key: string;
  readonly planned: PlannedReading<RoundComponent>;
  readonly about: About;
  /** Text in each input, typed or taken. */
  readonly texts: Readonly<Record<string, string>>;
  readonly status: 'empty' | 'unfinished' | 'refused' | 'questioned' | 'ready' | 'taken';
  /** Sentences at the field: why it is refused, or what is asked. */
  readonly sentences: readonly string[];
  /** The input the sentence belongs to, when it belongs to one. */
  readonly badInput: string | null;
  /** A plausible value for a slipped decimal point, ready to be put in. */
  readonly perhaps: number | null;
  readonly verdict: Verdict | null;
  readonly thread: InlineThreadData;
  /** Earlier numbers of the thread, latest first. */
  readonly before: readonly { readonly value: number; readonly day: Day; readonly method: string }[];
  readonly entry: { readonly inputs: Inputs; readonly check: Exclude<EntryCheck, { outcome: 'refused' }> } | null;
  /** The reading of this field taken on this visit, if any. */
  readonly taken: RoundReading | null;
}

export interface RoundStop extends Omit<Stop<RoundComponent>, 'readings'> {
  readonly fields: readonly RoundField[];
}

export interface RoundView {
  readonly stops: readonly RoundStop[];
  readonly conditions: Conditions;
  readonly outdoorProblem: string | null;
  readonly components: readonly RoundComponent[];
  /** Everything that counts: from the server and from this device. */
  readonly readings: readonly RoundReading[];
  readonly nextRound: Day;
}

/** The living parts: the server's, less those replaced on this device, and the new ones. */
export function livingParts(system: SystemDetail, record: RoundRecord): RoundComponent[] {
  const fitted = record.parts.filter((p) => p.refused === undefined);
  const gone = new Set(fitted.map((p) => p.fitted.replaces));
  const known = system.components.map((c) => ({
    ...c,
    fittedOn: c.fittedOn === null ? null : dayOf(c.fittedOn),
    isNew: false,
  }));
  const living = known.filter((c) => c.removedOn === null && !gone.has(c.id));
  const slots = new Map(known.map((c) => [c.id, c.slot]));
  const fresh = fitted
    .filter((p) => !gone.has(p.id) && !known.some((c) => c.id === p.id))
    .flatMap((p): RoundComponent[] => {
      const slot = slots.get(p.fitted.replaces) ?? slotOfLocal(record, slots, p.fitted.replaces);
      return slot
        ? [
            {
              id: p.id,
              slot,
              kind: SLOT_KINDS[slot],
              plate: p.fitted.plate,
              fittedOn: dayOf(p.fitted.fittedOn),
              isNew: true,
            },
          ]
        : [];
    });
  const ours = new Set(fitted.map((p) => p.id));
  return [...living.map((c) => ({ ...c, isNew: ours.has(c.id) })), ...fresh];
}

/** A part that replaced one which itself was fitted on this visit has that one's slot. */
function slotOfLocal(
  record: RoundRecord,
  slots: Map<string, Component['slot']>,
  id: string,
): Component['slot'] | undefined {
  const before = record.parts.find((p) => p.id === id)?.fitted.replaces;
  return before === undefined ? undefined : (slots.get(before) ?? slotOfLocal(record, slots, before));
}

/** The server's readings and this device's, each once. */
export function allReadings(system: SystemDetail, record: RoundRecord): RoundReading[] {
  const known = new Set(system.readings.map((r) => r.id));
  const local = record.readings
    .filter((r) => r.refused === undefined && !known.has(r.id))
    .map(({ id, reading, value, finding }) => ({
      ...reading,
      id,
      value,
      finding,
      supersedes: reading.supersedes ?? null,
    }));
  return [...system.readings, ...local];
}

const textOf = (entered: number | string | undefined): string => (entered === undefined ? '' : String(entered));

interface Typed {
  readonly inputs: Inputs;
  readonly missing: number;
  readonly refusal: { readonly input: string; readonly sentence: string } | null;
}

function readTexts(planned: PlannedReading, texts: Readonly<Record<string, string>>): Typed {
  const inputs: Record<string, number | string> = {};
  let missing = 0;
  for (const spec of planned.method.inputs) {
    const text = (texts[spec.id] ?? '').trim();
    if (text === '') missing += 1;
    else if (spec.type === 'choice') inputs[spec.id] = text;
    else {
      const measure = parseMeasure(text, spec.unit, spec.overLimit);
      if (measure.outcome === 'refused')
        return { inputs, missing, refusal: { input: spec.id, sentence: sayRefusal(measure.because) } };
      inputs[spec.id] = measure.outcome === 'over-limit' ? 'OL' : measure.value;
    }
  }
  return { inputs, missing, refusal: null };
}

interface Scene {
  readonly system: SystemDetail;
  readonly record: RoundRecord;
  readonly policy: Policy;
  readonly components: readonly RoundComponent[];
  readonly readings: readonly RoundReading[];
  readonly conditions: Conditions;
  readonly today: Day;
  readonly nextRound: Day;
}

const threadOf = (scene: Scene, planned: PlannedReading<RoundComponent>): RoundReading[] =>
  standingReadings(scene.readings).filter(
    (r) => r.componentId === planned.component.id && r.kind === planned.kind.id && r.point === planned.point,
  );

function verdictFor(
  scene: Scene,
  planned: PlannedReading<RoundComponent>,
  check: Exclude<EntryCheck, { outcome: 'refused' }>,
  earlier: readonly RoundReading[],
): Verdict {
  const place = { visitId: scene.record.visitId, componentId: planned.component.id, kind: planned.kind.id };
  return judge(
    {
      kind: planned.kind.id,
      point: planned.point,
      method: planned.method.id,
      value: check.value,
      finding: check.finding,
      day: scene.today,
    },
    {
      systemKind: scene.system.kind,
      plate: scene.system.plate,
      component: planned.component,
      earlier: threadReadingsOf(earlier.map(judgedReading)),
      nextRound: scene.nextRound,
      companions: companionsOf(scene.readings, place),
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
  };
  const state = threadState(judged, context, scene.policy);
  return state ? inlineThread(judged, state) : { points: [], limit: null, baseline: null, ahead: null };
}

function statusOf(typed: Typed, check: EntryCheck | null, isDraft: boolean, count: number): RoundField['status'] {
  if (typed.refusal || check?.outcome === 'refused') return 'refused';
  if (typed.missing === count) return 'empty';
  if (!check) return 'unfinished';
  if (!isDraft) return 'taken';
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

function fieldOf(scene: Scene, planned: PlannedReading<RoundComponent>): RoundField {
  const place = {
    componentId: planned.component.id,
    kind: planned.kind.id,
    point: planned.point,
    method: planned.method.id,
  };
  const key = placeKey(place);
  const thread = threadOf(scene, planned);
  const taken = thread.findLast((r) => r.visitId === scene.record.visitId && r.method === planned.method.id) ?? null;
  const draft = scene.record.drafts[key];
  const texts = Object.fromEntries(
    planned.method.inputs.map(({ id }) => [id, draft?.[id] ?? textOf(taken?.inputs[id])]),
  );
  const typed = readTexts(planned, texts);
  const about: About = {
    systemKind: scene.system.kind,
    plate: scene.system.plate,
    component: planned.component,
    point: planned.point,
  };
  const complete = !typed.refusal && typed.missing === 0;
  const check = complete ? checkEntry(planned.kind, planned.method, typed.inputs, about, scene.conditions) : null;
  const accepted = check && check.outcome !== 'refused' ? check : null;
  const earlier = countingReadings(thread, scene.components).filter((r) => r !== taken);
  const isFindingOnly = planned.method.inputs.every((i) => i.type === 'choice');
  return {
    key,
    planned,
    about,
    texts,
    status: statusOf(typed, check, draft !== undefined, planned.method.inputs.length),
    sentences: sentencesOf(scene, key, typed, check, draft !== undefined),
    badInput: typed.refusal?.input ?? (check?.outcome === 'refused' ? check.input : null),
    perhaps: draft ? perhapsOf(check) : null,
    verdict: accepted ? verdictFor(scene, planned, accepted, earlier) : null,
    // What is still in question would squash the thread it is to be compared with.
    thread: isFindingOnly
      ? { points: [], limit: null, baseline: null, ahead: null }
      : drawThread(scene, planned, earlier, draft && check?.outcome === 'questioned' ? null : accepted),
    before: isFindingOnly ? [] : threadReadingsOf(earlier.map(judgedReading)).reverse(),
    entry: accepted ? { inputs: typed.inputs, check: accepted } : null,
    taken,
  };
}

/** Conditions of the visit: outdoor air as typed, line volts as taken at the first field of the round. */
function conditionsOf(
  record: RoundRecord,
  readings: readonly RoundReading[],
): { conditions: Conditions; problem: string | null } {
  const outdoor = record.outdoorText.trim() === '' ? null : parseMeasure(record.outdoorText, '°F');
  const volts = standingReadings(readings).findLast(
    (r) => r.visitId === record.visitId && r.kind === 'line-volts',
  )?.value;
  return {
    conditions: {
      ...(outdoor?.outcome === 'number' && outdoor.value <= 140 ? { outdoorF: outdoor.value } : {}),
      ...(typeof volts === 'number' ? { lineVolts: volts } : {}),
    },
    problem:
      outdoor?.outcome === 'refused'
        ? sayRefusal(outdoor.because)
        : outdoor?.outcome === 'number' && outdoor.value > 140
          ? `${outdoor.value} °F is above anything met outdoors.`
          : null,
  };
}

/** The whole round as it stands, worked out from the system, this device's record and the firm's policy. */
export function roundView(system: SystemDetail, record: RoundRecord, policy: Policy, today: Day): RoundView {
  const components = livingParts(system, record);
  const readings = allReadings(system, record);
  const { conditions, problem } = conditionsOf(record, readings);
  const nextRound = nextRoundAfter(today, policy);
  const scene: Scene = { system, record, policy, components, readings, conditions, today, nextRound };
  const stops = planRound(system.kind, components).map((stop) => ({
    ...stop,
    fields: stop.readings.map((planned) => fieldOf(scene, planned)),
  }));
  return { stops, conditions, outdoorProblem: problem, components, readings, nextRound };
}

/** Whether a component's rating can be replaced by rule: only capacitors have one so far. */
export const isReplaceable = (component: Component): boolean => component.kind === 'run-capacitor';
