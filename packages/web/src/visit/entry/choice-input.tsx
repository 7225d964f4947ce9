import type { InputSpec } from '@yarnix/core';
import { ToggleGroup } from 'radix-ui';
import { Option } from './option.tsx';

/** A label of so many letters has room in a third of a phone. */
const SHORT = 8;

/** A finding that is chosen rather than measured: every option in sight, one tap. */
export function ChoiceInput({
  spec,
  name,
  value,
  big = false,
  onChoose,
  onFocus,
}: {
  spec: Extract<InputSpec, { type: 'choice' }>;
  name: string;
  value: string;
  big?: boolean;
  onChoose: (value: string) => void;
  onFocus: () => void;
}) {
  // Figures need little room: side by side they leave the verdict in sight.
  const short = spec.options.filter((o) => o.label.length <= SHORT).length > 2;
  return (
    <ToggleGroup.Root
      type="single"
      data-input={spec.id}
      aria-label={name}
      value={value}
      onValueChange={(chosen) => chosen && onChoose(chosen)}
      onFocus={onFocus}
      className={!big ? 'flex flex-wrap gap-1.5' : short ? 'grid grid-cols-3 gap-2' : 'grid gap-2'}
    >
      {spec.options.map((option) => (
        <Option
          key={option.value}
          option={option}
          size={
            !big
              ? 'min-h-12 px-3 text-[15px]'
              : `min-h-[60px] px-4 text-left text-[20px] ${short && option.label.length > SHORT ? 'col-span-3' : ''}`
          }
        />
      ))}
    </ToggleGroup.Root>
  );
}
