import type { RoundField } from '@yarnix/core';

/** That something was done since the reading was taken: read again it proves that, and what was read before stays. */
export const ReadAgain = ({ field }: { field: RoundField }) =>
  field.again && (
    <p className="font-semibold text-copper">
      Read it again: {field.again.title.toLowerCase()} since. What was read before stays.
    </p>
  );
