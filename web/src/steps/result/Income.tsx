import { useAssessment } from '../../shell/JobContext.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FindingLine } from '../../ui/FindingLine.tsx';

/** Income against need, on one scale: what each source brings, and what is left or missing. */
export function Income() {
  const assessment = useAssessment();
  const { figures } = assessment;
  const need = figures['demand.battery'].value;
  const heater = figures['store.heater'].value;
  const sun = figures['sun.yield'].value;
  const driving = figures['alternator.yield'].value;
  const scale = Math.max(need + heater, sun + driving, 1);
  const percent = (wh: number) => `${(wh / scale) * 100}%`;
  const short = figures['balance.net'].value < -0.5;
  const findings = assessment.findings.filter(({ where }) => where.figure === 'balance.net');
  return (
    <section
      aria-label="Balance"
      className="grid grid-cols-[190px_minmax(0,1fr)] gap-x-8 border-y border-line py-3 @max-[860px]:grid-cols-[170px_minmax(0,1fr)] @max-[560px]:grid-cols-1"
    >
      <div>
        <h2 className="text-body font-semibold">Income less need</h2>
        <p className={`text-figure font-semibold ${short ? 'text-stop' : ''}`}>
          <Fig id="balance.net" signed />
        </p>
      </div>
      <div className="pt-1">
        <svg width="100%" height="34" role="img" aria-label="What sun and alternator bring, above the need of a day">
          <rect width={percent(sun)} height="13" fill="var(--copper)" />
          <rect
            x={percent(sun)}
            width={percent(driving)}
            height="13"
            fill="none"
            stroke="var(--copper)"
            strokeWidth="2"
          />
          <rect y="19" width={percent(need)} height="13" fill="var(--ink-2)" />
          {heater > 0 && (
            <rect x={percent(need)} y="20" width={percent(heater)} height="11" fill="none" stroke="var(--ink-2)" />
          )}
        </svg>
        <p className="num mt-1 flex flex-wrap gap-x-6 text-ink-2">
          <span>
            <Swatch filled /> sun <Fig id="sun.yield" />
          </span>
          <span>
            <Swatch /> alternator <Fig id="alternator.yield" />
          </span>
          <span>
            <svg width="14" height="9" className="inline-block" aria-hidden="true">
              <rect width="14" height="9" fill="var(--ink-2)" />
            </svg>{' '}
            need <Fig id="demand.battery" />
          </span>
          {heater > 0 && (
            <span>
              <svg width="14" height="9" className="inline-block" aria-hidden="true">
                <rect x="0.5" y="0.5" width="13" height="8" fill="none" stroke="var(--ink-2)" />
              </svg>{' '}
              warming the store <Fig id="store.heater" />
            </span>
          )}
        </p>
        {findings.map((finding) => (
          <div key={finding.code} className="mt-1.5">
            <FindingLine finding={finding} />
          </div>
        ))}
      </div>
    </section>
  );
}

function Swatch({ filled = false }: { filled?: boolean }) {
  return (
    <svg width="14" height="9" className="inline-block" aria-hidden="true">
      <rect
        x="1"
        y="1"
        width="12"
        height="7"
        fill={filled ? 'var(--copper)' : 'none'}
        stroke="var(--copper)"
        strokeWidth="2"
      />
    </svg>
  );
}
