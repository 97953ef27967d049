import { applyMoves, formatNumber, type Move, type RankedMove, type Ranking, show, showText } from '@joulemetric/core';
import { memo, useCallback, useState } from 'react';
import { changeMoveCost } from '../../commands/design.ts';
import type { Edit } from '../../commands/loads.ts';
import { type BestOrder, useBestOrder, useRanking } from '../../edges/useMoves.ts';
import { useJob, useTicks } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';
import { QuantityField } from '../../ui/Field.tsx';
import { Num } from '../../ui/Number.tsx';
import { useText } from '../../ui/useText.ts';

const GRID =
  'grid grid-cols-[20px_minmax(0,1fr)_84px_70px_minmax(120px,180px)] gap-x-4 @max-[620px]:grid-cols-[20px_minmax(0,1fr)_80px]';
const WIDE = '@max-[620px]:hidden';

/** What could be done, the best first; ticked as a what-if, made for good in one step. */
export function Moves() {
  const { job, optionId, edit } = useJob();
  const { ticked, setTicked } = useTicks();
  const { value: ranking, problem } = useRanking(job, optionId, ticked);
  const order = useBestOrder(job, optionId);
  const toggle = useCallback(
    (move: Move) =>
      setTicked((now) => {
        const without = now.filter(({ id }) => id !== move.id);
        return without.length < now.length ? without : [...now, move];
      }),
    [setTicked],
  );
  if (problem)
    return (
      <p role="alert" className="py-4 text-copper">
        The moves could not be reckoned: {problem}
      </p>
    );
  if (!ranking) return <p className="py-4 text-ink-2">Reckoning what each change would save…</p>;
  const moves = new Map(ranking.moves.map(({ move }) => [move.id, move]));
  return (
    <section
      aria-label="Moves"
      data-reckoned={ranking.reckoned}
      data-took-ms={ranking.tookMs.toFixed(3)}
      className="pt-4"
    >
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 border-b border-ink pb-1">
        <h2 className="text-body font-semibold">Moves, best first</h2>
        <p className="num text-note text-ink-2">ticked: try it without changing the job</p>
      </div>
      {ranking.moves.length === 0 && (
        <p className="py-3 text-number">Nothing left that would save half a watt-hour a day.</p>
      )}
      {ranking.moves.length > 0 && (
        <div className={`${GRID} num pt-1 text-note text-ink-2`} aria-hidden="true">
          <span />
          <span />
          <span className="text-right">saves a day</span>
          <span className={`text-right ${WIDE}`}>by average</span>
          <span className={WIDE}>which is</span>
        </div>
      )}
      <ul>
        {ranking.moves.map((ranked) => (
          <MoveRow
            key={ranked.move.id}
            ranked={ranked}
            isTicked={ticked.some(({ id }) => id === ranked.move.id)}
            anyTicked={ranking.ticked > 0}
            currency={job.brief.region.currency}
            edit={edit}
            onToggle={toggle}
          />
        ))}
      </ul>
      {ticked.length > 0 && (
        <Ticked
          ranking={ranking}
          count={ticked.length}
          onApply={() => {
            const made = ticked;
            setTicked([]);
            edit((now) => applyMoves(now, optionId, made));
          }}
          onDrop={() => setTicked([])}
        />
      )}
      <Order
        order={order}
        moves={moves}
        titles={new Map(ranking.moves.map(({ move, words }) => [move.id, words.title]))}
        onTick={setTicked}
      />
    </section>
  );
}

/** One move; drawn anew only when its own figures or its tick change. */
const MoveRow = memo(function MoveRow({
  ranked,
  isTicked,
  anyTicked,
  currency,
  edit,
  onToggle,
}: {
  ranked: RankedMove;
  isTicked: boolean;
  anyTicked: boolean;
  currency: string;
  edit: (command: Edit, coalesce?: string) => void;
  onToggle: (move: Move) => void;
}) {
  const [open, setOpen] = useState(false);
  const text = useText();
  const { move, words, savedWh, besideWh, averageWh, worth } = ranked;
  const shownWh = anyTicked ? besideWh : savedWh;
  return (
    <li data-move={move.id} className="border-b border-line-2 py-2">
      <div className={`${GRID} items-baseline`}>
        <input
          type="checkbox"
          aria-label={words.title}
          checked={isTicked}
          onChange={() => onToggle(move)}
          className="size-4 translate-y-0.5 accent-[var(--ink)]"
        />
        <div>
          <button
            type="button"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
            className="text-left text-number font-medium phone:min-h-11"
          >
            {words.title}
          </button>
          <p className="num text-ink-2">{words.why}</p>
        </div>
        <span className="text-right text-total font-semibold">
          <Num value={shownWh} unit="Wh" />
        </span>
        <span className={`num text-right text-number text-ink-2 ${WIDE}`}>
          {averageWh === null ? '–' : show(averageWh, 'Wh').number}
        </span>
        <WorthWords ranked={ranked} currency={currency} className={WIDE} />
      </div>
      {open && (
        <div className="num mt-1 grid grid-cols-[minmax(0,1fr)_180px] gap-x-6 pl-9 @max-[620px]:grid-cols-1">
          <p className="text-ink-2">
            Alone it saves {showText(savedWh, 'Wh')} a day
            {anyTicked && `, beside what is ticked ${showText(besideWh, 'Wh')}`}: the whole day as it is, less the whole
            day with this done, everything else the same.
            {averageWh !== null && ` By the average efficiency of its chain it would be ${showText(averageWh, 'Wh')}.`}{' '}
            It spares {showText(worth.storeWh, 'Wh')} of store
            {worth.panelW !== null && `, ${showText(worth.panelW, 'W')} of panel`} and {text(worth.kg, 'kg')}.
          </p>
          <QuantityField
            label="What it costs to do"
            unit={currency}
            value={worth.cost}
            auto="not known"
            min={0}
            max={1_000_000}
            note={payback(ranked, currency)}
            onChange={(cost) => edit(changeMoveCost(move.id, cost), `cost ${move.id}`)}
          />
        </div>
      )}
    </li>
  );
});

