import type { Sky } from '../job/schema.ts';

/** Monthly mean clearness index K̄ (share of extraterrestrial sun that reaches the ground) for the usual words
 * for a sky. Common practice, figures from memory. */
export const SKY: Readonly<Record<Sky, { readonly name: string; readonly clearness: number }>> = {
  'very-clear': { name: 'very clear', clearness: 0.7 },
  'mostly-clear': { name: 'mostly clear', clearness: 0.6 },
  mixed: { name: 'mixed', clearness: 0.5 },
  cloudy: { name: 'cloudy', clearness: 0.4 },
  overcast: { name: 'overcast', clearness: 0.3 },
};
