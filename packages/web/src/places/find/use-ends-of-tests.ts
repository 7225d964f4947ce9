import { endsOfTest, type RoundRecord } from '@yarnix/core';
import { useEffect, useRef } from 'react';
import { openLooseEnds } from '../../field/rounds.ts';
import { openedNow } from '../../visit/loose-ends-bar.tsx';
import type { HuntState } from './use-hunt.ts';

/** Opens what a test leaves lifted, off or on, once it is answered, however that was: typed, chosen or taken from a probe. */
export function useEndsOfTests({ visitId }: RoundRecord, { answers, tests }: HuntState): void {
  const known = useRef<ReadonlySet<string> | null>(null);
  useEffect(() => {
    const ids = new Set(answers.flatMap(({ readingId }) => readingId ?? []));
    const before = known.current;
    known.current = ids;
    // What was answered before this screen was opened has its loose ends already.
    if (!before) return;
    const fresh = answers.filter(({ readingId }) => readingId !== null && !before.has(readingId));
    const ends = fresh.flatMap(({ test: id }) => {
      const test = tests.get(id);
      return test ? endsOfTest(test) : [];
    });
    if (ends.length > 0)
      void openLooseEnds(
        visitId,
        ends.map(({ code, text }) => openedNow(code, text)),
      );
  }, [visitId, answers, tests]);
}
