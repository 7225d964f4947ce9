import type { Input, Method } from '../../readings/contract/entry.ts';
import { methodOf, readingKind } from '../../readings/registry.ts';
import type { Entry, Measure, SheetValue } from './measures.ts';

/** What a row comes to: readings, and what of it stands alone and can be none. */
export interface RowEntries {
  readonly entries: readonly Entry[];
  readonly troubles: readonly string[];
}

const groupOf = ({ kind, at }: Measure): string => `${kind} ${at.map((place) => place.join('@')).join(' ')}`;

/** The return air beside it, °F, which a difference is counted from. */
const returnIn = (values: readonly SheetValue[]): number | undefined => {
  const found = values.find(({ measure }) => measure.id === 'return-dry')?.value;
  return typeof found === 'number' ? found : undefined;
};

/** What the probe showed, where the file has the difference to the return air; heat is added to it, cooling taken from it. */
function undone(value: SheetValue, values: readonly SheetValue[]): SheetValue | string {
  const { measure } = value;
  if (!measure.difference || value.value === 'OL') return value;
  const from = returnIn(values);
  if (from === undefined) return `${measure.title}: there is no return air beside it.`;
  const sign = measure.kind === 'temperature-split' ? -1 : 1;
  return { measure, value: Number((from + sign * value.value).toPrecision(8)) };
}

const isNeeded = (spec: Method['inputs'][number]): boolean => !(spec.type === 'number' && spec.optional === true);

/** Readings of one kind at one place: methods that need the most come first, so that nothing is left for a lesser one. */
function entriesOf(group: readonly SheetValue[]): RowEntries {
  const [{ measure }] = group as [SheetValue];
  const kind = readingKind(measure.kind);
  const methods = [...new Set(group.map((value) => value.measure.method))]
    .flatMap((id) => (kind && methodOf(kind, id)) ?? [])
    .sort((a, b) => b.inputs.length - a.inputs.length);
  const left = new Map(group.map((value) => [value.measure.input, value] as const));
  const entries: Entry[] = [];
  for (const method of methods) {
    const found = method.inputs.flatMap((spec) => left.get(spec.id) ?? []);
    if (found.length === 0 || !method.inputs.filter(isNeeded).every((spec) => left.has(spec.id))) continue;
    const inputs = Object.fromEntries(found.map((value): [string, Input] => [value.measure.input, value.value]));
    entries.push({
      kind: measure.kind,
      method: method.id,
      at: measure.at,
      inputs,
      title: found[0]?.measure.title ?? '',
    });
    found.forEach((value) => left.delete(value.measure.input));
  }
  const troubles = [...left.values()].map(({ measure: { title, method } }) => {
    const needed =
      (kind && methodOf(kind, method)?.inputs.filter((spec) => isNeeded(spec) && !left.has(spec.id))) ?? [];
    const missing = needed.map((spec) => spec.label.toLowerCase()).join(' and ');
    return `${title}: it counts only with ${missing === '' ? 'more' : missing} beside it.`;
  });
  return { entries, troubles };
}

/** The readings that the numbers of a row make together. */
export function entriesIn(values: readonly SheetValue[]): RowEntries {
  const troubles: string[] = [];
  const groups = new Map<string, SheetValue[]>();
  for (const value of values) {
    const shown = undone(value, values);
    if (typeof shown === 'string') troubles.push(shown);
    else groups.set(groupOf(shown.measure), [...(groups.get(groupOf(shown.measure)) ?? []), shown]);
  }
  const made = [...groups.values()].map(entriesOf);
  return { entries: made.flatMap((m) => m.entries), troubles: [...troubles, ...made.flatMap((m) => m.troubles)] };
}
