/** Why a reading can be put off, and by how many days its follow-up is due. */
export const PUT_OFF_REASONS = {
  rain: { label: 'Rain', dueInDays: 14 },
  'too-cold': { label: 'Too cold outside', dueInDays: 150 },
  'just-charged': { label: 'Charge just weighed in', dueInDays: 30 },
  'clean-first': { label: 'Clean coils or filter first', dueInDays: 21 },
  'no-access': { label: 'No access', dueInDays: 30 },
  'no-time': { label: 'No time left', dueInDays: 30 },
  other: { label: 'Another reason', dueInDays: 30 },
} as const;
export type PutOffReason = keyof typeof PUT_OFF_REASONS;
export const PUT_OFF_CODES = Object.keys(PUT_OFF_REASONS) as [PutOffReason, ...PutOffReason[]];
