import {
  fleetPriorFrom,
  instrumentsOf,
  isoOf,
  INSTRUMENT_KINDS,
  judgedWith,
  meterStands,
  OFFSETS,
  quantitiesOf,
  readWith,
  standingOfPart,
  type Day,
  type FleetPrior,
  type InstrumentKind,
  type MeterInUse,
  type MeterQuantityView,
  type MeterView,
  type Method,
  type NewMeter,
  type NewMeterCheck,
} from '@yarnix/core';
import { isDeepStrictEqual } from 'node:util';
import { together } from '../../database/together.ts';
import { notFound, ProblemError } from '../../http/problems.ts';
import { checkNotAhead } from '../../http/times.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { checkOf, withCheck } from './checks.ts';
import { metersStore, type CheckRow, type MeterRow } from './store.ts';

interface Needs {
  readonly planning: {
    zone(context: RequestContext): Promise<string>;
    dayOf(context: RequestContext, moment: Date | string): Promise<Day>;
  };
  readonly session: { judging(context: RequestContext): Promise<{ readonly prior: FleetPrior | undefined }> };
}

const refuse = (path: string, detail: string): never => {
  throw new ProblemError('invalid-request', detail, [{ path, detail }]);
};

/** What is known of an instrument, by what it measures. */
function knownOf(
  prior: FleetPrior | undefined,
  name: string,
  kind: InstrumentKind,
  today: number,
): MeterQuantityView[] {
  return quantitiesOf(kind).map((quantity) => {
    const known = prior?.meters[quantity];
    const line = known && Object.hasOwn(known.meters, name) ? known.meters[name] : undefined;
    const stands = meterStands(quantity, known, name, today);
    return {
      quantity,
      ...stands,
      days: [...(line?.days ?? [])],
      mean: [...(line?.mean ?? [])],
      sd: [...(line?.sd ?? [])],
    };
  });
}

const asSent = (row: CheckRow): NewMeterCheck => ({
  quantity: row.quantity,
  against: row.against,
  known: row.known,
  knownWithin: row.known_within,
  shown: row.shown,
  takenAt: row.taken_at.toISOString(),
});

const heldAgainst = ({ quantity, against, known, known_within: knownWithin }: CheckRow) => ({
  quantity,
  against,
  known,
  knownWithin,
});

const viewOfCheck = (row: CheckRow) => ({ ...asSent(row), id: row.id, personInitials: row.person_initials });

const inUseOn = (row: MeterRow, day: string): boolean => row.since <= day && (row.until === null || day <= row.until);

/** The instruments that were in use on a day, or for another reason, as a device knows them. */
const usedOn = (
  rows: readonly MeterRow[],
  day: string,
  lastChecks: readonly CheckRow[],
  orElse: (row: MeterRow) => boolean = () => false,
): MeterInUse[] =>
  rows
    .filter((row) => inUseOn(row, day) || orElse(row))
    .map(({ id, kind, name, person_id, checked_at }) => {
      const last = lastChecks.find((c) => c.meter_id === id);
      return {
        id,
        kind,
        name,
        personId: person_id,
        checkedAt: checked_at?.toISOString() ?? null,
        last: last ? heldAgainst(last) : null,
      };
    });

interface Person {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
}

/** What people read with before instruments were kept: one for each kind that anything was learned of under their name. */
function before(people: readonly Person[], prior: FleetPrior | undefined, today: number): MeterView[] {
  return people.flatMap(({ id, name: personName }) =>
    INSTRUMENT_KINDS.flatMap((kind) => {
      const quantities = knownOf(prior, id, kind, today).filter((q) => q.readings > 0);
      if (quantities.length === 0) return [];
      const standing = standingOfPart(quantities.map((q) => q.standing));
      const unkept = { since: null, until: null, isKept: false, checkedAt: null, checks: [] };
      return [{ id, kind, name: '', personId: id, personName, ...unkept, standing, quantities }];
    }),
  );
}

function viewOf({ meters }: { meters: readonly MeterView[] }, id: string): MeterView {
  const view = meters.find((m) => m.id === id);
  if (!view) throw notFound('instrument');
  return view;
}

const viewOfMeter = (
  row: MeterRow,
  names: ReadonlyMap<string, string>,
  checks: readonly CheckRow[],
  quantities: MeterQuantityView[],
): MeterView => ({
  id: row.id,
  kind: row.kind,
  name: row.name,
  personId: row.person_id,
  personName: row.person_id === null ? null : (names.get(row.person_id) ?? null),
  since: row.since,
  until: row.until,
  isKept: true,
  checkedAt: row.checked_at?.toISOString() ?? null,
  standing: standingOfPart(quantities.map((q) => q.standing)),
  quantities,
  checks: checks.filter((c) => c.meter_id === row.id).map(viewOfCheck),
});

