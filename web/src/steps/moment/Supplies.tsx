import {
  blankCharger,
  blankSupply,
  type Charger as ChargerPart,
  chargerOf,
  formatClock,
  freeId,
  type SupplyDetail,
  type SupplyMoment,
  showText,
  supplyFigure,
} from '@joulemetric/core';
import { changeSources } from '../../commands/design.ts';
import { addSupply, removeSupply } from '../../commands/supplies.ts';
import { useEditing, useJob, useOption, useView } from '../../shell/JobContext.tsx';
import { BoughtFields } from '../../ui/BoughtFields.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice, QuantityField } from '../../ui/Field.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FindingLine } from '../../ui/FindingLine.tsx';
import { useFindings } from '../../ui/FitRow.tsx';
import { PartPicker } from '../../ui/PartPicker.tsx';
import { RunsTogether } from './RunsTogether.tsx';
import { Staircase } from './Staircase.tsx';
import { SupplyFields } from './SupplyFields.tsx';

const ADD = [
  { kind: 'hookup', label: 'A hookup' },
  { kind: 'generator', label: 'A generator' },
  { kind: 'outlet', label: 'A vehicle outlet' },
] as const;

/** What the vehicle is plugged into: what fits on each, what waits, and in which order it is switched on. */
export function Supplies({ details }: { details: readonly SupplyDetail[] }) {
  const { job, edit } = useJob();
  const view = useView();
  const { supplies } = job.brief;
  return (
    <section aria-label="Supplies" className="painted-in-view pt-6">
      <h2 className="border-b border-ink pb-1 text-total font-semibold">What it is plugged into</h2>
      {supplies.length === 0 && (
        <p className="py-2 text-number text-ink-2">
          No supply yet. Add the socket of the campsite, the generator or the outlet of the tow vehicle: then it is told
          what may run together on it, what must wait, and how far the charger is turned down.
        </p>
      )}
      {view.supplies.map((moment) => (
        <SupplySection
          key={moment.limit.supply.id}
          moment={moment}
          detail={details.find(({ supplyId }) => supplyId === moment.limit.supply.id) ?? null}
        />
      ))}
      <div className="flex flex-wrap gap-3 pt-3">
        {ADD.map(({ kind, label }) => (
          <Button
            key={kind}
            disabled={supplies.length >= 8}
            onClick={() => edit(addSupply(blankSupply(kind, job.brief.region.mains, job.brief.place.heightM ?? 0)))}
          >
            {label}
          </Button>
        ))}
      </div>
      <Chargers />
    </section>
  );
}

function SupplySection({ moment, detail }: { moment: SupplyMoment; detail: SupplyDetail | null }) {
  const { job, edit } = useJob();
  const { supply } = moment.limit;
  const { id } = supply;
  const findings = useFindings(
    supplyFigure(id, 'worst'),
    supplyFigure(id, 'full'),
    supplyFigure(id, 'start'),
    supplyFigure(id, 'assist'),
    supplyFigure(id, 'limit'),
  );
  return (
    <section aria-label={supply.name} data-supply={id} className="border-b border-line py-3">
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(300px,400px)] gap-x-8 gap-y-3 @max-[760px]:grid-cols-1">
        <div>
          <h3 className="text-body font-semibold">{supply.name}</h3>
          <p className="num text-number leading-6 text-ink-2">
            Good for <Fig id={supplyFigure(id, 'limit')} after="." /> At once <Fig id={supplyFigure(id, 'worst')} />
            {moment.fullSize > moment.worst.weight && (
              <>
                , with the charger at full <Fig id={supplyFigure(id, 'full')} />
              </>
            )}
            ; for charging beside it <Fig id={supplyFigure(id, 'charging')} after="." />{' '}
            {moment.assistSize > 0 && (
              <>
                The inverter adds <Fig id={supplyFigure(id, 'assist')} after="," />{' '}
                <Fig id={supplyFigure(id, 'assist-battery')} /> from the battery.
              </>
            )}
          </p>
          <AssistWords detail={detail} />
          <div className="mt-1 space-y-1">
            {findings.map((finding) => (
              <FindingLine key={finding.code} finding={finding} />
            ))}
          </div>
        </div>
        <SupplyFields supply={job.brief.supplies.find((one) => one.id === id) ?? supply} />
      </div>
      {moment.loads.length === 0 ? (
        <p className="pt-2 text-ink-2">
          Nothing hangs on it: the inverter does not let it through, no load waits for a supply, and there is no
          charger.
        </p>
      ) : (
        <div className="grid grid-cols-[minmax(0,1fr)_minmax(300px,400px)] gap-x-8 pt-2 @max-[760px]:grid-cols-1">
          <Staircase key={startsKey(moment)} moment={moment} />
          <RunsTogether moment={moment} combinations={detail?.combinations ?? null} />
        </div>
      )}
      <button
        type="button"
        onClick={() => edit(removeSupply(id))}
        className="mt-2 text-note text-ink-2 underline decoration-mark underline-offset-4 hover:text-stop phone:min-h-11"
      >
        Remove {supply.name}
      </button>
    </section>
  );
}

/** What is ticked to begin with follows the worst set: another set, other ticks. */
const startsKey = ({ loads, worst, chargingSize }: SupplyMoment): string =>
  [...loads.map(({ id }) => id), '/', ...worst.ids, chargingSize > 0].join(' ');

