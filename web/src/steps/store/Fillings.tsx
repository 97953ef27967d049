import { type Filling, formatDuration, formatNumber, showText } from '@joulemetric/core';

/** Hours beyond which a bar is only said to be long. */
const LONGEST_H = 24;

/** How long each source takes from the reserve to full, and why two hours of driving do not do it. */
export function Fillings({ fillings }: { fillings: readonly Filling[] | null }) {
  if (!fillings) return <Heading />;
  const scale = Math.min(LONGEST_H, Math.max(1, ...fillings.map(({ hours }) => hours ?? 0)));
  const drive = fillings.find((one) => one.drive)?.drive;
  return (
    <section aria-label="Hours to full" className="painted-in-view border-t border-line py-3">
      <Heading />
      {fillings.length === 0 && (
        <p className="text-ink-2">Nothing charges it yet: choose sources in the Sources step.</p>
      )}
      <ul>
        {fillings.map(({ name, kind, amps, chargeC, hours, decidedBy }) => (
          <li
            key={name}
            className="grid grid-cols-[170px_64px_56px_minmax(0,1fr)_180px] items-center gap-x-4 border-b border-line-2 py-1.5 @max-[620px]:grid-cols-[minmax(0,1fr)_56px_52px_84px]"
          >
            <span className={kind === 'all' ? 'font-semibold' : ''}>{name}</span>
            <span className="num text-right text-ink-2">{showText(amps, 'A')}</span>
            <span className="num text-right text-ink-2">{showText(chargeC, 'C')}</span>
            <svg width="100%" height="10" aria-hidden="true" className="@max-[620px]:hidden">
              {hours !== null && <Bar share={hours / scale} />}
            </svg>
            <span className="num text-right">
              <span className="font-semibold">{hours === null ? 'never' : longWords(hours)}</span>
              <span className="text-note text-ink-2"> {decidedBy === 'store' ? 'the store decides' : ''}</span>
            </span>
          </li>
        ))}
      </ul>
      {drive && <p className="num mt-1.5 text-ink-2">{driveWords(drive)}</p>}
    </section>
  );
}

/** Broken where it is longer than there is room for. */
function Bar({ share }: { share: number }) {
  if (share <= 1) return <rect width={`${share * 100}%`} height="10" fill="var(--ink-2)" />;
  return (
    <>
      <rect width="95%" height="10" fill="var(--ink-2)" />
      <rect x="96%" width="1%" height="10" fill="var(--ink-2)" />
      <rect x="98%" width="2%" height="10" fill="var(--ink-2)" />
    </>
  );
}

/** Minutes say nothing beside days. */
const longWords = (hours: number): string =>
  hours > LONGEST_H ? `${formatNumber(hours)} h` : formatDuration(Math.round(hours * 60));

/** From the reserve, after the usual day's drive. */
function driveWords({ hours, inAh, flatSoc, soc }: NonNullable<Filling['drive']>): string {
  const [flat, reached] = [flatSoc, soc].map((share) => `${formatNumber(share * 100)} %`);
  const ends = soc < 0.99 ? 'not full' : 'full';
  const told = flat === reached ? `${reached}` : `${reached}, where amps × hours alone would say ${flat}`;
  return `${formatDuration(hours * 60)} of driving offer ${formatNumber(inAh)} Ah and bring it from its reserve to ${told}: ${ends}.`;
}

const Heading = () => (
  <h2 className="pb-1 text-body font-semibold">
    How long until it is full{' '}
    <span className="num font-normal text-note text-ink-2">
      from its reserve to 99 %, nothing drawing; the sun at its best minute of the day
    </span>
  </h2>
);
