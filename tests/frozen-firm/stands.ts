import {
  learnPrior,
  nextRoundAfter,
  POLICIES,
  sayReason,
  systemThreads,
  threadsOfSystem,
  type JudgedSystem,
  type KeptReading,
} from '@yarnix/core';
import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { standingsOf } from '../../packages/server/src/features/parts/standings.ts';

export interface FrozenSystem {
  readonly system: JudgedSystem;
  readonly readings: readonly KeptReading[];
}
export interface FrozenFirm {
  readonly asOf: number;
  readonly systems: readonly FrozenSystem[];
}

export const readJson = (name: string): unknown =>
  JSON.parse(gunzipSync(readFileSync(new URL(`./${name}.json.gz`, import.meta.url))).toString('utf8'));

/** As many figures as any screen or order rests on; the last binary digits are nobody's concern. */
const figure = (value: number): number => Number(value.toPrecision(9));

/** How every part and every thread of a firm stands, with the words that are said of it, by the id of each. */
export function standsOf({ asOf, systems }: FrozenFirm): Record<string, unknown> {
  const policy = POLICIES.printed;
  const prior = learnPrior(systems.flatMap(({ system, readings }) => threadsOfSystem(system, readings)));
  const parts = systems.flatMap(({ system, readings }) => [
    ...standingsOf({ ...system, parts: system.components }, readings, asOf, { policy, prior }).standings,
  ]);
  const threads = systems.flatMap(({ system, readings }) =>
    systemThreads(system, readings, nextRoundAfter(asOf, policy), policy, prior),
  );
  return {
    parts: Object.fromEntries(
      parts.map(([id, { standing, urgency, chance, lead }]) => [
        id,
        [standing, figure(urgency), figure(chance), lead && `${lead.kind}/${lead.point}: ${sayReason(lead.because)}`],
      ]),
    ),
    threads: Object.fromEntries(
      threads.map(({ key, state }) => [key, [state.standing, ...state.reasons.map((r) => sayReason(r.because))]]),
    ),
    prior: Object.fromEntries(
      Object.entries(prior).map(([name, p]) => [name, [p.threads, ...p.classes.map((c) => figure(c.mean))]]),
    ),
  };
}
