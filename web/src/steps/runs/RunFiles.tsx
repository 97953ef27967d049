import { type Job, RUN_COLUMNS, type Run, type RunLine, runsFromCsv, runToCsv } from '@joulemetric/core';
import { useState } from 'react';
import { layRuns } from '../../commands/runs.ts';
import { askNetlist } from '../../edges/askNetlist.ts';
import { runsProblem } from '../../edges/checkRuns.ts';
import { csvLibrary, download, downloadText } from '../../edges/files.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { FileLink } from '../../ui/FileLink.tsx';

const LINK = 'border-b border-mark hover:text-ink disabled:opacity-40 phone:min-h-11';

/** Runs as a table in and out, and the network as a netlist. */
export function RunFiles({ lines, proposed }: { lines: readonly RunLine[]; proposed: readonly Run[] }) {
  const { job, optionId, edit } = useJob();
  const [problems, setProblems] = useState<readonly string[]>([]);
  const write = async () => {
    const csv = await csvLibrary();
    const data = proposed.map((run) => ({
      ...runToCsv(run),
      ...reckoned(lines.find((line) => line.run.id === run.id)),
    }));
    const text = csv.unparse(
      { fields: [...RUN_COLUMNS, ...RECKONED], data },
      { escapeFormulae: true, newline: '\r\n' },
    );
    download(job, `${text}\r\n`, 'text/csv', '-runs.csv');
  };
  const read = async (file: File) => {
    const found = await readRuns(file, job, optionId);
    setProblems('problems' in found ? found.problems : []);
    if ('runs' in found) edit(layRuns(optionId, found.runs));
  };
  return (
    <div className="text-note text-ink-2">
      <p className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <button type="button" className={LINK} disabled={proposed.length === 0} onClick={() => void write()}>
          Runs as CSV
        </button>
        <FileLink accept=".csv,text/csv" disabled={false} onFile={(file) => void read(file)}>
          Take runs from a CSV
        </FileLink>
        <button
          type="button"
          className={LINK}
          disabled={lines.length === 0}
          onClick={() =>
            void askNetlist(job, optionId).then(
              (text) => downloadText(job, text, '-network.cir'),
              (error: Error) => setProblems([error.message]),
            )
          }
        >
          SPICE netlist
        </button>
      </p>
      {problems.length > 0 && (
        <div role="alert" className="pt-1 text-copper">
          <p>Nothing was taken: the file has {problems.length === 1 ? 'a fault' : `${problems.length} faults`}.</p>
          <ul>
            {problems.slice(0, 8).map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}

/** Figures that stand beside what is said; they are not read back. */
const RECKONED = ['carries_a', 'bears_a', 'drop_v', 'way_percent', 'fuse_a', 'lost_wh', 'kg'] as const;

const reckoned = (line: RunLine | undefined): Record<string, string> =>
  line
    ? {
        carries_a: line.carriesA.toFixed(2),
        bears_a: line.ampacityA.toFixed(1),
        drop_v: line.dropV.toFixed(3),
        way_percent: (line.wayShare * 100).toFixed(2),
        fuse_a: line.fuse.ratingA === null ? '' : String(line.fuse.ratingA),
        lost_wh: line.lostWh.toFixed(2),
        kg: line.kg.toFixed(3),
      }
    : {};

async function readRuns(
  file: File,
  job: Job,
  optionId: string,
): Promise<{ readonly runs: Run[] } | { readonly problems: readonly string[] }> {
  if (file.size > 2_000_000) return { problems: ['The file is larger than 2 MB: it is no table of runs.'] };
  const csv = await csvLibrary();
  const parsed = csv.parse<Record<string, string>>(await file.text(), { header: true, skipEmptyLines: 'greedy' });
  const missing = (['id', 'name', 'end'] as const).filter((column) => !parsed.meta.fields?.includes(column));
  if (missing.length > 0) return { problems: [`The first line has no column ${missing.join(', ')}.`] };
  const { runs, faults } = runsFromCsv(parsed.data);
  if (faults.length > 0)
    return {
      problems: faults.map(
        ({ line, column, expected, found }) => `Line ${line}, ${column}: expected ${expected}; found “${found}”.`,
      ),
    };
  const problems = runsProblem(job, optionId, runs);
  return problems.length > 0 ? { problems } : { runs };
}
