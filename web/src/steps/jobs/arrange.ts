import type { JobListing } from '../../edges/answers.ts';

export type Order = 'touched' | 'name' | 'need' | 'findings';

/** The jobs that have every word somewhere in name, client or vehicle, in the order that is asked for. */
export function arrange(jobs: readonly JobListing[], word: string, order: Order): JobListing[] {
  const words = word.toLowerCase().split(/\s+/).filter(Boolean);
  const found = jobs.filter(({ title, client, vehicle }) => {
    const text = `${title} ${client} ${vehicle}`.toLowerCase();
    return words.every((one) => text.includes(one));
  });
  return found.sort(BY[order]);
}

const number = (value: number | undefined): number => value ?? -1;

const BY: Readonly<Record<Order, (a: JobListing, b: JobListing) => number>> = {
  touched: (a, b) => b.updatedAt.localeCompare(a.updatedAt),
  name: (a, b) => a.title.localeCompare(b.title),
  need: (a, b) => number(b.summary?.needWh) - number(a.summary?.needWh),
  findings: (a, b) =>
    number(b.summary?.stops) - number(a.summary?.stops) || number(b.summary?.cautions) - number(a.summary?.cautions),
};
