import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blankJob } from '../job/blank.ts';
import { runningPowerW } from '../job/draw.ts';
import type { Load } from '../job/schema.ts';
import { validateJob } from '../job/validate.ts';
import { minutesPerDay } from '../loads/uses.ts';
import { buildDay } from '../test/dayEnergy.ts';
import { FRESH_LINES } from '../test/freshLines.ts';
import { FRESH_PLATES } from '../test/freshPlates.ts';
import { HOSTILE, LABELS } from '../test/labelCorpus.ts';
import { LINES } from '../test/lineCorpus.ts';
import { proposeLoad } from './propose.ts';

const propose = (text: string) =>
  proposeLoad(
    text,
    (name) =>
      name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '')
        .slice(0, 40) || 'load',
  );

const read = (all: string, newLine = '') =>
  all
    .trim()
    .split('\n')
    .map((line) => {
      const [text = '', told = ''] = line.split(' ⇒ ');
      return { text: newLine === '' ? text : text.replaceAll(newLine, '\n'), told: told.split('; ') };
    });
const lines = [...read(LINES), ...read(FRESH_LINES), ...read(FRESH_PLATES, ' / ')];

/** What of a load one part of an expectation is about, to compare with what stands there. */
function actual(key: string, load: Load, type: string): string | number | null {
  switch (key) {
    case 'type':
      return type;
    case 'q':
      return load.quantity;
    case 'W':
      return runningPowerW(load.draw);
    case 'C':
      return load.draw.kind === 'room' ? load.draw.capacityW : null;
    case 'min':
      return minutesPerDay(load.uses);
    case 'n':
      return load.uses.length;
    case 'path':
      return load.path;
    case 'days':
      return load.daysPerWeek;
    case 'duty':
      return load.draw.kind === 'thermostatic' ? load.draw.duty * 100 : null;
    case 'start':
      return load.startRatio;
    case 'pf':
      return load.powerFactor;
    case 'V':
      return `${load.minV}–${load.maxV}`;
    case 'wh':
      return buildDay(load);
    case 'weekday':
    case 'weekend':
    case 'winter':
    case 'summer':
      return minutesPerDay(load.variants.find(({ on }) => on === key)?.uses ?? []);
    case 'phases':
      return load.draw.kind === 'cycle'
        ? load.draw.phases.map(({ powerW, minutes }) => `${powerW}x${minutes}`).join(', ')
        : null;
    case 'at': {
      const [first] = load.uses;
      return first ? `${Math.floor(first.startMin / 60)}:${String(first.startMin % 60).padStart(2, '0')}` : null;
    }
    default:
      throw new Error(`the corpus has no ${key}`);
  }
}

describe('typed lines', () => {
  it('are many', () => {
    expect(lines.length).toBeGreaterThanOrEqual(1400);
  });

  it.each(lines)('$text', ({ text, told }) => {
    const { load, questions, missing, appliance } = propose(text);
    const [first = ''] = told;
    if (first.startsWith('step ')) {
      expect(questions.map(({ step }) => step)).toContain(first.slice('step '.length));
      return;
    }
    if (first === 'missing name') {
      expect(missing).toBe('name');
      return;
    }
    if (first.startsWith('?')) {
      const [code, choice] = first.slice(1).split('/');
      const question = questions.find((one) => one.code === code);
      if (code === '') expect(questions).not.toEqual([]);
      else expect(questions.map((one) => one.code)).toContain(code);
      if (choice) expect(question?.choices).toContain(choice);
    } else if (first !== 'missing power') expect(questions).toEqual([]);
    if (first === 'missing power') {
      expect(missing).toBe('power');
      return;
    }
    for (const part of told.filter((one) => !one.startsWith('?'))) {
      const at = part.indexOf(' ');
      const [key, value] = [part.slice(0, at), part.slice(at + 1)];
      const found = load && actual(key, load, appliance?.id ?? '-');
      if (typeof found === 'number') expect(found, key).toBeCloseTo(Number(value), Number(value) > 100 ? 1 : 2);
      else expect(found, key).toBe(value);
    }
  });

  it('each way that a question offers is taken, and answers that question', () => {
    // A battery is no load however its size is written.
    for (const { text } of lines)
      for (const question of propose(text).questions.filter(({ code }) => code !== 'battery'))
        for (const choice of question.choices) {
          const mended = text.slice(0, question.start) + choice + text.slice(question.end);
          const left = propose(mended).questions.filter(
            ({ code, start }) => code === question.code && start === question.start,
          );
          expect(left, `${text} → ${mended}`).toEqual([]);
        }
  });
});

