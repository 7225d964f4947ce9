import type { ImportDetail } from '@yarnix/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { change, send } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { Button } from '../../kit/button.tsx';
import { ColumnsForm } from './columns-form.tsx';
import { ImportRows } from './import-rows.tsx';
import { isWorking, sayImport, sayReadings, sayRows } from './import-words.ts';
import { POLL_MS, useWhenOver } from './use-when-over.ts';

const WORKS = { checking: 'Checking its rows', importing: 'Coming in', undoing: 'Being taken back' } as const;

function useImport(id: string) {
  const found = useQuery({
    ...queries.import(id),
    refetchInterval: (query) => (query.state.data && isWorking(query.state.data) ? POLL_MS : false),
  });
  useWhenOver(found.data ? isWorking(found.data) : false);
  return found;
}

function Progress({ detail, onStop }: { detail: ImportDetail; onStop: () => void }) {
  const { state, done, total, stopping } = detail;
  return (
    <div role="status" className="grid max-w-[560px] gap-2">
      <p className="text-[20px] font-bold">{WORKS[state as keyof typeof WORKS]}</p>
      <progress
        className="w-full"
        max={Math.max(1, total)}
        value={done}
        aria-label={WORKS[state as keyof typeof WORKS]}
      />
      <p className="label">
        {total > 0 ? `${done.toLocaleString('en-US')} of ${total.toLocaleString('en-US')}` : 'begins'}
      </p>
      {state !== 'undoing' && (
        <Button className="justify-self-start" disabled={stopping} onClick={onStop}>
          {stopping ? 'Stopping…' : 'Stop it'}
        </Button>
      )}
    </div>
  );
}

/** What can be done with an import where it stands. */
function Doing({
  detail,
  onWish,
  onColumns,
  isColumns,
}: {
  detail: ImportDetail;
  onWish: (wish: string) => void;
  onColumns: () => void;
  isColumns: boolean;
}) {
  const { state, chosen, readings } = detail;
  const [sure, setSure] = useState(false);
  if (state === 'checked') {
    return (
      <div className="flex flex-wrap gap-2">
        <Button look="main" disabled={chosen === 0} onClick={() => onWish('import')}>
          {chosen === 0 ? 'No row is chosen' : `Have ${sayRows(chosen)} come in`}
        </Button>
        <Button onClick={onColumns}>{isColumns ? 'Back to its rows' : 'Read its columns otherwise'}</Button>
      </div>
    );
  }
  if (state === 'undone' && !isColumns)
    return (
      <Button className="justify-self-start" onClick={onColumns}>
        Bring it in otherwise
      </Button>
    );
  if (state !== 'imported') return null;
  return sure ? (
    <div className="flex flex-wrap items-center gap-2">
      <Button look="main" onClick={() => onWish('undo')}>
        Take {sayReadings(readings)} back
      </Button>
      <Button onClick={() => setSure(false)}>Leave them</Button>
    </div>
  ) : (
    <Button className="justify-self-start" onClick={() => setSure(true)}>
      Take all of it back
    </Button>
  );
}

/** One import: naming its columns, seeing what would become of its rows, having them come in, taking them back. */
export function ImportScreen() {
  const { importId = '' } = useParams();
  const found = useImport(importId);
  const client = useQueryClient();
  const navigate = useNavigate();
  const [isColumns, setColumns] = useState(false);
  const look = () => client.invalidateQueries({ queryKey: ['import', importId] });
  const wish = useMutation({
    mutationFn: (asked: string) => change('PUT', `/api/imports/${importId}/wish`, { wish: asked }, 'importSchema'),
    onSettled: look,
  });
  const forget = useMutation({
    mutationFn: () => send('DELETE', `/api/imports/${importId}`),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ['imports'] });
      await navigate('/imports');
    },
  });
  const detail = found.data;
  if (!detail)
    return found.error ? (
      <Failed error={found.error} what="This import" retry={() => void found.refetch()} />
    ) : (
      <Loading what="this import" />
    );
  const working = isWorking(detail);
  const names = !working && (isColumns || detail.state === 'to-map' || detail.state === 'failed');
  const error = wish.error ?? forget.error;
  return (
    <div className="grid content-start gap-5 px-4 py-5 md:px-5">
      <header>
        <p>
          <Link to="/imports" className="inline-flex min-h-12 items-center font-semibold text-copper underline">
            A past from spreadsheets
          </Link>
        </p>
        <h1 className="text-[28px] font-bold break-words">{detail.name}</h1>
        {!working && (
          <p className={detail.state === 'failed' ? 'font-semibold text-act' : 'text-soft'}>{sayImport(detail)}</p>
        )}
      </header>
      {working && <Progress detail={detail} onStop={() => wish.mutate('stop')} />}
      {!working && (
        <Doing
          detail={detail}
          isColumns={isColumns}
          onWish={(asked) => wish.mutate(asked)}
          onColumns={() => setColumns(!isColumns)}
        />
      )}
      {error && (
        <p role="alert" className="font-semibold text-act">
          {error.message}
        </p>
      )}
      {names && (
        <ColumnsForm
          detail={detail}
          onChecking={() => {
            setColumns(false);
            void look();
          }}
        />
      )}
      {!working && !names && detail.outcomes && <ImportRows detail={detail} onChosen={() => void look()} />}
      {!working && detail.readings === 0 && (
        <Button look="quiet" className="justify-self-start" disabled={forget.isPending} onClick={() => forget.mutate()}>
          Forget this file
        </Button>
      )}
    </div>
  );
}
