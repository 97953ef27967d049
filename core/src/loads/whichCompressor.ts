import { pattern } from '../quantity/pattern.ts';
import type { Question } from '../quantity/question.ts';
import type { Proposal } from './proposal.ts';

/** Words that say whether its compressor is on or off, or driven as fast as is needed; or that its start is held down. */
const SAID = pattern(
  /(?<!\p{L})(?:inverter|inverterger[äa]t|variable|split|multi-?split|heat\s?pump|roof\s?top|roof|window|wall|portable|spot|hose|fixed|on[/-]off|soft\s?-?start(?:er)?|monobloc)(?!\p{L})/iu,
);
const AIR_CONDITIONER = pattern(
  /(?<!\p{L})(?:air\s?-?\s?con(?:ditioner|ditioning)?s?|air\s?co|a\/c|ac|klimaanlage|klimager(?:ät|aet)|climatis(?:ation|eur)|clim)(?!\p{L})/iu,
);

/**
 * An air conditioner on mains of which neither is said starts four times as strongly as it runs or hardly more: which of
 * them it is decides its inverter, so it is asked.
 */
export function whichCompressor(text: string, { load, appliance, label }: Proposal): Question[] {
  if (!load || !appliance?.id.startsWith('aircon-') || !load.path.startsWith('inverter')) return [];
  const saysStart = label?.startRatio != null || load.startRatio !== appliance.startRatio;
  if (saysStart || appliance.own || SAID.test(text)) return [];
  const named = AIR_CONDITIONER.exec(text);
  const found = named?.[0] ?? text.trim().split(/\s/)[0] ?? '';
  const start = text.indexOf(found);
  const choices = [`fixed-speed ${found}`, `inverter ${found}`];
  return [{ code: 'fixed-or-inverter', start, end: start + found.length, found, choices }];
}
