import { answerOf, saysToHunt, type Offered, type RoundField } from '@yarnix/core';

/** The answer that what is typed comes to, by its id; null while nothing whole is typed. */
export function typedAnswer(field: RoundField, { means }: Offered): string | null {
  if (!field.entry) return null;
  const { check, inputs } = field.entry;
  const says = saysToHunt({ kind: field.planned.kind.id, inputs, value: check.value, findings: check.findings });
  if (says === null) return null;
  const answers = means.map(({ answer }) => answer);
  return answers[answerOf({ answers }, says)]?.id ?? null;
}