/** Lines put together from parts whose meaning is known. */
const aCount = fc.constantFrom(['', 1], ['2 ', 2], ['3x ', 3], ['4 x ', 4], ['two ', 2], ['12 ', 12]);
const aThing = fc.constantFrom('zorb', 'glimmer rig', 'plonker', 'bench lathe thing', 'whirligig', 'moss humidor');
const aPower = fc.oneof(
  fc.integer({ min: 1, max: 200 }).map((w) => [`${w}W`, w] as const),
  fc.integer({ min: 1, max: 200 }).map((w) => [`${w} watts`, w] as const),
  fc.integer({ min: 1, max: 99 }).map((w) => [`${w},5 W`, w + 0.5] as const),
  fc.integer({ min: 1, max: 99 }).map((w) => [`0.${String(w).padStart(2, '0')} kW`, w * 10] as const),
  fc.integer({ min: 1, max: 40 }).map((a) => [`12V ${a}A`, 12 * a] as const),
  fc.integer({ min: 1, max: 40 }).map((a) => [`${a} A`, 12 * a] as const),
  fc.integer({ min: 1, max: 9 }).map((a) => [`12 V ${a}00mA`, 1.2 * a] as const),
);
const aUse = fc.oneof(
  fc.integer({ min: 1, max: 24 }).map((h) => [`${h}h`, h * 60, 1] as const),
  fc.integer({ min: 1, max: 59 }).map((m) => [`${m} min`, m, 1] as const),
  fc
    .tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 10, max: 59 }))
    .map(([h, m]) => [`${h}h${m}`, h * 60 + m, 1] as const),
  fc
    .tuple(fc.integer({ min: 2, max: 6 }), fc.integer({ min: 1, max: 40 }))
    .map(([n, m]) => [`${n} x ${m} min`, n * m, n] as const),
  fc
    .tuple(fc.integer({ min: 2, max: 6 }), fc.integer({ min: 1, max: 40 }))
    .map(([n, m]) => [`${m} min ${n} times a day`, n * m, n] as const),
  fc
    .tuple(
      fc.integer({ min: 2, max: 6 }),
      fc.integer({ min: 1, max: 40 }),
      fc.constantFrom(
        (n: number, m: number) => `${m} min ${n}x`,
        (n: number, m: number) => `${m}min x${n}`,
        (n: number, m: number) => `${n}x${m} mins`,
        (n: number, m: number) => `${n}x ${m} min daily`,
        (n: number, m: number) => `${m} minutes ${n}x/day`,
        (n: number, m: number) => `${m} min ${n} x a day`,
        (n: number, m: number) => `${n} uses a day ${m} min each`,
      ),
    )
    .map(([n, m, write]) => [write(n, m), n * m, n] as const),
  fc
    .tuple(fc.integer({ min: 0, max: 11 }), fc.integer({ min: 12, max: 23 }))
    .map(([from, to]) => [`from ${from} to ${to}`, (to - from) * 60, 1] as const),
);
const aWeek = fc.constantFrom(
  ['', 7],
  [' twice a week', 2],
  [' every other day', 3.5],
  [' on sundays', 1],
  [' 3 times a week', 3],
  [' weekdays', 5],
  [' Mon, Wed, Fri', 3],
  [' fri-sun', 3],
  [' sat & sun', 2],
  [' tue/thu', 2],
  [' every 2nd day', 3.5],
  [' 4 days/week', 4],
  [' 5d/w', 5],
  [' 2x/week', 2],
  [' weekly', 1],
);

