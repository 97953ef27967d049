import { bestStartOrder, chosenOn, type Starter, type SupplyMoment, showText, worstOrderPeak } from '@joulemetric/core';
import { useState } from 'react';
import { useWidth } from '../../ui/useWidth.ts';

/** px until the drawing is measured; below the second the names stand in a list beneath it. */
const USUAL_WIDTH = 640;
const NARROW = 460;
const HEIGHT = 196;
const LEFT = 4;
/** Room beside the steps for the words of the limits. */
const RIGHT = 128;
const FOOT = 34;
const HEAD = 18;
/** Loads below this share of the limit are switched on as one. */
const SMALL = 0.06;

/** The best order of switching on, as a staircase under the limits; what takes part is ticked. */
export function Staircase({ moment }: { moment: SupplyMoment }) {
  const { limit, loads } = moment;
  const usual = startersOf(moment, moment.chargingSize, chargeOf(moment));
  const [left, setLeft] = useState<ReadonlySet<string>>(
    () => new Set(usual.filter(({ isOn }) => !isOn).map(({ id }) => id)),
  );
  // All that is said is of what is ticked: what is left to charge as well.
  const ticked = new Set(usual.flatMap(({ id, members }) => (left.has(id) ? [] : members)));
  const chosen = chosenOn(moment, ticked);
  const able = startersOf(moment, chosen.chargingSize, chargeOf(moment, ticked));
  const on = able.filter(({ id }) => !left.has(id));
  const order = bestStartOrder(on);
  const { unit } = limit;
  const nameOf = (id: string) =>
    able.find((one) => one.id === id)?.name ?? loads.find((one) => one.id === id)?.name ?? id;
  const total = order.steps.at(-1)?.after ?? 0;
  // What an assisting inverter adds is added to what runs and to what starts.
  const bears = bearable(moment);
  const isOverRunning = total > bears.running * (1 + 1e-9);
  const isOverStarting = order.peak > bears.starting * (1 + 1e-9);
  const worst = worstOrderPeak(on);
  const chargers = loads.filter(({ id, leastSize }) => leastSize !== null && ticked.has(id));
  return (
    <div>
      <h4 className="border-b border-line pb-1 font-semibold">Switch on in this order</h4>
      {able.length > 1 && <Stairs moment={moment} steps={order.steps} nameOf={nameOf} />}
      <p
        className={`num ${isOverRunning || isOverStarting ? 'font-medium text-stop' : 'text-ink-2'}`}
        data-order-peak={order.peak.toFixed(3)}
      >
        Highest {showText(order.peak, unit)}, then {showText(total, unit)} running
        {isOverRunning && `, above the ${showText(bears.running, unit)} that are carried`}
        {isOverStarting && `, above the ${showText(bears.starting, unit)} borne at a start`}.
        {chosen.assistSize > 0 && ` The inverter adds ${showText(chosen.assistSize, unit)} of it from the battery.`}
        {chargers.length > 0 && ` For charging ${showText(chosen.chargingSize, unit)}.`}
        {worst > order.peak * 1.001 && ` Hardest start last: ${showText(worst, unit)}.`}
      </p>
      {order.because.length > 1 && order.steps.length > 1 && (
        <p className="num text-note text-ink-2">
          {order.because.length === order.steps.length
            ? 'No order is lower: all of it runs in the end.'
            : `No order is lower: whichever of ${order.because.map(nameOf).join(', ')} comes last starts on top of the others.`}
        </p>
      )}
      <fieldset className="flex flex-wrap gap-x-4 pt-1.5">
        <legend className="sr-only">What is switched on</legend>
        {able.map(({ id, name, size }) => (
          <label key={id} className="num flex min-h-7 items-center gap-1.5 text-note phone:min-h-11">
            <input
              type="checkbox"
              checked={!left.has(id)}
              onChange={() =>
                setLeft((now) => {
                  const next = new Set(now);
                  if (!next.delete(id)) next.add(id);
                  return next;
                })
              }
              className="size-4 accent-[var(--ink)]"
            />
            {name} {showText(size, unit)}
          </label>
        ))}
      </fieldset>
    </div>
  );
}

/** What all chargers ask at full, or those of some. */
const chargeOf = ({ loads }: SupplyMoment, among?: ReadonlySet<string>): number =>
  loads.reduce(
    (sum, { id, size, leastSize }) => (leastSize !== null && (among?.has(id) ?? true) ? sum + size : sum),
    0,
  );

/** What is carried for hours and borne at a start, an assisting inverter's share included. */
const bearable = ({ limit, assistableSize, startingSize }: SupplyMoment) => ({
  running: limit.runningSize + assistableSize,
  starting: startingSize,
});

interface Able extends Starter {
  readonly name: string;
  readonly isOn: boolean;
  /** Loads that it stands for. */
  readonly members: readonly string[];
}

