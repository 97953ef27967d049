import { monthName } from '@joulemetric/core';
import { useView } from '../../shell/JobContext.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FitRow, useFindings } from '../../ui/FitRow.tsx';
import { ChosenIn } from './ChosenIn.tsx';

/** The solar array. */
export function ArrayRow() {
  const view = useView();
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
      <ChosenIn step="sources">Its panels and controllers are chosen in the Sources step</ChosenIn>
    </FitRow>
  );
}

/** The month that the sun hours are of, named in the figure's label. */
const darkest = (months: readonly number[], label: string): string =>
  months.map(monthName).find((name) => label.includes(name)) ?? 'the darkest month';
