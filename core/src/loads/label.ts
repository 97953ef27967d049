import { settingsOf } from '../quantity/doubts.ts';
import { bothReadings, lastGroup, NUMERAL, readNumber } from '../quantity/numeral.ts';
import { pattern } from '../quantity/pattern.ts';
import type { Question } from '../quantity/question.ts';
import { W_PER_BTU_H, W_PER_HP } from '../quantity/units.ts';
import { MAINS_FROM_V, NAMEPLATE } from '../reference/nameplates.ts';
import { labelQuestions } from './labelQuestions.ts';
import { type LabelReading, type LabelToken, type Quantity, type Side, saysHowMuch, TAKES } from './labelReading.ts';
import { unlikelyFigures } from './labelUnlikely.ts';

/**
 * Reads a nameplate: free text with input and output lines, ranges, AC and DC signs, decimal commas, VA and
 * power factor, Btu/h, energy per year, day or cycle. What was read is handed back with its place in the text,
 * so that it can be shown; what cannot be what it claims is asked about. Never throws.
 */

const NUMBER = NUMERAL;
const SIGN = String.raw`(?:\s*\(?(~|∿|⎓|⏛|a\.?c\.?\s*\/\s*d\.?c\.?|a\.?c\.?|d\.?c\.?)\)?)?`;

