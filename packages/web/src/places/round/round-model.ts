import {
  checkEntry,
  companionsOf,
  countingReadings,
  inlineThread,
  judge,
  judgedReading,
  nextRoundAfter,
  OUTDOOR_MOST_F,
  parseMeasure,
  planRound,
  sayReason,
  sayRefusal,
  standingReadings,
  threadReadingsOf,
  threadState,
  type About,
  type Conditions,
  type Day,
  type EntryCheck,
  type InlineThreadData,
  type Inputs,
  type PlannedReading,
  type Policy,
  type Stop,
  type SystemDetail,
  type Verdict,
} from '@yarnix/core';
import { placeKey, type RoundRecord } from '../../field/round-record.ts';
import { readTexts, textOf, type Typed } from './field-entry.ts';
import { allReadings, livingParts, type RoundComponent, type RoundReading } from './round-parts.ts';

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
  /** The firm's, by which everything here is judged. */
  readonly policy: Policy;
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
      ...(outdoor?.outcome === 'number' && outdoor.value <= OUTDOOR_MOST_F ? { outdoorF: outdoor.value } : {}),
      ...(typeof volts === 'number' ? { lineVolts: volts } : {}),
    },
    problem:
      outdoor?.outcome === 'refused'
        ? sayRefusal(outdoor.because)
        : outdoor?.outcome === 'number' && outdoor.value > OUTDOOR_MOST_F
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
  return { stops, conditions, outdoorProblem: problem, components, readings, nextRound, policy };
}
