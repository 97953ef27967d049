import { type Decision, type MomentExplained, showText } from '@joulemetric/core';
import { useView } from '../../shell/JobContext.tsx';
import { whenText } from './when.ts';

/** One moment of the trip: what drew, what came, what was lost, and what would have changed it. */
export function Moment({ moment, onClose }: { moment: MomentExplained | null; onClose: () => void }) {
  const units = useView().job.brief.region.units;
  if (!moment) return <p className="border-y border-ink py-2 text-ink-2">Looking at that moment…</p>;
  const w = (value: number) => showText(value, 'W');
  const comes = [
    ['sun', moment.sunW],
    ['driving', moment.drivingW],
    ['supply', moment.supplyW],
  ] as const;
  const unused = moment.sunOfferedW - moment.sunW;
  return (
    <section aria-label="A moment explained" data-moment="ready" className="border-y border-ink py-2">
      <div className="flex items-baseline justify-between gap-4">
        <h3 className="text-number font-semibold">
          {whenText(moment.atH)}{' '}
          <span className="num font-normal text-ink-2">
            {showText(moment.soc, 'share')} of charge, {showText(Math.round(moment.airC), '°C', units)} outside, the
            store at {showText(Math.round(moment.storeC), '°C', units)}
          </span>
        </h3>
        <button type="button" onClick={onClose} className="text-note text-ink-2 underline phone:min-h-11">
          Close
        </button>
      </div>
      <div className="grid grid-cols-3 gap-x-8 gap-y-2 pt-1 @max-[760px]:grid-cols-1">
        <div>
          <h4 className="text-note text-ink-2">Drawn, {w(moment.needW)}</h4>
          <ul className="num">
            {moment.loads.slice(0, 8).map(({ id, name, usefulW, lostW, isCut }) => (
              <li key={id} className="flex justify-between gap-3">
                <span className={`truncate ${isCut ? 'text-stop line-through' : ''}`}>{name}</span>
                <span className="whitespace-nowrap">
                  {w(usefulW)}
                  {lostW > 0.5 && <span className="text-note text-ink-2"> + {w(lostW)} lost</span>}
                </span>
              </li>
            ))}
            {moment.idleW > 0.05 && (
              <li className="flex justify-between gap-3 text-ink-2">
                <span>idle with nothing running</span>
                <span>{w(moment.idleW)}</span>
              </li>
            )}
          </ul>
          {moment.unservedW > 0.01 && <p className="num text-stop">{w(moment.unservedW)} not served</p>}
        </div>
        <div>
          <h4 className="text-note text-ink-2">Came in</h4>
          <ul className="num">
            {comes
              .filter(([, watts]) => watts > 0.05)
              .map(([name, watts]) => (
                <li key={name} className="flex justify-between gap-3">
                  <span>{name}</span>
                  <span>{w(watts)}</span>
                </li>
              ))}
            {comes.every(([, watts]) => watts <= 0.05) && <li>nothing: the store carries it</li>}
            {unused > 0.5 && <li className="text-ink-2">{w(unused)} more of sun found no room</li>}
          </ul>
          <p className="num text-ink-2">{w(moment.lostW)} lost on the way</p>
        </div>
        <div>
          <h4 className="text-note text-ink-2">
            {moment.outageFromH === null ? 'Nothing runs out after this' : 'What would have changed it'}
          </h4>
          <ul className="num">
            {moment.decisions.map((decision) => (
              <li key={decision.kind} className={decision.helps ? 'font-medium' : 'text-ink-2'}>
                {decisionText(decision, moment.outageFromH ?? 0)}
              </li>
            ))}
          </ul>
        </div>
      </div>
    </section>
  );
}

function decisionText({ kind, amount, name, helps, lastsH }: Decision, outageFromH: number): string {
  const what = {
    panel: `${amount} W more of panel`,
    store: `${Math.round(amount * 100)} % more of store`,
    driving: `${amount} h more driving a day`,
    without: `Without ${name ?? 'it'}`,
  }[kind];
  if (lastsH === null) return `${what}: it lasts to the end`;
  const gained = lastsH > outageFromH + 1e-9;
  const until = gained ? `lasts until ${whenText(lastsH)}` : 'runs out at the same time';
  return helps || gained ? `${what}: ${until}` : `${what}: no help`;
}
