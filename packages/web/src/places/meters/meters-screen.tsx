import { meterLine, meterName, severityOf, type MeterView } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { Button } from '../../kit/button.tsx';
import { dateWords } from '../../kit/field-words.ts';
import { Mark } from '../../kit/mark.tsx';
import { MeterForm } from './meter-form.tsx';
import { OffsetDrawing } from './offset-drawing.tsx';

/** Its quantities, the one that stands worst first. */
const worstFirst = ({ quantities }: MeterView) =>
  [...quantities].sort((a, b) => severityOf(b.standing) - severityOf(a.standing));

function MeterRow({ meter }: { meter: MeterView }) {
  const [worst] = worstFirst(meter);
  if (!worst) return null;
  const [head, rest] = meterLine(meterName(meter), worst);
  const needsEyes = meter.standing === 'watch' || meter.standing === 'act';
  return (
    <li className="border-b border-rule">
      <Link
        to={`/meters/${meter.id}${meter.isKept ? '' : `?kind=${meter.kind}`}`}
        className="grid min-h-16 grid-cols-[34px_1fr] items-center gap-x-4 py-2 hover:bg-raised md:grid-cols-[34px_1fr_190px_150px]"
      >
        <Mark standing={meter.standing} />
        <span className={needsEyes ? 'text-[17px]' : ''}>
          <strong className="font-[660]">{head}</strong>
          <span className={needsEyes ? '' : 'text-soft'}>{rest}</span>
        </span>
        <span className="max-md:hidden">
          <OffsetDrawing q={worst} meter={meter} width={190} height={44} />
        </span>
        <span className="label max-md:col-start-2">
          {meter.until !== null
            ? `laid aside ${dateWords(meter.until)}`
            : meter.checkedAt === null
              ? meter.isKept
                ? 'never checked'
                : ''
              : `checked ${dateWords(meter.checkedAt)}`}
        </span>
      </Link>
    </li>
  );
}

/** Meters: the instruments the firm reads with, how far each is off by what its readings say; those that need eyes first. */
export function MetersScreen() {
  const meters = useQuery(queries.meters());
  const me = useQuery(queries.session()).data?.person.id;
  const [adding, setAdding] = useState(false);
  if (!meters.data) {
    return meters.error ? (
      <Failed error={meters.error} what="The meters" retry={() => void meters.refetch()} />
    ) : (
      <Loading what="the meters" />
    );
  }
  const all = [...meters.data.meters].sort(
    (a, b) => Number(a.until !== null) - Number(b.until !== null) || severityOf(b.standing) - severityOf(a.standing),
  );
  const off = all.filter((m) => m.until === null && (m.standing === 'watch' || m.standing === 'act')).length;
  return (
    <div className="px-4 py-5 md:px-5">
      <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="mr-auto text-[28px] font-bold">
          {off === 0 ? `No meter of ${all.length} is known to be off` : `${off} of ${all.length} meters read off`}
        </h1>
        <Button onClick={() => setAdding(true)}>
          <Plus aria-hidden size={19} /> New instrument
        </Button>
      </div>
      <p className="mb-4 max-w-[75ch] text-soft">
        Every meter is off by a little and keeps being off; read on many parts, it gives itself away. What is known of
        it is taken off before a part is judged. What is read is kept as it was read.
      </p>
      {adding && me && <MeterForm people={meters.data.people} me={me} onDone={() => setAdding(false)} />}
      <ul className="border-t border-rule-strong">
        {all.map((meter) => (
          <MeterRow key={`${meter.id}${meter.kind}`} meter={meter} />
        ))}
      </ul>
      {all.length === 0 && (
        <p className="py-8 text-[17px]">No instrument is kept yet. What was read so far stands under who read it.</p>
      )}
    </div>
  );
}
