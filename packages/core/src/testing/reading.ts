import { componentsFor, type ComponentPlate, type Point, type Slot } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import { judge, type Verdict } from '../judgment/judge.ts';
import { DEFAULT_POLICY, type Policy } from '../verdict/policy.ts';
import { sayReason } from '../words/reasons.ts';
import { checkEntry, type EntryCheck } from '../readings/check-entry.ts';
import type { Conditions } from '../readings/contract/conditions.ts';
import type { About, Inputs } from '../readings/contract/entry.ts';
import type { ReadingKind } from '../readings/contract/kind.ts';
import { methodOf } from '../readings/registry.ts';
import type { PressureTables } from '../trade/refrigerant/pressure-table.ts';

/** Where a test takes its reading; everything that is left out is as usual. */
export interface Setting {
  readonly system?: SystemKind;
  readonly slot?: Slot;
  readonly plate?: Plate;
  readonly point?: Point;
  readonly conditions?: Conditions;
  readonly tables?: PressureTables;
  readonly policy?: Policy;
  /** Schools that the part has for itself. */
  readonly schools?: ComponentPlate['schools'];
}

/** What a kind's reading is about in a test. */
export function aboutOf(kind: ReadingKind, setting: Setting = {}): About {
  const systemKind = setting.system ?? 'split-heat-pump';
  const plate = { heatKilowatts: 10, ...setting.plate };
  const parts = componentsFor(systemKind, plate);
  const part = parts.find((p) => (setting.slot ? p.slot === setting.slot : p.kind === kind.component));
  if (!part) throw new Error(`no ${setting.slot ?? kind.component} in a ${systemKind}`);
  const own = setting.schools ? { ...part.plate, schools: setting.schools } : part.plate;
  const component = { ...part, plate: own, fittedOn: null };
  const point = setting.point ?? kind.methods[0]?.points({ systemKind, plate: setting.plate ?? plate, component })[0];
  return {
    systemKind,
    plate: setting.plate ?? plate,
    component,
    point: point ?? 'whole',
    conditions: setting.conditions ?? {},
    tables: setting.tables,
  };
}

/** Enters a reading as a technician would, by the given method or the first. */
export function enter(kind: ReadingKind, inputs: Inputs, setting: Setting = {}, methodId?: string): EntryCheck {
  const method = methodId ? methodOf(kind, methodId) : kind.methods[0];
  if (!method) throw new Error(`no method ${methodId ?? ''}`);
  return checkEntry(kind, method, inputs, aboutOf(kind, setting));
}

/** Enters a reading and judges it as the first of its thread; throws when it is refused. */
export function judged(
  kind: ReadingKind,
  inputs: Inputs,
  setting: Setting = {},
  methodId?: string,
): Verdict & { says: string } {
  const check = enter(kind, inputs, setting, methodId);
  if (check.outcome === 'refused') throw new Error(`refused: ${JSON.stringify(check.because)}`);
  const about = aboutOf(kind, setting);
  const verdict = judge(
    {
      id: 'typed',
      kind: kind.id,
      point: about.point,
      method: methodId ?? kind.methods[0]?.id ?? '',
      value: check.value,
      findings: check.findings,
      day: 20_000,
      conditions: about.conditions,
      inputs,
    },
    { ...about, earlier: [], nextRound: 20_180 },
    setting.policy ?? DEFAULT_POLICY,
  );
  return { ...verdict, says: sayReason(verdict.because).replaceAll('\u00a0', ' ') };
}
