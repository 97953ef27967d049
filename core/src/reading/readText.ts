import { ASKED_RULES } from './askedRules.ts';
import { compiled, type Facts, factsOf } from './facts.ts';
import { marked } from './marks.ts';
import { QUANTITY_RULES, RATE_RULE } from './quantityRules.ts';
import { CLOCK_RULE, TIME_RULES } from './timeRules.ts';

const RULES = compiled([RATE_RULE, CLOCK_RULE, ...ASKED_RULES, ...TIME_RULES, ...QUANTITY_RULES]);

/** The facts of a text, each with the words beside it. Never throws. */
export const readText = (text: string): Facts => marked(factsOf(text, RULES));
