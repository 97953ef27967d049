import type { Load } from '../job/schema.ts';
import { type Appliance, isFullyNamed } from '../reference/appliances.ts';
import { fitsBus, NAMEPLATE, windowOf } from '../reference/nameplates.ts';
import type { Bus } from './bus.ts';
import type { Fact } from './facts.ts';
import { chosenFeed, type Feed, feedsOf, highOf, isMains, lowOf } from './feeds.ts';
import type { Figure, Meaning } from './roles.ts';
import { figuresOf, otherMeaning } from './roles.ts';
import type { Said } from './said.ts';

/** What a text says of how much an appliance takes, of what feeds it, and of its start. */
export interface Power {
  /** W it takes in while it runs; null where nothing says it. */
  readonly powerW: number | null;
  /** How that came about, in words. */
  readonly because: string | null;
  /** Heat it moves, W. */
  readonly coolingW: number | null;
  readonly powerFactor: number | null;
  readonly startRatio: number | null;
  readonly supply: Supply | null;
  readonly path: Load['path'];
  readonly minV: number | null;
  readonly maxV: number | null;
}

/** What it must be fed with: mains, direct current, or what an adapter makes of the mains. */
export interface Supply {
  readonly kind: 'mains' | 'dc' | 'adapter';
  readonly volts: number;
  readonly low: number;
}

/** What watts may be of beside what is taken in: the question, what one of them is at the plug, and how it is said. */
const MEANS = {
  cooking: {
    code: 'cooking-or-input',
    factor: 1 / NAMEPLATE.cookingPerInput.value,
    says: 'cooking',
    note: 'cooking power ÷ 0.68: what it takes in is more',
  },
  shaft: {
    code: 'shaft-or-input',
    factor: 1 / NAMEPLATE.shaftPerInput.value,
    says: 'shaft',
    note: 'shaft power ÷ 0.7: what it takes in is more',
  },
  sound: {
    code: 'sound-or-input',
    factor: NAMEPLATE.inputPerSound.value,
    says: 'output',
    note: 'a quarter of the rated sound',
  },
  cooling: {
    code: 'cooling-or-input',
    factor: 1 / NAMEPLATE.coolingPerInput.value,
    says: 'cooling',
    note: 'cooling power ÷ 2.8',
  },
} as const;

/** Heat moved or given for each watt taken, at least and at most. From memory. */
const LEAST_MOVED = 0.8;
const MOST_MOVED = 8;
/** How far rounded figures may be apart and still be the same, share. */
const SAME = 0.05;

/** Watts, and what they were made of. */
interface Found {
  readonly powerW: number | null;
  readonly coolingW: number | null;
  readonly because: string | null;
  /** The figures that say it. */
  readonly by: readonly Fact[];
}
/** Roles of what it takes while it runs. */
const RUNS: ReadonlySet<Figure['role']> = new Set(['takes', 'plain', 'most']);
const NOTHING: Found = { powerW: null, coolingW: null, because: null, by: [] };

