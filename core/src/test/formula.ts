import type { Figure } from '../quantity/figure.ts';

/** What the formula of a figure comes to by an independent evaluator; null where it says more than arithmetic. */
export function workedOut({ working: { formula, inputs } }: Pick<Figure, 'working'>): number | null {
  if (!/^[-\d\s{}\w()×÷+−.]+$/.test(formula) || !formula.includes('{')) return null;
  if (/(?<!\{)\b[a-zA-Z]{2,}\b(?!\})/.test(formula)) return null;
  const expression = formula
    .replace(/\{(\w+)\}/g, (_, symbol) => `(${inputs.find((input) => input.symbol === symbol)?.value})`)
    .replaceAll('×', '*')
    .replaceAll('÷', '/')
    .replaceAll('−', '-');
  return Number(new Function(`return ${expression}`)());
}
