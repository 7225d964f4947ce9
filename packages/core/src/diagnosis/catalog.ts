import type { AirQuantity } from '../circuit/air-side.ts';
import { canChange, withChange, type Change } from '../circuit/change.ts';
import { callsOf, type Machine } from '../circuit/machine.ts';
import { benchOf, read, type Bench, type Measure } from '../circuit/measure.ts';
import { LEADS, type Lead } from '../equipment/lead-points.ts';
import type { Call } from '../trade/controls/call-table.ts';
import { AIR, type AirFacts } from './air-tests.ts';
import { ampsLike, DROP, lineVolts, LOW_VOLTS, microfaradsLike, ohmsLike, OPEN_CIRCUIT } from './answers.ts';
import { answerOf } from './expectations.ts';
import type { Answer, Power, Spot, Test } from './test-shape.ts';

/** The name of a call as methods of readings have it. */
export const METHOD_OF_CALL: Readonly<Record<Call, string>> = {
  off: 'off',
  fan: 'fan',
  cooling: 'cooling',
  heating: 'heating',
  'second-stage-heat': 'second-stage',
  'emergency-heat': 'emergency',
  defrost: 'defrost',
};

const made = (test: Omit<Test, 'id'>): Test => ({
  ...test,
  id: `${test.reading.kind}/${test.reading.slot}/${test.reading.point}/${test.reading.method}`,
});

/** A thermostat whose timer runs: all but Y is as it is called. */
const WAITS: Change = { stuck: 'thermostat.Y', at: 'open' };
/** Seconds into a call at which a motor's start is read. */
const AT_THE_START = 2;
/** Minutes until a hot compressor's overload has shut again, as a rule; from memory. */
const COOLS_MINUTES = 60;

/** A reading of the wiring at a pair of leads. */
export const wiring = (kind: string, point: string, method: string) => ({
  kind,
  slot: 'supply' as const,
  point,
  method,
});

/** Makes the tests of a machine; what it lacks is left out. */
export class Catalog {
  readonly tests: Test[] = [];
  readonly #nodes: ReadonlySet<string>;
  readonly #calls: ReadonlySet<Call>;
  readonly #branches: ReadonlyMap<string, { a: string; b: string; ohms: number }>;
  readonly #sound: Bench;
  /** The same while the thermostat's timer holds the compressor; null where its call is no wire. */
  readonly #timed: Bench | null;

  constructor(readonly machine: Machine) {
    this.#nodes = new Set(['ground', ...machine.network.flatMap(({ a, b }) => [a, b])]);
    this.#calls = new Set(callsOf(machine.spec));
    this.#branches = new Map(machine.network.map((branch) => [branch.id, branch]));
    this.#sound = benchOf(machine);
    this.#timed = canChange(machine, WAITS) ? benchOf(withChange(machine, WAITS), this.#sound) : null;
  }

  has = (id: string): boolean => this.#branches.has(id);
  can = (call: Call): boolean => this.#calls.has(call);