/** @param near types that the words fit about as well as `base` */
export function powerOf(said: Said, base: Appliance | null, near: readonly Appliance[], bus: Bus): Power {
  const figures = figuresOf(said, base);
  const of = (...roles: readonly Figure['role'][]) => figures.filter(({ role }) => roles.includes(role));
  said.all('frequency');
  const factor = said.one('factor')?.value ?? null;
  said.use(...of('heat').map(({ fact }) => fact));
  const feed = chosenFeed(said, feedsOf(figures), bus);
  const saysMains = said.saysMains || said.see('frequency').length > 0;
  const supply = supplyOf(said, feed, saysMains, bus);
  const mains = saysMains || supply?.kind === 'mains';

  const stated = statedWatts(said, base, near, figures, feed, mains);
  const amps = apparentOf(said, base, feed, supply, mains, bus);
  const onMains = mains || amps?.on === 'mains' || (supply === null && amps === null && isOfMains(base));
  const found =
    stated.powerW === null && stated.coolingW === null
      ? byApparent(stated, amps, factor, onMains)
      : withInput(stated, amps, factor, onMains);
  compare(said, stated, amps, factor, onMains);
  const heat = of('cooling').find(({ fact }) => fact.kind === 'cooling' || !stated.by.includes(fact)) ?? null;
  const coolingW = found.coolingW ?? (heat && stated.coolingW === null ? heat.fact.value : null);
  if (heat) said.use(heat.fact);
  if (heat && found.powerW !== null && (base === null || base.draw.kind === 'room')) unlikeHeat(said, heat.fact, found);
  asides(said, figures, found, supply?.volts ?? bus.busV);
  askLevel(said, found);
  const isVa = amps !== null && amps.kind === 'va';
  return {
    powerW: found.powerW,
    because: found.because,
    coolingW,
    powerFactor: factorOf(found, stated, amps, factor, onMains, isVa),
    startRatio: startOf(said, of('start', 'most'), found, amps, supply, onMains, bus),
    supply,
    ...pathOf(said, base, found, amps, supply, mains, bus),
  };
}

const isOfMains = (base: Appliance | null): boolean => (base?.path ?? '').startsWith('inverter');

/** What feeds it; null where nothing says it. */
function supplyOf(said: Said, feed: Feed | null, saysMains: boolean, bus: Bus): Supply | null {
  const volts = feed?.volts ?? null;
  if (feed?.isAdapter && volts) said.use(volts);
  if (feed?.isAdapter && volts) return { kind: 'adapter', volts: highOf(volts), low: lowOf(volts) };
  if (!volts) return saysMains ? { kind: 'mains', volts: bus.mainsV, low: bus.mainsV } : null;
  said.use(volts, ...(feed?.also ?? []));
  if (isMains(volts)) return { kind: 'mains', volts: highOf(volts), low: lowOf(volts) };
  if (saysMains && !said.feedsBoth && volts.second === undefined)
    said.ask('contradiction', [volts], [''], `${said.textOf(volts)} beside the mains`);
  const window = feed?.also.find(({ tag }) => tag === 'span') ?? volts;
  return { kind: 'dc', volts: highOf(window), low: lowOf(window) };
}

/** The watts that stand there, and what they are of. */
function statedWatts(
  said: Said,
  base: Appliance | null,
  near: readonly Appliance[],
  figures: readonly Figure[],
  feed: Feed | null,
  mains: boolean,
): Found {
  const own = feed?.watts ?? [];
  const plain = own.filter(({ role }) => role !== 'most');
  // "48 W max., avg 0.9 A": what it takes as a rule is said in amps.
  const isRule = ({ fact, role }: Figure) =>
    said.isPlate ? fact.marks?.includes('average') === true : role !== 'most';
  if (plain.length === 0 && own.length > 0 && feed?.amps.some(isRule)) return NOTHING;
  const written = plain.length > 0 ? plain : own;
  const inputs = written.filter(({ role }) => role === 'takes');
  const main = oneOf(said, inputs.length > 0 ? inputs : written);
  if (main === 'asked') return NOTHING;
  if (main) askShaftAgain(said, main, figures);
  const meanings = figures.filter((one): one is Figure & { role: Meaning } => one.role in MEANS);
  if (main) {
    said.use(main.fact);
    // Beside a stated input the other figure says what comes of it, and is read but not needed.
    const isClear = main.role === 'takes' || meanings.length > 0;
    said.use(...meanings.map(({ fact }) => fact));
    said.use(
      ...figures
        .filter(({ side, role }) => side === 'output' && RUNS.has(role) && feed?.side !== 'output')
        .map(({ fact }) => fact),
    );
    if (inputs.length > 0)
      said.use(
        ...written
          .filter(
            ({ role, fact }) =>
              role !== 'takes' && ((fact.marks ?? []).length > 0 || otherMeaning(said, base) !== null),
          )
          .map(({ fact }) => fact),
      );
    return ofMain(said, base, near, main, isClear || feed?.isAdapter === true, mains);
  }
  const [meant] = meanings.filter(({ role }) => role !== 'cooling' || meanings.length === 1);
  // Volts × amps or VA of a plate say it better than what comes of them.
  const byAmps =
    said.isPlate && /shaft|sound/.test(meant?.role ?? '') && (feed?.va.length || (feed?.volts && feed.amps.length));
  if (!meant || byAmps) {
    if (meant && meant.role === 'sound') said.use(meant.fact);
    return NOTHING;
  }
  said.use(meant.fact);
  return as(said, meant.role, meant.fact);
}

