import {
  answersOn,
  askedOn,
  leaningsOfRecord,
  leaningsOfThreads,
  machineSpecOf,
  testsOf,
  timerOn,
  unjudgedOn,
  type Answered,
  type HuntReport,
  type HuntScene,
  type Leanings,
  type NewCall,
  type NotJudged,
  type RoundRecord,
  type RoundView,
  type SystemDetail,
  type Test,
} from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { queries } from '../../app/queries.ts';
import { askHunt } from './hunt-client.ts';

interface Asking {
  readonly system: SystemDetail;
  readonly record: RoundRecord;
  readonly view: RoundView;
  readonly call: NewCall;
}

/** What leans the chances besides the complaint: this machine's threads, and what the firm has proved. */
function useLeanings({ view }: Asking) {
  const causes = useQuery(queries.causes());
  const { threads } = view.assessment;
  // Threads move with every reading of the hunt itself: what they said as it began is what leans.
  const [byThreads] = useState(() => leaningsOfThreads({ threads }));
  return useMemo(() => {
    const recorded = causes.data ? leaningsOfRecord(causes.data) : {};
    const own = Object.fromEntries(byThreads.map(({ fault, by }) => [fault, (recorded[fault] ?? 1) * by]));
    const leanings: Leanings = { ...recorded, ...own };
    // What the firm has proved is waited for, so that no test changes under somebody's hand; without a signal it is not.
    return { leanings, byThreads, isReady: !causes.isLoading };
  }, [causes.data, causes.isLoading, byThreads]);
}

export interface HuntState {
  readonly tests: ReadonlyMap<string, Test>;
  readonly answers: readonly Answered[];
  /** What was answered and does not count, with why. */
  readonly unjudged: readonly NotJudged[];
  /** Until when an off-timer may hold what a test calls for; null where it does not. */
  readonly timer: (test: Test) => string | null;
  /** The latest report; null until the first one is there. */
  readonly report: HuntReport | null;
  /** True while a newer one is on its way. */
  readonly busy: boolean;
  /** Why there is no newer one, and how to ask again; null while there is, or may be. */
  readonly failed: { readonly error: Error; readonly retry: () => void } | null;
  readonly byThreads: ReturnType<typeof leaningsOfThreads>;
}

/** A hunt on a visit, live: what was answered, the chances, the next test. */
export function useHunt(asking: Asking): HuntState {
  const { system, record, view, call } = asking;
  const { kind, plate } = system;
  const { leanings, byThreads, isReady } = useLeanings(asking);
  const tests = useMemo(
    () => new Map(testsOf(machineSpecOf(kind, plate)).map((test) => [test.id, test])),
    [kind, plate],
  );
  const { readings, components } = view;
  const { outdoorF } = view.conditions;
  const scene = useMemo(
    (): HuntScene => ({ kind, call, visitId: record.visitId, readings, components, tests, leanings, outdoorF }),
    [kind, call, record.visitId, readings, components, tests, leanings, outdoorF],
  );
  const answers = useMemo(() => answersOn(scene), [scene]);
  // What is only being typed asks nothing anew.
  const asked = JSON.stringify(askedOn(scene), (_, value: unknown) =>
    value === Infinity ? 'OL' : typeof value === 'number' && Number.isNaN(value) ? 'idle' : value,
  );
  const [got, setGot] = useState<{ readonly asked: string; readonly report: HuntReport } | null>(null);
  const [missed, setMissed] = useState<{ readonly asked: string; readonly error: Error } | null>(null);
  const [tries, setTries] = useState(0);
  const latest = useRef(scene);
  useEffect(() => {
    latest.current = scene;
  }, [scene]);
  useEffect(() => {
    if (!isReady) return;
    let stale = false;
    askHunt(kind, plate, askedOn(latest.current)).then(
      (report) => {
        if (!stale) setGot({ asked, report });
      },
      (error: unknown) => {
        if (!stale) setMissed({ asked, error: error instanceof Error ? error : new Error(String(error)) });
      },
    );
    return () => {
      stale = true;
    };
  }, [asked, isReady, kind, plate, tries]);
  const unjudged = useMemo(() => unjudgedOn(scene), [scene]);
  const timer = useCallback((test: Test) => timerOn(scene, test), [scene]);
  const retry = useCallback(() => {
    setMissed(null);
    setTries((n) => n + 1);
  }, []);
  const failed = missed?.asked === asked && got?.asked !== asked ? { error: missed.error, retry } : null;
  const busy = got?.asked !== asked && failed === null;
  return { tests, answers, unjudged, timer, report: got?.report ?? null, busy, failed, byThreads };
}
