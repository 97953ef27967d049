import { runningPowerW } from '../job/draw.ts';
import { plainLoad } from '../job/plainLoad.ts';
import type { Draw, Load, Use } from '../job/schema.ts';
import { NAMING } from '../quantity/measures.ts';
import { readNumber } from '../quantity/numeral.ts';
import { pattern } from '../quantity/pattern.ts';
import type { Question } from '../quantity/question.ts';
import { readQuantities } from '../quantity/read.ts';
import type { Token } from '../quantity/token.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { type Appliance, bestFit, loadFrom, nearMatches } from '../reference/appliances.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { fitsBus, NAMEPLATE, windowOf } from '../reference/nameplates.ts';
import { cycleTaking } from './cycles.ts';
import { besideMains, feedsBoth } from './feedsBoth.ts';
import { readLabel } from './label.ts';
import type { LabelReading } from './labelReading.ts';
import { poweredDraw } from './powered.ts';
import type { Bus, Proposal } from './proposal.ts';
import { ampsAsVa } from './typedPower.ts';
import { typedUse } from './typedUse.ts';
import { minutesPerDay, usesFor } from './uses.ts';
import { whatItIs } from './whatItIs.ts';

/** What may be written beside a label by hand: how long, how often and when. */
const TIMES: ReadonlySet<string> = new Set([
  'duration',
  'times',
  'clock',
  'begins',
  'every',
  'days-per-week',
  'per-week',
  'per-month',
  'share',
  'weekdays',
  'weekends',
  'summer',
  'winter',
]);

/** What a plate itself says in minutes: a timer's span, how long it may run without a rest. */
const NO_USE = pattern(
  /timer|auto\W?off|(?<![\p{L}\d])(?:kb|s[236]|ed)(?![\p{L}\d])|kurz\S*betrieb|short\W?time|continuous|rest|inter\S*val|intermittent|\son(?!\p{L}).*\soff(?!\p{L})/iu,
);
/** "0–180 min" of a timer. */
const OF_A_SPAN = /\d\s*[-–]\s*$/u;
/** Minutes below which a length on a plate is of a start. From memory. */
const LEAST_USE_MIN = 1 / 6;
/** "12 kg/24 h", "3 l / h": a rate, not how long it runs. */
const OF_A_RATE = pattern(/\p{L}[\p{L}³]*\s*\/\s*$/iu);
const isOfUse = (text: string, { kind, value, start, end }: Token): boolean => {
  if (OF_A_RATE.test(text.slice(0, start)) || OF_A_SPAN.test(text.slice(0, start))) return false;
  if (kind === 'duration' && value < LEAST_USE_MIN) return false;
  const from = text.lastIndexOf('\n', start - 1) + 1;
  const to = text.indexOf('\n', end);
  return !NO_USE.test(text.slice(Math.max(from, start - 30), to < 0 ? end + 30 : Math.min(to, end + 30)));
};

/** Words of a nameplate that are not the appliance's name. */
const PLATE_WORDS =
  /\b(?:model|type|rated?|rating|input|output|voltage|power|current|consumption|frequency|supply|mains|serial|no|(?:protection\s+)?class(?:\s+i{1,3}(?!\p{L}))?|class|ac|dc|in|out|max|min|nominal|energy|cooling|capacity|heating|i\/p|o\/p|p\/n|s\/n|pri|sec|un|pn|fuse|size|standby|stand-by|peak|annual|starting|running|duty|average|typical|maximum|minimum|total|nennspannung|spannung|leistungsaufnahme|nennleistung|leistung|tensi[oó]n|potencia|puissance|tensione|potenza|vermogen|spanning)\b[.:]?|[~⎓⏛:;|=()]/giu;

/** W of cooling from which it is a room that is cooled. From memory. */
const ROOM_FROM_W = 800;

const NO_CHARGER = { questions: [], chargesStore: null } as const;