/** Of several unlike figures the one that is meant is asked. */
function oneOf(said: Said, those: readonly Figure[]): Figure | 'asked' | null {
  const [first] = those;
  if (!first) return null;
  const isAlike = ({ fact }: Figure) => Math.abs(highOf(fact) - highOf(first.fact)) <= highOf(first.fact) * SAME;
  if (those.every(isAlike) && said.isPlate) {
    said.use(...those.map(({ fact }) => fact));
    return those.reduce((most, one) => (highOf(one.fact) > highOf(most.fact) ? one : most));
  }
  if (those.length === 1) return first;
  said.askWhich(
    'second-figure',
    those.map(({ fact }) => fact),
  );
  return 'asked';
}

/** "1.5 HP 1.1 kW" is the shaft said twice, or what it takes in. */
function askShaftAgain(said: Said, { fact, role }: Figure, figures: readonly Figure[]): void {
  const alike = figures.find(
    (one) => one.fact.kind === 'shaft' && Math.abs(one.fact.value - fact.value) < fact.value * 0.1,
  );
  const own = said.textOf(fact);
  if (role === 'plain' && alike && said.see('apparent').length === 0)
    said.ask('shaft-or-input', [fact], [`${own} shaft`, `${own} input`]);
}

function as(said: Said, meaning: Meaning, fact: Fact): Found {
  const isSaid = fact.kind !== 'shaft' || (fact.marks ?? []).some((mark) => mark === 'shaft');
  const own = said.textOf(fact);
  if (!isSaid) said.ask('shaft-or-input', [fact], [`${own} shaft`, `${own} input`]);
  if (meaning === 'cooling') return { powerW: null, coolingW: fact.value, because: null, by: [fact] };
  const { factor, note } = MEANS[meaning];
  said.notes.push(note);
  return { powerW: fact.value * factor, coolingW: null, because: note, by: [fact] };
}

function ofMain(
  said: Said,
  base: Appliance | null,
  near: readonly Appliance[],
  main: Figure,
  isClear: boolean,
  mains: boolean,
): Found {
  const { fact } = main;
  const own = said.textOf(fact);
  const by = [fact];
  const meaning = isClear || fact.marks?.includes('average') ? null : otherMeaning(said, base);
  const other = said.isPlate && meaning !== 'cooking' ? null : meaning;
  if (other && fact.marks?.includes('output')) return as(said, other, fact);
  const powerW = readingOf(said, near, fact);
  if (other) said.ask(MEANS[other].code, [fact], [`${own} ${MEANS[other].says}`, `${own} input`]);
  else if (main.role !== 'takes' && base && isFarAbove(powerW, base, mains))
    said.ask('unlike-type', [fact], likelierThan(own, powerW, base));
  if (main.role === 'most') said.notes.push('the highest figure, for want of a usual one');
  return { powerW, coolingW: null, because: 'watts as written', by };
}

