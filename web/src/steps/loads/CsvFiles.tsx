import { type CsvFault, type Load, loadsFromRows } from '@joulemetric/core';
import { useState } from 'react';
import { addLoads } from '../../commands/loads.ts';
import { downloadLoads, readLoadRows } from '../../edges/files.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

interface Doubtful {
  readonly file: string;
  readonly loads: readonly Load[];
  readonly faults: readonly CsvFault[];
  readonly problem: string | null;
}

/** The list out to a table and in from one; a file with faults is shown whole and taken only when told to. */
export function CsvFiles() {
  const { job, edit } = useJob();
  const [doubtful, setDoubtful] = useState<Doubtful | null>(null);
  const read = async (file: File) => {
    try {
      const taken = job.loads.map(({ id }) => id);
      const { loads, faults } = loadsFromRows(await readLoadRows(file), taken);
      if (faults.length === 0) edit(addLoads(loads));
      else setDoubtful({ file: file.name, loads, faults, problem: null });
    } catch (error) {
      setDoubtful({ file: file.name, loads: [], faults: [], problem: (error as Error).message });
    }
  };
  const rows = new Set(doubtful?.faults.map(({ line }) => line)).size;
  return (
    <div className="mt-3 flex gap-6 text-ink-2">
      {job.loads.length > 0 && (
        <button
          type="button"
          onClick={() => void downloadLoads(job)}
          className="border-b border-mark hover:text-ink phone:min-h-11"
        >
          Save the list as CSV
        </button>
      )}
      <label className="cursor-pointer border-b border-mark focus-within:outline-2 focus-within:outline-offset-2 focus-within:outline-copper hover:text-ink phone:py-3">
        Read a CSV…
        <input
          type="file"
          accept=".csv,text/csv"
          className="sr-only"
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            event.target.value = '';
            if (file) void read(file);
          }}
        />
      </label>
      {doubtful && (
        <Sheet
          open
          onOpenChange={() => setDoubtful(null)}
          title={
            doubtful.problem
              ? `${doubtful.file} cannot be read`
              : `${rows} ${rows === 1 ? 'row has' : 'rows have'} faults`
          }
          description={doubtful.problem ?? `Nothing of ${doubtful.file} has been taken yet.`}
        >
          {doubtful.faults.length > 0 && (
            <table className="num mt-4 w-full text-left">
              <thead>
                <tr className="text-note text-ink-2">
                  <th className="font-normal">Line</th>
                  <th className="font-normal">Column</th>
                  <th className="font-normal">Found</th>
                  <th className="font-normal">Expected</th>
                </tr>
              </thead>
              <tbody>
                {doubtful.faults.map(({ line, column, found, expected }) => (
                  <tr key={`${line} ${column} ${expected}`} className="border-t border-line align-top">
                    <td className="pr-3">{line}</td>
                    <td className="pr-3">{column}</td>
                    <td className="max-w-40 truncate pr-3">{found || 'nothing'}</td>
                    <td>{expected}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <div className="mt-5 flex gap-3">
            {doubtful.loads.length > 0 && (
              <Button
                strong
                onClick={() => {
                  edit(addLoads(doubtful.loads));
                  setDoubtful(null);
                }}
              >
                Take the {doubtful.loads.length} good {doubtful.loads.length === 1 ? 'row' : 'rows'}
              </Button>
            )}
            <Button onClick={() => setDoubtful(null)}>Take nothing</Button>
          </div>
        </Sheet>
      )}
    </div>
  );
}
