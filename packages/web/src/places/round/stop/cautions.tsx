import { LOOSE_ENDS, STANDING_CAUTION, type RoundStop } from '@yarnix/core';
import { Collapsible } from 'radix-ui';
import { Spline, TriangleAlert, Undo2 } from 'lucide-react';
import type { ReactNode } from 'react';

/** What state the system must be in, and the cautions of the stop: titles always in sight, the words one tap away. */
export function StopState({
  stop,
  startOpen,
  children,
}: {
  stop: RoundStop;
  startOpen: boolean;
  children?: ReactNode;
}) {
  const putBack = stop.putBackFirst ?? [];
  return (
    <Collapsible.Root defaultOpen={startOpen} className="border-y border-rule py-2">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
        {stop.state.map((line) => (
          <span key={line} className="font-semibold">
            {line}
          </span>
        ))}
        <Collapsible.Trigger className="group ml-auto flex min-h-12 items-center gap-2 font-semibold text-watch">
          <TriangleAlert aria-hidden size={19} />
          {stop.cautions.map((c) => c.title).join(' · ') || 'Cautions'}
          <span className="text-sm underline group-data-[state=open]:hidden">read</span>
          <span className="hidden text-sm underline group-data-[state=open]:inline">fold</span>
        </Collapsible.Trigger>
      </div>
      {stop.instructions.length + putBack.length > 0 && (
        <ul className="pb-1" aria-label="First">
          {putBack.map((code) => (
            <li key={code} className="flex items-baseline gap-2 py-0.5">
              <Undo2 aria-hidden size={16} className="flex-none translate-y-0.5 text-copper" />
              {LOOSE_ENDS[code].putBack}
            </li>
          ))}
          {stop.instructions.map((instruction) => (
            <li key={instruction.opens} className="flex items-baseline gap-2 py-0.5">
              <Spline aria-hidden size={16} className="flex-none translate-y-0.5 text-copper" />
              {instruction.text}
            </li>
          ))}
        </ul>
      )}
      {children}
      <Collapsible.Content>
        <dl className="grid gap-2 py-2">
          {stop.cautions.map((caution) => (
            <div key={caution.id} className="grid gap-x-4 sm:grid-cols-[110px_1fr]">
              <dt className="font-bold">{caution.title}</dt>
              <dd>{caution.text}</dd>
            </div>
          ))}
        </dl>
        <p className="label pb-2">{STANDING_CAUTION}</p>
      </Collapsible.Content>
    </Collapsible.Root>
  );
}
