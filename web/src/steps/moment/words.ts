import { type Inverter, type SizeChoice, showText, type Trip } from '@joulemetric/core';

/** What a kind of inverter does, in the client's words. */
export const FORM_WORDS: Readonly<Record<Inverter['form'], { readonly name: string; readonly what: string }>> = {
  'stand-alone': { name: 'Stand-alone', what: 'Makes mains from the battery, plugged in or not.' },
  transfer: {
    name: 'With a transfer switch',
    what: 'The sockets hang on the supply or on the inverter, never on both.',
  },
  'pass-through': {
    name: 'Passing the supply through',
    what: 'As with a switch, but in milliseconds, and with a charger built in.',
  },
  assisting: {
    name: 'Assisting the supply',
    what: 'Adds from the battery what the supply lacks, and charges with what it spares.',
  },
};

/** What trips, how soon and on what: the three ways prove different things. */
export function tripWords(trip: Trip): string {
  const { kind, unit, seconds, holdSeconds } = trip;
  const asked = showText(trip.asked, unit);
  const limit = showText(trip.limit, unit);
  switch (kind) {
    case 'inrush':
      return `trips at once: the start asks ${asked}, ${limit} are held`;
    case 'surge-time':
      return `trips after ${showText(holdSeconds ?? 0, 's')}: the start lasts ${showText(seconds ?? 0, 's')} at ${asked}, ${limit} are carried that long`;
    case 'overload':
      return `trips within a minute: ${asked} run, ${limit} are carried`;
    case 'heat':
      return `trips when hot, after minutes or hours: ${asked} run, ${limit} are carried in that heat`;
  }
}

export const FAIL_WORDS: Readonly<Record<SizeChoice['fails'][number], string>> = {
  power: 'too few W',
  apparent: 'too few VA',
  surge: 'start too hard',
  'long-start': 'start too long',
};
