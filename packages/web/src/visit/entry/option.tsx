import type { InputSpec } from '@yarnix/core';
import { ToggleGroup } from 'radix-ui';

/** One choice of a reading's, in sight and big enough for a glove. */
export const Option = ({
  option,
  size,
}: {
  option: Extract<InputSpec, { type: 'choice' }>['options'][number];
  size: string;
}) => (
  <ToggleGroup.Item
    value={option.value}
    data-value={option.value}
    className={`rounded-[4px] border-[1.5px] border-rule-strong bg-raised font-semibold data-[state=on]:border-copper data-[state=on]:bg-wash ${size}`}
  >
    {option.label}
  </ToggleGroup.Item>
);
