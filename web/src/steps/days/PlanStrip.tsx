import { type PlanStretch, planOf, type Supply } from '@joulemetric/core';
import { useRef, useState } from 'react';
import {
  addStretch,
  changeKind,
  changeStretch,
  lengthen,
  moveStretch,
  removeStretch,
  usualPlan,
} from '../../commands/plan.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { Choice, QuantityField } from '../../ui/Field.tsx';

type Kind = PlanStretch['kind'];

const NAME: Readonly<Record<Kind, string>> = {
  usual: 'as in the brief',
  parked: 'parked',
  driving: 'driving',
  supply: 'on a supply',
  away: 'nobody on board',
  home: 'at home, on power',
};
const SHORT: Readonly<Record<Kind, string>> = {
  usual: 'usual',
  parked: 'parked',
  driving: 'driving',
  supply: 'supply',
  away: 'away',
  home: 'home',
};
const KINDS: readonly Kind[] = ['usual', 'parked', 'driving', 'supply', 'away', 'home'];

/** How a kind of day is drawn: what comes in besides the sun as lines of copper, nobody on board as paper. */
const LOOK: Readonly<Record<Kind, string>> = {
  usual: 'bg-sheet',
  parked: 'bg-sheet',
  driving: 'bg-[repeating-linear-gradient(90deg,var(--wash)_0_6px,var(--sheet)_6px_12px)]',
  supply: 'bg-wash',
  away: 'bg-transparent',
  home: 'bg-wash',
};

/** The days of the trip as a strip: each stretch as long as its days, made longer at its end, moved, and changed below. */
export function PlanStrip() {
  const { job, edit } = useJob();
  const plan = planOf(job.brief);
  const [chosen, setChosen] = useState<number | null>(null);
  const selected = chosen !== null && chosen < plan.length ? chosen : null;
  const total = plan.reduce((sum, { days }) => sum + days, 0);
  const isUsual = job.brief.plan.length === 0;
  const move = (index: number, by: -1 | 1) => {
    if (index + by < 0 || index + by >= plan.length) return;
    edit(moveStretch(index, by), 'plan');
    setChosen(index + by);
  };
  return (
    <section aria-label="The days of the trip" className="pt-3">
      <h2 className="text-body font-semibold">
        The trip{' '}
        <span className="num font-normal text-note text-ink-2">
          {total} {total === 1 ? 'day' : 'days'}
          {isUsual ? ', the nights away as in the brief and a night on power' : ''}; it begins on a Saturday
        </span>
      </h2>
      <div className="mt-1.5 flex w-full items-stretch border-y border-ink">
        {plan.map((stretch, index) => (
          <Stretch
            // biome-ignore lint/suspicious/noArrayIndexKey: stretches are alike and stand by their place.
            key={index}
            stretch={stretch}
            supplies={job.brief.supplies}
            isChosen={selected === index}
            total={total}
            onChoose={() => setChosen(selected === index ? null : index)}
            onLengthen={(by) => edit(lengthen(index, by), `plan-days-${index}`)}
            onMove={(by) => move(index, by)}
            onRemove={() => {
              edit(removeStretch(index), 'plan');
              setChosen(null);
            }}
          />
        ))}
      </div>
      {selected !== null && plan[selected] && (
        <StretchFields
          stretch={plan[selected]}
          index={selected}
          count={plan.length}
          onMove={(by) => move(selected, by)}
          onRemove={() => {
            edit(removeStretch(selected), 'plan');
            setChosen(null);
          }}
        />
      )}
      <p className="flex flex-wrap gap-x-6 pt-1">
        <Link
          onClick={() => {
            edit(addStretch, 'plan');
            setChosen(plan.length);
          }}
        >
          More days
        </Link>
        {!isUsual && (
          <Link
            onClick={() => {
              edit(usualPlan, 'plan');
              setChosen(null);
            }}
          >
            As in the brief again
          </Link>
        )}
      </p>
    </section>
  );
}

function Link({ onClick, children }: { onClick: () => void; children: React.ReactNode }) {
  return (
    <button type="button" onClick={onClick} className="py-1 text-note text-ink-2 underline phone:min-h-11">
      {children}
    </button>
  );
}

const wordsOf = ({ kind, supply, driveH, hours }: PlanStretch, supplies: readonly Supply[]): string => {
  if (kind === 'supply') {
    const name = supplies.find(({ id }) => id === supply)?.name ?? 'supply';
    return hours === null ? name : `${name}, ${hours} h`;
  }
  return kind === 'driving' && driveH !== null ? `driving ${driveH} h` : SHORT[kind];
};