/** A load as its nameplate tells it; null when nothing on it could be read. */
export function proposeFromLabel(
  text: string,
  idFor: (name: string) => string,
  pick: Appliance | undefined,
  firm: readonly Appliance[],
  bus: Bus,
): Proposal | null {
  const read = readLabel(text);
  const label = { ...read, supply: read.supply ?? mainsSaid(text, read, bus) };
  if (label.tokens.length === 0 && label.questions.length === 0) return null;
  const words = nameBefore(text, label);
  const called = (label.coolingW ?? 0) >= ROOM_FROM_W ? `${words} air conditioner` : words;
  const appliance = pick ?? bestFit(nearMatches(called, firm), label.powerW, feedOf(label));
  const amps = ampsAlone(text, label, appliance, bus);
  const name = words || pick?.name || '';
  const identity = whatItIs(text, readQuantities(words), appliance);
  const charger = identity.isCharger ? identity : NO_CHARGER;
  const about = {
    appliance,
    questions: [
      ...label.questions,
      ...microwaveQuestion(text, label, appliance),
      ...charger.questions,
      ...amps.questions,
      ...ofTwoFeeds(text, read),
    ],
    label,
    notes: amps.notes,
  };
  if (!name) return { ...about, load: null, missing: 'name' };
  const powerW = label.powerW ?? amps.powerW;
  if (powerW === null && label.energyWhPerDay === null && !appliance) return { ...about, load: null, missing: 'power' };

  const id = idFor(name);
  const base = appliance ? loadFrom(appliance, id) : plainLoad(id);
  const powered = drawOf(base.draw, { ...label, powerW }, appliance?.highW ?? null);
  const said = readQuantities(text);
  // Of what does not cycle by itself the duty on its plate is how much of the time it may run.
  const isPermitted = ({ kind }: Token) => kind === 'share' && appliance !== null && powered.kind !== 'thermostatic';
  const time = {
    ...said,
    tokens: said.tokens.filter((token) => TIMES.has(token.kind) && isOfUse(text, token) && !isPermitted(token)),
  };
  const use = time.tokens.length > 0 ? typedUse(text, time, base, powered, true, bus.busV) : null;
  const count =
    said.tokens.find((token) => token.kind === 'count' && isOfPieces(text, token, label.powerW))?.value ?? 1;
  const start = said.tokens.find(({ kind, value }) => kind === 'start-ratio' && value >= 1);
  const unread = leftOver(text, said.tokens, [...label.tokens, ...label.questions, ...(use?.used ?? [])]);
  const share = time.tokens.find(({ kind }) => kind === 'share');
  const daily = share && dailyDraw(use?.draw ?? powered, label, share.value);
  const draw = daily ?? use?.draw ?? powered;
  if (share && daily === null) unread.push({ ...question(text, share), code: 'energy-unlike-use', choices: [''] });
  const path = pathOf(appliance === null ? null : base.path, label, bus);
  return {
    ...about,
    questions: [...about.questions, ...(use?.questions ?? []), ...unread],
    missing: null,
    load: {
      ...base,
      quantity: count,
      name: `${name.charAt(0).toUpperCase()}${name.slice(1)}`.slice(0, 120),
      draw,
      uses: use?.uses ?? usesOfLabel(base.uses, draw, label),
      variants: use?.variants ?? base.variants,
      daysPerWeek: use?.daysPerWeek ?? base.daysPerWeek,
      path,
      ...windowFrom(label, bus),
      startRatio:
        label.startRatio ?? (start && Math.min(12, start.value)) ?? startOf(label, path, bus) ?? base.startRatio,
      evidence: 'nameplate',
      powerFactor: label.powerFactor ?? base.powerFactor,
      chargesStore: charger.chargesStore ?? base.chargesStore,
    },
  };
}

/** Hertz and "mains" say what feeds it where no volts do. */
const SAYS_MAINS = pattern(/(?<!\p{L})mains(?!\p{L})/iu);
const isOfMains = (text: string, { tokens }: LabelReading): boolean =>
  tokens.some(({ quantity }) => quantity === 'Hz') || SAYS_MAINS.test(text);
const mainsSaid = (text: string, label: LabelReading, { mainsV }: Bus): LabelReading['supply'] =>
  isOfMains(text, label) ? { kind: 'mains', volts: mainsV, low: mainsV } : null;

/** Volts of a battery beside hertz or "mains": by which of them it is fed is not said. */
function ofTwoFeeds(text: string, label: LabelReading): Question[] {
  const [volts, ...more] = label.tokens.filter(({ quantity }) => quantity === 'V');
  const isBoth = label.supply?.kind === 'dc' && isOfMains(text, label) && volts && more.length === 0;
  return isBoth && !volts.pair && !feedsBoth(text)
    ? [{ ...question(text, volts), found: besideMains(text, volts), code: 'contradiction', choices: [''] }]
    : [];
}

/** Volts that plates are made for, and how far from them what comes of watts ÷ amps may be, share. From memory. */
const USUAL_V = [5, 12, 24, 36, 48, 115, 230] as const;
const NEAR_USUAL = 0.3;

