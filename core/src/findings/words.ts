import { formatClock, formatNumber, showText, type Units } from '../quantity/format.ts';
import { FUSES_A } from '../reference/conductors.ts';
import { sizeWords } from '../runs/typedSize.ts';
import type { Finding, FindingCode } from './finding.ts';
import type { FindingValues } from './values.ts';

/** What a finding says: what is so, why it matters, what to do. */
export interface Words {
  readonly what: string;
  readonly why: string;
  readonly act: string;
}

/** The keys of a finding's values that hold a number, or a text: any other does not compile. */
type KeysOf<V, T> = { [K in keyof V]: V[K] extends T ? K : never }[keyof V];

const n = <V>(values: V, key: KeysOf<V, number>): number => Number(values[key]);
/** kg of copper, and its price where one is known. */
const copper = (v: FindingValues['fuse-none'], key: 'leadKg' | 'higherKg', units: Units): string => {
  const price = v.copperPerKg > 0 ? `, ${formatNumber(v[key] * v.copperPerKg)} ${v.currency}` : '';
  return `${showText(v[key], 'kg', units)} of copper${price}`;
};

const LARGEST_FUSE_A = FUSES_A.at(-1) as number;

/** What asks it of the battery. */
const ASKED_BY: Readonly<Record<string, string>> = {
  long: 'What runs for long asks',
  worst: 'The worst moment asks',
  start: 'The largest start asks',
};
const forSeconds = (seconds: number): string => (seconds < 60 ? showText(seconds, 's') : showText(seconds / 60, 'min'));

const s = <V>(values: V, key: KeysOf<V, string>): string => String(values[key]);
const wh = <V>(values: V, key: KeysOf<V, number>): string => showText(n(values, key), 'Wh');
const w = <V>(values: V, key: KeysOf<V, number>): string => showText(n(values, key), 'W');
const a = <V>(values: V, key: KeysOf<V, number>): string => showText(n(values, key), 'A');
const kiloA = <V>(values: V, key: KeysOf<V, number>): string =>
  n(values, key) >= 1000 ? `${formatNumber(n(values, key) / 1000, 1)} kA` : a(values, key);
const area = <V extends { readonly areaMm2: number; readonly parallel?: number }>(
  { areaMm2, parallel = 1 }: V,
  units: Units,
): string => sizeWords({ areaMm2, conductor: units === 'imperial' ? 'awg' : 'flexible', parallel });
const size = <V extends { readonly unit: string }>(values: V, key: KeysOf<V, number>): string =>
  showText(n(values, key), values.unit);

/** What watts rest on, as it stands in a sentence. */
const EVIDENCE_PHRASE: Readonly<Record<string, string>> = {
  'data sheet': 'a data sheet',
  nameplate: 'its nameplate',
  typical: 'a typical figure',
  guess: 'a guess',
};

