import { type Question, type QuestionCode, readNumber } from '../quantity/read.ts';
import { W_PER_BTU_H, W_PER_HP } from '../quantity/units.ts';

/**
 * Reads a nameplate: free text with input and output lines, ranges, AC and DC signs, decimal commas, VA and
 * power factor, Btu/h, energy per year, day or cycle. What was read is handed back with its place in the text,
 * so that it can be shown; what cannot be what it claims is asked about. Never throws.
 */

export type Side = 'input' | 'output' | 'plain';
export type Quantity = 'V' | 'A' | 'W' | 'VA' | 'Hz' | 'PF' | 'Wh/day' | 'Wh/cycle' | 'Ah' | 'W cooking' | 'W cooling';

export interface LabelToken {
  readonly quantity: Quantity;
  readonly side: Side;
  /** The lower and upper value of a range; equal for a single value. */
  readonly low: number;
  readonly high: number;
  readonly current: 'ac' | 'dc' | null;
  readonly start: number;
  readonly end: number;
}

export interface LabelReading {
  readonly tokens: readonly LabelToken[];
  readonly questions: readonly Question[];
  /** What the appliance takes, W; from the output line of an adapter when there is one. Null when it does not say. */
  readonly powerW: number | null;
  /** How `powerW` came about, in words. */
  readonly because: string | null;
  readonly apparentVa: number | null;
  readonly powerFactor: number | null;
  readonly energyWhPerDay: number | null;
  readonly energyWhPerCycle: number | null;
  /** What it must be fed with: mains, a DC voltage, or what an adapter makes of mains. */
  readonly supply: { readonly kind: 'mains' | 'dc' | 'adapter'; readonly volts: number } | null;
}

const NUMBER = String.raw`\d+(?:[.,]\d+)*`;
const SIGN = String.raw`(?:\s*\(?(~|∿|⎓|⏛|a\.?c\.?|d\.?c\.?)\)?)?`;

/** Units of a nameplate: pattern, quantity, factor. The longer unit stands before the one it begins with. */
const UNITS: readonly (readonly [pattern: string, quantity: Quantity, factor: number])[] = [
  [String.raw`kwh\s*(?:\/|per|p\.?)\s*(?:annum|year|yr|a\.?|365\s*d(?:ays)?)(?![a-z])`, 'Wh/day', 1000 / 365],
  [String.raw`kwh\s*(?:\/|per)\s*(?:24\s*h(?:ours)?|day|d)(?![a-z])`, 'Wh/day', 1000],
  [String.raw`wh\s*(?:\/|per)\s*(?:24\s*h(?:ours)?|day|d)(?![a-z])`, 'Wh/day', 1],
  [String.raw`kwh\s*(?:\/|per)\s*(?:cycle|wash|load|use|run)`, 'Wh/cycle', 1000],
  [String.raw`wh\s*(?:\/|per)\s*(?:cycle|wash|load|use|run)`, 'Wh/cycle', 1],
  [String.raw`btu\s*(?:\/\s*|per\s+)?(?:h(?:r|our)?)?(?![a-z])`, 'W cooling', W_PER_BTU_H],
  ['kva', 'VA', 1000],
  ['va', 'VA', 1],
  ['kw', 'W', 1000],
  ['mw', 'W', 0.001],
  ['w(?:atts?)?', 'W', 1],
  ['hp', 'W', W_PER_HP],
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
  pattern: new RegExp(
    String.raw`(?<=^|[^\p{L}\d.,]|(?<![\p{L}\d])[ad]c)(${NUMBER})\s*(?:(?:${unit})?\s*(?:-|–|—|to|\.\.\.|…|\/)\s*(${NUMBER}))?\s*(?:${unit})${SIGN}(?![\p{L}\d])`,
    'giu',
  ),
  quantity,
  factor,
}));
const POWER_FACTOR = new RegExp(String.raw`(?:cos\s*(?:φ|ϕ|phi)|power\s*factor|p\.?f\.?)\s*[:=]?\s*(${NUMBER})`, 'giu');
const SIDE =
  /(in(?:put)?\b|primary|pri\b|entr[ée]e|eingang|ac\s*in\b)|(out(?:put)?\b|secondary|sec\b|sortie|ausgang|dc\s*out\b)/giu;
