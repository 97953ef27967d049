import { formatNumber, type Supply, type SupplyUse, showText } from '@joulemetric/core';
import { Link } from 'react-router';
import { changeSupply, type SupplyChange } from '../../commands/supplies.ts';
import { useEditing, useJob } from '../../shell/JobContext.tsx';
import { QuantityField } from '../../ui/Field.tsx';
import { HoursField } from '../../ui/HoursField.tsx';

/** Hookup, generator and vehicle outlet as sources: when they are there, what charging takes of them. */
export function SuppliesPart({ uses }: { uses: readonly SupplyUse[] }) {
  const { job, optionId } = useJob();
  const { supplies } = job.brief;
  return (
    <section aria-label="Supplies" className="painted-in-view border-t border-line py-3">
      <h2 className="text-body font-semibold">Hookup, generator, vehicle outlet</h2>
      <p className="pt-1 text-ink-2">
        {supplies.length === 0 ? 'None is taken down. ' : ''}
        <Link
          to={{ pathname: '../moment', search: `?option=${optionId}` }}
          relative="path"
          className="phone:inline-flex phone:min-h-11 phone:items-center"
        >
          <span className="border-b border-mark">Their limits and the chargers are set in the Worst moment step</span>
        </Link>
      </p>
      {supplies.map((supply) => (
        <article key={supply.id} aria-label={supply.name} className="mt-2 border-t border-line-2 pt-2">
          <h3 className="font-semibold">{supply.name}</h3>
          <SupplyAsSource supply={supply} />
          {uses
            .filter(({ supplyId }) => supplyId === supply.id)
            .map((use) => (
              <p key={use.supplyId} className="num pt-1.5 text-ink-2">
                {supplyWords(use)}
              </p>
            ))}
        </article>
      ))}
    </section>
  );
}

function SupplyAsSource({ supply }: { supply: Supply }) {
  const { edit } = useEditing();
  const change = (part: SupplyChange, key: string) => edit(changeSupply(supply.id, part), `${supply.id}.${key}`);
  return (
    <div className="grid grid-cols-6 items-end gap-x-5 gap-y-2 pt-1 @max-[1000px]:grid-cols-4 @max-[560px]:grid-cols-2">
      <HoursField
        label={supply.kind === 'generator' ? 'Runs from-to' : 'Plugged in from-to'}
        most={6}
        placeholder="all day"
        hours={supply.hours}
        onChange={(hours) => change({ hours }, 'hours')}
      />
      {supply.kind === 'generator' && (
        <>
          <QuantityField
            label="Fuel, idling"
            unit="l/h"
            value={supply.idleLPerH}
            auto="0.35, usual"
            min={0}
            max={20}
            onChange={(idleLPerH) => change({ idleLPerH }, 'fuel-idle')}
          />
          <QuantityField
            label="Fuel for each kWh"
            unit="l"
            value={supply.fuelLPerKwh}
            auto="0.35, usual"
            min={0.1}
            max={3}
            onChange={(fuelLPerKwh) => change({ fuelLPerKwh }, 'fuel')}
          />
        </>
      )}
      {supply.kind === 'outlet' && (
        <>
          <QuantityField
            label="Battery behind it"
            unit="kWh"
            value={supply.packKwh}
            auto="not known"
            min={0.1}
            max={1000}
            onChange={(packKwh) => change({ packKwh }, 'pack')}
          />
          <QuantityField
            label="Begins at"
            unit="%"
            factor={0.01}
            value={supply.fullShare}
            min={Math.max(1, Math.round(supply.reserveShare * 100) + 1)}
            max={100}
            onChange={(fullShare) => fullShare !== null && change({ fullShare }, 'full')}
          />
          <QuantityField
            label="Stops giving at"
            unit="%"
            factor={0.01}
            value={supply.reserveShare}
            min={0}
            max={Math.min(99, Math.round(supply.fullShare * 100) - 1)}
            onChange={(reserveShare) => reserveShare !== null && change({ reserveShare }, 'reserve')}
          />
          <QuantityField
            label="Timer switches off after"
            unit="h"
            value={supply.offAfterH}
            auto="no timer"
            min={0.1}
            max={240}
            onChange={(offAfterH) => change({ offAfterH }, 'timer')}
          />
          <QuantityField
            label="Draws for itself"
            unit="W"
            value={supply.ownW}
            auto="not known"
            min={0}
            max={5000}
            onChange={(ownW) => change({ ownW }, 'own')}
          />
        </>
      )}
    </div>
  );
}

function coveringWords(covering: SupplyUse['alone']): string {
  if (covering === null) return 'more hours than a day has';
  const { hours, fuelL, heldByBattery } = covering;
  const fuel = fuelL === null ? '' : `, ${formatNumber(fuelL, 1)} l of fuel`;
  return `${showText(hours, 'h')}${fuel}${heldByBattery ? ' (the battery takes less than it is offered)' : ''}`;
}

function supplyWords(use: SupplyUse): string {
  if (use.acW <= 0) return 'Nothing charges from it: no charger is fitted, or it cannot be turned down far enough.';
  const charge = `${showText(use.dcW, 'W')} reach the store, ${formatNumber(use.limitShare * 100)} % of what it may give.`;
  const alone = `Alone it covers the day in ${coveringWords(use.alone)}`;
  const beside =
    use.beside?.hours === 0
      ? 'beside sun and driving it is not needed on a mean day.'
      : `beside sun and driving in ${coveringWords(use.beside)}.`;
  const pack =
    use.packKwh === null
      ? ''
      : ` Its battery has ${formatNumber(use.packKwh, 1)} kWh down to the reserve${use.lastsH === null ? '' : `: this job runs ${showText(use.lastsH, 'h')} on it`}${
          use.timerH !== null && use.lastsH !== null && use.timerH < use.lastsH
            ? `, but its timer ends that after ${showText(use.timerH, 'h')}`
            : ''
        }.`;
  return `${charge} ${alone}; ${beside}${pack}`;
}
