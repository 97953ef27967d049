import { type Appliance, isFullyNamed, nearMatches } from '../reference/appliances.ts';
import type { Fact } from './facts.ts';
import type { OfStep } from './question.ts';
import type { Said } from './said.ts';

/** What a text names, where that is no plain appliance: it gives power, passes it on, stores it or charges a store. */

export interface Identity {
  /** Where it belongs, when it is no load. */
  readonly step: OfStep | null;
  readonly isCharger: boolean;
  /** Whether it charges this very store, when that was said. */
  readonly chargesStore: boolean | null;
}

/** Words that say of what sort it is, before what it is called. */
const SORTS: ReadonlySet<string> = new Set(
  'portable suitcase folding rigid flexible petrol diesel gas lpg backup back up standby emergency small big roof rooftop pure modified sine wave mppt pwm solar wind hybrid inverter mono monocrystalline polycrystalline the a my dual main master dc split smart power series brushless running output input'.split(
    ' ',
  ),
);
/** What each of them is called. */
const NAMES: readonly (readonly [OfStep, RegExp])[] = [
  [
    'solar',
    /^(?:(?:solar|pv|photovoltaic)\s*-?(?:panel|module|array|blanket|suitcase|cell|generator)s?|panels|pv(?: array)?|solarmodul|solarpanel|panneau solaire|solar)$/,
  ],
  ['generator', /^(?:generators?|gensets?|stromerzeuger|groupe [ée]lectrog[èe]ne)$/],
  ['solar', /^wind\s*(?:turbine|generator)s?$/],
  ['alternator', /^(?:alternators?|lichtmaschine|alternateur)$/],
  ['station', /^power\s*stations?$/],
  [
    'controller',
    /^(?:(?:solar|charge|mppt|pwm)\s+)+(?:charge\s+)?(?:controller|regulator)s?$|^(?:mppt|solarladeregler|laderegler)$/,
  ],
  ['dcdc', /^(?:dc\s*-?\s*(?:to\s*-?\s*)?dc(?:\s+converter)?|b2b)$/],
  [
    'shore',
    /^(?:shore(?:\s*power)?|(?:mains |electric |site )?hook-?\s?up|ehu|(?:camp\s?)?site(?: (?:supply|power|socket|hookup))?|landstrom)$/,
  ],
  [
    'inverter',
    /^(?:(?:power\s+|combi )?inverters?|wechselrichter|onduleurs?|convertisseurs?|omvormers?|inversor(?:es)?|inverter\s*[-/]?\s*chargers?)$/,
  ],
  [
    'wiring',
    /^(?:(?:battery|charge|voltage sensitive)\s+)*(?:isolators?|isolation switch(?:es)?|(?:disconnect|master|changeover|transfer|battery) switch(?:es)?|disconnects?|relays?|combiners?|separators?|shunts?|bus\s?bars?|distribution (?:panel|board|box|block)s?)$/,
  ],
];

/** Its step, by its name without the words before it that say of what sort it is. */
function named(words: string): OfStep | null {
  let left = words.toLowerCase();
  for (;;) {
    const step = NAMES.find(([, name]) => name.test(left))?.[0];
    if (step) return step;
    const [first = '', rest] = left.split(/[\s-]+(.*)/s);
    if (!rest || !SORTS.has(first)) return null;
    left = rest;
  }
}
/** What is a load by the little it takes itself. */
const PASSES: ReadonlySet<OfStep> = new Set(['controller', 'inverter', 'wiring']);
/** W and A that such a thing may take itself. From memory. */
const OWN_W = 60;
const OWN_A = 5;

const BATTERY =
  /\b(?:(?:house |battery )?(?:bank|store)s?|batter(?:y|ies)(?:\s+(?:bank|pack)s?)?|accu(?:mulator)?s?|akkus?|batterie[ns]?|bater[ií]as?|lifepo4|lfp|agm)\b/i;
const STORAGE =
  /^(?:of|storage|bank|pack|system|capacity|li\w*|lfp|agm|gel|lead\S*|deep|cycle|leisure|house|starter)\b/i;
/** What charges a store of a vehicle, as against a phone's or a tool's charger. */
const STORE_CHARGER =
  /\b(?:(?:leisure|house|service|auxiliary|mains|shore|hookup|lithium|lfp|agm|lead|dc\s*-?\s*dc|b2b|smart)\s+)*(?:batter(?:y|ies)\s+charger|dc\s*-?\s*(?:to\s*-?\s*)?dc\s+(?:battery\s+)?charger|b2b\s+charger|(?:mains|shore|hookup|leisure|house)\s+(?:battery\s+)?charger|(?:batterie)?ladeger[äa]t|chargeur(?:\s+de\s+batterie)?|(?:trickle|float)\s+charger|battery\s+(?:maintainer|conditioner|tender)|acculader|cargador\s+de\s+bater[ií]a)s?\b/i;