/** Amps of a plate on which no volts stand: what they come to, or, beside watts that no usual volts would make, a question. */
function ampsAlone(
  text: string,
  { tokens, powerW, apparentVa, powerFactor, supply, questions }: LabelReading,
  appliance: Appliance | null,
  bus: Bus,
): { readonly powerW: number | null; readonly notes: readonly string[]; readonly questions: readonly Question[] } {
  const [amps] = tokens.filter(({ quantity }) => quantity === 'A');
  const isAsked = amps && questions.some(({ start, end }) => start < amps.end && end > amps.start);
  if (!amps || isAsked || !(amps.high > 0) || tokens.some(({ quantity }) => quantity === 'V'))
    return { powerW: null, notes: [], questions: [] };
  const takes = apparentVa ?? powerW;
  if (takes === null) {
    const notes: string[] = [];
    const { va } = ampsAsVa({ value: amps.high }, null, appliance, text, supply?.kind === 'mains', bus, notes);
    // "15A start 60 W": a start below what it runs on is none.
    const less = tokens.filter(({ quantity, high }) => quantity === 'W start' && high < va);
    const asked = less.map((one): Question => ({ ...question(text, one), code: 'second-figure', choices: [''] }));
    return { powerW: va * (powerFactor ?? 1), notes, questions: asked };
  }
  const isUsual = USUAL_V.some((volts) => Math.abs(takes / amps.high - volts) <= NEAR_USUAL * volts);
  return {
    powerW: null,
    notes: [],
    questions: isUsual ? [] : [{ ...question(text, amps), code: 'second-figure', choices: [''] }],
  };
}

/** Times of what it runs on that the amps of its start are, at the volts that it is fed with. */
function startOf({ startA, powerW, powerFactor, supply }: LabelReading, path: Load['path'], bus: Bus): number | null {
  if (startA === null || powerW === null || powerW <= 0) return null;
  const volts = supply?.volts ?? (path.startsWith('inverter') ? bus.mainsV : bus.busV);
  const ratio = (startA * volts * (powerFactor ?? 1)) / powerW;
  return ratio >= 1 ? Math.min(12, ratio) : null;
}

/** "2 × 20 W" of a loudspeaker's output are no pieces of what it takes. */
const isOfPieces = (text: string, { end }: Token, powerW: number | null): boolean => {
  const each = /^\s?(\d+(?:[.,]\d+)?)\s*w/i.exec(text.slice(end))?.[1];
  return each === undefined || readNumber(each) === powerW;
};

/** Shares that a plate tells of what it is: how efficient, how moist the air may be. */
const QUALITY = pattern(/(?:eff\p{L}*\.?|η|humidity|rh|thd|wirkungsgrad|rendement)[\s:=<>≤≥]*$/iu);
const QUALITY_AFTER = pattern(/^\s*(?:eff|rh(?!\p{L})|humidity|thd)/iu);

const question = (text: string, { start, end }: Pick<Token, 'start' | 'end'>) => ({
  start,
  end,
  found: text.slice(start, end),
});

/** How far an energy of a day and a duty may be apart and still say the same, share. */
const SAME = 0.1;

/**
 * Of what cycles, the draw whose duty is that share and that takes the plate's energy of a day; null where its watts say
 * another energy, and the draw as it is where the plate tells none.
 */
function dailyDraw(draw: Draw, { energyWhPerDay, powerW }: LabelReading, duty: number): Draw | null {
  if (energyWhPerDay === null || draw.kind !== 'thermostatic' || !(duty > 0)) return draw;
  const meanW = energyWhPerDay / 24;
  if (powerW === null) return { ...draw, runningW: meanW / duty, duty };
  return Math.abs(powerW * duty - meanW) > SAME * meanW ? null : draw;
}

/** A share or an energy that was typed beside a plate and that neither reader has used. */
function leftOver(
  text: string,
  tokens: readonly Token[],
  used: readonly { readonly start: number; readonly end: number }[],
): Question[] {
  return tokens
    .filter(({ kind }) => kind === 'share' || kind.startsWith('energy') || kind === 'charge-per-day')
    .filter(({ start, end }) => !QUALITY.test(text.slice(0, start)) && !QUALITY_AFTER.test(text.slice(end)))
    .filter((token) => !used.some(({ start, end }) => token.start < end && token.end > start))
    .map((token) => ({ ...question(text, token), code: 'second-figure', choices: [''] }));
}

