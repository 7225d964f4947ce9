import { SLOT_NAMES, type Point, type Slot } from '../equipment/component.ts';
import { SYSTEM_KIND_NAMES, type SystemKind } from '../equipment/system-kind.ts';
import type { Conditions } from '../readings/contract/conditions.ts';
import type { Inputs } from '../readings/contract/entry.ts';
import { methodOf, readingKind, titleOf } from '../readings/registry.ts';
import { STANDING_NAMES, type Standing } from '../verdict/standing.ts';
import { sayFindings } from '../words/findings.ts';
import { textOf } from '../words/said.ts';

/** A reading with what a program elsewhere needs to know of it. */
export interface ExportedReading {
  readonly id: string;
  readonly takenAt: string;
  readonly visitId: string;
  readonly technician: string;
  readonly systemId: string;
  readonly address: string;
  readonly customer: string;
  readonly area: string | null;
  readonly systemKind: SystemKind;
  readonly componentId: string;
  readonly slot: Slot;
  readonly rating: string | null;
  readonly fittedOn: string | null;
  readonly kind: string;
  readonly point: Point;
  readonly method: string;
  readonly value: number | null;
  readonly findings: readonly string[];
  readonly inputs: Inputs;
  readonly conditions: Conditions;
  readonly note: string | null;
  readonly confirmed: boolean;
  readonly supersedes: string | null;
  readonly superseded: boolean;
  /** What a person put in place of its verdict. */
  readonly ruling: { readonly standing: Standing; readonly why: string } | null;
}

const yes = (is: boolean): string => (is ? 'yes' : 'no');

/** As it was entered: "microfarads=38.4", several of them by "; ". Choices by name, several by "+". */
const entered = (inputs: Inputs | Conditions): string =>
  Object.entries(inputs)
    .filter(([, value]) => value !== undefined)
    .map(([name, value]) => `${name}=${Array.isArray(value) ? value.join('+') : String(value)}`)
    .join('; ');

/** The columns of readings as CSV, in their order: they are never renamed or taken away, only added to at the end. */
export const READING_COLUMNS: readonly {
  readonly name: string;
  /** What it holds, for whoever reads the file. */
  readonly holds: string;
  readonly of: (reading: ExportedReading) => string | number;
}[] = [
  { name: 'reading', holds: 'id of the reading, a UUID', of: (r) => r.id },
  { name: 'taken_at', holds: 'when it was taken, UTC, ISO 8601', of: (r) => r.takenAt },
  { name: 'visit', holds: 'id of the visit', of: (r) => r.visitId },
  { name: 'technician', holds: 'who took it, name', of: (r) => r.technician },
  { name: 'system', holds: 'id of the system', of: (r) => r.systemId },
  { name: 'address', holds: 'where it is', of: (r) => r.address },
  { name: 'customer', holds: 'whose it is', of: (r) => r.customer },
  { name: 'area', holds: 'the firm’s name of the area; empty where it has none', of: (r) => r.area ?? '' },
  { name: 'system_kind', holds: 'what kind of system', of: (r) => SYSTEM_KIND_NAMES[r.systemKind] },
  { name: 'component', holds: 'id of the part’s life: a part fitted anew has another', of: (r) => r.componentId },
  { name: 'part', holds: 'the part', of: (r) => SLOT_NAMES[r.slot] },
  { name: 'rating', holds: 'its rating, as on its label; empty where none is known', of: (r) => r.rating ?? '' },
  { name: 'fitted_on', holds: 'day it was fitted, ISO 8601; empty where nobody knows', of: (r) => r.fittedOn ?? '' },
  { name: 'kind', holds: 'the kind of reading, by its id', of: (r) => r.kind },
  {
    name: 'title',
    holds: 'the kind of reading and the place, in words',
    of: (r) => {
      const kind = readingKind(r.kind);
      return kind ? titleOf(kind, r.point) : r.kind;
    },
  },
  { name: 'point', holds: 'the place on the part, by its id', of: (r) => r.point },
  { name: 'method', holds: 'how it was taken, by its id', of: (r) => r.method },
  {
    name: 'method_title',
    holds: 'how it was taken, in words',
    of: (r) => {
      const kind = readingKind(r.kind);
      return (kind && methodOf(kind, r.method)?.title) ?? r.method;
    },
  },
  { name: 'value', holds: 'the value, as read; empty where only something was found', of: (r) => r.value ?? '' },
  {
    name: 'unit',
    holds: 'the unit of the value; empty where there is none',
    of: (r) => {
      const kind = readingKind(r.kind);
      return kind?.type === 'number' ? kind.unit : '';
    },
  },
  { name: 'findings', holds: 'what was found, by ids, several by "; "', of: (r) => r.findings.join('; ') },
  {
    name: 'findings_said',
    holds: 'what was found, in words',
    of: (r) => (r.findings.length > 0 ? textOf(sayFindings(r.findings, r.point)).replaceAll('\u00a0', ' ') : ''),
  },
  { name: 'entered', holds: 'what was entered, name=value, several by "; "', of: (r) => entered(r.inputs) },
  { name: 'note', holds: 'a note beside it', of: (r) => r.note ?? '' },
  { name: 'confirmed', holds: 'yes where an unlikely value was asked about and kept', of: (r) => yes(r.confirmed) },
  { name: 'supersedes', holds: 'id of the reading it corrects', of: (r) => r.supersedes ?? '' },
  { name: 'superseded', holds: 'yes where a later one corrects it: it no longer counts', of: (r) => yes(r.superseded) },
  {
    name: 'overruled',
    holds: 'what its verdict was overruled to, and why; empty where it was not',
    of: (r) => (r.ruling ? `${STANDING_NAMES[r.ruling.standing]}: ${r.ruling.why}` : ''),
  },
  {
    name: 'conditions',
    holds: 'what held while it was taken, name=value, several by "; "',
    of: (r) => entered(r.conditions),
  },
];
