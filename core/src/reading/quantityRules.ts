import type { Found, Kind, Made, Mark, Rule } from './facts.ts';
import type { Token } from './lex.ts';
import type { Measure } from './units.ts';

/** Figures with their units, what an energy is of, and how many pieces. */

const PER = '[pae/]';
/** Units of what an appliance takes. */
const SIZE = 'WPHBVAEQZ';

const made = (kind: Kind, value: number, more: Partial<Made> = {}): Made => ({ kind, value, ...more });
const numbers = (tokens: readonly Token[]): readonly Token[] => tokens.filter(({ cls }) => cls === 'N');
const unitOf = (tokens: readonly Token[]): Token | undefined => tokens.find(({ unit }) => unit !== null);

const KIND_OF: Readonly<Partial<Record<Measure, Kind>>> = {
  power: 'power',
  apparent: 'apparent',
  shaft: 'shaft',
  cooling: 'cooling',
  voltage: 'voltage',
  current: 'current',
  energy: 'energy',
  charge: 'charge',
  frequency: 'frequency',
  share: 'share',
  length: 'length',
  celsius: 'temperature',
  fahrenheit: 'temperature',
  angle: 'temperature',
};

/** One figure: "45 W", "12 V DC", "AC 230 V~", "DC12V". */
function figure({ tokens }: Pick<Found, 'tokens'>): Made | null {
  const unit = unitOf(tokens) as Token & { unit: NonNullable<Token['unit']> };
  const kind = KIND_OF[unit.unit.of];
  const [first, second] = numbers(tokens);
  if (!first || !kind) return null;
  const { worth } = unit.unit;
  if (kind === 'temperature') return made(kind, celsius(first.value * (tokens[0]?.cls === '¬' ? -1 : 1), unit));
  const current = currentOf(tokens, unit);
  const span = second ? { second: second.value * worth } : {};
  const other = first.other === null || second ? {} : { other: first.other * worth };
  return made(kind, first.value * worth, { ...span, ...other, ...(current && { current }) });
}

const celsius = (value: number, { unit }: Token): number =>
  unit?.of === 'fahrenheit' ? ((value - 32) * 5) / 9 : value;

function currentOf(tokens: readonly Token[], unit: Token): Made['current'] | null {
  const isAc = tokens.some(({ cls }) => cls === '~') || /(?:vac|aac)$/.test(unit.text);
  const isDc = tokens.some(({ cls }) => cls === '=') || /(?:vdc|adc)$/.test(unit.text);
  // What takes either hangs on the bus.
  return isDc ? 'dc' : isAc ? 'ac' : null;
}

/** "12/24 V", "4/2 A": two ways to feed it, in the order in which they stand; "750/1250/2000 W" are settings of which one is meant. */
function list(found: Found): Made | null {
  const { tokens } = found;
  const all = numbers(tokens);
  const unit = unitOf(tokens) as Token & { unit: NonNullable<Token['unit']> };
  const kind = KIND_OF[unit.unit.of];
  if (!kind) return null;
  const [first, second] = all.map(({ value }) => value * unit.unit.worth);
  if (first === undefined || second === undefined) return null;
  const current = currentOf(tokens, unit);
  const isMixed = kind === 'voltage' && Math.min(first, second) < 90 !== Math.max(first, second) < 90;
  const tag = all.length === 2 && !isMixed ? 'pair' : 'settings';
  return made(kind, first, { second, tag, ...(current && { current }) });
}

/** What an energy is of: a day, a use, a hundred uses. */
function energyPer({ part, facts }: Found): Made | null {
  const plain = figure({ tokens: part('q') });
  if (!plain) return null;
  const behind = part('per');
  const [many] = numbers(behind);
  const last = behind.at(-1) as Token;
  const isCharge = plain.kind === 'charge';
  const perDay = (days: number): Made => ({
    ...plain,
    kind: isCharge ? 'charge-per-day' : 'energy-per-day',
    value: plain.value / days,
  });
  const each = many?.value ?? 1;
  switch (last.cls) {
    case 'd':
    case 'n':
      return perDay(each);
    case 'w':
      // "4 h cycle 0.36 kWh weekly": so much each time.
      if (facts.some(({ kind }) => kind === 'duration') && last.tag !== '7') return null;
      return Number(last.tag) > 0 ? perDay(7 / Number(last.tag)) : null;
    case 'k':
      return perDay(7 * each);
    case 'f':
      return perDay(14);
    case 'm':
      return perDay((365 / 12) * each);
    case 'a':
    case 'y':
      return perDay(365 * each);
    case 'T': {
      const hours = (each * (last.unit?.worth ?? 0)) / 60;
      if (hours === 24) return perDay(1);
      // As energy labels have it: what it takes in a thousand hours of being on.
      if (hours === 1000 && !isCharge) return made('power', plain.value / 1000);
      return null;
    }
    case 'g':
    case 'I':
      return isCharge ? null : { ...plain, kind: 'energy-per-use', value: plain.value / each };
    default:
      return null;
  }
}

