import { chosenIn, type InputSpec, type RoundField } from '@yarnix/core';
import { ChoiceInput } from './choice-input.tsx';
import { NumberInput } from './number-input.tsx';
import { SeveralInput } from './several-input.tsx';
import { Stopwatch } from './stopwatch.tsx';
import type { useEntry } from './use-entry.ts';

/** One input of a field, whatever its type, at either size. */
export function OneInput({
  spec,
  field,
  entry,
  name,
  big = false,
  describedBy,
  autoFocus = false,
  onFocus,
  onNumberFocus,
}: {
  spec: InputSpec;
  field: RoundField;
  entry: ReturnType<typeof useEntry>;
  name: string;
  big?: boolean;
  describedBy: string;
  autoFocus?: boolean;
  onFocus: () => void;
  onNumberFocus: () => void;
}) {
  const value = field.texts[spec.id] ?? '';
  if (spec.type === 'choice') {
    return (
      <ChoiceInput
        big={big}
        spec={spec}
        name={name}
        value={value}
        onChoose={(chosen) => entry.choose(field, spec.id, chosen)}
        onFocus={onFocus}
      />
    );
  }
  if (spec.type === 'several') {
    return (
      <SeveralInput
        big={big}
        spec={{ ...spec, options: spec.options.filter(({ on }) => on?.(field.about) ?? true) }}
        name={name}
        value={value}
        withoutNone={chosenIn(field.usual?.[spec.id]).includes(spec.none.value)}
        // The choice that excludes the others is complete by itself; the others may have company.
        onChoose={(chosen) =>
          chosen === spec.none.value ? entry.choose(field, spec.id, chosen) : entry.onText(field, spec.id, chosen)
        }
        onFocus={onFocus}
      />
    );
  }
  return (
    <div className={spec.unit === 's' ? 'flex flex-wrap items-end gap-2' : ''}>
      <NumberInput
        big={big}
        ref={entry.register({ key: field.key, input: spec.id })}
        spec={spec}
        name={`${name}: ${spec.label}`}
        text={value}
        bad={field.badInput === spec.id}
        describedBy={describedBy}
        onText={(text) => entry.onText(field, spec.id, text)}
        onFocus={onNumberFocus}
        onBlur={() => entry.leave(field)}
        onEnter={entry.next}
        autoFocus={autoFocus}
      />
      {spec.unit === 's' && (
        <Stopwatch name={spec.label} onTaken={(seconds) => entry.onText(field, spec.id, String(seconds))} />
      )}
    </div>
  );
}
