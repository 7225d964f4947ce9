import type { Day, InstrumentKind, NewMeterCheck } from '@yarnix/core';
import { idAt, simulateSystem, type HistoryOptions, type SystemHistory } from './history.ts';
import { address, AREAS, customerName, FIRM, PEOPLE } from './names.ts';
import { CARRIED, offOf } from './persons-meters.ts';
import { placeOfSystem, type Place } from './places.ts';
import { randomFrom, type Random } from './random.ts';

export interface FirmSystem extends SystemHistory {
  readonly customerId: string;
  readonly customerName: string;
  readonly address: string;
  readonly area: string;
  readonly place: Place;
}

export interface SimulatedFirm {
  readonly id: string;
  readonly name: string;
  readonly zone: string;
  readonly asOf: Day;
  readonly people: readonly { readonly id: string; readonly name: string; readonly initials: string }[];
  readonly meters: readonly FirmMeter[];
  readonly checks: readonly FirmCheck[];
  /** Made one at a time, so that a firm of any size can be loaded without holding it whole. */
  readonly systems: () => Generator<FirmSystem>;
}

/** An instrument of one of a firm's people, by their place. */
export interface FirmMeter {
  readonly id: string;
  readonly person: 0 | 1;
  readonly kind: InstrumentKind;
  readonly name: string;
  readonly since: Day;
}

/** A meter held against something known. */
export interface FirmCheck extends NewMeterCheck {
  readonly id: string;
  readonly meterId: string;
  readonly person: 0 | 1;
}

export interface FirmOptions {
  readonly seed: number;
  readonly systems: number;
  readonly asOf: Day;
  readonly years: readonly [number, number];
  /** True where its people's meters are off and kept; they are perfect and nobody's otherwise. */
  readonly metersOff?: boolean;
}

/** Where the ids of firm and people begin, so that they do not change with the day a demo is made. */
const EPOCH = Date.UTC(2020, 0, 1);

function* systemsOf(random: Random, options: FirmOptions, meters: HistoryOptions['meters']): Generator<FirmSystem> {
  const used = new Set<string>();
  for (let n = 0; n < options.systems; n += 1) {
    let where = address(random);
    while (used.has(where) && used.size < 900) where = address(random);
    used.add(where);
    const history = simulateSystem(random, { asOf: options.asOf, years: options.years, leftInPlace: 0.45, meters });
    const ids = { customerId: idAt(random, EPOCH + n), customerName: customerName(random) };
    const area = random.pick(AREAS);
    yield { ...history, ...ids, address: where, area, place: placeOfSystem(area, n) };
  }
}

/** Instruments that a person has had for as long as the firm keeps anything, one of each kind. */
const metersOf = (random: Random, asOf: Day): FirmMeter[] =>
  ([0, 1] as const).flatMap((person) =>
    CARRIED.map(([kind, name]) => ({ id: idAt(random, EPOCH), person, kind, name, since: asOf - 3000 })),
  );

const KNOWN_MICROFARADS = 40;

/** The first person holds the capacitance meter against a known capacitor each quarter, the second did so last winter. */
function checksOf(random: Random, meters: readonly FirmMeter[], asOf: Day): FirmCheck[] {
  const daysAgo = [
    [400, 300, 200, 110, 24],
    [420, 330],
  ] as const;
  return ([0, 1] as const).flatMap((person) =>
    daysAgo[person].map((ago) => {
      const meterId = meters.find((m) => m.person === person && m.kind === 'capacitance-meter')!.id;
      const at = (asOf - ago) * 86_400_000 + 13 * 3_600_000;
      const shows = KNOWN_MICROFARADS * (1 + offOf(person, asOf)('capacitance', asOf - ago));
      return {
        id: idAt(random, at),
        meterId,
        person,
        quantity: 'capacitance' as const,
        against: 'Known capacitor, 40 µF',
        known: KNOWN_MICROFARADS,
        knownWithin: 0.2,
        shown: Number(random.normal(shows, 0.04).toFixed(1)),
        takenAt: new Date(at).toISOString(),
      };
    }),
  );
}

/** A whole firm from one seed: the same seed and day give the same firm. */
export function simulateFirm(options: FirmOptions): SimulatedFirm {
  const { seed, asOf, metersOff = false } = options;
  const random = randomFrom(seed);
  const id = idAt(random, EPOCH);
  const people = PEOPLE.map((person) => ({ ...person, id: idAt(random, EPOCH) }));
  const meters = metersOff ? metersOf(random, asOf) : [];
  const readWith = (person: 0 | 1) => ({
    ids: Object.fromEntries(meters.filter((m) => m.person === person).map((m) => [m.kind, m.id])),
    off: offOf(person, asOf),
  });
  return {
    id,
    name: FIRM.name,
    zone: FIRM.zone,
    asOf,
    people,
    meters,
    checks: metersOff ? checksOf(random, meters, asOf) : [],
    systems: () => systemsOf(randomFrom(seed + 1), options, metersOff ? [readWith(0), readWith(1)] : undefined),
  };
}

/** The demo firm: about 40 systems with 2 to 6 years of rounds, read with meters that are somewhat off. */
export const demoFirm = (asOf: Day): SimulatedFirm =>
  simulateFirm({ seed: 20_261, systems: 42, asOf, years: [2, 6], metersOff: true });
