import { meterLine, meterName, type MeterView } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { queries } from '../../app/queries.ts';
import { Mark } from '../../kit/mark.tsx';

/** The quantities of meters in use that read off: said once here, and not on each part they were read on. */
const readOff = (meters: readonly MeterView[]) =>
  meters
    .filter((m) => m.until === null)
    .flatMap((meter) => meter.quantities.map((q) => ({ meter, q })))
    .filter(({ q }) => q.standing === 'watch' || q.standing === 'act');

/** Meters known to be off, above the parts: what is read on them is taken for what is believed. */
export function MetersOff() {
  const { data } = useQuery(queries.meters());
  const off = readOff(data?.meters ?? []);
  if (off.length === 0) return null;
  return (
    <ul aria-label="Meters that read off" className="mb-1 border-l-[3px] border-copper pl-3">
      {off.map(({ meter, q }) => {
        const [head, rest] = meterLine(meterName(meter), q);
        return (
          <li key={`${meter.id}${q.quantity}`}>
            <Link to={`/meters/${meter.id}`} className="flex min-h-11 items-center gap-3 hover:text-copper">
              <Mark standing={q.standing} width={26} />
              <span>
                <strong className="font-[660]">{head}</strong>
                <span className="text-soft max-md:hidden">{rest}</span>
              </span>
            </Link>
          </li>
        );
      })}
    </ul>
  );
}
