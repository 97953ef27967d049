import { Choice } from '../../ui/Field.tsx';
import type { Order } from './arrange.ts';

const ORDERS = [
  { value: 'touched', label: 'Last touched' },
  { value: 'name', label: 'Name' },
  { value: 'need', label: 'Need' },
  { value: 'findings', label: 'Findings' },
] as const;

/** Finds a job by a word, and puts the list in another order. */
export function Finder({
  word,
  onWord,
  order,
  onOrder,
}: {
  word: string;
  onWord: (word: string) => void;
  order: Order;
  onOrder: (order: Order) => void;
}) {
  return (
    <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-b border-line py-2">
      <input
        type="search"
        aria-label="Find a job by a word"
        placeholder="Find by name, client or vehicle…"
        value={word}
        onChange={(event) => onWord(event.target.value)}
        className="min-h-8 w-[300px] border-b border-mark bg-transparent text-number focus:border-copper focus:outline-none phone:min-h-11 phone:w-full"
      />
      <Choice label="Order" value={order} options={ORDERS} onChange={onOrder} />
    </div>
  );
}
