import { areAllBack, wiresMoved, type WireNote } from '@yarnix/core';
import { useState } from 'react';

/** Where the wires of a part that is changed go back, held against where they were noted before they came off. */
export function useWiresBack(noted: readonly WireNote[]) {
  const [lugs, setLugs] = useState<readonly string[]>(() => noted.map(() => ''));
  const back = noted.map(({ color }, i) => ({ color, lug: lugs[i] ?? '' }));
  const moved = wiresMoved(noted, back);
  return {
    noted,
    lugs,
    put: (at: number, lug: string) => setLugs((now) => now.map((was, i) => (i === at ? lug : was))),
    moved,
    ready: areAllBack(noted, back),
    /** What is kept of it with the part. */
    words: moved.map(({ color, was, is }) => `${color} on ${is}, was on ${was}`).join('; '),
  };
}

/** One line a wire: the lug it was on is one tap, any other is said to be another. */
export function WiresBack({ wires }: { wires: ReturnType<typeof useWiresBack> }) {
  const { noted, lugs, put, moved } = wires;
  const known = [...new Set(noted.map((w) => w.lug))];
  if (noted.length === 0) return null;
  return (
    <fieldset className="grid gap-2">
      <legend className="label mb-1">Each wire back, as it was noted</legend>
      {noted.map(({ color, lug }, at) => (
        <div
          key={`${color}${lug}`}
          role="group"
          aria-label={`${color} wire`}
          className="flex flex-wrap items-center gap-2"
        >
          <span className="min-w-24 font-semibold">{color}</span>
          {known.map((other) => (
            <button
              key={other}
              type="button"
              aria-pressed={lugs[at] === other}
              onClick={() => put(at, other)}
              className={`min-h-12 min-w-16 rounded-[4px] border-[1.5px] bg-raised px-3 font-semibold aria-pressed:border-copper aria-pressed:bg-copper aria-pressed:text-on-copper ${other === lug ? 'border-ink' : 'border-rule-strong'}`}
            >
              {other}
            </button>
          ))}
        </div>
      ))}
      {moved.map(({ color, was, is }) => (
        <p key={`${color}${was}`} className="font-semibold text-act">
          {color} was on {was}, not on {is}.
        </p>
      ))}
    </fieldset>
  );
}
