import { schoolOf, type Policy, type SchoolId } from '@yarnix/core';
import { useState } from 'react';
import { typedNumber } from '../../kit/typed-number.ts';

/** What was chosen and typed of some schools, as it stands in the fields. */
export type Draft = Readonly<Partial<Record<SchoolId, readonly string[]>>>;

const KEPT = 'yarnix-schools-draft';

function kept(): Draft {
  try {
    return JSON.parse(sessionStorage.getItem(KEPT) ?? '{}') as Draft;
  } catch {
    return {};
  }
}

/** The draft, kept on this device until it is saved or thrown away: leaving the page loses nothing. */
export function useDraft(): [Draft, (draft: Draft) => void] {
  const [draft, setDraft] = useState(kept);
  return [
    draft,
    (next) => {
      sessionStorage.setItem(KEPT, JSON.stringify(next));
      setDraft(next);
    },
  ];
}

/** What stands in a school's fields: what was typed, else what holds. */
export function textsOf(id: SchoolId, policy: Policy, draft: Draft): readonly string[] {
  const school = schoolOf(id);
  const now = school.get(policy);
  return draft[id] ?? (typeof now === 'string' ? [now] : now.map(String));
}

/** The policy with a draft put into it; what is no number becomes none, and is refused by name. */
export function drafted(policy: Policy, draft: Draft): Policy {
  return (Object.keys(draft) as SchoolId[]).reduce((so, id) => {
    const school = schoolOf(id);
    const texts = draft[id] ?? [];
    if (school.type === 'choice') return school.set(so, texts[0] ?? '');
    if (school.type === 'months') return school.set(so, texts.map(Number));
    return school.set(
      so,
      texts.map((text) => typedNumber(text, school.unit)),
    );
  }, policy);
}
