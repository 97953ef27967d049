import { useState } from 'react';
import { FileLink } from './FileLink.tsx';

/** What became of a table that was read: one sentence, and the faults of its rows. */
export interface TableTold {
  readonly sentence: string;
  readonly faults: readonly string[];
}

/** Faults that are shown one by one. */
const MOST_TOLD = 20;

/** A list out to a table and in from one; rows with faults are told by their lines, the others are taken. */
export function TableFiles({
  saveAs,
  onSave,
  onRead,
}: {
  saveAs: string;
  onSave: () => void;
  onRead: (file: File) => Promise<TableTold>;
}) {
  const [told, setTold] = useState<readonly string[]>([]);
  const [isReading, setReading] = useState(false);
  const read = async (file: File) => {
    setReading(true);
    try {
      const { sentence, faults } = await onRead(file);
      const rest = faults.length - MOST_TOLD;
      setTold([sentence, ...faults.slice(0, MOST_TOLD), ...(rest > 0 ? [`and ${rest} more`] : [])]);
    } catch (error) {
      setTold([(error as Error).message]);
    }
    setReading(false);
  };
  return (
    <div className="mt-3 flex flex-wrap gap-x-6 gap-y-1 text-ink-2">
      <button type="button" onClick={onSave} className="border-b border-mark hover:text-ink phone:min-h-11">
        {saveAs}
      </button>
      <FileLink accept=".csv,text/csv" disabled={isReading} onFile={(file) => void read(file)}>
        Read a CSV…
      </FileLink>
      {told.length > 0 && (
        <div role="status" className="w-full">
          <ul>
            {told.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}
