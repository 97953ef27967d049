import {
  formatNumber,
  type ListedBank,
  type MainRun,
  type StoreDetail,
  showText,
  type VoltageChoice,
} from '@joulemetric/core';
import { changeBusVoltage } from '../../commands/design.ts';
import { useEditing, useShown } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';
import { useText } from '../../ui/useText.ts';

type Line = readonly [
  what: string,
  value: (choice: VoltageChoice, text: ReturnType<typeof useText>, currency: string) => string,
];

const CONVERTER = 'Loads for 12 V only, by a converter';
const BANK = 'Units of that voltage, of the parts list';
const IN_ROW = 'or in a row, to be kept alike';
/** Where no run leads from the bank to busbars. */
const NO_MAIN = '–';
/** Lines that are too long for one. */
const LONG: ReadonlySet<string> = new Set([CONVERTER, BANK, IN_ROW]);

const LINES: readonly Line[] = [
  ['From the store at the worst moment', ({ worstA }) => showText(worstA, 'A')],
  ['Store needed', ({ storeAh }) => showText(storeAh, 'Ah')],
  ['Main fuse', ({ main }) => (main ? (mainFuseText(main) ?? 'none') : NO_MAIN)],
  ['Leads, each pole', ({ main }) => (main ? `${formatNumber(main.areaMm2)} mm²` : NO_MAIN)],
  ['Copper in them', ({ main }, text) => (main ? text(main.kg, 'kg') : NO_MAIN)],
  ['Lost in them, a day', ({ main }) => (main ? showText(main.lostWh, 'Wh') : NO_MAIN)],
  ['Array that a 50 A controller carries', ({ controllerW }) => showText(controllerW, 'W')],
  ['DC-DC to cover the day by driving', ({ drivingA }) => (drivingA > 0 ? showText(drivingA, 'A') : 'no driving')],
  [
    CONVERTER,
    ({ converterLoads, converterWh }) =>
      converterLoads === 0 ? '–' : `${converterLoads}, lose ${showText(converterWh, 'Wh')}`,
  ],
  [BANK, ({ native }) => (native ? `${native.parallel} × ${native.name}` : 'none in the list')],
  [
    IN_ROW,
    ({ inRow }) =>
      inRow ? `${inRow.parallel > 1 ? `${inRow.parallel} × ` : ''}${inRow.series} in a row: ${inRow.name}` : '–',
  ],
  ['The bank and its leads weigh', (choice, text) => ofBank(choice, ({ kg }) => kg !== null && text(kg, 'kg'))],
  [
    'They cost, by the prices that are given',
    (choice, _text, currency) =>
      ofBank(choice, ({ money }) => money !== null && `${formatNumber(money)}\u00a0${currency}`),
  ],
  ['Lost in all, a day', ({ lostWh }) => showText(lostWh, 'Wh')],
];

/** "300 A", "2 × 250 A"; null when there is none. */
export const mainFuseText = ({ fuseA, fuseWays }: MainRun): string | null =>
  fuseA === null ? null : `${fuseWays > 1 ? `${fuseWays}\u00a0×\u00a0` : ''}${formatNumber(fuseA / fuseWays)}\u00a0A`;

/** Of units of the voltage, or else of those in a row. */
function ofBank({ native, inRow }: VoltageChoice, say: (bank: ListedBank) => string | false): string {
  const bank = native ?? inRow;
  return bank === null ? '–' : say(bank) || 'not all known';
}

/** This very job at 12, 24 and 48 V, side by side. */
export function Voltages({ detail }: { detail: StoreDetail | null }) {
  const { edit, optionId } = useEditing();
  const text = useText();
  const currency = useShown(({ view }) => view.job.brief.region.currency);
  if (!detail) return null;
  const { voltages, advised } = detail;
  const guide = voltages.find(({ isByGuide }) => isByGuide)?.busV;
  return (
    <section aria-label="Voltages" className="painted-in-view border-t border-line py-3">
      <h2 className="pb-1 text-body font-semibold">
        12, 24 or 48 V{' '}
        <span className="num font-normal text-note text-ink-2">this very job, everything else as it is</span>
      </h2>
      <table className="num w-full max-w-[860px] text-right">
        <thead>
          <tr className="border-b border-ink">
            <td />
            {voltages.map(({ busV, isChosen }) => (
              <th
                key={busV}
                scope="col"
                className={`py-1 pl-4 text-right ${isChosen ? 'font-semibold' : 'font-medium text-ink-2'}`}
              >
                {busV} V
                <span className="block text-note font-normal text-ink-2">
                  {busV === advised ? 'least lost' : isChosen ? 'as it is' : '\u00a0'}
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {LINES.map(([what, value]) => (
            <tr key={what} className="border-b border-line-2 last:border-b-0 last:font-semibold">
              <th scope="row" className="py-1 text-left font-normal text-ink-2">
                {what}
              </th>
              {voltages.map((choice) => (
                <td
                  key={choice.busV}
                  className={`pl-4 ${LONG.has(what) ? '' : 'whitespace-nowrap'} ${choice.isChosen ? 'bg-sheet font-semibold' : ''}`}
                >
                  {value(choice, text, currency)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 flex flex-wrap items-baseline gap-x-5 gap-y-1 text-ink-2">
        <span>{because(detail, guide)}</span>
        {voltages
          .filter(({ isChosen }) => !isChosen)
          .map(({ busV }) => (
            <Button key={busV} onClick={() => edit(changeBusVoltage(optionId, busV))}>
              Make it {busV} V
            </Button>
          ))}
      </p>
    </section>
  );
}

function because({ voltages, advised }: StoreDetail, guide: number | undefined): string {
  const others = voltages.filter(({ busV, isByOneFuse }) => busV < advised && !isByOneFuse);
  const why =
    others.length > 0
      ? `${advised} V: at ${others.at(-1)?.busV} V the main run is more than one common fuse and cable carry.`
      : `${advised} V loses least, or so little more that the simpler one stands.`;
  return guide === undefined ? why : `${why} The trade’s rule of thumb for this worst moment: ${guide} V.`;
}
