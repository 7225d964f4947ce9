import type { Observation } from './chances.ts';
import type { Complaint } from './complaint-shares.ts';
import type { Test } from './test-shape.ts';

/** What must be known before some tests may be asked for. */
interface Guard {
  /** Tests that may do harm before that. */
  readonly holds: (test: Test) => boolean;
  /** Tests that say it. */
  readonly asksFor: (test: Test) => boolean;
  /** True where every one of those must be answered, false where any one is enough. */
  readonly all: boolean;
}

/** Whether a test puts power to what may be shorted: any call, and any work on live wires. */
const energizes = ({ power, call }: Test): boolean => power === 'live' || call !== null;
const HEAT: ReadonlySet<string> = new Set(['heating', 'second-stage-heat', 'emergency-heat', 'defrost']);

/** Ohms from a winding or an element to metal, with the power off. */
const ofAShort = ({ measure, reading }: Test): boolean =>
  measure.what === 'ohms' && ['kc-ground', 'element-ground'].includes(reading.point);

/** Whether a test shows a blower at work, or standing: a call that runs no heat. */
const seesBlower = ({ measure }: Test): boolean =>
  measure.what === 'runs' && (measure.call === 'fan' || measure.call === 'cooling');

/**
 * What a complaint asks for before anything else; common practice, no source. A breaker that has tripped is not reset onto a
 * fault that nobody has measured: a terminal can blow out of a compressor. Heat without air overheats what it is made in.
 */
const GUARDS: Readonly<Partial<Record<Complaint, Guard>>> = {
  'breaker-trips': { holds: energizes, asksFor: ofAShort, all: true },
  'no-air': { holds: ({ call }) => call !== null && HEAT.has(call), asksFor: seesBlower, all: false },
};

/** What safety asks for now: tests that come before all others, and those that must wait for them. */
export interface SafeFirst {
  readonly first: ReadonlySet<string>;
  readonly holds: (test: Test) => boolean;
}

/** What the complaints ask for before anything else, of the tests a machine has; `skipped` could not be taken. */
export function safeFirst(
  complaints: readonly Complaint[],
  tests: readonly Test[],
  observations: readonly Observation[],
  skipped: readonly string[] = [],
): SafeFirst {
  const done = new Set([...observations.map(({ test }) => test), ...skipped]);
  const open = complaints.flatMap((complaint) => {
    const guard = GUARDS[complaint];
    const asked = guard ? tests.filter(guard.asksFor).map(({ id }) => id) : [];
    const left = asked.filter((id) => !done.has(id));
    const isMet = !guard || left.length === 0 || (!guard.all && left.length < asked.length);
    return isMet ? [] : [{ guard, first: guard.all ? left : left.slice(0, 1) }];
  });
  return {
    first: new Set(open.flatMap(({ first }) => first)),
    holds: (test) => open.some(({ guard }) => guard.holds(test)),
  };
}
