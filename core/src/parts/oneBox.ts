import { blankCharger, blankController, UNIT_UNSAID } from '../job/blank.ts';
import { freeId } from '../job/ids.ts';
import type { PartOf } from '../job/partFields.ts';
import type { AllInOne, Inverter, SolarArray, System } from '../job/schema.ts';
import { chargerOf, controllerOf, inverterOf } from './choose.ts';

/** An all-in-one unit put into a system in place of what it holds, and taken apart again. Pure. */

/** Arrays that a unit has inputs for; one input where it is not said. */
const inputsOf = ({ solarInputs, maxA, maxW }: PartOf<'all-in-one'>): number =>
  solarInputs ?? (maxA === null && maxW === null ? 0 : 1);

/** The controller of an array that is in such a unit: what it weighs and costs is said of the unit. */
const controllerIn = ({
  maxA,
  maxW,
  maxV,
  maxInputA,
  minV,
  efficiency,
}: PartOf<'all-in-one'>): SolarArray['controller'] => ({
  ...blankController('mppt'),
  maxA,
  maxW,
  maxV,
  maxInputA,
  minV,
  efficiency,
});

/** The inverter that the unit takes the place of: the first. */
const mainInverter = ({ devices }: System): Inverter | undefined =>
  devices.find((device): device is Inverter => device.kind === 'inverter');

/**
 * The system with its first inverter, as many arrays as the unit has inputs for and its first charger in one unit. An
 * array beyond that keeps its controller; a unit with a charger brings one along.
 */
export function asOneBox(system: System, part: PartOf<'all-in-one'>): System {
  const inverter = mainInverter(system);
  if (!inverter) return system;
  const arrays = system.arrays ?? [];
  // What is in another unit stays there.
  const others = system.allInOnes.filter((one) => one.inverter !== inverter.id);
  const isFree = (array: SolarArray): boolean => !others.some((one) => one.arrays.includes(array.id));
  const taken = arrays.filter(isFree).slice(0, inputsOf(part));
  const first = system.chargers.find(({ id }) => !others.some((one) => one.charger === id));
  const chargerIds = system.chargers.map(({ id }) => id);
  const charger: System['chargers'][number] | null =
    part.chargerA === null || part.chargerA === 0
      ? null
      : {
          ...(first ?? blankCharger(freeId('charger', chargerIds), 'Mains charger', 0)),
          ...{ ratingA: part.chargerA, name: `Charger of the ${part.name}`.slice(0, 60), kg: null, price: null },
        };
  const unit: AllInOne = {
    id: freeId(
      'all-in-one',
      others.map(({ id }) => id),
    ),
    name: part.name,
    inverter: inverter.id,
    arrays: taken.map(({ id }) => id),
    charger: charger?.id ?? null,
    chargeA: part.chargeA,
    kg: part.kg,
    price: part.price,
  };
  const { ratingW, ratingVa, surgeW, surgeSeconds, idleW, peakEfficiency } = part;
  return {
    ...system,
    devices: system.devices.map((device) =>
      device === inverter
        ? { ...inverter, ...UNIT_UNSAID, ratingW, ratingVa, surgeW, surgeSeconds, idleW, peakEfficiency }
        : device,
    ),
    arrays:
      system.arrays &&
      arrays.map((array) => (taken.includes(array) ? { ...array, controller: controllerIn(part) } : array)),
    chargers: charger ? [charger, ...system.chargers.filter((one) => one !== first)] : system.chargers,
    allInOnes: [...others, unit],
  };
}

/** Separate units to take the place of an all-in-one. */
export interface Apart {
  readonly inverter: PartOf<'inverter'> | null;
  readonly controllerFor: (array: SolarArray) => PartOf<'controller'> | null;
  readonly charger: PartOf<'charger'> | null;
}

/** The system with every part of the inverter's unit on its own again, or with separate units where it has none. */
export function asApart(system: System, { inverter: part, controllerFor, charger }: Apart): System {
  const inverter = mainInverter(system);
  const [first] = system.chargers;
  const wasIn = new Set(system.allInOnes.flatMap((unit) => (unit.inverter === inverter?.id ? unit.arrays : [])));
  return {
    ...system,
    devices: system.devices.map((device) =>
      device === inverter && part ? ({ ...device, ...inverterOf(part) } as Inverter) : device,
    ),
    arrays:
      system.arrays?.map((array) => {
        const controller = controllerFor(array);
        if (controller) return { ...array, controller: controllerOf(controller) };
        // None of the list is large enough: of the one it gets nothing is known yet.
        return wasIn.has(array.id) ? { ...array, controller: blankController('mppt') } : array;
      }) ?? null,
    chargers:
      first && first.ratingA > 0 && charger
        ? [chargerOf(charger, first), ...system.chargers.slice(1)]
        : system.chargers,
    allInOnes: system.allInOnes.filter((unit) => unit.inverter !== inverter?.id),
  };
}