/** Units of a nameplate: pattern, quantity, factor. The longer unit stands before the one it begins with. */
const UNITS: readonly (readonly [pattern: string, quantity: Quantity, factor: number])[] = [
  [String.raw`kwh\s*(?:\/|per|p\.?)\s*(?:annum|year|yr|a\.?|365\s*d(?:ays)?)(?![a-z])`, 'Wh/day', 1000 / 365],
  [String.raw`kwh\s*(?:\/|per)\s*(?:24\s*h(?:(?:ou)?rs?)?|day|d)(?![a-z])`, 'Wh/day', 1000],
  [String.raw`wh\s*(?:\/|per)\s*(?:24\s*h(?:(?:ou)?rs?)?|day|d)(?![a-z])`, 'Wh/day', 1],
  [String.raw`kwh\s*(?:\/|per)\s*100\s*(?:cycles|washes|uses)`, 'Wh/cycle', 10],
  [String.raw`kwh\s*(?:\/|per)\s*1[.,]?000\s*h(?:ours)?(?![a-z])`, 'W', 1],
  [String.raw`kwh\s*(?:\/|per)\s*month`, 'Wh/day', (1000 * 12) / 365],
  [String.raw`kwh\s*(?:\/|per)\s*(?:week|wk)`, 'Wh/day', 1000 / 7],
  [String.raw`kwh\s*(?:\/|per)\s*(?:cycle|wash|load|use|run)`, 'Wh/cycle', 1000],
  [String.raw`wh\s*(?:\/|per)\s*(?:cycle|wash|load|use|run)`, 'Wh/cycle', 1],
  [String.raw`btu\s*(?:\/\s*|per\s+)?(?:h(?:r|our)?)?(?![a-z])`, 'W cooling', W_PER_BTU_H],
  ['kva', 'VA', 1000],
  ['va', 'VA', 1],
  ['kw', 'W', 1000],
  ['mw', 'W', 0.001],
  ['w(?:atts?)?', 'W', 1],
  ['hp', 'W shaft', W_PER_HP],
  ['kwh', 'Wh', 1000],
  ['wh', 'Wh', 1],
  ['mah', 'Ah', 0.001],
  ['ah', 'Ah', 1],
  ['kv', 'V', 1000],
  ['mv', 'V', 0.001],
  ['v(?:olts?)?', 'V', 1],
  ['ma', 'A', 0.001],
  ['a(?:mps?)?', 'A', 1],
  ['hz', 'Hz', 1],
];
const PATTERNS = UNITS.map(([unit, quantity, factor]) => ({
  // The first value of a range may carry the unit too: "100V - 240V".
  pattern: pattern(
    String.raw`(?<=^|[^\p{L}\d.,/]|(?<=\p{L}|\s|^)[/]|(?<![\p{L}\d])[ad]c|\dv|(?<![\p{L}\d.,])\d{1,2}\s?[x×])(${NUMBER})\s*(?:(?:${unit})?\s*(?:-|–|—|to|\.\.\.|…|\/)\s*(${NUMBER}))?\s*(?:${unit})(?:${SIGN}(?![\p{L}\d])|(?!\p{L})(?!\d(?![\d.,]*\s*m?a(?!\p{L}))))`,
    'giu',
  ),
  quantity,
  factor,
}));
const POWER_FACTOR = pattern(String.raw`(?:cos\s*(?:φ|ϕ|phi)|power\s*factor|p\.?f\.?)\s*[:=]?\s*(${NUMBER})`, 'giu');
const SIDE = pattern(
  /((?<!\p{L})(?:in(?:put)?(?!\p{L})|i\/p|primary|pri(?!\p{L})|ein(?=\s*:)|entr[ée]e|entrada|ingresso|ing[åa]ng|eingang|ac\s*in(?!\p{L})))|((?<!\p{L})(?:out(?:put)?(?!\p{L})|o\/p|secondary|sec(?!\p{L})|aus(?=\s*:)|sortie|salida|uscita|utg[åa]ng|ausgang|dc\s*out(?!\p{L})))/giu,
);
const COOKING = /(?:cooking|microwave\s+output|output\s+power|rf\s+output)[^\d\n]{0,12}$/iu;
const COOKING_AFTER = /^[ \t,(]{0,3}(?:cooking|microwave\s+output)/iu;
/** Blanks within a line: what stands below is of something else. */
const GAP = String.raw`[^\S\n]*`;
const BREAKER = pattern(
  String.raw`(?:circuit\s*)?(?:breaker|fuse(?:\s*(?:size|rating))?|(?:ab)?sicherung|fusible|fusibile|zekering|mcb|rcbo|fused\s+at|socket|outlet|circuit)${GAP}[:=]?${GAP}(?:of\s*)?(${NUMBER})\s*a(?:mps?)?(?!\p{L})|(${NUMBER})\s*a(?:mps?)?${GAP}(?:circuit\s*)?(?:breaker|fuse|sicherung|fusible|fusibile|zekering|mcb|rcbo|socket|outlet|circuit)(?!${GAP}[:=]?${GAP}\d)`,
  'giu',
);
/** Amps of a motor's plate by their letters: locked rotor is the start, the others what it runs at or its cable must bear. */
const LETTERED = pattern(
  String.raw`(?<!\p{L})(?:(lra|locked\s*rotor(?:\s*amps?)?|(?:glow\s*)?(?:start(?:ing|[ -]?up)?|inrush)(?:\s*current)?)|(rla|fla|flc|rated\s*load\s*amps?|full\s*load\s*amps?)|(mca|mocp|mop|min(?:imum)?\.?\s*circuit\s*amp(?:s|acity)|max(?:imum)?\.?\s*(?:fuse|breaker|overcurrent)(?:\s*(?:size|protection|device))*))\s*[:=]?\s*(${NUMBER})\s*(?:a(?:mps?)?)?(?![\p{L}\d]|\s*k?w(?:atts?)?(?!\p{L}))|(${NUMBER})\s*a(?:mps?)?\s*(?:(lra|(?:start(?:ing|[ -]?up)?|inrush|surge)(?!\s*[:=]?\s*\d))|(rla|fla|flc)|(mca|mocp))(?!\p{L})`,
  'giu',
);

export function readLabel(text: string): LabelReading {
  const taken: { start: number; end: number }[] = [];
  const free = (start: number, end: number) => !taken.some((span) => start < span.end && end > span.start);
  const questions: Question[] = settingsOf(text);
  taken.push(...questions.map(({ start, end }) => ({ start, end })));
  const sides = sideMarks(text);
  const tokens: LabelToken[] = lettered(text).filter(
    ({ start, end, high }) => free(start, end) && Number.isFinite(high),
  );
  for (const { start, end } of tokens) taken.push({ start, end });
  const protections = [...text.matchAll(BREAKER)].flatMap((match): LabelToken[] => {
    const span = { start: match.index, end: match.index + match[0].length };
    if (!free(span.start, span.end) || !Number.isFinite(readNumber(match[1] ?? match[2] ?? ''))) return [];
    taken.push(span);
    return [{ ...plainToken('A cable', readNumber(match[1] ?? match[2] ?? '')), ...span }];
  });
  for (const { pattern, quantity, factor } of PATTERNS) {
    for (const match of text.matchAll(pattern)) {
      // "K-17 230V": volts and amps never come in thousands.
      const part = quantity === 'V' || quantity === 'A' ? lastGroup(match[1] ?? '') : null;
      if (part) match[1] = part.text;
      const [start, end] = [match.index + (part?.skip ?? 0), match.index + match[0].length];
      if (!free(start, end) || (quantity === 'V' && CAPACITOR.test(text.slice(0, start)))) continue;
      const is = quantity === 'W' ? whichWatts(text, start, end) : quantity;
      const rate = quantity === 'Wh' ? rateOf(text.slice(0, start)) : null;
      const [first, second] = bounds(match, quantity, factor * (rate?.factor ?? 1));
      if (!Number.isFinite(first) || !Number.isFinite(second)) continue;
      taken.push({ start, end });
      const single = match[2] === undefined;
      tokens.push({
        quantity: rate?.quantity ?? is,
        side: sideAt(sides, start),
        low: Math.min(first, second),
        high: Math.max(first, second),
        pair: !single && match[0].includes('/') ? [first, second] : null,
        other: single ? otherReading(match[1] ?? '', quantity, factor, first) : null,
        current: currentOf(match[3] ?? /[ad]c$/iu.exec(text.slice(0, start))?.[0], text.slice(end)),
        start,
        end,
      });
    }
  }
  for (const match of text.matchAll(POWER_FACTOR)) {
    const value = readNumber(match[1] ?? '');
    const [start, end] = [match.index, match.index + match[0].length];
    if (value > 0 && value <= 1 && free(start, end)) {
      taken.push({ start, end });
      tokens.push({ ...plainToken('PF', value), start, end });
    }
  }
  // Beside what it takes a fuse says what its cable needs; by itself it says nothing of the appliance.
  if (!tokens.some(({ quantity }) => TAKES.has(quantity)))
    for (const { start, end } of protections)
      questions.push({ code: 'breaker', start, end, found: text.slice(start, end), choices: [] });
  tokens.push(...protections);
  tokens.sort((a, b) => a.start - b.start);
  const sided = ofOneInput(tokens);
  const concluded = conclusion(sided);
  const asked = [...questions, ...labelQuestions(text, sided)];
  const unlikely = unlikelyFigures(text, sided, concluded).filter(
    ({ start, end }) => !asked.some((one) => start < one.end && end > one.start),
  );
  return { tokens: sided, questions: [...asked, ...unlikely], ...concluded };
}

/** "1.5 A, input 12 V": of a plate with no output, amps that stand before the word are of the same volts. */
function ofOneInput(tokens: readonly LabelToken[]): readonly LabelToken[] {
  const isFeed = ({ quantity }: LabelToken) => quantity === 'V' || quantity === 'A';
  const [plain, input] = (['plain', 'input'] as const).map((side) =>
    tokens.filter((token) => token.side === side && isFeed(token)),
  ) as [LabelToken[], LabelToken[]];
  const [first, second] = [plain[0]?.quantity, input[0]?.quantity];
  const isParted =
    first !== second && [plain, input].every((those) => those.every(({ quantity }) => quantity === those[0]?.quantity));
  if (!first || !second || !isParted || tokens.some(({ side }) => side === 'output')) return tokens;
  return tokens.map((token) => (plain.includes(token) ? { ...token, side: 'input' } : token));
}

/** "8 µF / 450 V": what a motor's capacitor bears. */
const CAPACITOR = pattern(/[µμu]f\s*[/,;@]?\s*$/iu);

/** V from which a span of volts begins. */
const LEAST_V = 3;

/** Both ends of a range, or the one value twice. */
function bounds(match: RegExpMatchArray, quantity: Quantity, factor: number): [number, number] {
  const first = readNumber(match[1] ?? '') * factor;
  if (match[2] === undefined) return [first, first];
  const second = readNumber(match[2]) * factor;
  // "Fridge 1 - 12 V": nothing is made for one to twelve volts.
  return quantity === 'V' && first < LEAST_V && second > 2 * first ? [second, second] : [first, second];
}

/** Watts from here down are no reading of "1.350 W" that a label would print with three decimals. */
const LEAST: Readonly<Partial<Record<Quantity, readonly [number, number]>>> = {
  W: [0.3, 20_000],
  VA: [0.3, 20_000],
  'W cooling': [200, 20_000],
  'Wh/day': [5, 50_000],
  'Wh/cycle': [1, 20_000],
};

/** The other value of "2.400 W", when a label may mean that too. */
function otherReading(text: string, quantity: Quantity, factor: number, value: number): number | null {
  const both = bothReadings(text);
  const range = LEAST[quantity];
  if (!both || !range) return null;
  const possible = [both.decimal * factor, both.grouped * factor].filter((one) => one >= range[0] && one <= range[1]);
  return possible.length < 2 ? (possible[0] ?? null) : (possible.find((one) => one !== value) ?? null);
}

const plainToken = (quantity: Quantity, value: number) =>
  ({ quantity, side: 'plain', low: value, high: value, pair: null, other: null, current: null }) as const;

function lettered(text: string): LabelToken[] {
  return [...text.matchAll(LETTERED)].map((match) => {
    const value = readNumber(match[4] ?? match[5] ?? '');
    const quantity: Quantity = match[1] || match[6] ? 'A start' : match[3] || match[8] ? 'A cable' : 'A';
    return { ...plainToken(quantity, value), start: match.index, end: match.index + match[0].length };
  });
}

/** Where a line or a word says that input or output figures follow. */
function sideMarks(text: string): { at: number; side: Side }[] {
  return [...text.matchAll(SIDE)].map((match) => ({ at: match.index, side: match[1] ? 'input' : 'output' }));
}

function sideAt(marks: readonly { at: number; side: Side }[], start: number): Side {
  return marks.filter(({ at }) => at < start).at(-1)?.side ?? 'plain';
}

const SHAFT = pattern(/(?:(?<![\p{L}\d])p2|shaft(?:\s*power)?|(?:on|at)\s+the\s+shaft)[\s:=]*$/iu);
const SHAFT_AFTER = /^[ \t,(]{0,3}(?:(?:on|at)\s+the\s+)?shaft/iu;
const FUEL = pattern(/(?<!\p{L})(?:diesel|petrol|gasoline|kerosene|gas|lpg|propane|butane|fuel)(?!\p{L})/iu);
const HEAT =
  /(?:heat(?:ing)?\s*(?:output|power|capacity|performance)?|heat\s*flow|thermal(?:\s*power)?|gas[^\n]{0,16})[\s:=(]*$/iu;

/** Heat that a plate says in watts is moved, as "cooling capacity 2.4 kW". */
const COOLING =
  /(?:cooling|refrigerat(?:ing|ion)|kühl|kälte)[\s-]*(?:capacity|output|performance|leistung)(?![^\n]*input)[^\d\n]{0,10}$/iu;
/** "Cooling 2.4 kW", "cooling power" say it only where what it takes in stands apart. */
const COOLING_ALONE = /(?:cooling(?:\s+power)?|kühlen)[\s:=]*$/iu;
/** The same of what heats as well. */
const HEATING = /(?:heating[\s-]*(?:capacity|output|performance|power)|heizleistung)[^\d\n]{0,10}$/iu;
const SAYS_INPUT = /input|aufnahme|consumption/iu;
/** What it takes while it only waits. */
const STANDBY = /(?:stand-?\s?by|off[- ]mode|sleep(?:\s+mode)?|no[- ]load)[^\d\n]{0,14}$/iu;
/** "Annual energy use 280 kWh": what an energy is of stands before it. */
const RATES: readonly (readonly [says: RegExp, quantity: Quantity, factor: number])[] = [
  [/(?:annual|yearly|jährlich|jahres|annuel)[^\d\n]{0,40}$/iu, 'Wh/day', 1 / 365],
  [/(?:daily|per\s+day|täglich|tages)[^\d\n]{0,40}$/iu, 'Wh/day', 1],
  [/\b(?:per|each|a)\s+(?:cycle|wash|load|use)[^\d\n]{0,30}$/iu, 'Wh/cycle', 1],
];

function rateOf(before: string): { readonly quantity: Quantity; readonly factor: number } | null {
  const found = RATES.find(([says]) => says.test(before.slice(-60)));
  return found ? { quantity: found[1], factor: found[2] } : null;
}

/** "Lamp max 15 W" of what else it is: a fridge's, a hood's. */
const LAMP_OF = /(?:lamp|bulb|illumination|beleuchtung|éclairage)[^\d\n]{0,12}$/iu;
/** What it takes for a moment at its start. */
const START =
  /(?<!\d\s?[x×]\s?)(?:start(?:ing|[ -]?up)?|glow|ignition|inrush|surge|peak)(?:\s*(?:power|phase|draw))?[\s:=(]*$/iu;
/** "Power input cooling 0.86 kW heating 0.74 kW": the figures of an input, and of them the one that heats. */
const INPUT_OF = /(?:input|aufnahme|consumption)(?:[\s:=(]*(?:power|cooling|heating|kühlen|heizen)\)?)*[\s:=(]*$/iu;
const HEATING_ALONE = /(?<!\p{L})(?:heating|heizen)[\s:=()]*$/iu;

/** "780 W input 230 V"; in "2.4 kW input 0.78 kW" it is of the next figure. */
const INPUT_AFTER = /^[^\w\n]{0,3}input(?!\W{0,3}\d[\d.,]*\s*(?:k?w|a)(?![a-z]))/iu;

/** Whether watts are what it takes in, or what it cooks, turns or, burning something, heats with. */
function whichWatts(text: string, start: number, end: number): Quantity {
  const quantity = 'W';
  const line = text.slice(text.lastIndexOf('\n', start) + 1, start);
  const before = text.slice(Math.max(0, start - 40), start);
  const after = text.slice(end, end + 24);
  const alsoCools = /cooling|kühl/iu.test(text) && SAYS_INPUT.test(text);
  if (alsoCools && HEATING_ALONE.test(before)) return 'W heat';
  if (INPUT_OF.test(before) || INPUT_AFTER.test(after)) return quantity;
  if (START.test(before)) return 'W start';
  // With figures on the lines above, it is not what the plate is of.
  if (LAMP_OF.test(before) && /\d/.test(text.slice(0, text.lastIndexOf('\n', start) + 1))) return 'W lamp';
  if (SHAFT.test(before) || SHAFT_AFTER.test(after)) return 'W shaft';
  if (STANDBY.test(before)) return 'W standby';
  if (COOLING.test(before) || (COOLING_ALONE.test(before) && SAYS_INPUT.test(text))) return 'W cooling';
  if (FUEL.test(text) && HEAT.test(line)) return 'W heat';
  // Of what cools and heats: the heat of an electric heater is what it takes.
  if (HEATING.test(before) && alsoCools) return 'W heat';
  if (!/microwave|cooking/iu.test(text)) return quantity;
  const cooking =
    COOKING.test(before) ||
    COOKING_AFTER.test(after) ||
    (/microwave/iu.test(text) && /(?:output|out|o\/p)\W{0,3}$/iu.test(before)) ||
    pattern(/^\W{0,3}(?:output|out)(?!\p{L})/iu).test(after);
  return cooking ? 'W cooking' : quantity;
}

function currentOf(sign: string | undefined, after: string): LabelToken['current'] {
  const mark = (sign ?? /^\s*\(?(~|⎓|ac\s*\/\s*dc|ac|dc)\b/iu.exec(after)?.[1] ?? '').toLowerCase().replaceAll('.', '');
  // What takes either hangs on the bus.
  if (/^ac\s*\/\s*dc$/.test(mark)) return 'dc';
  if (mark === '~' || mark === '∿' || mark === 'ac') return 'ac';
  return mark === '⎓' || mark === '⏛' || mark === 'dc' ? 'dc' : null;
}

const find = (tokens: readonly LabelToken[], quantity: Quantity, side?: Side) =>
  tokens.find((token) => token.quantity === quantity && (side === undefined || token.side === side));

/** Watts of one side: as written, or volts × amps (the output's highest, the input's lowest volts: that is its worst case). */
function wattsOf(tokens: readonly LabelToken[], side: Side): { powerW: number; because: string } | null {
  const watts = find(tokens, 'W', side);
  const where = side === 'plain' ? '' : `${side} `;
  if (watts) return { powerW: watts.high, because: `${where}watts as written` };
  const volts = find(tokens, 'V', side);
  const amps = find(tokens, 'A', side);
  if (!volts || !amps) return null;
  if (volts.pair && amps.pair) {
    const [v, a] = [volts.pair, amps.pair];
    return { powerW: Math.max(v[0] * a[0], v[1] * a[1]), because: `${where}${VOLT_AMPS}` };
  }
  const v = side === 'output' || volts.low < 50 ? volts.high : volts.low;
  return { powerW: v * amps.high, because: `${where}${VOLT_AMPS}` };
}

const VOLT_AMPS = 'volts × amps';
const isMains = (volts: LabelToken | undefined): boolean => volts !== undefined && volts.high >= MAINS_FROM_V;

/**
 * Of what may hang on the mains or on the bus, with figures for each, only what stands of the bus, where that comes
 * first or both are watts: here it hangs there.
 */
function ofTheBus(tokens: readonly LabelToken[]): readonly LabelToken[] {
  const volts = tokens.filter(({ quantity, side }) => quantity === 'V' && side === 'plain');
  const [bus, mains] = [volts.find((one) => !isMains(one)), volts.find(isMains)];
  if (!bus || !mains) return tokens;
  const behind = (from: LabelToken) => {
    const to = volts.find(({ start }) => start > from.start)?.start ?? Number.POSITIVE_INFINITY;
    return tokens.filter(({ start }) => start >= from.start && start < to);
  };
  const [ofBus, ofMains] = [behind(bus), behind(mains)];
  const has = (those: readonly LabelToken[], ...what: readonly Quantity[]) =>
    those.some(({ quantity }) => what.includes(quantity));
  const isTold = has(ofBus, 'W', 'A') && has(ofMains, 'W', 'A');
  const isClear = bus.start < mains.start || (has(ofBus, 'W') && has(ofMains, 'W'));
  // "230 V~" on its own, then "12/24 V 60 W".
  const isBare = !has(ofMains, 'W', 'A', 'VA') && has(ofBus, 'W', 'A');
  return (isTold && isClear) || (isBare && mains.start < bus.start)
    ? tokens.filter((one) => !ofMains.includes(one))
    : tokens;
}

/**
 * Volts of a battery's size beside a mains input of which only amps are said are what comes out of an adapter, though no
 * word says so; with watts of its own the mains is another way to feed it.
 */
function asOutput(tokens: readonly LabelToken[]): readonly LabelToken[] {
  const inputVolts = find(tokens, 'V', 'input');
  const plainVolts = find(tokens, 'V', 'plain');
  const isOut =
    inputVolts &&
    isMains(inputVolts) &&
    plainVolts &&
    !isMains(plainVolts) &&
    !find(tokens, 'W', 'input') &&
    !tokens.some(({ side }) => side === 'output');
  return isOut
    ? tokens.map((token) => (token.side === 'plain' ? { ...token, side: 'output' as const } : token))
    : tokens;
}

function conclusion(all: readonly LabelToken[]): Omit<LabelReading, 'tokens' | 'questions'> {
  const tokens = ofTheBus(asOutput(all));
  const powerFactor = find(tokens, 'PF')?.high ?? null;
  const apparentVa = find(tokens, 'VA')?.high ?? null;
  const cooking = find(tokens, 'W cooking');
  const cookingInput = find(tokens, 'W');
  const output = wattsOf(tokens, 'output');
  const written = (['input', 'plain'] as const).find((side) => find(tokens, 'W', side));
  const input = written ? wattsOf(tokens, written) : (wattsOf(tokens, 'input') ?? wattsOf(tokens, 'plain'));
  const outputVolts = find(tokens, 'V', 'output');
  const inputVolts = find(tokens, 'V', 'input') ?? find(tokens, 'V', 'plain');
  const isAdapter = outputVolts !== undefined && outputVolts.high < MAINS_FROM_V && output !== null;

  let power: { powerW: number; because: string } | null = isAdapter ? output : (input ?? output);
  if (cooking && !cookingInput) {
    power = {
      powerW: cooking.high / NAMEPLATE.cookingPerInput.value,
      because: 'cooking power ÷ 0.68: what it takes in is more',
    };
  }
  // What starts or lights says how much it takes only where nothing else does.
  const aside = find(tokens, 'W start') ?? find(tokens, 'W lamp');
  if (!power && aside && !saysHowMuch(tokens)) power = { powerW: aside.high, because: 'watts as written' };
  const shaft = find(tokens, 'W shaft');
  if (!power && shaft) {
    power = {
      powerW: shaft.high / NAMEPLATE.shaftPerInput.value,
      because: 'shaft power ÷ 0.7: what it takes in is more',
    };
  }
  // VA as written say more than amps, which are rounded and may be the most.
  if (apparentVa !== null && (!power || (!isAdapter && power.because.endsWith(VOLT_AMPS)))) {
    power = {
      powerW: apparentVa * (powerFactor ?? 1),
      because: powerFactor === null ? 'VA taken as watts' : 'VA × power factor',
    };
  }
  // Volts × amps of mains are VA: watts by the power factor, or, without one, for as many amps as the label says.
  const isVoltAmps = !isAdapter && power !== null && power.because.endsWith(VOLT_AMPS) && isMains(inputVolts);
  if (isVoltAmps && power && powerFactor !== null) {
    power = { powerW: power.powerW * powerFactor, because: `${power.because} × power factor` };
  }
  return {
    powerW: power?.powerW ?? null,
    because: power?.because ?? null,
    apparentVa,
    powerFactor: powerFactor ?? (isVoltAmps ? 1 : ratio(power?.powerW ?? null, apparentVa)),
    startRatio:
      startRatio(find(tokens, 'A start')?.high, find(tokens, 'A')?.high) ??
      startRatio(find(tokens, 'W start')?.high, power?.powerW),
    startA: find(tokens, 'A') ? null : (find(tokens, 'A start')?.high ?? null),
    coolingW: find(tokens, 'W cooling')?.high ?? null,
    energyWhPerDay: find(tokens, 'Wh/day')?.high ?? null,
    energyWhPerCycle: find(tokens, 'Wh/cycle')?.high ?? null,
    supply: supplyOf(inputVolts, isAdapter, outputVolts),
  };
}

/** A start beyond what the schema takes is as good as its most. */
const startRatio = (start: number | undefined, uses: number | undefined): number | null =>
  start !== undefined && uses !== undefined && uses > 0 && start >= uses ? Math.min(12, start / uses) : null;

function ratio(powerW: number | null, apparentVa: number | null): number | null {
  if (powerW === null || apparentVa === null || apparentVa <= 0 || powerW > apparentVa) return null;
  return Math.max(0.1, powerW / apparentVa);
}

function supplyOf(
  input: LabelToken | undefined,
  isAdapter: boolean,
  output: LabelToken | undefined,
): LabelReading['supply'] {
  if (isAdapter && output && (!input || input.high >= MAINS_FROM_V))
    return { kind: 'adapter', volts: output.high, low: output.low };
  const volts = input ?? output;
  if (!volts || volts.high === 0) return null;
  const mains = volts.current === 'ac' || (volts.current === null && volts.high >= MAINS_FROM_V);
  return { kind: mains ? 'mains' : 'dc', volts: volts.high, low: volts.low };
}

/** Whether a text looks like a nameplate rather than a typed line. */
export function looksLikeLabel(text: string): boolean {
  return pattern(
    /\n|~|⎓|(?:input|output)\s*[:=]|(?<!\d\s?hp\s)(?:input|output)\s+(?:[ad]c\s*)?\d[\d.,\s–-]*v(?!\p{L})|\d\s*hz(?!\p{L})|(?<![\d.,])(?:[5-9]|\d{2,3})(?:[.,]\d+)?\s*[-–/]\s*\d+\s*v(?!\p{L})|\d\s*k?va(?!\p{L})|cos\s*φ|model|eingang|ausgang|entr[ée]e|sortie|i\/p|o\/p|(?<!\p{L})(?:lra|rla|fla|mca)(?!\p{L})/iu,
  ).test(text);
}
