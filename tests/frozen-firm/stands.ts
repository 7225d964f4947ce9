import {
  assessSystem,
  learnPrior,
  nextRoundAfter,
  POLICIES,
  sayReason,
  threadsOfSystem,
  type JudgedSystem,
  type Reading,
} from '@yarnix/core';
import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';

/** As it was frozen: findings joined by commas, as they were kept then. */
interface FrozenReading extends Omit<Reading, 'findings'> {
  readonly finding: string | null;
}
interface FrozenSystem {
  readonly system: JudgedSystem;
  readonly readings: readonly FrozenReading[];
}
export interface FrozenFirm {
  readonly asOf: number;
  readonly systems: readonly FrozenSystem[];
}

const OF_CAPACITORS: Readonly<Record<string, string>> = {
  sound: 'can-sound',
  rusted: 'can-rusted',
  bulged: 'can-bulged',
  leaking: 'can-leaking',
  burst: 'can-burst',
  open: 'section-open',
  shorted: 'section-shorted',
  holds: 'section-holds',
};

/** A frozen reading as it is kept now. */
function thawed({ finding, ...reading }: FrozenReading): Reading {
  const codes = finding === null ? [] : finding.split(',');
  const isCapacitor = reading.kind === 'run-capacitor-capacitance';
  return { ...reading, findings: codes.map((code) => (isCapacitor ? OF_CAPACITORS[code] : undefined) ?? code) };
}

export const readJson = (name: string): unknown =>
  JSON.parse(gunzipSync(readFileSync(new URL(`./${name}.json.gz`, import.meta.url))).toString('utf8'));

/** As many figures as any screen or order rests on; the last binary digits are nobody's concern. */
const figure = (value: number): number => Number(value.toPrecision(9));

/** How every part and every thread of a firm stands, with the words that are said of it, by the id of each. */
export function standsOf({ asOf, systems }: FrozenFirm): Record<string, unknown> {
  const policy = POLICIES.printed;
  const thawedSystems = systems.map(({ system, readings }) => ({ system, readings: readings.map(thawed) }));
  const prior = learnPrior(thawedSystems.flatMap(({ system, readings }) => threadsOfSystem(system, readings)));
  const judging = { nextRound: nextRoundAfter(asOf, policy), policy, prior };
  const assessed = thawedSystems.map(({ system, readings }) => assessSystem(system, readings, judging));
  const parts = assessed.flatMap((a) => a.parts);
  const threads = assessed.flatMap((a) => a.threads);
  return {
    parts: Object.fromEntries(
      parts.map(({ part, standing, urgency, chance, lead, threads: [first] }) => [
        part.id,
        [
          standing,
          figure(urgency),
          figure(chance),
          lead && first ? `${first.state.kind}/${first.state.point}: ${sayReason(lead.because)}` : null,
        ],
      ]),
    ),
    threads: Object.fromEntries(
      threads.map(({ key, state }) => [key, [state.standing, ...state.reasons.map((r) => sayReason(r.because))]]),
    ),
    prior: Object.fromEntries(
      Object.entries(prior.classes).map(([name, p]) => [name, [p.threads, ...p.classes.map((c) => figure(c.mean))]]),
    ),
  };
}
