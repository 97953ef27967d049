import { formatDuration } from '@joulemetric/core';
import { changeSystem } from '../../commands/design.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { QuantityField } from '../../ui/Field.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FitRow, useFindings } from '../../ui/FitRow.tsx';

/** Charging while driving. */
export function DcdcRow() {
  const { job, evaluation, edit, optionId } = useJob();
  const { dcdc } = evaluation.option.system;
  const findings = useFindings('dcdc.rating');
  const { driveHoursPerDay } = job.brief;
  return (
    <FitRow
      name="DC-DC charger"
      size={evaluation.assessment.figures['dcdc.rating'].value > 0 ? <Fig id="dcdc.rating" /> : 'none'}
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
      <QuantityField
        label="Fitted"
        unit="A"
        kind="current"
        value={dcdc.ratingA}
        auto="as required"
        min={0}
        max={500}
        onChange={(ratingA) => edit(changeSystem(optionId, 'dcdc', { ratingA }), 'dcdc-rating')}
      />
    </FitRow>
  );
}
