import { pattern } from '../quantity/pattern.ts';
import type { Question } from '../quantity/question.ts';
import type { Reading } from '../quantity/token.ts';
import type { Appliance } from '../reference/appliances.ts';

/** What a line names, where that is no plain appliance. */
export interface Identity {
  /** The words that name it. */
  readonly words: string;
  readonly questions: readonly Question[];
  readonly isCharger: boolean;
  /** Whether it gives power or passes it on, and is no load at all. */
  readonly givesPower: boolean;
  /** Whether it charges this very store, when that was said. */
  readonly chargesStore: boolean | null;
}

const BATTERY = pattern(
  /(?<!\p{L})(?:batter(?:y|ies)(?:\s+(?:bank|pack)s?)?|accu(?:mulator)?s?|akkus?|batterie[ns]?|bater[ií]as?)(?!\p{L})/iu,
);
/** What charges a store of a vehicle, as against a phone's or a tool's charger. */
const STORE_CHARGER = pattern(
  /(?<!\p{L})(?:(?:leisure|house|service|auxiliary|mains|shore|hookup|lithium|lfp|agm|lead|dc\s*-?\s*dc|b2b|smart)\s+)*(?:batter(?:y|ies)\s+charger|dc\s*-?\s*(?:to\s*-?\s*)?dc\s+charger|b2b\s+charger|(?:mains|shore|hookup|leisure|house)\s+(?:battery\s+)?charger|(?:batterie)?ladeger[äa]t|chargeur(?:\s+de\s+batterie)?|(?:trickle|float)\s+charger|battery\s+(?:maintainer|conditioner|tender)|acculader|cargador\s+de\s+bater[ií]a)s?(?!\p{L})/iu,
);
const OF_STORE = pattern(/\s*(?:of|for)\s+(?:this|the)\s+store(?!\p{L})/iu);
const OF_ELSE = pattern(/\s*(?:of|for)\s+something\s+else(?!\p{L})/iu);

export function whatItIs(text: string, reading: Reading, base: Appliance | null): Identity {
  const words = reading.words
    .replace(pattern(/(?<!\p{L})(?:duty(?:\s*cycle)?|of the time|power factor)(?!\p{L})/giu), ' ')
    .replace(OF_STORE, ' ')
    .replace(OF_ELSE, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  const charger = STORE_CHARGER.exec(text);
  const named = charger !== null && !chargesOther(base, words.replace(STORE_CHARGER, ' '));
  if (charger && named) return aboutCharger(text, charger, words);
  const gives = givesPower(reading);
  // A drone's battery is what its charger fills.
  const isStore = isBattery(words) && !/charger/i.test(base?.name ?? '');
  const questions = isStore ? [aboutBattery(text, reading)] : gives ? [aboutSource(text)] : [];
  return { words, questions, isCharger: false, givesPower: gives, chargesStore: null };
}

const SORTS =
  '(?:(?:portable|folding|rigid|flexible|petrol|diesel|gas|lpg|back\\s?up|standby|emergency|small|big|roof|rooftop|pure\\s+sine|sine|mppt|pwm|solar|wind|hybrid|inverter)\\s+)*';
/** What brings power: never a load, whatever it says. */
const SOURCE = pattern(
  `^${SORTS}(?:(?:solar|pv|photovoltaic)\\s+(?:panel|module|array|blanket|suitcase|cell)s?|pv|generators?|gensets?|alternators?|wind\\s*(?:turbine|generator)s?)$`,
  'iu',
);
/** What passes it on: a load only by the little it takes itself. */
const CONVERTER = pattern(
  `^${SORTS}(?:(?:power\\s+)?inverters?|wechselrichter|onduleurs?|convertisseurs?|omvormers?|inversor(?:es)?|inverter\\s*[-/]?\\s*chargers?|(?:solar|charge|mppt|pwm)\\s+(?:charge\\s+)?(?:controller|regulator)s?|(?:(?:dual|main|master|dc|split|smart)\\s+)*(?:battery\\s+|charge\\s+|voltage\\s+sensitive\\s+)*(?:isolators?|isolation\\s+switch(?:es)?|(?:disconnect|master|changeover|transfer|battery)\\s+switch(?:es)?|disconnects?|relays?|combiners?|separators?|shunts?|bus\\s?bars?|distribution\\s+(?:panel|board|box|block)s?))$`,
  'iu',
);
/** What stands before figures on a plate. */
const SIDES = pattern(
  /(?<!\p{L})(?:rated|max|min|nominal|system|pv|model|type|input|output|in|out|ac|dc|eingang|ausgang|entr[ée]e|sortie|entrada|salida|ingang|uitgang)(?!\p{L})|[:;,=~⎓]/giu,
);
/** W and A that such a thing may take itself. From memory. */
const OWN_W = 60;
const OWN_A = 5;

/** Whether a line is of what gives power or passes it on, and is no load. */
export function givesPower(reading: Reading): boolean {
  const { tokens } = reading;
  const words = reading.words
    .replace(/\S*\d\S*/g, ' ')
    .replace(SIDES, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  if (SOURCE.test(words)) return true;
  return (
    CONVERTER.test(words) &&
    tokens.some(
      ({ kind, value }) =>
        (kind === 'power' && value > OWN_W) || (kind === 'current' && value > OWN_A) || kind === 'apparent',
    )
  );
}

const aboutSource = (text: string): Question => ({
  code: 'source',
  start: 0,
  end: text.length,
  found: text.trim(),
  choices: [],
});

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
function isBattery(words: string): boolean {
  const match = BATTERY.exec(words);
  if (!match || /power\s*bank/i.test(words)) return false;
  const after = words.slice(match.index + match[0].length).trim();
  return (
    after === '' ||
    pattern(/^(?:of|storage|bank|pack|system|capacity|li\p{L}*\d?|lfp|agm|gel|lead\S*)(?!\p{L})/iu).test(after)
  );
}

function aboutBattery(text: string, { tokens }: Reading): Question {
  const power = tokens.find(({ kind }) => kind === 'power');
  const place = power ?? { start: 0, end: text.length };
  const found = text.slice(place.start, place.end);
  // kW of a battery are kWh; then it is still no load.
  const meant = power
    ? [found.replace(/(k?)\s*w(?:atts?)?$/i, (_all, k: string) => ` ${k}Wh`).replace(/\s+/g, ' ')]
    : [];
  return { code: 'battery', ...place, found, choices: meant };
}

function aboutCharger(text: string, charger: RegExpExecArray, words: string): Identity {
  const chargesStore = OF_STORE.test(text) ? true : OF_ELSE.test(text) ? false : null;
  const start = charger.index;
  const end = start + charger[0].length;
  const questions: Question[] =
    chargesStore === null
      ? [
          {
            code: 'whose-store',
            start,
            end,
            found: charger[0],
            choices: [`${charger[0]} of this store`, `${charger[0]} of something else`],
          },
        ]
      : [];
  return { words, questions, isCharger: true, givesPower: false, chargesStore };
}