function Stretch({
  stretch,
  supplies,
  isChosen,
  total,
  onChoose,
  onLengthen,
  onMove,
  onRemove,
}: {
  stretch: PlanStretch;
  supplies: readonly Supply[];
  isChosen: boolean;
  total: number;
  onChoose: () => void;
  onLengthen: (byDays: number) => void;
  onMove: (by: -1 | 1) => void;
  onRemove: () => void;
}) {
  const holder = useRef<HTMLDivElement>(null);
  const drag = useRef<{ x: number; days: number; perDay: number } | null>(null);
  const words = wordsOf(stretch, supplies);
  const days = `${stretch.days} ${stretch.days === 1 ? 'day' : 'days'}`;
  const keys = (event: React.KeyboardEvent) => {
    const by = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : null;
    if (by !== null) {
      event.preventDefault();
      if (event.altKey) onMove(by);
      else onLengthen(by);
    } else if (event.key === 'Delete') onRemove();
  };
  return (
    <div
      ref={holder}
      style={{ flexGrow: stretch.days, flexBasis: 0 }}
      className={`relative min-w-[34px] border-r border-line last:border-r-0 ${LOOK[stretch.kind]} ${
        isChosen ? 'shadow-[inset_0_-3px_0_var(--ink)]' : ''
      }`}
    >
      <button
        type="button"
        aria-pressed={isChosen}
        aria-label={`${words}, ${days}. Arrow keys make it longer or shorter, with Alt they move it, Delete takes it out.`}
        onClick={onChoose}
        onKeyDown={keys}
        className="block min-h-[46px] w-full overflow-hidden px-1.5 pr-3 text-left"
      >
        <span className="num block truncate text-note leading-4 text-ink-2">{words}</span>
        <span className="num block truncate text-number font-medium leading-5">{days}</span>
      </button>
      {/* The keys of the stretch do the same. */}
      <div
        aria-hidden="true"
        data-end={words}
        className="absolute inset-y-0 right-0 w-3 cursor-ew-resize touch-none after:absolute after:inset-y-2 after:right-[3px] after:w-px after:bg-mark"
        onPointerDown={(event) => {
          const width = holder.current?.parentElement?.getBoundingClientRect().width ?? 1;
          drag.current = { x: event.clientX, days: stretch.days, perDay: width / Math.max(1, total) };
          event.currentTarget.setPointerCapture(event.pointerId);
        }}
        onPointerMove={(event) => {
          if (!drag.current) return;
          const wanted = Math.max(
            1,
            drag.current.days + Math.round((event.clientX - drag.current.x) / drag.current.perDay),
          );
          if (wanted !== stretch.days) onLengthen(wanted - stretch.days);
        }}
        onPointerUp={() => {
          drag.current = null;
        }}
        onPointerCancel={() => {
          drag.current = null;
        }}
      />
    </div>
  );
}

/** What is said of one stretch. */
function StretchFields({
  stretch,
  index,
  count,
  onMove,
  onRemove,
}: {
  stretch: PlanStretch;
  index: number;
  count: number;
  onMove: (by: -1 | 1) => void;
  onRemove: () => void;
}) {
  const { job, edit } = useJob();
  const { supplies } = job.brief;
  const change = (part: Partial<PlanStretch>, key: string) => edit(changeStretch(index, part), `plan-${index}-${key}`);
  const kinds = KINDS.filter((kind) => kind !== 'supply' || supplies.length > 0);
  return (
    <div className="grid grid-cols-6 items-end gap-x-5 gap-y-2 pt-2 @max-[1000px]:grid-cols-4 @max-[560px]:grid-cols-2">
      <Choice
        label="Days are"
        value={stretch.kind}
        options={kinds.map((kind) => ({ value: kind, label: NAME[kind] }))}
        onChange={(kind) => edit(changeKind(index, kind, supplies[0]?.id ?? null), `plan-${index}-kind`)}
      />
      <QuantityField
        label="How many"
        unit="days"
        value={stretch.days}
        min={1}
        max={366}
        whole
        onChange={(days) => days !== null && change({ days }, 'days')}
      />
      {stretch.kind === 'driving' && (
        <QuantityField
          label="Driving a day"
          unit="h"
          value={stretch.driveH}
          auto="as in the brief"
          min={0}
          max={24}
          onChange={(driveH) => change({ driveH }, 'drive')}
        />
      )}
      {stretch.kind === 'supply' && (
        <>
          <Choice
            label="Which"
            value={stretch.supply ?? ''}
            options={supplies.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(supply) => change({ supply }, 'supply')}
          />
          <QuantityField
            label="Hours a day"
            unit="h"
            value={stretch.hours}
            auto="its own hours"
            min={0}
            max={24}
            onChange={(hours) => change({ hours }, 'hours')}
          />
        </>
      )}
      <p className="num col-span-2 flex gap-x-4 pb-1 text-note">
        <LinkOrNot isOn={index > 0} onClick={() => onMove(-1)}>
          Earlier
        </LinkOrNot>
        <LinkOrNot isOn={index < count - 1} onClick={() => onMove(1)}>
          Later
        </LinkOrNot>
        <LinkOrNot isOn onClick={onRemove}>
          Take out
        </LinkOrNot>
      </p>
    </div>
  );
}

function LinkOrNot({ isOn, onClick, children }: { isOn: boolean; onClick: () => void; children: React.ReactNode }) {
  return (
    <button
      type="button"
      disabled={!isOn}
      onClick={onClick}
      className="py-1 text-ink-2 underline disabled:no-underline disabled:opacity-50 phone:min-h-11"
    >
      {children}
    </button>
  );
}
