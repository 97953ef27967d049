import type { SaidFinding } from '../edges/view.ts';

const MARK = { stop: 'Stop', caution: 'Caution', note: 'Note' } as const;

/** One finding: what, why it matters, what to do. */
export function FindingLine({ finding, brief = false }: { finding: SaidFinding; brief?: boolean }) {
  const { what, why, act } = finding.words;
  const tone = finding.severity === 'stop' ? 'text-stop' : 'text-copper';
  return (
    <p className="num text-[13px] leading-[18px] text-ink-2" data-finding={finding.code}>
      <span className={`font-semibold ${tone}`}>
        {MARK[finding.severity]}. {what}
      </span>{' '}
      {!brief && `${why} `}
      {!brief && <span className="text-ink">{act}</span>}
    </p>
  );
}
