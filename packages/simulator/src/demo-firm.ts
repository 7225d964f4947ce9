import type { Day } from '@yarnix/core';
import { idAt, simulateSystem, type SystemHistory } from './history.ts';
import { address, AREAS, customerName, FIRM, PEOPLE } from './names.ts';
import { randomFrom, type Random } from './random.ts';

export interface FirmSystem extends SystemHistory {
  readonly customerId: string;
  readonly customerName: string;
  readonly address: string;
  readonly area: string;
}

export interface SimulatedFirm {
  readonly id: string;
  readonly name: string;
  readonly zone: string;
  readonly asOf: Day;
  readonly people: readonly { readonly id: string; readonly name: string; readonly initials: string }[];
  /** Made one at a time, so that a firm of any size can be loaded without holding it whole. */
  readonly systems: () => Generator<FirmSystem>;
}

export interface FirmOptions {
  readonly seed: number;
  readonly systems: number;
  readonly asOf: Day;
  readonly years: readonly [number, number];
}

/** Where the ids of firm and people begin, so that they do not change with the day a demo is made. */
const EPOCH = Date.UTC(2020, 0, 1);

function* systemsOf(random: Random, options: FirmOptions): Generator<FirmSystem> {
  const used = new Set<string>();
  for (let n = 0; n < options.systems; n += 1) {
    let where = address(random);
    while (used.has(where) && used.size < 900) where = address(random);
    used.add(where);
    const history = simulateSystem(random, { asOf: options.asOf, years: options.years, leftInPlace: 0.45 });
    yield {
      ...history,
      customerId: idAt(random, EPOCH + n),
      customerName: customerName(random),
      address: where,
      area: random.pick(AREAS),
    };
  }
}

/** A whole firm from one seed: the same seed and day give the same firm. */
export function simulateFirm(options: FirmOptions): SimulatedFirm {
  const random = randomFrom(options.seed);
  return {
    id: idAt(random, EPOCH),
    name: FIRM.name,
    zone: FIRM.zone,
    asOf: options.asOf,
    people: PEOPLE.map((person) => ({ ...person, id: idAt(random, EPOCH) })),
    systems: () => systemsOf(randomFrom(options.seed + 1), options),
  };
}

/** The demo firm: about 40 systems with 2 to 6 years of rounds. */
export const demoFirm = (asOf: Day): SimulatedFirm => simulateFirm({ seed: 20_261, systems: 42, asOf, years: [2, 6] });
