import { MOST_FIRM_BYTES, PIECE_BYTES, type RestoreView } from '@yarnix/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';
import { change, get, put } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { isUnderWay, sayRestore } from './restore-words.ts';
import { POLL_MS, useWhenOver } from './use-when-over.ts';

const FILE =
  'inline-flex min-h-12 items-center rounded-[4px] border-[1.5px] border-rule-strong bg-raised px-4 font-semibold hover:border-copper';

/** Firm's files that were brought, asked for again while one is being worked on. */
function useRestores() {
  const found = useQuery({
    ...queries.restores(),
    refetchInterval: (query) => (query.state.data?.restores.some(isUnderWay) ? POLL_MS : false),
  });
  useWhenOver(found.data?.restores.some(isUnderWay) ?? false);
  return found;
}

/** The same file of which a part is here already goes on from there. */
const begunBefore = (file: File, restores: readonly RestoreView[]): RestoreView | undefined =>
  restores.find((r) => r.name === file.name && r.size === file.size && (r.state === 'coming' || r.state === 'stopped'));

/** Sends a firm's file piece by piece; `onSent` hears how much of it is there, 0 to 1. */
function useSendFirm(onSent: (share: number) => void) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (file: File) => {
      if (file.size > MOST_FIRM_BYTES) throw new Error('It is larger than 8 GB: take it out in parts.');
      onSent(0);
      const { restores } = await get('/api/restores', 'restoresSchema');
      const id = begunBefore(file, restores)?.id ?? v7();
      const asked = { name: file.name, size: file.size };
      let here = await change('PUT', `/api/restores/${id}`, asked, 'restoreSchema');
      for (let piece = 0; here.state === 'coming' && piece * PIECE_BYTES < file.size; piece += 1) {
        await put(
          `/api/restores/${id}/pieces/${piece}`,
          file.slice(piece * PIECE_BYTES, Math.min(file.size, (piece + 1) * PIECE_BYTES)),
        );
        onSent(Math.min(1, ((piece + 1) * PIECE_BYTES) / file.size));
      }
      here = await get(`/api/restores/${id}`, 'restoreSchema');
      return here;
    },
    onSettled: () => client.invalidateQueries({ queryKey: ['restores'] }),
  });
}

function Latest({ view }: { view: RestoreView }) {
  const isBad = view.state === 'refused' || view.state === 'stopped';
  return (
    <div role={isBad ? 'alert' : 'status'} className="grid w-full max-w-[560px] gap-2">
      <p className={isBad ? 'font-semibold break-words text-act' : 'font-semibold break-words'}>{sayRestore(view)}</p>
      {isUnderWay(view) && (
        <progress
          className="w-full"
          aria-label="How far it is"
          {...(view.total > 0 && { max: view.total, value: view.done })}
        />
      )}
    </div>
  );
}

/** Reads a firm's file back: it is sent in pieces, and worked on by the server whether somebody looks or not. */
function ReadBack() {
  const [share, setShare] = useState(0);
  const restores = useRestores();
  const sending = useSendFirm(setShare);
  const latest = restores.data?.restores[0];
  return (
    <>
      <label className="grid gap-1">
        <span className="label">Read a firm’s file back</span>
        <input
          type="file"
          accept=".zip,.json,application/zip,application/json"
          className="min-h-12 file:mr-3 file:min-h-12 file:rounded-[4px] file:border-[1.5px] file:border-solid file:border-rule-strong file:bg-raised file:px-4 file:font-semibold"
          disabled={sending.isPending || (latest !== undefined && isUnderWay(latest))}
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            if (file) sending.mutate(file);
            event.target.value = '';
          }}
        />
      </label>
      {sending.isPending && (
        <p role="status" className="font-semibold">
          Sending it: {Math.round(share * 100)} %. Keep this page open until it is there.
        </p>
      )}
      {sending.error && (
        <p role="alert" className="font-semibold text-act">
          {sending.error.message} Choose the same file again to go on.
        </p>
      )}
      {!sending.isPending && !sending.error && latest && <Latest view={latest} />}
    </>
  );
}

/** All of a firm as a file, and back: nothing of it may be here yet. */
export function WholeFirm() {
  return (
    <section
      aria-labelledby="whole"
      className="grid max-w-[70ch] justify-items-start gap-3 border-t border-rule-strong pt-4"
    >
      <h2 id="whole" className="text-[20px] font-bold">
        All of the firm as a file
      </h2>
      <p className="text-soft">
        Systems, parts, visits, readings, meters and photos, in a form any program can read. Such a file is read back
        into a firm that has none of it yet. All of it is looked through before anything is kept.
      </p>
      <p className="flex flex-wrap gap-2">
        <a href="/api/export.zip" download className={FILE}>
          With photos, ZIP
        </a>
        <a href="/api/export.json" download className={FILE}>
          JSON alone
        </a>
        <a href="/api/readings.csv" download className={FILE}>
          Readings, CSV
        </a>
      </p>
      <ReadBack />
    </section>
  );
}
