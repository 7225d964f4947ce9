import { PUT_OFF_CODES, PUT_OFF_REASONS, titleOn } from '@yarnix/core';
import { Link } from 'react-router';
import type { RoundRecord } from '../../field/round-record.ts';
import { Button } from '../../kit/button.tsx';
import { putOff } from './put-off.tsx';
import type { RoundField, RoundStop } from './round-view.ts';

interface Missing {
  readonly stop: RoundStop;
  readonly field: RoundField;
  readonly index: number;
}

/** Readings that were neither taken nor put off; those nobody misses are left out. */
export function missingFields(stops: readonly RoundStop[]): Missing[] {
  const all = stops.flatMap((stop) => stop.fields.map((field, index) => ({ stop, field, index })));
  // Another way of taking the same reading makes this one unneeded.
  const has = (f: RoundField) =>
    all.some(
      ({ field: o }) =>
        o.status === 'taken' &&
        o.planned.method.settles !== false &&
        o.planned.kind === f.planned.kind &&
        o.planned.point === f.planned.point &&
        o.planned.component === f.planned.component,
    );
  // What is worked out from readings that were put off is not missed by itself.
  const isBare = (f: RoundField) => f.planned.method.inputs.length === 0 && f.entry === null;
  const isTyped = (f: RoundField) => f.status !== 'empty' && f.planned.method.inputs.length > 0;
  return all.filter(
    ({ field }) =>
      field.status !== 'taken' &&
      field.status !== 'put-off' &&
      (isTyped(field) || (!field.planned.method.optional && !isBare(field) && !has(field))),
  );
}

const nameOf = ({ planned }: RoundField): string =>
  `${titleOn(planned.kind, planned.point, planned.component)}, ${planned.method.title}`;

/** What was not taken: taken now, or put off in one tap; never a silent blank. */
export function NotTaken({ record, stops, base }: { record: RoundRecord; stops: readonly RoundStop[]; base: string }) {
  const missing = missingFields(stops);
  if (missing.length === 0) return null;
  return (
    <section>
      <h2 className="mb-1 text-lg font-bold">{missing.length} not taken</h2>
      <ul className="columns-1 md:columns-2">
        {missing.map(({ stop, field, index }) => (
          <li key={field.key} className="py-1">
            <Link
              className="inline-block min-h-8 underline decoration-rule-strong underline-offset-4"
              to={`${base}/${stop.id}?at=${index + 1}`}
            >
              {nameOf(field)}
            </Link>
            {field.status !== 'empty' && <strong className="text-act"> typed, but not taken</strong>}
          </li>
        ))}
      </ul>
      <p className="mt-2 font-semibold">Put them off, because</p>
      <div className="flex flex-wrap gap-1.5">
        {PUT_OFF_CODES.filter((code) => code !== 'other').map((code) => (
          <Button key={code} onClick={() => missing.forEach(({ field }) => putOff(record, field, code))}>
            {PUT_OFF_REASONS[code].label}
          </Button>
        ))}
      </div>
    </section>
  );
}

/** What was put off, with its reason and day. */
export function PutOffList({ stops }: { stops: readonly RoundStop[] }) {
  const off = stops.flatMap((stop) => stop.fields.filter((f) => f.status === 'put-off'));
  if (off.length === 0) return null;
  return (
    <section>
      <h2 className="mb-1 text-lg font-bold">{off.length} put off</h2>
      <ul className="columns-1 md:columns-2">
        {off.map((field) => (
          <li key={field.key} className="py-1">
            {nameOf(field)}{' '}
            <span className="label">
              {field.followUp?.followUp.note ??
                (field.followUp && PUT_OFF_REASONS[field.followUp.followUp.reason].label.toLowerCase())}
              , due {field.followUp?.followUp.dueOn}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
