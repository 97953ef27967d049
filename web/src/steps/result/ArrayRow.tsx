import { monthName } from '@joulemetric/core';
import { changeSystem } from '../../commands/design.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { QuantityField } from '../../ui/Field.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FitRow, useFindings } from '../../ui/FitRow.tsx';

/** The solar array. */
export function ArrayRow() {
  const { job, evaluation, edit, optionId } = useJob();
  const { array } = evaluation.option.system;
  const findings = useFindings('array.rating', 'sun.hours');
  return (
    <FitRow
      name="Solar array"
      size={<Fig id="array.rating" />}
      findings={findings}
      why={
        <>
          <Fig id="sun.hours" /> of full sun in{' '}
          {darkest(job.brief.months, evaluation.assessment.figures['sun.hours'].label)}; needed{' '}
          <Fig id="array.required" after="," />{' '}
          {job.rules.arrayCovers === 'everything' ? 'for the whole need' : 'for what driving leaves'}. Brings{' '}
          <Fig id="sun.yield" /> a day.
        </>
      }
    >
      <QuantityField
        label="Fitted"
        unit="W"
        kind="power"
        value={array.ratingW}
        auto="as required"
        min={0}
        max={20_000}
        onChange={(ratingW) => edit(changeSystem(optionId, 'array', { ratingW }), 'array-rating')}
      />
    </FitRow>
  );
}

/** The month that the sun hours are of, named in the figure's label. */
const darkest = (months: readonly number[], label: string): string =>
  months.map(monthName).find((name) => label.includes(name)) ?? 'the darkest month';
