import { PART_FIELDS, type PartField, type PartKind } from '../job/partFields.ts';
import { lex, type Token } from './lex.ts';
import type { Measure } from './units.ts';

/**
 * What the plate or data sheet of a part says, as the fields of its step: a figure belongs to the words before it on its line,
 * or behind it where none stand before. What no field is for is handed back.
 */

type Field = PartField | 'powerPerK' | 'vocPerK' | 'iscPerK';
type Sheet = Exclude<PartKind, 'all-in-one'>;

/** Which figure a field takes: what it measures and the words beside it; the first row that holds is meant. */
type Row = readonly [field: Field, of: readonly Measure[], beside: RegExp];
const ANY = /^/;
const WATTS = ['power'] as const;
const SHEETS: Readonly<Record<Sheet, readonly Row[]>> = {
  panel: [
    ['vocPerK', ['share'], /voc|open|beta|β|volt/],
    ['iscPerK', ['share'], /isc|short|alpha|α|curr/],
    ['powerPerK', ['share'], /pm|power|gamma|γ|wp/],
    ['noctC', ['celsius', 'angle'], /noct|nmot/],
    ['vocV', ['voltage'], /voc|uoc|open/],
    ['vmpV', ['voltage'], /vm|um|v mpp|pmax|mpp|max.*power.*volt|operat|rated volt/],
    ['iscA', ['current'], /isc|short/],
    ['impA', ['current'], /im|pmax|mpp|max.*power.*curr|operat|rated curr/],
    ['ratingW', WATTS, /pm|max.*power|rated|peak|nominal|power|^$|solar|panel|module|wp/],
    ['kg', ['mass'], ANY],
    ['areaM2', ['area'], ANY],
  ],
  battery: [
    ['shortA', ['current'], /peak|surge|pulse|short|brief|crank|max.*burst/],
    ['dischargeA', ['current'], /discharg|output|load|continuous|entlad/],
    ['chargeA', ['current'], /charg|lad/],
    ['unitV', ['voltage'], /nominal|rated|^$|battery|voltage$|volt$|lfp|agm|gel|lithium|lifepo|cycle/],
    ['capacityAh', ['charge'], ANY],
    ['resistanceMohm', ['resistance'], ANY],
    ['kg', ['mass'], ANY],
  ],
  controller: [
    ['maxInputA', ['current'], /pv|input|short|isc/],
    ['maxA', ['current'], /charg|output|rated|^$|controller|regulator|mppt|pwm/],
    ['maxV', ['voltage'], /pv|input|max|open|voc/],
    ['maxW', WATTS, ANY],
    ['efficiency', ['share'], /effic|η|wirkungs/],
    ['idleW', WATTS, /idle|self|standby|no.?load/],
    ['kg', ['mass'], ANY],
  ],
  'dc-dc': [
    ['ratingA', ['current'], /out|charg|rated|^$|dc/],
    ['idleW', WATTS, /idle|standby|no.?load/],
    ['kg', ['mass'], ANY],
  ],
  charger: [
    ['ratingA', ['current'], /out|charg|rated|^$/],
    ['efficiency', ['share'], /effic|η|wirkungs/],
    ['idleW', WATTS, /idle|standby|no.?load/],
    ['kg', ['mass'], ANY],
  ],
  inverter: [
    ['idleW', WATTS, /idle|standby|no.?load|self|zero/],
    ['surgeW', WATTS, /surge|peak|max|start/],
    ['ratingW', WATTS, /contin|rated|output|nominal|power|^$|inverter|sine|ac/],
    ['ratingVa', ['apparent'], ANY],
    ['surgeSeconds', ['duration'], /surge|peak|max/],
    ['peakEfficiency', ['share'], /effic|η|wirkungs/],
    ['kg', ['mass'], ANY],
  ],
};

/** Coefficients for each K, with their range as shares. */
const PER_K: Readonly<Partial<Record<Field, readonly [number, number]>>> = {
  powerPerK: [-0.01, 0],
  vocPerK: [-0.01, 0],
  iscPerK: [-0.001, 0.005],
};

/** What one unit of the core is in that of the field. */
const FACTOR: Readonly<Partial<Record<Field, number>>> = { resistanceMohm: 1000, surgeSeconds: 60 };

export interface ReadSheet {
  readonly fields: Readonly<Partial<Record<Field, number>>>;
  /** Lines whose figures no field takes. */
  readonly left: readonly string[];
}

export function readSheet(kind: Sheet, text: string): ReadSheet {
  const fields: Partial<Record<Field, number>> = {};
  const left: string[] = [];
  for (const { value, of, beside, written } of figuresOf(text)) {
    const row = SHEETS[kind].find(
      ([field, measures, words]) => measures.includes(of) && words.test(beside) && fields[field] === undefined,
    );
    const inField = row ? value * (FACTOR[row[0]] ?? 1) : Number.NaN;
    if (row && isPossible(row[0], inField)) fields[row[0]] = Number(inField.toPrecision(6));
    else left.push(written);
  }
  return { fields, left };
}

function isPossible(field: Field, value: number): boolean {
  const own = PART_FIELDS[field as PartField];
  const [least, most] = PER_K[field] ?? (own ? [own.min, own.max] : [0, 0]);
  return value >= least && value <= most;
}

interface Figure {
  readonly value: number;
  readonly of: Measure;
  /** The words beside it, in small letters. */
  readonly beside: string;
  readonly written: string;
}

/** Signs that part one figure and its words from the next. */
const PARTING = /^[,;\n|]$/;

export function figuresOf(text: string): Figure[] {
  const tokens = lex(text);
  const figures: Figure[] = [];
  let before = 0;
  // "Output 14.4 V 30 A": the words of the line are of its other figures too.
  let ofLine = '';
  tokens.forEach((unit, i) => {
    const number = tokens[i - 1];
    if (!unit.unit || !number || Number.isNaN(number.value)) {
      if (PARTING.test(unit.cls)) before = i + 1;
      if (unit.cls === '\n') ofLine = '';
      return;
    }
    const sign = tokens[i - 2]?.cls === '¬' || (tokens[i - 2]?.cls === '-' && tokens[i - 3]?.cls !== 'N') ? -1 : 1;
    const ahead = wordsIn(tokens.slice(before, i - 1));
    const beside = ahead || wordsIn(behind(tokens, i + 1)) || ofLine;
    const celsius = unit.unit.of === 'fahrenheit' ? ((number.value - 32) * 5) / 9 : number.value * unit.unit.worth;
    const of = unit.unit.of === 'fahrenheit' ? 'celsius' : unit.unit.of;
    figures.push({
      value: sign * celsius,
      of,
      beside,
      written: text.slice(tokens[before]?.start ?? 0, unit.end).trim(),
    });
    before = i + 1;
    if (ahead) ofLine = ahead;
  });
  return figures;
}

const wordsIn = (tokens: readonly Token[]): string =>
  tokens
    .filter(({ cls, text }) => cls !== 'N' && /\p{L}|[αβγη]/u.test(text) && !/^[~=VAWSC]$/.test(cls))
    .map(({ text }) => text)
    .join(' ');

/** Up to the next figure or what parts them. */
function behind(tokens: readonly Token[], from: number): readonly Token[] {
  const to = tokens.findIndex(({ cls }, i) => i >= from && (cls === 'N' || PARTING.test(cls)));
  return tokens.slice(from, to < 0 ? tokens.length : to);
}
