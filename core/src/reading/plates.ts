import type { Fact, Facts } from './facts.ts';

/** What stands on a plate, and what of it is not about this very machine's use. */

const SIGNED = /[~∿⎓⏛]/;
const HEADING =
  /^(?:i\/p|o\/p|eingang|ausgang|entrée|entree|sortie|entrada|salida|primary|pri|secondary|lra|rla|fla|model)$/;

/** Whether a text looks like a plate rather than a typed line. */
export function looksLikePlate({ tokens }: Facts): boolean {
  const classes = tokens.map(({ cls }) => cls).join('');
  if (/\n|NN?Z/.test(classes)) return true;
  if (
    /![:=]|!θ*[~=]?N(?:[-/]N)?V/.test(classes) &&
    tokens.some(
      ({ cls, tag }, i) =>
        cls === '!' &&
        /^(?:input|output)$/.test(tag) &&
        /^(?:![:=]|!θ*[~=]?N(?:[-/]N)?V)/.test(classes.slice(i)) &&
        !/hp$/.test(tokens[i - 1]?.text ?? ''),
    )
  )
    return true;
  if (tokens.some(({ text, cls }) => HEADING.test(text) || (cls !== 'z' && SIGNED.test(text)))) return true;
  // "100-240 V", "12/24 V".
  return [...classes.matchAll(/NV?[-/]NV/g)].some(({ index }) => (tokens[index]?.value ?? 0) >= 5);
}

/** What a plate says in minutes of itself: a timer's span, how long it may run without a rest. */
const NO_USE =
  /timer|auto\W?off|\b(?:kb|s[236]|ed)\b|kurz\S*betrieb|short\W?time|continuous|rest|inter\S*val|intermittent|\son\b.*\soff\b/i;
/** "12 kg/24 h", "3 l / h": a rate, not how long it runs; "0–180 min": a timer's span. */
const OF_A_RATE = /[a-z³]\s*\/\s*$|\d\s*[-–]\s*$/i;
/** Shares that a plate tells of what it is: how efficient, how moist the air may be. */
const QUALITY = /(?:eff\w*\.?|η|humidity|rh|thd|wirkungsgrad|rendement|±)[\s:=<>≤≥]*$/i;
const QUALITY_AFTER = /^\s*(?:eff|rh\b|humidity|thd)/i;
/** Minutes below which a length on a plate is of a start. From memory. */
const LEAST_USE_MIN = 1 / 6;

/** Whether a fact of a plate is about something else than how this machine is used. */
export function isAside({ text, tokens }: Facts, { kind, value, from, to }: Fact): boolean {
  const [start, end] = [tokens[from]?.start ?? 0, tokens[to - 1]?.end ?? 0];
  const [before, after] = [text.slice(0, start), text.slice(end)];
  if (kind === 'share') return QUALITY.test(before) || QUALITY_AFTER.test(after);
  if (kind !== 'duration' && kind !== 'every' && kind !== 'times' && kind !== 'clock') return false;
  if (OF_A_RATE.test(before) || (kind === 'duration' && value < LEAST_USE_MIN)) return true;
  const line = text.lastIndexOf('\n', start - 1) + 1;
  const to2 = text.indexOf('\n', end);
  return NO_USE.test(text.slice(Math.max(line, start - 30), to2 < 0 ? end + 30 : Math.min(to2, end + 30)));
}
