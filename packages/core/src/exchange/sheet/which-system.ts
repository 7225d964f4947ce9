import { SYSTEM_KIND_NAMES, type SystemKind } from '../../equipment/system-kind.ts';
import { plainAddress } from './names.ts';
import type { SheetRow } from './rows.ts';

/** A system that is there, as far as a row can name it. */
export interface NamedSystem {
  readonly id: string;
  readonly address: string;
  readonly customer: string;
  readonly kind: SystemKind;
}

/** Which system a row is of: one that is there, one that would be made (rows with the same name are of the same), or why neither. */
export type WhichSystem = { readonly known: string } | { readonly fresh: string } | { readonly refused: string };

/** A firm's systems by what a row can name them by. */
export interface SystemNames {
  readonly which: (row: SheetRow) => WhichSystem;
  /** Why a machine of a kind at an address is asked about: it may be another one there, or the same by another name. */
  readonly doubt: (kind: SystemKind, address: string) => string | null;
}

/** Finds systems by their id, or by their address however it is written, with customer and kind where several are there. */
export function systemNames(systems: readonly NamedSystem[]): SystemNames {
  const ids = new Set(systems.map(({ id }) => id));
  const at = new Map<string, NamedSystem[]>();
  for (const system of systems) {
    const address = plainAddress(system.address);
    const there = at.get(address);
    if (there) there.push(system);
    else at.set(address, [system]);
  }
  return {
    which(row) {
      const id = row.systemId.toLowerCase();
      if (ids.has(id)) return { known: id };
      const address = plainAddress(row.address);
      const there = at.get(address) ?? [];
      const own = there.filter((s) => plainAddress(s.customer) === plainAddress(row.customer));
      const theirs = own.length === 0 ? there : own;
      const [only, ...more] = row.kind === null ? theirs : theirs.filter((s) => s.kind === row.kind);
      if (only && more.length === 0) return { known: only.id };
      if (only) {
        const count = more.length + 1;
        return { refused: `${count} systems have this address: give the id of the one that is meant, or its kind.` };
      }
      // Another kind at the same address is another machine.
      return { fresh: `${address} ${row.kind ?? ''}` };
    },
    doubt(kind, address) {
      const [there] = at.get(plainAddress(address)) ?? [];
      const beside = there && `At this address there is a ${SYSTEM_KIND_NAMES[there.kind]}`;
      return beside ? `${beside}: a ${SYSTEM_KIND_NAMES[kind]} would be made beside it.` : null;
    },
  };
}

/** Rows of a system by visit: those of one day by one person, each visit by the clock; in the order of days. */
export function visitsIn(rows: readonly SheetRow[]): SheetRow[][] {
  const visits = new Map<string, SheetRow[]>();
  for (const row of rows) {
    const key = `${row.day} ${row.technician.toLowerCase()}`;
    const there = visits.get(key);
    if (there) there.push(row);
    else visits.set(key, [row]);
  }
  return [...visits.values()]
    .map((visit) => visit.sort((a, b) => (a.minute ?? 0) - (b.minute ?? 0)))
    .sort(([a], [b]) => (a?.day ?? 0) - (b?.day ?? 0));
}
