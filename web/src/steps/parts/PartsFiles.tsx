import { PARTS, type Part } from '@joulemetric/core';
import { useState } from 'react';
import type { StoredPart } from '../../edges/api.ts';
import { downloadParts, readParts } from '../../edges/partFiles.ts';
import { FileLink } from '../../ui/FileLink.tsx';

/** The list out to a table and in from one; rows with faults are told by their lines, the others are taken. */
export function PartsFiles({ own, onRead }: { own: readonly StoredPart[]; onRead: (part: Part) => Promise<void> }) {
  const [told, setTold] = useState<readonly string[]>([]);
  const [isReading, setReading] = useState(false);
  const read = async (file: File) => {
    setReading(true);
    const faults: string[] = [];
    let taken = 0;
    try {
      const { parts, faults: unread } = await readParts(file);
      faults.push(...unread.map(({ line, problem }) => `Line ${line}: ${problem}`));
      for (const part of parts) {
        try {
          await onRead(part as Part);
          taken += 1;
        } catch (error) {
          faults.push(`${(part as Part).name || 'A part without a name'}: ${(error as Error).message}`);
        }
      }
    } catch (error) {
      faults.push((error as Error).message);
    }
    setTold([`${taken} ${taken === 1 ? 'part was' : 'parts were'} taken from ${file.name}.`, ...faults.slice(0, 20)]);
    setReading(false);
  };
  return (
    <div className="mt-3 flex flex-wrap gap-x-6 gap-y-1 text-ink-2">
      <button
        type="button"
        onClick={() => void downloadParts(own.length > 0 ? own.map(({ part }) => part) : PARTS)}
        className="border-b border-mark hover:text-ink phone:min-h-11"
      >
        {own.length > 0 ? 'Save your parts as CSV' : 'Save the generic parts as CSV'}
      </button>
      <FileLink accept=".csv,text/csv" disabled={isReading} onFile={(file) => void read(file)}>
        Read a CSV…
      </FileLink>
      {told.length > 0 && (
        <ul role="status" className="w-full">
          {told.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
