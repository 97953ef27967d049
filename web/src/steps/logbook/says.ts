import { formatNumber, type LogReport } from '@joulemetric/core';

/** A log in sentences: what the readings come to, first. */

export const hoursText = (hours: number): string =>
  hours >= 72
    ? `${formatNumber(hours / 24, hours >= 240 ? 0 : 1)} days`
    : hours >= 2
      ? `${formatNumber(hours, 1)} h`
      : `${formatNumber(hours * 60, 0)} min`;

/** Between two lengths, in one unit. */
export const spanText = (low: number, high: number): string => {
  const [a, b] = [hoursText(low), hoursText(high)];
  const unit = a.replace(/^[\d.,\s\u2009]+/, '');
  return b.endsWith(unit) ? `${a.slice(0, a.length - unit.length).trim()} to ${b}` : `${a} to ${b}`;
};

/** The one line under the question. */
export function answerOf(report: LogReport): string {
  const { forecast, compare, loss, stated, contradictions, target } = report;
  if (contradictions.some(({ refused }) => refused))
    return 'Two of its figures contradict each other; choose which counts before anything is taken from it.';
  if (target && forecast?.fullToReserveH) {
    const met = { yes: 'is met', no: 'is not met', open: 'is within what these readings leave open' }[target.met];
    return `The ${hoursText(target.targetH)} asked for ${met}: full to the reserve takes ${spanText(forecast.fullToReserveH.low, forecast.fullToReserveH.high)}.`;
  }
  if (compare)
    return compare.distinguishable
      ? `${compare.b.label} takes ${formatNumber(Math.abs(compare.differenceW), 1)} W ${compare.differenceW < 0 ? 'less' : 'more'} than ${compare.a.label}.`
      : `No difference detected between ${compare.a.label} and ${compare.b.label}${compare.test ? `; a test that could tell takes ${hoursText(compare.test.hours)}` : ''}.`;
  if (loss)
    return `It takes ${formatNumber(loss.idleW, 1)} W with nothing on it, and ${formatNumber(loss.perW * 100, 1)} % of what it gives.`;
  if (forecast?.fullToReserveH)
    return `Full to the reserve takes ${spanText(forecast.fullToReserveH.low, forecast.fullToReserveH.high)}${meanOf(report) === null ? '' : `, at ${formatNumber(meanOf(report) ?? 0, 1)} W on average`}.`;
  if (stated?.wh != null) return `One cycle takes ${formatNumber(stated.wh, 0)} Wh.`;
  const way = report.energy.counts;
  const energy = way === null ? null : report.energy[way];
  if (energy?.meanW != null)
    return `${formatNumber(energy.wh, 0)} Wh in ${hoursText(energy.hours)}: ${formatNumber(energy.meanW, 1)} W on average.`;
  if (report.readings === 0) return 'Nothing has been read yet. The first reading starts its clock.';
  if (report.readings === 1) return 'One reading. The second makes it a measurement.';
  return 'These readings say nothing of energy or time yet.';
}

/** By the way that counts, else by the fall of the charge. */
function meanOf({ energy, forecast }: LogReport): number | null {
  const counted = energy.counts === null ? null : energy[energy.counts];
  return counted?.meanW ?? forecast?.meanW ?? null;
}

export interface Said {
  readonly label: string;
  readonly value: string;
  readonly unit: string;
  readonly note: string;
}

/** The figures that stand large above a log, most wanted first. */
export function figuresOf(report: LogReport): Said[] {
  const said: Said[] = [];
  const { forecast, energy, rate, compare, loss, stated } = report;
  const add = (label: string, value: number, digits: number, unit: string, note: string) =>
    said.push({ label, value: formatNumber(value, digits), unit, note });
  const way = energy.counts;
  const counted = way === null ? null : energy[way];
  if (forecast?.toReserveH)
    add(
      'To the reserve',
      forecast.toReserveH.value,
      1,
      'h',
      `${spanText(forecast.toReserveH.low, forecast.toReserveH.high)}; to empty ${forecast.toEmptyH ? hoursText(forecast.toEmptyH.value) : '–'}`,
    );
  if (forecast?.fullToReserveH)
    add(
      'Full to reserve',
      forecast.fullToReserveH.value,
      1,
      'h',
      spanText(forecast.fullToReserveH.low, forecast.fullToReserveH.high),
    );
  if (counted?.meanW != null)
    add(
      'Mean',
      counted.meanW,
      counted.meanW < 100 ? 1 : 0,
      'W',
      `${formatNumber(counted.wh, 0)} Wh by ${WAY[way as string]}, ${formatNumber(counted.low, 0)} to ${formatNumber(counted.high, 0)}`,
    );
  else if (rate)
    add(
      'Falls by',
      -rate.percentPerH.value,
      2,
      '%/h',
      `${formatNumber(-rate.percentPerH.high, 2)} to ${formatNumber(-rate.percentPerH.low, 2)}`,
    );
  if (forecast?.whPerDay != null)
    add(
      'A day',
      forecast.whPerDay,
      0,
      'Wh',
      forecast.meanA === null ? '' : `${formatNumber(forecast.meanA, 2)} A at ${report.capacity?.nominalV} V nominal`,
    );
  if (compare)
    add(
      `${compare.b.label} − ${compare.a.label}`,
      compare.differenceW,
      2,
      'W',
      compare.interval
        ? `${formatNumber(compare.interval.lowW, 1)} to ${formatNumber(compare.interval.highW, 1)} W, 95 %`
        : 'one window a side: no interval',
    );
  if (loss)
    add(
      'Idle',
      loss.idleW,
      1,
      'W',
      loss.idleBetween
        ? `two pairs leave ${formatNumber(loss.idleBetween.lowW, 1)} to ${formatNumber(loss.idleBetween.highW, 1)} open`
        : `by ${loss.pairs.length} pairs`,
    );
  if (stated?.wh != null)
    add(
      'One cycle',
      stated.wh,
      0,
      'Wh',
      stated.ah
        .map(
          ({ ah, nominalV, efficiency }) =>
            `${formatNumber(ah, 2)} Ah at ${nominalV} V${efficiency < 1 ? ` through ${formatNumber(efficiency * 100, 0)} %` : ''}`,
        )
        .slice(0, 3)
        .join(' · '),
    );
  if (report.strandedAh !== null) add('Left when it cut out', report.strandedAh, 1, 'Ah', 'stranded by the cut-out');
  return said.slice(0, 5);
}

const WAY: Readonly<Record<string, string>> = {
  soc: 'state of charge × capacity',
  counter: 'the counter',
  power: 'W × time',
};

/** What the energy is by each way, for those that are there. */
export function waysOf({ energy }: LogReport): {
  readonly way: string;
  readonly wh: number;
  readonly low: number;
  readonly high: number;
  readonly meanW: number | null;
  readonly counts: boolean;
  readonly doubtWh: number | null;
}[] {
  return (['counter', 'power', 'soc'] as const).flatMap((way) => {
    const one = energy[way];
    return one
      ? [
          {
            way: WAY[way] ?? way,
            wh: one.wh,
            low: one.low,
            high: one.high,
            meanW: one.meanW,
            counts: energy.counts === way,
            doubtWh: one.capacityDoubtWh,
          },
        ]
      : [];
  });
}