describe('a grammar of lines', () => {
  const parts = fc.record({ count: aCount, thing: aThing, power: aPower, use: aUse, week: aWeek, flip: fc.boolean() });
  // "23 min 3x weekly" says three times a week.
  const samples = fc
    .sample(parts, { numRuns: 500, seed: 11 })
    .filter(({ use, week }) => !(/\dx$/.test(use[0]) && /^ (?:weekly|every week)/.test(week[0])));

  it.each(
    samples.map(({ count, thing, power, use, week, flip }) => {
      const line = flip
        ? `${count[0]}${thing} ${use[0]}${week[0]} ${power[0]}`
        : `${count[0]}${thing} ${power[0]} ${use[0]}${week[0]}`;
      return { line, count, thing, power, use, week };
    }),
  )('$line', ({ line, count, thing, power, use, week }) => {
    const { load, questions } = propose(line);
    expect(questions).toEqual([]);
    expect(load?.name.toLowerCase()).toBe(thing);
    expect(load?.quantity).toBe(count[1]);
    expect(load && runningPowerW(load.draw)).toBeCloseTo(power[1], 6);
    expect(minutesPerDay(load?.uses ?? [])).toBeCloseTo(use[1], 6);
    expect(load?.uses).toHaveLength(use[2]);
    expect(load?.daysPerWeek).toBe(week[1]);
  });
});

/** Labels put together from parts whose meaning is known, in several tongues and spellings. */
const IN = ['INPUT:', 'Input', 'I/P:', 'IN:', 'PRI:', 'Eingang', 'Entrée:', 'ENTRADA:', 'Primary'];
const OUT = ['OUTPUT:', 'Output', 'O/P:', 'OUT:', 'SEC:', 'Ausgang', 'Sortie:', 'SALIDA:', 'Secondary'];
const anAdapter = fc
  .record({
    side: fc.nat(IN.length - 1),
    volts: fc.constantFrom(5, 9, 12, 15, 19, 19.5, 20, 24, 48),
    amps: fc.constantFrom(0.5, 1, 1.5, 2, 2.4, 3.25, 4.74, 6),
    comma: fc.boolean(),
    dc: fc.constantFrom('V⎓', ' V DC', 'VDC', 'V d.c.', ' Vdc'),
    unit: fc.constantFrom('A', ' A'),
    milli: fc.boolean(),
    hz: fc.constantFrom(' 50/60Hz', '', ' 50-60 Hz', '50Hz'),
  })
  .map(({ side, volts, amps, comma, dc, unit, milli, hz }) => {
    const written = milli ? `${amps * 1000}m${unit.trim()}` : `${amps}${unit}`;
    const text = `${IN[side]} 100-240V~${hz} 1.2A ${OUT[side]} ${volts}${dc} ${written}`;
    return {
      text: comma
        ? text.replaceAll('.', (mark, at: number) =>
            /\d/.test(text[at - 1] ?? '') && /\d/.test(text[at + 1] ?? '') ? ',' : mark,
          )
        : text,
      watts: volts * amps,
      path: 'inverter-adapter',
    };
  });
const aMachine = fc
  .record({
    watts: fc.constantFrom(25, 60, 370, 850, 1200, 1850, 2200),
    volts: fc.constantFrom('230V~', '220-240 V ~', '230 V AC', '120V~', 'AC 230V', '230 V a.c.'),
    hz: fc.constantFrom('50Hz', '50/60 Hz', '60Hz', '50-60Hz'),
    kilo: fc.boolean(),
    order: fc.boolean(),
  })
  .map(({ watts, volts, hz, kilo, order }) => {
    const power = kilo && watts >= 100 ? `${watts / 1000}kW` : `${watts} W`;
    return { text: order ? `${power} ${volts} ${hz}` : `${volts} ${hz} ${power}`, watts, path: 'inverter' };
  })
  .filter(({ text }) => !/\d[.,]\d{3}/.test(text));
const aDevice = fc
  .record({
    volts: fc.constantFrom<readonly [string, number, string]>(
      ['12V⎓', 12, 'direct'],
      ['DC 12V', 12, 'direct'],
      ['12 V d.c.', 12, 'direct'],
      ['24VDC', 24, 'dc-dc'],
      ['5V⎓', 5, 'dc-dc'],
      ['48V⎓', 48, 'dc-dc'],
      ['19 V ⎓', 19, 'dc-dc'],
    ),
    amps: fc.constantFrom(0.5, 1, 2.1, 3, 5, 10),
  })
  .map(({ volts: [text, volts, path], amps }) => ({ text: `${text} ${amps}A`, watts: volts * amps, path }));