  #ends(lead: Lead): readonly [string, string] {
    if (lead === 'low-switch' || lead === 'high-switch') {
      const branch = this.#branches.get(`${lead === 'low-switch' ? 'low' : 'high'}-pressure-switch`);
      return branch ? [branch.a, branch.b] : ['none', 'none'];
    }
    const [from, to] = LEADS[lead];
    return [from, to];
  }

  /** What a sound machine answers on a call while an off-timer keeps Y from it, where that is another answer. */
  #held({ measure, answers }: Pick<Test, 'measure' | 'answers'>): Pick<Test, 'held'> {
    if (!this.#timed || !answers || (measure.what !== 'volts' && measure.what !== 'amps')) return {};
    const of = (bench: Bench) => answers[answerOf({ answers }, read(bench, measure))]?.id;
    const held = of(this.#timed);
    // A few volts across two contacts that are both open are the meter's own; across one that carries, they are a fault.
    return held === undefined || held === 'drop' || held === of(this.#sound) ? {} : { held };
  }

  #add(test: Omit<Test, 'id' | 'held'>): void {
    this.tests.push(made({ ...test, ...this.#held(test) }));
  }

  volts(lead: Lead, calls: readonly Call[], spot: Spot, over: { drop?: true; line?: true; minutes?: number } = {}) {
    const [from, to] = this.#ends(lead);
    if (!this.#nodes.has(from) || !this.#nodes.has(to)) return;
    const line = over.line ? (this.machine.spec.indoors === 'furnace' && spot === 'indoors' ? 120 : 240) : 0;
    for (const call of calls.filter(this.can))
      this.#add({
        measure: { what: 'volts', from, to, call },
        reading: wiring('wiring-volts', lead, METHOD_OF_CALL[call]),
        spot,
        power: 'live',
        call,
        minutes: over.minutes ?? 1.5,
        settled: false,
        share: 0.06,
        floor: line > 0 ? 3 : over.drop ? 0.15 : 0.8,
        answers: over.drop ? DROP : line > 0 ? lineVolts(line) : LOW_VOLTS,
      });
  }

  ohms(lead: Lead, keep: readonly string[], spot: Spot, minutes = 3): void {
    const [from, to] = this.#ends(lead);
    if (!keep.every(this.has) || !this.#nodes.has(from) || !this.#nodes.has(to)) return;
    const measure: Measure = { what: 'ohms', from, to, keep };
    const sound = read(this.#sound, measure);
    this.#add({
      measure,
      reading: wiring('wiring-ohms', lead, 'lifted'),
      spot,
      power: 'off',
      call: null,
      minutes,
      settled: false,
      share: 0.14,
      floor: 0.2,
      answers: sound === Infinity ? OPEN_CIRCUIT : ohmsLike(Number(sound)),
    });
  }

  /** Amps at the start of a call, `cooled` where the compressor was left to cool before it. */
  startAmps(point: Lead, through: string, usual: number, spot: Spot, cooled: boolean): void {
    if (!this.has(through)) return;
    this.#add({
      measure: { what: 'amps', through, call: 'cooling', after: AT_THE_START, ...(cooled && { cooled }) },
      reading: wiring('wiring-amps', point, cooled ? 'cooled-start' : 'cooling-start'),
      spot,
      power: 'live',
      call: 'cooling',
      minutes: cooled ? COOLS_MINUTES : 1.5,
      settled: false,
      share: 0.1,
      floor: 0.1,
      answers: ampsLike(usual),
    });
  }

  amps(point: Lead, through: string, usual: number, calls: readonly Call[], spot: Spot): void {
    if (!this.has(through)) return;
    for (const call of calls.filter(this.can))
      this.#add({
        measure: { what: 'amps', through, call },
        reading: wiring('wiring-amps', point, METHOD_OF_CALL[call]),
        spot,
        power: 'live',
        call,
        minutes: 1.5,
        settled: false,
        share: 0.1,
        floor: 0.1,
        answers: ampsLike(usual),
      });
  }

  microfarads(of: string, rated: number, reading: Test['reading'], spot: Spot): void {
    if (!this.has(of)) return;
    this.#add({
      measure: { what: 'microfarads', of },
      reading,
      spot,
      power: 'off',
      call: null,
      minutes: 3,
      settled: false,
      share: 0.015,
      floor: 0.1,
      answers: microfaradsLike(rated),
    });
  }

  words(
    measure: Measure,
    reading: Test['reading'],
    at: { spot: Spot; power: Power; call: Call | null; minutes: number; answers: Answer[] | null },
  ) {
    this.#add({ measure, reading, ...at, settled: false, share: 0, floor: 0 });
  }

  air(quantity: AirQuantity, call: Call, settled: boolean, as: AirFacts = AIR[quantity]): void {
    if (!this.can(call)) return;
    const { kind, slot, point, method, answers, floor, spot, minutes } = as;
    this.#add({
      measure: { what: 'air', quantity, call },
      reading: { kind, slot, point, method },
      spot,
      power: quantity === 'sensor-off' ? 'off' : quantity === 'standing-pressure' ? 'any' : 'live',
      call: quantity === 'sensor-off' || quantity === 'standing-pressure' ? null : call,
      minutes,
      settled,
      share: 0.05,
      floor,
      answers,
    });
  }
}
