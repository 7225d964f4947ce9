import type { Policy } from '../../verdict/policy.ts';
import type { Need } from '../../verdict/rules.ts';
import type { About } from '../contract/entry.ts';

/** Why air says nothing yet: after a start its temperatures drift for minutes. Null once it has run long enough. */
export function whyNotSettled({ conditions }: About, { air }: Policy): Need | null {
  const { runningMin } = conditions ?? {};
  if (runningMin === undefined) return 'air-clock';
  return runningMin < air.leastRunningMin ? 'air-unsettled' : null;
}
