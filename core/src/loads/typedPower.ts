import type { Load } from '../job/schema.ts';
import { pattern } from '../quantity/pattern.ts';
import type { Question } from '../quantity/question.ts';
import type { Reading, Token } from '../quantity/token.ts';
import { type Appliance, isFullyNamed } from '../reference/appliances.ts';
import { fitsBus, MAINS_FROM_V, NAMEPLATE, windowOf } from '../reference/nameplates.ts';
import { besideMains, feedsBoth } from './feedsBoth.ts';
import { LEAST_MOVED, MOST_MOVED } from './labelReading.ts';
import type { Bus } from './proposal.ts';

/** What a typed line says of an appliance's power and of what feeds it. */
/** Watts so far above what is usual for a type, and so many, that a slip or another thing is likelier. From memory. */
const FAR = 5;
const FAR_W = 250;
const FAR_MAINS_W = 1000;
/** W beyond which it cannot be taken at all, which is said instead. */
const MOST_W = 20_000;

const isFarAbove = (powerW: number, { highW }: Appliance, saysMains: boolean): boolean =>
  powerW >= (saysMains ? FAR_MAINS_W : FAR_W) && powerW <= MOST_W && powerW > FAR * highW;

/** What may have been meant: that it does take so much, or a tenth where that is usual. */
const likelierThan = (own: string, powerW: number, { lowW, highW }: Appliance): string[] => {
  const tenth = powerW / 10;
  return [`${own} input`, ...(tenth >= lowW / 3 && tenth <= highW * 3 ? [`${Number(tenth.toPrecision(4))} W`] : [])];
};

export interface TypedPower {
  /** W it takes in while it runs; null when the line does not say. */
  readonly powerW: number | null;
  /** Heat it moves, W, when that is what was typed. */
  readonly coolingW: number | null;
  readonly powerFactor: number | null;
  readonly path: Load['path'] | null;
  readonly minV: number | null;
  readonly maxV: number | null;
  readonly startRatio: number | null;
  readonly questions: readonly Question[];
  readonly notes: readonly string[];
  readonly used: readonly Token[];
}

/** Watts of cooking, cooling, sound or the shaft stand for others at the plug: which are meant is asked. */
const MEANS = {
  cooking: { code: 'cooking-or-input', factor: 1 / NAMEPLATE.cookingPerInput.value, note: 'cooking power ÷ 0.68' },
  shaft: { code: 'shaft-or-input', factor: 1 / NAMEPLATE.shaftPerInput.value, note: 'shaft power ÷ 0.7' },
  sound: { code: 'sound-or-input', factor: NAMEPLATE.inputPerSound.value, note: 'a quarter of the rated sound' },
  cooling: { code: 'cooling-or-input', factor: 1 / NAMEPLATE.coolingPerInput.value, note: 'cooling power ÷ 2.8' },
} as const;
type Meaning = keyof typeof MEANS;

const SOUND = new Set(['amplifier', 'speaker']);
/** What is sold by the watts of its sound, whatever type it is of. */
const BY_SOUND = pattern(/(?<!\p{L})(?:stereo|hi-?fi|sound\s?bar|head\s?unit|sub-?woofer|car\s+audio)s?(?!\p{L})/iu);

/** What unmarked watts of this appliance may mean beside its input; null when they are its input. */
function ambiguity(words: string, base: Appliance | null, token: Token): Meaning | null {
  if (token.kind === 'shaft') return 'shaft';
  if (/microwave/i.test(`${words} ${base?.name ?? ''}`)) return 'cooking';
  if (base?.draw.kind === 'room' && base.draw.mode === 'cooling') return 'cooling';
  if ((base && SOUND.has(base.id)) || BY_SOUND.test(words)) return 'sound';
  return null;
}

