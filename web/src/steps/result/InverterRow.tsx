import { formatDuration, MARGIN, type SizedInverter } from '@joulemetric/core';
import { changeDevice } from '../../commands/design.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { QuantityField } from '../../ui/Field.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FitRow, useFindings } from './FitRow.tsx';

/** One inverter: what it must carry, and the size chosen. Its losses and switching are the Paths step's. */
export function InverterRow({ inverter: { device, ids, ratingW } }: { inverter: SizedInverter }) {
  const { job, evaluation, edit, optionId } = useJob();
  const findings = useFindings(ids.rating, ids.continuous, 'loss.idle');
  const margin = MARGIN[job.rules.inverterMargin];
  const onMin = evaluation.bus.devices.find(({ feed }) => feed.device.id === device.id)?.onMin ?? 0;
  return (
    <FitRow
      name={device.name}
      size={ratingW > 0 ? <Fig id={ids.rating} /> : 'none'}
      findings={findings}
      why={
        ratingW > 0 ? (
          <>
            Worst moment <Fig id={ids.continuous} /> (<Fig id={ids.apparent} after=")," /> {margin.name}:{' '}
            <Fig id={ids.required} after="." /> Heaviest start <Fig id={ids.surge} after="." /> Idles at{' '}
            <Fig id={ids.idle} /> for {formatDuration(onMin)} a day.
          </>
        ) : (
          'Nothing hangs on it: no inverter, no idle.'
        )
      }
    >
      <QuantityField
        label="Fitted"
        unit="W"
        kind="power"
        value={device.ratingW}
        auto="as required"
        min={50}
        max={20_000}
        onChange={(rating) => edit(changeDevice(optionId, device.id, { ratingW: rating }), `${device.id}-rating`)}
      />
    </FitRow>
  );
}
