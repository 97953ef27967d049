import { freeId } from '../job/ids.ts';
import type { Load } from '../job/schema.ts';
import { APPLIANCES, loadFrom } from './appliances.ts';

/** A typical way of living, as catalogue types with how many of each. Common practice. */
export interface Template {
  readonly name: string;
  readonly about: string;
  readonly types: readonly (readonly [id: string, quantity: number])[];
}

export const TEMPLATES: readonly Template[] = [
  {
    name: 'Weekender',
    about: 'two nights, gas cooking, a fridge and lights',
    types: [
      ['fridge-small', 1],
      ['lights-led', 1],
      ['phone', 2],
      ['water-pump', 1],
      ['fan-roof', 1],
      ['radio', 1],
      ['gas-alarm', 1],
    ],
  },
  {
    name: 'Works from the van',
    about: 'two laptops, the link, coffee, heating',
    types: [
      ['laptop', 2],
      ['monitor', 1],
      ['satellite-internet', 1],
      ['router', 1],
      ['coffee-filter', 1],
      ['fridge-medium', 1],
      ['heater-diesel', 1],
      ['lights-led', 1],
      ['phone', 2],
      ['water-pump', 1],
      ['always-on', 1],
    ],
  },
  {
    name: 'All electric',
    about: 'no gas: induction, kettle, hot water, cooling',
    types: [
      ['hob-1', 1],
      ['kettle', 1],
      ['microwave-700', 1],
      ['boiler-electric', 1],
      ['fridge-large', 1],
      ['aircon-12v', 1],
      ['lights-led', 1],
      ['television-12v', 1],
      ['laptop', 1],
      ['phone', 2],
      ['water-pump', 1],
      ['macerator', 1],
      ['always-on', 1],
    ],
  },
  {
    name: 'Winter',
    about: 'heating around the clock, long evenings',
    types: [
      ['heater-diesel', 1],
      ['fridge-medium', 1],
      ['lights-led', 2],
      ['blanket', 1],
      ['laptop-usb', 1],
      ['phone', 2],
      ['water-pump', 1],
      ['fan-roof', 1],
      ['gas-alarm', 1],
      ['always-on', 1],
    ],
  },
];

/** The loads of a template, with ids that are free. */
export function loadsOfTemplate(template: Template, taken: Iterable<string>): Load[] {
  const ids = new Set(taken);
  return template.types.flatMap(([typeId, quantity]) => {
    const appliance = APPLIANCES.find(({ id }) => id === typeId);
    if (!appliance) return [];
    const id = freeId(appliance.name, ids);
    ids.add(id);
    return [{ ...loadFrom(appliance, id), quantity }];
  });
}
