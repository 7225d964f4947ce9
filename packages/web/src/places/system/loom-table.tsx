import { dateOf, sayValue, SLOT_NAMES } from '@yarnix/core';
import { Link } from 'react-router';
import { StandingWord } from '../../kit/mark.tsx';
import { ReasonLine } from '../../kit/reason-line.tsx';
import type { Loom } from '../../thread/loom.ts';

const HEADS = ['Part', 'Reading', 'Last', 'On', 'Limit', 'Stands', 'Why'] as const;

/** The loom as a table, for those who rather read. */
export function LoomTable({ loom }: { loom: Loom }) {
  const strands = [...loom.eyes, ...loom.quiet, ...loom.looks, ...loom.unproven];
  return (
    <div role="region" aria-label="Threads as a table" tabIndex={0} className="relative overflow-x-auto">
      <table className="w-full min-w-[720px] border-collapse text-left text-[15px]">
        <thead>
          <tr className="label">
            {HEADS.map((head) => (
              <th key={head} scope="col" className="border-b border-rule-strong py-1.5 pr-3 font-semibold">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {strands.map((s) => (
            <tr key={s.key} className="border-b border-rule align-baseline">
              <td className="py-1.5 pr-3 font-semibold">{SLOT_NAMES[s.part.slot]}</td>
              <th scope="row" className="py-1.5 pr-3 font-semibold">
                <Link to={s.path} className="text-copper underline-offset-4 hover:underline">
                  {s.title}
                </Link>
              </th>
              <td className="py-1.5 pr-3 whitespace-nowrap">{s.value === null ? '' : sayValue(s.kind, s.value)}</td>
              <td className="py-1.5 pr-3 whitespace-nowrap">{dateOf(s.days.at(-1) ?? 0)}</td>
              <td className="py-1.5 pr-3 whitespace-nowrap">
                {s.data.limit === null ? '' : sayValue(s.kind, s.data.limit)}
              </td>
              <td className="py-1.5 pr-3">
                <StandingWord standing={s.standing} width={22} />
              </td>
              <td className="py-1.5">
                <ReasonLine because={s.because} />
                {s.next !== '' && <strong className="text-copper">{s.next}</strong>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
