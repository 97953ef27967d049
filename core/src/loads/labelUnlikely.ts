import type { Question } from '../quantity/question.ts';
import { type LabelReading, type LabelToken, LEAST_MOVED, MOST_MOVED, type Quantity } from './labelReading.ts';

/** How far rounded figures of a plate may be apart and still be the same, share. */
const SAME = 0.05;

type Concluded = Pick<LabelReading, 'powerW' | 'apparentVa'>;

/** Figures of a plate that what was concluded from others cannot be true beside: each is asked about, none is dropped. */
export function unlikelyFigures(
  text: string,
  tokens: readonly LabelToken[],
  { powerW, apparentVa }: Concluded,
): Question[] {
  const of = (quantity: Quantity) => tokens.filter((token) => token.quantity === quantity);
  const beside = ({ start, end }: LabelToken, value: number, unit: string): Question => ({
    code: 'contradiction',
    start,
    end,
    found: `${text.slice(start, end)} beside ${Math.round(value)} ${unit}`,
    choices: [''],
  });
  const questions: Question[] = [];
  const [heat] = of('W cooling');
  const [shaft] = of('W shaft');
  const [va] = of('VA');
  if (powerW !== null && powerW > 0) {
    if (heat && (heat.high < powerW * LEAST_MOVED || heat.high > powerW * MOST_MOVED))
      questions.push(beside(heat, powerW, 'W'));
    if (shaft && shaft.high > powerW * (1 + SAME)) questions.push(beside(shaft, powerW, 'W'));
    if (va && apparentVa !== null && powerW > apparentVa * (1 + SAME)) questions.push(beside(va, powerW, 'W'));
  }
  return [...questions, ...unlikeDays(text, of('Wh/day'))];
}

/** "100 kWh a year" and "0.5 kWh/24 h": one of the two. */
function unlikeDays(text: string, days: readonly LabelToken[]): Question[] {
  const [first] = days;
  return days
    .filter(({ high }) => first && Math.abs(high - first.high) > first.high * SAME)
    .map(({ start, end }) => ({ code: 'second-figure', start, end, found: text.slice(start, end), choices: [''] }));
}
