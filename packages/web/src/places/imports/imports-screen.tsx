import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useDropzone } from 'react-dropzone';
import { Link, useNavigate } from 'react-router';
import { v7 } from 'uuid';
import { put } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { Button } from '../../kit/button.tsx';
import { sayImport } from './import-words.ts';
import { WholeFirm } from './whole-firm.tsx';

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
