import { memo, useState } from 'react';
import type { SaidFinding } from '../edges/view.ts';
import { FindingLine } from './FindingLine.tsx';

/** So many of one kind are said in full; the rest stand behind a count. */
const OF_A_KIND = 3;

/** Findings in the order of their weight; many of one kind, such as a start on each of forty leads, do not hide the others. */
export function Findings({ findings }: { findings: readonly SaidFinding[] }) {
  const kinds = new Map<string, SaidFinding[]>();
  for (const finding of findings) {
    const kind = `${finding.severity} ${finding.code}`;
    kinds.set(kind, [...(kinds.get(kind) ?? []), finding]);
  }
  return [...kinds].map(([kind, ofKind]) => <OfKind key={kind} findings={ofKind} />);
}

function OfKind({ findings }: { findings: readonly SaidFinding[] }) {
  const [isOpen, setOpen] = useState(false);
  const more = findings.length - OF_A_KIND;
  // A single one would take no more room than its button.
  const canFold = more > 1;
  return (
    <>
      {(canFold && !isOpen ? findings.slice(0, OF_A_KIND) : findings).map((finding, place) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: what they say changes with every edit, their place stands.
        <Line key={place} finding={finding} />
      ))}
      {canFold && (
        <button
          type="button"
          aria-expanded={isOpen}
          onClick={() => setOpen(!isOpen)}
          className="text-[13px] leading-[18px] underline decoration-mark underline-offset-4 hover:decoration-ink phone:min-h-11"
        >
          {isOpen ? `Only the first ${OF_A_KIND} of this kind` : `${more} more of this kind`}
        </button>
      )}
    </>
  );
}

const Line = memo(FindingLine);