const OF_STORE = /\s*(?:of|for)\s+(?:this|the)\s+store\b/i;
const OF_ELSE = /\s*(?:of|for)\s+something\s+else\b/i;
const NO_CHARGER = { isCharger: false, chargesStore: null };

export const withoutStore = (words: string): string => words.replace(OF_STORE, ' ').replace(OF_ELSE, ' ').trim();

export function identityOf(said: Said, base: Appliance | null): Identity {
  const words = withoutStore(said.words);
  const { text } = said.read;
  const charger = STORE_CHARGER.exec(text);
  if (charger && !chargesOther(base, words.replace(STORE_CHARGER, ' '))) {
    const chargesStore = OF_STORE.test(text) ? true : OF_ELSE.test(text) ? false : null;
    if (chargesStore === null) askWhose(said, charger);
    return { step: null, isCharger: true, chargesStore };
  }
  const step = stepOf(said, words);
  // A drone's battery is what its charger fills.
  const isStore =
    step === null &&
    (isBattery(said, words) || isBattery(said, plain(leading(said)))) &&
    !/charger/i.test(base?.name ?? '');
  if (isStore) askBattery(said);
  else if (step)
    said.questions.push({ code: 'source', start: 0, end: text.length, found: text.trim(), choices: [], step });
  return { ...NO_CHARGER, step: isStore ? 'battery' : step };
}

/** Words before the first figure. */
function leading({ read: { text, tokens, facts } }: Said): string {
  const first = Math.min(tokens.length, ...facts.filter(({ kind }) => kind !== 'count').map(({ from }) => from));
  return text.slice(
    facts[0]?.kind === 'count' && facts[0].from === 0 ? (tokens[facts[0].to]?.start ?? 0) : 0,
    tokens[first]?.start,
  );
}

const plain = (words: string): string =>
  words
    .replace(/\S*\d\S*/g, ' ')
    .replace(/[^\p{L}\p{N}\s/-]/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();

function stepOf(said: Said, words: string): OfStep | null {
  const step = named(plain(words)) ?? named(plain(leading(said)));
  if (!step || !PASSES.has(step)) return step;
  const idles = said.facts.some(({ marks = [] }) => marks.includes('standby'));
  const isOwn = ({ kind, value }: Fact) =>
    (kind === 'power' && value <= OWN_W) || (kind === 'current' && value <= OWN_A);
  return idles || said.facts.some(isOwn) ? null : step;
}

/** A charger of a phone, a drone, a tool: what is left of its words says whose. */
function chargesOther(base: Appliance | null, rest: string): boolean {
  if (!base || !/charger/i.test(base.name)) return false;
  const known = `${base.name} ${base.words.join(' ')}`.toLowerCase().split(/[^\p{L}\p{N}]+/u);
  return rest
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .some((word) => word !== '' && word !== 'battery' && word !== 'charger' && known.includes(word));
}

/** "5 kW battery", "battery bank 200 Ah", "lithium battery": the thing itself, not what runs on one. */
function isBattery(said: Said, words: string): boolean {
  const match = BATTERY.exec(words) ?? (said.see('charge').length > 0 ? /lithium|lead/i.exec(words) : null);
  if (!match || /power\s*bank/i.test(words)) return false;
  const after = words.slice(match.index + match[0].length).trim();
  // A laptop's battery is what the laptop charges.
  const owner = words.slice(0, match.index).replace(STORAGE, ' ').trim();
  if (owner !== '' && nearMatches(owner, []).some(({ appliance }) => isFullyNamed(appliance, owner))) return false;
  return after === '' || STORAGE.test(after) || (said.isPlate && said.see('charge').length > 0);
}

function askBattery(said: Said): void {
  const [power] = said.see('power');
  const { text } = said.read;
  // kW of a battery are kWh; then it is still no load.
  const found = power ? said.textOf(power) : text;
  const meant = power
    ? [found.replace(/(k?)\s*w(?:atts?)?$/i, (_all, k: string) => ` ${k}Wh`).replace(/\s+/g, ' ')]
    : [];
  const place = power ? said.placeOf(power) : { start: 0, end: text.length };
  said.questions.push({ code: 'battery', ...place, found, choices: meant, step: 'battery' });
}

function askWhose(said: Said, { 0: found, index }: RegExpExecArray): void {
  const choices = [`${found} of this store`, `${found} of something else`];
  said.questions.push({ code: 'whose-store', start: index, end: index + found.length, found, choices });
}
