import { type Evaluation, evaluate } from '../assess/assess.ts';
import type { Finding } from '../findings/finding.ts';
import type { Part } from '../job/partFields.ts';
import type { Job, System } from '../job/schema.ts';
import { Effort } from '../moment/effort.ts';
import { partsOf, smallestCharger, smallestController, smallestInverter } from '../parts/choose.ts';
import { asApart, asOneBox } from '../parts/oneBox.ts';
import { asFitted } from '../settle/fitted.ts';
import { broughtBy } from '../sources/listed.ts';

/** This job with separate units, or with what they do in one box. */
export interface BoxColumn {
  readonly what: 'as it is' | 'separate' | 'one box';
  /** What converts and charges in it: its inverter, controllers and charger, or the unit. */
  readonly names: readonly string[];
  /** The system with it; null of what is already there. */
  readonly system: System | null;
  /** Wh a day: the need, and all that is lost, in controllers too. */
  readonly needWh: number;
  readonly lostWh: number;
  /** Of it idle; with one idle for all that is in one box. */
  readonly idleWh: number;
  readonly idleW: number;
  /** kg and price of these units; null where one of them does not say. */
  readonly kg: number | null;
  readonly money: number | null;
  /** What runs at the worst moment ÷ the inverter's rating. */
  readonly loadShare: number;
  /** Of its solar inputs the one that is used most: laboratory W ÷ what it takes; null = no limit is known. */
  readonly solarShare: number | null;
  /** Wh a day that limits of controllers and of the unit hold back. */
  readonly clippedWh: number;
  /** What is to be checked that is not so as it is; whether laid cables then want other sizes is said apart. */
  readonly findings: readonly Finding[];
  readonly cablesToCheck: boolean;
}

/** The job as it is, with separate units of the list and with the smallest all-in-one unit of it that will do. */
export interface BoxChoice {
  readonly columns: readonly BoxColumn[];
  /** Why there is no all-in-one unit among them; null when there is one. */
  readonly none: 'no unit for this voltage' | 'no unit is large enough' | null;
}

/** @param effort what the searches of each may cost */
export function boxChoice(
  job: Job,
  optionId: string,
  parts: readonly Part[],
  effort = Number.POSITIVE_INFINITY,
): BoxChoice {
  const asItIs = evaluate(job, optionId, new Effort(effort));
  // What a unit holds is joined with arrays that are there; the store goes on following its need.
  const { arrays } = systemOf(asFitted(asItIs, job), optionId);
  const system = { ...systemOf(job, optionId), arrays };
  const withSystem = (changed: System): Evaluation =>
    evaluate(
      {
        ...job,
        options: job.options.map((option) => (option.id === optionId ? { ...option, system: changed } : option)),
      },
      optionId,
      new Effort(effort),
    );
  const columns = [columnOf('as it is', asItIs, asItIs, null)];
  const [main] = asItIs.inverters;
  const isOneBox = system.allInOnes.length > 0;
  const neededW = main?.need.requiredW ?? 0;
  if (isOneBox || !isBought(system)) {
    const apart = asApart(system, {
      inverter: smallestInverter(parts, neededW),
      controllerFor: ({ id }) => {
        const window = asItIs.windows.find(({ arrayId }) => arrayId === id);
        return window ? smallestController(parts, broughtBy(window)) : null;
      },
      charger: smallestCharger(parts, system.chargers[0]?.ratingA ?? 0),
    });
    columns.push(columnOf('separate', withSystem(apart), asItIs, apart));
  }
  const units = partsOf(parts, 'all-in-one')
    .filter(({ busV }) => busV === system.busVoltageV)
    .sort((a, b) => a.ratingW - b.ratingW || (a.price ?? 0) - (b.price ?? 0));
  const large = units.filter(({ ratingW }) => ratingW >= neededW - 1e-9);
  const isFitted = (name: string, ratingW: number): boolean =>
    system.allInOnes.some(
      (unit) => unit.name === name && unit.inverter === main?.device.id && main.ratingW === ratingW,
    );
  for (const part of large) {
    if (isFitted(part.name, part.ratingW)) break;
    const boxed = asOneBox(system, part);
    const column = columnOf('one box', withSystem(boxed), asItIs, boxed);
    // The first that brings nothing new to check; of several that do the largest is shown with what is wrong.
    if (column.findings.length > 0 && part !== large.at(-1)) continue;
    columns.push(column);
    break;
  }
  const none = units.length === 0 ? 'no unit for this voltage' : large.length === 0 ? 'no unit is large enough' : null;
  return { columns, none };
}

const systemOf = (job: Job, optionId: string): System =>
  (job.options.find(({ id }) => id === optionId) as Job['options'][number]).system;

/** Whether of everything that a unit would hold the price is said. */
const isBought = ({ devices, arrays, chargers }: System): boolean =>
  devices.every((device) => device.kind !== 'inverter' || device.price !== null) &&
  (arrays ?? []).every(({ controller }) => controller.price !== null) &&
  chargers.every(({ price }) => price !== null);

function columnOf(
  what: BoxColumn['what'],
  evaluation: Evaluation,
  asItIs: Evaluation,
  system: System | null,
): BoxColumn {
  const { ledger, income, inverters, solar, sources, windows, option, assessment } = evaluation;
  const { total } = ledger;
  const { devices, arrays, chargers, allInOnes } = option.system;
  const isIn = (list: 'inverter' | 'charger', id: string) => allInOnes.some((unit) => unit[list] === id);
  const units = [
    ...allInOnes,
    ...devices.filter(({ kind, id }) => kind === 'inverter' && !isIn('inverter', id)),
    ...(arrays ?? solar.arrays)
      .filter(({ id }) => !allInOnes.some((unit) => unit.arrays.includes(id)))
      .map(({ name, controller: { maxA, kg, price } }) => ({
        name: maxA === null ? `Controller of ${name}` : `Controller ${maxA} A`,
        kg,
        price,
      })),
    ...chargers.filter(({ id, ratingA }) => ratingA > 0 && !isIn('charger', id)),
  ] as readonly { readonly name: string; readonly kg: number | null; readonly price: number | null }[];
  const sum = (of: 'kg' | 'price'): number | null =>
    units.every((unit) => unit[of] !== null) ? units.reduce((all, unit) => all + (unit[of] ?? 0), 0) : null;
  const [main] = inverters;
  const known = new Set(asItIs.assessment.findings.map(keyOf));
  const worse = assessment.findings.filter((one) => one.severity !== 'note' && !known.has(keyOf(one)));
  const solarShares = windows.flatMap(({ watts: { share } }) => (share === null ? [] : [share]));
  return {
    what,
    names: units.map(({ name }) => name),
    system,
    needWh: total.batteryWh,
    lostWh: total.conversionWh + total.idleWh + total.cableWh + total.storageWh + income.controllersWh,
    idleWh: total.idleWh,
    idleW: inverters.reduce((w, { feed }) => w + (feed ? feed.ratingW * feed.curve.c0 : 0), 0),
    kg: sum('kg'),
    money: sum('price'),
    loadShare: main && main.ratingW > 0 ? main.moment.continuous.weight / main.ratingW : 0,
    solarShare: solarShares.length > 0 ? Math.max(...solarShares) : null,
    clippedWh: sources.reduce((wh, { kind, clippedWh }) => (kind === 'sun' ? wh + clippedWh : wh), 0),
    findings: worse.filter(({ where }) => where.step !== 'runs'),
    cablesToCheck: worse.some(({ where }) => where.step === 'runs'),
  };
}

const keyOf = ({ code, severity }: Finding): string => `${code} ${severity}`;
