import type { Found, Made, Rule } from './facts.ts';
import type { Token } from './lex.ts';
import type { QuestionCode } from './question.ts';

/** What can only be asked about: units that are not what they claim, signs, spans of time, numbers that may be two things. */

const asked = (code: QuestionCode, choices: readonly string[]): Made => ({ kind: 'asked', value: 1, code, choices });
const textOf = (tokens: readonly Token[]): string => {
  let text = '';
  for (const [i, token] of tokens.entries()) text += (i > 0 && !token.glued ? ' ' : '') + token.written;
  return text;
};
const first = (tokens: readonly Token[]): Token => tokens.find(({ cls }) => cls === 'N') as Token;

/** "45 W per day" are Wh, "5 A an hour" are amps. */
function perTime({ tokens, part }: Found): Made | null {
  const unit = tokens[1] as Token;
  const rest = part('t');
  const many = rest.find(({ cls }) => cls === 'N')?.value ?? 1;
  const last = rest.at(-1) as Token;
  const isDay = last.cls === 'd' || (last.unit?.worth === 60 && many === 24);
  const isHour = last.unit?.worth === 60 && many === 1;
  const number = first(tokens).text;
  const kilo = (unit.unit?.worth ?? 1) >= 1000 ? 'k' : '';
  switch (unit.cls) {
    case 'W':
      return isDay || isHour ? asked('power-per-time', [`${number} ${kilo}W${isDay ? 'h' : ''}`]) : null;
    case 'A':
      return isDay || isHour ? asked('current-per-time', [isDay ? `${number} Ah/day` : `${number} A`]) : null;
    case 'E':
      return isHour ? asked('energy-per-hour', [`${number} ${kilo}W`]) : null;
    default:
      return isHour ? asked('charge-per-hour', [`${number} A`]) : null;
  }
}

const negative = ({ tokens }: Found): Made => asked('negative', [textOf(tokens.slice(1))]);

/** "3-4 h", "30-40 %". */
function spanOf({ tokens }: Found): Made {
  const [low, high] = tokens.filter(({ cls }) => cls === 'N') as [Token, Token];
  const unit = tokens.at(-1) as Token;
  const written = (number: Token) => `${number.text}${unit.glued ? '' : ' '}${unit.written}`;
  return asked('range', [written(low), written(high)]);
}

/** What comes by the metre, or whose length is told. */
const LONG = /^(?:strip|cable|rope|lead|hose|tape|ribbon|awning|mast|pole|length|boat|van|reel|led|wire)s?$/;

/** "30m" of a kettle is half an hour, of a strip thirty metres; where nothing tells it is asked. */
function metresOrMinutes({ tokens, all, end }: Found): Made {
  const [number, unit] = tokens as [Token, Token];
  const isLong = all.some(({ text }) => LONG.test(text)) || /[@×]/.test(all[end]?.cls ?? '');
  if (isLong) return { kind: 'length', value: number.value * (unit.unit?.of === 'feet-or-minutes' ? 0.3048 : 1) };
  return asked('bare-number', [`${number.text} min`, `${number.text} ${unit.text === 'm' ? 'metres' : 'ft'}`]);
}

export const ASKED_RULES: readonly Rule[] = [
  [`N[WAEQ][pa/](?<t>N?T|d)`, perTime],
  ['¬N[WPAE]', negative],
  ['N[-r]NT|NT?[-]NT|NS?[-r]NS', spanOf],
  ['NM', metresOrMinutes],
  ['r[cs]|c(?=$)|\\?[dnk]?', ({ tokens }) => (/[?r]/.test(tokens[0]?.cls ?? '') ? asked('unread-word', ['']) : null)],
];
