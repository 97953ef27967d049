import { formatDuration } from '@joulemetric/core';
import { changeSources } from '../../commands/design.ts';
import { useJob, useOption, useView } from '../../shell/JobContext.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FitRow, useFindings } from '../../ui/FitRow.tsx';
import { Parts } from '../../ui/Parts.tsx';

/** Charging while driving. */
export function DcdcRow() {
  const { edit, optionId } = useJob();
  const view = useView();
  const { driving } = useOption().system;
  const findings = useFindings('dcdc.rating');
  const { driveHoursPerDay } = view.job.brief;
  return (
    <FitRow
      name="DC-DC charger"
      size={view.assessment.figures['dcdc.rating'].value > 0 ? <Fig id="dcdc.rating" /> : 'none'}
      findings={findings}
      why={
        driveHoursPerDay > 0 ? (
          <>
            {formatDuration(driveHoursPerDay * 60)} of driving would need <Fig id="dcdc.required" /> to cover the day;
            the alternator can feed <Fig id="alternator.limit" after="." /> Brings <Fig id="alternator.yield" /> a day.
          </>
        ) : (
          'No driving on a usual day.'
        )
      }
    >
      <Parts
        parts={driving}
        name="DC-DC charger"
        unit="A"
        kind="current"
        min={0}
        max={500}
        most={4}
        sizeOf={({ ratingA }) => ratingA}
        withValue={(charger, ratingA) => ({ ...charger, ratingA })}
        blank={{ id: 'dcdc', name: 'DC-DC charger', ratingA: 20 }}
        onChange={(parts, key) => edit(changeSources(optionId, 'driving', parts), `dcdc-${key}`)}
      />
    </FitRow>
  );
}
