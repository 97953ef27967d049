import type { Log } from '@joulemetric/core';
import { useDraft } from '../../ui/Field.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import { readOutages, readPairs, readWindows, writeOutages, writePairs, writeWindows } from './typed.ts';

/** Off times, pairs of W, and windows of a comparison, each as one line that is read as it is typed. */
export function Spans({ log, put }: { log: Log; put: (part: Partial<Log>) => void }) {
  const outages = useDraft(writeOutages(log.outages ?? []), (text) => {
    const read = readOutages(text);
    if ('problem' in read) return read.problem;
    put({ outages: read.value });
    return null;
  });
  const pairs = useDraft(writePairs(log.pairs ?? []), (text) => {
    const read = readPairs(text);
    if ('problem' in read) return read.problem;
    put({ pairs: read.value });
    return null;
  });
  const windows = useDraft(writeWindows(log.windows ?? []), (text) => {
    const read = readWindows(text);
    if ('problem' in read) return read.problem;
    put({ windows: read.value });
    return null;
  });
  return (
    <div className="grid grid-cols-3 gap-x-5 gap-y-2 pt-2 @max-[760px]:grid-cols-1">
      <TypedField label="Output off" placeholder="02:40–06:15" field={outages} />
      <TypedField label="Pairs of W out and in" placeholder="82/121, 610/701" field={pairs} />
      <TypedField label="Windows, minutes and mean W" placeholder="A 15 48.1, B 15 48.6" field={windows} />
    </div>
  );
}
