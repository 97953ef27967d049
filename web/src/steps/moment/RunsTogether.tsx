import { type Combinations, isCharger, type SupplyMoment, showText } from '@joulemetric/core';

/** How many are told before the rest is counted. */
const TOLD = 6;

/** What clashes on a supply, and what may run together on it. */
export function RunsTogether({ moment, combinations }: { moment: SupplyMoment; combinations: Combinations | null }) {
  if (!combinations) return <p className="text-ink-2">Reckoning what may run together…</p>;
  const { clashes, together, base, baseSize } = combinations;
  const { unit } = moment.limit;
  const names = (ids: readonly string[]) =>
    ids
      .map((id) => (isCharger(id) ? 'charger' : (moment.loads.find((load) => load.id === id)?.name ?? id)))
      .join(' + ');
  return (
    <div className="num @max-[760px]:pt-3">
      <h4 className="font-words border-b border-line pb-1 font-semibold">
        {clashes.length === 0 ? 'Everything may run together' : 'Not together on it'}
        {moment.assisting && !moment.fits && (
          <span className="num font-normal text-note text-ink-2"> with the inverter’s help</span>
        )}
      </h4>
      <ul>
        {clashes.slice(0, TOLD).map((ids) => (
          <li key={ids.join()} className="border-b border-line-2 py-0.5">
            {ids.length === 1 ? `${names(ids)} alone is too much` : names(ids)}
          </li>
        ))}
        {clashes.length > TOLD && <li className="py-0.5 text-ink-2">and {clashes.length - TOLD} more</li>}
      </ul>
      {clashes.length > 0 && together.length > 0 && (
        <>
          <h4 className="font-words mt-3 border-b border-line pb-1 font-semibold">May run together</h4>
          <ul>
            {together.slice(0, TOLD).map(({ ids, size }) => (
              <li key={ids.join()} className="flex justify-between gap-3 border-b border-line-2 py-0.5">
                <span>{names(ids)}</span>
                <span className="shrink-0 text-ink-2">{showText(size, unit)}</span>
              </li>
            ))}
            {together.length > TOLD && <li className="py-0.5 text-ink-2">and {together.length - TOLD} more</li>}
          </ul>
        </>
      )}
      {base.length > 0 && (
        <p className="pt-1 text-note text-ink-2">
          Counted as always on: {names(base).replaceAll(' + ', ', ')}, {showText(baseSize, unit)}.
        </p>
      )}
    </div>
  );
}
