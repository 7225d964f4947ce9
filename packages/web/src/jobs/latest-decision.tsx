import { DECISION_NAMES, jobTitle } from '@yarnix/core';
import { Button } from '../kit/button.tsx';
import type { Deciding } from './use-decide.ts';

/** What was just decided, and the way back. */
export const LatestDecision = ({ deciding: { latest, takeBack, busy } }: { deciding: Deciding }) =>
  latest && (
    <p role="status" className="flex flex-wrap items-center gap-x-4 border-l-[3px] border-copper pl-3">
      <span>
        <strong>{DECISION_NAMES[latest.after.decision]}</strong>: {jobTitle(latest.after)}, {latest.after.address}
      </span>
      <Button look="quiet" disabled={busy} onClick={takeBack}>
        Take it back
      </Button>
    </p>
  );
