import { formatNumber, type RunLine, showText } from '@joulemetric/core';
import { memo } from 'react';
import { useText } from '../../ui/useText.ts';
import { bigAmps, fuseKindWords, fuseText } from './words.ts';

/** The fuse schedule: what protects which run, where it sits, what it must break. */
export const Fuses = memo(function Fuses({ lines, onRun }: { lines: readonly RunLine[]; onRun: (id: string) => void }) {
  const text = useText();
  const fused = lines.filter(({ fuse }) => fuse.kind !== null);
  if (fused.length === 0) return null;
  return (
    <section aria-label="Fuses and isolators" className="painted-in-view border-t border-line py-3">
      <h2 className="text-body font-semibold">
        Fuses and isolators{' '}
        <span className="num font-normal text-note text-ink-2">each as near its source as possible</span>
      </h2>
      <table className="num mt-1 w-full max-w-[1000px] text-right" aria-label="Fuse schedule">
        <thead>
          <tr className="border-b border-ink align-bottom text-note text-ink-2">
            <th scope="col" className="py-1 text-left font-normal">
              Protects
            </th>
            <th scope="col" className="pl-3 font-normal">
              Rating
            </th>
            <th scope="col" className="pl-3 text-left font-normal">
              Kind
            </th>
            <th scope="col" className="pl-3 font-normal phone:hidden">
              From – to
            </th>
            <th scope="col" className="pl-3 font-normal phone:hidden">
              Start
            </th>
            <th scope="col" className="pl-3 font-normal phone:hidden">
              Short circuit
            </th>
            <th scope="col" className="pl-3 font-normal phone:hidden">
              Breaks
            </th>
            <th scope="col" className="pl-3 text-left font-normal phone:hidden">
              Place
            </th>
          </tr>
        </thead>
        <tbody>
          {fused.map((line) => {
            const { run, fuse } = line;
            return (
              <tr key={run.id} className="border-b border-line-2 align-baseline">
                <th scope="row" className="py-1 text-left font-normal">
                  <button
                    type="button"
                    className="text-left hover:underline phone:min-h-11"
                    onClick={() => onRun(run.id)}
                  >
                    {run.name}
                  </button>
                </th>
                <td className="whitespace-nowrap pl-3 font-semibold">{fuseText(fuse.ratingA ?? 0, fuse.ways)}</td>
                <td className="pl-3 text-left">{fuseKindWords(line)}</td>
                <td className="whitespace-nowrap pl-3 text-ink-2 phone:hidden">
                  {formatNumber(fuse.neededA, 1)} – {showText(line.ampacityA, 'A')}
                </td>
                <td className="whitespace-nowrap pl-3 text-ink-2 phone:hidden">
                  {line.startSeconds > 0 ? `${showText(line.startA, 'A')}, ${showText(line.startSeconds, 's')}` : '–'}
                </td>
                <td className="whitespace-nowrap pl-3 text-ink-2 phone:hidden">
                  {line.shortA === null ? '–' : bigAmps(line.shortA)}
                </td>
                <td
                  className={`whitespace-nowrap pl-3 phone:hidden ${fuse.mustInterruptA !== null && fuse.mustInterruptA > fuse.interruptA ? 'font-semibold text-stop' : 'text-ink-2'}`}
                >
                  {bigAmps(fuse.interruptA)}
                </td>
                <td className="pl-3 text-left text-ink-2 phone:hidden">
                  {run.fuseAtM === null ? '' : `${text(run.fuseAtM, 'm')} from its source`}
                  {run.isolator ? `${run.fuseAtM === null ? '' : ', '}isolator` : ''}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
});
