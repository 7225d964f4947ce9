import { componentsFor, type Plate, type SystemKind } from '@yarnix/core';
import { randomUUID } from 'node:crypto';

/** A machine of a journey's own, entered through the API: nobody else reads it, closes its rounds or leaves anything on it. */
export interface OwnSystem {
  readonly id: string;
  readonly address: string;
  /** The id of the part in a slot. */
  readonly part: (slot: string) => string;
}

async function put(at: string, path: string, body: object): Promise<void> {
  const reply = await fetch(`${at}${path}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!reply.ok) throw new Error(`PUT ${path}: ${reply.status} ${await reply.text()}`);
}

/** Enters a system of a kind and plate at an address, installed on a day. */
export async function makeSystem(
  at: string,
  kind: SystemKind,
  plate: Plate,
  address: string,
  installedOn = '2019-05-01',
): Promise<OwnSystem> {
  const id = randomUUID();
  const components = componentsFor(kind, plate).map(({ slot }) => ({ id: randomUUID(), slot }));
  await put(at, `/api/systems/${id}`, {
    ...{ customerId: randomUUID(), customerName: `Owner of ${address}`, address, kind, plate, components },
    installedOn,
  });
  return { id, address, part: (slot) => components.find((c) => c.slot === slot)?.id ?? '' };
}

/** The same, where only its id is wanted. */
export const enterSystem = async (at: string, kind: SystemKind, plate: Plate, address: string): Promise<string> =>
  (await makeSystem(at, kind, plate, address)).id;
