/** Most of what goes into a lead that it can take: more resistance, and less goes in instead. From memory. */
const MOST_LOST = 0.5;

/** W lost in a lead into which so many go: R·(W ÷ V)², half of them at most. @param ohm there and back */
export const lostIn = (w: number, ohm: number, volts: number): number =>
  Math.min(MOST_LOST * w, ohm * (w / volts) ** 2);

/** W that enter a lead at whose end so many come out: w + R·(W ÷ V)² = W; where that cannot be, twice as many. */
export function intoLead(w: number, ohm: number, volts: number): number {
  const perW = ohm / volts ** 2;
  const root = 1 - 4 * perW * w;
  return perW * w < 1e-12 ? w : root > 0 ? (1 - Math.sqrt(root)) / (2 * perW) : 2 * w;
}

/** Ω of one lead that loses what several do together, each of which carries a share of all. */
export const togetherOhm = (leads: readonly { readonly ohm: number; readonly share: number }[]): number =>
  leads.reduce((sum, { ohm, share }) => sum + ohm * share ** 2, 0);
