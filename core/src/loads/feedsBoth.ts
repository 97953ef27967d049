import { pattern } from '../quantity/pattern.ts';

/** What makes one feed out of the other, or says that it may hang on either. */
const OR_BY = pattern(
  /(?<!\p{L})(?:or|and|adapt[eo]r|charger|psu|power\s+(?:supply|pack|brick)|transformer)(?!\p{L})|(?:v|[ad]c|mains)\s*\/|(?:in|out)put/iu,
);

/** Whether volts of a battery and the mains may stand beside each other: "12V or mains", "mains adapter 12V". */
export const feedsBoth = (text: string): boolean => OR_BY.test(text);

/** The same in words, where they may not. */
export const besideMains = (text: string, { start, end }: { readonly start: number; readonly end: number }): string =>
  `${text.slice(start, end)} beside the mains`;