/** Watts of the number, of which a mark may group or divide; of a span the most, which is asked where it is no plate's. */
function readingOf(said: Said, near: readonly Appliance[], fact: Fact): number {
  if (fact.tag === 'settings' || (fact.tag === 'pair' && !said.see('voltage').some(({ tag }) => tag === 'pair'))) {
    const unit = said.textOf(fact).match(/k?w/gi)?.at(-1) ?? 'W';
    const choices = said
      .textOf(fact)
      .split('/')
      .map((one) => `${one.replace(/\s*k?w\s*$/i, '').trim()} ${unit}`);
    said.ask('second-figure', [fact], choices);
    return fact.value;
  }
  if (fact.second !== undefined) {
    const [low, high] = [lowOf(fact), highOf(fact)];
    if (!said.isPlate || (fact.tag === 'span' && high > low * WIDE)) askSpan(said, fact);
    return high;
  }
  if (fact.other === undefined) return fact.value;
  const fits = [fact.value, fact.other].filter((one) =>
    near.some((type) => isFullyNamed(type, said.words) && one >= type.lowW / 3 && one <= type.highW * 3),
  );
  if (fits.length === 1 && !said.isPlate) return fits[0] as number;
  const own = said.textOf(fact);
  const number = /\d+[.,]\d{3}/.exec(own)?.[0] ?? '';
  const choices = [number.replace(/[.,]/, ''), String(Number(number.replace(',', '.')))];
  said.ask(
    'two-readings',
    [fact],
    choices.map((one) => own.replace(number, one)),
  );
  return fact.value;
}

/** Times the lower end that the upper may be on a plate before it is asked about. From memory. */
const WIDE = 5;

function askSpan(said: Said, fact: Fact): void {
  const unit = fact.kind === 'power' ? 'W' : fact.kind === 'current' ? 'A' : 'VA';
  said.ask(
    'range',
    [fact],
    [lowOf(fact), highOf(fact)].map((one) => `${Number(one.toPrecision(6))} ${unit}`),
  );
}

/** Watts so far above what is usual for a type, and so many, that a slip or another thing is likelier. From memory. */
const FAR = 5;
const FAR_W = 250;
const FAR_MAINS_W = 1000;
/** W beyond which it cannot be taken at all, which is said instead. */
const MOST_W = 20_000;
const isFarAbove = (powerW: number, { highW }: Appliance, mains: boolean): boolean =>
  powerW >= (mains ? FAR_MAINS_W : FAR_W) && powerW <= MOST_W && powerW > FAR * highW;

/** What may have been meant: that it does take so much, or a tenth where that is usual. */
const likelierThan = (own: string, powerW: number, { lowW, highW }: Appliance): string[] => {
  const tenth = powerW / 10;
  return [`${own} input`, ...(tenth >= lowW / 3 && tenth <= highW * 3 ? [`${Number(tenth.toPrecision(4))} W`] : [])];
};

/** Volts × amps, or VA as they stand there. */
interface Apparent {
  readonly va: number;
  /** The least that it may be beside watts of the same text. */
  readonly least: number;
  readonly kind: 'va' | 'amps';
  readonly on: 'mains' | 'bus' | 'usb' | null;
  readonly by: readonly Fact[];
}

function apparentOf(
  said: Said,
  base: Appliance | null,
  feed: Feed | null,
  supply: Supply | null,
  mains: boolean,
  bus: Bus,
): Apparent | null {
  const rest = (those: readonly Figure[]) => {
    const usual = those.filter(({ role }) => role !== 'most');
    return usual.length > 0 ? usual : those;
  };
  const va = oneOf(said, rest(feed?.va ?? []));
  const amps = rest(feed?.amps ?? []);
  // Amps at most beside watts as a rule are no second way to say them.
  const isMost = amps.every(({ role }) => role === 'most') && (feed?.watts ?? []).some(({ role }) => role === 'takes');
  if (isMost && said.isPlate) said.use(...amps.map(({ fact }) => fact));
  const current = isMost ? null : oneOf(said, amps);
  if (va === 'asked' || current === 'asked') return null;
  if (current) said.use(current.fact);
  const byAmps = current && ampsAsVa(said, current.fact, feed?.volts ?? null, base, supply, mains, bus);
  if (!va) return byAmps;
  said.use(va.fact);
  const isUnlike =
    byAmps && byAmps.on === null && (va.fact.value < byAmps.least * 0.8 || va.fact.value > byAmps.va * 1.25);
  if (isUnlike && current)
    said.ask(
      'contradiction',
      [current.fact],
      [''],
      `${said.textOf(current.fact)} beside ${Math.round(va.fact.value)} VA`,
    );
  else if (current && byAmps && byAmps.on !== null) unusualAmps(said, current.fact, va.fact.value);
  return { va: va.fact.value, least: va.fact.value, kind: 'va', on: null, by: [va.fact] };
}

