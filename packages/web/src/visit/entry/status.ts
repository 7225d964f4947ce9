import { isTaken, type RoundField } from '@yarnix/core';

/** How a field is to be told apart on the page: by what is typed in it, else by what has become of it. */
export function statusOf(field: RoundField): string {
  if (field.typed !== 'nothing') return field.typed;
  return field.state === 'open' ? 'empty' : field.state;
}

/** Whether something is still to be entered there: nothing, or only a part of it, is typed, or it is read again after a repair. */
export const isOpenEntry = (field: RoundField): boolean =>
  (!isTaken(field) || field.again !== null) &&
  field.state !== 'put-off' &&
  (field.typed === 'nothing' || field.typed === 'unfinished');
