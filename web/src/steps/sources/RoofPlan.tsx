import { type LyingPanel, type Roof, roofPlan } from '@joulemetric/core';
import { useRef } from 'react';
import { addObstacle, changeRoof, layAllOut, placePanel } from '../../commands/roof.ts';
import { useEditing, useJob, useOption } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { RegionField } from '../../ui/RegionField.tsx';
import { useText } from '../../ui/useText.ts';

/** m by which an arrow key moves, alone and with Shift. */
const STEP_M = 0.05;
const FINE_M = 0.01;
/** m beyond the edge that are still drawn. */
const AROUND_M = 0.25;

const toCm = (m: number): number => Math.round(m * 100) / 100;

/** The roof from above, to scale: panels and what is in the way, moved with mouse, touch or keys. */
export function RoofPlan() {
  const { job, edit, optionId } = useJob();
  const text = useText();
  const { system } = useOption();
  const { roof } = job.brief;
  const listed = system.arrays?.some(({ panels, mount }) => panels.length > 0 && mount !== 'portable') ?? false;
  if (!roof) {
    return (
      <section aria-label="Roof" className="painted-in-view border-t border-line py-3">
        <h2 className="text-body font-semibold">
          The roof <span className="font-normal text-note text-ink-2">not drawn</span>
        </h2>
        <p className="py-1 text-ink-2">
          {listed
            ? 'Drawn to scale it shows whether the panels find room between hatches and fans.'
            : 'With its panels listed from their labels it shows whether they find room between hatches and fans.'}
        </p>
        <Button onClick={() => edit(changeRoof({ lengthM: 4, widthM: 1.8, obstacles: [] }))}>Draw the roof</Button>
      </section>
    );
  }
  const plan = roofPlan(roof, system);
  const change = (part: Partial<Roof>, key: string) => edit(changeRoof({ ...roof, ...part }), `roof-${key}`);
  return (
    <section aria-label="Roof" className="painted-in-view border-t border-line py-3">
      <h2 className="text-body font-semibold">
        The roof{' '}
        <span className="num font-normal text-note text-ink-2">
          from above, its front to the left; {text(plan.panelsM2, 'm²')} of panels on {text(plan.roofM2, 'm²')}
        </span>
      </h2>
      <div className="grid grid-cols-[minmax(0,3fr)_minmax(260px,1fr)] gap-x-8 gap-y-3 pt-2 @max-[860px]:grid-cols-1">
        <Drawing roof={roof} lying={plan.lying} />
        <div>
          <div className="grid grid-cols-2 gap-x-5 gap-y-2">
            <RegionField
              label="Front to rear"
              quantity="m"
              value={roof.lengthM}
              min={0.5}
              max={20}
              onChange={(lengthM) => lengthM !== null && change({ lengthM }, 'length')}
            />
            <RegionField
              label="Side to side"
              quantity="m"
              value={roof.widthM}
              min={0.5}
              max={5}
              onChange={(widthM) => widthM !== null && change({ widthM }, 'width')}
            />
          </div>
          {plan.unplaced.length > 0 && (
            <p className="num pt-2">
              {plan.unplaced.length} {plan.unplaced.length === 1 ? 'panel has' : 'panels have'} no place yet:{' '}
              {plan.unplaced
                .slice(0, 4)
                .map(({ name, longM, shortM }) => `${name}, ${text(longM, 'm')} × ${text(shortM, 'm')}`)
                .join('; ')}
              {plan.unplaced.length > 4 ? ' …' : ''}
            </p>
          )}
          {!listed && <p className="pt-2 text-ink-2">No panels are listed yet: only their watts are known.</p>}
          <p className="flex flex-wrap gap-3 pt-2">
            {plan.unplaced.length > 0 && (
              <Button onClick={() => edit(layAllOut(optionId, roof))}>Lay them where there is room</Button>
            )}
            <Button onClick={() => edit(addObstacle(roof))}>Something in the way</Button>
          </p>
          {roof.obstacles.map((one) => (
            <Obstacle key={one.id} obstacle={one} roof={roof} change={change} />
          ))}
          <p className="pt-2">
            <button
              type="button"
              onClick={() => edit(changeRoof(null))}
              className="py-1 text-note text-ink-2 underline phone:min-h-11"
            >
              Without the plan
            </button>
          </p>
        </div>
      </div>
    </section>
  );
}

