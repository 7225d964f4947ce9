import {
  componentsFor,
  DEFAULT_POLICY,
  plateCosts,
  sayReason,
  SLOT_NAMES,
  SNAG_WORDS,
  tablesOf,
  type Plate,
  type PlateCost,
  type SystemKind,
} from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { queries } from '../../app/queries.ts';

const sayCost = (cost: PlateCost): string =>
  cost.snag ? SNAG_WORDS[cost.snag] : cost.because ? sayReason(cost.because) : '';

/** A long list, shortened: "Superheat, Subcooling and 3 more". */
const shortened = (titles: readonly string[]): string =>
  titles.length <= 3 ? titles.join(', ') : `${titles.slice(0, 2).join(', ')} and ${titles.length - 2} more`;

/** Parts that will appear, and which verdicts what is missing on the plate costs. */
export function WhatFollows({ kind, plate }: { kind: SystemKind; plate: Plate }) {
  const session = useQuery(queries.session());
  const policy = session.data?.firm.policy ?? DEFAULT_POLICY;
  const parts = componentsFor(kind, plate);
  const costs = plateCosts(kind, plate, policy, tablesOf(session.data?.refrigerants ?? []));
  return (
    <aside className="border-rule-strong bg-raised px-5 py-5 md:border-l">
      <div className="sticky top-5">
        {costs.length > 0 && (
          <>
            <h2 className="text-lg font-bold">What the plate leaves open</h2>
            <ul className="mb-5">
              {costs.map((cost) => (
                <li key={sayCost(cost)} className="border-t border-rule py-2">
                  {sayCost(cost)}
                  <span className="label block">costs {shortened(cost.costs)}</span>
                </li>
              ))}
            </ul>
          </>
        )}
        <h2 className="text-lg font-bold">{parts.length} parts will have a thread</h2>
        <p className="mt-1 text-soft">{parts.map((p) => SLOT_NAMES[p.slot]).join(', ')}.</p>
      </div>
    </aside>
  );
}
