import { meterLine, meterName, offShown, QUANTITY_NAMES, REFERENCES, sayOffset, type MeterView } from '@yarnix/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { v7 } from 'uuid';
import { change } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { useWide } from '../../app/use-media.ts';
import { Button } from '../../kit/button.tsx';
import { dateWords } from '../../kit/field-words.ts';
import { StandingWord } from '../../kit/mark.tsx';
import { CheckForm, type CheckMade } from '../../kit/check-form.tsx';
import { MeterForm } from './meter-form.tsx';
import { OffsetDrawing } from './offset-drawing.tsx';

/** Keeps a check at the office, and shows at once what it changes. */
function useCheck(meter: MeterView) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (made: CheckMade) =>
      change(
        'PUT',
        `/api/meters/${meter.id}/checks/${v7()}`,
        { ...made, takenAt: new Date().toISOString() },
        'meterSchema',
      ),
    onSuccess: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: ['meters'] }),
        client.invalidateQueries({ queryKey: ['session'] }),
      ]),
  });
}

function Checks({ meter }: { meter: MeterView }) {
  if (meter.checks.length === 0) return <p className="label">It was never held against anything known.</p>;
  return (
    <table className="w-full border-collapse">
      <thead>
        <tr className="label border-b border-rule-strong text-left">
          <th className="py-2 pr-3">Day</th>
          <th className="pr-3">Showed</th>
          <th className="pr-3">There was</th>
          <th className="pr-3">Off</th>
          <th>By</th>
        </tr>
      </thead>
      <tbody>
        {[...meter.checks].reverse().map((c) => {
          const off = offShown(c.quantity, c.shown, c.known);
          const { unit } = REFERENCES[c.quantity];
          return (
            <tr key={c.id} className="border-b border-rule">
              <td className="h-12 pr-3">{dateWords(c.takenAt)}</td>
              <td className="pr-3 font-semibold">
                {c.shown} {unit}
              </td>
              <td className="pr-3">
                {c.known} ± {c.knownWithin} {unit}
              </td>
              <td className="pr-3">{`${off < 0 ? '−' : '+'}${sayOffset(c.quantity, off)}`}</td>
              <td>{c.personInitials}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Quantities({ meter }: { meter: MeterView }) {
  const wide = useWide();
  const whose = meterName(meter);
  return meter.quantities.map((q) => {
    const [head, rest] = meterLine(whose, q);
    return (
      <section key={q.quantity} aria-label={QUANTITY_NAMES[q.quantity]} className="mb-6">
        <p className="mb-2 text-[20px]">
          <strong className="font-[660]">{head}</strong>
          {rest}
        </p>
        <OffsetDrawing q={q} meter={meter} width={wide ? 760 : 358} height={wide ? 230 : 190} large />
      </section>
    );
  });
}

/** One instrument: how far it is off over time and on what that rests, its checks, and holding it against something known. */
export function MeterScreen() {
  const { meterId } = useParams();
  const [search] = useSearchParams();
  const meters = useQuery(queries.meters());
  const [editing, setEditing] = useState(false);
  const kind = search.get('kind');
  const meter = meters.data?.meters.find((m) => m.id === meterId && (kind === null || m.kind === kind));
  if (!meters.data || !meter) {
    return meters.isPending ? (
      <Loading what="the meter" />
    ) : (
      <Failed
        error={meters.error ?? new Error('There is no such instrument.')}
        what="The meter"
        retry={() => void meters.refetch()}
      />
    );
  }
  return (
    <div className="grid flex-1 content-start md:grid-cols-[1fr_360px] md:content-stretch">
      <section className="min-w-0 px-4 py-5 md:px-5">
        <nav aria-label="Where this is" className="label">
          <Link to="/meters" className="underline underline-offset-4">
            Meters
          </Link>
        </nav>
        <div className="mb-3 flex flex-wrap items-center gap-x-4">
          <h1 className="text-[28px] font-bold">{meterName(meter)}</h1>
          <StandingWord standing={meter.standing} />
        </div>
        <Quantities meter={meter} />
        <p className="label mb-6 max-w-[70ch]">
          Dotted: what a data sheet allows. Dashed: from where it is watched. The band holds it with 80 %; squares are
          checks on something known.
        </p>
        {meter.isKept && (
          <>
            <h2 className="pb-1 text-[20px] font-bold">Checks</h2>
            <Checks meter={meter} />
          </>
        )}
      </section>
      <aside
        aria-label="Check and keep"
        className="border-t border-rule-strong bg-raised px-4 py-5 md:border-t-0 md:border-l md:px-5"
      >
        {meter.isKept ? (
          <Keeping meter={meter} people={meters.data.people} editing={editing} onEdit={setEditing} />
        ) : (
          <p>
            What {meter.personName} read with before instruments were kept. Keep an instrument under Meters, and what is
            read from then on stands under it.
          </p>
        )}
      </aside>
    </div>
  );
}

function Keeping({
  meter,
  people,
  editing,
  onEdit,
}: {
  meter: MeterView;
  people: readonly { readonly id: string; readonly name: string }[];
  editing: boolean;
  onEdit: (editing: boolean) => void;
}) {
  const check = useCheck(meter);
  return (
    <>
      <h2 className="text-lg font-bold">Hold it against something known</h2>
      <CheckForm
        key={meter.checks.length}
        kind={meter.kind}
        last={meter.checks.at(-1)}
        onMade={(made) => check.mutate(made)}
      />
      {check.error && (
        <p role="alert" className="mt-2 font-semibold text-act">
          {check.error.message}
        </p>
      )}
      {check.isSuccess && (
        <p role="status" className="mt-2 font-semibold">
          Kept. Parts are judged by it from now on.
        </p>
      )}
      <h2 className="mt-8 text-lg font-bold">What is kept of it</h2>
      <p className="mb-2">
        {meter.personName ?? 'The firm’s'}, since {meter.since && dateWords(meter.since)}
        {meter.until && `, laid aside ${dateWords(meter.until)}`}.
      </p>
      {editing ? (
        <div className="[&_form]:md:grid-cols-1">
          <MeterForm people={people} meter={meter} onDone={() => onEdit(false)} />
        </div>
      ) : (
        <Button onClick={() => onEdit(true)}>Change</Button>
      )}
    </>
  );
}