/** Volts that things are made for, and how far from them what comes of watts ÷ amps may be, share. From memory. */
const USUAL_V = [5, 12, 24, 36, 48, 115, 230] as const;
const NEAR_USUAL = 0.3;

/** Amps of which no volts stand there, beside watts that no usual volts would make. */
function unusualAmps(said: Said, amps: Fact, takesW: number): void {
  const isUsual = USUAL_V.some((volts) => Math.abs(takesW / amps.value - volts) <= NEAR_USUAL * volts);
  if (!isUsual) said.ask('second-figure', [amps], ['']);
}

/** V of a plain USB socket. */
const USB_V = 5;
/** How far from what is usual for a type watts may be and still be its own, as a factor. From memory. */
export const USUAL = 3;

/** Amps as VA: with the volts that stand there, or with those of the path, which is said. */
function ampsAsVa(
  said: Said,
  amps: Fact,
  volts: Fact | null,
  base: Appliance | null,
  supply: Supply | null,
  mains: boolean,
  { busV, mainsV }: Bus,
): Apparent {
  const value = highOf(amps);
  if (amps.tag === 'span' && (!said.isPlate || value > lowOf(amps) * WIDE)) askSpan(said, amps);
  if (volts) return ofVolts(volts, amps, supply?.kind === 'mains', busV);
  const usual = (watts: number) => base === null || (watts >= base.lowW / USUAL && watts <= base.highW * USUAL);
  const isMainsType = mains || isOfMains(base);
  // A mains type that would take far too much by the mains, and as much as it does by the bus, hangs on the bus.
  const onBus = !mains && !usual(mainsV * value) && usual(busV * value);
  const byUsb = (base === null || base.path === 'direct') && /\busb\b/i.test(said.words);
  const on = isMainsType && !onBus ? 'mains' : byUsb ? 'usb' : 'bus';
  const taken = { mains: mainsV, bus: busV, usb: USB_V }[on];
  const named = { mains: 'the mains', bus: 'the bus', usb: 'USB' }[on];
  said.notes.push(`${Number(value.toPrecision(4))} A × ${taken} V of ${named}`);
  return { va: value * taken, least: value * taken, kind: 'amps', on, by: [amps] };
}

/** Of two ways to feed it each has its amps; of a span of mains the lowest volts go with the amps, of direct current the highest. */
function ofVolts(volts: Fact, amps: Fact, mains: boolean, busV: number): Apparent {
  const by = [volts, amps];
  const both = [volts, amps].every(({ tag }) => tag === 'pair');
  const isSecond = both && fitsBus(volts.second ?? 0, volts.second ?? 0, busV);
  const products = both
    ? [isSecond ? (volts.second ?? 0) * (amps.second ?? 0) : volts.value * amps.value]
    : [lowOf(volts) * highOf(amps), highOf(volts) * highOf(amps)];
  const [least, most] = [Math.min(...products), Math.max(...products)];
  const isLowest = mains && !both && lowOf(volts) >= 50;
  return { va: isLowest ? least : most, least: isLowest ? least : least * 0.7, kind: 'amps', on: null, by };
}

/** Volts × amps or VA are what it takes, where no watts stand beside them. */
function byApparent(stated: Found, amps: Apparent | null, factor: number | null, mains: boolean): Found {
  if (!amps) return stated;
  const powerW = amps.va * (mains || amps.kind === 'va' ? (factor ?? 1) : 1);
  const what = amps.kind === 'va' ? (factor === null ? 'VA taken as watts' : 'VA') : 'volts × amps';
  return {
    powerW,
    coolingW: null,
    because: `${what}${factor !== null && mains ? ' × power factor' : ''}`,
    by: amps.by,
  };
}

