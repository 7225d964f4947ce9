import type { Reading } from '../circuit/measure.ts';
import { standpointAfter, type Standpoint } from '../diagnosis/costs.ts';
import { answerIdOf } from '../diagnosis/expectations.ts';
import type { Test } from '../diagnosis/test-shape.ts';
import { isInWeather, weatherFor } from '../diagnosis/weather.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import { expectedOn, type Call } from '../trade/controls/call-table.ts';

/** Why an answer counts for nothing: the state it was taken in tells nothing of the machine. */
export type Unjudged =
  /** Colder or warmer outdoors than the test can be judged in, °F. */
  | { readonly because: 'too-cold' | 'too-warm'; readonly outdoorF: number; readonly limitF: number }
  /** A compressor that was just stopped may be held by its off-timer until then. */
  | { readonly because: 'off-timer'; readonly until: string };

/** A compressor's off-timer at its longest, min: thermostats and boards hold it three to five; common practice, no source. */
const OFF_TIMER_MIN = 5;
const MINUTE = 60_000;

const callsCompressor = (call: Call | null, kind: SystemKind): boolean =>
  call !== null && expectedOn(call, { kind, strips: false }).includes('compressor');

/** Where somebody stands, and what of it an off-timer goes by. */
export interface Moment {
  readonly at: Standpoint;
  /** When the compressor can have stopped, or its power come back, at the latest; null while neither has been. */
  readonly stoppedAt: string | null;
  /** From when on the call that is held may start it; null where no timer held it. */
  readonly freeAt: string | null;
}

const timerOver = (stoppedAt: string | null): string | null =>
  stoppedAt && new Date(Date.parse(stoppedAt) + OFF_TIMER_MIN * MINUTE).toISOString();
const isHeld = (call: Call | null, { at }: Moment): boolean => at.power === 'live' && at.call === call;

/** The same once a test was taken, at a moment, on a system of a kind. */
export function momentAfter(test: Test, takenAt: string, before: Moment, kind: SystemKind): Moment {
  const at = standpointAfter(test, before.at);
  return {
    at,
    stoppedAt: at.power === 'off' || callsCompressor(at.call, kind) ? takenAt : before.stoppedAt,
    freeAt: isHeld(at.call, before) ? before.freeAt : timerOver(before.stoppedAt),
  };
}

/**
 * Until when an off-timer may hold the compressor, if a test's call is made now; null where the call is not one for the
 * compressor, or nothing was stopped on this visit. A call that is held goes on waiting for the timer it began with.
 */
export function heldUntil({ measure, call, held }: Test, now: Moment, kind: SystemKind): string | null {
  const isMoved = measure.what === 'runs' || held !== undefined;
  if (!isMoved || call === 'defrost' || !callsCompressor(call, kind)) return null;
  return isHeld(call, now) ? now.freeAt : timerOver(now.stoppedAt);
}

interface Taken {
  readonly test: Test;
  readonly says: Reading;
  readonly takenAt: string;
  readonly outdoorF: number | undefined;
}

/** Why an answer is not weighed; null where it is. */
export function whyUnjudged(
  { test, says, takenAt, outdoorF }: Taken,
  before: Moment,
  kind: SystemKind,
): Unjudged | null {
  if (outdoorF !== undefined && !isInWeather(test, outdoorF)) {
    const { least, most } = weatherFor(test);
    return outdoorF < least
      ? { because: 'too-cold', outdoorF, limitF: least }
      : { because: 'too-warm', outdoorF, limitF: most };
  }
  const until = heldUntil(test, before, kind);
  return until !== null && takenAt < until && isAsHeld(test, says) ? { because: 'off-timer', until } : null;
}

/** Whether a test says what it would if a sound compressor were held: it stands still, or wires and amps are as without a call. */
const isAsHeld = (test: Test, says: Reading): boolean =>
  test.measure.what === 'runs'
    ? typeof says === 'string' && !says.split(' ').includes('compressor')
    : test.held !== undefined && answerIdOf(test, says) === test.held;
