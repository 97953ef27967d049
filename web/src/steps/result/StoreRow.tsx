import { useView } from '../../shell/JobContext.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FitRow, useFindings } from '../../ui/FitRow.tsx';
import { ChosenIn } from './ChosenIn.tsx';

/** The battery bank as it follows from the Store step, where it is chosen. */
export function StoreRow() {
  const view = useView();
  const findings = useFindings('store.capacity', 'peak.current', 'mass.kit');
  const days = Math.max(1, view.job.brief.sunlessDays);
  return (
    <FitRow
      name="Store"
      size={<Fig id="store.ah" />}
      aside={
        <>
          at {view.option.system.busVoltageV} V · <Fig id="store.capacity" />
        </>
      }
      findings={findings}
      why={
        <>
          For {days} sunless {days === 1 ? 'day' : 'days'}: <Fig id="store.required" after="," /> which is{' '}
          <Fig id="store.ah12" /> at 12 V or <Fig id="store.ah24" /> at 24 V. Usable <Fig id="store.usable" /> lasts{' '}
          <Fig id="store.daysOld" /> old and at its coldest, <Fig id="store.days" /> new. Gives up to{' '}
          <Fig id="peak.current" /> at the worst moment.
        </>
      }
    >
      <ChosenIn step="store">Its units and voltage are chosen in the Store step</ChosenIn>
    </FitRow>
  );
}