function Obstacle({
  obstacle,
  roof,
  change,
}: {
  obstacle: Roof['obstacles'][number];
  roof: Roof;
  change: (part: Partial<Roof>, key: string) => void;
}) {
  const alter = (part: Partial<typeof obstacle>, key: string) =>
    change(
      { obstacles: roof.obstacles.map((one) => (one.id === obstacle.id ? { ...one, ...part } : one)) },
      `${obstacle.id}-${key}`,
    );
  return (
    <div className="grid grid-cols-[2fr_1fr_1fr_auto] items-end gap-x-3 border-t border-line-2 pt-2">
      <TextField
        label="In the way"
        required
        maxLength={40}
        value={obstacle.name}
        onChange={(name) => alter({ name }, 'name')}
      />
      <RegionField
        label="Along"
        quantity="m"
        value={obstacle.lengthM}
        min={0.02}
        max={20}
        onChange={(lengthM) => lengthM !== null && alter({ lengthM }, 'length')}
      />
      <RegionField
        label="Across"
        quantity="m"
        value={obstacle.widthM}
        min={0.02}
        max={5}
        onChange={(widthM) => widthM !== null && alter({ widthM }, 'width')}
      />
      <button
        type="button"
        aria-label={`Take ${obstacle.name} off the roof`}
        onClick={() => change({ obstacles: roof.obstacles.filter((one) => one !== obstacle) }, 'obstacles')}
        className="pb-1 text-note text-ink-2 underline phone:min-h-11"
      >
        Off
      </button>
    </div>
  );
}

function Drawing({ roof, lying }: { roof: Roof; lying: readonly LyingPanel[] }) {
  const { edit, optionId } = useEditing();
  const text = useText();
  const svg = useRef<SVGSVGElement>(null);
  const box = [-AROUND_M, -AROUND_M, roof.lengthM + 2 * AROUND_M, roof.widthM + 2 * AROUND_M];
  const whole = Array.from({ length: Math.floor(roof.lengthM) }, (_, i) => i + 1).filter((m) => m < roof.lengthM);
  return (
    <div>
      {/* biome-ignore lint/a11y/useSemanticElements: a drawing whose parts are moved. */}
      <svg
        ref={svg}
        viewBox={box.join(' ')}
        width="100%"
        style={{ maxHeight: 360 }}
        role="group"
        aria-label={`The roof, ${text(roof.lengthM, 'm')} by ${text(roof.widthM, 'm')}`}
      >
        <rect width={roof.lengthM} height={roof.widthM} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="0.012" />
        {whole.map((m) => (
          <path key={m} d={`M${m} 0V${roof.widthM}`} stroke="var(--line)" strokeWidth="0.006" />
        ))}
        {roof.obstacles.map((one) => (
          <Movable
            key={one.id}
            svg={svg}
            roof={roof}
            name={one.name}
            rectangle={one}
            isWrong={false}
            look="obstacle"
            onMove={(xM, yM) =>
              edit(
                changeRoof({
                  ...roof,
                  obstacles: roof.obstacles.map((other) => (other.id === one.id ? { ...other, xM, yM } : other)),
                }),
                `roof-${one.id}-place`,
              )
            }
          />
        ))}
        {lying.map((panel) => (
          <Movable
            key={`${panel.array}/${panel.group}/${panel.index}`}
            svg={svg}
            roof={roof}
            name={panel.name}
            rectangle={panel}
            isWrong={panel.overlaps.length > 0 || panel.edgeM > 0}
            look="panel"
            onMove={(xM, yM) =>
              edit(
                placePanel(optionId, panel, { xM, yM, turned: panel.turned }),
                `roof-${panel.array}-${panel.group}-${panel.index}`,
              )
            }
            onTurn={() =>
              edit(placePanel(optionId, panel, { xM: panel.xM, yM: panel.yM, turned: !panel.turned }), 'roof-turn')
            }
            onOff={() => edit(placePanel(optionId, panel, null), 'roof-off')}
          />
        ))}
      </svg>
      <p className="num text-note text-ink-2">
        A line a metre. Drag, or move with the arrow keys (5 cm, with Shift 1 cm); R or a double tap turns; Delete, or
        letting it go beside the roof, takes a panel off. Red lies on something or hangs over.
      </p>
    </div>
  );
}

