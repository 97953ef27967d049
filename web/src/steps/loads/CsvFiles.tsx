import type { CsvLoads } from '@joulemetric/core';
import { lazy, Suspense, useState } from 'react';
import { addLoads, roomFor } from '../../commands/loads.ts';
import { downloadLoads } from '../../edges/files.ts';
import { readCsv } from '../../edges/readCsv.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { FileLink } from '../../ui/FileLink.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** Seldom needed: fetched when a table has faults, or more rows than fit. */
const CsvChoice = lazy(() => import('./CsvChoice.tsx').then((module) => ({ default: module.CsvChoice })));

type Reading =
  | { readonly kind: 'reading'; readonly file: string; readonly share: number; readonly cancel: () => void }
  | { readonly kind: 'read'; readonly file: string; readonly table: CsvLoads }
  | { readonly kind: 'failed'; readonly file: string; readonly problem: string };

/** The list out to a table and in from one; a file with faults, or with more rows than fit, is taken only when told how. */
export function CsvFiles() {
  const { session, job, edit } = useJob();
  const [reading, setReading] = useState<Reading | null>(null);
  const read = async (file: File) => {
    const { done, cancel } = readCsv(file, (share) =>
      setReading((now) => (now?.kind === 'reading' ? { ...now, share } : now)),
    );
    setReading({ kind: 'reading', file: file.name, share: 0, cancel });
    try {
      const table = await done;
      const fits = table.loads.length <= roomFor(session.snapshot().job);
      if (table.faults.length === 0 && fits) {
        edit(addLoads(table.loads));
        setReading(null);
      } else setReading({ kind: 'read', file: file.name, table });
    } catch (error) {
      setReading({ kind: 'failed', file: file.name, problem: (error as Error).message });
    }
  };
  const close = () => setReading(null);
  return (
    <div className="mt-3 flex flex-wrap gap-x-6 gap-y-1 text-ink-2">
      {job.loads.length > 0 && (
        <button
          type="button"
          onClick={() => void downloadLoads(job)}
          className="border-b border-mark hover:text-ink phone:min-h-11"
        >
          Save the list as CSV
        </button>
      )}
      <FileLink
        accept=".csv,text/csv"
        disabled={reading?.kind === 'reading'}
        title={`A job holds ${job.loads.length + roomFor(job)} loads; there is room for ${roomFor(job)} more.`}
        onFile={(file) => void read(file)}
      >
        Read a CSV…
      </FileLink>
      {reading?.kind === 'reading' && (
        <p role="status" className="num">
          Reading {reading.file}, {Math.round(reading.share * 100)} %{' '}
          <button type="button" onClick={reading.cancel} className="ml-2 border-b border-mark phone:min-h-11">
            Call off
          </button>
        </p>
      )}
      {reading?.kind === 'failed' && (
        <Sheet
          open
          onOpenChange={close}
          title={`${reading.file} cannot be read`}
          description={`${reading.problem} Nothing of it has been taken.`}
        >
          {null}
        </Sheet>
      )}
      {reading?.kind === 'read' && (
        <Suspense fallback={null}>
          <CsvChoice
            file={reading.file}
            table={reading.table}
            room={roomFor(job)}
            onTake={(loads) => {
              edit(addLoads(loads));
              close();
            }}
            onClose={close}
          />
        </Suspense>
      )}
    </div>
  );
}
