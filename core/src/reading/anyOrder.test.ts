import { describe, expect, it } from 'vitest';
import { runningPowerW } from '../job/draw.ts';
import { proposeLoad } from './propose.ts';

/** What a line’s load comes to, `minutes` of one use. */
interface Facts {
  readonly w: number;
  readonly pieces: number;
  readonly uses: number;
  readonly minutes: number;
  readonly duty: number | null;
  readonly days: number;
  readonly path: string;
}

const facts = (part: Partial<Facts>): Facts => ({
  w: 0,
  pieces: 1,
  uses: 1,
  minutes: 1440,
  duty: null,
  days: 7,
  path: 'direct',
  ...part,
});

/** Lines in their parts, with what they mean. */
const LINES: readonly (readonly [readonly string[], Facts])[] = [
  [['fan', '15W', '6h'], facts({ w: 15, minutes: 360 })],
  [['gizmo', '15 W', '6 h'], facts({ w: 15, minutes: 360 })],
  [['kettle', '1500 W', '4 min', '3x a day'], facts({ w: 1500, uses: 3, minutes: 4, path: 'inverter' })],
  [['pump', '12V', '5A', '10min', 'twice a day'], facts({ w: 60, uses: 2, minutes: 10 })],
  [['gizmo', '45 W', '2 h', 'weekends'], facts({ w: 45, minutes: 120, days: 2 })],
  [['laptop', '65W', '8:00-17:00', 'weekdays'], facts({ w: 65, minutes: 540, days: 5, path: 'inverter-adapter' })],
  [['fridge', '45W', '35%'], facts({ w: 45, duty: 0.35 })],
  [['washer', '500W', '40 min', '3 times a week'], facts({ w: 500, minutes: 40, days: 3, path: 'inverter' })],
  [['TV', '40W', '2h', 'evenings'], facts({ w: 40, minutes: 120, path: 'inverter' })],
  [['lamp', '3x 5W', '4h'], facts({ w: 5, pieces: 3, minutes: 240 })],
  [['gizmo', '200 Wh/day'], facts({ w: 200 / 24 })],
  [['freezer', '12V', '4A', '40% duty'], facts({ w: 48, duty: 0.4 })],
  [['heater', '1 kW', 'at 7am', '20 min'], facts({ w: 1000, minutes: 20, path: 'inverter' })],
  [['gizmo', '230V', '0.5A', '3h', 'mon-fri'], facts({ w: 115, minutes: 180, days: 5, path: 'inverter' })],
  [['gizmo', '45 W', '2 h', 'every other day', 'in winter'], facts({ w: 45, minutes: 120, days: 3.5 })],
];
const MARKS = [
  ' ',
  ',',
  ', ',
  ';',
  '; ',
  ' - ',
  ' | ',
  '|',
  ' / ',
  ':',
  ': ',
  '\t',
  ' – ',
  ' — ',
  ' + ',
  '. ',
  ' · ',
  ' @ ',
  '  ',
];

const inAnyOrder = (parts: readonly string[]): string[][] =>
  parts.length < 2
    ? [[...parts]]
    : parts.flatMap((part, i) => inAnyOrder(parts.filter((_, k) => k !== i)).map((rest) => [part, ...rest]));

/** @returns null where it is asked about */
function factsOf(line: string): Facts | null {
  const { load, questions } = proposeLoad(line, () => 'x');
  if (!load || questions.length > 0) return null;
  const { draw, uses, quantity, daysPerWeek, path } = load;
  const isAround = draw.kind === 'thermostatic' && draw.duty === 1;
  return {
    w: Number(runningPowerW(draw).toPrecision(6)),
    pieces: quantity,
    uses: uses.length,
    minutes: Math.round(uses[0]?.minutes ?? 0),
    duty: draw.kind === 'thermostatic' && !isAround ? Number(draw.duty.toPrecision(3)) : null,
    days: daysPerWeek,
    path,
  };
}

const rounded = ({ w, ...rest }: Facts): Facts => ({ ...rest, w: Number(w.toPrecision(6)) });

