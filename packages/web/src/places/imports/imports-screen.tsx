import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useDropzone } from 'react-dropzone';
import { Link, useNavigate } from 'react-router';
import { v7 } from 'uuid';
import { put } from '../../app/api.ts';
import { replySchema } from '../../app/replies/index.ts';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { Button } from '../../kit/button.tsx';
import { sayImport, sayReadings, saySystems } from './import-words.ts';

const LARGEST = 32 * 1024 * 1024;

/** Brings a file to the server, and goes on to its columns. */
function useBring() {
  const client = useQueryClient();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: async (file: File) => {
      if (file.size > LARGEST) throw new Error('It is larger than 32 MB: bring it in parts.');
      const id = v7();
      const asked = new URLSearchParams({ name: file.name, zone: Intl.DateTimeFormat().resolvedOptions().timeZone });
      await put(`/api/imports/${id}?${asked}`, file);
      return id;
    },
    onSuccess: async (id) => {
      void client.invalidateQueries({ queryKey: ['imports'] });
      await navigate(`/imports/${id}`);
    },
  });
}

function BringFile() {
  const bring = useBring();
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    multiple: false,
    noClick: true,
    noKeyboard: true,
    onDrop: ([file]) => file && bring.mutate(file),
  });
  return (
    <div
      {...getRootProps()}
      className={`grid justify-items-start gap-3 rounded-[4px] border-2 border-dashed p-5 ${isDragActive ? 'border-copper bg-wash' : 'border-rule-strong'}`}
    >
      <p className="max-w-[60ch]">
        Save the sheet as CSV, one visit or one reading a row, with its headings in the first row. Nothing comes in
        before you have seen, row by row, what would.
      </p>
      <input {...getInputProps({ 'aria-label': 'CSV file' })} />
      <Button look="main" disabled={bring.isPending} onClick={open}>
        {bring.isPending ? 'Bringing it…' : 'Choose a CSV file'}
      </Button>
      <p className="label hidden md:block">or drop it here</p>
      {bring.error && (
        <p role="alert" className="font-semibold text-act">
          {bring.error.message} Nothing was kept.
        </p>
      )}
    </div>
  );
}

const FILE =
  'inline-flex min-h-12 items-center rounded-[4px] border-[1.5px] border-rule-strong bg-raised px-4 font-semibold hover:border-copper';
const LARGEST_FIRM = 64 * 1024 * 1024;

/** All of a firm as a file, and back: nothing of it may be here yet. */
function WholeFirm() {
  const client = useQueryClient();
  const restoring = useMutation({
    mutationFn: async (file: File) => {
      if (file.size > LARGEST_FIRM) throw new Error('It is larger than 64 MB: take it out in parts.');
      const [schema, restored] = await Promise.all([replySchema('restoredSchema'), put('/api/export', file)]);
      return schema.parse(restored);
    },
    onSuccess: () => client.invalidateQueries(),
  });
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
        into a firm that has none of it yet, all of it or nothing.
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
      <label className="grid gap-1">
        <span className="label">Read a firm’s file back</span>
        <input
          type="file"
          accept=".zip,.json,application/zip,application/json"
          className="min-h-12 file:mr-3 file:min-h-12 file:rounded-[4px] file:border-[1.5px] file:border-solid file:border-rule-strong file:bg-raised file:px-4 file:font-semibold"
          disabled={restoring.isPending}
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            if (file) restoring.mutate(file);
            event.target.value = '';
          }}
        />
      </label>
      {restoring.isPending && <p role="status">Reading it back…</p>}
      {restoring.error && (
        <p role="alert" className="font-semibold text-act">
          {restoring.error.message}
        </p>
      )}
      {restoring.data && (
        <p role="status" className="font-semibold">
          {saySystems(restoring.data.systems)} and {sayReadings(restoring.data.readings)} are here; every part is judged
          anew now.
        </p>
      )}
    </section>
  );
}

/** A firm's past from spreadsheets: bringing a file, and those that were brought. */
export function ImportsScreen() {
  const imports = useQuery(queries.imports());
  return (
    <div className="grid content-start gap-6 px-4 py-5 md:px-5">
      <h1 className="text-[28px] font-bold">A past from spreadsheets</h1>
      <BringFile />
      {!imports.data &&
        (imports.error ? (
          <Failed error={imports.error} what="What was brought before" retry={() => void imports.refetch()} />
        ) : (
          <Loading what="what was brought before" />
        ))}
      {imports.data && imports.data.imports.length > 0 && (
        <section aria-labelledby="brought">
          <h2 id="brought" className="pb-1 text-[20px] font-bold">
            Brought before
          </h2>
          <ul>
            {imports.data.imports.map((view) => (
              <li key={view.id} className="border-t border-rule">
                <Link to={`/imports/${view.id}`} className="grid min-h-14 content-center py-2 hover:bg-wash">
                  <span className="font-bold">{view.name}</span>
                  <span className="text-soft">
                    {new Date(view.askedAt).toLocaleDateString('en-US', { dateStyle: 'medium' })}, {sayImport(view)}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
      <WholeFirm />
    </div>
  );
}
