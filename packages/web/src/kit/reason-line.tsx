import { reasonLine, type Because } from '@yarnix/core';

/** A reason's sentence, its first clause (the number and what it means) heavier than the rest. */
export function ReasonLine({ because }: { because: Because }) {
  const [head, rest] = reasonLine(because);
  return (
    <p>
      {head && <strong className="font-[660]">{head}</strong>}
      {rest}
    </p>
  );
}
