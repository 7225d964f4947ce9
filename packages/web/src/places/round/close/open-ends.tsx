import {
  isDone,
  missingFields,
  PUT_OFF_CODES,
  PUT_OFF_REASONS,
  titleOn,
  type RoundField,
  type RoundRecord,
  type RoundStop,
} from '@yarnix/core';
import { Link } from 'react-router';
import { Button } from '../../../kit/button.tsx';
import { putOff } from '../stop/put-off.tsx';

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
            {field.typed !== 'nothing' && <strong className="text-act"> typed, but not taken</strong>}
          </li>
        ))}
      </ul>
      <p className="mt-2 font-semibold">Put them off, because</p>
      <div className="flex flex-wrap gap-1.5">
        {PUT_OFF_CODES.filter((code) => code !== 'other').map((code) => (
          <Button
            key={code}
            onClick={() =>
              void putOff(
                record,
                missing.map(({ field }) => field),
                code,
              )
            }
          >
            {PUT_OFF_REASONS[code].label}
          </Button>
        ))}
      </div>
    </section>
  );
}

/** What was put off, with its reason and day. */
export function PutOffList({ stops }: { stops: readonly RoundStop[] }) {
  const off = stops.flatMap((stop) => stop.fields.filter((f) => f.state === 'put-off' && isDone(f)));
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