/** Whether the middle of a rectangle is over the roof: what is let go beside it is taken off. */
const isOver = (
  { lengthM, widthM }: Pick<Roof, 'lengthM' | 'widthM'>,
  one: { readonly xM: number; readonly yM: number; readonly lengthM: number; readonly widthM: number },
): boolean => {
  const [x, y] = [one.xM + one.lengthM / 2, one.yM + one.widthM / 2];
  return x >= 0 && x <= lengthM && y >= 0 && y <= widthM;
};

/** A rectangle on the roof that is moved by hand or by keys. */
function Movable({
  svg,
  roof,
  name,
  rectangle,
  isWrong,
  look,
  onMove,
  onTurn,
  onOff,
}: {
  svg: React.RefObject<SVGSVGElement | null>;
  roof: Roof;
  name: string;
  rectangle: { readonly xM: number; readonly yM: number; readonly lengthM: number; readonly widthM: number };
  isWrong: boolean;
  look: 'panel' | 'obstacle';
  onMove: (xM: number, yM: number) => void;
  onTurn?: () => void;
  onOff?: () => void;
}) {
  const { xM, yM, lengthM, widthM } = rectangle;
  const text = useText();
  const drag = useRef<{ x: number; y: number; xM: number; yM: number; perPx: number } | null>(null);
  const keys = (event: React.KeyboardEvent) => {
    const step = event.shiftKey ? FINE_M : STEP_M;
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (by) {
      event.preventDefault();
      onMove(toCm(xM + (by[0] ?? 0) * step), toCm(yM + (by[1] ?? 0) * step));
    } else if (event.key === 'r' || event.key === 'R') onTurn?.();
    else if (event.key === 'Delete') onOff?.();
  };
  const fill = look === 'panel' ? 'var(--wash)' : 'var(--line)';
  return (
    // biome-ignore lint/a11y/useSemanticElements: a rectangle in a drawing that is moved about.
    <g
      role="button"
      tabIndex={0}
      aria-label={`${name}: ${text(xM, 'm')} from the front, ${text(yM, 'm')} from the left${isWrong ? ', does not fit there' : ''}. Arrow keys move it.`}
      data-on-roof={name}
      onKeyDown={keys}
      onDoubleClick={() => onTurn?.()}
      className="cursor-move touch-none focus:outline-none [&:focus-visible>rect]:stroke-[0.03]"
      onPointerDown={(event) => {
        const width = svg.current?.getBoundingClientRect().width ?? 1;
        const units = svg.current?.viewBox.baseVal.width ?? 1;
        const height = svg.current?.getBoundingClientRect().height ?? 1;
        const perPx = Math.max(units / width, (svg.current?.viewBox.baseVal.height ?? 1) / height);
        drag.current = { x: event.clientX, y: event.clientY, xM, yM, perPx };
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={(event) => {
        const from = drag.current;
        if (!from) return;
        const [nextX, nextY] = [
          toCm(from.xM + (event.clientX - from.x) * from.perPx),
          toCm(from.yM + (event.clientY - from.y) * from.perPx),
        ];
        if (nextX !== xM || nextY !== yM) onMove(nextX, nextY);
      }}
      onPointerUp={() => {
        if (drag.current && !isOver(roof, rectangle)) onOff?.();
        drag.current = null;
      }}
      onPointerCancel={() => {
        drag.current = null;
      }}
    >
      <rect
        x={xM}
        y={yM}
        width={lengthM}
        height={widthM}
        fill={fill}
        stroke={isWrong ? 'var(--stop)' : look === 'panel' ? 'var(--copper)' : 'var(--ink-2)'}
        strokeWidth={isWrong ? 0.025 : 0.012}
        strokeDasharray={look === 'obstacle' ? '0.05 0.03' : undefined}
      />
      <text
        x={xM + lengthM / 2}
        y={yM + widthM / 2 + 0.035}
        textAnchor="middle"
        style={{ fontSize: Math.min(0.11, lengthM / 5) }}
        className="num pointer-events-none select-none fill-[var(--ink)]"
      >
        {name}
      </text>
    </g>
  );
}