/** @param near types that the words fit about as well as `base` */
export function typedPower(
  text: string,
  reading: Reading,
  base: Appliance | null,
  near: readonly Appliance[],
  bus: Bus,
): TypedPower {
  const questions: Question[] = [];
  const notes: string[] = [];
  const used: Token[] = [];
  const of = (...kinds: readonly Token['kind'][]) => reading.tokens.filter(({ kind }) => kinds.includes(kind));
  const ask = (code: Question['code'], { start, end }: { start: number; end: number }, choices: readonly string[]) =>
    questions.push({ code, start, end, found: text.slice(start, end), choices });

  const volts = of('voltage');
  const factor = of('factor')[0]?.value ?? null;
  used.push(...of('factor').slice(0, 1), ...of('frequency'));
  const feeds = voltsOf(volts, bus);
  used.push(...feeds.used);
  const saysMains =
    feeds.mains || of('frequency').length > 0 || pattern(/(?<!\p{L})mains(?!\p{L})/iu).test(reading.words);

  const { usual, peak, notes: which } = usualOf([...of('power', 'shaft', 'current')]);
  notes.push(...which);
  const stated = usual.filter(({ kind }) => kind !== 'current');
  const amps = usual.filter(({ kind }) => kind === 'current');
  const input = stated.find(({ mark }) => mark === 'input');
  const main = input ?? stated[0] ?? null;
  // Beside a stated input the other figure says what comes of it, and is read but not needed.
  if (input)
    used.push(...stated.filter((one) => one.mark !== undefined || ambiguity(reading.words, base, one) !== null));
  else if (stated.length > 1) askWhich(text, stated, questions, used);
  for (const bulb of of('power').filter(({ mark }) => mark === 'equivalent')) {
    used.push(bulb);
    if (!main) ask('like-a-bulb', bulb, [`${Math.max(1, Math.round(bulb.value * NAMEPLATE.ledPerBulb.value))} W`]);
  }

  let powerW: number | null = null;
  let coolingW: number | null = null;
  const heat = of('cooling')[0] ?? null;
  if (main) {
    used.push(main);
    powerW = main.value;
    if (main.other !== undefined) {
      const fits = [main.value, main.other].filter((one) =>
        near.some((type) => isFullyNamed(type, reading.words) && one >= type.lowW / 3 && one <= type.highW * 3),
      );
      if (fits.length === 1) powerW = fits[0] as number;
      else ask('two-readings', main, readingsAsText(text, main));
    }
    // Beside Btu/h or watts of cooling, other watts are its input.
    const meaning = main === input || (heat && main.mark === undefined) ? null : meaningOf(main, reading.words, base);
    if (meaning === 'ask') {
      const what = ambiguity(reading.words, base, main) as Meaning;
      const own = text.slice(main.start, main.end);
      const said = { cooking: 'cooking', shaft: 'shaft', sound: 'output', cooling: 'cooling' }[what];
      ask(MEANS[what].code, main, [`${own} ${said}`, `${own} input`]);
    } else if (meaning === 'cooling') {
      coolingW = powerW;
      powerW = null;
    } else if (meaning) {
      notes.push(MEANS[meaning].note);
      powerW *= MEANS[meaning].factor;
    }
    if (meaning !== 'ask' && main !== input && base && powerW !== null && isFarAbove(powerW, base, saysMains))
      ask('unlike-type', main, likelierThan(text.slice(main.start, main.end), powerW, base));
  }
  if (heat) {
    used.push(heat);
    coolingW ??= heat.value;
  }

  const va = of('apparent')[0] ?? null;
  if (va) used.push(va);
  const [current] = amps;
  if (amps.length > 1) askWhich(text, amps, questions, used);
  if (current) used.push(current);
  const byAmps = current ? ampsAsVa(current, feeds.volts, base, reading.words, saysMains, bus, notes) : null;
  const apparent = va?.value ?? byAmps?.va ?? null;
  const mains =
    saysMains ||
    byAmps?.on === 'mains' ||
    (!byAmps && feeds.volts === null && (base?.path ?? '').startsWith('inverter'));
  let powerFactor = factor;
  if (apparent !== null && powerW !== null && coolingW === null) {
    const most = apparent * 1.05;
    const least = apparent * (mains ? (factor === null ? NAMEPLATE.leastPowerFactor.value : factor * 0.9) : 0.7);
    if ((powerW > most || powerW < least) && main)
      contradiction(text, [main, ...(va ? [va] : [...feeds.used, ...amps])], main, apparent, questions);
    else if (mains) powerFactor ??= Math.min(1, powerW / apparent);
  }
  // Volts × amps beside watts of cooling are its input.
  if (powerW === null && apparent !== null) {
    powerW = apparent * (mains ? (factor ?? 1) : 1);
    powerFactor ??= mains && va === null ? 1 : null;
  }
  // What burns something warms with more than it takes.
  const figure = main ?? current ?? va;
  if (heat && figure && powerW !== null && (base === null || base.draw.kind === 'room'))
    if (heat.value < powerW * LEAST_MOVED || heat.value > powerW * MOST_MOVED)
      askWhich(
        text,
        [heat, figure].sort((a, b) => a.start - b.start),
        questions,
        used,
      );
  const peakVa = peak && peak.value * (peak.kind === 'current' ? (feeds.volts ?? (mains ? bus.mainsV : bus.busV)) : 1);
  const byPeak = peak && powerW ? startOf(peak, (peakVa as number) / (apparent ?? powerW), used) : null;
  const [times] = byPeak === null ? of('start-ratio') : [];
  const startRatio = times ? startOf(times, times.value, used) : byPeak;

  // Amps that were taken at the volts of the bus hang on it.
  const taken = byAmps?.on === 'usb' ? ('dc-dc' as const) : byAmps?.on === 'bus' ? (fedByBus(base) ?? 'direct') : null;
  const path = feeds.path ?? (saysMains ? mainsPath(base) : taken);
  const [bare] = feeds.used;
  if (saysMains && bare && !feeds.mains && volts.length === 1 && !feedsBoth(text))
    questions.push({
      code: 'contradiction',
      start: bare.start,
      end: bare.end,
      found: besideMains(text, bare),
      choices: [''],
    });
  return {
    powerW,
    coolingW,
    powerFactor: powerFactor === null ? null : Math.max(0.1, powerFactor),
    path:
      path ??
      unsaidPath(
        base,
        reading.words,
        powerW ?? (coolingW === null ? null : coolingW / NAMEPLATE.coolingPerInput.value),
        notes,
      ),
    ...feeds.window,
    startRatio,
    questions,
    notes,
    used,
  };
}

