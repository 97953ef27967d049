import {
  formatDuration,
  formatNumber,
  type Habit,
  type InverterDetail,
  namesOf,
  type Rare,
  showText,
} from '@joulemetric/core';
import { keepApart } from '../../commands/together.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';

/** Which loads kept apart shrink the inverter most: each habit with the size that then does and what it saves. */
export function Habits({ detail }: { detail: InverterDetail | null }) {
  const habits = detail?.habits;
  if (!habits || (habits.single.length === 0 && !habits.smallest && !habits.rare)) return null;
  const { smallest } = habits;
  const several = smallest && smallest.pairs.length > 1 ? smallest : null;
  return (
    <section aria-label="Habits" className="pt-5">
      <h3 className="border-b border-ink pb-1 text-body font-semibold">
        Which habit would shrink it{' '}
        <span className="num font-normal text-note text-ink-2">
          {showText(habits.ratingW, 'W')} as it stands; what is marked stands on the client’s card
        </span>
      </h3>
      {habits.rare && <RareLine rare={habits.rare} nowW={habits.ratingW} />}
      <ul>
        {habits.single.map((habit) => (
          <HabitRow key={habit.pairs.flat().join()} habit={habit} nowW={habits.ratingW} />
        ))}
        {several && <HabitRow habit={several} nowW={habits.ratingW} />}
      </ul>
      <p className="num pt-1 text-note text-ink-2">
        {smallest
          ? `${smallest.pairs.length === 1 ? 'One habit reaches' : `${smallest.pairs.length} habits reach`} the next smaller size${habits.proved ? ', none fewer do' : '; fewer may do, the search was cut short'}.`
          : habits.proved
            ? 'No four habits reach the next smaller size.'
            : 'No set of habits that reaches the next smaller size was found before the search was cut short.'}
      </p>
    </section>
  );
}

function RareLine({ rare, nowW }: { rare: Rare; nowW: number }) {
  const { job } = useJob();
  return (
    <p className="num border-b border-line py-1.5 text-number">
      {showText(nowW, 'W')} for {formatDuration(Math.round(rare.minutes * 10) / 10)} a day: nothing but{' '}
      {namesOf([rare.id], job.loads)} asks for it; without it {showText(rare.ratingW, 'W')} would do.
    </p>
  );
}

function HabitRow({ habit, nowW }: { habit: Habit; nowW: number }) {
  const { job, edit } = useJob();
  const { pairs, requiredW, ratingW, worth } = habit;
  const savedWh = habit.idleWh + habit.conversionWh;
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-x-4 border-b border-line py-1.5">
      <div>
        <p className="text-number">{pairs.map((pair) => `Not ${namesOf(pair, job.loads)} at once`).join('; ')}</p>
        <p className="num text-note text-ink-2">
          needs {showText(requiredW, 'W')}
          {ratingW < nowW
            ? `: ${showText(ratingW, 'W')} do instead of ${showText(nowW, 'W')}`
            : ', still the same size'}
          {ratingW < nowW &&
            `; ${showText(savedWh, 'Wh')} a day less idle and conversion, ${showText(worth.kg, 'kg', job.brief.region.units)} less${worth.money === null ? '' : `, ${formatNumber(worth.money)} ${job.brief.region.currency} of store and panel`}`}
        </p>
      </div>
      <Button onClick={() => edit(keepApart(pairs))}>{pairs.length === 1 ? 'Mark it' : 'Mark them'}</Button>
    </li>
  );
}