const WORDS: { readonly [C in FindingCode]: (values: FindingValues[C], units: Units) => Words } = {
  'no-loads': () => ({
    what: 'Nothing runs yet.',
    why: 'Every size follows from the loads.',
    act: 'Name the first appliance in the line above.',
  }),
  'double-conversion': (v) => ({
    what: `${s(v, 'name')}: converted twice, ${wh(v, 'lostWh')} a day lost.`,
    why: `DC becomes mains and then DC again; ${formatNumber(n(v, 'share') * 100)} % of what it draws never reaches it.`,
    act: 'Feed it from the battery through a DC-DC converter if it takes a DC voltage.',
  }),
  'measure-first': (v) => ({
    what: `Measure ${s(v, 'name')} first: it may be ${formatNumber(n(v, 'lowWh'))} or ${wh(v, 'highWh')} a day.`,
    why: `Its watts rest on ${EVIDENCE_PHRASE[s(v, 'evidence')] ?? s(v, 'evidence')}, and no other doubt moves the day as much.`,
    act: 'Put a meter on it for a usual day.',
  }),
  'critical-single-source': (v) => ({
    what: `${s(v, 'name')} must not stop, and ${n(v, 'sources') === 0 ? 'nothing charges the store' : 'one source alone charges the store'}.`,
    why: 'Cooling, medical and communication loads need a reserve and a second way to charge.',
    act: 'Add a source, or keep reserve in the store for it.',
  }),
  'cannot-hold': (v) => ({
    what: `${s(v, 'name')} cannot ${s(v, 'what')} for ${showText(n(v, 'hours'), 'h')} a day.`,
    why: 'It runs at full power and it is not enough. Heat and cold in a small room are a danger to health.',
    act: 'A larger unit, better insulation, shaded glass, or longer running times.',
  }),
  'idle-dominates': (v) => ({
    what: `The inverter idles away ${wh(v, 'idleWh')} a day, ${formatNumber(n(v, 'share') * 100)} % of the need.`,
    why: 'It draws this only to be ready.',
    act:
      s(v, 'policy') === 'always'
        ? 'Switch it off when nothing needs it, or fit a smaller one.'
        : 'Move what holds it on for hours to the battery, or fit a smaller one.',
  }),
  'inverter-too-small': (v) =>
    n(v, 'marginTaken') < 0
      ? {
          what: `${w(v, 'ratingW')} cannot carry the worst moment of ${formatNumber(n(v, 'worstW'))} ${s(v, 'unit')}.`,
          why: 'It shuts down on overload, within seconds or when it is warm.',
          act: `Fit at least ${w(v, 'requiredW')}, or keep some loads from running together. A trip on what runs proves nothing about its surge.`,
        }
      : {
          what: `${w(v, 'ratingW')} leaves ${formatNumber(n(v, 'marginTaken') * 100)} % in hand, less than the rule asks.`,
          why: `With your margin it should be ${w(v, 'requiredW')}.`,
          act: 'Take the next size, or change the margin if you stand by it.',
        },
  'inverter-oversized': (v) => ({
    what: `${w(v, 'enoughW')} would do; ${w(v, 'ratingW')} is fitted.`,
    why: `A bigger inverter idles more and works further below its best: idle is ${wh(v, 'idleWh')} a day.`,
    act: 'Fit the smaller one, or a small one for every day beside it.',
  }),
  'inverter-parallel': (v) => ({
    what: `No single common size gives ${w(v, 'requiredW')}: ${n(v, 'units')} in parallel are counted.`,
    why: 'Only models made for it may be paralleled.',
    act: 'Keep some loads from running together, or take gas for the heaviest.',
  }),
  'moment-unproved': (v) => ({
    what: `${w(v, 'momentW')} is what the worst moment comes to at most; it may be less.`,
    why: 'So many loads exclude each other that looking at every set takes long. Sizes are reckoned with the larger figure.',
    act: 'Let it reckon on, or put loads that exclude each other into fewer groups.',
  }),
  'inverter-start': (v) =>
    s(v, 'kind') === 'inrush'
      ? {
          what: `${s(v, 'name')} starting takes ${w(v, 'askedW')}; ${s(v, 'device')} holds ${w(v, 'limitW')}.`,
          why: `It trips at once, on the inrush.${n(v, 'alsoOver') === 1 ? ' What runs is above its rating too, so a trip may have either cause.' : ''}`,
          act: 'A larger inverter, a soft starter, or let it start alone.',
        }
      : {
          what: `${s(v, 'name')} starts for ${showText(n(v, 'seconds'), 's')} at ${w(v, 'askedW')}; ${s(v, 'device')} holds a start for ${showText(n(v, 'holdSeconds'), 's')}.`,
          why: `Longer than that it carries ${w(v, 'limitW')} for about a minute: it trips while the motor comes up to speed.`,
          act: 'Ask the maker for its surge time, take the next size, or let it start alone.',
        },
  'inverter-heat': (v, units) => ({
    what: `At ${showText(n(v, 'ambientC'), '°C', units)} ${s(v, 'device')} carries ${w(v, 'limitW')} of the ${w(v, 'askedW')}.`,
    why: 'It runs at first and shuts off when it is hot, after minutes or hours.',
    act: 'Give it air, a cooler place, or the next size.',
  }),
  'surge-unknown': (v) => ({
    what: `What ${s(v, 'device')} holds at a start is not known; ${w(v, 'startW')} are asked.`,
    why: 'The usual twice its rating for a second is taken. Makers mean anything from milliseconds to half a minute.',
    act: 'Take watts and seconds of its surge from the data sheet.',
  }),
  'together-contradiction': (v) => ({
    what: `${s(v, 'names')} always run together, and never.`,
    why: 'Both cannot be; they are counted each by itself.',
    act: 'Take one of the two back.',
  }),
  'supply-overload': (v) => ({
    what: `${size(v, 'worst')} may come together on ${s(v, 'supply')}, which is good for ${size(v, 'limit')}.`,
    why: `Its breaker or cut-out trips when ${s(v, 'names')} run at once.`,
    act: 'Let one wait, mark what never runs together, or fit an inverter that assists.',
  }),
  'supply-charger': (v) => ({
    what: `With the charger at full ${s(v, 'supply')} gives ${size(v, 'full')} of ${size(v, 'limit')}.`,
    why: 'A charger can be turned down first: nobody waits for it.',
    act: n(v, 'leftW') > 0 ? `Turn it down to ${w(v, 'leftW')} at the socket.` : 'Switch it off while the rest runs.',
  }),
  'supply-start': (v) => ({
    what: `${s(v, 'name')} starting takes ${s(v, 'supply')} to ${size(v, 'peak')}; it bears ${size(v, 'limit')}.`,
    why: 'No order of switching on peaks lower.',
    act: 'A soft starter, a larger supply, or fewer at once.',
  }),
  'assist-short': (v) => ({
    what: `${s(v, 'device')} and ${s(v, 'supply')} together are ${w(v, 'missingW')} short.`,
    why: 'Only what hangs on the inverter can be helped, up to its rating.',
    act: 'Let one load wait, or take the next size.',
  }),
  'nothing-passes': (v) => ({
    what: `${s(v, 'device')} does not let a supply through.`,
    why: 'Plugged in, its loads still run from the battery, and a charger puts it back with a loss.',
    act: 'A transfer switch or a unit that passes the supply through saves both losses.',
  }),
  'hookup-inlet': (v) => ({
    what: `${s(v, 'supply')}: the inlet’s rating is not the socket’s.`,
    why: 'An inlet of 15 or 16 A may not be fed from a 10 A outlet except through an adapter with its own protection.',
    act: 'Never alter a plug. Inlet, protection and bonding are for a licensed electrician.',
  }),
  'generator-fumes': () => ({
    what: 'A generator gives off carbon monoxide.',
    why: 'It kills in a closed space, and through an open window.',
    act: 'Run it outside, downwind, and fit an alarm.',
  }),
  'low-voltage-high-current': (v) => ({
    what: `${w(v, 'worstW')} from ${n(v, 'busV')} V means ${a(v, 'amps')}.`,
    why: `Common practice stops at ${w(v, 'guideW')} on ${n(v, 'busV')} V: cables, fuses and losses grow with the current.`,
    act: 'Compare the next higher voltage as an option.',
  }),
  'store-current': (v) => ({
    what: `${ASKED_BY[s(v, 'kind')]} ${a(v, 'amps')}; this battery gives ${a(v, 'limitA')}${s(v, 'kind') === 'long' ? ' for long' : ` for ${forSeconds(n(v, 'shortS'))}`}.`,
    why: `Its limit is ${formatNumber(n(v, 'limitC'), 2)} A per Ah. Beyond it the battery shuts off or sags: by ${showText(n(v, 'sagV'), 'V')} inside, to ${showText(n(v, 'leavesV'), 'V')}.`,
    act: `Take at least ${showText(n(v, 'neededAh'), 'Ah')}, a higher voltage, or a smaller worst moment.`,
  }),
  'store-short': (v) => ({
    what: `The store holds ${wh(v, 'capacityWh')} of the ${wh(v, 'requiredWh')} asked for.`,
    why: `Old and at its coldest it lasts ${formatNumber(n(v, 'days'), 1)} days without sun.`,
    act: 'Add capacity, lower the need, or accept fewer sunless days.',
  }),
  'store-cold': (v, units) => ({
    what: `At ${showText(n(v, 'coldestC'), '°C', units)} an LFP battery must not be charged.`,
    why: `Charging below ${showText(0, '°C', units)} ruins the cells for good.`,
    act:
      n(v, 'heaterW') > 0
        ? `Its heater of ${w(v, 'heaterW')} does not hold it above that: ${w(v, 'holdW')} are lost in a box. Take a stronger one, or a warmer place.`
        : 'Put it in the warm, heat it, or fit a charger that stops in the cold.',
  }),
  'store-heated': (v, units) => ({
    what: `At ${showText(n(v, 'coldestC'), '°C', units)} the bank is heated before it is charged: ${showText(n(v, 'warmUpH'), 'h')} until it has ${showText(n(v, 'holdC'), '°C', units)}.`,
    why: `Holding it there in a box takes ${w(v, 'holdW')}. On the day that is sized for, the heater takes ${wh(v, 'heaterWh')} of what charges.`,
    act: 'That is counted already, here and in Days: do not take the heater down among the loads as well.',
  }),
  'run-undersized': (v, units) => ({
    what: `${s(v, 'name')}: ${a(v, 'amps')} for hours, and its ${area(v, units)} bear ${a(v, 'bearsA')} as they lie.`,
    why: 'A cable that carries more than it bears heats until its insulation goes. This is where fires start.',
    act: 'Lay the next thicker, or see that less flows; fewer cables side by side and cooler air help too.',
  }),
  'run-over-fused': (v, units) => ({
    what: `${s(v, 'name')}: the fuse of ${a(v, 'ratingA')} is above the ${a(v, 'bearsA')} that ${area(v, units)} bear.`,
    why: 'The cable burns before the fuse opens: it protects nothing.',
    act: 'A smaller fuse, or a cable that bears it.',
  }),
  'run-unfused': (v) => ({
    what: `${s(v, 'name')} has no fuse that opens before its cable burns.`,
    why:
      n(v, 'shortA') > 0
        ? `Short-circuited, ${a(v, 'shortA')} flow through a cable for ${a(v, 'bearsA')}.`
        : `Its cable bears ${a(v, 'bearsA')}, and the source gives more when it is short-circuited.`,
    act: 'A fuse as near the source as possible, no larger than the cable bears.',
  }),
  'run-no-fuse-fits': (v, units) => ({
    what: `${s(v, 'name')}: no fuse is sold between ${a(v, 'neededA')} and the ${a(v, 'bearsA')} that ${area(v, units)} bear.`,
    why: 'The smaller opens in use, the larger lets the cable burn.',
    act: n(v, 'neededA') > 500 ? 'Split the load over two ways, or take a higher voltage.' : 'Lay the next thicker.',
  }),
  'run-fuse-small': (v) => ({
    what: `${s(v, 'name')}: the fuse of ${a(v, 'ratingA')} carries ${a(v, 'amps')} for hours.`,
    why: 'A fuse near its rating ages and opens one day in use.',
    act: `At least ${a(v, 'neededA')}: 1.25 × the current.`,
  }),
  'run-start-opens': (v) => ({
    what: `${s(v, 'name')}: a start of ${a(v, 'startA')} for ${showText(n(v, 'seconds'), 's')} may open the ${s(v, 'kind')} of ${a(v, 'ratingA')}.`,
    why:
      n(v, 'holdsSeconds') > 0
        ? `At that current it surely holds only ${showText(n(v, 'holdsSeconds'), 's')}.`
        : 'At that current nothing says that it holds at all.',
    act: 'A slower kind, the next larger that the cable bears, or a soft start.',
  }),
  'run-interrupt': (v) => ({
    what: `${s(v, 'name')}: the bank short-circuits with ${kiloA(v, 'shortA')}; a ${s(v, 'kind')} breaks ${kiloA(v, 'interruptA')}.`,
    why: 'Above that an arc goes on burning inside the fuse.',
    act:
      n(v, 'interruptA') >= 20000
        ? 'A fuse at each battery, so that each breaks the current of its own alone; or ask the maker what its management lets through.'
        : 'Take a fuse of a high interrupting class there.',
  }),
  'run-not-selective': (v) => ({
    what: `${s(v, 'main')} has ${a(v, 'mainA')}, ${s(v, 'name')} behind it ${a(v, 'ratingA')}: which opens first is chance.`,
    why: 'A fault on one circuit should not put out all the others.',
    act:
      n(v, 'mainA') >= LARGEST_FUSE_A
        ? 'No larger one is sold: take it straight from the battery, on a fuse of its own.'
        : `A main fuse of about ${formatNumber(n(v, 'ratio'), 1)} × the branch where the cable bears it.`,
  }),
  'run-drop': (v, units) => ({
    what: `${s(v, 'name')}: ${formatNumber(n(v, 'share') * 100, 1)} % is lost on the way, ${showText(n(v, 'lostV'), 'V')}; ${formatNumber(n(v, 'limit') * 100)} % is the limit.`,
    why: 'What is lost warms the cable; a charger ends early and a motor starts badly.',
    act:
      n(v, 'thickerMm2') > 0
        ? `More than ${area(v, units)}, or less than ${showText(n(v, 'lengthM'), 'm', units)}; joints count too.`
        : `No more than ${area(v, units)} are laid: less than ${showText(n(v, 'lengthM'), 'm', units)}, two such with a lead each, or a higher voltage.`,
  }),
  'run-collapse': (v) => ({
    what: `${s(v, 'name')} cannot ${s(v, 'what')} on a low store: the volts break down at ${s(v, 'falls')}.`,
    why: 'The less voltage it gets the more current it asks for, until no voltage is left at which it gets its power.',
    act: `A thicker or shorter way at ${s(v, 'falls')}.`,
  }),
  'run-start-dip': (v) => ({
    what: `${s(v, 'name')} may not start on a low store: ${showText(n(v, 'startV'), 'V')} for ${showText(n(v, 'seconds'), 's')}, it needs ${showText(n(v, 'cutOffV'), 'V')}.`,
    why: 'The start pulls its own volts down; it cuts out and tries again.',
    act:
      n(v, 'storeV') < n(v, 'cutOffV')
        ? `At the store itself there are ${showText(n(v, 'storeV'), 'V')}: a larger one, or one that gives more at a time.`
        : 'A thicker lead, or a lead of its own.',
  }),
  'run-start-pulls': (v) => ({
    what: `The start of ${s(v, 'name')} pulls ${s(v, 'other')} down to ${showText(n(v, 'volts'), 'V')} for ${showText(n(v, 'seconds'), 's')} on a low battery; it needs ${showText(n(v, 'cutOffV'), 'V')}.`,
    why: 'What they share on their way takes the volts of both: the one cuts out whenever the other starts.',
    act: 'A lead of its own for one of them, or a thicker one where they share it.',
  }),
  'run-output-low': (v) => ({
    what: `${s(v, 'name')} gets ${showText(n(v, 'volts'), 'V')} at the end of ${s(v, 'run')}; it needs ${showText(n(v, 'leastV'), 'V')}.`,
    why: `${s(v, 'device')} gives ${showText(n(v, 'outputV'), 'V')} whatever the store has; the lead behind it takes the rest, at any charge.`,
    act: 'A thicker or shorter lead behind it, or an output of its own.',
  }),
  'load-drops-out': (v) => ({
    what: `${s(v, 'name')} stops at ${formatNumber(n(v, 'soc') * 100)} % of charge (${formatNumber(n(v, 'lowSoc') * 100)} to ${formatNumber(n(v, 'highSoc') * 100)} %): ${showText(n(v, 'strandedAh'), 'Ah')} stay out of its reach.`,
    why: `Its cut-off is ${showText(n(v, 'cutOffV'), 'V')} at its own terminals; the cable takes the rest. ${formatNumber((1 - n(v, 'reserve')) * 100)} % was planned to be used.`,
    act: 'A thicker lead, or a lower cut-off if it has that setting.',
  }),
  'socket-overload': (v) => ({
    what: `${s(v, 'name')}: ${a(v, 'amps')} through a socket for ${a(v, 'socketA')}.`,
    why:
      n(v, 'shared') > 1
        ? `${s(v, 'names')} share it: a splitter adds sockets, not amps. Plug-in contacts melt first.`
        : 'Plug-in contacts melt first.',
    act: 'Wire it firmly, with a fuse of its own.',
  }),
  'run-solid': (v) => ({
    what: `${s(v, 'name')} is one solid wire.`,
    why: 'Where it is shaken it hardens and breaks.',
    act: 'Take finely stranded cable.',
  }),
  'run-aluminium': (v) => ({
    what: `${s(v, 'name')} is aluminium.`,
    why: 'It creeps under screws and corrodes against copper: the joint heats.',
    act: 'Take copper, or lugs and paste made for it, checked every year.',
  }),
  'run-unkeyed': (v) => ({
    what: `${s(v, 'name')} can be joined the wrong way round.`,
    why: 'Reversed polarity destroys electronics in an instant, whatever the fuse.',
    act: 'Keyed connectors, marked ends; measure before it is joined.',
  }),
  'without-run': (v) => ({
    what: `${n(v, 'count') === 1 ? 'No run leads' : `${n(v, 'count')} things have no run`}${n(v, 'count') === 1 ? ' to' : ':'} ${s(v, 'names')}.`,
    why: 'Without a run it has neither size nor fuse, and what its cable loses is not counted.',
    act: 'Let the program add what is missing, or put it at the end of a run.',
  }),
  'payload-exceeded': (v, units) => ({
    what: `The kit is ${showText(n(v, 'overKg'), 'kg', units)} over the payload.`,
    why: `Battery, panels and inverter weigh about ${showText(n(v, 'kitKg'), 'kg', units)}. An overloaded vehicle is unsafe and may be unlawful.`,
    act: 'Take a lighter store, or less of it, and weigh the vehicle.',
  }),
  'no-sun': (v) => ({
    what:
      n(v, 'rises') > 0
        ? 'There is next to no sun in the month designed for, by the figure given.'
        : 'The sun does not rise in the month designed for.',
    why: 'No array of any size covers the need then.',
    act: 'Plan on driving, hookup or a generator in that month.',
  }),
  'balance-short': (v) => ({
    what: `A usual day is ${wh(v, 'shortWh')} short.`,
    why:
      n(v, 'days') < n(v, 'nights')
        ? `A full store is down to its reserve after ${formatNumber(n(v, 'days'), 1)} days of the ${n(v, 'nights')} away.`
        : `A full store covers the gap for ${formatNumber(n(v, 'days'), 1)} days; the stay is ${n(v, 'nights')} nights.`,
    act: 'More array, more driving, or less need.',
  }),
  'bank-voltage': (v) => ({
    what: `${s(v, 'name')}: ${n(v, 'series')} × ${formatNumber(n(v, 'unitV'), 1)} V make ${formatNumber(n(v, 'makesV'), 1)} V; the bus has ${formatNumber(n(v, 'busV'), 1)} V.`,
    why: 'A string of another voltage beside the bank is a short circuit in the making.',
    act: 'Change the units in series, the unit, or the bus.',
  }),
  'bank-uneven': (v) => ({
    what: `${s(v, 'name')} takes ${formatNumber(n(v, 'share') * 100)} % of the current with ${formatNumber(n(v, 'ofAh') * 100)} % of the capacity.`,
    why: `It is at its limit when the bank gives ${showText(n(v, 'atA'), 'A')}; alike, they would give ${showText(n(v, 'insteadA'), 'A')}. It also ages first.`,
    act: 'Match age, size and make of the strings, give the weaker one a bank of its own, or stay below that current.',
  }),
  'bank-mixed': (v) => ({
    what: `${s(v, 'strong')} holds ${showText(n(v, 'strongAh'), 'Ah')} and ${s(v, 'weak')} ${showText(n(v, 'weakAh'), 'Ah')}: old and new, or unlike units, in one bank.`,
    why: `Together they have ${showText(n(v, 'ah'), 'Ah')} on paper; sharing by what is inside them, one is empty after some ${showText(n(v, 'firstEmptyAh'), 'Ah')}. The weaker ages faster still.`,
    act: 'Count on the smaller figure, replace all at once, or give the odd one a bank of its own.',
  }),
  'unit-doubtful': (v) => ({
    what: `${s(v, 'name')}: a unit of ${formatNumber(n(v, 'unitV'), 1)} V is no ${s(v, 'chemistry')}, whose cells have ${formatNumber(n(v, 'cellV'), 1)} V.`,
    why: 'Charge volts, limits and cold follow from the chemistry; of the wrong one all of them are wrong.',
    act: 'Check the label: the chemistry, or the volts of one unit.',
  }),
  'converter-start': (v) => ({
    what: `${s(v, 'name')} starting asks ${s(v, 'device')} for ${showText(n(v, 'askedW'), 'W')}; it holds some ${showText(n(v, 'holdsW'), 'W')}.`,
    why: 'A converter has hardly more for a moment than it has for hours: it folds back, and everything on it dips.',
    act: 'Wire the motor straight to the bus or a converter of its own, or take a larger one.',
  }),
  'runs-short': (v) => ({
    what: `On day ${formatNumber(n(v, 'worstDay'))} of ${formatNumber(n(v, 'days'))} the store gives out at ${formatClock(n(v, 'atMin'))}; ${wh(v, 'unservedWh')} go unserved.`,
    why: `Played through minute by minute with the store old and at its coldest${n(v, 'fromDay') < n(v, 'worstDay') ? `, it is short from day ${formatNumber(n(v, 'fromDay'))}` : ''}.`,
    act: 'A larger store, more income, or less need in those hours.',
  }),
  'sun-hours-doubtful': (v) => ({
    what: `${showText(n(v, 'hours'), 'h')} of peak sun are ${formatNumber(n(v, 'share') * 100)} % of what falls above the air in ${s(v, 'month')}${n(v, 'others') > 0 ? `; ${n(v, 'others')} more months are as doubtful` : ''}.`,
    why:
      n(v, 'share') > 1
        ? 'No sky lets more through than there is. The figure may be of another month, of a tilted plane, or hours of daylight.'
        : 'The clearest skies let about 75 to 80 % through. The figure may be of a tilted plane or of a better month.',
    act: 'Check it, or leave it out: then it follows from latitude, month and sky.',
  }),
  'dcdc-limited': (v) => ({
    what: `${a(v, 'ratingA')} of charging is more than the alternator should give: ${a(v, 'limitA')}.`,
    why: 'A hot alternator at half its rating for hours fails early.',
    act: 'Fit a smaller DC-DC charger or a larger alternator.',
  }),
  'run-fuse-volts': (v) => ({
    what: `${s(v, 'name')}: a ${s(v, 'kind')} is sold for ${n(v, 'soldV')} V at most, and this is a bus of ${n(v, 'volts')} V that is charged with more.`,
    why: 'Above its volts a fuse melts and the arc goes on: it interrupts nothing.',
    act: 'Take a fuse that is rated for the charging voltage.',
  }),
  'fuse-none': (v, units) => ({
    what: `No single main fuse is large enough: ${a(v, 'amps')} at a low battery ask for ${a(v, 'neededA')}, and ${a(v, 'largestA')} is the largest sold.`,
    why: 'A cable from the battery without a fuse between it and what it bears burns when it is shorted.',
    act: `${n(v, 'higherV') > 0 ? `At ${n(v, 'higherV')} V it is ${a(v, 'higherA')} and a fuse of ${a(v, 'higherFuseA')}, ${copper(v, 'higherKg', units)} in the main cable. ` : ''}Or ${n(v, 'ways')} conductors side by side, each with its own fuse of ${a(v, 'eachA')} or more: ${copper(v, 'leadKg', units)}. Or never run so much together: ${showText(n(v, 'mostW'), 'W')} at the battery is what one such fuse carries.`,
  }),
  'dcdc-starved': (v, units) => ({
    what: `${s(v, 'name')} gives nothing: ${a(v, 'ratingA')} would leave it ${showText(n(v, 'farV'), 'V')} at the end of its cable, and it needs ${showText(n(v, 'minInputV'), 'V')}.`,
    why: 'Below its least input volts a DC-DC charger switches off, comes back, and switches off again.',
    act: Number.isFinite(n(v, 'neededMm2'))
      ? `Lay at least ${area({ areaMm2: n(v, 'neededMm2') }, units)} instead of ${area(v, units)}, or set it to fewer amps.`
      : 'No cable will do: the alternator holds less than the charger needs. Take one for a lower input, or set its limit lower.',
  }),
  'charge-limit': (v) => ({
    what: `${a(v, 'amps')} may come at once: ${a(v, 'sunA')} of sun and ${a(v, 'byOthersA')} ${n(v, 'isPlugged') > 0 ? 'of mains chargers' : 'while driving'}. The battery takes ${a(v, 'limitA')}${n(v, 'isGiven') > 0 ? '' : ', the usual of its chemistry'}.`,
    why: 'Chargers do not know of one another: a BMS that is given too much disconnects, and lead gasses and ages.',
    act: 'Set the chargers lower, have one controller know of all, or take a battery that bears it. What is above the limit is counted nowhere.',
  }),
  'relay-smart': (v) => ({
    what: `${s(v, 'name')} hangs on an alternator that the vehicle turns down: nothing is counted on from it.`,
    why: 'Its voltage falls below the store’s while driving: the relay opens, or the store feeds the vehicle.',
    act: 'Fit a DC-DC charger instead of the relay.',
  }),
  'relay-volts': (v) => ({
    what: `${s(v, 'name')} joins ${n(v, 'systemV')} V of the vehicle to a store of ${n(v, 'busV')} V.`,
    why: 'A relay changes no voltage: nothing is charged, or far too much flows.',
    act: 'Fit a DC-DC charger that goes from one to the other.',
  }),
  'driving-drop': (v, units) => ({
    what: `${s(v, 'name')}: ${formatNumber(n(v, 'dropShare') * 100, 1)} % is lost in its cable; ${showText(n(v, 'farV'), 'V')} reach it.`,
    why: 'Below its lowest input a charger switches off, and what is lost warms the cable.',
    act: `Lay more than ${area(v, units)}, or a shorter way.`,
  }),
  'array-volts': (v, units) => ({
    what: `${s(v, 'name')}: ${showText(n(v, 'coldV'), 'V')} open at ${showText(Math.round(n(v, 'coldC')), '°C', units)}; its controller bears ${showText(n(v, 'limitV'), 'V')}.`,
    why: 'One clear dawn of frost is enough to destroy it, and no warranty covers that.',
    act: 'Put fewer panels in series, or take a controller for a higher voltage.',
  }),
  'array-low': (v, units) => ({
    what: `${s(v, 'name')}: ${showText(n(v, 'hotV'), 'V')} at its best point when its cells have ${showText(Math.round(n(v, 'hotC')), '°C', units)}; charging needs ${showText(n(v, 'neededV'), 'V')}.`,
    why: 'On the hottest days, when there is most sun, it hardly charges or stops before the store is full.',
    act: 'Put more panels in series, or take panels of more cells.',
  }),
  'roof-overlap': (v) => ({
    what: `${s(v, 'name')} lies on ${s(v, 'others')}.`,
    why: 'One of them would not fit, or lie in the shade of the other.',
    act: 'Move or turn it on the plan, or take a smaller one.',
  }),
  'roof-overhang': (v, units) => ({
    what: `${s(v, 'name')} hangs over the edge of the roof by ${units === 'imperial' ? showText(n(v, 'edgeM'), 'm', units) : `${formatNumber(n(v, 'edgeM') * 100)} cm`}.`,
    why: 'What stands out catches wind and branches, and may break the rules of the road.',
    act: 'Move or turn it on the plan, or take a smaller one.',
  }),
  'roof-full': (v, units) => ({
    what: `The panels need ${showText(n(v, 'panelsM2'), 'm²', units)}; the roof has ${showText(n(v, 'roofM2'), 'm²', units)} beside what is in the way.`,
    why: 'They cannot all lie on it.',
    act: 'Take fewer or better panels, or set some of them out by hand.',
  }),
  'array-input': (v) => ({
    what: `${s(v, 'name')}: ${a(v, 'shortA')} short-circuited; its controller’s input bears ${a(v, 'limitA')}.`,
    why: 'More than the input bears can destroy it, most of all when connected the wrong way round.',
    act: 'Put more in series and less side by side, or spread the panels over two controllers.',
  }),
  'array-clips': (v) => ({
    what: `${s(v, 'name')}: its controller stops at ${w(v, 'limitW')} and holds back ${wh(v, 'clippedWh')} a day, ${formatNumber(n(v, 'share') * 100)} %.`,
    why: 'Panels beyond the limit help on dull days and are lost at noon.',
    act: 'Leave it if the dull days count, or take a larger controller.',
  }),
  'box-clips': (v) => ({
    what: `${s(v, 'name')} charges with ${showText(n(v, 'chargeA'), 'A')} at most and holds back ${wh(v, 'clippedWh')} of sun a day, ${formatNumber(n(v, 'share') * 100)} %.`,
    why: 'In one box the solar inputs and the mains charger share one limit into the store.',
    act: 'Leave it if the dull days count, or give an array a controller of its own.',
  }),
  'array-unlike': (v) => ({
    what: `${s(v, 'name')}: unlike panels give ${w(v, 'togetherW')} on one controller, ${w(v, 'apartW')} on their own.`,
    why: `All must work at one voltage or one current: ${formatNumber(n(v, 'lostShare') * 100)} % is lost, on every sunny hour.`,
    act: 'Give each kind its own controller, or join them the other way.',
  }),
  'array-window-unknown': (v) => ({
    what:
      n(v, 'coldV') > 0
        ? `${s(v, 'name')}: its controller’s highest voltage is not known; cold panels bring ${showText(n(v, 'coldV'), 'V')}.`
        : `${s(v, 'name')}: neither the volts of its panels nor what its controller bears are known.`,
    why: 'A controller that bears less is destroyed on the first cold clear morning.',
    act:
      n(v, 'coldV') > 0
        ? 'Type what its data sheet allows.'
        : 'List its panels from their label, and type what the controller’s data sheet allows.',
  }),
  'panel-doubtful': (v) => ({
    what:
      n(v, 'agrees') === 1
        ? `${s(v, 'name')}: no panel has a curve through these volts and amps.`
        : `${s(v, 'name')}: its volts × amps are ${w(v, 'productW')}, its label says ${w(v, 'ratingW')}.`,
    why: 'One of the figures is of another panel, of another temperature, or mistyped.',
    act: 'Compare with the label: W, V and A at the best point, V open, A short-circuited.',
  }),
  'pwm-loses': (v) => ({
    what: `${s(v, 'name')}: joined straight to the store it leaves ${wh(v, 'lostWh')} a day, ${formatNumber(n(v, 'share') * 100)} %, in the panels.`,
    why: 'Such a controller pulls the panels down to the store’s voltage, below their best point.',
    act: 'Take a controller that seeks the best point, or panels of fewer cells.',
  }),
  'charger-none': (v) => ({
    what: `${s(v, 'supply')} is there, and nothing charges the store from it.`,
    why: 'Plugged in, the loads would run and the store stay empty.',
    act: 'Add a charger in the Sources step, or leave it so if that is meant.',
  }),
  'inverter-loop': (v) => ({
    what: `${s(v, 'name')} charges the store from the store’s own inverter.`,
    why: 'The energy goes in a circle and loses a part at every turn, until the store is empty.',
    act: 'Feed it from hookup or generator only, or take it off the inverter.',
  }),
  'port-overload': (v) => ({
    what: `${s(v, 'name')} ${n(v, 'loads') > 1 ? 'together ask' : 'asks'} ${showText(n(v, 'peak'), s(v, 'unit'))} at ${n(v, 'loads') > 1 ? 'their' : 'its'} peak; ${s(v, 'port')} shuts off at ${showText(n(v, 'limit'), s(v, 'unit'))}.`,
    why: `The mean is only ${w(v, 'meanW')}, but a port trips on the peak: at a start, or at a heater’s shutdown. All that hangs on it then goes without.`,
    act: 'Use a stronger port, spread the loads, or wire one of them to the battery.',
  }),
  'no-port': (v) => ({
    what: `${s(v, 'name')} hangs on a portable station that is not described.`,
    why: 'Without its limits in A and W nobody knows whether the port holds.',
    act: 'Describe the port among the devices of this option.',
  }),
  'stepped-wave': (v) => ({
    what: `${s(v, 'name')} on the stepped wave of ${s(v, 'device')}.`,
    why:
      n(v, 'sensitive') === 1
        ? 'Medical and precision devices may fail or be damaged.'
        : 'Motors and compressors run hot on it and fail early.',
    act: 'Take an inverter with a pure sine wave.',
  }),
  'converter-undersized': (v) => ({
    what: `${s(v, 'device')} gives ${w(v, 'ratingW')}; ${n(v, 'loads')} loads on it may ask ${w(v, 'worstW')} at once.`,
    why: 'It shuts down or sags, and everything on it with it.',
    act: 'Take a larger converter, or spread the loads over two.',
  }),
  'voltage-range': (v) => ({
    what: `${s(v, 'name')} ${n(v, 'high') === 1 ? 'bears' : 'needs'} ${showText(n(v, 'limitV'), 'V')}; ${showText(n(v, 'reachesV'), 'V')} reaches it.`,
    why:
      n(v, 'high') === 1
        ? 'Too high a voltage destroys it, for example while the battery charges.'
        : 'It cuts out on a low battery, before the battery is empty.',
    act: 'Put a converter of the right voltage before it.',
  }),
  'volts-unknown': (v) => ({
    what: `The highest voltage of ${s(v, 'name')} is not stated; the bus reaches ${showText(n(v, 'reachesV'), 'V')} while it charges.`,
    why: 'What is made for a steady 12 V may fail at that, lights and screens first.',
    act: `Read the range on ${n(v, 'loads') > 1 ? 'their plates' : 'its plate'} and enter it with the load; where it ends lower, put a stabiliser before it.`,
  }),
  'cut-mid-run': (v) => ({
    what: `${s(v, 'name')} may be cut off while it runs: ${s(v, 'port') === '' ? 'nothing is kept back to stop it' : `${s(v, 'port')} shuts off under it`}.`,
    why: `It needs ${showText(n(v, 'needsWh'), 'Wh')} more to stop in order; a heater cut off hot may overheat or soot up.`,
    act:
      s(v, 'port') === ''
        ? 'Keep enough back to stop what runs: a setting of Days.'
        : 'Relieve the port, or feed it straight from the battery.',
  }),
  'search-asleep': (v) => ({
    what: `${s(v, 'name')} takes ${w(v, 'runningW')}; ${s(v, 'device')} wakes from ${w(v, 'wakeW')}.`,
    why: 'In search mode it gets no power unless something larger runs.',
    act: 'Lower the threshold, move the load to DC, or switch search mode off.',
  }),
  'off-hours': (v) => ({
    what: `${s(v, 'name')} runs ${showText(n(v, 'hours'), 'h')} a day while ${s(v, 'device')} is switched off.`,
    why: 'The clock that saves idle takes the power away.',
    act: 'Change the hours of the device or of the load.',
  }),
  'mains-licensed': (v) => ({
    what: `${n(v, 'volts')} V on board kills.`,
    why: 'Fixed mains wiring, inlets, changeover, earthing and residual-current protection fall under local rules.',
    act: 'Have it done and tested by a licensed electrician. These results are design aids; local codes come first.',
  }),
};

/** @param units of the reader's region */
export function wordsFor(finding: Finding, units: Units = 'metric'): Words {
  // The words of a code take that code's values: the table's type says so, which the compiler cannot follow here.
  const words = WORDS[finding.code] as (values: Finding['values'], units: Units) => Words;
  return words(finding.values, units);
}