describe.each(LINES)('%j', (parts, meant) => {
  it('is read as it is meant', () => {
    expect(factsOf(parts.join(' '))).toEqual(rounded(meant));
  });

  it('means the same in any order, or is asked about', () => {
    for (const order of inAnyOrder(parts))
      for (const mark of [' ', ', ']) {
        const line = order.join(mark);
        expect(factsOf(line) ?? rounded(meant), line).toEqual(rounded(meant));
      }
  });

  it('means the same whatever marks part it, in all places or in one, or is asked about', () => {
    for (const mark of MARKS)
      for (let i = 0; i < parts.length; i++) {
        const line = i === 0 ? parts.join(mark) : `${parts.slice(0, i).join(' ')}${mark}${parts.slice(i).join(' ')}`;
        expect(factsOf(line) ?? rounded(meant), JSON.stringify(line)).toEqual(rounded(meant));
      }
  });

  it('is not asked about behind a comma with or without a blank', () => {
    for (const mark of [',', ', ', '; ']) expect(factsOf(parts.join(mark)), parts.join(mark)).not.toBeNull();
  });
});

it.each([
  ['Lights | 20 W | 4 h', 'Lights'],
  ['gizmo — 20 W — 4 h', 'Gizmo'],
  ['heater fan 1.2A 6h (night)', 'Heater fan'],
  ['TV & sound bar 55 W 2 h', 'TV sound bar'],
  ['gizmo (left) 20 W = 4 h', 'Gizmo (left)'],
])('of %s the name is %s, without the marks between its figures', (line, name) => {
  expect(proposeLoad(line, () => 'x').load?.name).toBe(name);
});

it('4 min/3x is three times of four minutes', () => {
  expect(factsOf('kettle 1500W 4min/3x')).toEqual(facts({ w: 1500, uses: 3, minutes: 4, path: 'inverter' }));
});

/** Plates in their lines, with W or the duty's watts and what feeds it. */
const PLATES: readonly (readonly [readonly string[], number, string])[] = [
  [['Laptop adapter', 'INPUT 100-240V~ 50/60Hz 1.5A', 'OUTPUT 19V 3.42A'], 64.98, 'inverter-adapter'],
  [['Water pump', '12V DC', '5A', 'IPX4'], 60, 'direct'],
  [['Kettle', '230V~', '50Hz', '1200W'], 1200, 'inverter'],
  [['Fridge', '12/24V', '4/2A', 'R134a'], 48, 'direct'],
  [['Microwave', '230V 50Hz', 'INPUT 1150W', 'OUTPUT 700W'], 1150, 'inverter'],
  [['Router', 'IN 12V', '1.5A', 'Class II'], 18, 'direct'],
  [['Toaster', '220-240V', '50-60Hz', '850-1000W'], 1000, 'inverter'],
  [['Freezer', 'Rated 230V~', 'Power 85W', '0.45kWh/24h'], 85, 'inverter'],
  [['Drill', '110V', '60Hz', '6.5A'], 715, 'inverter'],
  [['Fan', 'Voltage: DC12V', 'Current: 1.2A', 'Power: 14.4W'], 14.4, 'direct'],
];

describe.each(PLATES)('the plate %j', (lines, w, path) => {
  const wattsOf = (text: string): [number, string] | null => {
    const { load, questions } = proposeLoad(text, () => 'x');
    return load && questions.length === 0 ? [Number(runningPowerW(load.draw).toPrecision(6)), load.path] : null;
  };

  it('is read as it is meant', () => {
    expect(wattsOf(lines.join('\n'))).toEqual([w, path]);
  });

  it('means the same in any order and whatever marks part it, or is asked about', () => {
    for (const order of inAnyOrder(lines))
      expect(wattsOf(order.join('\n')) ?? [w, path], order.join(' | ')).toEqual([w, path]);
    for (const mark of MARKS) expect(wattsOf(lines.join(mark)) ?? [w, path], lines.join(mark)).toEqual([w, path]);
  });
});

it('amps before an input are not of it where an output stands there as well', () => {
  const { questions } = proposeLoad('Adapter\n3A\nINPUT 230V~ 50Hz\nOUTPUT 12V', () => 'x');
  expect(questions).not.toEqual([]);
});