/** Pieces: what multiplies a length is how often instead, and a start is no piece. */
function times({ tokens, all, at, end, facts }: Found): Made | null {
  const [count] = numbers(tokens);
  if (!count || !Number.isInteger(count.value) || count.value < 1 || count.value > 99) return null;
  // "4 h (six)".
  if (tokens[0]?.cls === '(' && tokens[1]?.cls === 'N') return made('count', count.value);
  const next = all[end];
  // "3y" is no three of anything.
  if (next?.cls === 'X' && next.glued) return null;
  const before = all[at - 1];
  const unitNext = all.slice(end, end + 2).find(({ unit }) => unit !== null);
  const last = facts.at(-1);
  const isLast = last !== undefined && last.to >= at - 1 && (last.to === at || /[,();l@/]/.test(before?.cls ?? ''));
  const isLong =
    last?.kind === 'duration' && last.value < 1440 && !all.slice(last.from, last.to).some(({ cls }) => cls === 'd');
  const isSizeNext = next?.cls === 'N' && unitNext !== undefined && SIZE.includes(unitNext.cls);
  const isLengthNext =
    next?.cls === 'N' && unitNext?.cls === 'T' && (unitNext.unit?.worth !== 60 || all[end]?.value !== 24);
  const isBehind = tokens[0]?.cls === '×';
  if ((isLengthNext && !isBehind) || (isLast && isLong && !isSizeNext)) return made('times', count.value);
  const perOne = before && /[gX]/.test(before.cls) && /^[pae/]$/.test(all[at - 2]?.cls ?? '');
  return made(perOne ? 'times' : 'count', count.value);
}

const startRatio = ({ tokens }: Found): Made | null => {
  const mark = tokens.find(({ cls }) => cls === '!');
  const [value] = numbers(tokens);
  return mark?.tag === 'peak' && mark.text !== 'starts' && value ? made('start-ratio', value.value) : null;
};

/** What a number before the first word counts, unless it is of the thing's own doors or rings. */
const OWN =
  /^(?:door|ring|burner|slice|cup|stage|speed|way|zone|person|berth|bay|litre|liter|inch|foot|metre|meter|channel|star|cell|plate|drawer|people|seat|channel|port|gang|ply|man|bed)s?$/;
function leading({ tokens, all, at, end }: Found): Made | null {
  if (all.slice(0, at).some(({ cls }) => !/[*·\-\n]/.test(cls))) return null;
  const [count] = numbers(tokens);
  const next = all[end];
  if (!count || !next || !/[XKFG!a-z]/.test(next.cls) || OWN.test(next.text) || next.text.length < 2 || next.glued)
    return null;
  return Number.isInteger(count.value) && count.value >= 1 && count.value <= 99 ? made('count', count.value) : null;
}

/** Amps behind the letters of a motor's plate. */
function lettered({ tokens }: Found): Made | null {
  const [mark] = tokens as [Token];
  const [value] = numbers(tokens);
  if (!value || !/^(?:lra|rla|fla|flc)$/.test(mark.text)) return null;
  return made('current', value.value, { marks: [mark.tag as Mark] });
}

/** "Annual energy use 280 kWh", "energy per cycle 0.72 kWh": what an energy is of stands before it. */
function rateBefore({ tokens }: Found): Made | null {
  const [head] = tokens as [Token];
  const one = figure({ tokens: tokens.slice(-2) });
  if (!one) return null;
  if (head.cls === 'w') return head.tag === '7' ? { ...one, kind: 'energy-per-day' } : null;
  return head.cls === 'ω'
    ? { ...one, kind: 'energy-per-day', value: one.value / 365 }
    : { ...one, kind: 'energy-per-use' };
}

/** "half a kilowatt", "a kilowatt", "one and a half kilowatts". */
function fraction({ tokens }: Found): Made {
  const part = tokens.find(({ cls }) => cls === 'J');
  const [whole] = numbers(tokens);
  const share = part ? Number(part.tag) : whole ? 0 : 1;
  return made('power', ((whole?.value ?? 0) + share) * (unitOf(tokens)?.unit?.worth ?? 1));
}

