import { SLOT_NAMES, SLOTS, type Point } from '../../equipment/component.ts';
import { dayOf, utcDayOf, type Day } from '../../quantity/day.ts';
import { conditionsSchema, type Conditions } from '../../readings/contract/conditions.ts';
import type { Input, Inputs, Method } from '../../readings/contract/entry.ts';
import { methodOf, readingKind } from '../../readings/registry.ts';
import { systemKindNamed } from './names.ts';
import { outsideDays, type RefusedRow, type SheetRow } from './rows.ts';

/** "microfarads=38.4; finding=open" by name. */
const pairsIn = (text: string): Record<string, string> =>
  Object.fromEntries(
    text.split('; ').flatMap((pair) => {
      const at = pair.indexOf('=');
      return at < 1 ? [] : [[pair.slice(0, at), pair.slice(at + 1)] as const];
    }),
  );

function inputOf(method: Method, name: string, text: string): Input {
  const spec = method.inputs.find((input) => input.id === name);
  if (spec?.type === 'several') return text === '' ? [] : text.split('+');
  const value = Number(text);
  return spec?.type === 'number' && text !== '' && !Number.isNaN(value) ? value : text;
}

/** Conditions that are words. */
const IN_WORDS: readonly string[] = ['chargeDoubt', 'call', 'compressorStage'] satisfies (keyof Conditions)[];

/** Conditions as they are written beside a reading: "outdoorF=52; runningMin=15". */
function conditionsIn(text: string): Conditions {
  const read = conditionsSchema.safeParse(
    Object.fromEntries(
      Object.entries(pairsIn(text)).map(([name, value]) => {
        if (name === 'loose') return [name, value.split('+')];
        if (value === 'true' || value === 'false') return [name, value === 'true'];
        return [name, IN_WORDS.includes(name) ? value : Number(value)];
      }),
    ),
  );
  return read.success ? read.data : {};
}

/** Reads a row of a file that this app wrote. Readings that were corrected stay out: what stands comes with its own row. */
export function readOwnRow(
  headers: readonly string[],
  cells: readonly string[],
  line: number,
  today: Day,
): SheetRow | RefusedRow {
  const cell = (name: string): string => (cells[headers.indexOf(name)] ?? '').replace(/^'(?=[=+\-@])/, '');
  const refused = (why: string): RefusedRow => ({ line, refused: why });
  if (cell('superseded') === 'yes') return refused('It was corrected there: the newer reading has a row of its own.');
  const ms = Date.parse(cell('taken_at'));
  if (Number.isNaN(ms)) return refused(`“${cell('taken_at').slice(0, 40)}” is no moment.`);
  const day = utcDayOf(new Date(ms).toISOString());
  const outside = outsideDays(day, today);
  if (outside !== null) return refused(`${cell('taken_at').slice(0, 40)} ${outside}.`);
  const kind = readingKind(cell('kind'));
  const method = kind && methodOf(kind, cell('method'));
  const slot = SLOTS.find((known) => SLOT_NAMES[known] === cell('part'));
  if (!kind || !method || !slot)
    return refused(`No ${cell('kind').slice(0, 40)} by ${cell('method').slice(0, 40)} is known here.`);
  const inputs: Inputs = Object.fromEntries(
    Object.entries(pairsIn(cell('entered'))).map(([name, text]) => [name, inputOf(method, name, text)]),
  );
  const minute = Math.floor(ms / 60_000);
  const rating = cell('rating');
  return {
    line,
    day,
    minute: minute % 1440,
    isUtc: true,
    systemId: cell('system'),
    address: cell('address'),
    customer: cell('customer'),
    area: cell('area'),
    kind: systemKindNamed(cell('system_kind')) ?? null,
    installedOn: null,
    technician: cell('technician'),
    note: cell('note').slice(0, 500),
    plate: rating && slot === 'run-capacitor' ? { capacitorRating: rating } : {},
    troubles: [],
    outdoorF: null,
    runningMin: null,
    values: [],
    own: {
      entry: { kind: kind.id, method: method.id, at: [[slot, cell('point') as Point]], inputs, title: cell('title') },
      conditions: conditionsIn(cell('conditions')),
      fittedOn: cell('fitted_on') === '' ? null : dayOf(cell('fitted_on')),
    },
  };
}
