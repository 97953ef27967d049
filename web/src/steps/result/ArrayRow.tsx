import { blankArray, monthName } from '@joulemetric/core';
import { changeSources } from '../../commands/design.ts';
import { useJob, useOption, useView } from '../../shell/JobContext.tsx';
import { QuantityField } from '../../ui/Field.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FitRow, useFindings } from '../../ui/FitRow.tsx';
import { Parts } from '../../ui/Parts.tsx';

/** The solar array. */
export function ArrayRow() {
  const { edit, optionId } = useJob();
  const view = useView();
  const { arrays } = useOption().system;
  const change = (parts: typeof arrays, key: string) => edit(changeSources(optionId, 'arrays', parts), `array-${key}`);
  const findings = useFindings('array.rating', 'sun.hours');
  return (
    <FitRow
      name="Solar array"
      size={<Fig id="array.rating" />}
      findings={findings}
      why={
        <>
          <Fig id="sun.hours" /> of full sun in{' '}
          {`${darkest(view.job.brief.months, view.assessment.figures['sun.hours'].label)}; needed `}
          <Fig id="array.required" after="," />{' '}
          {view.job.rules.arrayCovers === 'everything' ? 'for the whole need' : 'for what driving leaves'}. Brings{' '}
          <Fig id="sun.yield" /> a day.
        </>
      }
    >
      <Parts
        parts={arrays}
        name="Array"
        unit="W"
        kind="power"
        min={0}
        max={20_000}
        most={8}
        sizeOf={({ ratingW }) => ratingW}
        withValue={(array, ratingW) => ({ ...array, ratingW })}
        blank={blankArray('array', 'Array', 200)}
        onChange={change}
        more={(array, replace, which) => (
          <>
            <QuantityField
              label={which === '' ? 'Controller limit' : `Controller of ${which}`}
              unit="A"
              kind="current"
              value={array.controllerA}
              auto="no limit"
              min={1}
              max={1000}
              onChange={(controllerA) => replace({ ...array, controllerA }, 'controller')}
            />
            <QuantityField
              label={which === '' ? 'Tilted by' : `Tilt of ${which}`}
              unit="°"
              value={array.slopeDeg}
              min={0}
              max={90}
              onChange={(slopeDeg) => slopeDeg !== null && replace({ ...array, slopeDeg }, 'slope')}
            />
            {array.slopeDeg > 0 && (
              <QuantityField
                label={which === '' ? 'Faces, from north' : `${which} faces, from north`}
                unit="°"
                value={array.azimuthDeg}
                auto="any heading"
                min={0}
                max={360}
                onChange={(azimuthDeg) => replace({ ...array, azimuthDeg }, 'azimuth')}
              />
            )}
            <QuantityField
              label={which === '' ? 'Lost to shade' : `Shade on ${which}`}
              unit="%"
              factor={0.01}
              value={array.shade}
              min={0}
              max={95}
              onChange={(shade) => shade !== null && replace({ ...array, shade }, 'shade')}
            />
          </>
        )}
      />
    </FitRow>
  );
}

/** The month that the sun hours are of, named in the figure's label. */
const darkest = (months: readonly number[], label: string): string =>
  months.map(monthName).find((name) => label.includes(name)) ?? 'the darkest month';