/** Volts × amps beside watts of cooling are its input. */
function withInput(stated: Found, amps: Apparent | null, factor: number | null, mains: boolean): Found {
  if (stated.powerW !== null || !amps) return stated;
  const input = byApparent(NOTHING, amps, factor, mains);
  return { ...input, coolingW: stated.coolingW };
}

/** Watts against volts × amps or VA: of mains they may be less by the power factor, of direct current by the least voltage. */
function compare(said: Said, stated: Found, amps: Apparent | null, factor: number | null, mains: boolean): void {
  const [main] = stated.by;
  if (stated.powerW === null || stated.because !== 'watts as written' || !amps || !main) return;
  if (amps.on !== null) {
    const [current] = amps.by;
    if (current && said.isPlate) unusualAmps(said, current, stated.powerW);
    if (said.isPlate) return;
  }
  const slack = said.isPlate && amps.kind === 'amps' ? 0.5 : 1;
  const share = mains
    ? factor === null
      ? NAMEPLATE.leastPowerFactor.value * slack
      : factor * 0.9
    : amps.kind === 'va'
      ? NAMEPLATE.leastPowerFactor.value
      : amps.least < amps.va
        ? 1
        : 0.7;
  const most =
    Math.max(amps.va, ...(amps.by.length > 1 ? [highOf(amps.by[0] as Fact) * highOf(amps.by[1] as Fact)] : [])) *
    (said.isPlate && amps.kind === 'amps' ? 1.15 : 1.05);
  if (stated.powerW <= most && stated.powerW >= amps.least * share) return;
  const va = `${Math.round(amps.va)} VA`;
  if (said.isPlate) {
    said.ask('contradiction', [main], [`${Math.round(amps.va)} W`], `${said.textOf(main)} beside ${va}`);
    return;
  }
  said.askWhich('contradiction', [main, ...amps.by], 4, `${said.textOf(main)} beside ${va}`, [
    [main],
    amps.by.filter(({ kind }) => kind !== 'voltage'),
  ]);
}

function unlikeHeat(said: Said, heat: Fact, { powerW, by }: Found): void {
  const [figure] = by;
  if (powerW === null || !figure || (heat.value >= powerW * LEAST_MOVED && heat.value <= powerW * MOST_MOVED)) return;
  if (said.isPlate) {
    said.ask('contradiction', [heat], [''], `${said.textOf(heat)} beside ${Math.round(powerW)} W`);
    return;
  }
  said.askWhich(
    'second-figure',
    [heat, figure].sort((a, b) => a.from - b.from),
  );
}

/** W from which what heats is rated at its highest, so that a lower setting beside them takes less. From memory. */
const RATED_W = 500;

function askLevel(said: Said, { powerW, by }: Found): void {
  const [main] = by;
  const { tokens } = said.read;
  const at = tokens.findIndex(
    ({ cls, tag }, i) => cls === '!' && /^(?:low|middle)$/.test(tag) && i > (main?.from ?? 0),
  );
  if (!main || powerW === null || powerW < RATED_W || at < 0) return;
  const place = { from: at, to: at + 1 };
  said.ask('unread-rest', [place], [`(${said.textOf(place)})`, '']);
}

/** W of waiting above which they are worth a question: 12 Wh a day. From memory. */
const LEAST_STANDBY_W = 0.5;

/** What stands beside what it takes and is another load, or says the same again. */
function asides(said: Said, figures: readonly Figure[], found: Found, volts: number): void {
  const of = (role: Figure['role']) =>
    figures.filter((one) => one.role === role && !found.by.includes(one.fact)).map(({ fact }) => fact);
  for (const fact of of('standby')) {
    said.use(fact);
    if (fact.value * (fact.kind === 'current' ? volts : 1) > LEAST_STANDBY_W) said.ask('second-figure', [fact], ['']);
  }
  for (const fact of of('lamp')) said.askOut(fact);
  for (const fact of of('bulb')) {
    said.use(fact);
    if (found.powerW === null)
      said.ask('like-a-bulb', [fact], [`${Math.max(1, Math.round(fact.value * NAMEPLATE.ledPerBulb.value))} W`]);
  }
  for (const fact of of('shaft'))
    if (found.powerW !== null && fact.value > found.powerW * (1 + SAME))
      said.ask('contradiction', [fact], [''], `${said.textOf(fact)} beside ${Math.round(found.powerW)} W`);
}

