import type { Job, Load } from '../job/schema.ts';
import { APPLIANCES, type Appliance, loadFrom } from '../reference/appliances.ts';

/** Something that such a job usually has and this list lacks: what, why it is thought of, and the load it would be. */
export interface Missing {
  readonly key: string;
  readonly name: string;
  readonly why: string;
  readonly load: Load;
}

interface Usual {
  /** Type in the catalogue that is offered. */
  readonly type: string;
  /** What counts as having it: the beginnings of types, or words of a name. */
  readonly has: RegExp;
  readonly why: string;
  /** Whether a job like this one has it. */
  readonly when: (job: Job) => boolean;
}

const always = (): boolean => true;
const uses = (pattern: RegExp) => (job: Job) => job.loads.some((load) => tells(load, pattern));
const tells = ({ type, name }: Load, pattern: RegExp): boolean => pattern.test(type) || pattern.test(name);
const COOKS = /kettle|hob|coffee|microwave|cooker|dishwasher|washing/i;

/** Forgotten most often, in the order of what they cost when they are. Common practice. */
const USUALS: readonly Usual[] = [
  {
    type: 'fridge-small',
    has: /fridge|cool|freezer|refrigerator/i,
    why: 'nearly every vehicle one sleeps in has one',
    when: (job) => job.brief.nightsOffGrid > 1,
  },
  { type: 'lights-led', has: /light|lamp|led/i, why: 'every vehicle has some', when: always },
  { type: 'phone', has: /phone|mobile|usb/i, why: 'one for each person, every day', when: always },
  {
    type: 'always-on',
    has: /always-on|standby|quiescent/i,
    why: 'clocks, displays, sensors and chargers draw a little around the clock',
    when: always,
  },
  { type: 'water-pump', has: /pump/i, why: 'water for what cooks and washes comes from one', when: uses(COOKS) },
  { type: 'fan-roof', has: /fan|vent/i, why: 'cooking and sleeping want air', when: (job) => job.loads.length > 3 },
  {
    type: 'gas-alarm',
    has: /alarm|detector|co\b/i,
    why: 'heaters and gas call for one, and it is never off',
    when: (job) =>
      job.loads.some((load) => load.path === 'fuel' || tells(load, /heater-diesel|heater-gas|boiler-gas|gas|diesel/i)),
  },
  { type: 'battery-monitor', has: /monitor|shunt|gauge/i, why: 'it is never off', when: (job) => job.loads.length > 5 },
];

/** Loads from which a list is one: before that everything is missing. */
const LIST_FROM = 3;

/** What is usual, not there, and not said to be none. */
export function missingUsuals(job: Job): Missing[] {
  if (job.loads.length < LIST_FROM) return [];
  const lacks = USUALS.filter(({ has, when }) => when(job) && !job.loads.some((load) => tells(load, has)));
  const asTypes = lacks.flatMap(({ type, why }) => {
    const appliance = APPLIANCES.find(({ id }) => id === type);
    return appliance ? [{ key: type, name: appliance.name, why, load: loadFrom(appliance, type) }] : [];
  });
  const none = new Set(job.hasNot.map(({ id }) => id));
  return [...withoutEnds(job), ...asTypes].filter(({ key }) => !none.has(key));
}

/** A machine taken down by its one figure, of which the type has more: the glow of a heater's stop, what keeps coffee warm. */
function withoutEnds(job: Job): Missing[] {
  return job.loads.flatMap((load): Missing[] => {
    const appliance = APPLIANCES.find(({ id }) => id === load.type);
    const lost = appliance && load.draw.kind === 'steady' ? lostPhases(appliance) : null;
    if (!appliance || lost === null) return [];
    const { draw, uses } = appliance;
    const name = `${load.name}: ${lost}`;
    return [
      {
        key: `${load.id}-phases`,
        name,
        why: 'it was taken down by its one figure',
        load: { ...load, draw, uses: [...uses] },
      },
    ];
  });
}

function lostPhases({ draw }: Appliance): string | null {
  if (draw.kind !== 'cycle') return null;
  const labels = draw.phases.map(({ label }) => label).filter((label) => /warm|stop|start|hold|boot/i.test(label));
  return labels.length > 0 ? labels.join(', ') : null;
}
