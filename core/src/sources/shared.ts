import type { DrivingLink, System } from '../job/schema.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { type BoxLimit, boxLimits, throughBox } from './allInOne.ts';
import { type Flow, type Source, withWatts } from './source.ts';

/** What sources have in common on their way into the store: outputs, all-in-one units, inputs. */
export interface Sharing {
  /** Of links to the alternator that share theirs with an array. */
  readonly outputs: readonly {
    readonly link: string;
    readonly array: string;
    readonly mostW: number;
    readonly school: DrivingLink['sharing'];
  }[];
  readonly boxes: readonly BoxLimit[];
  readonly input: Pick<System['store'], 'inputs' | 'inputW'>;
}

export function sharingOf(system: System): Sharing {
  const volts = chargingVoltageV(system);
  return {
    outputs: (system.driving ?? []).flatMap(({ id: link, sharesWith: array, ratingA, sharing: school }) =>
      array === null ? [] : [{ link, array, mostW: ratingA * volts, school }],
    ),
    boxes: boxLimits(system),
    input: system.store,
  };
}

export const isShared = ({ outputs, boxes, input: { inputs, inputW } }: Sharing): boolean =>
  outputs.length > 0 || boxes.length > 0 || inputs === 'one' || inputW !== null;

/** All that holds sources back, in the order they pass it. @param flows in the order they are drawn on */
export function holdBack(flows: readonly Flow[], sharing: Sharing): void {
  shareOutputs(flows, sharing);
  for (const box of sharing.boxes) throughBox(flows, box);
  throughInputs(flows, sharing.input);
}

/** Sources in the order they are drawn on, held to what the outputs, units and inputs they share let in. */
export function throughShared(sources: readonly Source[], system: System): readonly Source[] {
  const sharing = sharingOf(system);
  return isShared(sharing) ? heldBack(sources, (flows) => holdBack(flows, sharing)) : sources;
}

/** Sources as something holds them back. @param hold changes the watts of copies */
export function heldBack(sources: readonly Source[], hold: (flows: readonly Flow[]) => void): readonly Source[] {
  const flows = sources.map(({ id, kind, watts }) => ({ id, kind, watts: watts.slice() }));
  hold(flows);
  return sources.map((source, i) => {
    const { watts } = flows[i] as Flow;
    return watts.every((w, m) => w === source.watts[m]) ? source : withWatts(source, watts);
  });
}

/**
 * Where sun and alternator come out of one charger, together they give no more than its rating: the sun first and the
 * alternator what is left, or both less by the same share.
 */
export function shareOutputs(flows: readonly Flow[], { outputs }: Pick<Sharing, 'outputs'>): void {
  for (const { link, array, mostW, school } of outputs) {
    const sun = flows.find(({ kind, id }) => kind === 'sun' && id === array)?.watts;
    const driving = flows.find(({ kind, id }) => kind === 'driving' && id === link)?.watts;
    if (!sun || !driving) continue;
    for (let m = 0; m < sun.length; m++) {
      const [bySun, byDriving] = [sun[m] as number, driving[m] as number];
      if (bySun + byDriving <= mostW) continue;
      sun[m] = school === 'blended' ? (bySun * mostW) / (bySun + byDriving) : Math.min(bySun, mostW);
      driving[m] = mostW - (sun[m] as number);
    }
  }
}

/**
 * What gets through the inputs of a store: where one socket takes one source at a time, the strongest of each moment;
 * and no more than it takes in, those first that are drawn on first.
 */
function throughInputs(flows: readonly Flow[], { inputs, inputW }: Sharing['input']): void {
  if (inputs === 'add' && inputW === null) return;
  const steps = flows[0]?.watts.length ?? 0;
  for (let m = 0; m < steps; m++) {
    let strongest = 0;
    for (let i = 1; i < flows.length; i++)
      if ((flows[i]?.watts[m] as number) > (flows[strongest]?.watts[m] as number)) strongest = i;
    let left = inputW ?? Number.POSITIVE_INFINITY;
    for (let i = 0; i < flows.length; i++) {
      const { watts } = flows[i] as Flow;
      const w = inputs === 'one' && i !== strongest ? 0 : (watts[m] as number);
      watts[m] = w < left ? w : left;
      left -= watts[m] as number;
    }
  }
}
