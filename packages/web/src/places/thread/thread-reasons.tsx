import {
  PROOF_WORDS,
  sayOwnShare,
  sayProved,
  sayReason,
  TOGETHER_WORDS,
  type Judgment,
  type ProvedStep,
} from '@yarnix/core';
import { dateWords } from '../../kit/field-words.ts';
import { Mark } from '../../kit/mark.tsx';
import type { ThreadData } from '../../thread/thread-data.ts';

const BASES: Readonly<Record<Judgment['basis'], string>> = {
  technician: 'Overruled',
  state: 'Condition',
  plate: 'Plate',
  baseline: 'Own baseline',
  trend: 'Trend',
  finding: 'Finding',
  'cross-check': 'Cross-check',
  together: 'Read together',
};

/** What follows a reason in smaller words: whose doing a trend is; what a finding rules out and the next test. */
function More({ reason: { because } }: { reason: Judgment }) {
  if (because.code === 'trend') return <p className="label">{sayOwnShare(because.numbers)}</p>;
  if (because.code !== 'together') return null;
  const { rulesOut, nextTest } = TOGETHER_WORDS[because.numbers.rule];
  return (
    <p className="label">
      Ruled out: {rulesOut} Next: {nextTest}
    </p>
  );
}

/** Why a thread stands as it does, way by way. */
export const ThreadReasons = ({ data, steps }: { data: ThreadData; steps: readonly ProvedStep[] }) => (
  <dl className="grid content-start">
    {data.state?.reasons.map((r, index) => (
      <div key={`${r.basis}${index}`} className="border-t border-rule py-2.5">
        <dt className="label flex items-center gap-2">
          <Mark standing={r.standing} width={22} /> {BASES[r.basis]}
        </dt>
        <dd className="text-[16px]">
          {sayReason(r.because)}
          <More reason={r} />
        </dd>
      </div>
    ))}
    {steps.map(({ repair, read }) => (
      <div key={repair.id} className="border-t border-rule py-2.5">
        <dt className="label">
          {repair.title}, {dateWords(repair.at)}
        </dt>
        <dd className="text-[16px]">
          <strong className="font-semibold">{PROOF_WORDS[read.verdict]}.</strong> {sayProved(read)}.
        </dd>
      </div>
    ))}
    <div className="border-t border-rule py-2.5">
      <dt className="label">What moves it besides wear</dt>
      <dd className="text-soft">
        {(data.kind.movedBy ?? []).join('; ')}
        {data.common ? `. Compared as with ${data.common}.` : ''}
      </dd>
    </div>
  </dl>
);