/** What an assisting inverter costs the battery on a usual day, by the lanes. */
function AssistWords({ detail }: { detail: SupplyDetail | null }) {
  const day = detail?.assistDay;
  if (!day) return null;
  if (day.lentWh < 0.5) return <p className="num text-ink-2">By the lanes the battery need not help on a usual day.</p>;
  const full =
    day.fullAfterMin === null
      ? 'and such days do not fill it: charge more, or run less'
      : `and full again ${day.fullAfterMin < 90 ? `${day.fullAfterMin} min` : showText(day.fullAfterMin / 60, 'h')} later`;
  const low =
    day.fullAfterMin === 0
      ? 'it stays full all the same'
      : `on such days it is down to ${showText(day.lowestSoc, 'share')} at ${formatClock(day.lowestMin)}, ${full}`;
  return (
    <p className="num text-ink-2">
      By the lanes the battery adds {showText(day.lentWh, 'Wh')} a day to the supply; {low}.
      {day.emptyFromMin !== null && (
        <strong className="font-medium text-stop">
          {' '}
          It is empty at {formatClock(day.emptyFromMin)}: {showText(day.unservedWh, 'Wh')} a day are not served.
        </strong>
      )}
    </p>
  );
}

/** The chargers that a supply feeds: they are turned down first. One may always be written down. */
function Chargers() {
  const { edit, optionId } = useEditing();
  const { chargers } = useOption().system;
  const shown = chargers.length > 0 ? chargers : [blankCharger('charger-1', 'Charger', 0)];
  const replace = (next: readonly ChargerPart[], key: string) =>
    edit(changeSources(optionId, 'chargers', [...next]), `charger-${key}`);
  const add = () => {
    const taken = chargers.map(({ id }) => id);
    const id = freeId(`charger-${chargers.length + 1}`, taken);
    replace([...chargers, blankCharger(id, `Charger ${chargers.length + 1}`, 20)], 'more');
  };
  return (
    <>
      {shown.map((charger) => (
        <Charger
          key={charger.id}
          charger={charger}
          change={(part, key) =>
            replace(
              shown.map((one) => (one === charger ? { ...charger, ...part } : one)),
              `${charger.id}-${key}`,
            )
          }
          remove={
            chargers.length > 1
              ? () =>
                  replace(
                    chargers.filter((one) => one !== charger),
                    `${charger.id}-gone`,
                  )
              : null
          }
        />
      ))}
      {chargers.some(({ ratingA }) => ratingA > 0) && chargers.length < 4 && (
        <button type="button" className="pt-2 text-note text-ink-2 underline" onClick={add}>
          One more charger beside it
        </button>
      )}
    </>
  );
}

const SENSES = [
  { value: 'terminals', label: 'at its own terminals' },
  { value: 'battery', label: 'at the battery, own wires' },
] as const;

function Charger({
  charger,
  change,
  remove,
}: {
  charger: ChargerPart;
  change: (part: Partial<ChargerPart>, key: string) => void;
  remove: (() => void) | null;
}) {
  const { allInOnes, busVoltageV } = useOption().system;
  const isBoxed = allInOnes.some((unit) => unit.charger === charger.id);
  return (
    <section aria-label={charger.name} className="pt-4">
      <h3 className="border-b border-line pb-1 text-body font-semibold">
        {charger.name}{' '}
        <span className="num font-normal text-note text-ink-2">from hookup or generator; turned down first</span>
        {remove && (
          <button type="button" className="ml-3 text-note font-normal text-ink-2 underline" onClick={remove}>
            Take it out
          </button>
        )}
      </h3>
      <div className="grid grid-cols-4 gap-x-5 gap-y-2.5 pt-2 @max-[620px]:grid-cols-2">
        <PartPicker
          kind="charger"
          onPick={(part) => change(chargerOf(part, charger), 'part')}
          onPlate={(fields) => change(fields, 'plate')}
        />
        <QuantityField
          label="Charges with"
          unit="A"
          value={charger.ratingA}
          atV={busVoltageV}
          min={0}
          max={1000}
          note="0 = none"
          onChange={(ratingA) => ratingA !== null && change({ ratingA }, 'rating')}
        />
        <QuantityField
          label="Can be turned down to"
          unit="A"
          value={charger.leastA}
          auto="cannot be"
          min={0}
          max={1000}
          onChange={(leastA) => change({ leastA }, 'least')}
        />
        <QuantityField
          label="DC out ÷ AC in"
          unit="%"
          factor={0.01}
          value={charger.efficiency}
          auto="90, usual"
          min={50}
          max={100}
          onChange={(efficiency) => change({ efficiency }, 'efficiency')}
        />
        <QuantityField
          label="Power factor"
          unit=""
          value={charger.powerFactor}
          auto="0.98, usual"
          min={0.4}
          max={1}
          onChange={(powerFactor) => change({ powerFactor }, 'pf')}
        />
        <Choice
          label="Voltage sense"
          value={charger.senses}
          options={SENSES}
          onChange={(senses) => change({ senses }, 'senses')}
        />
        <QuantityField
          label="Idle"
          unit="W"
          value={charger.idleW}
          auto="not counted"
          min={0}
          max={500}
          onChange={(idleW) => change({ idleW }, 'idle')}
        />
        {!isBoxed && <BoughtFields bought={charger} onChange={change} />}
      </div>
    </section>
  );
}