function meaningOf(main: Token, words: string, base: Appliance | null): Meaning | 'ask' | null {
  // What it takes in the mean is what it takes in.
  if (main.mark === 'average') return null;
  const unclear = ambiguity(words, base, main);
  if (main.mark === 'cooking') return 'cooking';
  if (main.mark === 'cooling') return 'cooling';
  if (main.mark === 'shaft') return 'shaft';
  if (main.mark === 'output') return unclear;
  if (main.mark === 'sound') return 'sound';
  return unclear === null ? null : 'ask';
}

const startOf = (peak: Token, ratio: number, used: Token[]): number | null => {
  // A peak below what it takes as a rule is asked about.
  if (ratio < 1) return null;
  used.push(peak);
  return Math.min(12, ratio);
};

/**
 * Of the watts and amps those that it takes as a rule, and what it takes at most: a highest figure is the start beside
 * others, and what it takes for want of another.
 */
function usualOf(all: readonly Token[]): {
  readonly usual: readonly Token[];
  readonly peak: Token | null;
  readonly notes: readonly string[];
} {
  const high = ({ mark }: Token) => mark === 'peak' || mark === 'most';
  const rest = all.filter((token) => !high(token) && token.mark !== 'equivalent');
  const highest = all.filter(high);
  if (rest.length > 0) return { usual: rest, peak: highest[0] ?? null, notes: [] };
  const most = highest.filter(({ mark }) => mark === 'most');
  const peak = highest.find((token) => !most.includes(token)) ?? null;
  return { usual: most, peak, notes: most.length > 0 ? ['the highest figure, for want of a usual one'] : [] };
}

interface Feeds {
  readonly volts: number | null;
  readonly mains: boolean;
  readonly path: Load['path'] | null;
  readonly window: { readonly minV: number | null; readonly maxV: number | null };
  readonly used: readonly Token[];
}

/** One voltage, or a device that takes several: what of it the bus or the mains is. */
function voltsOf(volts: readonly Token[], bus: Bus): Feeds {
  const none = { minV: null, maxV: null };
  const [first] = volts;
  if (!first) return { volts: null, mains: false, path: null, window: none, used: [] };
  const isMains = ({ value, current }: Token) => current === 'ac' || (current !== 'dc' && value >= MAINS_FROM_V);
  if (isMains(first)) return { volts: first.value, mains: true, path: 'inverter', window: none, used: [first] };
  // "12V 24V": a device for either; what is not of its own kind is asked about as a second figure.
  const own = volts.filter((token) => !isMains(token) && [12, 24, 36, 48].includes(token.value));
  const all = own.length > 1 ? own : [first];
  const [low, high] = [Math.min(...all.map(({ value }) => value)), Math.max(...all.map(({ value }) => value))];
  const fits = fitsBus(low, high, bus.busV);
  const nominal = all.every(({ value }) => [12, 24, 36, 48].includes(value));
  return {
    volts: all.find(({ value }) => fitsBus(value, value, bus.busV))?.value ?? high,
    mains: false,
    path: fits ? 'direct' : 'dc-dc',
    window: fits && nominal ? windowOf(low, high) : none,
    used: all,
  };
}

/** What amps come to, and what they were taken to hang on when no volts stand beside them. */
interface Amps {
  readonly va: number;
  readonly on: 'mains' | 'bus' | 'usb' | null;
}

