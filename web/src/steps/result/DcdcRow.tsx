import { driveHours, formatDuration } from '@joulemetric/core';
import { useView } from '../../shell/JobContext.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FitRow, useFindings } from '../../ui/FitRow.tsx';
import { ChosenIn } from './ChosenIn.tsx';

/** Charging while driving. */
export function DcdcRow() {
  const view = useView();
  const findings = useFindings('dcdc.rating');
  const hours = driveHours(view.job.brief);
  return (
    <FitRow
      name="DC-DC charger"
      size={view.assessment.figures['dcdc.rating'].value > 0 ? <Fig id="dcdc.rating" /> : 'none'}
      findings={findings}
      why={
        hours > 0 ? (
          <>
            {formatDuration(hours * 60)} of driving would need <Fig id="dcdc.required" /> to cover the day; the
            alternator can feed <Fig id="alternator.limit" after="." /> Brings <Fig id="alternator.yield" /> a day.
          </>
        ) : (
          'No driving on a usual day.'
        )
      }
    >
      <ChosenIn step="sources">What charges while driving is chosen in the Sources step</ChosenIn>
    </FitRow>
  );
}
