import { chosenIn, type Inputs, type Method, type RoundField } from '@yarnix/core';
import { Check } from 'lucide-react';
import { Button } from '../../kit/button.tsx';

/** An entry in the words of its choices: "Blower, Compressor", "0 A". */
export function entryWords(method: Method, inputs: Inputs): string {
  return method.inputs
    .map((spec) => {
      const entered = inputs[spec.id];
      if (entered === undefined) return '';
      if (typeof entered === 'number' && spec.type === 'number') return `${entered} ${spec.unit}`;
      if (spec.type === 'number') return chosenIn(entered).join();
      const options = spec.type === 'several' ? [spec.none, ...spec.options] : spec.options;
      return chosenIn(entered)
        .map((value) => options.find((option) => option.value === value)?.label ?? value)
        .join(', ');
    })
    .filter(Boolean)
    .join(' · ');
}

/** One tap for a reading that is as it should be. */
export function UsualButton({ field, big = false, onTake }: { field: RoundField; big?: boolean; onTake: () => void }) {
  if (!field.usual) return null;
  return (
    <Button
      data-usual
      look={big ? 'main' : 'plain'}
      className={big ? 'min-h-16 w-full text-[20px]' : ''}
      onClick={onTake}
    >
      <Check aria-hidden size={big ? 24 : 18} />
      {entryWords(field.planned.method, field.usual)}
    </Button>
  );
}
