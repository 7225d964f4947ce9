import type { Job, Week } from '@yarnix/core';
import { v4 } from 'uuid';
import { PERSON } from './office.tsx';

/** A part past its limit, as something to do, unless said otherwise. */
export const jobView = (over: Partial<Job> = {}): Job => ({
  key: `part:${v4()}`,
  source: 'part',
  systemId: v4(),
  address: '3 Bobbin Hill',
  area: 'Quayside',
  customerName: 'Quorumber',
  systemKind: 'split-heat-pump',
  does: 'replace',
  slot: 'run-capacitor',
  part: '40+5 µF 440 V',
  standing: 'act',
  chance: 1,
  reading: { kind: 'run-capacitor-capacitance', point: 'herm' },
  because: null,
  putOff: null,
  faults: [],
  round: null,
  text: '',
  byWhen: '2026-12-08',
  before: 'soon',
  minutes: 40,
  decision: 'proposed',
  note: '',
  day: null,
  person: null,
  window: null,
  decided: null,
  version: 0,
  ...over,
});

/** Jobs as the office tells of them, counted by decision. */
export const jobsPage = (jobs: readonly Job[]) => ({
  jobs,
  counts: { proposed: 0, accepted: 0, declined: 0, done: 0, ...countsOf(jobs) },
  areas: [...new Set(jobs.flatMap(({ area }) => area ?? []))],
  people: [{ id: PERSON.id, name: PERSON.name }],
});

function countsOf(jobs: readonly Job[]): Partial<Record<Job['decision'], number>> {
  const counts: Partial<Record<Job['decision'], number>> = {};
  for (const { decision } of jobs) counts[decision] = (counts[decision] ?? 0) + 1;
  return counts;
}

/** A week with nobody out, unless said otherwise. */
export const weekView = (days: readonly string[], over: Partial<Week> = {}): Week => ({
  days: [...days],
  people: [{ id: PERSON.id, name: PERSON.name }],
  frame: { begins: 480, ends: 1020, breakMinutes: 30, start: null },
  stops: [],
  ...over,
});