/** What stands before the first figure and is none of a nameplate's own words. */
function nameBefore(text: string, { tokens, questions }: LabelReading): string {
  const first = Math.min(text.length, ...tokens.map(({ start }) => start), ...questions.map(({ start }) => start));
  return text
    .slice(0, first)
    .replace(PLATE_WORDS, ' ')
    .replace(/(?<![\p{L}\d])\p{L}*\d[\p{L}\d-]*\b/gu, (word, at: number, all: string) =>
      NAMING.test(all.slice(at + word.search(/(?<=\d)(?!\d)/))) && /^\d/.test(word) ? word : ' ',
    )
    .replace(/(?<!\S)[x×](?!\S)/giu, ' ')
    .replace(/[\s,.\-–]+/g, ' ')
    .trim();
}

const feedOf = ({ supply }: LabelReading): 'mains' | 'dc' | null =>
  supply === null ? null : supply.kind === 'dc' ? 'dc' : 'mains';

/** A microwave's lone watts may be what it cooks with or what it takes in. */
function microwaveQuestion(text: string, { tokens }: LabelReading, appliance: Appliance | null): Question[] {
  if (!/microwave/i.test(`${text} ${appliance?.name ?? ''}`)) return [];
  const watts = tokens.filter(({ quantity }) => quantity === 'W');
  const [only] = watts;
  if (
    !only ||
    watts.length > 1 ||
    only.side === 'input' ||
    tokens.some(({ quantity }) => quantity === 'W cooking' || quantity === 'A')
  )
    return [];
  const found = text.slice(only.start, only.end);
  if (/input\W{0,3}$/iu.test(text.slice(0, only.start)) || /^\W{0,3}input/iu.test(text.slice(only.end))) return [];
  return [
    {
      code: 'cooking-or-input',
      start: only.start,
      end: only.end,
      found,
      choices: [`${found} cooking`, `${found} input`],
    },
  ];
}

function drawOf(draw: Draw, label: LabelReading, highW: number | null): Draw {
  const { energyWhPerDay, energyWhPerCycle } = label;
  const powered = poweredDraw(draw, label, highW);
  if (powered.kind === 'cycle' && energyWhPerCycle !== null) return cycleTaking(powered, energyWhPerCycle) ?? powered;
  if (energyWhPerDay === null) return powered;
  if (powered.kind === 'standby') return { kind: 'standby', powerW: energyWhPerDay / 24 };
  const runningW = Math.max(runningPowerW(powered), energyWhPerDay / 24);
  const setC = powered.kind === 'thermostatic' ? powered.setC : 4;
  const duty = Math.min(1, energyWhPerDay / 24 / Math.max(1e-9, runningW));
  return { kind: 'thermostatic', runningW, duty, dutyAtC: DEFAULT.fridgeReferenceAmbientC.value, setC };
}

function usesOfLabel(usual: readonly Use[], draw: Draw, { energyWhPerCycle }: LabelReading): Use[] {
  if (draw.kind === 'thermostatic' || draw.kind === 'standby') return [{ startMin: 0, minutes: MINUTES_PER_DAY }];
  if (draw.kind === 'cycle')
    return usesFor(draw, Math.max(1, usual.length), minutesPerDay(usual) / Math.max(1, usual.length));
  const powerW = runningPowerW(draw);
  if (energyWhPerCycle !== null && draw.kind === 'steady' && powerW > 0) {
    const minutes = (energyWhPerCycle / powerW) * 60;
    if (minutes > 0 && minutes <= MINUTES_PER_DAY) return usesFor(draw, 1, minutes);
  }
  return [...usual];
}

/** @param usual of its type; null = of no known type: what says VA, or is strong, is a mains appliance */
function pathOf(usual: Load['path'] | null, { supply, apparentVa, powerW }: LabelReading, { busV }: Bus): Load['path'] {
  const isStrong = apparentVa !== null || (powerW ?? 0) > NAMEPLATE.mainsFromW.value;
  if (!supply) return usual ?? (isStrong ? 'inverter' : 'direct');
  if (supply.kind === 'adapter') return 'inverter-adapter';
  if (supply.kind === 'mains') return usual?.startsWith('inverter') ? usual : 'inverter';
  return fitsBus(supply.low, supply.volts, busV) ? 'direct' : 'dc-dc';
}

/** The voltages that it bears, for what hangs on the bus itself. */
function windowFrom({ supply }: LabelReading, { busV }: Bus): Pick<Load, 'minV' | 'maxV'> {
  if (supply?.kind !== 'dc' || !fitsBus(supply.low, supply.volts, busV)) return { minV: null, maxV: null };
  return windowOf(supply.low, supply.volts);
}
