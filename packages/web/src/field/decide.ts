import { withEntryOf, withoutEntry, withoutRefusal, withTypedAgain } from '@yarnix/core';
import { clockOffMs } from '../app/api.ts';
import { somethingToSend } from './outbox.ts';
import { changeStored, roundOf } from './rounds.ts';
import { dropAside, keepAside, putBack, type SetAside } from './set-aside.ts';

/** Sends something again as it was, or as the right clock would have dated it. */
export async function tryAgain(item: SetAside): Promise<void> {
  await changeStored(item.visitId, (record) => withoutRefusal(record, item.id));
  await putBack(item, clockOffMs());
  somethingToSend();
}

/** Takes something back: it is sent no more, and the round no longer has it. Resolves with what undoes that. */
export async function takeBack(item: SetAside): Promise<() => Promise<void>> {
  const before = await roundOf(item.visitId);
  await changeStored(item.visitId, (record) => withoutEntry(record, item.id));
  await dropAside(item.order);
  somethingToSend();
  return async () => {
    if (before) await changeStored(item.visitId, (record) => withEntryOf(record, before, item.id));
    await keepAside(item);
    somethingToSend();
  };
}

/** Puts a refused reading back into its field as it was typed, to be changed there and taken anew. */
export async function editAgain(item: SetAside): Promise<void> {
  await changeStored(item.visitId, (record) => withTypedAgain(record, item.id));
  await dropAside(item.order);
  somethingToSend();
}
