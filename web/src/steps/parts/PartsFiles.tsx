import { PARTS, type Part } from '@joulemetric/core';
import type { StoredPart } from '../../edges/answers.ts';
import { downloadParts, readParts } from '../../edges/listFiles.ts';
import { TableFiles, type TableTold } from '../../ui/TableFiles.tsx';

/** The parts list out to a table and in from one. */
export function PartsFiles({ own, onRead }: { own: readonly StoredPart[]; onRead: (part: Part) => Promise<void> }) {
  const read = async (file: File): Promise<TableTold> => {
    const { parts, faults: unread } = await readParts(file);
    const faults = unread.map(({ line, problem }) => `Line ${line}: ${problem}`);
    let taken = 0;
    for (const part of parts as readonly Part[]) {
      try {
        await onRead(part);
        taken += 1;
      } catch (error) {
        faults.push(`${part.name || 'A part without a name'}: ${(error as Error).message}`);
      }
    }
    return { sentence: `${taken} ${taken === 1 ? 'part was' : 'parts were'} taken from ${file.name}.`, faults };
  };
  return (
    <TableFiles
      saveAs={own.length > 0 ? 'Save your parts as CSV' : 'Save the generic parts as CSV'}
      onSave={() => void downloadParts(own.length > 0 ? own.map(({ part }) => part) : PARTS)}
      onRead={read}
    />
  );
}
