import type { InputSpec } from '@yarnix/core';
import { ToggleGroup } from 'radix-ui';
import { Option } from './option.tsx';

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
  return (
    <ToggleGroup.Root
      type="single"
      data-input={spec.id}
      aria-label={name}
      value={value}
      onValueChange={(chosen) => chosen && onChoose(chosen)}
      onFocus={onFocus}
      className={big ? 'grid gap-2' : 'flex flex-wrap gap-1.5'}
    >
      {spec.options.map((option) => (
        <Option
          key={option.value}
          option={option}
          size={big ? 'min-h-[60px] px-4 text-left text-[20px]' : 'min-h-12 px-3 text-[15px]'}
        />
      ))}
    </ToggleGroup.Root>
  );
}
