import { inverterFigures } from '../explain/inverterIds.ts';
import { supplyFigure } from '../explain/supply.ts';
import type { Supply } from '../job/schema.ts';
import { passesSupply, type SupplyMoment } from '../moment/supplyMoment.ts';
import type { Rule, Where } from './finding.ts';
import { namesOf } from './names.ts';

const at = (figure: 'worst' | 'full' | 'start' | 'assist' | 'limit', { limit }: SupplyMoment): Where => ({
  step: 'moment',
  figure: supplyFigure(limit.supply.id, figure),
});

/** Loads that always and never run together. */
export const togetherContradiction: Rule = ({ coincidence, job }) =>
  coincidence.contradictions.map((ids) => ({
    code: 'together-contradiction',
    severity: 'caution',
    where: { step: 'moment', ...(ids[0] ? { loadId: ids[0] } : {}) },
    values: { names: namesOf(ids, job.loads) },
  }));

/** What may run at once is too much for a supply, and nothing adds what is missing. */
export const supplyOverload: Rule = ({ supplies }) =>
  supplies
    .filter(({ fits, assisting }) => !fits && !assisting)
    .map((moment) => ({
      code: 'supply-overload',
      severity: 'caution',
      where: at('worst', moment),
      values: {
        supply: moment.limit.supply.name,
        unit: moment.limit.unit,
        worst: moment.worst.weight,
        limit: moment.limit.runningSize,
        names: namesOf(heaviestIn(moment), moment.loads),
      },
    }));

/** It carries the loads, but not with the charger at full. */
export const supplyCharger: Rule = ({ supplies }) =>
  supplies
    .filter(({ fits, fullSize, limit }) => fits && fullSize > limit.runningSize * (1 + 1e-9))
    .map((moment) => ({
      code: 'supply-charger',
      severity: 'caution',
      where: at('full', moment),
      values: {
        supply: moment.limit.supply.name,
        unit: moment.limit.unit,
        full: moment.fullSize,
        limit: moment.limit.runningSize,
        leftW: moment.chargingSize * moment.limit.wattsPerUnit,
      },
    }));

/** Even in the best order one start is more than it bears. */
export const supplyStart: Rule = ({ supplies }) =>
  supplies.flatMap((moment) => {
    const { order, limit, loads, startingSize } = moment;
    if (order.peak <= startingSize * (1 + 1e-9)) return [];
    const worst = order.steps.find(({ peak }) => peak === order.peak);
    return [
      {
        code: 'supply-start' as const,
        severity: 'caution' as const,
        where: at('start', moment),
        values: {
          supply: limit.supply.name,
          unit: limit.unit,
          peak: order.peak,
          limit: startingSize,
          name: namesOf(worst ? [worst.id] : [], loads),
        },
      },
    ];
  });

/** The assisting inverter and the supply together are not enough. */
export const assistShort: Rule = ({ supplies }) =>
  supplies
    .filter(({ assisting, shortSize }) => assisting && shortSize > 0)
    .map((moment) => ({
      code: 'assist-short',
      severity: 'caution',
      where: at('assist', moment),
      values: {
        supply: moment.limit.supply.name,
        missingW: moment.shortSize * moment.limit.wattsPerUnit,
        device: moment.assisting?.device.name ?? '',
      },
    }));

/** A supply is there, but the inverter that feeds the sockets does not let it through. */
export const nothingPasses: Rule = ({ supplies, inverters }) =>
  inverters
    .filter(({ device, ratingW }) => supplies.length > 0 && ratingW > 0 && !passesSupply(device))
    .map((inverter) => ({
      code: 'nothing-passes',
      severity: 'note',
      where: { step: 'moment', figure: inverterFigures(inverter).rating },
      values: { device: inverter.device.name },
    }));

/** A caution that goes with a kind of supply, told once. */
const cautionOf =
  (kind: Supply['kind'], code: 'hookup-inlet' | 'generator-fumes'): Rule =>
  ({ supplies }) =>
    supplies
      .filter(({ limit }) => limit.supply.kind === kind)
      .slice(0, 1)
      .map((moment) => ({
        code,
        severity: 'note',
        where: at('limit', moment),
        values: { supply: moment.limit.supply.name },
      }));

export const hookupInlet = cautionOf('hookup', 'hookup-inlet');
export const generatorFumes = cautionOf('generator', 'generator-fumes');

/** The members of the worst set, the largest first. */
const heaviestIn = ({ worst, loads }: SupplyMoment): string[] =>
  loads
    .filter(({ id }) => worst.ids.includes(id))
    .sort((a, b) => b.size - a.size)
    .map(({ id }) => id);