/** V of a plain USB socket. */
const USB_V = 5;
/** How far from what is usual for a type watts may be and still be its own, as a factor. From memory. */
export const USUAL = 3;

/** Amps as VA: with the volts that stand there, or with those of the path, which is said. */
export function ampsAsVa(
  { value }: Pick<Token, 'value'>,
  volts: number | null,
  base: Appliance | null,
  words: string,
  saysMains: boolean,
  { busV, mainsV }: Bus,
  notes: string[],
): Amps {
  if (volts !== null) return { va: volts * value, on: null };
  const usual = (watts: number) => base === null || (watts >= base.lowW / USUAL && watts <= base.highW * USUAL);
  const isMains = saysMains || (base?.path ?? 'direct').startsWith('inverter');
  // A mains type that would take far too much by the mains, and as much as it does by the bus, hangs on the bus.
  const onBus = !saysMains && !usual(mainsV * value) && usual(busV * value);
  const on =
    isMains && !onBus
      ? 'mains'
      : (base === null || base.path === 'direct') && pattern(/(?<!\p{L})usb(?!\p{L})/iu).test(words)
        ? 'usb'
        : 'bus';
  const taken = { mains: mainsV, bus: busV, usb: USB_V }[on];
  const named = { mains: 'the mains', bus: 'the bus', usb: 'USB' }[on];
  notes.push(`${Number(value.toPrecision(4))} A × ${taken} V of ${named}`);
  return { va: value * taken, on };
}

/** Of two figures of one kind one must go: each may be the one. */
function askWhich(text: string, tokens: readonly Token[], questions: Question[], used: Token[]): void {
  used.push(...tokens);
  const start = Math.min(...tokens.map((token) => token.start));
  const end = Math.max(...tokens.map((token) => token.end));
  const choices = tokens.map((kept) =>
    without(
      text,
      start,
      end,
      tokens.filter((token) => token !== kept),
    ),
  );
  questions.push({ code: 'second-figure', start, end, found: text.slice(start, end), choices });
}

function contradiction(
  text: string,
  tokens: readonly Token[],
  main: Token,
  apparent: number,
  questions: Question[],
): void {
  const start = Math.min(...tokens.map((token) => token.start));
  const end = Math.max(...tokens.map((token) => token.end));
  const amps = tokens.filter(({ kind }) => kind === 'current' || kind === 'apparent');
  questions.push({
    code: 'contradiction',
    start,
    end,
    found: `${text.slice(main.start, main.end)} beside ${Math.round(apparent)} VA`,
    choices: [without(text, start, end, [main]), without(text, start, end, amps)],
  });
}

/** A stretch of the text with some of its quantities taken out. */
export function without(text: string, start: number, end: number, tokens: readonly Token[]): string {
  let kept = '';
  for (let i = start; i < end; i++) if (!tokens.some((token) => i >= token.start && i < token.end)) kept += text[i];
  return kept.replace(/\s+/g, ' ').replace(/^[\s,;/]+|[\s,;/]+$/g, '');
}

/** "2.400 W" as "2400 W" and as "2.4 W". */
function readingsAsText(text: string, token: Token): string[] {
  const own = text.slice(token.start, token.end);
  const number = /\d+[.,]\d{3}/.exec(own)?.[0] ?? '';
  return [number.replace(/[.,]/, ''), String(Number(number.replace(',', '.')))].map((one) => own.replace(number, one));
}

const fedByBus = (base: Appliance | null): Load['path'] | null =>
  base && !base.path.startsWith('inverter') ? base.path : null;

const mainsPath = (base: Appliance | null): Load['path'] =>
  base?.path === 'inverter-adapter' ? base.path : 'inverter';

/** What is plugged into a USB socket, which is a converter; the socket itself hangs on the bus. */
const BY_USB = pattern(
  /(?<!\p{L})usb(?:-?[ac])?(?!\p{L})(?!\s*(?:(?:pd|car|dual|fast)\s+)*(?:sockets?|outlets?|chargers?|ports?|panels?|hubs?))/iu,
);

/** Nobody said what feeds it: as its type usually is; what is unknown and strong hangs on the inverter, and it is said. */
function unsaidPath(base: Appliance | null, words: string, powerW: number | null, notes: string[]): Load['path'] {
  if ((base?.path ?? 'direct') === 'direct' && BY_USB.test(words)) return 'dc-dc';
  if (base) return base.path;
  if (powerW === null || powerW <= NAMEPLATE.mainsFromW.value) return 'direct';
  notes.push('taken for a mains appliance; write 12V if it is not');
  return 'inverter';
}
