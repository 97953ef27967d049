import { formatClock, namesOf, type RankedSet, type SizedInverter, showText } from '@joulemetric/core';
import { Num } from '../../ui/Number.tsx';
import { tripWords } from './words.ts';

const GRID = 'grid grid-cols-[minmax(0,1fr)_74px_74px_104px] gap-x-4 @max-[620px]:grid-cols-[minmax(0,1fr)_84px]';
const WIDE = '@max-[620px]:hidden';

/** The heaviest sets on one scale: what runs, piece by piece, the worst start on top, and what the inverter bears. */
export function SetBars({
  inverter,
  sets,
  alone,
}: {
  inverter: SizedInverter;
  sets: readonly RankedSet[];
  alone: boolean;
}) {
  const { device } = inverter;
  const scaleW = scaleOf(inverter);
  return (
    <div className="pt-3">
      <div className={`${GRID} num items-end text-note text-ink-2`}>
        <div>
          {!alone && <h2 className="font-words text-body font-semibold text-ink">{device.name}</h2>}
          <Limits inverter={inverter} scaleW={scaleW} />
        </div>
        <span className="text-right">runs</span>
        <span className={`text-right ${WIDE}`}>apparent</span>
        <span className={`text-right ${WIDE}`}>worst start</span>
      </div>
      <ol aria-label="Heaviest sets">
        {sets.map((set, i) => (
          <li key={set.ids.join()} className="border-b border-line-2 pb-1.5" data-set={i}>
            <div className={`${GRID} items-center`}>
              <SetBar set={set} inverter={inverter} scaleW={scaleW} height={i === 0 ? 30 : 22} />
              <span className={`text-right ${i === 0 ? 'text-total font-semibold' : 'text-number'}`}>
                <Num value={set.weight} unit="W" />
              </span>
              <span className={`text-right text-number ${WIDE}`}>
                <Num value={set.apparentVa} unit="VA" />
              </span>
              <span className={`text-right text-number ${WIDE}`}>
                <Num value={set.startW} unit="W" />
              </span>
            </div>
            <p className="num text-ink-2">
              <span className="text-ink">{i === 0 ? 'Worst: ' : 'Next: '}</span>
              {set.startMin !== null && `from ${formatClock(set.startMin)}, `}
              {set.members.map(({ name, watts }) => `${name} ${showText(watts, 'W')}`).join(' · ')}
              {set.starters.length > 0 && `; hardest start ${namesOf(set.starters, set.members)}`}.{' '}
              {set.trips.map((trip) => (
                <span key={trip.kind} className="font-medium text-stop">
                  It {tripWords(trip)}.{' '}
                </span>
              ))}
            </p>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** W of the whole width. What is held at a start has its line where that does not press the bars flat. */
export function scaleOf({ bears, moment }: SizedInverter): number {
  const asked = Math.max(moment.surge.weight, bears.ratingW);
  return (bears.surgeW < asked * 1.6 ? Math.max(bears.surgeW, asked) : asked) * 1.02;
}

const percent = (w: number, scaleW: number): string => `${Math.min(100, (w / scaleW) * 100)}%`;

/** The words of the limit lines, above the bars. */
function Limits({ inverter: { bears }, scaleW }: { inverter: SizedInverter; scaleW: number }) {
  const isHot = bears.hotW < bears.ratingW - 0.5;
  const words = [
    ...(isHot
      ? [{ w: bears.hotW, text: `${showText(bears.hotW, 'W')} when hot` }]
      : [{ w: bears.ratingW, text: `${showText(bears.ratingW, 'W')} for hours` }]),
    ...(bears.surgeW <= scaleW
      ? [{ w: bears.surgeW, text: `${showText(bears.surgeW, 'W')} for ${showText(bears.holdSeconds, 's')}` }]
      : []),
  ];
  return (
    <div className="relative h-[18px]" aria-hidden="true">
      {words.map(({ w, text }) => (
        <span
          key={text}
          className="absolute bottom-0 -translate-x-full whitespace-nowrap border-r border-ink pr-1.5 leading-4"
          style={{ left: percent(w, scaleW) }}
        >
          {text}
        </span>
      ))}
    </div>
  );
}

function SetBar({
  set,
  inverter: { bears },
  scaleW,
  height,
}: {
  set: RankedSet;
  inverter: SizedInverter;
  scaleW: number;
  height: number;
}) {
  let from = 0;
  const top = 5;
  const tall = height - 10;
  return (
    <svg
      width="100%"
      height={height}
      role="img"
      aria-label={`${showText(set.weight, 'W')} run, a start reaches ${showText(set.startW, 'W')}`}
    >
      {set.members.map(({ id, watts }, i) => {
        const x = from;
        from += watts;
        return (
          <rect
            key={id}
            x={percent(x, scaleW)}
            y={top}
            width={percent(watts, scaleW)}
            height={tall}
            fill="var(--ink)"
            fillOpacity={i % 2 === 0 ? 0.82 : 0.62}
          />
        );
      })}
      {set.startW > set.weight && (
        <rect
          x={percent(set.weight, scaleW)}
          y={top + 0.75}
          width={percent(set.startW - set.weight, scaleW)}
          height={tall - 1.5}
          fill="url(#start-extra)"
          stroke="var(--copper)"
          strokeWidth="1.5"
        />
      )}
      {[bears.hotW, bears.surgeW].map((w) =>
        w <= scaleW ? (
          <line
            key={w}
            x1={percent(w, scaleW)}
            x2={percent(w, scaleW)}
            y1="0"
            y2={height}
            stroke="var(--ink)"
            strokeWidth="1"
            strokeDasharray={w === bears.surgeW ? '3 3' : undefined}
          />
        ) : null,
      )}
    </svg>
  );
}
