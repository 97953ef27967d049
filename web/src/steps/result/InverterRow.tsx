import { formatDuration, inverterFigures, MARGIN, type SizedInverter } from '@joulemetric/core';
import { useView } from '../../shell/JobContext.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FitRow } from '../../ui/FitRow.tsx';
import { ChosenIn } from './ChosenIn.tsx';

/** One inverter as it follows from the Worst moment step, where it is chosen. */
export function InverterRow({ inverter }: { inverter: SizedInverter }) {
  const { device, ratingW } = inverter;
  const ids = inverterFigures(inverter);
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
      <ChosenIn step="moment">Its size and kind are chosen at the worst moment</ChosenIn>
    </FitRow>
  );
}
