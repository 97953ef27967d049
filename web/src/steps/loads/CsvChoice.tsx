import { type CsvFault, type CsvLoads, type Load, MOST_LOADS } from '@joulemetric/core';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** Faults listed; a table of thousands of bad rows is mended at its start. */
const FAULTS_SHOWN = 200;

/** A table that cannot be taken as it is: what is wrong with which row, and which of the good rows are wanted. */
export function CsvChoice({
  file,
  table: { loads, faults },
  room,
  onTake,
  onClose,
}: {
  file: string;
  table: CsvLoads;
  room: number;
  onTake: (loads: readonly Load[]) => void;
  onClose: () => void;
}) {
  const [first, setFirst] = useState(1);
  const most = Math.min(room, loads.length);
  const from = Math.min(Math.max(1, first), Math.max(1, loads.length - most + 1));
  const chosen = loads.slice(from - 1, from - 1 + most);
  const tooMany = loads.length > room;
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title={titleOf(faults, loads.length)}
      description={`Nothing of ${file} has been taken yet.`}
    >
      {faults.length > 0 && <Faults faults={faults} />}
      {tooMany && (
        <div className="num mt-4">
          <p>
            {loads.length} good rows, and room for {room}: a job holds {MOST_LOADS} loads.
          </p>
          {room > 0 && (
            <p className="mt-2">
              Take {most} from the good row{' '}
              <input
                type="number"
                aria-label="First good row to take"
                min={1}
                max={loads.length - most + 1}
                value={first}
                onChange={(event) => setFirst(event.target.valueAsNumber || 1)}
                className="w-20 border-b border-ink bg-transparent px-1 focus:border-copper focus:outline-none phone:min-h-11"
              />
              , “{chosen[0]?.name}”, to “{chosen.at(-1)?.name}”
            </p>
          )}
        </div>
      )}
      <div className="mt-5 flex gap-3">
        {chosen.length > 0 && (
          <Button strong onClick={() => onTake(chosen)}>
            {tooMany
              ? `Take these ${chosen.length} rows`
              : `Take the ${loads.length} good ${loads.length === 1 ? 'row' : 'rows'}`}
          </Button>
        )}
        <Button onClick={onClose}>Take nothing</Button>
      </div>
    </Sheet>
  );
}

function titleOf(faults: readonly CsvFault[], good: number): string {
  if (faults.length === 0) return `${good} rows are more than fit`;
  const rows = new Set(faults.map(({ line }) => line)).size;
  return `${rows} ${rows === 1 ? 'row has' : 'rows have'} faults`;
}

function Faults({ faults }: { faults: readonly CsvFault[] }) {
  const more = faults.length - FAULTS_SHOWN;
  return (
    <>
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
          {faults.slice(0, FAULTS_SHOWN).map(({ line, column, found, expected }) => (
            <tr key={`${line} ${column} ${expected}`} className="border-t border-line align-top">
              <td className="pr-3">{line}</td>
              <td className="pr-3">{column}</td>
              <td className="max-w-40 truncate pr-3">{found || 'nothing'}</td>
              <td>{expected}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {more > 0 && <p className="num mt-2 text-ink-2">and {more} more</p>}
    </>
  );
}