function WorthWords({ ranked, currency, className }: { ranked: RankedMove; currency: string; className: string }) {
  const { ahPerDay, panelW, kg, money } = ranked.worth;
  const text = useText();
  const parts = [
    showText(ahPerDay, 'Ah'),
    ...(panelW === null ? [] : [`${formatNumber(panelW)} W of panel`]),
    text(kg, 'kg'),
    ...(money === null ? [] : [`${formatNumber(money)}\u00a0${currency}`]),
  ];
  return <span className={`num text-note text-ink-2 ${className}`}>{parts.join(' · ')}</span>;
}

/** When a cost is known: how soon it is made good. */
function payback({ worth }: RankedMove, currency: string): string {
  const { cost, money, paybackDays } = worth;
  if (cost === null) return 'then it is told how soon it pays';
  if (paybackDays === 0) return 'pays at once: the kit it spares costs more';
  if (paybackDays === null) {
    const rest = cost - (money ?? 0);
    return `${formatNumber(rest)} ${currency} more than the kit it spares; prices of store, array and energy are in the brief`;
  }
  return paybackDays < 60
    ? `pays back in ${Math.ceil(paybackDays)} days`
    : `pays back in ${Math.ceil(paybackDays / 7)} weeks of use`;
}

function Ticked({
  ranking,
  count,
  onApply,
  onDrop,
}: {
  ranking: Ranking;
  count: number;
  onApply: () => void;
  onDrop: () => void;
}) {
  const { tickedWh, tickedWorth } = ranking;
  const text = useText();
  return (
    <div
      className="sticky bottom-0 flex flex-wrap items-center gap-x-6 gap-y-2 border-t border-ink bg-paper py-2.5"
      role="status"
    >
      <p className="num text-number">
        {count === 1 ? 'This one saves' : `These ${count} together save`}{' '}
        <span className="font-semibold">{showText(tickedWh, 'Wh')}</span> a day, {showText(tickedWorth.storeWh, 'Wh')}{' '}
        of store and {text(tickedWorth.kg, 'kg')}. The job is still as it was.
      </p>
      <Button strong onClick={onApply}>
        Make {count === 1 ? 'it' : 'them'} in the job
      </Button>
      <Button onClick={onDrop}>Drop the what-if</Button>
    </div>
  );
}

/** The greedy order, and what every combination says to it. */
function Order({
  order: { sequence, sets, progress },
  moves,
  titles,
  onTick,
}: {
  order: BestOrder;
  moves: ReadonlyMap<string, Move>;
  titles: ReadonlyMap<string, string>;
  onTick: (moves: readonly Move[]) => void;
}) {
  if (!sequence || sequence.steps.length === 0) return null;
  const tickable = sequence.steps.flatMap(({ id }) => moves.get(id) ?? []);
  return (
    <div className="pt-4" data-order={sets ? 'proved' : 'reckoning'}>
      <h3 className="text-body font-semibold">In which order</h3>
      <ol className="num mt-1 max-w-[560px]">
        {sequence.steps.map(({ id, savedWh, needWh }, i) => (
          <li key={id} className="grid grid-cols-[20px_minmax(0,1fr)_76px_120px] gap-x-3 border-b border-line-2 py-1">
            <span className="text-ink-2">{i + 1}</span>
            <span>{titles.get(id) ?? id}</span>
            <span className="text-right font-medium">−{showText(savedWh, 'Wh')}</span>
            <span className="text-right text-ink-2">leaves {showText(needWh, 'Wh')}</span>
          </li>
        ))}
      </ol>
      <p className="num mt-1.5 max-w-[560px] text-ink-2">
        Each is the best beside those before it.{' '}
        {sets ? verdict(sequence.steps, sets) : `Reckoning every combination: ${Math.round(progress * 100)} %.`}
      </p>
      <button
        type="button"
        className="mt-1 border-b border-mark phone:min-h-11"
        onClick={() => onTick(tickable)}
        disabled={tickable.length === 0}
      >
        Tick them all
      </button>
    </div>
  );
}

/** Whether some set of the same number saves more than the order does. */
function verdict(
  steps: readonly { readonly savedWh: number }[],
  { candidates, bySize }: NonNullable<BestOrder['sets']>,
): string {
  const reckoned = `All ${2 ** candidates.length - 1} combinations of the ${candidates.length} best were reckoned:`;
  let sum = 0;
  for (const [i, { savedWh }] of steps.entries()) {
    sum += savedWh;
    const best = bySize[i];
    if (!best) break;
    if (best.savedWh > sum + 0.5) {
      return `${reckoned} another ${i + 1} save ${showText(best.savedWh - sum, 'Wh')} more than the first ${i + 1} of this order.`;
    }
  }
  return `${reckoned} no set of as many saves more, at any length.`;
}
