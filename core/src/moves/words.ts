import type { Job } from '../job/schema.ts';
import { isStepUp } from '../paths/chain.ts';
import { formatDuration, showText } from '../quantity/format.ts';
import { APPLIANCES } from '../reference/appliances.ts';
import { sizeWords } from '../runs/typedSize.ts';
import type { Move } from './move.ts';

/** A move in words: what to do, and why it saves as much as it does. */
export interface MoveWords {
  readonly title: string;
  readonly why: string;
}

interface Savings {
  readonly savedWh: number;
  readonly averageWh: number | null;
  readonly onLessH: number;
}

/** The average differs enough from the truth to be talked about when it is off by this share. */
const MUCH = 0.25;

export function wordsOfMove(move: Move, job: Job, savings: Savings): MoveWords {
  const load = 'loadId' in move ? (job.loads.find(({ id }) => id === move.loadId)?.name ?? move.loadId) : '';
  const high = 'loadId' in move && isStepUp(job.loads.find(({ id }) => id === move.loadId)?.minV ?? null);
  const device = 'deviceId' in move ? nameOfDevice(job, move.deviceId) : '';
  switch (move.kind) {
    case 'dc-converter':
      return {
        title: `${load} on a ${high ? 'step-up' : 'DC-DC'} converter`,
        why: `${high ? 'Stepping up costs nearly what the inverter does. ' : 'Drops the adapter and the inverter. '}${because(savings)}`,
      };
    case 'swap': {
      const type = APPLIANCES.find(({ id }) => id === move.typeId)?.name ?? move.typeId;
      return {
        title: `${type} instead of ${load}`,
        why: `Typical watts of such a one; measure before buying. ${because(savings)}`,
      };
    }
    case 'jug':
      return {
        title: `An insulated jug for ${load}`,
        why: 'Keeps warm for nothing what the plate keeps warm from the battery.',
      };
    case 'into-sun':
      return {
        title: `${load} around noon`,
        why: `On a day with sun it runs straight from the panels and skips the store’s loss. ${savings.onLessH > 0.05 ? `And beside others on the inverter: it is off ${formatDuration(savings.onLessH * 60)} more a day.` : 'The store itself stays as large.'}`,
      };
    case 'fuel':
      return {
        title: `${load} by gas or diesel`,
        why: `${move.residueW > 0 ? `Its burner still takes ${showText(move.residueW, 'W')}. ` : ''}Mind the fumes: vent it, and fit a carbon monoxide alarm. ${because(savings)}`,
      };
    case 'other-inverter':
      return { title: `${load} on ${device}`, why: because(savings) };
    case 'smaller-inverter':
      return {
        title: `${device} no larger than its loads ask`,
        why: 'The next standard size above the worst moment with your margin: it idles less and works nearer its best.',
      };
    case 'second-inverter': {
      const names = move.loadIds.map((id) => job.loads.find((one) => one.id === id)?.name ?? id);
      const shown =
        names.length > 3 ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more` : names.join(', ');
      return { title: 'A second, small inverter', why: `For ${shown}; the large one is on only for the rest.` };
    }
    case 'search-mode':
      return {
        title: `${device} in search mode`,
        why: `Takes ${showText(move.idleW, 'W')} while nothing runs. Small loads may not wake it: try each.`,
      };
    case 'thicker': {
      const run = job.options.flatMap(({ system }) => system.runs ?? []).find(({ id }) => id === move.runId);
      const now = run?.areaMm2 == null ? '' : ` instead of ${sizeWords({ ...run, areaMm2: run.areaMm2 })}`;
      const size = sizeWords({ ...move, conductor: run?.conductor ?? 'flexible' });
      return {
        title: `${run?.name ?? move.runId}: ${size}${now}`,
        why: 'Loses less of every watt-hour that flows through it, and leaves the appliances more volts. Its copper weighs more.',
      };
    }
    case 'with-loads':
      return {
        title: `${device} on only with its loads`,
        why: `A switch within reach, or a remote one. It now idles ${formatDuration(savings.onLessH * 60)} a day for nothing.`,
      };
  }
}

/** Settles the old dispute in this job's own numbers: always bypass the inverter, or never mind. */
function because({ savedWh, averageWh, onLessH }: Savings): string {
  const off = onLessH > 0.05 ? `The inverter is off ${formatDuration(onLessH * 60)} more a day.` : '';
  if (averageWh === null) return off;
  if (savedWh < averageWh * (1 - MUCH)) {
    return `${off || 'The inverter stays on for others, so its idle stays.'} By the average it would look like more.`;
  }
  if (savedWh > averageWh * (1 + MUCH))
    return `${off} By the average it would look like less: it alone held it on.`.trim();
  return off;
}

function nameOfDevice(job: Job, id: string): string {
  for (const { system } of job.options) {
    const device = system.devices.find((one) => one.id === id);
    if (device) return device.name;
  }
  return id;
}