const COOKING = /(?:cooking|microwave\s+output|output\s+power|rf\s+output)[^\d\n]{0,12}$/iu;
const COOKING_AFTER = /^[ \t,(]{0,3}(?:cooking|microwave\s+output)/iu;
const BREAKER = new RegExp(
  String.raw`(?:circuit\s*)?(?:breaker|fuse|mcb|rcbo|fused\s+at)\s*[:=]?\s*(?:of\s*)?(${NUMBER})\s*a(?:mps?)?|(${NUMBER})\s*a(?:mps?)?\s*(?:circuit\s*)?(?:breaker|fuse|mcb|rcbo)`,
  'giu',
);

/** Microwave input ÷ cooking power: 1/0.68. Common practice, figure from memory. */
const INPUT_PER_COOKING = 1 / 0.68;
const MAINS_FROM_V = 90;

export function readLabel(text: string): LabelReading {
  const taken: { start: number; end: number }[] = [];
  const free = (start: number, end: number) => !taken.some((span) => start < span.end && end > span.start);
  const questions: Question[] = [];
  for (const match of text.matchAll(BREAKER)) {
    const [start, end] = [match.index, match.index + match[0].length];
    taken.push({ start, end });
    questions.push({ code: 'breaker', start, end, found: match[0], meant: null });
  }

  const sides = sideMarks(text);
  const tokens: LabelToken[] = [];
  for (const { pattern, quantity, factor } of PATTERNS) {
    for (const match of text.matchAll(pattern)) {
      const [start, end] = [match.index, match.index + match[0].length];
      if (!free(start, end)) continue;
      const [first, second] = bounds(match, factor);
      if (!Number.isFinite(first) || !Number.isFinite(second)) continue;
      taken.push({ start, end });
      tokens.push({
        quantity: cookingOr(quantity, text, start, end),
        side: sideAt(sides, start),
        low: Math.min(first, second),
        high: Math.max(first, second),
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
      tokens.push({ quantity: 'PF', side: 'plain', low: value, high: value, current: null, start, end });
    }
  }
  tokens.sort((a, b) => a.start - b.start);
  return { tokens, questions: [...questions, ...contradictions(text, tokens)], ...conclusion(tokens) };
}

/** Both ends of a range, or the one value twice; "1/2 hp" is a half. */
function bounds(match: RegExpMatchArray, factor: number): [number, number] {
  const first = readNumber(match[1] ?? '') * factor;
  if (match[2] === undefined) return [first, first];
  const second = readNumber(match[2]) * factor;
  if (factor !== W_PER_HP || !match[0].includes('/')) return [first, second];
  const fraction = (first / second) * factor;
  return [fraction, fraction];
}

/** Where a line or a word says that input or output figures follow. */
function sideMarks(text: string): { at: number; side: Side }[] {
  return [...text.matchAll(SIDE)].map((match) => ({ at: match.index, side: match[1] ? 'input' : 'output' }));
}

function sideAt(marks: readonly { at: number; side: Side }[], start: number): Side {
  return marks.filter(({ at }) => at < start).at(-1)?.side ?? 'plain';
}

function cookingOr(quantity: Quantity, text: string, start: number, end: number): Quantity {
  if (quantity !== 'W' || !/microwave|cooking/iu.test(text)) return quantity;
  const before = text.slice(Math.max(0, start - 40), start);
  const after = text.slice(end, end + 24);
  if (/input\W{0,3}$/iu.test(before) || /^\W{0,3}input/iu.test(after)) return quantity;
  const cooking = COOKING.test(before) || COOKING_AFTER.test(after);
  return cooking ? 'W cooking' : quantity;
}

function currentOf(sign: string | undefined, after: string): LabelToken['current'] {
  const mark = (sign ?? /^\s*\(?(~|⎓|ac|dc)\b/iu.exec(after)?.[1] ?? '').toLowerCase().replaceAll('.', '');
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
  const v = side === 'output' || volts.low < 50 ? volts.high : volts.low;
  return { powerW: v * amps.high, because: `${where}${VOLT_AMPS}` };
}

const VOLT_AMPS = 'volts × amps';
const isMains = (volts: LabelToken | undefined): boolean => volts !== undefined && volts.high >= MAINS_FROM_V;

function conclusion(tokens: readonly LabelToken[]): Omit<LabelReading, 'tokens' | 'questions'> {
  const powerFactor = find(tokens, 'PF')?.high ?? null;
  const apparentVa = find(tokens, 'VA')?.high ?? null;
  const cooking = find(tokens, 'W cooking');
  const cookingInput = find(tokens, 'W');
  const output = wattsOf(tokens, 'output');
  const input = wattsOf(tokens, 'input') ?? wattsOf(tokens, 'plain');
  const outputVolts = find(tokens, 'V', 'output');
  const inputVolts = find(tokens, 'V', 'input') ?? find(tokens, 'V', 'plain');
  const isAdapter = outputVolts !== undefined && outputVolts.high < MAINS_FROM_V && output !== null;

  let power: { powerW: number; because: string } | null = isAdapter ? output : (input ?? output);
  if (cooking && !cookingInput) {
    power = { powerW: cooking.high * INPUT_PER_COOKING, because: 'cooking power ÷ 0.68: what it takes in is more' };
  }
  if (!power && apparentVa !== null) {
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
    energyWhPerDay: find(tokens, 'Wh/day')?.high ?? null,
    energyWhPerCycle: find(tokens, 'Wh/cycle')?.high ?? null,
    supply: supplyOf(inputVolts, isAdapter, outputVolts),
  };
}

function ratio(powerW: number | null, apparentVa: number | null): number | null {
  if (powerW === null || apparentVa === null || apparentVa <= 0 || powerW > apparentVa) return null;
  return Math.max(0.1, powerW / apparentVa);
}

function supplyOf(
  input: LabelToken | undefined,
  isAdapter: boolean,
  output: LabelToken | undefined,
): LabelReading['supply'] {
  if (isAdapter && output && (!input || input.high >= MAINS_FROM_V)) return { kind: 'adapter', volts: output.high };
  const volts = input ?? output;
  if (!volts || volts.high === 0) return null;
  const mains = volts.current === 'ac' || (volts.current === null && volts.high >= MAINS_FROM_V);
  return { kind: mains ? 'mains' : 'dc', volts: volts.high };
}

/** A result inconsistent with its own parts: watts against volts × amps, more than a factor of two apart. */
function contradictions(text: string, tokens: readonly LabelToken[]): Question[] {
  return (['input', 'output', 'plain'] as const).flatMap((side) => {
    const watts = find(tokens, 'W', side);
    const volts = find(tokens, 'V', side);
    const amps = find(tokens, 'A', side);
    if (!watts || !volts || !amps || amps.high === 0 || volts.high === 0) return [];
    const most = volts.high * amps.high;
    if (watts.high <= 2 * most && watts.low >= most / 20) return [];
    const code: QuestionCode = 'label-contradiction';
    const { start, end } = watts;
    return [{ code, start, end, found: text.slice(start, end), meant: `${Math.round(most)} W` }];
  });
}

/** Whether a text looks like a nameplate rather than a typed line. */
export function looksLikeLabel(text: string): boolean {
  return /\n|~|⎓|\binput\b|\boutput\b|\bhz\b|\d\s*-\s*\d+\s*v|btu|kwh\s*(?:\/|per)|\bk?va\b|cos\s*φ|model/iu.test(text);
}