const aDual = fc
  .record({ amps: fc.constantFrom(1, 2, 4, 6, 10), slash: fc.constantFrom('/', ' / ') })
  .map(({ amps, slash }) => ({ text: `12${slash}24V⎓ ${amps}${slash}${amps / 2}A`, watts: 12 * amps, path: 'direct' }));

describe('a grammar of labels', () => {
  const samples = fc.sample(fc.oneof(anAdapter, aMachine, aDevice, aDual), { numRuns: 260, seed: 5 });
  const unlike = [...new Map(samples.map((one) => [one.text, one])).values()];

  it('is of many', () => expect(unlike.length).toBeGreaterThanOrEqual(120));

  it.each(unlike)('$text', ({ text, watts, path }) => {
    const { load, questions } = propose(`plonker\n${text}`);
    expect(questions).toEqual([]);
    expect(load && runningPowerW(load.draw)).toBeCloseTo(watts, 6);
    expect(load?.path).toBe(path);
  });
});

describe('labels that want a word', () => {
  it.each([
    ['Phone block INPUT 100-240V~ OUTPUT 5V⎓3A 9V⎓3A 15V⎓3A 20V⎓3.25A', 'several-outputs', '20V 3.25A'],
    ['Compressor 230V~ RLA 4.5A LRA 26A MCA 7A', null, ''],
    ['Pump 230V~ 8A 15A', 'second-figure', '8A'],
    ['Microwave 230V~ 50Hz 800W', 'cooking-or-input', '800W cooking'],
    ['Microwave 230V~ 50Hz input 1200W output 800W', null, ''],
    ['Kettle 230V~ 2.400 W', 'two-readings', '2400 W'],
    ['Lamp 12V⎓ 5A 100W', 'contradiction', '60 W'],
    ['Battery 12.8V 100Ah LiFePO4 1280Wh', 'battery', ''],
    ['Motor 230V~ 50Hz 1/2 hp', 'shaft-or-input', '1/2 hp shaft'],
    ['Fridge 12/24V⎓ 4/2A', null, ''],
    ['Portable fridge\nDC 12V/24V AC 100-240V\nPower: 45W', 'second-figure', '12V/24V'],
    ['Cooker 230V~ 16A socket', 'breaker', ''],
  ])('%s', (text, code, choice) => {
    const { questions, load } = propose(text);
    expect(questions.map((one) => one.code)).toEqual(code === null ? [] : [code]);
    if (choice) expect(questions[0]?.choices).toContain(choice);
    if (code === null) expect(load).not.toBeNull();
  });

  it.each([
    ['Solar charge controller\nMax PV 100V\nRated 30A 12/24V', 'source', ''],
    ['INVERTER\nINPUT 12VDC 180A\nOUTPUT 230VAC 50Hz 1800W', 'source', ''],
    ['Wechselrichter\nEingang 12V 200A\nAusgang 230V 2000W', 'source', ''],
    ['Battery Charger\nInput: 220-240V~ 2.3A\nOutput: 14.4V 20A', 'whose-store', 'Battery Charger of this store'],
    ['Compressor\n1.5 HP 1.1 kW\n230V 50Hz 7.2 A\n2850 min-1', 'shaft-or-input', '1.1 kW shaft'],
    ['Fan\nDC12V 0.35A\n2.4W\n1200RPM', 'contradiction', '4 W'],
    ['Fan heater 1000/2000W 230V~', 'second-figure', '2000 W'],
    ['Air compressor 12V DC\nMAX CURRENT 30A\nDUTY CYCLE 25% @ 100PSI', 'second-figure', ''],
    ['Water heater\n10 L 230V 660W\n12V 200W', 'second-figure', '230V 660W'],
    ['LED TV\nAC 100-240V 50/60Hz 55W\nDC 12V 4.2A', 'second-figure', '12V 4.2A'],
    ['Roof fan\n12V\n0.2A - 2.3A\n10 speeds', 'range', '0.2 A'],
    ['Inverter generator\n2.0 kVA max\n230V 50Hz 7.8A', 'source', ''],
    ['Fridge freezer\n220-240V 50Hz 1.2A\nLamp 1.5W\nAnnual 176 kWh', 'second-figure', ''],
    ['Nebulizer compressor\n230V 50Hz 0.9A 140VA', 'contradiction', ''],
    ['Sewing machine\n230V 85W\nPeak 40 W', 'second-figure', ''],
    ['Plonker\nRated power 60 W\n1/4 hp', 'contradiction', ''],
    ['Plonker\nRated power 60 W\n5000 Btu/h', 'contradiction', ''],
    ['Plonker\n230 V~\n72 VA\n1/4 hp', 'contradiction', ''],
    ['Plonker\n60 W\nAnnual consumption 100 kWh\n0.5 kWh/24h', 'second-figure', ''],
    ['Plonker\n60 W\n0.5 kWh/24h\nDuty 60%', 'energy-unlike-use', ''],
    ['Plonker\nStandby 2 W\nINPUT: 100-240V~ 0.5A', 'second-figure', ''],
    ['Roof unit\n115 VAC 60 HZ\nRLA 12.8 LRA 63\nFAN FLA 2.5', 'second-figure', ''],
  ])('plates of several lines: %s', (text, code, choice) => {
    const { questions } = propose(text);
    expect(questions.map((one) => one.code)).toEqual([code]);
    if (choice) expect(questions[0]?.choices).toContain(choice);
  });

  it.each<readonly [string, Record<string, unknown>]>([
    // The x of a name counts nothing, and 12/24 V are two ways to feed it.
    ['Kompressor-Kühlbox\n12/24 V DC 45 W\n100-240 V AC 55 W', { W: 45, q: 1, path: 'direct', V: '10.5–30' }],
    [
      'LED DRIVER\nPRI: 220-240V 50/60Hz 0.12A λ 0.6\nSEC: 12V DC 1.25A 15W',
      { W: 15, min: 60, path: 'inverter-adapter' },
    ],
    ['Water pump\n12 VDC\nMax 7.5A\nFuse 10A\n45 PSI', { W: 90, path: 'direct', min: 9 }],
    [
      'Rooftop A/C\n230V~ 50Hz\nRLA 4.1 LRA 24\nMIN CIRCUIT AMPS 8\nMAX FUSE 15',
      { W: 943, min: 240, type: 'aircon-rooftop' },
    ],
    ['Pump Motor\nP1 550W\nP2 370W\n230V~ 50Hz 2.4A cos φ 0.97', { W: 550, pf: 0.97, path: 'inverter' }],
    [
      'Diesel air heater\n12V\nHeat output 1-2 kW\nPower consumption 10-28 W\nGlow start 8.3A',
      { W: 28, type: 'heater-diesel' },
    ],
    // What cooling takes in, not what heating does; and what is sold by its Btu/h is no cool box.
    [
      'Inverter air conditioner\nCooling capacity 2.6 kW\nHeating capacity 2.7 kW\nPower input cooling 0.86 kW heating 0.74 kW\n230V~ 50Hz',
      { W: 860, C: 2600 },
    ],
    [
      'Portable AC\n9000 BTU/h\nRated power input 1010W\nRated current 4.5A\n220-240V~ 50Hz',
      { W: 1010, type: 'aircon-portable', path: 'inverter' },
    ],
    // In brackets what an input is of; a start of so many seconds is no use.
    [
      'Roof air conditioner\nCooling 2.3 kW / Heating 2.2kW\nPower consumption (cooling) 960W\nPower consumption (heating) 900 W\n230V~ 50Hz\nStarting current 20A (0.15 s)\nRunning current 4.2A cooling',
      { W: 960, C: 2300, min: 240, type: 'aircon-rooftop' },
    ],
    // What runs on in watts and starts in amps; watts as written before volts × amps; a mains that says no more.
    ['Plonker\nRated power 60 W\n12 V DC\nStarting current 20 A', { W: 60, start: 4 }],
    ['Plonker\nRated power 460 W\n230 V~\nStarting current 8 A', { W: 460, start: 4 }],
    ['Plonker\nRated power 60 W\nINPUT: 100-240V~ 0.5A', { W: 60, path: 'inverter' }],
    ['Plonker\n230V~ 50Hz\n12/24 V 60 W', { W: 60, path: 'direct', V: '10.5–30' }],
    ['Plonker\n0.6 kWh/24h\nDuty 25%', { W: 100, wh: 600 }],
    // What a timer spans is no use.
    ['Plonker\n230 V~ 200 W\n5-30 min', { W: 200, min: 60 }],
    ['Submersible pump\n12V DC 4.2A\nMax flow 15 L/min\nMax head 10m', { W: 50.4, path: 'direct' }],
    ['Satellite terminal\nDC 48V 96 W\nat 7pm 3 h', { W: 96, path: 'dc-dc', at: '19:00', min: 180 }],
    // The amps of a wide input are its most, at the least volts: what comes out is what it takes.
    ['CPAP\n24V⎓ 3.75A\n90W power supply input 100-240V 50/60Hz 2A', { W: 90, type: 'cpap', path: 'inverter-adapter' }],
    ['Oxygen concentrator\nDC 13-15V 100VA max\nAC 100-240V 1.0A', { W: 100, type: 'oxygen', path: 'direct' }],
    [
      'Diesel heater\nRated voltage 12V\nRated heating power 2 kW\nPower draw 12 - 31 W\nStart up 93 W',
      { W: 31, start: 3 },
    ],
    ['Ice maker\nAC 220V 50Hz\nRated 0.8A\n12kg/24h', { W: 176, min: 60 }],
    ['Electric blanket\n230V~ 50Hz 2x55W', { W: 55, q: 2, type: 'blanket-mains' }],
    ['Heat pump dryer\n230V~ 50Hz\n850W', { W: 850, type: 'tumble-dryer' }],
    ['Speaker\n12V\nPeak 200W', { W: 200 }],
    ['Cool box\n12V 60W\nAC input 230V 75W', { W: 60, path: 'direct' }],
    ['Laptop\n19.5V 4.62A\nAC input 100-240V 1.7A', { W: 90.1, path: 'inverter-adapter' }],
    ['Nebulizer\n230V 50Hz 140VA\n30 min ON 30 min OFF', { W: 140, min: 30 }],
    ['Lamp\n9W 12V AC/DC LED 800lm\n25000h', { W: 9, min: 270, path: 'direct' }],
    ['LED strip\n24V DC 14.4W/m 5m', { W: 72, path: 'dc-dc' }],
    ['Induction cooker\n220-240V~\n2000W\nTimer 0-180 min', { W: 2000, min: 24, type: 'hob-1' }],
    ['Blender\n220-240V~ 800W\nKB: 1 min', { W: 800, min: 2 }],
    ['Oxygen concentrator\n230V~ 50Hz 300W\nHumidity < 80 %\nEfficiency: 90%', { W: 300, min: 480 }],
    ['Compressor fridge\nDC 12V 4A\nDuty 30%', { W: 48, duty: 30 }],
    ['Washing machine\n230V~ 50Hz 2000W\nEnergy 0.49 kWh/cycle', { W: 2000, wh: 490, n: 1 }],
    ['Fridge\n230V~ 50Hz\n0.6A\n155 kWh/annum', { W: 138, wh: 424.7, type: 'fridge-domestic' }],
    ['Heating pad\n12V⎓ 60W max\nAuto off 120 min', { W: 60, min: 60, type: '-', path: 'direct' }],
    ['Television\n45 kWh/1000h\n230V~', { W: 45, min: 150 }],
    ['Freezer\n230V~ 90W\n0.8 kWh/24 hrs', { W: 90, wh: 800 }],
    // A motor's capacitor, a loudspeaker's two channels and a fuse in other words say nothing of what it takes.
    ['Sump pump\n230V~ 50Hz\nP1 400W  P2 180W\nIn 1.8A  C 8µF/450V', { W: 400, path: 'inverter' }],
    ['Pool pump 230V 50Hz 2.6A 550W 12.5µF 450V', { W: 550 }],
    ['Soundbar\n19V 2.0A\nOutput 2x20W RMS', { W: 38, q: 1, path: 'dc-dc' }],
    ['LED spot 12V 4x3W', { W: 3, q: 4 }],
    [
      'Kompressor-Kühlbox\nNennspannung 12/24V\nLeistungsaufnahme 45 W\nSicherung 15A',
      { W: 45, type: 'cool-box-compressor', duty: 25 },
    ],
    ['Radio\nDC 14.4V (11-16V)\nMax current 10A', { W: 144, V: '11–16', path: 'direct' }],
    ['Cool box\n230V 52W\n12V 45W', { W: 45, path: 'direct' }],
    ['Hot air brush 1000W 230V 50Hz class II', { W: 1000, type: 'hair-dryer', min: 6 }],
    ['Hob\n230V 50Hz 1800W continuous', { W: 1800, min: 24 }],
    ['Macerator pump\n12V 16A', { W: 192, type: 'macerator' }],
    ['Absorption refrigerator\nDC 12V 10A\nAC 230V 125W', { W: 120, path: 'direct' }],
    ['Nevera portátil\nTensión 12/24V CC\nPotencia 40W', { W: 40, type: 'fridge-small' }],
    ['Kühl-Gefrierkombination\n12/24 V DC 48 W\nEnergie 0,42 kWh/24h', { W: 48, wh: 420, type: 'fridge-small' }],
  ])('plates that say all: %s', (text, told) => {
    const { load, questions, appliance } = propose(text);
    expect(questions).toEqual([]);
    for (const [key, value] of Object.entries(told)) {
      const found = load && actual(key, load, appliance?.id ?? '-');
      if (typeof value === 'number') expect(found, key).toBeCloseTo(value, 1);
      else expect(found, key).toBe(value);
    }
  });

  it('locked-rotor amps are the start, not what it takes', () => {
    const { load } = propose('Compressor 230V~ RLA 4.5A LRA 26A MCA 7A');
    expect(load && runningPowerW(load.draw)).toBeCloseTo(230 * 4.5, 6);
    expect(load?.startRatio).toBeCloseTo(26 / 4.5, 6);
  });

  it('a time written beside a label is used', () => {
    expect(propose('Drill 230V 50Hz 650W 5 min twice a day').load?.uses).toHaveLength(2);
  });

  it('a small mains heater is no room heater of less than the schema’s least', () => {
    const { load } = propose('Heater pad 230V~ 50Hz 15W');
    expect(load?.draw).toMatchObject({ kind: 'steady', powerW: 15 });
  });
});