/** The loads large enough to be named, the small ones as one, and chargers turned down to what is left for them together. */
function startersOf({ limit, loads, worst }: SupplyMoment, chargingSize: number, fullCharge: number): Able[] {
  const isSmall = ({ size, startExtra, leastSize }: SupplyMoment['loads'][number]) =>
    leastSize === null && size + startExtra < SMALL * limit.runningSize;
  const small = loads.filter(isSmall);
  const named = loads.filter((load) => !isSmall(load) && (load.size > 0 || load.startExtra > 0));
  const fixed = named.map(({ id, name, size, startExtra, leastSize }): Able => {
    const isCharger = leastSize !== null;
    const isDown = isCharger && chargingSize > 0 && chargingSize < fullCharge * (1 - 1e-9);
    return {
      id,
      name: isDown ? `${name}, turned down` : name,
      size: isDown ? (size * chargingSize) / fullCharge : size,
      startExtra,
      isOn: isCharger ? chargingSize > 0 : worst.ids.includes(id),
      members: [id],
    };
  });
  if (small.length === 0) return fixed;
  const sum = small.reduce((total, { size }) => total + size, 0);
  const startExtra = Math.max(...small.map((load) => load.startExtra));
  const name = small.length === 1 ? (small[0]?.name ?? '') : `${small.length} small ones`;
  return [
    ...fixed,
    { id: small[0]?.id ?? '', name, size: sum, startExtra, isOn: true, members: small.map((load) => load.id) },
  ];
}

function Stairs({
  moment,
  steps,
  nameOf,
}: {
  moment: SupplyMoment;
  steps: readonly { readonly id: string; readonly before: number; readonly peak: number; readonly after: number }[];
  nameOf: (id: string) => string;
}) {
  const { limit } = moment;
  const { unit } = limit;
  const bears = bearable(moment);
  const peak = Math.max(...steps.map((step) => step.peak), limit.runningSize);
  const lines = [
    { size: limit.runningSize, text: `${showText(limit.runningSize, unit)} for hours`, dash: undefined },
    { size: bears.starting, text: `${showText(bears.starting, unit)} at a start`, dash: '4 3' },
    ...(moment.assisting
      ? [{ size: bears.running, text: `${showText(bears.running, unit)} with the inverter`, dash: '9 3' }]
      : []),
    // A line far above what is reached would only press the steps flat.
  ].filter(
    ({ size }, i, all) =>
      size < peak * 1.6 && !all.slice(0, i).some((other) => Math.abs(other.size - size) < peak * 0.06),
  );
  const top = Math.max(peak, ...lines.map(({ size }) => size)) * 1.05;
  const y = (size: number) => HEIGHT - FOOT - (size / top) * (HEIGHT - FOOT - HEAD);
  const [holder, drawnWidth] = useWidth<HTMLDivElement>(USUAL_WIDTH);
  const isNarrow = drawnWidth < NARROW;
  const right = drawnWidth - (isNarrow ? 0 : RIGHT);
  const width = (right - LEFT) / Math.max(1, steps.length);
  const spike = Math.min(26, width * 0.3);
  const told = steps.map(({ id, peak: reached }) => `${nameOf(id)} ${showText(reached, limit.unit)}`).join(', ');
  return (
    <div ref={holder}>
      {isNarrow && (
        <p className="num pt-1 text-note text-ink-2">
          {lines.map(({ text, dash }) => `${dash ? 'dashed' : 'line'}: ${text}`).join(', ')}
        </p>
      )}
      <svg width={drawnWidth} height={HEIGHT} className="block" role="img" aria-label={`In order: ${told}`}>
        {steps.map(({ id, before, peak: reached, after }, i) => {
          const x = LEFT + i * width;
          return (
            <g key={id}>
              <rect
                x={x}
                y={y(before)}
                width={width}
                height={HEIGHT - FOOT - y(before)}
                fill="var(--ink)"
                fillOpacity="0.28"
              />
              <rect
                x={x}
                y={y(after)}
                width={width - 1}
                height={Math.max(0, y(before) - y(after))}
                fill="var(--ink)"
                fillOpacity="0.8"
              />
              {reached > after && (
                <rect
                  x={x + 1}
                  y={y(reached)}
                  width={spike}
                  height={y(after) - y(reached)}
                  fill="url(#start-extra)"
                  stroke="var(--copper)"
                  strokeWidth="1.5"
                />
              )}
              <text x={x + 2} y={HEIGHT - FOOT + 14} fontSize="12" fill="var(--ink)" className="num">
                {isNarrow ? i + 1 : fitted(nameOf(id), width)}
              </text>
              {!isNarrow && (
                <text x={x + 2} y={HEIGHT - FOOT + 28} fontSize="12" fill="var(--ink-2)" className="num">
                  {i + 1} · {showText(reached, limit.unit)}
                </text>
              )}
            </g>
          );
        })}
        {lines.map(({ size, text, dash }) => (
          <g key={text}>
            <line x1={LEFT} x2={right + 4} y1={y(size)} y2={y(size)} stroke="var(--ink)" strokeDasharray={dash} />
            {!isNarrow && (
              <text x={right + 8} y={y(size) + 4} fontSize="12" fill="var(--ink)" className="num">
                {text}
              </text>
            )}
          </g>
        ))}
      </svg>
      {isNarrow && (
        <ol className="num">
          {steps.map(({ id, peak: reached }, i) => (
            <li key={id} className="flex justify-between gap-3">
              <span>
                {i + 1}. {nameOf(id)}
              </span>
              <span className="text-ink-2">{showText(reached, unit)}</span>
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}

/** A name cut to what its column holds, at about 5.6 units a letter. */
function fitted(name: string, width: number): string {
  const most = Math.max(3, Math.floor((width - 4) / 5.6));
  return name.length <= most ? name : `${name.slice(0, most - 1)}…`;
}