const flow = ({ tokens }: Found): Made | null => {
  const unit = unitOf(tokens);
  const [value] = numbers(tokens);
  return unit && value
    ? made('measure', value.value * (unit.unit?.worth ?? 1), {
        tag:
          tokens.some(({ cls }) => cls === 'd' || cls === 'w') || /used|needed|pumped/.test(tokens.at(-1)?.text ?? '')
            ? 'litres-a-day'
            : (unit.unit?.of ?? ''),
      })
    : null;
};

/** W of each metre or foot. */
const perLength = ({ tokens }: Found): Made | null => {
  const [watts, length] = tokens.filter(({ unit }) => unit !== null);
  const [value] = numbers(tokens);
  if (!watts?.unit || !length || !value) return null;
  const isFeet = length.unit?.of === 'feet-or-minutes';
  const metres = length.unit?.of === 'length' ? length.unit.worth : isFeet ? 0.3048 : 1;
  if (length.cls === 'U') return { kind: 'asked', value: 1, code: 'per-length', choices: [] };
  return made('power', (value.value * watts.unit.worth) / metres, { tag: 'per-metre' });
};

const FIGURE = `[~=]?N[-]?[${SIZE}][~=/]*`;

/** Before all else: a day or a use that an energy is of is none by itself. */
export const RATE_RULE: Rule = [`ω[θ!F:=g]*NE|w[θ!F:=g]*NE|[pae/]g[θ!F:=]*NE`, rateBefore];

export const QUANTITY_RULES: readonly Rule[] = [
  // "5 A fuse", "fuse: 10 A" protect; of what they carry nothing is said.
  [`NA[GX]?q(?![:l=]?NA)|q[l:=@F]*NA`, () => made('protection', 1)],
  [
    'ϕ[:F]?N',
    ({ tokens }) => (Number(numbers(tokens)[0]?.value) <= 1 ? made('factor', Number(numbers(tokens)[0]?.value)) : null),
  ],
  [`![F:×]*(?:×N|N×(?!N(?!T)))(?![aep/w])|N×!`, startRatio],
  // "RLA 11.2 LRA 58": amps by their letters.
  [`![:=]?N(?![${SIZE}TSLMOC×])`, lettered],
  [`J[la]*W|aW|N&a?JW`, fraction],
  [`(?<q>N[EQ])(?<per>(?:${PER}|F)+N?(?:[dnkfmygI]|T)|w|(?:${PER}|F)?y|/a(?![a-z]))`, energyPer],
  [`NW[pa/](?:L|M|U)`, perLength],
  [`NN?[OR](?:(?:${PER}+d|w|F)?)`, flow],
  [`N(?:/N){2,6}[${SIZE}][~=]*`, list],
  [`[~=]?N[V]?/N[V][~=]*`, list],
  [`N[A]?/N[A]`, list],
  [`N[W]/N[W](?:/N[W])*`, list],
  [`N/N[WZ]`, list],
  [`[~=]?N[${SIZE}]?(?:-|r)N[${SIZE}][~=]*`, span],
  [FIGURE, figure],
  ['[¬]?NC', figure],
  ['NS', figure],
  ['NL', figure],
  // "8 µF / 450 V": what a motor's capacitor bears.
  [
    'NU[/,@]?NV',
    ({ tokens }) => (/[µμu]f/.test(tokens[1]?.text ?? '') ? made('measure', numbers(tokens)[0]?.value ?? 0) : null),
  ],
  ['NU', ({ tokens }) => made('measure', numbers(tokens)[0]?.value ?? 0)],
  [`N×(?!N?[×])`, times],
  [`×N(?![${SIZE}LSOCTMRU])|\\(×?N\\)`, times],
  [`N(?:u|l(?=[NXFG!a]))`, ({ tokens }) => made('count', numbers(tokens)[0]?.value ?? 1)],
  ['Y', ({ tokens }) => made('count', Number(tokens[0]?.tag))],
  [
    `N[@F](?=N[WPAVEQ])`,
    ({ tokens }) =>
      tokens[1]?.cls === 'F' && tokens[1].text !== 'at' ? null : made('count', numbers(tokens)[0]?.value ?? 1),
  ],
  ['N', leading],
];

/** V from which a span of volts begins. */
const LEAST_V = 3;

/** "100–240 V", "0.2 A - 2.3 A": from so much to so much. */
function span(found: Found): Made | null {
  const units = found.tokens.filter(({ unit }) => unit !== null);
  // "12 V - 4.5 A" are two figures; nothing is made for one to twelve volts.
  if (units.length > 1 && units[0]?.unit?.of !== units[1]?.unit?.of) return null;
  const one = figure(found);
  if (one?.kind === 'voltage' && one.value < LEAST_V && (one.second ?? 0) > 2 * one.value) return null;
  return one && one.second !== undefined ? { ...one, tag: 'span' } : one;
}
