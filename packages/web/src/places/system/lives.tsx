import { SLOT_NAMES, SLOTS, type ComponentView, type SystemDetail } from '@yarnix/core';
import { dateWords } from '../../kit/field-words.ts';

/** "fitted May 3, 2024" or, for a life that is over, from when to when and why. */
function lifeWords(part: ComponentView): string {
  const from = part.fittedOn ? `fitted ${dateWords(part.fittedOn)}` : 'fitting day not known';
  return part.removedOn ? `${from}, out ${dateWords(part.removedOn)}: ${part.removedReason ?? ''}` : from;
}

/** The parts that are in, since when, and what was in their place before. */
export function Lives({ system }: { system: SystemDetail }) {
  const living = system.components
    .filter((c) => c.removedOn === null && c.slot !== 'supply')
    .sort((a, b) => SLOTS.indexOf(a.slot) - SLOTS.indexOf(b.slot));
  return (
    <>
      <h2 className="text-lg font-bold">Parts</h2>
      <ul>
        {living.map((part) => (
          <li key={part.id} className="border-t border-rule py-1.5">
            <h3 className="inline text-[16px] font-semibold tracking-normal">{SLOT_NAMES[part.slot]}</h3>
            {part.plate.rating && <span> {part.plate.rating}</span>}
            <span className="label block">{lifeWords(part)}</span>
            {system.components
              .filter((c) => c.removedOn !== null && c.slot === part.slot)
              .map((old) => (
                <span key={old.id} className="label block text-[14px]">
                  before it: {old.plate.rating ? `${old.plate.rating}, ` : ''}
                  {lifeWords(old)}
                </span>
              ))}
          </li>
        ))}
      </ul>
    </>
  );
}
