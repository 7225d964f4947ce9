import type { CapacitorRating, Lug } from '../../equipment/rating.ts';

/** One thing wrong, or worth knowing, about a candidate capacitor. */
export type ReplacementReason =
  | { readonly code: 'same-microfarads'; readonly lug: Lug; readonly microfarads: number }
  | {
      readonly code: 'microfarads-within-allowance' | 'microfarads-off';
      readonly lug: Lug;
      readonly original: number;
      readonly candidate: number;
      readonly offPercent: number;
      readonly allowedPercent: number;
    }
  | { readonly code: 'volts-equal-or-higher' | 'volts-lower'; readonly original: number; readonly candidate: number }
  | { readonly code: 'volts-not-known'; readonly which: 'original' | 'candidate' }
  | { readonly code: 'section-missing'; readonly lug: Lug }
  | { readonly code: 'extra-section'; readonly lug: Lug }
  | { readonly code: 'start-capacitor-is-no-run-capacitor' };

export interface ReplacementVerdict {
  readonly verdict: 'fits' | 'refused' | 'cannot-say';
  readonly reasons: readonly ReplacementReason[];
}

type Ratable = Pick<CapacitorRating, 'form' | 'sections' | 'volts'>;

const REFUSING: readonly ReplacementReason['code'][] = [
  'microfarads-off',
  'volts-lower',
  'section-missing',
  'start-capacitor-is-no-run-capacitor',
];

/** Whether a reason refuses the part by itself. */
export const isRefusal = (reason: ReplacementReason): boolean => REFUSING.includes(reason.code);

function compareSection(lug: Lug, original: number, candidate: number, allowedPercent: number): ReplacementReason {
  if (original === candidate) return { code: 'same-microfarads', lug, microfarads: original };
  const offPercent = (100 * (candidate - original)) / original;
  // 1e-9 keeps 42.0 for 40 inside ±5 % whatever the last binary digit says.
  const within = Math.abs(offPercent) <= allowedPercent + 1e-9;
  return {
    code: within ? 'microfarads-within-allowance' : 'microfarads-off',
    lug,
    original,
    candidate,
    offPercent,
    allowedPercent,
  };
}

function compareVolts(original: number | null, candidate: number | null): ReplacementReason {
  if (original === null) return { code: 'volts-not-known', which: 'original' };
  if (candidate === null) return { code: 'volts-not-known', which: 'candidate' };
  return { code: candidate < original ? 'volts-lower' : 'volts-equal-or-higher', original, candidate };
}

function sectionReasons(original: Ratable, candidate: Ratable, allowedPercent: number): ReplacementReason[] {
  const missing = original.sections.map((section): ReplacementReason => {
    const match = candidate.sections.find((s) => s.lug === section.lug);
    if (!match) return { code: 'section-missing', lug: section.lug };
    return compareSection(section.lug, section.microfarads, match.microfarads, allowedPercent);
  });
  const extra = candidate.sections
    .filter((s) => !original.sections.some((o) => o.lug === s.lug))
    .map((s): ReplacementReason => ({ code: 'extra-section', lug: s.lug }));
  return [...missing, ...extra];
}

/**
 * Whether a candidate capacitor may stand in for the original: the same µF per section within the allowance
 * (`allowedPercent`; 0, 5 or 10 by school), and a volt rating equal or higher, never lower. Ratings in µF and V as parseCapacitorRating gives
 * them. 'cannot-say' when a volt rating is not known and nothing else refuses it. Common practice, no source.
 * A 440 V capacitor fits for a 370 V one; a 370 V one is refused for a 440 V one.
 */
export function judgeReplacement(original: Ratable, candidate: Ratable, allowedPercent: number): ReplacementVerdict {
  if ((original.form === 'start-range') !== (candidate.form === 'start-range')) {
    return { verdict: 'refused', reasons: [{ code: 'start-capacitor-is-no-run-capacitor' }] };
  }
  const reasons = [
    ...sectionReasons(original, candidate, allowedPercent),
    compareVolts(original.volts, candidate.volts),
  ];
  if (reasons.some(isRefusal)) return { verdict: 'refused', reasons };
  return { verdict: reasons.some((r) => r.code === 'volts-not-known') ? 'cannot-say' : 'fits', reasons };
}