/** Keeps a check, once, and what is known of its meter after it. */
async function keepCheck(
  store: ReturnType<typeof metersStore>,
  context: RequestContext,
  meterId: string,
  id: string,
  check: NewMeterCheck,
  zone: string,
): Promise<void> {
  const meter = await store.find(context, meterId);
  if (!meter) throw notFound('instrument');
  const { instrument, offsetIn } = OFFSETS[check.quantity];
  if (instrument !== meter.kind) refuse('quantity', 'That instrument does not measure it.');
  if (offsetIn === 'share' && !(check.known > 0)) refuse('known', 'What is known must be more than zero.');
  // Held first: two checks at once must both count.
  const stored = await store.heldPrior(context);
  const kept = await store.check(context, id);
  const isSame = kept?.meter_id === meterId && isDeepStrictEqual(asSent(kept), check);
  if (kept && !isSame) throw new ProblemError('id-taken', 'Another check has this id.');
  if (kept) return;
  await store.addCheck(context, id, meterId, check);
  if (!(await store.check(context, id))) throw new ProblemError('id-taken', 'This id is in use.');
  const { prior } = fleetPriorFrom(stored ?? { classes: {}, meters: {} });
  await store.keepPrior(context, withCheck(prior, checkOf({ ...check, meterId }, zone)));
}

/** The firm's instruments: whose, how far each is off by what its readings say, and checks against something known. */
export function metersService({ db, now, needs, transact }: On<Needs>) {
  const store = metersStore(db);
  const today = (context: RequestContext) => needs.planning.dayOf(context, now());
  return {
    async all(context: RequestContext): Promise<{ meters: MeterView[]; people: Person[] }> {
      const [day, rows, checks, people, { prior }] = await together(
        db,
        () => today(context),
        () => store.all(context),
        () => store.checks(context),
        () => store.people(context),
        () => needs.session.judging(context),
      );
      const names = new Map(people.map((p) => [p.id, p.name]));
      const kept = rows.map((row) => viewOfMeter(row, names, checks, knownOf(prior, row.id, row.kind, day)));
      return { meters: [...kept, ...before(people, prior, day)], people };
    },

    /** Instruments in use today. */
    async inUse(context: RequestContext): Promise<MeterInUse[]> {
      const [day, rows, last] = await together(
        db,
        () => today(context),
        () => store.all(context),
        () => store.lastChecks(context),
      );
      return usedOn(rows, isoOf(day), last);
    },

    /** Keeps an instrument, or changes what is kept of it. */
    async put(context: RequestContext, id: string, meter: NewMeter): Promise<MeterView> {
      if (meter.personId !== null && !(await store.people(context)).some((p) => p.id === meter.personId))
        refuse('personId', 'There is nobody of that id.');
      const known = await store.find(context, id);
      if (known && known.kind !== meter.kind)
        refuse('kind', 'What it is cannot change: its readings were taken with it.');
      if (!(await store.put(context, id, meter))) throw new ProblemError('id-taken', 'Another instrument has this id.');
      return viewOf(await this.all(context), id);
    },

    /** Keeps a check of an instrument against something known; verdicts go by it from now on. */
    check: (context: RequestContext, meterId: string, id: string, check: NewMeterCheck): Promise<MeterView> =>
      transact(async (within) => {
        checkNotAhead('takenAt', check.takenAt, now());
        const zone = await within.needs.planning.zone(context);
        await keepCheck(metersStore(within.db), context, meterId, id, check, zone);
        return viewOf(await metersService(within).all(context), meterId);
      }),

    /** What a reading by this method is taken with: what was picked, else the person's own of the kind, else the person. */
    async readWith(
      context: RequestContext,
      method: Method,
      picked: Partial<Record<InstrumentKind, string>>,
      takenAt: string,
    ): Promise<Partial<Record<InstrumentKind, string>>> {
      if (instrumentsOf(method).length === 0) return {};
      const rows = await store.all(context);
      for (const [kind, id] of Object.entries(picked)) {
        if (!rows.some((r) => r.id === id && r.kind === kind))
          refuse(`instruments.${kind}`, 'There is no such instrument.');
      }
      // One that was picked counts though it was laid aside since.
      const isPicked = (row: MeterRow) => picked[row.kind] === row.id;
      const day = await needs.planning.dayOf(context, takenAt);
      const meters = usedOn(rows, isoOf(day), [], isPicked);
      const atHand = { personId: context.personId, meters };
      return judgedWith(method, atHand, readWith(method, atHand, { instruments: picked }));
    },
  };
}
