import { type Job, type MomentDetail, type SupplyMoment, showText } from '@joulemetric/core';
import { useMomentDetail } from '../../edges/useMomentDetail.ts';
import { useEditing, useView } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';
import { chargerText, clashSentence, markSentences, nameList, orderSentence } from './cardWords.ts';

/** "What can run together": one page for the client to hang beside the sockets, in plain words. */
export function Card() {
  const { optionId } = useEditing();
  const view = useView();
  const { job } = view;
  const { value: detail } = useMomentDetail(job, optionId);
  const marks = markSentences(job);
  const used = view.inverters.filter(({ ratingW }) => ratingW > 0);
  return (
    <div className="px-5 pb-10 pt-4 phone:px-4 print:p-0" data-card={detail ? 'ready' : 'waiting'}>
      <div className="mb-4 flex items-baseline justify-between gap-4 border-b border-line pb-3 print:hidden">
        <p className="text-number text-ink-2">A page for the client to hang beside the sockets.</p>
        <Button strong className="shrink-0" onClick={() => window.print()}>
          Print it
        </Button>
      </div>
      <article className="mx-auto max-w-[620px] border border-ink bg-sheet px-8 py-7 phone:px-4 print:max-w-none print:border-0 print:bg-transparent">
        <h1 className="text-[28px] font-semibold leading-9">What can run together</h1>
        <p className="text-number text-ink-2">{[job.vehicle, job.client, job.title].filter(Boolean).join(' · ')}</p>
        {marks.length > 0 && (
          <Part title="Always, wherever you are">
            {marks.map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </Part>
        )}
        {used.map(({ device, bears }) => (
          <Part
            key={device.id}
            title={used.length > 1 ? `On the battery: ${device.name}` : 'On the battery'}
            aside={`up to ${showText(bears.hotW, 'W')}`}
          >
            <Clashes
              job={job}
              clashes={detail?.inverters.find(({ deviceId }) => deviceId === device.id)?.combinations.clashes ?? null}
              marked={marks.length > 0}
            />
          </Part>
        ))}
        {view.supplies
          .filter(({ loads }) => loads.length > 0)
          .map((moment) => (
            <SupplyPart
              key={moment.limit.supply.id}
              job={job}
              moment={moment}
              detail={detail}
              marked={marks.length > 0}
            />
          ))}
        <p className="mt-5 border-t border-ink pt-2 text-body">
          If it goes dark: switch off what came on last, wait a minute, switch on again in the order above. If it goes
          dark again, leave it off and call your electrician. Never open, alter or bridge a plug, a fuse or a breaker.
        </p>
      </article>
    </div>
  );
}

function Part({ title, aside, children }: { title: string; aside?: string; children: React.ReactNode }) {
  return (
    <section className="mt-5">
      <h2 className="flex items-baseline justify-between gap-3 border-b border-ink pb-0.5 text-total font-semibold">
        {title}
        {aside && <span className="num text-body font-normal text-ink-2">{aside}</span>}
      </h2>
      <ul className="mt-1 space-y-1 text-[15px] leading-[22px]">{children}</ul>
    </section>
  );
}

/** How many clashes a card tells: more are no use beside a socket. */
const TOLD = 8;

function Clashes({
  job,
  clashes,
  marked,
}: {
  job: Job;
  clashes: readonly (readonly string[])[] | null;
  marked: boolean;
}) {
  if (!clashes) return <li>Reckoning…</li>;
  if (clashes.length === 0) return <li>Everything may run at once{marked ? ', but for the above' : ''}.</li>;
  return (
    <>
      {clashes.slice(0, TOLD).map((ids) => (
        <li key={ids.join()}>{clashSentence(ids, job)}</li>
      ))}
      {clashes.length > TOLD && <li>Of the large ones only one or two at a time.</li>}
    </>
  );
}

function SupplyPart({
  job,
  moment,
  detail,
  marked,
}: {
  job: Job;
  moment: SupplyMoment;
  detail: MomentDetail | null;
  marked: boolean;
}) {
  const { limit, chargingSize, loads } = moment;
  const own = detail?.supplies.find(({ supplyId }) => supplyId === limit.supply.id) ?? null;
  const full = loads.reduce((sum, { leastSize, size }) => sum + (leastSize === null ? 0 : size), 0);
  const order = orderSentence(moment);
  const { chargers } = useView().option.system;
  return (
    <Part title={`On ${limit.supply.name}`} aside={`up to ${showText(limit.runningSize, limit.unit)}`}>
      <Clashes job={job} clashes={own?.combinations.clashes ?? null} marked={marked} />
      {full > 0 && chargingSize < full && (
        <li>
          {chargingSize > 0
            ? `Turn the charger down to ${chargerText(moment, chargers)} while much runs.`
            : 'Switch the charger off while much runs.'}
        </li>
      )}
      {order && <li>{order}</li>}
      {moment.assisting && moment.assistSize > 0 && (
        <li>The battery helps while much runs: do not leave {nameList(largest(moment), job)} on for hours.</li>
      )}
    </Part>
  );
}

/** The two largest of the worst set. */
const largest = ({ worst, loads }: SupplyMoment): string[] =>
  loads
    .filter(({ id }) => worst.ids.includes(id))
    .sort((a, b) => b.size - a.size)
    .slice(0, 2)
    .map(({ id }) => id);
