import { reportHeadSchema, type ReportHead } from '@yarnix/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link, useParams } from 'react-router';
import { change, send } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { troubleWords } from '../../jobs/use-decide.ts';
import { Button } from '../../kit/button.tsx';
import { KeepIt } from '../../kit/keep-it.tsx';
import { Field } from '../../kit/field.tsx';
import { dateWords } from '../../kit/field-words.ts';

const FILE =
  'inline-flex min-h-14 items-center justify-center rounded-[4px] border-[1.5px] px-6 text-[17px] font-semibold';

/** The report as a file, on either paper, in either size of text. */
function AsFile({ visitId }: { visitId: string }) {
  const [isLarge, setLarge] = useState(false);
  const to = (paper: string) => `/api/visits/${visitId}/report.pdf?paper=${paper}${isLarge ? '&text=large' : ''}`;
  return (
    <section aria-labelledby="as-file" className="grid gap-3">
      <h2 id="as-file" className="text-xl font-bold">
        As a file
      </h2>
      <label className="flex min-h-12 items-center gap-3 text-[17px]">
        <input
          type="checkbox"
          className="size-5 accent-(--copper)"
          checked={isLarge}
          onChange={(e) => setLarge(e.target.checked)}
        />
        Larger text
      </label>
      <p className="flex flex-wrap gap-3">
        <a href={to('letter')} download className={`${FILE} border-copper bg-copper text-on-copper`}>
          PDF, US Letter
        </a>
        <a href={to('a4')} download className={`${FILE} border-rule-strong bg-raised`}>
          PDF, A4
        </a>
      </p>
    </section>
  );
}

/** The same as a page: by a secret link that is shown once, and ends when it is revoked. */
function AsPage({ visitId }: { visitId: string }) {
  const client = useQueryClient();
  const [url, setUrl] = useState<string | null>(null);
  const link = useQuery(queries.reportLink(visitId));
  const again = () => client.invalidateQueries({ queryKey: ['report-link', visitId] });
  const share = useMutation({
    mutationFn: () => change('PUT', `/api/visits/${visitId}/report-link`, {}, 'reportLinkSchema'),
    onSuccess: ({ path }) => setUrl(path && new URL(path, window.location.origin).href),
    onSettled: again,
  });
  const revoke = useMutation({
    mutationFn: () => send('DELETE', `/api/visits/${visitId}/report-link`),
    onSuccess: () => setUrl(null),
    onSettled: again,
  });
  const trouble = troubleWords(share.error ?? revoke.error);
  const since = link.data?.since ?? null;
  return (
    <section aria-labelledby="as-page" className="grid gap-3">
      <h2 id="as-page" className="text-xl font-bold">
        As a page by a link
      </h2>
      <p className="text-[15px]">
        {since ? `A link reads it since ${dateWords(since)}.` : 'No link reads it.'} Whoever has the link can read the
        report, and nothing else.
      </p>
      {url && (
        <div role="status" className="grid gap-2 border-l-[3px] border-copper py-1 pl-3">
          <Field label="The link, shown this once" readOnly value={url} onFocus={(e) => e.target.select()} />
          <a href={url} target="_blank" rel="noreferrer" className="font-semibold text-copper underline">
            Open it
          </a>
        </div>
      )}
      <div className="flex flex-wrap gap-3">
        <Button disabled={share.isPending} onClick={() => share.mutate()}>
          {since ? 'Make the link anew' : 'Make a link'}
        </Button>
        {since && (
          <Button disabled={revoke.isPending} onClick={() => revoke.mutate()}>
            Revoke it
          </Button>
        )}
      </div>
      {trouble && (
        <p role="alert" className="font-semibold text-act">
          {trouble}
        </p>
      )}
    </section>
  );
}

/** What the firm writes at the head of all its reports. */
function AtItsHead() {
  const client = useQueryClient();
  const held = useQuery(queries.reportHead()).data;
  const { register, handleSubmit, reset, formState } = useForm<ReportHead>({
    resolver: zodResolver(reportHeadSchema),
    defaultValues: { name: '', line: '' },
    // An answer that comes late changes only what was not touched.
    ...(held && { values: held }),
    resetOptions: { keepDirtyValues: true },
  });
  const keeping = useMutation({
    mutationFn: (body: ReportHead) => change('PUT', '/api/report-head', body, 'reportHeadSchema'),
    onSuccess: (kept) => {
      client.setQueryData(queries.reportHead().queryKey, kept);
      reset(kept, { keepDirtyValues: false });
    },
  });
  if (!held) return null;
  const { errors, isDirty } = formState;
  return (
    <form
      noValidate
      aria-labelledby="head"
      className="grid gap-3"
      onSubmit={(event) => void handleSubmit((head) => keeping.mutate(head))(event)}
    >
      <h2 id="head" className="text-xl font-bold">
        At the head of every report
      </h2>
      <Field label="The firm" maxLength={80} error={errors.name?.message} {...register('name')} />
      <Field
        label="A line of its own: license, telephone"
        maxLength={160}
        error={errors.line?.message}
        {...register('line')}
      />
      <KeepIt keeping={keeping} isTouched={isDirty} />
    </form>
  );
}

/** What the owner is given of a visit. */
export function ReportScreen() {
  const { systemId = '', visitId = '' } = useParams();
  const system = useQuery(queries.system(systemId));
  if (!system.data)
    return system.error ? (
      <Failed error={system.error} what="This visit" retry={() => void system.refetch()} />
    ) : (
      <Loading what="the visit" />
    );
  const visit = system.data.visits.find(({ id }) => id === visitId);
  const isClosed = visit !== undefined && visit.closedAt !== null;
  return (
    <div className="grid max-w-3xl content-start gap-8 px-4 py-5 md:px-5">
      <div>
        <Link to={`/systems/${systemId}`} className="font-semibold text-copper underline-offset-4 hover:underline">
          {system.data.address}
        </Link>
        <h1 className="text-[28px] font-bold">
          {visit ? `Report of ${dateWords(visit.startedAt)}` : 'No such visit here'}
        </h1>
        {visit && !isClosed && <p>The visit is still under way: its report is made once it is closed.</p>}
      </div>
      {isClosed && (
        <>
          <AsFile visitId={visitId} />
          <AsPage visitId={visitId} />
        </>
      )}
      <AtItsHead />
    </div>
  );
}
