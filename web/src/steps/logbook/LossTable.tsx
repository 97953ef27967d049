import { formatNumber, type LogReport } from '@joulemetric/core';

type Loss = NonNullable<LogReport['loss']>;

/** What a device takes for what it gives, at the pairs that were read and where it was asked. */
export function LossTable({ loss }: { loss: Loss }) {
  return (
    <section aria-label="What it loses" className="pt-3">
      <table className="num w-full max-w-[560px] text-number">
        <thead>
          <tr className="border-b border-ink text-right text-note text-ink-2">
            <th scope="col" className="py-1 text-left font-medium">
              Gives
            </th>
            <th scope="col" className="font-medium">
              takes
            </th>
            <th scope="col" className="font-medium">
              of it useful
            </th>
            <th scope="col" className="pl-4 text-left font-medium">
              how it is known
            </th>
          </tr>
        </thead>
        <tbody>
          {loss.pairs.map(({ outW, inW, efficiency }) => (
            <Row key={`read ${outW} ${inW}`} outW={outW} inW={inW} share={efficiency} from="read" />
          ))}
          {loss.at.map(({ outW, inW, efficiency, lowInW, highInW }) => (
            <Row
              key={`asked ${outW}`}
              outW={outW}
              inW={inW}
              share={efficiency}
              from={
                highInW - lowInW > 0.1
                  ? `by the curve; the pairs leave ${formatNumber(lowInW, 0)} to ${formatNumber(highInW, 0)} W open`
                  : 'by the curve'
              }
            />
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Row({ outW, inW, share, from }: { outW: number; inW: number; share: number; from: string }) {
  return (
    <tr className="border-b border-line-2 text-right">
      <td className="py-1 text-left">{formatNumber(outW, 1)} W</td>
      <td className="font-medium">{formatNumber(inW, 1)} W</td>
      <td>{formatNumber(share * 100, 1)} %</td>
      <td className="pl-4 text-left text-ink-2">{from}</td>
    </tr>
  );
}
