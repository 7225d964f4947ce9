import { sayReason, type Because } from '@yarnix/core';

/** A reason's sentence, its first clause (the number and what it means) heavier than the rest. */
export function ReasonLine({ because }: { because: Because }) {
  const sentence = sayReason(because);
  const end = /[;.:?](\s|$)/.exec(sentence)?.index ?? sentence.length;
  if (end >= sentence.length - 1) return <p>{sentence}</p>;
  return (
    <p>
      <strong className="font-[660]">{sentence.slice(0, end)}</strong>
      {sentence.slice(end)}
    </p>
  );
}
