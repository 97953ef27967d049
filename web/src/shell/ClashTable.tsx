import type { Clash, Job } from '@joulemetric/core';
import { type ClashWords, clashWords } from './clashWords.ts';

/** Rows shown; of more it says how many. */
const SHOWN = 12;

/** The parts that two people changed, with what each made of them. */
export function ClashTable({
  clashes,
  jobs,
  heads,
}: {
  clashes: readonly Clash[];
  jobs: readonly Job[];
  heads: readonly [string, string];
}) {
  const more = clashes.length - SHOWN;
  return (
    <>
      <ThreeColumns heads={heads} rows={clashes.slice(0, SHOWN).map((clash) => clashWords(clash, jobs))} />
      {more > 0 && <p className="num pt-1 text-note text-ink-2">and {more} more</p>}
    </>
  );
}

/** What, and two versions of it next to each other. */
export function ThreeColumns({ heads, rows }: { heads: readonly [string, string]; rows: readonly ClashWords[] }) {
  return (
    <table className="mt-4 w-full table-fixed text-left">
      <thead>
        <tr className="border-b border-ink text-note text-ink-2">
          <th scope="col" className="w-[44%] py-1 font-normal">
            What
          </th>
          {heads.map((head) => (
            <th key={head} scope="col" className="font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody className="num">
        {rows.map(({ part, mine, theirs }) => (
          <tr key={part} className="border-b border-line align-baseline">
            <th scope="row" className="break-words py-1 pr-3 font-normal text-ink-2">
              {part}
            </th>
            <td className="break-words pr-3">{mine}</td>
            <td className="break-words">{theirs}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