function factorOf(
  found: Found,
  stated: Found,
  amps: Apparent | null,
  factor: number | null,
  mains: boolean,
  isVa: boolean,
): number | null {
  if (factor !== null) return Math.max(0.1, factor);
  if (!amps || found.powerW === null) return null;
  const isStated = stated.powerW !== null;
  if (!mains && !isVa) return null;
  if (amps.on !== null && isStated) return null;
  if (!isStated) return isVa && !found.because?.startsWith('VA') ? null : 1;
  return stated.powerW > amps.va ? 1 : Math.max(0.1, Math.min(1, stated.powerW / amps.va));
}

/** What it takes at its start, by what it runs on; null where none is said, or it is below that. */
function startOf(
  said: Said,
  starts: readonly Figure[],
  found: Found,
  amps: Apparent | null,
  supply: Supply | null,
  mains: boolean,
  bus: Bus,
): number | null {
  const [peak] = starts.map(({ fact }) => fact).filter((fact) => !found.by.includes(fact) && !said.isUsed(fact));
  const [times] = said.see('start-ratio').filter(({ value }) => value >= 1);
  if (times && !peak) {
    said.use(times);
    return Math.min(12, times.value);
  }
  if (!peak || found.powerW === null || found.powerW <= 0) return null;
  const volts = supply?.volts ?? (mains ? bus.mainsV : bus.busV);
  const takes = amps?.va ?? found.powerW;
  const isSame = peak.kind === 'current' && amps?.kind === 'amps';
  const ratio = isSame
    ? peak.value / highOf(amps.by.at(-1) as Fact)
    : (peak.value * (peak.kind === 'current' ? volts : 1)) / takes;
  if (ratio < 1) {
    if (said.isPlate) said.askOut(peak);
    return null;
  }
  said.use(peak);
  return Math.min(12, ratio);
}

/** Where it hangs, and the volts that it bears, for what hangs on the bus itself. */
function pathOf(
  said: Said,
  base: Appliance | null,
  { powerW, coolingW }: Found,
  amps: Apparent | null,
  supply: Supply | null,
  mains: boolean,
  { busV }: Bus,
): Pick<Power, 'path' | 'minV' | 'maxV'> {
  const none = { minV: null, maxV: null };
  if (supply?.kind === 'adapter') return { path: 'inverter-adapter', ...none };
  if (supply?.kind === 'dc') {
    const fits = fitsBus(supply.low, supply.volts, busV);
    return fits ? { path: 'direct', ...windowOf(supply.low, supply.volts) } : { path: 'dc-dc', ...none };
  }
  if (supply?.kind === 'mains' || mains)
    return { path: base?.path === 'inverter-adapter' ? base.path : 'inverter', ...none };
  if (amps?.on === 'usb') return { path: 'dc-dc', ...none };
  if (amps?.on === 'bus') return { path: base && !isOfMains(base) ? base.path : 'direct', ...none };
  if ((base?.path ?? 'direct') === 'direct' && said.isByUsb) return { path: 'dc-dc', ...none };
  if (base) return { path: base.path, ...none };
  const watts = powerW ?? (coolingW === null ? null : coolingW / NAMEPLATE.coolingPerInput.value);
  if (amps?.kind !== 'va' && (watts === null || watts <= NAMEPLATE.mainsFromW.value))
    return { path: 'direct', ...none };
  said.notes.push('taken for a mains appliance; write 12V if it is not');
  return { path: 'inverter', ...none };
}
