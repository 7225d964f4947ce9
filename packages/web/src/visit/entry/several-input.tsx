import type { InputSpec } from '@yarnix/core';
import { ToggleGroup } from 'radix-ui';
import { Option } from './option.tsx';

type Several = Extract<InputSpec, { type: 'several' }>;

/** What a tap makes of the choices: the excluding one stands alone, and the last one gone leaves nothing entered. */
function next(spec: Several, before: readonly string[], chosen: readonly string[]): string {
  const added = chosen.find((value) => !before.includes(value));
  if (added === spec.none.value) return added;
  return chosen.filter((value) => value !== spec.none.value).join(',');
}

/** Findings of which several may hold at once; the one that excludes the others comes first. */
export function SeveralInput({
  spec,
  name,
  value,
  big = false,
  withoutNone = false,
  onChoose,
  onFocus,
}: {
  spec: Several;
  name: string;
  value: string;
  big?: boolean;
  /** True where a button of its own takes the choice that excludes the others. */
  withoutNone?: boolean;
  onChoose: (value: string) => void;
  onFocus: () => void;
}) {
  const chosen = value === '' ? [] : value.split(',');
  return (
    <ToggleGroup.Root
      type="multiple"
      aria-label={name}
      value={chosen}
      onValueChange={(values) => onChoose(next(spec, chosen, values))}
      onFocus={onFocus}
      className={big ? 'grid grid-cols-2 gap-1.5' : 'flex flex-wrap gap-1.5'}
    >
      {(withoutNone ? spec.options : [spec.none, ...spec.options]).map((option) => (
        <Option
          key={option.value}
          option={option}
          size={big ? 'min-h-[52px] px-3 text-left text-[17px] leading-tight' : 'min-h-12 px-3 text-[15px]'}
        />
      ))}
    </ToggleGroup.Root>
  );
}