describe('whatever is proposed can be saved', () => {
  const words = fc.constantFrom(
    ...'kettle heater room aircon battery 5kW charger freezer microwave -4W 2.400 1e9W 0W 999kWh/day 12V 230V 48V 1A 0.001mA x3 99x 120x 30h 0min 24/7 from 22 to 6 every 1 s 5 every 0 min twice a week 9000btu 1/3 hp 100% duty cos phi 0.1 80 l OUTPUT: INPUT 100-240V~ 5V⎓3A 20V⎓3.25A LRA 60 RLA 10 12/24V 4/2A \u0000 \ud800 ⎓ kVA Wh Ah / - ~'.split(
      ' ',
    ),
  );
  const texts = fc.oneof(
    { weight: 4, arbitrary: fc.array(words, { maxLength: 9 }).map((parts) => parts.join(' ')) },
    { weight: 1, arbitrary: fc.string({ unit: 'binary', maxLength: 80 }) },
    {
      weight: 1,
      arbitrary: fc.constantFrom(
        ...HOSTILE,
        ...lines.map(({ text }) => text),
        ...LABELS.trim()
          .split('\n')
          .map((line) => line.split(' ⇒ ')[0] ?? ''),
      ),
    },
    {
      weight: 2,
      arbitrary: fc
        .tuple(fc.constantFrom(...lines), fc.constantFrom(...lines), fc.nat(30))
        .map(([a, b, n]) => a.text.slice(0, n) + b.text.slice(n)),
    },
  );

  it('any text gives no proposal, a question, or a load that the schema takes', () => {
    fc.assert(
      fc.property(texts, fc.constantFrom(12, 24, 48), (text, busV) => {
        const { load, questions } = proposeLoad(text, () => 'it', undefined, [], { busV, mainsV: 230 });
        for (const { start, end, found } of questions) {
          expect(start).toBeGreaterThanOrEqual(0);
          expect(end).toBeLessThanOrEqual(text.length);
          expect(typeof found).toBe('string');
        }
        if (!load || questions.length > 0) return;
        const checked = validateJob({ ...blankJob('x'), loads: [load] });
        expect(checked.ok ? [] : checked.faults, text).toEqual([]);
      }),
      { numRuns: 4000 },
    );
  });
});
