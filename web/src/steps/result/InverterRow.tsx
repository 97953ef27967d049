import { formatDuration, inverterFigures, MARGIN, type SizedInverter } from '@joulemetric/core';
import { Link } from 'react-router';
import { useJob, useView } from '../../shell/JobContext.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FitRow } from '../../ui/FitRow.tsx';

/** One inverter as it follows from the Worst moment step, where it is chosen. */
export function InverterRow({ inverter }: { inverter: SizedInverter }) {
  const { device, ratingW } = inverter;
  const ids = inverterFigures(inverter);
  const { optionId } = useJob();
  const view = useView();
  const margin = MARGIN[view.job.rules.inverterMargin];
  const onMin = view.bus.devices.find(({ feed }) => feed.device.id === device.id)?.onMin ?? 0;
  return (
    <FitRow
      name={device.name}
      size={ratingW > 0 ? <Fig id={ids.rating} /> : 'none'}
      findings={[]}
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
      <p className="col-span-full">
        <Link
          to={{ pathname: '../moment', search: `?option=${optionId}` }}
          relative="path"
          className="border-b border-mark phone:inline-block phone:min-h-11"
        >
          Its size and kind are chosen at the worst moment
        </Link>
      </p>
    </FitRow>
  );
}
