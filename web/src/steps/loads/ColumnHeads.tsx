import { COLUMNS, LANE_COLUMN, SPARE_COLUMN } from './columns.ts';

const HEAD = 'text-note text-ink-2';

export function ColumnHeads() {
  return (
    <tr aria-rowindex={1} className={`${COLUMNS} num pb-1 pl-2.5 pr-2 pt-2`}>
      <Head>
        <span className="sr-only">Chosen</span>
      </Head>
      <Head className={HEAD}>Load</Head>
      <Head className={`${HEAD} text-right!`}>Power</Head>
      <Head className={`${HEAD} text-right!`}>On for</Head>
      <Head className={`${HEAD} ${SPARE_COLUMN}`}>Evidence</Head>
      <Head className={HEAD}>Path</Head>
      <Head className={`${HEAD} ${LANE_COLUMN}`}>
        <span className="sr-only">When, hour by hour</span>
        <span aria-hidden="true" className="flex justify-between">
          <span>00</span>
          <span>06</span>
          <span>12</span>
          <span>18</span>
          <span>24</span>
        </span>
      </Head>
      <Head className={`${HEAD} text-right! ${SPARE_COLUMN}`}>At load</Head>
      <Head className={`${HEAD} truncate`}>From the store, a day</Head>
      <Head>
        <span className="sr-only">From the store, a day, in numbers</span>
      </Head>
    </tr>
  );
}

function Head({ className = '', children }: { className?: string; children: React.ReactNode }) {
  return (
    <th scope="col" className={`text-left font-normal ${className}`}>
      {children}
    </th>
  );
}
