import type { Refit } from '@yarnix/core';

/** How far a refit under way is. */
export const RefitProgress = ({ refit }: { refit: Refit }) => (
  <>
    <p className="label">
      {refit.state === 'judging'
        ? `Judging anew: ${refit.done} of ${refit.total} systems`
        : 'Learning from all threads'}
    </p>
    <progress className="my-2 w-full" max={Math.max(1, refit.total)} value={refit.done} aria-label="Systems judged" />
  </>
);
