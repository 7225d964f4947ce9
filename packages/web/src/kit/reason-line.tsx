import { reasonLine, type Because } from '@yarnix/core';
import type { ReactNode } from 'react';

/**
 * A reason's sentence, its first clause (the number and what it means) heavier than the rest; after a mark, where one is
 * given. `brief` keeps to the first clause on a wide screen.
 */
export function ReasonLine({ because, mark, brief = false }: { because: Because; mark?: ReactNode; brief?: boolean }) {
  const [head, rest] = reasonLine(because);
  return (
    <p>
      {mark}
      {head && <strong className="font-[660]">{head}</strong>}
      {brief && head ? <span className="md:sr-only">{rest}</span> : rest}
    </p>
  );
}
